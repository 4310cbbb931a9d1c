import { contours } from 'd3-contour';
import { useId, useMemo, useRef, type PointerEvent } from 'react';
import { beside, gridPath, middleOf, RegionName } from './windowDrawing.tsx';

/** A point of the window, by the values of its axes, with the chance that the box works there. */
interface Point {
  readonly across: number;
  readonly up: number;
  readonly works: number;
}
/** Where the chance of something is more than a half: how that ground is filled, and what it is called (null: it has no room for its name). */
interface Region {
  readonly says: string | null;
  readonly chances: Float64Array;
  /** Fills laid over each other; none where the paper stays clear. */
  readonly fills: readonly { readonly fill: string; readonly opacity?: number }[];
}
interface Axis {
  /** The grid's values, even steps. */
  readonly values: Float64Array;
  readonly marks: readonly { readonly at: number; readonly says: string }[];
  readonly name: string;
}
interface WindowChartProps {
  readonly width: number;
  readonly across: Axis;
  readonly up: Axis;
  readonly works: Float64Array;
  /** Chances of working that are drawn as lines; the half is drawn strong, nine in ten dashed. */
  readonly lines: readonly number[];
  readonly regions: readonly Region[];
  /** As it stands, with what a hand errs by on either axis. */
  readonly now: Point & { readonly errs?: { readonly across: number; readonly up: number } };
  readonly then: Point | null;
  /** The point dragged, by both axes at once. */
  readonly onMove: (across: number, up: number) => void;
}

const [TOP, BELOW, RIGHT] = [6, 40, 16] as const;
/** Beside the drawing of a phone it is no more than a thumb's reach: figures and names of regions give way. */
export const isSmall = (width: number): boolean => width < 260;

/** The scales of a window so wide, and the frame it stands in. */
export function windowFrame(width: number, across: Float64Array, up: Float64Array) {
  const left = isSmall(width) ? 26 : 40;
  const wide = Math.max(90, width - left - RIGHT);
  const high = isSmall(width) ? 108 : Math.round(Math.min(300, Math.max(200, wide * 0.72)));
  const [a0, a1] = [across[0] ?? 0, across.at(-1) ?? 1];
  const [u0, u1] = [up[0] ?? 0, up.at(-1) ?? 1];
  return {
    frame: { columns: across.length, rows: up.length, left, top: TOP, wide, high },
    x: (a: number): number => left + ((a - a0) / (a1 - a0)) * wide,
    y: (u: number): number => TOP + high - ((u - u0) / (u1 - u0)) * high,
    /** The values under a place of the drawing, held to the window's ends. */
    under: (px: number, py: number): readonly [across: number, up: number] => [
      within((px - left) / wide, a0, a1),
      within((TOP + high - py) / high, u0, u1),
    ],
  };
}
const within = (share: number, from: number, until: number): number =>
  from + Math.min(1, Math.max(0, share)) * (until - from);

/**
 * The window a box or a washer works in, by two levers: clear where it works, with its chance as lines, filled where it does not.
 * The full disc is how it stands, the ring is where to set it. The disc can be dragged.
 */
