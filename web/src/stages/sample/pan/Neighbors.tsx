import type { StoredSpot } from '@riffle/contract';
import type { SampleGrade, SpotGrade } from '@riffle/core';
import { memo } from 'react';
import { useShow } from '../../../units/useShow.ts';
import { useWidth } from '../../../ui/useWidth.ts';

interface NeighborsProps {
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly spot: StoredSpot | undefined;
  /** The sample in hand, drawn on the spot's own row. */
  readonly now: SampleGrade | null;
}

const ROW = 30;

/** The spot between its neighbors up and down the creek, grades with their bands on one log scale. Upstream on top. */
export const Neighbors = memo(function Neighbors({ spots, grades, spot, now }: NeighborsProps) {
  const [attach, width] = useWidth(380);
  const show = useShow();
  const ordered = spots
    .filter((s) => grades.has(s.id) || s.id === spot?.id)
    .sort((a, b) => b.distance_m - a.distance_m);
  const at = ordered.findIndex((s) => s.id === spot?.id);
  const rows =
    at < 0
      ? ordered.slice(0, 7)
      : ordered.slice(
          Math.max(0, Math.min(at - 3, ordered.length - 7)),
          Math.max(0, Math.min(at - 3, ordered.length - 7)) + 7,
        );
  const shown = rows.map((s) => ({ s, grade: grades.get(s.id)?.grade ?? null, mine: s.id === spot?.id }));
  const ends = [...shown.map((r) => r.grade), now].flatMap((g) =>
    g?.kind === 'band' ? [g.low_mg_L, g.high_mg_L] : g?.kind === 'blank' ? [g.lessThan_mg_L] : [],
  );
  if (ends.length === 0) return <p className="text-ink-2">No other pans on this ground yet.</p>;
  const low = 10 ** Math.floor(Math.log10(Math.min(...ends) * 0.9));
  const high = 10 ** Math.ceil(Math.log10(Math.max(...ends) * 1.05));
  const [x0, x1] = [Math.min(170, width * 0.4), width - 16];
  const x = (g: number): number => x0 + (Math.log(Math.max(g, low) / low) / Math.log(high / low)) * (x1 - x0);
  const decades = Array.from({ length: Math.round(Math.log10(high / low)) + 1 }, (_, i) => low * 10 ** i);
  const height = rows.length * ROW + 40;
  return (
    <div ref={attach}>
      <svg
        width={width}
        height={height}
        className="block"
        role="img"
        aria-label={`Grades of ${rows.length} spots along the creek`}
      >
        {decades.map((d) => (
          <g key={d}>
            <line x1={x(d)} x2={x(d)} y1="0" y2={rows.length * ROW} stroke="var(--rule)" />
            <text x={x(d)} y={height - 22} fontSize="12" textAnchor="middle" style={{ fill: 'var(--gold)' }}>
              {show.figure('grade', d).digits}
            </text>
          </g>
        ))}
        <text x={x1} y={height - 5} fontSize="12" textAnchor="end" style={{ fill: 'var(--gold)' }}>
          {show.figure('grade', 1).unit} bank, 90 % bands
        </text>
        <text x="0" y={height - 22} fontSize="12" style={{ fill: 'var(--ink-2)' }}>
          downstream
        </text>
        {shown.map(({ s, grade, mine }, i) => {
          const y = i * ROW + ROW / 2;
          return (
            <g key={s.id}>
              {mine && (
                <>
                  <rect x="0" y={y - ROW / 2} width={width} height={ROW} fill="var(--picked)" />
                  <rect x="0" y={y - ROW / 2} width="5" height={ROW} fill="var(--ink)" />
                </>
              )}
              <text x="10" y={y + 5} fontSize="13.5" fontWeight={mine ? 700 : 400}>
                {s.name.length > 15 ? `${s.name.slice(0, 14)}…` : s.name}
              </text>
              {grade && <Whisker grade={grade} x={x} y={y} offset={mine && now ? 6 : 0} />}
              {mine && now && <Whisker grade={now} x={x} y={y - (grade ? 6 : 0)} offset={0} strong />}
            </g>
          );
        })}
      </svg>
    </div>
  );
});

function Whisker({
  grade,
  x,
  y,
  offset,
  strong = false,
}: {
  grade: SampleGrade;
  x: (g: number) => number;
  y: number;
  offset: number;
  strong?: boolean;
}) {
  const cy = y + offset;
  if (grade.kind === 'coarse only')
    return (
      <text x={x(0) + 6} y={cy + 4} fontSize="12" style={{ fill: 'var(--gold)' }}>
        weigh it
      </text>
    );
  if (grade.kind === 'blank') {
    const cx = x(grade.lessThan_mg_L);
    return (
      <g>
        <path d={`M${cx} ${cy}H${x(0)}m7 -4l-7 4l7 4`} fill="none" stroke="var(--ink)" strokeWidth="1.4" />
        <circle cx={cx} cy={cy} r="4.5" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.6" />
      </g>
    );
  }
  const [a, b] = [x(grade.low_mg_L), x(grade.high_mg_L)];
  return (
    <g>
      <path
        d={`M${a} ${cy}H${b}M${a} ${cy - 4}v8M${b} ${cy - 4}v8`}
        stroke="var(--gold)"
        strokeWidth={strong ? 2.6 : 1.6}
      />
      <circle
        cx={x(grade.grade_mg_L)}
        cy={cy}
        r={strong ? 7 : 5.5}
        fill="var(--gold-fill)"
        stroke="var(--gold)"
        strokeWidth="1.4"
      />
    </g>
  );
}
