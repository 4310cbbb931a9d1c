import type { CrewPace } from '@riffle/core';
import { useMemo } from 'react';
import { useBook } from '../../../records/useBook.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { Block, Gold } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { useShow } from '../../../units/useShow.ts';
import { DOING } from './crewWords.ts';
import { hoursByTask } from './hoursByTask.ts';
import type { Crew } from './useCrew.ts';

const hours = (h: number): string => `${h < 10 ? h.toFixed(1) : Math.round(h)} h`;

/** Where this ground's hours went, all hands together, and what gold each hour brought with the cleaning in it. */
export function Hours({ crew: { ground, runs, bucket }, pace }: { readonly crew: Crew; readonly pace: CrewPace }) {
  const show = useShow();
  const cleanups = useRecords('cleanups', ground.id).items;
  const book = useBook(ground.id);
  const spent = useMemo(
    () => hoursByTask(runs, cleanups, pace.tasks, bucket.value_L),
    [runs, cleanups, pace.tasks, bucket.value_L],
  );
  if (!spent || spent.people_h < 0.1) return null;
  const rows = [
    ...spent.tasks.map((t) => ({ what: DOING[t.task], hours: t.hours, worked: true })),
    ...(spent.rest_h > 0 ? [{ what: 'rests and waiting', hours: spent.rest_h, worked: false }] : []),
    ...(spent.clean_h === null ? [] : [{ what: 'cleaning up', hours: spent.clean_h, worked: true }]),
  ];
  const most = Math.max(...rows.map((r) => r.hours));
  const total = book?.total;
  const all_h = total?.person_s ? total.person_s / 3600 + (spent.clean_h ?? 0) : 0;
  return (
    <Block title="Where the hours went" aside={`all hands together, ${Math.round(spent.buckets)} buckets`}>
      <ul>
        {rows.map((r) => (
          <li
            key={r.what}
            className="grid grid-cols-[8.5rem_3.6rem_minmax(0,1fr)] items-center gap-x-3 py-0.5 tight:grid-cols-[minmax(0,1fr)_auto]"
          >
            <span>{r.what}</span>
            <span className="text-right font-semibold">{hours(r.hours)}</span>
            <span
              aria-hidden="true"
              className={`h-3 ${r.worked ? 'bg-ink' : 'border border-ink'}`}
              style={{ width: `${(100 * r.hours) / most}%` }}
            />
          </li>
        ))}
      </ul>
      <p className="mt-1 text-ink-2">
        {spent.rest_h <= 0 &&
          'By the rounds there was more work than hours: they were timed slower than you work, or more hands were at it. '}
        {spent.clean_h === null && 'Cleaning up is in none of it: say on Clean how long it took. '}
        {spent.unsaid > 0 && `${plural(spent.unsaid, 'run')} left out: how many were at it is not said.`}
      </p>
      {all_h > 0 && total && total.gold_mg > 0 && (
        <p className="mt-1">
          Each hour of a pair of hands brought <Gold>{show.gold(total.gold_mg / all_h)}</Gold>
          {spent.clean_h === null ? '' : ', cleaning up counted in'}.
        </p>
      )}
    </Block>
  );
}
