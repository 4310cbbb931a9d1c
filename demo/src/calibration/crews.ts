import { arrangements, crewPace, gammaDraw, normalDraw, TASKS, type Post, type Random, type Task } from '@riffle/core';
import { Tally } from './tally.ts';

const STEP_S = 2;
const HOURS = 4;
const DAYS = 4;
/** Said to hold the others up from this chance on, as the screen says it. */
const SAID_FROM = 0.75;

/** A crew at work, second by second: people differ, tire, rest and meet boulders; none of it is told. */
interface TrueCrew {
  /** Mean of a task for usual hands, s, and how it varies from bucket to bucket. */
  readonly mean_s: Readonly<Record<Task, number>>;
  readonly cv: number;
  readonly changeOver_s: number;
  /** How much slower at the end of the day. */
  readonly tires: number;
  readonly restsAnHour_s: number;
  readonly boulders: number;
  readonly pails: number;
}
type Person = Readonly<Record<Task, number>>;

const between = (least: number, most: number, random: Random): number => least * (most / least) ** random();
const crewOf = (random: Random): TrueCrew => ({
  mean_s: {
    dig: between(40, 240, random),
    carry: between(20, 150, random),
    screen: between(20, 120, random),
    feed: between(30, 150, random),
  },
  cv: 0.2 + 0.35 * random(),
  changeOver_s: between(3, 20, random),
  tires: 0.3 * random(),
  restsAnHour_s: 240 + 700 * random(),
  boulders: 0.04 * random(),
  pails: 2 + Math.floor(6 * random()),
});
const personOf = (random: Random): Person => {
  const own = Math.exp(0.1 * normalDraw(random));
  const of = (): number => own * Math.exp(0.1 * normalDraw(random));
  return { dig: of(), carry: of(), screen: of(), feed: of() };
};

function taskTime_s(crew: TrueCrew, who: Person, task: Task, hour: number, random: Random): number {
  const shape = 1 / crew.cv ** 2;
  const usual_s = (crew.mean_s[task] * who[task] * gammaDraw(shape, random)) / shape;
  const boulder_s = task === 'dig' && random() < crew.boulders ? 60 + 240 * random() : 0;
  return usual_s * (1 + (crew.tires * hour) / HOURS) + boulder_s;
}

/** Buckets an hour, and the share of the time in which each post stands waiting. */
function work(
  crew: TrueCrew,
  posts: readonly Post[],
  people: readonly Person[],
  random: Random,
): { buckets_h: number; waits: number[] } {
  const hands = posts.flatMap(({ people: n }, post) =>
    Array.from({ length: n }, () => ({ post, task: -1, left_s: 0, who: people[0] as Person })),
  );
  hands.forEach((h, i) => (h.who = people[i] as Person));
  const heap = posts.map((_, i) => (i === 0 ? crew.pails : 0));
  const waited = posts.map(() => 0);
  let fed = 0;
  let feeder: (typeof hands)[number] | null = null;
  for (let t = 0; t < HOURS * 3600; t += STEP_S) {
    const hour = t / 3600;
    // All rest together at the end of each hour.
    if (t % 3600 > 3600 - crew.restsAnHour_s) continue;
    for (const h of hands) {
      const tasks = posts[h.post]?.tasks ?? [];
      if (h.task < 0) {
        if ((heap[h.post] ?? 0) < 1) {
          waited[h.post] = (waited[h.post] ?? 0) + 1;
          continue;
        }
        heap[h.post] = (heap[h.post] ?? 0) - 1;
        h.task = 0;
        h.left_s = -1;
      }
      const task = tasks[h.task] as Task;
      if (h.left_s < 0) {
        if (task === 'feed' && feeder && feeder !== h) {
          waited[h.post] = (waited[h.post] ?? 0) + 1;
          continue;
        }
        if (task === 'feed') feeder = h;
        h.left_s =
          taskTime_s(crew, h.who, task, hour, random) + (tasks.length > 1 ? crew.changeOver_s * 2 * random() : 0);
      }
      h.left_s -= STEP_S;
      if (h.left_s > 0) continue;
      if (task === 'feed') feeder = null;
      h.left_s = -1;
      if (++h.task < tasks.length) continue;
      h.task = -1;
      const on = (h.post + 1) % posts.length;
      heap[on] = (heap[on] ?? 0) + 1;
      if (on === 0) fed++;
    }
  }
  const steps = (HOURS * (3600 - crew.restsAnHour_s)) / STEP_S;
  return { buckets_h: fed / HOURS, waits: waited.map((w, i) => w / steps / (posts[i]?.people ?? 1)) };
}

/** Crews of two to four timed for two or three rounds: their pace, who is waited for, and what one more there brings. */
export function calibrateCrews(crews: number, random: Random) {
  const pace = new Tally('Buckets an hour of a crew, by two or three timed rounds', 'holds 85-95 %');
  const heldUp = new Tally('For whom the others wait, where it is said', 'true in 75 % or more');
  const oneMore = new Tally('What another pair of hands there brings', 'holds 85-95 %');
  for (let i = 0; i < crews; i++) {
    const crew = crewOf(random);
    const count = 2 + Math.floor(3 * random());
    const ways = arrangements(TASKS, count).filter((w) => w.length > 1);
    const posts = ways[Math.floor(ways.length * random())] as Post[];
    const people = Array.from({ length: count + 1 }, () => personOf(random));
    const rounds = Array.from({ length: 2 + Math.floor(2 * random()) }, () => ({
      task_s: Object.fromEntries(
        TASKS.map((task) => [
          task,
          taskTime_s(crew, people[Math.floor(count * random())] as Person, task, random(), random),
        ]),
      ),
    }));
    const said = crewPace(rounds, posts, crew.pails);
    const came = work(crew, posts, people, random);
    const { low, high } = said.buckets_h;
    pace.add(low <= came.buckets_h && came.buckets_h <= high, 0, high / low);
    if (said.holdsUp.chance < SAID_FROM) {
      heldUp.silent++;
      continue;
    }
    const at = said.holdsUp.post;
    heldUp.add(came.waits.indexOf(Math.min(...came.waits)) === at);
    const more = posts.map((p, j) => (j === at ? { ...p, people: p.people + 1 } : p));
    // The new one comes last at that post; the others stay who they were.
    const before = posts.slice(0, at + 1).reduce((sum, p) => sum + p.people, 0);
    const withOne = [...people.slice(0, before), people[count] as Person, ...people.slice(before, count)];
    // Over some days with each: what it brings is not one day's luck.
    const days = (as: readonly Post[], who: readonly Person[]): number =>
      Array.from({ length: DAYS }, () => work(crew, as, who, random).buckets_h).reduce((a, b) => a + b, 0);
    const gain = days(more, withOne) / days(posts, people);
    const brings = said.oneMore[at];
    if (brings) oneMore.add(brings.low <= gain && gain <= brings.high, 0, brings.high / brings.low);
  }
  return { pace, heldUp, oneMore };
}
