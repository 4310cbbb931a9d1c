import type { WasherSetting, WasherWindow } from '@riffle/core';
import { contours } from 'd3-contour';
import { useMemo, useRef, type PointerEvent } from 'react';
import { beside, gridPath, middleOf, RegionName } from '../windowDrawing.tsx';

interface WasherWindowChartProps {
  readonly width: number;
  readonly window: WasherWindow;
  readonly setting: WasherSetting;
  readonly works: number;
  /** Where to set it, the drive's speed as times the set one; null: it stays. */
  readonly then: { readonly times: number; readonly slope: number; readonly works: number } | null;
  readonly onMove: (times: number, slope: number) => void;
}

const [TOP, BELOW, RIGHT] = [6, 40, 16] as const;
const REGIONS = [
  ['tooLittle', 'Too little air'],
  ['works', 'Works'],
  ['blowsOut', 'Blows out'],
] as const;

/**
 * The window the washer works in: puffs a minute across, pitch up. Gravel where it lies still, dust where gold is blown out, clear where it works, with its chance as lines.
 * The full disc is how it stands, the ring where to set it. The disc can be dragged.
 */
export function WasherWindowChart({ width, window: found, setting, works, then, onMove }: WasherWindowChartProps) {
  const drag = useRef<SVGSVGElement | null>(null);
  const small = width < 260;
  const LEFT = small ? 26 : 40;
  const wide = Math.max(90, width - LEFT - RIGHT);
  const high = small ? 108 : Math.round(Math.min(300, Math.max(200, wide * 0.72)));
  const { times, slope } = found;
  const [t0, t1] = [times[0] ?? 0, times.at(-1) ?? 1];
  const [s0, s1] = [slope[0] ?? 0, slope.at(-1) ?? 1];
  const x = (t: number): number => LEFT + ((t - t0) / (t1 - t0)) * wide;
  const y = (s: number): number => TOP + high - ((s - s0) / (s1 - s0)) * high;
  const areas = useMemo(() => {
    const grid = contours().size([times.length, slope.length]);
    const of = (values: Float64Array, at: number) => grid.contour([...values], at);
    return {
      tooLittle: of(found.tooLittle, 0.5),
      blowsOut: of(found.blowsOut, 0.5),
      lines: [0.5, 0.7, 0.9].map((at) => ({ at, shape: of(found.works, at) })),
    };
  }, [found, times, slope]);
  const path = gridPath({ columns: times.length, rows: slope.length, left: LEFT, top: TOP, wide, high });
  const [px, py] = [x(1), y(setting.slope)];
  const crowded = then !== null && Math.abs(y(then.slope) - py) < 44 && Math.abs(x(then.times) - px) < 110;
  const moveTo = (e: PointerEvent): void => {
    const box = drag.current?.getBoundingClientRect();
    if (!box) return;
    const to = (share: number, from: number, until: number): number =>
      from + Math.min(1, Math.max(0, share)) * (until - from);
    onMove(to((e.clientX - box.left - LEFT) / wide, t0, t1), to((TOP + high - (e.clientY - box.top)) / high, s0, s1));
  };
  const puffs = setting.drive.kind === 'bellows' ? setting.drive.puffs_min : 100;
  // Marks so near each other that their figures would touch are left out.
  const marks = (small ? [150, 300, 600] : [50, 100, 150, 200, 300, 400, 500, 600, 800, 1000])
    .filter((p) => p / puffs >= t0 && p / puffs <= t1)
    .reduce<number[]>((kept, p) => (kept.some((k) => x(p / puffs) - x(k / puffs) < 34) ? kept : [...kept, p]), []);
  const pitches = (small ? [1, 3] : [1, 2, 3, 4]).filter((p) => p / 12 >= s0 && p / 12 <= s1);
  return (
    <svg
      ref={drag}
      width={width}
      height={TOP + high + BELOW}
      className="block max-w-full touch-none select-none"
      role="img"
      aria-label={`The window: as it stands it works ${Math.round(100 * works)} times in 100${then ? `, as advised ${Math.round(100 * then.works)}` : ''}`}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        moveTo(e);
      }}
      onPointerMove={(e) => {
        if (e.buttons > 0) moveTo(e);
      }}
    >
      <rect x={LEFT} y={TOP} width={wide} height={high} fill="var(--picked)" />
      <path d={path(areas.tooLittle)} fill="var(--paper)" />
      <path d={path(areas.tooLittle)} fill="url(#gravel)" opacity="0.75" />
      <path d={path(areas.blowsOut)} fill="var(--paper)" />
      <path d={path(areas.blowsOut)} fill="url(#against)" opacity="0.45" />
      <g fill="none" stroke="var(--ink)">
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
      <g className="font-serif" fontWeight="700" fontSize="17">
        {!small &&
          REGIONS.filter(([region]) => isWide(found[region])).map(([region, says]) => (
            <RegionName
              key={says}
              at={middleOf(found[region], times, slope)}
              says={says}
              x={x}
              y={y}
              ends={[LEFT, LEFT + wide]}
              away={[[px, py], ...(then ? ([[x(then.times), y(then.slope)]] as const) : [])]}
            />
          ))}
      </g>
      {marks.map((p) => (
        <g key={p}>
          <path d={`M${x(p / puffs)} ${TOP + high}v5`} stroke="var(--ink)" />
          <text x={x(p / puffs)} y={TOP + high + 18} fontSize="12.5" textAnchor="middle">
            {p}
          </text>
        </g>
      ))}
      <text x={LEFT + wide} y={TOP + high + 34} fontSize="12.5" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
        {setting.drive.kind === 'bellows' ? (small ? 'puffs/min' : 'puffs a minute') : '% of the set speed'}
      </text>
      {pitches.map((p) => (
        <g key={p}>
          <path d={`M${LEFT} ${y(p / 12)}h-5`} stroke="var(--ink)" />
          <text x={LEFT - 8} y={y(p / 12) + 4} fontSize="12.5" textAnchor="end">
            {p}
          </text>
        </g>
      ))}
      <text x={LEFT} y={TOP + high + 34} fontSize="12.5" style={{ fill: 'var(--ink-2)' }}>
        ↑ {small ? 'in/ft' : 'pitch, in/ft'}
      </text>
      {then && <path d={`M${px} ${py}L${x(then.times)} ${y(then.slope)}`} stroke="var(--ink)" strokeWidth="1.8" />}
      <circle cx={px} cy={py} r="7" fill="var(--ink)" stroke="var(--paper)" strokeWidth="1.5" />
      {!(small && then) && (
        <text
          className="halo"
          {...beside(px, 76, [LEFT, LEFT + wide])}
          y={crowded && then && y(then.slope) < py ? py + 20 : py - 11}
          fontSize="13.5"
          fontWeight="700"
        >
          now {Math.round(100 * works)} %
        </text>
      )}
      {then && (
        <>
          <circle cx={x(then.times)} cy={y(then.slope)} r="7" fill="var(--paper)" stroke="var(--ink)" strokeWidth="3" />
          <text
            className="halo"
            {...beside(x(then.times), small ? 40 : 86, [LEFT, LEFT + wide])}
            y={y(then.slope) + (crowded && y(then.slope) < py ? -8 : 18)}
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

/** A region with room for its name. */
const isWide = (chances: Float64Array): boolean => chances.filter((c) => c >= 0.8).length > chances.length / 8;
