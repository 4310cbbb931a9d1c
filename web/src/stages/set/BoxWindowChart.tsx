import type { BoxSetting, BoxWindow } from '@riffle/core';
import { contours } from 'd3-contour';
import { useMemo, useRef, type PointerEvent } from 'react';
import { useShow } from '../../units/useShow.ts';
import { beside, gridPath, middleOf, RegionName } from './windowDrawing.tsx';

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
  const path = gridPath({ columns: slope.length, rows: depth_m.length, left: LEFT, top: TOP, wide, high });
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
            <RegionName
              key={says}
              at={middleOf(found[region], slope, depth_m)}
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

const REGIONS = [
  ['stalls', 'Stalls'],
  ['works', 'Works'],
  ['washesOut', 'Washes out'],
] as const;
