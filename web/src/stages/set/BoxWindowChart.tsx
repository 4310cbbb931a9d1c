import type { BoxSetting, BoxWindow } from '@riffle/core';
import { contours } from 'd3-contour';
import { useMemo, useRef, type PointerEvent } from 'react';
import { useShow } from '../../units/useShow.ts';

interface BoxWindowChartProps {
  readonly width: number;
  readonly window: BoxWindow;
  readonly now: { readonly setting: BoxSetting; readonly depth_m: number; readonly works: number };
  readonly then: { readonly slope: number; readonly depth_m: number; readonly works: number } | null;
  /** The point dragged: pitch and water at once. */
  readonly onMove: (slope: number, depth_m: number) => void;
}

const [TOP, BELOW, RIGHT] = [6, 40, 16] as const;
/** What a hand errs by, nine times in ten, m of head and of water. */
const [HEAD_ERR_M, WATER_ERR_M] = [0.005, 0.002];

/**
 * The window the box works in: pitch across, water up. Gravel where it stalls, water where it washes out, clear where it works, with its chance as lines.
 * The full disc is how it stands, with what a hand errs by; the ring is where to set it. The disc can be dragged.
 */
export function BoxWindowChart({ width, window: found, now, then, onMove }: BoxWindowChartProps) {
  const show = useShow();
  const drag = useRef<SVGSVGElement | null>(null);
  // Beside the drawing of a phone it is no more than a thumb's reach: figures and names of regions give way.
  const small = width < 260;
  const LEFT = small ? 24 : 40;
  const wide = Math.max(90, width - LEFT - RIGHT);
  const high = small ? 108 : Math.round(Math.min(300, Math.max(200, wide * 0.72)));
  const { slope, depth_m } = found;
  const [s0, s1] = [slope[0] ?? 0, slope.at(-1) ?? 1];
  const [d0, d1] = [depth_m[0] ?? 0, depth_m.at(-1) ?? 1];
  const x = (s: number): number => LEFT + ((s - s0) / (s1 - s0)) * wide;
  const y = (d: number): number => TOP + high - ((d - d0) / (d1 - d0)) * high;
  const areas = useMemo(() => {
    const grid = contours().size([slope.length, depth_m.length]);
    const of = (values: Float64Array, at: number) => grid.contour([...values], at);
    return {
      stalls: of(found.stalls, 0.5),
      washesOut: of(found.washesOut, 0.5),
      lines: [0.5, 0.8, 0.9].map((at) => ({ at, shape: of(found.works, at) })),
    };
  }, [found, slope, depth_m]);
  // Cells are centred on their values: half a cell in from the edge of the grid.
  const path = (shape: { readonly coordinates: readonly (readonly (readonly (readonly number[])[])[])[] }): string =>
    shape.coordinates
      .flatMap((polygon) =>
        polygon.map(
          (ring) =>
            `${ring
              .map(([gx = 0, gy = 0], i) => {
                const px = LEFT + (Math.min(slope.length - 1, Math.max(0, gx - 0.5)) / (slope.length - 1)) * wide;
                const py =
                  TOP + high - (Math.min(depth_m.length - 1, Math.max(0, gy - 0.5)) / (depth_m.length - 1)) * high;
                return `${i ? 'L' : 'M'}${px.toFixed(1)} ${py.toFixed(1)}`;
              })
              .join('')}Z`,
        ),
      )
      .join('');
  const length_m = now.setting.sections.reduce((sum, s) => sum + s.length_m, 0);
  const [px, py] = [x(now.setting.slope), y(now.depth_m)];
  // Points so near each other have their words on the far sides.
  const crowded = then !== null && Math.abs(y(then.depth_m) - py) < 44 && Math.abs(x(then.slope) - px) < 110;
  const moveTo = (e: PointerEvent): void => {
    const box = drag.current?.getBoundingClientRect();
    if (!box) return;
    const to = (share: number, from: number, until: number): number =>
      from + Math.min(1, Math.max(0, share)) * (until - from);
    onMove(to((e.clientX - box.left - LEFT) / wide, s0, s1), to((TOP + high - (e.clientY - box.top)) / high, d0, d1));
  };
  const US = show.display.system === 'US';
  const pitches = (small ? [0.5, 1, 2] : [0.25, 0.5, 0.75, 1, 1.25, 1.5, 1.75, 2]).filter((p) => p / 12 <= s1);
  const waters = (
    US ? [0.25, 0.5, 0.75, 1, 1.5, 2, 3].map((i) => i * 0.0254) : [10, 20, 30, 40, 60, 80].map((m) => m / 1000)
  ).filter((w) => w >= d0 && w <= d1);
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
      <rect x={LEFT} y={TOP} width={wide} height={high} fill="var(--picked)" />
      <path d={path(areas.stalls)} fill="var(--paper)" />
      <path d={path(areas.stalls)} fill="url(#gravel)" opacity="0.75" />
      <path d={path(areas.washesOut)} fill="var(--water-body)" />
      <path d={path(areas.washesOut)} fill="url(#ripples)" />
      <clipPath id="in-window">
        <rect x={LEFT + 1} y={TOP + 1} width={wide - 2} height={high - 2} />
      </clipPath>
      <g clipPath="url(#in-window)" fill="none" stroke="var(--ink)">
        {areas.lines.map(({ at, shape }) => (
          <path
            key={at}
            d={path(shape)}
            strokeWidth={at === 0.5 ? 2.4 : 1.2}
            strokeDasharray={at === 0.9 ? '5 3' : undefined}
          />
        ))}
      </g>
      <rect x={LEFT} y={TOP} width={wide} height={high} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
      <g className="font-serif" fontWeight="700" fontSize={small ? 13 : 17}>
        {!small &&
          REGIONS.map(([region, says]) => (
            <Name
              key={says}
              at={middleOf(found[region], found)}
              says={says}
              x={x}
              y={y}
              ends={[LEFT, LEFT + wide]}
              away={[[px, py], ...(then ? ([[x(then.slope), y(then.depth_m)]] as const) : [])]}
            />
          ))}
      </g>
      {pitches.map((p) => (
        <g key={p}>
          <path d={`M${x(p / 12)} ${TOP + high}v5`} stroke="var(--ink)" />
          <text x={x(p / 12)} y={TOP + high + 18} fontSize="12.5" textAnchor="middle">
            {p}
          </text>
        </g>
      ))}
      <text x={LEFT + wide} y={TOP + high + 34} fontSize="12.5" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
        {small ? 'in/ft' : 'pitch, in/ft'}
      </text>
      {waters.map((w) => (
        <g key={w}>
          <path d={`M${LEFT} ${y(w)}h-5`} stroke="var(--ink)" />
          <text x={LEFT - 8} y={y(w) + 4} fontSize="12.5" textAnchor="end">
            {US ? Number((w / 0.0254).toFixed(2)) : Math.round(w * 1000)}
          </text>
        </g>
      ))}
      <text x={LEFT} y={TOP + high + 34} fontSize="12.5" style={{ fill: 'var(--ink-2)' }}>
        ↑ {small ? '' : 'water, '}
        {US ? 'in' : 'mm'}
      </text>
      {then && <path d={`M${px} ${py}L${x(then.slope)} ${y(then.depth_m)}`} stroke="var(--ink)" strokeWidth="1.8" />}
      <path
        d={`M${x(now.setting.slope - HEAD_ERR_M / length_m)} ${py}H${x(now.setting.slope + HEAD_ERR_M / length_m)}M${px} ${y(now.depth_m - WATER_ERR_M)}V${y(now.depth_m + WATER_ERR_M)}`}
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <circle cx={px} cy={py} r="7" fill="var(--ink)" stroke="var(--paper)" strokeWidth="1.5" />
      {!(small && then) && (
        <text
          className="halo"
          {...beside(px, 76, [LEFT, LEFT + wide])}
          y={crowded && y(then.depth_m) < py ? py + 20 : py - 11}
          fontSize="13.5"
          fontWeight="700"
        >
          now {Math.round(100 * now.works)} %
        </text>
      )}
      {then && (
        <>
          <circle
            cx={x(then.slope)}
            cy={y(then.depth_m)}
            r="7"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="3"
          />
          <text
            className="halo"
            {...beside(x(then.slope), small ? 40 : 86, [LEFT, LEFT + wide])}
            y={y(then.depth_m) + (crowded && y(then.depth_m) < py ? -8 : 18)}
            fontSize="13.5"
            fontWeight="700"
          >
            {Math.round(100 * then.works)} %{small ? '' : ' works'}
          </text>
        </>
      )}
    </svg>
  );
}

