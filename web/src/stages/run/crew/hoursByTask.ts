import type { StoredCleanup, StoredRun } from '@riffle/contract';
import { TASKS, type Task, type TaskTime } from '@riffle/core';

/** Where the hours of a ground went, all hands together. */
export interface HoursByTask {
  /** At the box, of runs that say how many were at it. */
  readonly people_h: number;
  /** Their buckets, of one size. */
  readonly buckets: number;
  /** What the timed rounds make of them. */
  readonly tasks: readonly { readonly task: Task; readonly hours: number }[];
  /** What is left: rests, stones, waiting for the others. Below nothing the rounds were timed slower than was worked. */
  readonly rest_h: number;
  /** Cleaning up, where it was said. */
  readonly clean_h: number | null;
  /** Runs that do not say how many were at it: in none of these figures. */
  readonly unsaid: number;
}

/** Hours at the box by task, from the runs' own clocks and the usual time of each task; null where no run says how many were at it. */
export function hoursByTask(
  runs: readonly Pick<StoredRun, 'people' | 'tally'>[],
  cleanups: readonly Pick<StoredCleanup, 'worked_s'>[],
  times: readonly TaskTime[],
  bucket_L: number,
): HoursByTask | null {
  const fed = runs.filter((r) => r.tally.volumeLoose_L > 0);
  const said = fed.flatMap((r) => (r.people === null ? [] : [{ people: r.people, tally: r.tally }]));
  if (said.length === 0) return null;
  const people_h = said.reduce((sum, r) => sum + (r.people * r.tally.running_s) / 3600, 0);
  const buckets = said.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0) / bucket_L;
  const tasks = TASKS.flatMap((task) => {
    const time = times.find((t) => t.task === task);
    return time ? [{ task, hours: (buckets * time.usual_s) / 3600 }] : [];
  });
  // A list kept before there was such a field has none.
  const cleaned = cleanups.map((c) => c.worked_s as number | null | undefined).filter((s) => typeof s === 'number');
  return {
    people_h,
    buckets,
    tasks,
    rest_h: people_h - tasks.reduce((sum, t) => sum + t.hours, 0),
    clean_h: cleaned.length > 0 ? cleaned.reduce((a, b) => a + b, 0) / 3600 : null,
    unsaid: fed.length - said.length,
  };
}
