import {
  boxLength_m,
  toldSection,
  type BoxSetting,
  type FloorFlow,
  type LinedSection,
  type SolvedBox,
  type WaterSurface,
} from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import type { SetShow } from './setShow.ts';
import { Grip } from '../../ui/Grip.tsx';
import { stonePath } from '../../ui/stonePath.ts';

interface BoxSideProps {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  readonly setting: BoxSetting;
  /** The middle box. */
  readonly middle: SolvedBox;
  readonly surface: WaterSurface;
  /** The slope advised; null: it stays. */
  readonly advised: number | null;
  /** Head and water in the units they were typed in. */
  readonly like: SetShow;
  readonly onSlope: (slope: number) => void;
  readonly onDepth: (depth_m: number) => void;
}

const line = (points: readonly (readonly [number, number])[]): string =>
  points.map(([px, py], i) => `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`).join('');

/** The box from the side, true to scale: its drop, the water drawn down along it, riffles, stones. Dashed is where the head should go. */
export function BoxSide({
  width,
  left,
  right,
  setting,
  middle,
  surface,
  advised,
  like,
  onSlope,
  onDepth,
}: BoxSideProps) {
  const show = useShow();
  const { slope, sections } = setting;
  const length_m = boxLength_m(sections);
  const flow = middle.sections[toldSection(sections)]?.flow as FloorFlow;
  // As it was measured; where the flow was, as it comes to.
  const depth_m = setting.water.known === 'depth' ? setting.water.depth_m : flow.depth_m;
  // Beside the window of a phone there is room for the box alone.
  const small = width < 260;
  const perMetre = (right - left) / length_m;
  const moved = advised === null ? null : { slope: advised, head_m: (advised - slope) * length_m };
  const deepest_m = Math.max(...surface.points.map((p) => p.depth_m));
  const wall = Math.max(0.09, 2.6 * flow.depth_m) * perMetre;
  const steps_m = sections.reduce((sum, s) => sum + s.step_m, 0);
  const drop_m = slope * length_m + steps_m;
  const steepest_m = Math.max(slope, moved?.slope ?? 0) * length_m + steps_m;
  const floorTail = Math.round(Math.max(wall, deepest_m * perMetre) + steepest_m * perMetre + 40);
  const bed = floorTail + 36;
  const height = bed + 42;
  // Where each section begins, and what of the steps lies below it.
  const built = sections.map((section, i) => ({
    ...section,
    from_m: boxLength_m(sections.slice(0, i)),
    stepsBelow_m: sections.slice(i + 1).reduce((sum, s) => sum + s.step_m, 0),
  }));
  const floorAt = (x_m: number, s = slope): number => {
    const here = built.findLast((b) => x_m >= b.from_m - 1e-9) ?? built[0];
    return floorTail - ((length_m - x_m) * s + (here?.stepsBelow_m ?? 0)) * perMetre;
  };
  const x = (m: number): number => left + m * perMetre;
  /** The floor from head to tail, or the rim so high above it. */
  const floorLine = (s: number, above: number): string =>
    line(
      built.flatMap((b) => [
        [x(b.from_m), floorAt(b.from_m, s) - above] as const,
        [x(b.from_m + b.length_m), floorAt(b.from_m + b.length_m - 1e-6, s) - above] as const,
      ]),
    );
  const headY = floorAt(0);
  const drowned = surface.runs !== 'shooting' && surface.lift_m > 0;
  const top = surface.points.map((p): [number, number] => [x(p.x_m), floorAt(p.x_m) - p.depth_m * perMetre]);
  const mouth = top[0] ?? [left, headY];
  const lip = top.at(-1) ?? [right, floorTail];
  const pool = drowned ? lip[1] : bed - 20;
  const overTail = drowned
    ? `${line(top)}H${width}`
    : `${line(top)}C${right + 16} ${lip[1] + 3} ${right + 20} ${(lip[1] + pool) / 2} ${right + 22} ${pool}`;
  const intoHead = `M0 ${mouth[1] - 3}Q${left * 0.6} ${mouth[1] - 5} ${mouth[0]} ${mouth[1]}`;
  const stone_px = Math.max(2.5, (setting.stone_m / 2) * perMetre);
  const bedLine = `M0 ${bed}${Array.from({ length: 24 }, (_, i) => `Q${((i + 0.5) * width) / 24} ${bed + (i % 3) * 2 - 3} ${((i + 1) * width) / 24} ${bed + ((i * 5) % 4) - 1}`).join('')}`;

  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className="block"
      role="group"
      aria-label="The box from the side, to scale"
    >
      <g aria-hidden="true">
        {/* Pool above, pool below. */}
        <path d={`${intoHead}L${left} ${headY + 6}L${left + 30} ${bed}H0Z`} fill="var(--water-body)" />
        <path
          d={`M${right + 16} ${pool}H${width}V${bed + 3}H${right - 30}L${right + 4} ${floorTail + 8}Z`}
          fill="var(--water-body)"
        />
        <path
          d={`${intoHead}M${right + 14} ${pool}q${(width - right) / 6} -3 ${(width - right) / 3} 0t${(width - right) / 3} 0t${(width - right) / 3} 0`}
          stroke="var(--water)"
          strokeWidth="1.6"
          fill="none"
        />
        <path d={`${bedLine}V${height - 8}H0Z`} fill="url(#gravel)" />
        <path d={bedLine} fill="none" stroke="var(--ink)" strokeWidth="1.1" />
        <Cairn x={left + 34} from={headY + 3} to={bed + 3} seed={3} />
        <Cairn x={right - 40} from={floorTail + 3} to={bed + 3} seed={11} />
        {/* The water in the box, leaving over the tail. */}
        <path
          d={`${overTail}${drowned ? `V${bed}H${right + 4}L${right} ${floorTail}` : `H${right + 10}Q${right + 6} ${floorTail + 8} ${right} ${floorTail}`}L${left} ${headY}Z`}
          fill="var(--water-body)"
        />
        <path d={overTail} fill="none" stroke="var(--water)" strokeWidth="2" />
        {built.map((b) => (
          <LiningSide key={b.from_m} section={b} x={x} floorAt={floorAt} perMetre={perMetre} />
        ))}
        {surface.jump_m !== null && <Jump x={x(surface.jump_m)} y={floorAt(surface.jump_m)} high={lip[1]} />}
        {[0.2, 0.34, 0.5].map((share, i) => (
          <path
            key={share}
            d={stonePath(
              left + share * (right - left),
              floorAt(share * length_m) - stone_px - 3,
              stone_px * (1 - 0.15 * i),
              stone_px * (0.9 - 0.15 * i),
              i,
            )}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        ))}
        <path d={floorLine(slope, 0)} fill="none" stroke="var(--ink)" strokeWidth="6" strokeLinejoin="round" />
        <path
          d={`M${left} ${headY}V${headY - wall}${floorLine(slope, wall).replace('M', 'L')}V${floorTail}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
        {moved && (
          <path
            d={`${floorLine(moved.slope, 0)}M${left} ${floorAt(0, moved.slope)}v${-wall}${floorLine(moved.slope, wall).replace('M', 'L')}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.5"
            strokeDasharray="7 5"
          />
        )}
        {!small && (
          <>
            {/* The drop over the whole box, the figure people get wrong. */}
            <path d={`M${left} ${headY}H${right + 38}`} stroke="var(--ink)" strokeWidth="1" strokeDasharray="2 4" />
            <path
              d={`M${right + 34} ${headY}V${floorTail}m-5 0h10M${right + 29} ${headY}h10`}
              stroke="var(--ink)"
              strokeWidth="1.6"
            />
            <text className="halo" x={right + 44} y={headY - 18} fontSize="12.5" style={{ fill: 'var(--ink-2)' }}>
              drop
            </text>
            <text className="halo" x={right + 44} y={headY - 2} fontSize="15" fontWeight="700">
              {like.head.smallLength(drop_m)}
            </text>
            <path
              d={`M${left} ${height - 14}v-6M${right} ${height - 14}v-6M${left} ${height - 17}H${right}`}
              stroke="var(--ink)"
              strokeWidth="1.2"
            />
            <text
              className="halo"
              x={(left + right) / 2}
              y={height - 12}
              fontSize="13"
              textAnchor="middle"
              style={{ strokeWidth: 9 }}
            >
              {show.length(length_m)}
            </text>
          </>
        )}
        {moved && (
          <text
            className="halo"
            x={left + 18}
            y={Math.max(14, Math.min(headY, floorAt(0, moved.slope)) - wall - 10)}
            fontSize="15"
            fontWeight="700"
          >
            head {moved.head_m > 0 ? '+' : '−'}
            {like.head.smallLength(Math.abs(moved.head_m))}
          </text>
        )}
        <text
          className="halo"
          x={right - 24}
          y={lip[1] - 14}
          fontSize="15"
          fontWeight="700"
          textAnchor="end"
          style={{ fill: 'var(--water)' }}
        >
          {like.water.smallLength(depth_m)}
        </text>
      </g>
      <Grip
        x={left}
        y={headY - wall}
        label="Head of the box"
        value={Math.round(slope * length_m * 1000)}
        min={3}
        max={Math.round(0.4 * length_m * 1000)}
        says={`drop ${like.head.smallLength(slope * length_m)}, ${like.pitch(slope, length_m)}`}
        perPx={0.7}
        step={1}
        onMove={(drop_mm) => onSlope(drop_mm / 1000 / length_m)}
      />
      <Grip
        x={right - 4}
        y={lip[1] - 18}
        label="Water surface"
        value={Math.round(depth_m * 10_000) / 10}
        min={3}
        max={300}
        says={like.water.smallLength(depth_m)}
        color="var(--water)"
        perPx={0.25}
        step={0.5}
        onMove={(depth_mm) => onDepth(depth_mm / 1000)}
      />
    </svg>
  );
}

