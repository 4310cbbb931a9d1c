import { provenRank, type SpotGrade } from '@riffle/core';
import type { StoredGround, StoredSpot } from '@riffle/contract';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { useRowInSight } from '../../ui/useRowInSight.ts';
import { plural } from '../../ui/plural.ts';
import { useShow } from '../../units/useShow.ts';

interface SpotTableProps {
  readonly kind: StoredGround['kind'];
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly picked: string | null;
  readonly onPick: (spotId: string) => void;
}

export function SpotTable({ kind, spots, grades, picked, onPick }: SpotTableProps) {
  const show = useShow();
  const list = useRowInSight(picked);
  if (spots.length === 0) return <p className="text-ink-2">No spots yet.</p>;
  const ordered = [...spots].sort(
    (a, b) => provenRank(grades.get(b.id)) - provenRank(grades.get(a.id)) || a.distance_m - b.distance_m,
  );
  return (
    <div
      ref={list}
      className="max-h-[26rem] overflow-x-hidden overflow-y-auto"
      tabIndex={0}
      role="region"
      aria-label="Spots, best-proven first"
    >
      <table className="w-full border-collapse">
        <thead className="sr-only">
          <tr>
            <th>Spot</th>
            <th>Grade</th>
          </tr>
        </thead>
        <tbody>
          {ordered.map((s, i) => {
            const found = grades.get(s.id);
            return (
              <tr
                key={s.id}
                className={`border-b border-rule ${s.id === picked ? 'bg-picked shadow-[inset_5px_0_0_var(--ink)]' : ''}`}
              >
                <td className="py-1 pl-3">
                  <button
                    type="button"
                    className="flex min-h-11 w-full items-center gap-3 text-left"
                    aria-pressed={s.id === picked}
                    onClick={() => onPick(s.id)}
                  >
                    <span className="w-6 shrink-0 font-serif text-[18px] font-bold">
                      {found?.grade.kind === 'band' ? i + 1 : ''}
                    </span>
                    <span>
                      <span className="block font-bold">{s.name}</span>
                      <span className="text-[13px] text-ink-2">
                        {show.distance(s.distance_m)}, {GROUND_WORDS[kind].banks[s.bank]}, {s.kind}
                      </span>
                    </span>
                  </button>
                </td>
                <td className="py-1 pr-1 text-right align-middle">
                  <GradeWords found={found} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function GradeWords({ found }: { found: SpotGrade | undefined }) {
  const show = useShow();
  if (!found) return <span className="text-ink-2">not panned</span>;
  const { grade } = found;
  if (grade.kind === 'coarse only') return <span className="text-gold">weigh the piece</span>;
  if (grade.kind === 'blank')
    return (
      <span>
        blank{found.blanks > 1 ? ` ${found.blanks} times` : ''}:{' '}
        <span className="text-gold">less than {show.grade(grade.lessThan_mg_L)}</span>
      </span>
    );
  return (
    <>
      <span className="block font-bold text-gold">
        {show.band('grade', grade.grade_mg_L, grade.low_mg_L, grade.high_mg_L)}
      </span>
      <span className="text-[13px] text-ink-2">
        {plural(grade.colors, 'color')} in {plural(found.samples, 'sample')}
      </span>
    </>
  );
}
