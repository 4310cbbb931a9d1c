import { grouped, UNITS } from '@riffle/core';
import { stepAtLeast } from '../ui/roundStep.ts';
import { lineY } from './across.ts';
import type { Reach } from './creekShape.ts';
import type { RibbonFrame } from './ribbonFrame.ts';
import type { RibbonScale } from './ribbonScale.ts';

/** Rows are no closer than this, px. */
const ROW_PX = 34;

interface BroadGridProps {
  readonly reach: Reach;
  readonly frame: RibbonFrame;
  readonly scale: RibbonScale;
  /** Feet instead of metres. */
  readonly feet: boolean;
}

/** A bench or a hillside as it lies: the line it was measured from, and rows in round steps out to either side, to scale. */
export default function BroadGrid({ reach, frame, scale, feet }: BroadGridProps) {
  const { left, right, bandTop, bandHeight, belowBand, wide } = frame;
  const unit_m = feet ? UNITS.length.ft : 1;
  const all_m = reach.left_m + reach.right_m;
  const step_m = stepAtLeast((ROW_PX * all_m) / bandHeight / unit_m) * unit_m;
  const zero = lineY(reach, bandTop, bandHeight);
  const rows = (side: -1 | 1, out_m: number): { y: number; m: number }[] =>
    Array.from({ length: Math.floor(out_m / step_m) }, (_, i) => ({
      m: (i + 1) * step_m,
      y: zero + (side * (i + 1) * step_m * bandHeight) / all_m,
    }));
  const lines = [...rows(-1, reach.left_m), ...rows(1, reach.right_m)];
  const label = wide ? { x: left - 8, textAnchor: 'end' as const } : { x: left + 3, textAnchor: 'start' as const };
  return (
    <g aria-hidden="true">
      <rect x={left} y={bandTop} width={right - left} height={bandHeight} fill="var(--spine)" />
      <path d={lines.map(({ y }) => `M${left} ${y}H${right}`).join('')} stroke="var(--rule)" strokeWidth="0.9" />
      <path
        d={`M${left} ${bandTop}V${belowBand}M${right} ${bandTop}V${belowBand}`}
        stroke="var(--ink-2)"
        strokeWidth="0.9"
        strokeDasharray="5 3"
      />
      <path d={`M${left} ${zero}H${right}`} stroke="var(--ink)" strokeWidth="2.2" />
      {lines.map(({ y, m }) => (
        <text key={y} {...label} y={y + 4} fontSize="12" className="halo" style={{ fill: 'var(--ink-2)' }}>
          {grouped(Math.round(m / unit_m))}
        </text>
      ))}
      <text {...label} y={zero + 4} fontSize="12" fontWeight="700" className="halo">
        {wide ? 'line' : 'the line'}
      </text>
      <path
        d={`M${scale.x(scale.to_m)} ${zero - 5}v10M${scale.x(scale.from_m)} ${zero - 5}v10`}
        stroke="var(--ink)"
        strokeWidth="2.2"
      />
    </g>
  );
}
