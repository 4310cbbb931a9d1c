import { characteristicSize_mm, type SizeCurve as Curve } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { stonePath } from '../../../ui/stonePath.ts';
import { Block } from '../../../ui/Judgement.tsx';
import { useWidth } from '../../../ui/useWidth.ts';

const MARKED = [10, 50, 90] as const;

/** How much of the material is finer than each size, on a log axis; stones at their sizes stand below it. Earlier curves are drawn pale. */
function SizeCurve({ curve, before }: { curve: Curve | null; before: readonly Curve[] }) {
  const [attach, width] = useWidth(480);
  const show = useShow();
  const all = [...(curve ? [curve] : []), ...before].flatMap((c) => c.points.map((p) => p.aperture_mm));
  if (all.length === 0)
    return <p className="text-ink-2">The curve draws itself as you fill in what stayed on each screen.</p>;
  const [low, high] = [Math.min(...all) / 1.6, Math.max(...all) * 1.6];
  const [left, right, top, base] = [44, width - 16, 14, 230];
  const x = (mm: number): number => left + (Math.log(mm / low) / Math.log(high / low)) * (right - left);
  const y = (percent: number): number => base - (percent / 100) * (base - top);
  const path = (c: Curve): string =>
    c.points
      .map((p, i) => `${i ? 'L' : 'M'}${x(p.aperture_mm).toFixed(1)} ${y(p.passing_percent).toFixed(1)}`)
      .join('');
  const sizes = [...new Set(all)].sort((a, b) => a - b);
  const shown = sizes.filter((mm, i) => i === 0 || x(mm) - x(sizes[i - 1] ?? 0) > 12);
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={base + 62}
        className="block"
        role="img"
        aria-label={
          curve
            ? `Size curve: ${MARKED.map((p) => {
                const d = characteristicSize_mm(curve.points, p);
                return `D${p} ${d === null ? 'beyond the stack' : show.grainSize(d / 1000)}`;
              }).join(', ')}`
            : 'Size curves of earlier screenings'
        }
      >
        {[0, 25, 50, 75, 100].map((p) => (
          <g key={p}>
            <path
              d={`M${left} ${y(p)}H${right}`}
              stroke={p === 0 ? 'var(--ink)' : 'var(--rule)'}
              strokeWidth={p === 0 ? 1.4 : 1}
            />
            <text x={left - 6} y={y(p) + 4} fontSize="12" textAnchor="end">
              {p} %
            </text>
          </g>
        ))}
        <text x={left + 4} y={top + 2} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          finer than
        </text>
        {before.map((c, i) => (
          <path key={i} d={path(c)} fill="none" stroke="var(--rule)" strokeWidth="2" />
        ))}
        {curve && (
          <>
            <path d={path(curve)} fill="none" stroke="var(--ink)" strokeWidth="2.4" />
            {curve.points.map((p) => (
              <circle
                key={p.aperture_mm}
                cx={x(p.aperture_mm)}
                cy={y(p.passing_percent)}
                r="4"
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth="1.8"
              />
            ))}
            {MARKED.map((p) => {
              const d = characteristicSize_mm(curve.points, p);
              return d === null ? null : (
                <g key={p}>
                  <path
                    d={`M${left} ${y(p)}H${x(d)}V${base}`}
                    fill="none"
                    stroke="var(--ink-2)"
                    strokeWidth="1"
                    strokeDasharray="3 3"
                  />
                  <text className="halo" x={x(d) + 5} y={y(p) + 16} fontSize="13">
                    <tspan fontWeight="700">D{p}</tspan> {show.grainSize(d / 1000)}
                  </text>
                </g>
              );
            })}
          </>
        )}
        {shown.map((mm, i) => {
          const r = Math.min(15, 2.5 + 3.2 * Math.sqrt(mm));
          return (
            <g key={mm}>
              <path
                d={stonePath(x(mm), base + 20, r, r * 0.8, i + 1)}
                fill="var(--gravel)"
                stroke="var(--ink)"
                strokeWidth="1.1"
              />
              {(i === 0 || x(mm) - x(shown[i - 1] ?? 0) > 46) && (
                <text x={x(mm)} y={base + 48} fontSize="12" textAnchor="middle">
                  {show.grainSize(mm / 1000)}
                </text>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

/** The curve with its usual sizes in words. */
export function CurveBlock({ curve, before }: { curve: Curve | null; before: readonly Curve[] }) {
  const show = useShow();
  const sizes = curve && [
    ...MARKED.map((p) => {
      const d = characteristicSize_mm(curve.points, p);
      return d === null ? null : `D${p} ${show.grainSize(d / 1000)}`;
    }),
    oversizeOf(curve, show.grainSize),
  ];
  return (
    <Block title="Size curve" aside={sizes?.filter(Boolean).join(', ')}>
      <SizeCurve curve={curve} before={before} />
    </Block>
  );
}

/** What stays on the coarsest screen: beyond it the curve says nothing. */
function oversizeOf(curve: Curve, say: (m: number) => string): string | null {
  const top = curve.points.reduce((a, b) => (b.aperture_mm > a.aperture_mm ? b : a));
  return top.passing_percent < 100
    ? `${(100 - top.passing_percent).toFixed(0)} % over ${say(top.aperture_mm / 1000)}`
    : null;
}
