import type { StoredSpot } from '@riffle/contract';
import { Suspense } from 'react';
import { text, type Figure, type SpotGrade } from '@riffle/core';
import { late } from '../ui/late.ts';

// The figures come a moment after the discs.
const GradeNames = late(async () => (await import('./GradeNames.tsx')).default);

interface GradeLaneProps {
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly x: (distance_m: number) => number;
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly height: number;
  readonly picked: string | null;
  readonly showGrade: (mg_L: number) => Figure;
}

/** Round steps for a scale: 1, 2, 5 and their tens, below `most`. */
function steps(most: number): number[] {
  const ten = 10 ** Math.floor(Math.log10(most));
  return [most / ten >= 5 ? 5 * ten : most / ten >= 2 ? 2 * ten : ten, ten / 2]
    .map((s) => (s > most ? ten / 2 : s))
    .filter((s, i, all) => all.indexOf(s) === i);
}

/** What the pans said, under the creek: a gold disc at its grade on a root scale with its band; a blank is an open ring on the zero line. */
export function GradeLane({ spots, grades, x, left, right, top, height, picked, showGrade }: GradeLaneProps) {
  const zero = top + height;
  const most = Math.max(
    0.02,
    ...[...grades.values()].map(({ grade: g }) =>
      g.kind === 'band'
        ? Math.min(g.high_mg_L, 3 * g.grade_mg_L)
        : g.kind === 'blank'
          ? Math.min(g.lessThan_mg_L, 1)
          : 0,
    ),
  );
  const radius = (mg_L: number): number => 4 + 6 * Math.sqrt(mg_L / most);
  const y = (mg_L: number): number => zero - height * Math.sqrt(Math.min(mg_L, most) / most);
  const unit = showGrade(1).unit;
  const discs = spots
    .filter((s) => mid(grades.get(s.id)) > 0)
    .map((s) => ({ id: s.id, x: x(s.distance_m), y: y(mid(grades.get(s.id))), r: radius(mid(grades.get(s.id))) }));

  return (
    <g aria-hidden="true">
      {steps(most).map((s) => (
        <g key={s}>
          <line x1={left} x2={right} y1={y(s)} y2={y(s)} stroke="var(--rule)" />
          <text x={right + 6} y={y(s) + 4} fontSize="12" style={{ fill: 'var(--gold)' }}>
            {showGrade(s).digits}
          </text>
        </g>
      ))}
      <line x1={left} x2={right} y1={zero} y2={zero} stroke="var(--ink)" strokeWidth="1.1" />
      <text x={right + 6} y={zero + 4} fontSize="12" style={{ fill: 'var(--gold)' }}>
        0
      </text>
      <text x={right + 44} y={top - 15} fontSize="12" textAnchor="end" style={{ fill: 'var(--gold)' }}>
        {unit}
      </text>
      {spots.map((s) => {
        const found = grades.get(s.id);
        if (!found) return null;
        const cx = x(s.distance_m);
        if (cx < left - 2 || cx > right + 2) return null;
        const { grade } = found;
        const isPicked = s.id === picked;
        if (grade.kind === 'blank') {
          return (
            <g key={s.id}>
              <line
                x1={cx}
                x2={cx}
                y1={zero}
                y2={y(grade.lessThan_mg_L)}
                stroke="var(--ink)"
                strokeDasharray="2 3"
                strokeWidth="1.2"
              />
              <line
                x1={cx - 4}
                x2={cx + 4}
                y1={y(grade.lessThan_mg_L)}
                y2={y(grade.lessThan_mg_L)}
                stroke="var(--ink)"
                strokeWidth="1.2"
              />
              {found.blanks > 1 && (
                <circle cx={cx} cy={zero} r="8.5" fill="none" stroke="var(--ink)" strokeWidth="1.3" />
              )}
              <circle
                cx={cx}
                cy={zero}
                r="5"
                fill="var(--paper)"
                stroke="var(--ink)"
                strokeWidth={isPicked ? 2.6 : 1.6}
              />
            </g>
          );
        }
        if (grade.kind === 'coarse only')
          return (
            <text key={s.id} x={cx} y={zero - 6} fontSize="12" textAnchor="middle" style={{ fill: 'var(--gold)' }}>
              weigh it
            </text>
          );
        const r = radius(grade.grade_mg_L);
        return (
          <g key={s.id}>
            <path
              d={`M${cx} ${y(grade.low_mg_L)}V${y(grade.high_mg_L)}M${cx - 4} ${y(grade.low_mg_L)}h8M${cx - 4} ${y(grade.high_mg_L)}h8`}
              stroke="var(--gold)"
              strokeWidth={isPicked ? 2.4 : 1.5}
            />
            <circle
              cx={cx}
              cy={y(grade.grade_mg_L)}
              r={r}
              fill="var(--gold-fill)"
              stroke="var(--gold)"
              strokeWidth={isPicked ? 2.4 : 1.3}
            />
          </g>
        );
      })}
      <Suspense>
        <GradeNames
          discs={discs}
          picked={picked}
          left={left}
          right={right}
          words={(id) => {
            const grade = showGrade(mid(grades.get(id)));
            return id === picked ? text(grade) : grade.digits;
          }}
        />
      </Suspense>
    </g>
  );
}

const mid = (g: SpotGrade | undefined): number => (g?.grade.kind === 'band' ? g.grade.grade_mg_L : 0);
