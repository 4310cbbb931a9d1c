import { caughtTo, type BoxAnswer } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';

interface CatchChartProps {
  readonly width: number;
  readonly left: number;
  readonly right: number;
  readonly length_m: number;
  readonly answer: BoxAnswer;
}

const SHOWN_M = [0.0001, 0.0002, 0.0005, 0.002];
const DASHES = ['2 3', '8 4', undefined, undefined];

/** Share of the gold fed that is caught by each place down the box, by grain size, as the band between the two settling laws. Shares the box's own length axis. */
export function CatchChart({ width, left, right, length_m, answer }: CatchChartProps) {
  const show = useShow();
  const [top, base] = [10, width > 480 ? 190 : 138];
  const y = (share: number): number => base - share * (base - top);
  const x = (m: number): number => left + (m / length_m) * (right - left);
  const stations = Array.from({ length: 41 }, (_, i) => (i / 40) * length_m);
  const curves = SHOWN_M.flatMap((size, i) => {
    const found = answer.caught.find((c) => c.size_m === size);
    return found ? [{ ...found, dash: DASHES[i] }] : [];
  });
  // Names at the right end, kept a line apart.
  const names = [...curves]
    .sort((a, b) => b.share.high - a.share.high)
    .reduce<{ size_m: number; y: number; says: string }[]>((placed, c) => {
      const wish = y((c.share.low + c.share.high) / 2) + 4;
      const share = (v: number): string => (v > 0.995 ? '99+' : String(Math.round(v * 100)));
      const [low, high] = [share(c.share.low), share(c.share.high)];
      return [
        ...placed,
        {
          size_m: c.size_m,
          y: Math.max(wish, (placed.at(-1)?.y ?? 0) + 16),
          says: low === high ? `${low} %` : `${low}–${high} %`,
        },
      ];
    }, []);
  return (
    <svg
      width={width}
      height={base + 34}
      viewBox={`0 0 ${width} ${base + 34}`}
      className="block"
      role="img"
      aria-label={`Caught over the whole box: ${curves.map((c) => `${show.smallLength(c.size_m)} ${Math.round(c.share.low * 100)} to ${Math.round(c.share.high * 100)} %`).join(', ')}`}
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
          <text x={left - 6} y={y(s) + 4} fontSize="12.500" textAnchor="end" style={{ fill: 'var(--gold)' }}>
            {s * 100} %
          </text>
        </g>
      ))}
      {curves.map((c) => {
        const at = stations.map((m) => ({ px: x(m), ...caughtTo(c.rate_per_m, m) }));
        const path = (pick: (p: (typeof at)[number]) => number): string =>
          at.map((p, i) => `${i ? 'L' : 'M'}${p.px.toFixed(1)} ${y(pick(p)).toFixed(1)}`).join('');
        return (
          <g key={c.size_m}>
            <path
              d={`${path((p) => p.high)}${[...at]
                .reverse()
                .map((p) => `L${p.px.toFixed(1)} ${y(p.low).toFixed(1)}`)
                .join('')}Z`}
              fill="var(--gold-band)"
              fillOpacity="0.75"
              stroke="var(--gold)"
              strokeWidth="0.6"
            />
            <path
              d={path((p) => (p.low + p.high) / 2)}
              fill="none"
              stroke="var(--gold)"
              strokeWidth="2"
              strokeDasharray={c.dash}
            />
          </g>
        );
      })}
      {names.map((n) => (
        <text key={n.size_m} x={right + 8} y={n.y} fontSize="13">
          <tspan fontWeight="700">{show.smallLength(n.size_m)}</tspan>
          <tspan dx="6" fontWeight="700" style={{ fill: 'var(--gold)' }}>
            {n.says}
          </tspan>
        </text>
      ))}
      <g aria-hidden="true">
        <rect
          x={left}
          y={base + 8}
          width={right - left}
          height="13"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
        {Array.from({ length: Math.floor((right - left) / 12) }, (_, i) => (
          <path key={i} d={`M${left + 10 + i * 12} ${base + 21}l-4 -13`} stroke="var(--ink)" strokeWidth="1.500" />
        ))}
        <text x={right + 8} y={base + 19} fontSize="12.500">
          {show.length(length_m)}
        </text>
      </g>
    </svg>
  );
}
