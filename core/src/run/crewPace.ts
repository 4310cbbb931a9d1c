import { normalDraw, seededRandom, type Random } from '../maths/random.ts';
import type { Spread } from '../set/weighBox.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';
import { TASKS, workLine, type LineRun, type Post, type Task } from './workLine.ts';

/** One bucket timed on its way to the box: seconds of one pair of hands at each task; a task that is not done here is left out. */
export interface TimedRound {
  readonly task_s: Readonly<Partial<Record<Task, number>>>;
}

/** What is known of how long a task takes. */
export interface TaskTime {
  readonly task: Task;
  /** Rounds that timed it. */
  readonly rounds: number;
  /** Usual (median) time of a bucket, and its band: nine times in ten. */
  readonly usual_s: number;
  readonly low_s: number;
  readonly high_s: number;
}

/** A way the same hands, or one more, could stand. */
export interface WayToStand {
  readonly posts: readonly Post[];
  /** Pace beside that of the crew as it stands: 1.2 is a fifth more. */
  readonly times: Spread;
}

/** A run of this crew: buckets an hour by its own clock, with how many at it. */
export interface PacedRun {
  readonly buckets_h: number;
  readonly people: number;
}

export interface CrewPace {
  readonly tasks: readonly TaskTime[];
  /** Buckets an hour, rests and stones in the way left in. */
  readonly buckets_h: Spread;
  /** Share of the line's pace that is left after rests, stones and talk. */
  readonly kept: number;
  /** Runs with as many hands that `kept` rests on. */
  readonly runs: number;
  /** Share of its time that each post works; the rest it waits. */
  readonly busy: readonly number[];
  /** The post the others wait for, and the chance that it is that one. */
  readonly holdsUp: { readonly post: number; readonly chance: number };
  /** One more pair of hands at each post, as the crew stands. */
  readonly oneMore: readonly Spread[];
  /** The best way the same hands can stand; null where they stand so already. */
  readonly better: WayToStand | null;
  /** The best way one pair of hands more can stand. */
  readonly bestOfMore: WayToStand;
}

/** At one box, and the sum over every way they can stand stays short. */
export const MOST_HANDS = 11;
/** Scatter of the logarithm of one task's time from bucket to bucket, and how many rounds that guess is worth. Common practice, no source. */
const USUAL_SCATTER = 0.4;
const SCATTER_WORTH = 4;
/** Hands differ, and a round is timed on one pair of them, watched: deviation of the logarithm for a task. Stated assumption. */
const HANDS_SD = 0.15;
/** Laying down the shovel, taking up the pail: added to each task of a post that has several, and how unsure that is. Common practice, no source. */
const CHANGE_OVER_S = 8;
const CHANGE_OVER_LOG_SD = 0.5;
/** No two crews of as many hands are alike, nor two days of one: deviation of the logarithm of what a change brings. Stated assumption. */
const CHANGE_LOG_SD = 0.08;
/** Of an hour at the box so much is work, before any own run: rests, stones, talk. Common practice, no source. */
const USUAL_KEPT = 0.8;
const KEPT_LOG_SD = 0.15;
const RUN_LOG_SD = 0.12;
const DRAWS = 60;
const BUCKETS = 90;
/** Arrangements that a plain sum puts first are played through; the others cannot come near. */
const PLAYED = 4;
/** So little more is no reason to change places. */
const WORTH_MOVING = 1.05;

/** Seconds of a task in a draw: its median, and its scatter from bucket to bucket. */
interface DrawnTask {
  readonly median_s: number;
  readonly scatter: number;
}
interface Drawn {
  readonly tasks: Readonly<Partial<Record<Task, DrawnTask>>>;
  readonly changeOver_s: number;
}

interface Learned extends TaskTime {
  readonly scatter: number;
  readonly logSd: number;
}