export function WindowChart({ width, across, up, works, lines, regions, now, then, onMove }: WindowChartProps) {
  const drag = useRef<SVGSVGElement | null>(null);
  const inWindow = useId();
  const small = isSmall(width);
  const { frame, x, y, under } = windowFrame(width, across.values, up.values);
  const { left, wide, high } = frame;
  const shapes = useMemo(() => {
    const grid = contours().size([across.values.length, up.values.length]);
    const of = (values: Float64Array, at: number) => grid.contour([...values], at);
    return {
      regions: regions.filter((r) => r.fills.length > 0).map((r) => ({ fills: r.fills, shape: of(r.chances, 0.5) })),
      lines: lines.map((at) => ({ at, shape: of(works, at) })),
    };
  }, [across.values, up.values, regions, works, lines]);
  const path = gridPath(frame);
  const [px, py] = [x(now.across), y(now.up)];
  const moveTo = (e: PointerEvent): void => {
    const box = drag.current?.getBoundingClientRect();
    if (box) onMove(...under(e.clientX - box.left, e.clientY - box.top));
  };
  return (
    <svg
      ref={drag}
      width={width}
      height={TOP + high + BELOW}
      className="block max-w-full touch-none select-none"
      role="img"
      aria-label={`The window: as it stands it works ${Math.round(100 * now.works)} times in 100${then ? `, as advised ${Math.round(100 * then.works)}` : ''}`}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        moveTo(e);
      }}
      onPointerMove={(e) => {
        if (e.buttons > 0) moveTo(e);
      }}
    >
      <rect x={left} y={TOP} width={wide} height={high} fill="var(--picked)" />
      {shapes.regions.flatMap(({ fills, shape }) =>
        fills.map(({ fill, opacity }) => <path key={fill} d={path(shape)} fill={fill} opacity={opacity} />),
      )}
      <clipPath id={inWindow}>
        <rect x={left + 1} y={TOP + 1} width={wide - 2} height={high - 2} />
      </clipPath>
      <g clipPath={`url(#${inWindow})`} fill="none" stroke="var(--ink)">
        {shapes.lines.map(({ at, shape }) => (
          <path
            key={at}
            d={path(shape)}
            strokeWidth={at === 0.5 ? 2.4 : 1.2}
            strokeDasharray={at === 0.9 ? '5 3' : undefined}
          />
        ))}
      </g>
      <rect x={left} y={TOP} width={wide} height={high} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      {!small && (
        <g className="font-serif" fontWeight="700" fontSize="17">
          {regions.map(
            ({ says, chances }) =>
              says !== null && (
                <RegionName
                  key={says}
                  at={middleOf(chances, across.values, up.values)}
                  says={says}
                  x={x}
                  y={y}
                  ends={[left, left + wide]}
                  away={[[px, py], ...(then ? ([[x(then.across), y(then.up)]] as const) : [])]}
                />
              ),
          )}
        </g>
      )}
      <Marks across={across} up={up} width={width} />
      <Points now={now} then={then} x={x} y={y} ends={[left, left + wide]} small={small} />
    </svg>
  );
}

function Marks({ across, up, width }: Pick<WindowChartProps, 'across' | 'up' | 'width'>) {
  const { frame, x, y } = windowFrame(width, across.values, up.values);
  const [foot, right] = [TOP + frame.high, frame.left + frame.wide];
  return (
    <g fontSize="12.5">
      {across.marks.map(({ at, says }) => (
        <g key={at}>
          <path d={`M${x(at)} ${foot}v5`} stroke="var(--ink)" />
          <text x={x(at)} y={foot + 18} textAnchor="middle">
            {says}
          </text>
        </g>
      ))}
      <text x={right} y={foot + 34} textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
        {across.name}
      </text>
      {up.marks.map(({ at, says }) => (
        <g key={at}>
          <path d={`M${frame.left} ${y(at)}h-5`} stroke="var(--ink)" />
          <text x={frame.left - 8} y={y(at) + 4} textAnchor="end">
            {says}
          </text>
        </g>
      ))}
      <text x={frame.left} y={foot + 34} style={{ fill: 'var(--ink-2)' }}>
        ↑ {up.name}
      </text>
    </g>
  );
}

interface PointsProps extends Pick<WindowChartProps, 'now' | 'then'> {
  readonly x: (across: number) => number;
  readonly y: (up: number) => number;
  readonly ends: readonly [left: number, right: number];
  readonly small: boolean;
}
/** How it stands and where to set it, with the chances there; points near each other have their words on the far sides. */
function Points({ now, then, x, y, ends, small }: PointsProps) {
  const [px, py] = [x(now.across), y(now.up)];
  const [tx, ty] = then ? [x(then.across), y(then.up)] : [NaN, NaN];
  const crowded = Math.abs(ty - py) < 44 && Math.abs(tx - px) < 110;
  const { errs } = now;
  return (
    <g fontSize="13.5" fontWeight="700">
      {then && <path d={`M${px} ${py}L${tx} ${ty}`} stroke="var(--ink)" strokeWidth="1.8" />}
      {errs && (
        <path
          d={`M${x(now.across - errs.across)} ${py}H${x(now.across + errs.across)}M${px} ${y(now.up - errs.up)}V${y(now.up + errs.up)}`}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      )}
      <circle cx={px} cy={py} r="7" fill="var(--ink)" stroke="var(--paper)" strokeWidth="1.5" />
      {!(small && then) && (
        <text className="halo" {...beside(px, 76, ends)} y={crowded && ty < py ? py + 20 : py - 11}>
          now {Math.round(100 * now.works)} %
        </text>
      )}
      {then && (
        <>
          <circle cx={tx} cy={ty} r="7" fill="var(--paper)" stroke="var(--ink)" strokeWidth="3" />
          <text className="halo" {...beside(tx, small ? 40 : 86, ends)} y={ty + (crowded && ty < py ? -8 : 18)}>
            {Math.round(100 * then.works)} %{small ? '' : ' works'}
          </text>
        </>
      )}
    </g>
  );
}