/** Water tumbling where it jumps. */
function Jump({ x, y, high }: { readonly x: number; readonly y: number; readonly high: number }) {
  const tall = Math.max(10, y - high);
  return (
    <path
      d={`M${x - 6} ${y - tall * 0.35}q6 ${-tall * 0.5} 14 ${-tall * 0.35}q8 ${tall * 0.3} 0 ${tall * 0.28}q-8 0 -2 ${-tall * 0.2}M${x + 8} ${y - tall * 0.75}q8 ${-tall * 0.3} 14 ${-tall * 0.05}`}
      fill="none"
      stroke="var(--water)"
      strokeWidth="2.2"
      strokeLinecap="round"
    />
  );
}

/** How far apart the pieces of a lining are and how high they stand, m, as drawn. */
const PIECES: Readonly<Record<LinedSection['lining'], readonly [number, number]>> = {
  riffles: [0.06, 0.012],
  expanded: [0.03, 0.008],
  cells: [0.026, 0.007],
  ribbed: [0.014, 0.004],
  indicator: [0.014, 0.004],
  carpet: [0.01, 0.005],
};

/** A lining from the side: each stands as high as its own, leaning bars, pockets, ribs or pile. */
function LiningSide({
  section: { lining, from_m, length_m },
  x,
  floorAt,
  perMetre,
}: {
  readonly section: LinedSection & { readonly from_m: number };
  readonly x: (m: number) => number;
  readonly floorAt: (m: number) => number;
  readonly perMetre: number;
}) {
  const [apart_m, high_m] = PIECES[lining];
  // Pieces that would run into one another are drawn further apart.
  const every_m = Math.max(apart_m, 4.5 / perMetre);
  const high = Math.max(lining === 'riffles' ? 5 : 3, high_m * perMetre);
  const places = Array.from(
    { length: Math.floor((length_m - 0.02) / every_m) },
    (_, i) => from_m + (i + 0.7) * every_m,
  );
  const one = (px: number, py: number): string =>
    lining === 'riffles'
      ? `M${px} ${py}l-4 ${-high}`
      : lining === 'cells'
        ? `M${px - 2} ${py - 3}q2 ${-high} 4 0`
        : lining === 'expanded'
          ? `M${px} ${py - 2}l3 ${-high}`
          : `M${px} ${py - 2}v${-high}`;
  return (
    <path
      d={places.map((m) => one(x(m), floorAt(m))).join('')}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={lining === 'riffles' ? 2.6 : lining === 'carpet' ? 0.9 : 1.5}
    />
  );
}

/** Flat stones packed under an end of the box, the widest at the bottom. */
function Cairn({ x, from, to, seed }: { x: number; from: number; to: number; seed: number }) {
  const courses = Math.max(1, Math.round((to - from) / 17));
  const each = (to - from) / courses;
  return (
    <>
      {Array.from({ length: courses }, (_, i) => {
        const wide = 24 + (13 * (i + 1)) / courses + 4 * ((i * 7 + seed) % 3);
        return (
          <path
            key={i}
            d={stonePath(x + (((i * 5 + seed) % 3) - 1) * 5, from + (i + 0.5) * each, wide, each * 0.56, seed + i)}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.5"
            strokeLinejoin="round"
          />
        );
      })}
    </>
  );
}