/** What rounds tell of each task they timed: a log-normal time whose scatter is pulled toward what is usual while rounds are few. */
function learn(rounds: readonly TimedRound[]): Learned[] {
  return TASKS.flatMap((task) => {
    const logs = rounds.flatMap(({ task_s }) => {
      const time_s = task_s[task];
      if (time_s === undefined) return [];
      requirePositive(`task_s.${task}`, time_s, 's');
      return [Math.log(time_s)];
    });
    if (logs.length === 0) return [];
    const mean = logs.reduce((a, b) => a + b, 0) / logs.length;
    const squares = logs.reduce((sum, x) => sum + (x - mean) ** 2, 0);
    const scatter = Math.sqrt(
      (SCATTER_WORTH * USUAL_SCATTER ** 2 + squares) / (SCATTER_WORTH + Math.max(0, logs.length - 1)),
    );
    const logSd = Math.hypot(scatter / Math.sqrt(logs.length), HANDS_SD);
    return [
      {
        task,
        rounds: logs.length,
        usual_s: Math.exp(mean),
        low_s: Math.exp(mean - 1.645 * logSd),
        high_s: Math.exp(mean + 1.645 * logSd),
        scatter,
        logSd,
      },
    ];
  });
}

/** Every way that so many hands can stand: neighboring tasks to posts, hands to each post. */
export function arrangements(tasks: readonly Task[], people: number): Post[][] {
  const groupings = tasks.slice(1).reduce<Task[][][]>(
    (so, task) =>
      so.flatMap((groups) => [
        [...groups.slice(0, -1), [...(groups.at(-1) ?? []), task]],
        [...groups, [task]],
      ]),
    [[tasks.slice(0, 1)]],
  );
  return groupings.flatMap((groups) =>
    splits(people, groups.length).map((n) => groups.map((g, i) => ({ tasks: g, people: n[i] ?? 1 }))),
  );
}

/** Ways to give `people` to `posts` with at least one at each. */
function splits(people: number, posts: number): number[][] {
  if (people < posts) return [];
  if (posts === 1) return [[people]];
  return Array.from({ length: people - posts + 1 }, (_, i) => i + 1).flatMap((first) =>
    splits(people - first, posts - 1).map((rest) => [first, ...rest]),
  );
}

const isSame = (a: readonly Post[], b: readonly Post[]): boolean =>
  a.length === b.length && a.every((p, i) => p.people === b[i]?.people && p.tasks.length === b[i]?.tasks.length);

/** The pace a steady line could not pass: its slowest post, the box, its pails. Buckets a second. */
function bound(posts: readonly Post[], pails: number, task_s: (task: Task) => number): number {
  const of = (p: Post): number =>
    p.tasks.reduce((sum, t) => sum + task_s(t), p.tasks.length > 1 ? p.tasks.length * CHANGE_OVER_S : 0);
  const box_s = posts.some((p) => p.tasks.includes('feed')) ? task_s('feed') : 0;
  const round_s = posts.reduce((sum, p) => sum + of(p), 0);
  return Math.min(...posts.map((p) => p.people / of(p)), box_s > 0 ? 1 / box_s : Infinity, pails / round_s);
}

/**
 * How a crew works together: who holds the others up, and what another pair of hands, or standing otherwise, would give.
 * Times of tasks are learned from rounds (log-normal; Riffle's own), the line is played through by `workLine`, `DRAWS`
 * times over what is not known of them, the same chances for every way to stand. What of the pace is left after rests is
 * usual (0.8), moved by the crew's own runs with as many hands.
 * @param rounds at least one for each task of the posts
 * @param posts how the crew stands, in the order of the work, 1 to 11 people in all
 * @param pails buckets that go round, 1 to 200
 * @throws OutOfRange for a task that was not timed, no people or over 11, or no pails
 */
