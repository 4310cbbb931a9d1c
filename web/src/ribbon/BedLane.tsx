import type { StoredGround } from '@riffle/contract';
import { bedInSight } from './bedInSight.ts';
import type { RibbonScale } from './ribbonScale.ts';
import { tenth } from './tenth.ts';

interface BedLaneProps {
  readonly heights_m: readonly number[];
  readonly length_m: number;
  readonly scale: RibbonScale;
  readonly top: number;
  readonly height: number;
  /** Pools, riffles and steps measured by hand level. */
  readonly forms: StoredGround['profile'];
}

/** The bed from head to foot, with its forms named where they were measured. */
export function BedLane({ heights_m, length_m, scale, top, height, forms }: BedLaneProps) {
  const { from_m, to_m, x } = scale;
  const points = bedInSight(heights_m, length_m, from_m, to_m);
  const low_m = Math.min(...points.map((p) => p.height_m));
  const fall_m = Math.max(...points.map((p) => p.height_m)) - low_m || 1;
  const y = (height_m: number): number => top + (1 - (height_m - low_m) / fall_m) * (height - 6);
  const line = points.map((p, i) => `${i ? 'L' : 'M'}${tenth(x(p.distance_m))} ${tenth(y(p.height_m))}`).join('');
  return (
    <g aria-hidden="true">
      <path d={`${line}L${x(to_m)} ${top + height}L${x(from_m)} ${top + height}Z`} fill="var(--spine)" />
      <path d={line} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
      {forms.map((f) => {
        const px = x(f.distance_m);
        return f.distance_m < from_m || f.distance_m > to_m ? null : (
          <g key={f.distance_m}>
            <path d={`M${px} ${top + height - 6}v6`} stroke="var(--ink)" strokeWidth="1.6" />
            <text x={px} y={top + height - 8} fontSize="12" textAnchor="middle" className="halo">
              {f.form}
            </text>
          </g>
        );
      })}
      <text x="0" y={top + 12} fontSize="12">
        bed
      </text>
    </g>
  );
}
