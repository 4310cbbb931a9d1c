import type { Layer } from '@riffle/contract';
import { MATERIALS, UNSHORED_M, UNITS } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { Grip } from '../../../ui/Grip.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { HATCH } from './hatches.ts';
import type { PitOnPage } from './usePit.ts';
import { useSayGrade } from './useSayGrade.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

interface PitColumnProps {
  readonly layers: readonly Layer[];
  readonly bottom: string;
  readonly waterAt_m: number | null;
  readonly batter: number;
  readonly picked: string | null;
  /** What each layer says beside it, by layer. */
  readonly notes: ReadonlyMap<string, string>;
  readonly onPick: (layerId: string) => void;
  readonly onMove: (index: number, bottom_m: number) => void;
}

const [LEFT, WIDTH, TOP, HEIGHT, BASE] = [52, 108, 26, 470, 46];

/** The pit in hand as it was dug and planned, each layer with what its pans said. */
export function PitColumnBlock({ page: { inHand, said, layer, pickLayer } }: { page: PitOnPage }) {
  const show = useShow();
  const sayGrade = useSayGrade();
  const { draft, length, width, water } = inHand;
  const dug = length.ok && width.ok ? `${show.length(length.value)} × ${show.length(width.value)}` : '?';
  const notes = new Map([...(said?.layers ?? [])].map(([id, grade]) => [id, sayGrade(grade)]));
  return (
    <Block title={draft.name || 'Pit'} aside={draft.planned && `“${draft.planned}”, really dug ${dug}`}>
      {draft.layers.length > 0 && (
        <PitColumn
          layers={draft.layers}
          bottom={draft.bottom}
          waterAt_m={water?.ok ? water.value : null}
          batter={numberTyped(draft.batterText) || 0}
          picked={layer?.id ?? null}
          notes={notes}
          onPick={pickLayer}
          onMove={inHand.moveBottom}
        />
      )}
    </Block>
  );
}

