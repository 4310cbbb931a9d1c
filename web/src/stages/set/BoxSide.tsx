import { boxLength_m, drawdown, toldSection, type BoxSetting, type FloorFlow, type SolvedBox } from '@riffle/core';
import { useMemo } from 'react';
import { useShow } from '../../units/useShow.ts';
import { Grip } from '../../ui/Grip.tsx';
import { stonePath } from '../../ui/stonePath.ts';

interface BoxSideProps {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  readonly setting: BoxSetting;
  /** The middle box. */
  readonly middle: SolvedBox;
  /** The slope advised; null: it stays. */
  readonly advised: number | null;
  readonly onSlope: (slope: number) => void;
  readonly onDepth: (depth_m: number) => void;
}

const line = (points: readonly (readonly [number, number])[]): string =>
  points.map(([px, py], i) => `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`).join('');

/** The box from the side, true to scale: its drop, the water drawn down along it, riffles, stones. Dashed is where the head should go. */
export function BoxSide({ width, left, right, setting, middle, advised, onSlope, onDepth }: BoxSideProps) {
  const show = useShow();
  const { slope, sections } = setting;
  const length_m = boxLength_m(sections);
  const flow = middle.sections[toldSection(sections)]?.flow as FloorFlow;
  // Beside the window of a phone there is room for the box alone.
  const small = width < 260;
  const perMetre = (right - left) / length_m;
  const moved = advised === null ? null : { slope: advised, head_m: (advised - slope) * length_m };
  const wall = Math.max(0.09, 2.6 * flow.depth_m) * perMetre;
  const steepest = Math.max(slope, moved?.slope ?? 0);
  const floorTail = Math.round(wall + steepest * length_m * perMetre + 40);
  const bed = floorTail + 36;
  const height = bed + 42;
  const floorY = (share: number, s = slope): number => floorTail - (1 - share) * s * length_m * perMetre;
  const headY = floorY(0);
  const pool = bed - 20;

  const surface = useMemo(() => {
    const channel = { width_m: flow.flow_m3_s / flow.flowPerWidth_m2_s, manningN: flow.compositeN, slope };
    return drawdown(channel, flow.flow_m3_s, length_m);
  }, [flow, slope, length_m]);
  const top = surface.map((p): [number, number] => [
    left + p.x_m * perMetre,
    floorY(p.x_m / length_m) - p.depth_m * perMetre,
  ]);
  const mouth = top[0] ?? [left, headY];
  const lip = top.at(-1) ?? [right, floorTail];
  const overTail = `${line(top)}C${right + 16} ${lip[1] + 3} ${right + 20} ${(lip[1] + pool) / 2} ${right + 22} ${pool}`;
  const intoHead = `M0 ${mouth[1] - 3}Q${left * 0.6} ${mouth[1] - 5} ${mouth[0]} ${mouth[1]}`;
  const riffles = Array.from({ length: Math.floor(length_m / 0.06) }, (_, i) => (i + 0.7) * 0.06).filter(
    (x) => x < length_m - 0.02,
  );
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
          d={`${overTail}H${right + 10}Q${right + 6} ${floorTail + 8} ${right} ${floorTail}L${left} ${headY}Z`}
          fill="var(--water-body)"
        />
        <path d={overTail} fill="none" stroke="var(--water)" strokeWidth="2" />
        {riffles.map((x) => {
          const [px, py] = [left + x * perMetre, floorY(x / length_m)];
          return (
            <path
              key={x}
              d={`M${px} ${py}l-4 ${-Math.max(5, 0.012 * perMetre)}`}
              stroke="var(--ink)"
              strokeWidth="2.6"
            />
          );
        })}
        {[0.2, 0.34, 0.5].map((share, i) => (
          <path
            key={share}
            d={stonePath(
              left + share * (right - left),
              floorY(share) - stone_px - 3,
              stone_px * (1 - 0.15 * i),
              stone_px * (0.9 - 0.15 * i),
              i,
            )}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
        ))}
        <path d={`M${left} ${headY}L${right} ${floorTail}`} stroke="var(--ink)" strokeWidth="6" />
        <path
          d={`M${left} ${headY}V${headY - wall}L${right} ${floorTail - wall}V${floorTail}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
        {moved && (
          <path
            d={`M${left} ${floorY(0, moved.slope)}L${right} ${floorTail}M${left} ${floorY(0, moved.slope)}v${-wall}L${right} ${floorTail - wall}`}
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
            <text className="halo" x={right + 44} y={headY - 18} fontSize="12.500" style={{ fill: 'var(--ink-2)' }}>
              drop
            </text>
            <text className="halo" x={right + 44} y={headY - 2} fontSize="15" fontWeight="700">
              {show.smallLength(slope * length_m)}
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
            y={Math.max(14, Math.min(headY, floorY(0, moved.slope)) - wall - 10)}
            fontSize="15"
            fontWeight="700"
          >
            head {moved.head_m > 0 ? '+' : '−'}
            {show.smallLength(Math.abs(moved.head_m))}
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
          {show.smallLength(flow.depth_m)}
        </text>
      </g>
      <Grip
        x={left}
        y={headY - wall}
        label="Head of the box"
        value={Math.round(slope * length_m * 1000)}
        min={3}
        max={Math.round(0.4 * length_m * 1000)}
        says={`drop ${show.smallLength(slope * length_m)}, ${show.pitch(slope)}`}
        perPx={0.7}
        step={1}
        onMove={(drop_mm) => onSlope(drop_mm / 1000 / length_m)}
      />
      <Grip
        x={right - 4}
        y={lip[1] - 18}
        label="Water surface"
        value={Math.round(flow.depth_m * 10_000) / 10}
        min={3}
        max={300}
        says={show.smallLength(flow.depth_m)}
        color="var(--water)"
        perPx={0.25}
        step={0.5}
        onMove={(depth_mm) => onDepth(depth_mm / 1000)}
      />
    </svg>
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
