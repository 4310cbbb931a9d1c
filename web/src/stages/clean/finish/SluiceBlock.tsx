import type { WeighedSluice } from '@riffle/core';
import { Block } from '../../../ui/Judgement.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { useWidth } from '../../../ui/useWidth.ts';
import { useShow } from '../../../units/useShow.ts';
import { readSluice, type SluiceDraft } from './readSluice.ts';
import type { Finish } from './useFinish.ts';

/** A riffled finishing sluice: how it stands, and where of its riffles this jar's gold will lie. */
export function SluiceBlock({ finish: { draft, change, tried, sluice } }: { readonly finish: Finish }) {
  const [attach, width] = useWidth(420);
  const show = useShow();
  const d = draft.sluice;
  const r = readSluice(d);
  const set = (some: Partial<SluiceDraft>): void => change({ sluice: { ...d, ...some } });
  return (
    <Block title="The sluice" aside="gold of what it catches, riffle by riffle">
      <div ref={attach}>{sluice && <SluiceDrawing width={width} found={sluice} />}</div>
      <div className="mt-1 grid grid-cols-2 gap-x-4 sm:grid-cols-4">
        <QuantityField
          label="Sluice, width"
          entered={d.width}
          reading={r.width}
          units={['cm', 'in', 'mm']}
          showProblem={tried}
          onChange={(entered) => set({ width: entered })}
        />
        <QuantityField
          label="Its pitch"
          entered={d.pitch}
          reading={r.pitch}
          units={['%', 'in/ft', '°']}
          showProblem={tried}
          onChange={(pitch) => set({ pitch })}
          comesTo={r.pitch.ok && show.pitch(r.pitch.value)}
        />
        <QuantityField
          label="Water, wide open"
          entered={d.depth}
          reading={r.depth}
          units={['mm', 'in', 'cm']}
          showProblem={tried}
          onChange={(depth) => set({ depth })}
        />
        <TextField
          label="Black sand in it, %"
          value={d.black}
          onChange={(black) => set({ black })}
          inputMode="decimal"
          problem={r.black.ok ? null : r.black.problem}
        />
        <QuantityField
          label="Riffles, height"
          entered={d.riffle}
          reading={r.riffle}
          units={['mm', 'in', 'cm']}
          showProblem={tried}
          onChange={(riffle) => set({ riffle })}
        />
        <QuantityField
          label="One every"
          entered={d.spacing}
          reading={r.spacing}
          units={['mm', 'in', 'cm']}
          showProblem={tried}
          onChange={(spacing) => set({ spacing })}
        />
        <TextField
          label="How many riffles"
          value={d.riffles}
          onChange={(riffles) => set({ riffles })}
          inputMode="numeric"
          problem={r.riffles.ok ? null : r.riffles.problem}
        />
        <TextField
          label="The jar took"
          value={d.took}
          onChange={(took) => set({ took })}
          problem={r.took.ok ? null : r.took.problem}
          hint="“1 h 50”; empty: not timed"
        />
      </div>
    </Block>
  );
}

const [HIGH, DROP] = [132, 26] as const;
/** From so many riffles on they are drawn without their numbers. */
const NUMBERED = 16;

/** The sluice from the side, its head at the left; over each riffle as much gold as lies in it. */
function SluiceDrawing({ width, found: { byRiffle } }: { readonly width: number; readonly found: WeighedSluice }) {
  const [left, right] = [6, width - 8];
  const each = (right - left) / (byRiffle.length + 0.5);
  const x = (i: number): number => left + (i + 0.75) * each;
  const floor = (px: number): number => HIGH - 34 - DROP + (DROP * (px - left)) / (right - left);
  const most = Math.max(...byRiffle);
  const bar = Math.max(3, Math.min(26, each * 0.55));
  const third = byRiffle.slice(0, 3).reduce((sum, c) => sum + c, 0);
  return (
    <svg
      width={width}
      height={HIGH}
      className="block"
      role="img"
      aria-label={`${byRiffle.length} riffles; the first three hold ${Math.round(100 * third)} % of the gold caught`}
    >
      <path
        d={`M${left} ${floor(left) - 9}L${right} ${floor(right) - 9}V${floor(right)}L${left} ${floor(left)}Z`}
        fill="var(--water-body)"
      />
      {byRiffle.map((share, i) => {
        const [px, py] = [x(i), floor(x(i))];
        const high = Math.max(1.5, (share / most) * (HIGH - 84));
        return (
          <g key={i}>
            <path d={`M${px + bar / 2 + 3} ${py}l-3.500 -8v8Z`} fill="var(--ink)" />
            <rect
              x={px - bar / 2}
              y={py - 8 - high}
              width={bar}
              height={high}
              fill="var(--gold-fill)"
              stroke="var(--ink)"
              strokeWidth="1"
            />
            {(i === 0 || (i === 2 && each > 18)) && (
              <text x={px} y={py - 13 - high} fontSize="12" textAnchor="middle" className="halo">
                {Math.round(100 * share)} %
              </text>
            )}
            {byRiffle.length <= NUMBERED && (
              <text x={px} y={floor(right) + 16} fontSize="12" textAnchor="middle">
                {i + 1}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${left} ${floor(left)}L${right} ${floor(right)}`} stroke="var(--ink)" strokeWidth="3" />
    </svg>
  );
}
