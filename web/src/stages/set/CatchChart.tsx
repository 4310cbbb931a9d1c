import type { CatchCurve, LinedSection } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import { LinedFloor } from './LinedFloor.tsx';

interface CatchChartProps {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  readonly sections: readonly LinedSection[];
  /** None while they are worked out. */
  readonly curves: readonly CatchCurve[];
  /** Where the V of the mouth closes, from the head; null: nowhere in the box. */
  readonly vCloses_m: number | null;
}

const SHOWN_M = [0.0001, 0.0002, 0.0005, 0.002];
const DASHES = ['2 3', '8 4', undefined, undefined];

/** Share of the gold fed that is caught by each place down the box, by grain size: the middle box, and for 0.2 mm the band of nine in ten. Shares the box's own length axis. */
export function CatchChart({ width, left, right, sections, curves, vCloses_m }: CatchChartProps) {
  const show = useShow();
  const length_m = sections.reduce((sum, s) => sum + s.length_m, 0);
  const [top, base] = [10, width > 480 ? 170 : 138];
  const y = (share: number): number => base - share * (base - top);
  const x = (m: number): number => left + (m / length_m) * (right - left);
  const shown = SHOWN_M.flatMap((size_m, i) => {
    const curve = curves.find((c) => c.size_m === size_m);
    const held = curve?.at.at(-1);
    return curve && held ? [{ ...curve, held, dash: DASHES[i], hasBand: i === 1 }] : [];
  });
  const share = (v: number): string => (v > 0.995 ? '99+' : String(Math.round(v * 100)));
  // Names at the right end, kept a line apart.
  const names = [...shown]
    .sort((a, b) => b.held.middle - a.held.middle)
    .reduce<{ size_m: number; y: number; says: string }[]>(
      (placed, c) => [
        ...placed,
        {
          size_m: c.size_m,
          y: Math.max(y(c.held.middle) + 4, (placed.at(-1)?.y ?? 0) + 16),
          says: `${share(c.held.middle)} %`,
        },
      ],
      [],
    );
  const path = (at: CatchCurve['at'], of: (p: CatchCurve['at'][number]) => number): string =>
    at.map((p, i) => `${i ? 'L' : 'M'}${x(p.x_m).toFixed(1)} ${y(of(p)).toFixed(1)}`).join('');
  return (
    <svg
      width={width}
      height={base + 44}
      viewBox={`0 0 ${width} ${base + 44}`}
      className="block"
      role="img"
      aria-label={`Caught over the whole box: ${shown.map((c) => `${show.grainSize(c.size_m)} ${Math.round(c.held.low * 100)} to ${Math.round(c.held.high * 100)} %`).join(', ') || 'not yet weighed'}`}
    >
      {[0, 0.5, 1].map((s) => (
        <g key={s}>
          <line
            x1={left}
            x2={right}
            y1={y(s)}
            y2={y(s)}
            stroke={s === 0 ? 'var(--ink)' : 'var(--rule)'}
            strokeWidth={s === 0 ? 1.4 : 1}
          />
          <text x={left - 6} y={y(s) + 4} fontSize="12.5" textAnchor="end" style={{ fill: 'var(--gold)' }}>
            {s * 100} %
          </text>
        </g>
      ))}
      {shown.map((c) => (
        <g key={c.size_m}>
          {c.hasBand && (
            <path
              d={`${path(c.at, (p) => p.high)}${[...c.at]
                .reverse()
                .map((p) => `L${x(p.x_m).toFixed(1)} ${y(p.low).toFixed(1)}`)
                .join('')}Z`}
              fill="var(--gold-band)"
              fillOpacity="0.75"
              stroke="var(--gold)"
              strokeWidth="0.6"
            />
          )}
          <path
            d={path(c.at, (p) => p.middle)}
            fill="none"
            stroke="var(--gold)"
            strokeWidth="2"
            strokeDasharray={c.dash}
          />
        </g>
      ))}
      {names.map((n) => (
        <text key={n.size_m} x={right + 8} y={n.y} fontSize="13">
          <tspan fontWeight="700">{show.grainSize(n.size_m)}</tspan>
          <tspan dx="6" fontWeight="700" style={{ fill: 'var(--gold)' }}>
            {n.says}
          </tspan>
        </text>
      ))}
      <LinedFloor sections={sections} x={x} y={base + 8} high={13} />
      {vCloses_m !== null && (
        <path
          d={`M${left} ${base + 8}L${x(vCloses_m)} ${base + 14.5}L${left} ${base + 21}`}
          fill="none"
          stroke="var(--water)"
          strokeWidth="2.5"
        />
      )}
    </svg>
  );
}
