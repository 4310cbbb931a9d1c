import type { StoredSamplePlan, StoredSpot } from '@riffle/contract';
import { acrossOf, chanceAbove, openEnds, payStreak, type OpenEnd } from '@riffle/core';
import { useShow } from '../../../units/useShow.ts';
import { Gold } from '../../../ui/Judgement.tsx';
import { useWidth } from '../../../ui/useWidth.ts';
import type { Meant } from './useMeaning.ts';

interface StreakProps {
  readonly plan: StoredSamplePlan;
  /** The plan's spots that were panned. */
  readonly spots: readonly Meant[];
  /** Its spots that wait for their pan. */
  readonly waiting: readonly StoredSpot[];
  readonly cutoff_mg_L: number;
}

/** The profile of grades across a bar, with the stretch that pays shaded. */
export function Streak({ plan, spots, waiting, cutoff_mg_L }: StreakProps) {
  const [attach, width] = useWidth(560);
  const show = useShow();
  const along =
    spread(spots.map((m) => m.spot.distance_m)) > spread(spots.map((m) => acrossOf(m.spot.bank, m.spot.offset_m)));
  // The left end is the left bank, or upstream.
  const atOf = (s: StoredSpot): number => (along ? -s.distance_m : -acrossOf(s.bank, s.offset_m));
  const points = spots
    .map((m) => {
      const g = m.grade.grade;
      return {
        m,
        at_m: atOf(m.spot),
        grade_mg_L: g.kind === 'band' ? g.grade_mg_L : 0,
        low: g.kind === 'band' ? g.low_mg_L : 0,
        high: g.kind === 'band' ? g.high_mg_L : g.kind === 'blank' ? g.lessThan_mg_L : 0,
      };
    })
    .sort((a, b) => a.at_m - b.at_m)
    .filter((p, i, all) => i === 0 || p.at_m - (all[i - 1]?.at_m ?? 0) > 0.01);
  if (points.length < 2) return <p className="text-ink-2">{plan.name} has fewer than two points panned.</p>;
  const [best, ...others] = payStreak(points, cutoff_mg_L);
  const open = best
    ? openEnds(
        points,
        waiting.map((s) => ({ id: s.name, at_m: atOf(s) })),
        best,
      )
    : [];
  const endWords = ({ end, closedBy }: OpenEnd): string => {
    const side = along
      ? end === 'first'
        ? 'upstream'
        : 'downstream'
      : end === 'first'
        ? 'to the left'
        : 'to the right';
    return closedBy === null
      ? `It is open ${side}, and no bag is laid out there.`
      : `It is open ${side}: ${closedBy} would close it.`;
  };
  const [x0, x1] = [points[0]?.at_m ?? 0, points.at(-1)?.at_m ?? 1];
  const top_mg = Math.max(cutoff_mg_L * 1.4, ...points.map((p) => p.high)) * 1.05;
  const [left, right, top, base] = [60, width - 16, 22, 170];
  const x = (m: number): number => left + ((m - x0) / (x1 - x0)) * (right - left);
  // Roots keep a blank and a rich pan on one page.
  const y = (g: number): number => base - Math.sqrt(Math.max(0, g) / top_mg) * (base - top);
  const sure = best
    ? points
        .filter((p) => p.at_m >= best.from_m && p.at_m <= best.to_m)
        .map((p) => chanceAbove(p.m.belief, cutoff_mg_L))
    : [];
  return (
    <div ref={attach}>
      <p className="mb-1 text-[16px]">
        {best ? (
          <>
            <b>{show.length(best.to_m - best.from_m)}</b> of it pay
            {others.length > 0 ? ` in the best of ${others.length + 1} streaks` : ''}:{' '}
            <Gold>{show.grade(best.grade_mg_L)}</Gold> on average, from {show.length(best.from_m - x0)} to{' '}
            {show.length(best.to_m - x0)} off the {along ? 'upper' : 'left'} end.
            {sure.length > 0 &&
              ` Its points are above the cut-off with ${Math.round(Math.min(...sure) * 100)} to ${Math.round(Math.max(...sure) * 100)} chances in 100.`}
            {open.length > 0 && ` ${open.map(endWords).join(' ')}`}
          </>
        ) : (
          `Nowhere along it does the middle of the band reach ${show.grade(cutoff_mg_L)}.`
        )}
      </p>
      <svg
        width={width}
        height={base + 40}
        className="block"
        role="img"
        aria-label={`${plan.name}: grades of ${points.length} points across`}
      >
        {best && (
          <rect
            x={x(best.from_m)}
            y={top - 8}
            width={x(best.to_m) - x(best.from_m)}
            height={base - top + 8}
            fill="var(--picked)"
            stroke="none"
          />
        )}
        {best && <path d={`M${x(best.from_m)} ${top - 8}H${x(best.to_m)}`} stroke="var(--ink)" strokeWidth="4" />}
        <path d={`M${left} ${base}H${right}`} stroke="var(--ink)" strokeWidth="1.4" />
        <path d={`M${left} ${y(cutoff_mg_L)}H${right}`} stroke="var(--ink)" strokeDasharray="6 4" />
        <text x={left - 6} y={y(cutoff_mg_L) + 4} fontSize="12" textAnchor="end">
          pays
        </text>
        <path
          d={points.map((p, i) => `${i ? 'L' : 'M'}${x(p.at_m).toFixed(1)} ${y(p.grade_mg_L).toFixed(1)}`).join('')}
          fill="none"
          stroke="var(--gold)"
          strokeWidth="1.6"
        />
        {points.map((p) => (
          <g key={p.m.spot.id}>
            <path
              d={`M${x(p.at_m)} ${y(p.low)}V${y(p.high)}M${x(p.at_m) - 4} ${y(p.high)}h8`}
              stroke={p.grade_mg_L > 0 ? 'var(--gold)' : 'var(--ink)'}
              strokeWidth="1.4"
              strokeDasharray={p.grade_mg_L > 0 ? undefined : '3 3'}
            />
            {p.grade_mg_L > 0 ? (
              <circle
                cx={x(p.at_m)}
                cy={y(p.grade_mg_L)}
                r="5.5"
                fill="var(--gold-fill)"
                stroke="var(--gold)"
                strokeWidth="1.4"
              />
            ) : (
              <circle cx={x(p.at_m)} cy={base} r="5" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.8" />
            )}
            <text x={x(p.at_m)} y={base + 18} fontSize="12" textAnchor="middle">
              {p.m.spot.name}
            </text>
          </g>
        ))}
        {[top_mg / 4, top_mg].map((g) => (
          <text key={g} x={left - 6} y={y(g) + 4} fontSize="12" textAnchor="end" style={{ fill: 'var(--gold)' }}>
            {show.figure('grade', g).digits}
          </text>
        ))}
        <text x={left} y={base + 36} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          {along ? 'upstream' : 'left bank'}
        </text>
        <text x={right} y={base + 36} fontSize="12" textAnchor="end" style={{ fill: 'var(--ink-2)' }}>
          {along ? 'downstream' : 'right bank'}
        </text>
      </svg>
    </div>
  );
}
const spread = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);