/** A pit drawn to scale from the side: its layers under the grass, what it ends on, where water stands and where nobody stands. Limits can be dragged. */
function PitColumn({ layers, bottom, waterAt_m, batter, picked, notes, onPick, onMove }: PitColumnProps) {
  const show = useShow();
  const depth_m = layers.reduce((sum, l) => sum + l.thickness_m, 0);
  const shown_m = Math.max(0.6, depth_m * 1.02);
  const y = (m: number): number => TOP + (m / shown_m) * (HEIGHT - TOP - BASE);
  const lean = (m: number): number => Math.min(WIDTH / 2 - 8, batter * (y(m) - TOP) * 0.6);
  const US = show.display.system === 'US';
  const unit_m = US ? UNITS.length.ft : 1;
  const step = [0.1, 0.2, 0.5, 1, 2, 5].find((s) => shown_m / unit_m / s <= 9) ?? 10;
  const ticks = Array.from({ length: Math.floor(shown_m / unit_m / step) + 1 }, (_, i) => i * step);
  const drawn = layers.map((l, i) => {
    const from = layers.slice(0, i).reduce((sum, o) => sum + o.thickness_m, 0);
    return { l, i, from, to: from + l.thickness_m };
  });
  // Words beside thin layers are kept a line apart.
  const wordsAt = drawn.reduce<number[]>(
    (at, d) => [...at, Math.max((y(d.from) + y(d.to)) / 2 - 8, (at.at(-1) ?? -40) + 38)],
    [],
  );
  return (
    <svg
      viewBox={`0 0 340 ${Math.max(HEIGHT, (wordsAt.at(-1) ?? 0) + 60)}`}
      className="mx-auto block w-full max-w-[24rem] select-none"
      role="group"
      aria-label={`Pit, ${show.length(depth_m)} deep: ${layers.map((l) => `${show.length(l.thickness_m)} ${MATERIALS[l.material].says}`).join(', ')}; bottom: ${bottom}`}
    >
      <g aria-hidden="true">
        <path
          d={`M${LEFT - 8} ${TOP}V${y(shown_m)}${ticks.map((t) => `M${LEFT - 14} ${y(t * unit_m)}h6`).join('')}`}
          stroke="var(--ink)"
          strokeWidth="1.2"
          fill="none"
        />
        {ticks.map((t) => (
          <text key={t} x={LEFT - 18} y={y(t * unit_m) + 4} fontSize="12" textAnchor="end">
            {t.toFixed(step < 1 ? 1 : 0)}
          </text>
        ))}
        <text x={LEFT - 18} y={TOP - 12} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
          {US ? 'ft' : 'm'}
        </text>
        <path
          d={`M${LEFT - 4} ${TOP}h${WIDTH + 8}${Array.from({ length: 14 }, (_, i) => `M${LEFT + i * 8.2} ${TOP}l${(i % 3) - 1} ${-6 - (i % 4)}`).join('')}`}
          stroke="var(--ink)"
          strokeWidth="1.3"
          fill="none"
        />
      </g>
      {drawn.map(({ l, from, to }) => {
        const shape = `M${LEFT + lean(from)} ${y(from)}H${LEFT + WIDTH - lean(from)}L${LEFT + WIDTH - lean(to)} ${y(to)}H${LEFT + lean(to)}Z`;
        return (
          <g key={l.id} className="cursor-pointer" onClick={() => onPick(l.id)}>
            <path d={shape} fill={HATCH[l.material]} stroke="var(--ink)" strokeWidth={picked === l.id ? 3.5 : 1.4} />
            {l.firmness !== 'loose' && (
              <path
                d={`M${LEFT + lean(to)} ${y(to) - 1.5}H${LEFT + WIDTH - lean(to)}`}
                stroke="var(--ink)"
                strokeWidth={l.firmness === 'firm' ? 3 : 5}
                aria-hidden="true"
              />
            )}
            {l.pay && (
              <path
                d={`M${LEFT + WIDTH + 14} ${y(from) + 2}h8V${y(to) - 2}h-8`}
                fill="none"
                stroke="var(--gold)"
                strokeWidth="2.2"
                aria-hidden="true"
              />
            )}
          </g>
        );
      })}
      <path
        aria-hidden="true"
        d={`M${LEFT + lean(depth_m)} ${y(depth_m)}h${WIDTH - 2 * lean(depth_m)}v26h${-(WIDTH - 2 * lean(depth_m))}z`}
        fill={BOTTOM_HATCH(bottom)}
        stroke="var(--ink)"
        strokeWidth="1.2"
        strokeDasharray={bottom === 'not reached' ? '4 3' : undefined}
      />
      <text x={LEFT + WIDTH / 2} y={y(depth_m) + 42} fontSize="12.5" textAnchor="middle">
        {bottom}
      </text>
      {waterAt_m !== null && waterAt_m <= shown_m && (
        <g aria-hidden="true">
          <path
            d={`M${LEFT - 4} ${y(waterAt_m)}h${WIDTH + 8}`}
            stroke="var(--water)"
            strokeWidth="2.2"
            strokeDasharray="9 3"
          />
          <path d={`M${LEFT - 6} ${y(waterAt_m) - 9}h-9l4.500 8z`} fill="var(--water)" />
        </g>
      )}
      {depth_m > UNSHORED_M && (
        <g>
          <path
            d={`M${LEFT - 8} ${y(UNSHORED_M)}h${WIDTH + 28}`}
            stroke="var(--danger)"
            strokeWidth="2.4"
            strokeDasharray="7 4"
          />
          <text
            className="halo"
            x={LEFT + WIDTH / 2}
            y={y(UNSHORED_M) - 6}
            fontSize="12"
            fontWeight="700"
            textAnchor="middle"
            style={{ fill: 'var(--danger)' }}
          >
            nobody in unshored
          </text>
        </g>
      )}
      {drawn.map(({ l, i }) => (
        <text
          key={l.id}
          x={LEFT + WIDTH + 30}
          y={(wordsAt[i] ?? 0) + 4}
          fontSize="13"
          className="cursor-pointer"
          onClick={() => onPick(l.id)}
        >
          <tspan fontSize="15" fontWeight="700">
            {show.length(l.thickness_m)}
          </tspan>
          <tspan x={LEFT + WIDTH + 30} dy="15">
            {l.color && `${l.color} `}
            {MATERIALS[l.material].says}
          </tspan>
          {notes.get(l.id) && (
            <tspan x={LEFT + WIDTH + 30} dy="15" fontSize="12.5" fontWeight="700" style={{ fill: 'var(--gold)' }}>
              {notes.get(l.id)}
            </tspan>
          )}
        </text>
      ))}
      {drawn.map(({ l, i, to }) => (
        <Grip
          key={l.id}
          x={LEFT + WIDTH - lean(to)}
          y={y(to)}
          label={`Bottom of layer ${i + 1}, ${MATERIALS[l.material].says}`}
          value={-to}
          min={-30}
          max={-0.02}
          says={show.length(to)}
          perPx={shown_m / (HEIGHT - TOP - BASE)}
          step={0.01}
          onMove={(v) => onMove(i, -v)}
        />
      ))}
    </svg>
  );
}

const BOTTOM_HATCH = (bottom: string): string =>
  bottom.startsWith('bedrock')
    ? 'url(#bedrock)'
    : bottom === 'clay'
      ? 'url(#clay)'
      : bottom === 'false bottom'
        ? 'url(#hardpan)'
        : bottom === 'water'
          ? 'var(--water-body)'
          : bottom === 'frozen'
            ? 'url(#against)'
            : 'none';
