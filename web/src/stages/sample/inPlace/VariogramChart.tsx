import { semivariance, type Variogram, type VariogramBin } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';

/** How unlike samples are by their distance: circles sized by their pairs, and the model that kriging takes. */
export function VariogramChart({ bins, model }: { bins: readonly VariogramBin[]; model: Variogram }) {
  const [attach, width] = useWidth(360);
  const show = useShow();
  const far = Math.max(...bins.map((b) => b.distance_m)) * 1.08;
  const high = Math.max(...bins.map((b) => b.gamma), model.nugget + model.partialSill) * 1.1 || 1;
  const [left, right, top, base] = [16, width - 8, 10, 150];
  const x = (m: number): number => left + (m / far) * (right - left);
  const y = (g: number): number => base - (g / high) * (base - top);
  const most = Math.max(...bins.map((b) => b.pairs));
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={base + 36}
        className="block"
        role="img"
        aria-label={`Variogram, ${model.model}: nugget ${model.nugget.toPrecision(2)}, partial sill ${model.partialSill.toPrecision(2)}, range ${show.length(model.range_m)}`}
      >
        <path d={`M${left} ${top}V${base}H${right}`} fill="none" stroke="var(--ink)" strokeWidth="1.3" />
        <path
          d={Array.from(
            { length: 61 },
            (_, i) =>
              `${i ? 'L' : 'M'}${x((i / 60) * far + 1e-6).toFixed(1)} ${y(semivariance(model, (i / 60) * far + 1e-6)).toFixed(1)}`,
          ).join('')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.2"
        />
        {bins.map((b) => (
          <circle
            key={b.distance_m}
            cx={x(b.distance_m)}
            cy={y(b.gamma)}
            r={3 + 5 * Math.sqrt(b.pairs / most)}
            fill="var(--picked)"
            stroke="var(--ink-2)"
            strokeWidth="1.6"
          />
        ))}
        {model.range_m < far && (
          <path
            d={`M${x(model.range_m)} ${base}V${y(semivariance(model, model.range_m))}`}
            stroke="var(--ink-2)"
            strokeDasharray="3 3"
          />
        )}
        <text x={left + 4} y={top + 4} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          unlikeness
        </text>
        <text x={right} y={base + 18} fontSize="12" textAnchor="end">
          {show.length(far)} apart
        </text>
      </svg>
    </div>
  );
}
