import type { StoredGround } from '@riffle/contract';
import { useMemo } from 'react';
import { Link } from '../../ui/Link.tsx';
import { useBooks } from '../../records/useBook.ts';
import { useShow } from '../../units/useShow.ts';
import { AmountCells, AmountHeads, type Money } from './AmountCells.tsx';

/** One line for each ground of the crew, and the season over all of them. */
export function EveryGround({
  grounds,
  open,
  money,
}: {
  grounds: readonly StoredGround[];
  open: string;
  money: Money;
}) {
  const books = useBooks(useMemo(() => grounds.map((g) => g.id), [grounds]));
  const show = useShow();
  const totals = books.flatMap((b) => (b ? [b.total] : []));
  const sum = (pick: (t: (typeof totals)[number]) => number): number => totals.reduce((s, t) => s + pick(t), 0);
  const all = {
    buckets: sum((t) => t.buckets),
    volumeBank_L: sum((t) => t.volumeBank_L),
    running_s: sum((t) => t.running_s),
    person_s: totals.every((t) => t.person_s !== null) ? sum((t) => t.person_s ?? 0) : null,
    gold_mg: sum((t) => t.gold_mg),
    cleanups: sum((t) => t.cleanups),
  };
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The book by ground">
      <table className="w-full min-w-[40rem] border-collapse">
        <thead>
          <tr className="text-ink-2">
            <th scope="col" className="text-left font-normal">
              ground
            </th>
            <AmountHeads money={money} />
          </tr>
        </thead>
        <tbody>
          {grounds.map((g, i) => {
            const total = books[i]?.total;
            return (
              <tr
                key={g.id}
                className={`border-t border-rule ${g.id === open ? 'bg-picked shadow-[inset_5px_0_0_var(--ink)]' : ''}`}
              >
                <th scope="row" className="pr-4 pl-3 text-left font-normal">
                  <Link
                    className="flex min-h-11 items-center font-bold underline decoration-rule underline-offset-4"
                    to={`/g/${g.id}/books`}
                  >
                    {g.name}
                  </Link>
                </th>
                {total && total.cleanups > 0 ? (
                  <AmountCells amounts={total} money={money} />
                ) : (
                  <td colSpan={6} className="text-right text-ink-2">
                    {total ? `${show.distance(g.length_m)} of ${g.kind}, nothing weighed yet` : ''}
                  </td>
                )}
              </tr>
            );
          })}
          <tr className="border-t-2 border-ink">
            <th scope="row" className="py-2 pl-3 text-left font-bold">
              the season
            </th>
            <AmountCells amounts={all} money={money} />
          </tr>
        </tbody>
      </table>
    </div>
  );
}
