import type { FinishSetting, WeighedFinish } from '@riffle/core';
import { Grip } from '../../../ui/Grip.tsx';
import { useShow } from '../../../units/useShow.ts';
import { filmText } from './finishWords.ts';

interface FloorDrawingProps {
  readonly width: number;
  readonly setting: FinishSetting;
  readonly found: WeighedFinish | null;
  /** As the water stands; null: nobody said. */
  readonly depth_m: number | null;
  readonly onDepth: (depth_m: number) => void;
}

/** So wide is the piece of floor that is drawn, in heights of its features. */
const FEATURES = 9;
/** Height of the words over the mark, px. */
const MARK_HIGH = 22;

/**
 * A finishing floor seen close: its features, the water over them, black sand creeping and gold that stays. Beside it the depths of water: gravel where sand lies still,
 * clear where it parts, hatched where gold goes. The ring is the mark; the bar is how the water stands, and can be dragged.
 */
export function FloorDrawing({ width, setting, found, depth_m, onDepth }: FloorDrawingProps) {
  const { display } = useShow();
  const high = 208;
  const [top, base] = [16, 176];
  const deepest_m = Math.max(0.003, 1.6 * (found?.to_m ?? 0), 1.3 * (found?.from_m ?? 0), 1.2 * (depth_m ?? 0));
  const y = (m: number): number => base - ((base - top) * m) / deepest_m;
  const scale = (base - top) / deepest_m;
  const gauge = Math.max(96, Math.min(150, width * 0.34));
  const floor = width - gauge - 54;
  const shown = depth_m ?? found?.mark_m?.middle ?? null;
  const featureHigh = Math.min(0.6 * (base - top), setting.feature_m * scale);
  const every = Math.max(16, Math.min(floor / 3, (floor / FEATURES) * 1.4));
  const places = Array.from({ length: Math.max(1, Math.floor(floor / every)) }, (_, i) => (i + 0.6) * every).filter(
    (px) => px < floor - 6,
  );
  const sand = Math.max(2.2, Math.min(9, (setting.coarsest_m / 2) * scale));
  const fleck = Math.max(1.6, Math.min(6, (setting.finest_m / 2) * scale * 1.6));
  const left = floor + 46;
  const regions = found && [Math.min(found.from_m, deepest_m), Math.min(Math.max(found.to_m, found.from_m), deepest_m)];
  const [lies, goes] = [y(regions?.[0] ?? 0), y(regions?.[1] ?? 0)];
  const mark = found?.mark_m ? y(found.mark_m.middle) : null;
  const taken = [
    ...(depth_m === null ? [] : [{ begin: y(depth_m), end: y(depth_m) }]),
    // The mark's own words stand above its line.
    ...(mark === null ? [] : [{ begin: mark - MARK_HIGH, end: mark }]),
  ].sort((a, b) => a.begin - b.begin);
  const says = (m: number): string => filmText(m, display.system);
  return (
    <svg
      width={width}
      height={high}
      className="block"
      role="group"
      aria-label="The floor from the side, its water and the depths that part this jar"
    >
      <g aria-hidden="true">
        {shown !== null && (
          <>
            <rect x="0" y={y(shown)} width={floor} height={base - y(shown)} fill="var(--water-body)" />
            <path
              d={`M0 ${y(shown)}q${floor / 8} -2.5 ${floor / 4} 0t${floor / 4} 0t${floor / 4} 0t${floor / 4} 0`}
              fill="none"
              stroke="var(--water)"
              strokeWidth="2"
            />
          </>
        )}
        {places.map((px, i) => (
          <g key={px}>
            <path
              d={`M${px - featureHigh * 0.9} ${base}L${px} ${base - featureHigh}V${base}Z`}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="1.5"
            />
            {/* Black sand on its way over, gold in the lee. */}
            <circle
              cx={px + every * 0.3}
              cy={base - sand - (i % 2 ? featureHigh * 0.6 : 0)}
              r={sand}
              fill="var(--ink)"
            />
            {i % 3 === 1 && (
              <circle cx={px + every * 0.55} cy={base - featureHigh - sand * 1.2} r={sand * 0.8} fill="var(--ink)" />
            )}
            <ellipse cx={px + 4 + fleck} cy={base - fleck * 0.55} rx={fleck} ry={fleck * 0.5} fill="var(--gold)" />
          </g>
        ))}
        <path d={`M0 ${base}H${floor}`} stroke="var(--ink)" strokeWidth="4" />
        <path
          d={`M${floor * 0.3} ${top + 2}h${Math.min(70, floor * 0.3)}m-9 -5l9 5l-9 5`}
          fill="none"
          stroke="var(--water)"
          strokeWidth="1.8"
        />
        {regions && (
          <>
            <rect x={left} y={lies} width={gauge} height={base - lies} fill="url(#gravel)" />
            <rect x={left} y={goes} width={gauge} height={lies - goes} fill="var(--picked)" />
            <rect x={left} y={top} width={gauge} height={goes - top} fill="url(#against)" opacity="0.45" />
            <Region from={lies} to={base} taken={taken} x={left + 8} says="sand lies" />
            <Region from={goes} to={lies} taken={taken} x={left + 8} says="parts" />
            <Region from={top} to={goes} taken={taken} x={left + 8} says="gold goes" />
          </>
        )}
        <rect x={left} y={top} width={gauge} height={base - top} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
        {found?.mark_m && (
          <g>
            <path
              d={`M${left} ${y(found.mark_m.middle)}h${gauge}`}
              stroke="var(--ink)"
              strokeWidth="1.6"
              strokeDasharray="5 4"
            />
            <circle
              cx={left + gauge}
              cy={y(found.mark_m.middle)}
              r="6"
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth="3"
            />
            <text
              className="halo"
              x={left + gauge - 12}
              y={y(found.mark_m.middle) - 8}
              fontSize="13.5"
              fontWeight="700"
              textAnchor="end"
            >
              mark {says(found.mark_m.middle)}
            </text>
          </g>
        )}
        {depth_m !== null && (
          <path d={`M${left - 8} ${y(depth_m)}h${gauge + 8}`} stroke="var(--water)" strokeWidth="3.5" />
        )}
        <text x={left + gauge / 2} y={high - 10} fontSize="12.5" textAnchor="middle" style={{ fill: 'var(--ink-2)' }}>
          water over the floor
        </text>
        <text x={floor / 2} y={high - 10} fontSize="12.5" textAnchor="middle" style={{ fill: 'var(--ink-2)' }}>
          features {says(setting.feature_m)}
        </text>
      </g>
      <Grip
        x={left - 20}
        y={y(Math.min(deepest_m, shown ?? deepest_m / 2))}
        label="Surface of the water"
        value={Math.round((shown ?? 0.002) * 100_000) / 100}
        min={0.3}
        max={40}
        says={says(shown ?? 0.002)}
        color="var(--water)"
        perPx={(1000 * deepest_m) / (base - top)}
        step={0.1}
        onMove={(mm) => onDepth(mm / 1000)}
      />
    </svg>
  );
}

interface RegionProps {
  readonly says: string;
  readonly x: number;
  readonly from: number;
  readonly to: number;
  /** Stretches of height that lines and their words take, from the top down. */
  readonly taken: readonly { readonly begin: number; readonly end: number }[];
}
/** A region's name where it has most room beside what is drawn across; none where it has too little. */
function Region({ says, x, from, to, taken }: RegionProps) {
  const ends = [...taken.map((t) => Math.min(to, t.begin)), to];
  const begins = [from, ...taken.map((t) => Math.max(from, t.end))];
  const rooms = ends.map((end, i) => ({ begin: begins[i] ?? from, end }));
  const most = rooms.reduce((best, room) => (room.end - room.begin >= best.end - best.begin ? room : best));
  return most.end - most.begin < 20 ? null : (
    <text className="halo font-serif" x={x} y={(most.begin + most.end) / 2 + 5} fontSize="14" fontWeight="700">
      {says}
    </text>
  );
}
