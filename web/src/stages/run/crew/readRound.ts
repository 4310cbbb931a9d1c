import { NUMBERS, numberProblem, type StoredWorkRound, type WorkRound } from '@riffle/contract';
import { TASKS, type PacedRun, type Post, type Task, type TimedRound } from '@riffle/core';
import { readDuration } from '../../../when/readDuration.ts';
import type { Reading } from '../../../units/readEntered.ts';

/** A bucket on its way, as it is timed or typed; kept on the device. */
export interface RoundDraft {
  /** Time of each task as written; empty: not timed. */
  readonly typed: Readonly<Partial<Record<Task, string>>>;
  /** Which task is under way by the watch, and since when (ms since 1970); null: the watch stands. */
  readonly watch: { readonly task: Task; readonly since_ms: number } | null;
}
export const NO_ROUND: RoundDraft = { typed: {}, watch: null };

/** How a crew stands before it says otherwise: all but one dig, that one does the rest; one alone does all. Common practice, no source. */
export const usualPosts = (people: number): Post[] =>
  people === 1
    ? [{ tasks: TASKS, people: 1 }]
    : [
        { tasks: ['dig'], people: people - 1 },
        { tasks: ['carry', 'screen', 'feed'], people: 1 },
      ];
/** Buckets most crews have at hand. Common practice, no source. */
export const USUAL_PAILS = 4;

/** What stands in one field; null where nothing does. */
export function readTask(text: string | undefined): Reading | null {
  if (text === undefined || text.trim() === '') return null;
  const read = readDuration(text, 's');
  const problem = read.ok ? numberProblem(NUMBERS.task_s, read.value) : null;
  return problem === null ? read : { ok: false, problem };
}

/** The times of a round; null while one is wrong or none stands there. */
export function roundTimes({
  typed,
}: Pick<RoundDraft, 'typed'>): Pick<WorkRound, 'dig_s' | 'carry_s' | 'screen_s' | 'feed_s'> | null {
  const read = TASKS.map((task) => readTask(typed[task]));
  if (read.some((r) => r?.ok === false) || read.every((r) => r === null)) return null;
  const [dig_s = null, carry_s = null, screen_s = null, feed_s = null] = read.map((r) => (r?.ok ? r.value : null));
  return { dig_s, carry_s, screen_s, feed_s };
}

/** Work that grows with the bucket; a way is walked with whatever is carried. */
const BY_VOLUME: ReadonlySet<Task> = new Set(['dig', 'screen', 'feed']);

/** Kept rounds as they would be with another bucket. */
export const roundsFor = (rounds: readonly StoredWorkRound[], bucket_L: number): TimedRound[] =>
  rounds.map((r) => ({
    task_s: Object.fromEntries(
      TASKS.flatMap((task) => {
        const time_s = r[`${task}_s`];
        return time_s === null ? [] : [[task, BY_VOLUME.has(task) ? (time_s * bucket_L) / r.bucket_L : time_s]];
      }),
    ),
  }));

/** How a crew stands, without the tasks nobody timed: they are not done here. */
export const postsOf = (posts: readonly Post[], timed: readonly TimedRound[]): Post[] =>
  posts
    .map((p) => ({ ...p, tasks: p.tasks.filter((t) => timed.some((r) => r.task_s[t] !== undefined)) }))
    .filter((p) => p.tasks.length > 0);

/** Less than this at a box says nothing of a pace. */
const LEAST_RUN_S = 900;

/** What the runs of a ground came to, in buckets of one size. */
export const pacedRuns = (
  runs: readonly {
    readonly people: number | null;
    readonly tally: { readonly volumeLoose_L: number; readonly running_s: number };
  }[],
  bucket_L: number,
): PacedRun[] =>
  runs.flatMap(({ people, tally }) =>
    people !== null && tally.running_s >= LEAST_RUN_S && tally.volumeLoose_L > 0
      ? [{ people, buckets_h: tally.volumeLoose_L / bucket_L / (tally.running_s / 3600) }]
      : [],
  );

/** Other hands take over from a task on. */
export function partBefore(posts: readonly Post[], task: Task): Post[] {
  return posts.flatMap((p) => {
    const i = p.tasks.indexOf(task);
    if (i <= 0) return [p];
    // Of several hands the first stay where they were.
    const first = Math.max(1, p.people - 1);
    return [
      { tasks: p.tasks.slice(0, i), people: first },
      { tasks: p.tasks.slice(i), people: Math.max(1, p.people - first) },
    ];
  });
}
/** The hands before it go on with a task. */
export function joinBefore(posts: readonly Post[], task: Task): Post[] {
  const at = posts.findIndex((p) => p.tasks[0] === task);
  const [before, own] = [posts[at - 1], posts[at]];
  if (!before || !own) return [...posts];
  const joined = {
    tasks: [...before.tasks, ...own.tasks],
    people: Math.min(NUMBERS.hands.most, before.people + own.people),
  };
  return [...posts.slice(0, at - 1), joined, ...posts.slice(at + 1)];
}