export function crewPace(
  rounds: readonly TimedRound[],
  posts: readonly Post[],
  pails: number,
  runs: readonly PacedRun[] = [],
): CrewPace {
  const people = posts.reduce((sum, p) => sum + p.people, 0);
  requireWithin('pails', pails, 1, 200);
  requireWithin('people', people, 1, MOST_HANDS);
  const learned = learn(rounds);
  const tasks = posts.flatMap((p) => p.tasks);
  const untimed = tasks.find((t) => !learned.some((l) => l.task === t));
  if (untimed !== undefined) throw new OutOfRange(`task_s.${untimed}`, undefined, 'timed in at least one round');
  const random = seededRandom(29);
  const drawn = Array.from({ length: DRAWS }, (_, i) => ({ seed: 1000 + i, of: draw(learned, random) }));
  const play = (as: readonly Post[]): LineRun[] =>
    drawn.map(({ seed, of }) => {
      const chance = seededRandom(seed);
      const changes = new Set(as.flatMap((p) => (p.tasks.length > 1 ? p.tasks : [])));
      return workLine(as, pails, (t) => timeOf(of.tasks[t], chance) + (changes.has(t) ? of.changeOver_s : 0), BUCKETS);
    });

  // The same for every change, so that changes are told apart by what they bring; as many up as down.
  const unalike = drawn.map((_, i) => (i % 2 === 0 ? 1 : -1) * Math.abs(normalDraw(random)));
  const now = play(posts);
  const beside = (other: readonly LineRun[]): Spread =>
    banded(
      other.map((o, i) => ((now[i]?.perBucket_s ?? NaN) / o.perBucket_s) * Math.exp(CHANGE_LOG_SD * (unalike[i] ?? 0))),
    );
  const usual = (t: Task): number => learned.find((l) => l.task === t)?.usual_s ?? 0;
  const bestOf = (ways: readonly Post[][]): WayToStand | undefined =>
    [...ways]
      .sort((a, b) => bound(b, pails, usual) - bound(a, pails, usual))
      .slice(0, PLAYED)
      .map((way) => ({ posts: way, times: beside(play(way)) }))
      // Of ways as good as one another the one with fewer posts: fewer hand-overs.
      .sort((a, b) => b.times.middle - a.times.middle || a.posts.length - b.posts.length)[0];

  const best = bestOf(arrangements(tasks, people));
  const bestOfMore = bestOf(arrangements(tasks, people + 1));
  const line_h = now.map((r) => 3600 / r.perBucket_s);
  const middle_h = banded(line_h).middle;
  const own = runs.filter((r) => r.people === people && r.buckets_h > 0);
  const precision = 1 / KEPT_LOG_SD ** 2;
  const each = 1 / RUN_LOG_SD ** 2;
  const keptLog =
    (precision * Math.log(USUAL_KEPT) + own.reduce((sum, r) => sum + each * Math.log(r.buckets_h / middle_h), 0)) /
    (precision + own.length * each);
  const keptSd = Math.hypot(RUN_LOG_SD, 1 / Math.sqrt(precision + own.length * each));
  const busiest = now.map(({ busy }) => busy.indexOf(Math.max(...busy)));
  const votes = posts.map((_, i) => busiest.filter((b) => b === i).length);
  const post = votes.indexOf(Math.max(...votes));
  const oneMore = posts.map((_, at) =>
    beside(play(posts.map((p, i) => (i === at ? { ...p, people: p.people + 1 } : p)))),
  );
  const isBetter = best && !isSame(best.posts, posts) && best.times.middle >= WORTH_MOVING;
  return {
    tasks: learned.map(({ task, rounds: n, usual_s, low_s, high_s }) => ({ task, rounds: n, usual_s, low_s, high_s })),
    // With runs of its own the pace is theirs; what is not known of each task is in it already.
    buckets_h:
      own.length > 0
        ? around(middle_h * Math.exp(keptLog), keptSd)
        : banded(line_h.map((x) => x * Math.exp(keptLog + keptSd * normalDraw(random)))),
    kept: Math.exp(keptLog),
    runs: own.length,
    busy: posts.map((_, i) => now.reduce((sum, r) => sum + (r.busy[i] ?? 0), 0) / now.length),
    holdsUp: { post, chance: (votes[post] ?? 0) / DRAWS },
    oneMore,
    better: isBetter ? best : null,
    bestOfMore: bestOfMore ?? { posts, times: { low: 1, middle: 1, high: 1 } },
  };
}

function draw(learned: readonly Learned[], random: Random): Drawn {
  return {
    tasks: Object.fromEntries(
      learned.map((l): [Task, DrawnTask] => [
        l.task,
        { median_s: l.usual_s * Math.exp(l.logSd * normalDraw(random)), scatter: l.scatter },
      ]),
    ),
    changeOver_s: CHANGE_OVER_S * Math.exp(CHANGE_OVER_LOG_SD * normalDraw(random)),
  };
}

const timeOf = (of: DrawnTask | undefined, random: Random): number =>
  of ? of.median_s * Math.exp(of.scatter * normalDraw(random)) : 0;

const around = (middle: number, logSd: number): Spread => ({
  low: middle * Math.exp(-1.645 * logSd),
  middle,
  high: middle * Math.exp(1.645 * logSd),
});

function banded(values: readonly number[]): Spread {
  const inOrder = [...values].sort((a, b) => a - b);
  const at = (share: number): number => inOrder[Math.round(share * (inOrder.length - 1))] ?? NaN;
  return { low: at(0.05), middle: at(0.5), high: at(0.95) };
}
