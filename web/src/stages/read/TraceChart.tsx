import type { StoredSign, StoredSpot } from '@riffle/contract';
import { poissonLimits, sternberg, type Trace, floatGrows, floatStones, type TracePoint } from '@riffle/core';
import { stonePath } from '../../ui/stonePath.ts';
import { useWidth } from '../../ui/useWidth.ts';
import { useShow } from '../../units/useShow.ts';

interface TraceChartProps {
  readonly length_m: number;
  readonly trace: Trace;
  readonly tried: readonly TracePoint[];
  readonly spots: readonly StoredSpot[];
  readonly signs: readonly StoredSign[];
}

const PER_L = 10;

/** Colors and float against the distance upstream, water from left to right: where the one stops and the other grows. */
export function TraceChart({ length_m, trace, tried, spots, signs }: TraceChartProps) {
  const [attach, width] = useWidth(440);
  const show = useShow();
  const stones = floatStones(signs);
  const left = 34;
  const right = width - 10;
  const x = (d: number): number => right - (d / length_m) * (right - left);
  const colorsH = 74;
  const floatTop = colorsH + 26;
  const floatH = stones.length > 0 ? 54 : 0;
  const axisY = floatH > 0 ? floatTop + floatH + 6 : colorsH + 12;
  const rate = (p: TracePoint): number => (PER_L * p.colors) / p.volumeBank_L;
  const most = Math.max(1, ...tried.map(rate)) * 1.15;
  const y = (v: number): number => 12 + (colorsH - 12) * (1 - Math.sqrt(Math.min(v, most) / most));
  const sizes = stones.map((s) => s.size_mm);
  const [small, large] = [Math.min(...sizes) / 1.4, Math.max(...sizes) * 1.4];
  const sizeY = (mm: number): number => floatTop + floatH * (1 - Math.log(mm / small) / Math.log(large / small || 2));
  const fit = stones.length > 0 && floatGrows(signs) ? sternberg(stones) : null;
  const mouths = spots.filter((s) => s.kind === 'draw mouth');
  const band = trace.kind === 'break' ? ([trace.below.distance_m, trace.above.distance_m] as const) : null;
  return (
    <div ref={attach} className="min-w-0">
      <svg
        width={width}
        height={axisY + 20}
        viewBox={`0 0 ${width} ${axisY + 20}`}
        className="block"
        role="img"
        aria-label={`Colors and float along the creek: ${tried.length} places panned, ${stones.length} stones measured`}
      >
        {band && (
          <rect
            x={x(band[1])}
            y="8"
            width={Math.max(3, x(band[0]) - x(band[1]))}
            height={axisY - 8}
            fill="url(#against)"
            fillOpacity={trace.kind === 'break' ? 0.15 + 0.35 * trace.certainty : 0}
          />
        )}
        {mouths.map((m) => (
          <path
            key={m.id}
            d={`M${x(m.distance_m) - 5} 2Q${x(m.distance_m)} 8 ${x(m.distance_m)} 14Q${x(m.distance_m)} 8 ${x(m.distance_m) + 5} 2M${x(m.distance_m)} 14V${axisY}`}
            fill="none"
            stroke="var(--water)"
            strokeWidth="1.4"
            strokeDasharray="3 3"
          />
        ))}
        <text x="0" y="10" fontSize="12" style={{ fill: 'var(--gold)' }}>
          colors in {show.volume(PER_L)}
        </text>
        {[most / 1.15, most / 4.6].map((v) => (
          <g key={v}>
            <path d={`M${left} ${y(v)}H${right}`} stroke="var(--rule)" />
            <text x={left - 5} y={y(v) + 4} fontSize="12" textAnchor="end" style={{ fill: 'var(--gold)' }}>
              {v < 10 ? v.toFixed(1) : Math.round(v)}
            </text>
          </g>
        ))}
        <path d={`M${left} ${colorsH}H${right}`} stroke="var(--ink)" strokeWidth="1.1" />
        {tried.map((p) => {
          const limits = poissonLimits(p.colors);
          const [low, high] = [limits.low, limits.high].map((n) => (PER_L * n) / p.volumeBank_L) as [number, number];
          return (
            <g key={p.id}>
              <path
                d={`M${x(p.distance_m)} ${y(low)}V${y(high)}`}
                stroke={p.colors > 0 ? 'var(--gold)' : 'var(--ink)'}
                strokeWidth="1.2"
                strokeDasharray={p.colors > 0 ? undefined : '2 3'}
              />
              <circle
                cx={x(p.distance_m)}
                cy={y(rate(p))}
                r="4.5"
                fill={p.colors > 0 ? 'var(--gold-fill)' : 'var(--paper)'}
                stroke={p.colors > 0 ? 'var(--gold)' : 'var(--ink)'}
                strokeWidth="1.4"
              />
            </g>
          );
        })}
        {floatH > 0 && (
          <g>
            <text x="0" y={floatTop - 3} fontSize="12" style={{ fill: 'var(--rust)' }}>
              float, {show.display.system === 'US' ? 'in' : 'mm'}
            </text>
            {fit && (
              <path
                d={Array.from({ length: 25 }, (_, i) => (i / 24) * length_m)
                  .filter(
                    (d) =>
                      fit.size0_mm * Math.exp(fit.alpha_per_m * d) > small &&
                      fit.size0_mm * Math.exp(fit.alpha_per_m * d) < large * 1.3,
                  )
                  .map((d, i) => `${i ? 'L' : 'M'}${x(d)} ${sizeY(fit.size0_mm * Math.exp(fit.alpha_per_m * d))}`)
                  .join('')}
                fill="none"
                stroke="var(--rust)"
                strokeWidth="1.4"
                strokeDasharray="6 3"
              />
            )}
            {stones.map((s) => (
              <path
                key={`${s.downstream_m} ${s.size_mm}`}
                d={stonePath(x(-s.downstream_m), sizeY(s.size_mm), 6.5, 5, Math.round(s.size_mm))}
                fill={s.stained ? 'var(--rust)' : 'var(--paper)'}
                fillOpacity={s.stained ? 0.35 : 1}
                stroke="var(--rust)"
                strokeWidth="1.6"
              />
            ))}
            {[Math.min(...sizes), Math.max(...sizes)]
              .filter((v, i, all) => all.indexOf(v) === i)
              .map((v) => (
                <text
                  key={v}
                  x={left - 5}
                  y={sizeY(v) + 4}
                  fontSize="12"
                  textAnchor="end"
                  style={{ fill: 'var(--rust)' }}
                >
                  {show.display.system === 'US' ? (v / 25.4).toFixed(1) : Math.round(v)}
                </text>
              ))}
          </g>
        )}
        <path d={`M${left} ${axisY}H${right}`} stroke="var(--ink)" strokeWidth="1" />
        {[0, 0.5, 1].map((t) => (
          <text
            key={t}
            x={x(t * length_m)}
            y={axisY + 15}
            fontSize="12"
            textAnchor={t === 0 ? 'end' : t === 1 ? 'start' : 'middle'}
          >
            {show.distance(Math.round(t * length_m))}
          </text>
        ))}
      </svg>
    </div>
  );
}