/** Where words of a point go: right of it, left of it, or over it where neither side has room. */
function beside(px: number, wide: number, [left, right]: readonly [number, number]) {
  if (px + 12 + wide <= right) return { x: px + 12, textAnchor: 'start' } as const;
  if (px - 12 - wide >= left) return { x: px - 12, textAnchor: 'end' } as const;
  return { x: Math.min(right - wide / 2, Math.max(left + wide / 2, px)), textAnchor: 'middle' } as const;
}

const REGIONS = [
  ['stalls', 'Stalls'],
  ['works', 'Works'],
  ['washesOut', 'Washes out'],
] as const;

interface NameProps {
  readonly at: readonly [slope: number, depth_m: number] | null;
  readonly says: string;
  readonly x: (slope: number) => number;
  readonly y: (depth_m: number) => number;
  readonly ends: readonly [left: number, right: number];
  /** Points with words of their own beside them. */
  readonly away: readonly (readonly [px: number, py: number])[];
}
/** A region's name about the middle of where it is sure, clear of the points; none where it is nowhere. */
function Name({ at, says, x, y, ends: [left, right], away }: NameProps) {
  if (!at) return null;
  const half = says.length * 4.6;
  const px = Math.min(right - half - 4, Math.max(left + half + 4, x(at[0])));
  const wish = y(at[1]) + 5;
  const isClear = (py: number): boolean =>
    away.every(([ax, ay]) => Math.abs(ay - py) > 30 || Math.abs(ax - px) > half + 96);
  const py = [0, 34, -34, 62, -62].map((by) => wish + by).find(isClear) ?? wish;
  return (
    <text className="halo" x={px} y={py} textAnchor="middle">
      {says}
    </text>
  );
}

/** The middle of where a chance is 8 in 10 or more; null where that is hardly anywhere. */
function middleOf(
  chances: Float64Array,
  { slope, depth_m }: BoxWindow,
): readonly [slope: number, depth_m: number] | null {
  let [sum, sx, sy] = [0, 0, 0];
  chances.forEach((chance, i) => {
    if (chance < 0.8) return;
    sum++;
    sx += slope[i % slope.length] ?? 0;
    sy += depth_m[Math.floor(i / slope.length)] ?? 0;
  });
  return sum < chances.length / 60 ? null : [sx / sum, sy / sum];
}
