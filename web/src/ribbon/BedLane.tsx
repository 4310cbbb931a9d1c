import type { StoredGround } from '@riffle/contract';

interface BedLaneProps {
  readonly heights_m: readonly number[];
  readonly length_m: number;
  readonly x: (d: number) => number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly height: number;
  /** Pools, riffles and steps measured by hand level. */
  readonly forms: StoredGround['profile'];
}

/** The bed from head to foot, with its forms named where they were measured. */
export function BedLane({ heights_m, length_m, x, left, right, top, height, forms }: BedLaneProps) {
  const points = heights_m
    .map((z, i) => ({ px: x((i / (heights_m.length - 1)) * length_m), z }))
    .filter((p) => p.px >= left - 20 && p.px <= right + 20);
  const low = Math.min(...points.map((p) => p.z));
  const fall = Math.max(...points.map((p) => p.z)) - low || 1;
  const line = points
    .map(
      (p, i) =>
        `${i ? 'L' : 'M'}${Math.min(right, Math.max(left, p.px)).toFixed(1)} ${(top + (1 - (p.z - low) / fall) * (height - 6)).toFixed(1)}`,
    )
    .join('');
  return (
    <g aria-hidden="true">
      <path d={`${line}L${left} ${top + height}L${right} ${top + height}Z`} fill="var(--spine)" />
      <path d={line} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
      {forms.map((f) => {
        const px = x(f.distance_m);
        return px < left || px > right ? null : (
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
