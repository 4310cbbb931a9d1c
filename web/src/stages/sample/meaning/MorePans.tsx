import { bandAfter, beliefMean_mg_L, pansUntilWithin, type PansToCome } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';
import { withinWords } from './moreWords.ts';
import type { Meant } from './useMeaning.ts';

/** What more pans would do to the band, where they show what is expected of them. */
export function MorePans({ meant, toCome }: { meant: Meant; toCome: PansToCome }) {
  const [attach, width] = useWidth(380);
  const show = useShow();
  const needed = pansUntilWithin(meant.belief, toCome);
  const third = needed.kind === 'pans' ? needed.pans : null;
  const most = Math.max(8, Math.min(60, Math.ceil((third ?? 30) * 1.3)));
  const grade = beliefMean_mg_L(meant.belief);
  const steps = Array.from({ length: 25 }, (_, i) => {
    const n = (i / 24) * most;
    return { n, ...bandAfter(meant.belief, n, toCome) };
  });
  const top_mg = Math.max(...steps.map((s) => s.high_mg_L)) * 1.05;
  const [left, right, top, base] = [56, width - 10, 8, 132];
  const x = (n: number): number => left + (n / most) * (right - left);
  const y = (g: number): number => base - (g / top_mg) * (base - top);
  return (
    <div ref={attach}>
      <svg width={width} height={base + 38} className="block" role="img" aria-label={withinWords(needed)}>
        {[0, top_mg / 2, top_mg].map((g) => (
          <g key={g}>
            <path d={`M${left} ${y(g)}H${right}`} stroke="var(--rule)" />
            <text x={left - 6} y={y(g) + 4} fontSize="12" textAnchor="end" style={{ fill: 'var(--gold)' }}>
              {show.figure('grade', g).digits}
            </text>
          </g>
        ))}
        <path
          d={`${steps.map((s, i) => `${i ? 'L' : 'M'}${x(s.n).toFixed(1)} ${y(s.high_mg_L).toFixed(1)}`).join('')}${[
            ...steps,
          ]
            .reverse()
            .map((s) => `L${x(s.n).toFixed(1)} ${y(s.low_mg_L).toFixed(1)}`)
            .join('')}Z`}
          fill="var(--gold-band)"
          stroke="var(--gold)"
          strokeWidth="1.4"
        />
        <path d={`M${left} ${y(grade)}H${right}`} stroke="var(--gold)" strokeWidth="1.2" strokeDasharray="5 3" />
        {third !== null && third <= most && (
          <g>
            <path
              d={`M${x(third)} ${y(bandAfter(meant.belief, third, toCome).high_mg_L) - 4}V${y(bandAfter(meant.belief, third, toCome).low_mg_L) + 4}`}
              stroke="var(--gold)"
              strokeWidth="2.4"
            />
            <text x={x(third)} y={base + 16} fontSize="12.5" fontWeight="700" textAnchor="middle">
              {third} more
            </text>
          </g>
        )}
        <text x={left} y={base + 16} fontSize="12.5">
          now
        </text>
        <text x={right} y={base + 34} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
          pans more; {show.figure('grade', 1).unit}, 90 % band
        </text>
      </svg>
    </div>
  );
}
