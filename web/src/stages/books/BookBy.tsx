import type { StoredGround } from '@riffle/contract';
import { format } from 'date-fns';
import { groupBook, type BookGroup, type WeighedCleanup } from '@riffle/core';
import { useMemo, useState } from 'react';
import { Link } from '../../ui/Link.tsx';
import { useRecords } from '../../records/useRecords.ts';
import { useShow } from '../../units/useShow.ts';
import { Choices } from '../../ui/Choices.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { AmountCells, AmountHeads, type Money } from './AmountCells.tsx';
import { TOLD_BY, tellApart, type ToldBy } from './tellApart.ts';

interface BookByProps {
  readonly ground: StoredGround;
  readonly weighed: readonly WeighedCleanup[];
  readonly money: Money;
  readonly nameOf: (spotId: string) => string;
}

/** The same clean-ups told apart another way: by box, lining, pitch, layer, people or time; each row opens to the clean-ups and runs it is made of. */
export function BookBy({ ground, weighed, money, nameOf }: BookByProps) {
  const local = useLocalTime();
  const [by, setBy] = useState<ToldBy>('box');
  const [openKey, setOpenKey] = useState<string | null>(null);
  const cleanups = useRecords('cleanups', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const groups = useMemo(() => {
    const all = groupBook(ground.swell_percent, weighed, tellApart(by, { cleanups, runs, setups, rigs }, local));
    return by === 'month' || by === 'year' ? [...all].sort((a, b) => (a.key < b.key ? 1 : -1)) : all;
  }, [ground.swell_percent, weighed, by, cleanups, runs, setups, rigs, local]);
  return (
    <Block title="Told apart" aside="a difference of few clean-ups may be luck; a coin trial on Set tells better">
      <Choices
        label="By what the book is told apart"
        value={by}
        onChange={(next) => {
          setBy(next);
          setOpenKey(null);
        }}
        choices={TOLD_BY.map((value) => ({ value, label: value }))}
      />
      <div className="mt-2 overflow-x-auto" tabIndex={0} role="region" aria-label={`The book by ${by}`}>
        <table className="w-full min-w-[40rem] border-collapse">
          <thead>
            <tr className="text-ink-2">
              <th scope="col" className="text-left font-normal">
                {by}
              </th>
              <AmountHeads money={money} />
            </tr>
          </thead>
          {groups.map((group) => {
            const isOpen = group.key === openKey;
            return (
              <tbody key={group.key}>
                <tr className="border-t border-rule">
                  <th scope="row" className="py-1 pr-4 pl-3 text-left font-normal">
                    <button
                      type="button"
                      aria-expanded={isOpen}
                      className="min-h-11 text-left font-bold underline underline-offset-4"
                      onClick={() => setOpenKey(isOpen ? null : group.key)}
                    >
                      {by === 'month' ? format(`${group.key}-15T12:00`, 'MMMM yyyy') : group.key}
                    </button>
                  </th>
                  <AmountCells amounts={group} money={money} />
                </tr>
                {isOpen && (
                  <tr>
                    <td colSpan={money ? 7 : 6} className="pb-3 pl-6">
                      <MadeOf group={group} ground={ground} weighed={weighed} nameOf={nameOf} />
                    </td>
                  </tr>
                )}
              </tbody>
            );
          })}
        </table>
      </div>
    </Block>
  );
}

interface MadeOfProps {
  readonly group: BookGroup;
  readonly ground: StoredGround;
  readonly weighed: readonly WeighedCleanup[];
  readonly nameOf: (spotId: string) => string;
}

/** The clean-ups a figure is made of, and the runs behind each: where a wrong one is put right is one tap away. */
function MadeOf({ group, ground, weighed, nameOf }: MadeOfProps) {
  const local = useLocalTime();
  const show = useShow();
  const cleanups = useRecords('cleanups', ground.id).items;
  const runs = useRecords('runs', ground.id).items;
  return (
    <ul
      aria-label={`What ${group.key} is made of`}
      // In sight as a whole where the table is wider than the phone.
      className="sticky left-3 max-sm:max-w-[calc(100vw-4.5rem)]"
    >
      {group.cleanupIds.map((id) => {
        const cleanup = cleanups.find((c) => c.id === id);
        if (!cleanup) return null;
        const gold_mg = weighed.find((w) => w.id === id)?.gold_mg ?? 0;
        return (
          <li key={id} className="border-b border-rule py-1">
            <b className="text-gold">{show.gold(gold_mg)}</b> weighed {local.day(cleanup.cleanedAt)}
            {cleanup.runIds.map((runId) => {
              const run = runs.find((r) => r.id === runId);
              if (!run) return null;
              const from = Object.keys(run.tally.bySpot_L).map((spot) =>
                spot === '' ? 'no spot named' : nameOf(spot),
              );
              return (
                <span key={runId} className="block pl-4 text-[14px]">
                  {local.dayTime(run.startedAt)}: {plural(run.tally.buckets, 'bucket')},{' '}
                  {show.volume(run.tally.volumeLoose_L)} loose from {from.join(' + ')}
                  {run.people ? `, ${plural(run.people, 'person', 'people')}` : ''}
                </span>
              );
            })}
          </li>
        );
      })}
      <li className="pt-1">
        <Link className="underline underline-offset-4" to={`/g/${ground.id}/clean`}>
          Put one right
        </Link>
      </li>
    </ul>
  );
}
