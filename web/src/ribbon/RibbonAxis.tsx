import { grouped, UNITS } from '@riffle/core';
import { stepAtLeast } from '../ui/roundStep.ts';
import type { RibbonFrame } from './ribbonFrame.ts';
import type { RibbonScale } from './ribbonScale.ts';

interface RibbonAxisProps {
  readonly frame: RibbonFrame;
  readonly scale: RibbonScale;
  /** Feet instead of metres. */
  readonly feet: boolean;
  /** What the distance is measured along, in words. */
  readonly says: string;
}

/** The distance along the ground, in round steps of the person's unit. */
export function RibbonAxis({ frame: { left, right, axisY, wide, thin }, scale, feet, says }: RibbonAxisProps) {
  const { x, from_m, to_m } = scale;
  const ticks = axisTicks(from_m, to_m, (right - left) / (wide ? 120 : 90), feet ? UNITS.length.ft : 1);
  return (
    <g aria-hidden="true">
      <path
        d={`M${left} ${axisY}H${right}${ticks.map((t) => `M${x(t.distance_m)} ${axisY}v5`).join('')}`}
        stroke="var(--ink)"
        strokeWidth="1.2"
      />
      {ticks
        .filter((t) => !(wide && thin && x(t.distance_m) < left + 110))
        .map((t) => (
          <text key={t.label} x={x(t.distance_m)} y={axisY + 19} fontSize="12.5" textAnchor="middle">
            {t.label}
          </text>
        ))}
      {wide && (
        <text x={left} y={axisY + (thin ? 19 : 33)} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          {feet ? 'ft' : 'm'} {says}
        </text>
      )}
    </g>
  );
}

/** Round distances along the axis in the person's unit; about `most` of them. */
export function axisTicks(
  from_m: number,
  to_m: number,
  most: number,
  unit_m: number,
): { distance_m: number; label: string }[] {
  const step = stepAtLeast((to_m - from_m) / unit_m / Math.max(2, most));
  const first = Math.ceil(from_m / unit_m / step) * step;
  const ticks: { distance_m: number; label: string }[] = [];
  for (let v = first; v * unit_m <= to_m + 1e-6; v += step)
    ticks.push({ distance_m: v * unit_m, label: grouped(v, 1) });
  return ticks;
}
