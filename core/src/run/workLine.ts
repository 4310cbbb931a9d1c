import { OutOfRange, requireWithin } from '../outOfRange.ts';

/** What a bucket goes through before it lies in the box, in this order; carrying has the way back in it. */
export const TASKS = ['dig', 'carry', 'screen', 'feed'] as const;
export type Task = (typeof TASKS)[number];

/** Pairs of hands that do some tasks after one another; each takes a bucket through all of them. */
export interface Post {
  readonly tasks: readonly Task[];
  readonly people: number;
}

/** What a line of posts came to. */
export interface LineRun {
  /** Seconds from bucket to bucket. */
  readonly perBucket_s: number;
  /** Share of the time that the hands of each post worked; the rest they waited. */
  readonly busy: readonly number[];
}

interface Hands {
  readonly post: number;
  /** Which of the post's tasks is under way; -1 without a bucket. */
  task: number;
  until_s: number;
}

/**
 * A line of posts, event by event: pails go round, each post takes the next bucket that has come to it, and the box is
 * fed by one at a time, however many stand at it. Buckets come in the order they were dug, but for posts of several
 * hands, where a quick pair overtakes. Riffle's own simulation of a closed tandem line; with exponential times it is the
 * network of Gordon & Newell (1967), Operations Research 15, 254-265.
 * @param posts in the order of the work, each of 1 to 12 people
 * @param pails buckets that go round, 1 to 200
 * @param time_s draws the time of one task for one bucket
 * @param buckets how many are fed while it is watched, after as many as `warmUp` have passed
 * @throws OutOfRange for no posts, no people, or no pails
 */
export function workLine(
  posts: readonly Post[],
  pails: number,
  time_s: (task: Task) => number,
  buckets: number,
  warmUp = 20,
): LineRun {
  if (posts.length === 0 || posts.some((p) => p.tasks.length === 0 || !(p.people >= 1 && p.people <= 12)))
    throw new OutOfRange('posts', posts.length, 'posts of one or more tasks and 1 to 12 people each');
  requireWithin('pails', pails, 1, 200);
  const all: Hands[] = posts.flatMap(({ people }, post) =>
    Array.from({ length: people }, (): Hands => ({ post, task: -1, until_s: Infinity })),
  );
  const lying = posts.map((_, i) => (i === 0 ? pails : 0));
  const worked_s = posts.map(() => 0);
  const atTheBox: Hands[] = [];
  let boxTaken = false;
  let [now_s, since_s, fed] = [0, 0, 0];

  const begin = (h: Hands): void => {
    const task = posts[h.post]?.tasks[h.task];
    if (task === undefined) return;
    if (task === 'feed') {
      if (boxTaken) {
        h.until_s = Infinity;
        atTheBox.push(h);
        return;
      }
      boxTaken = true;
    }
    const takes_s = time_s(task);
    worked_s[h.post] = (worked_s[h.post] ?? 0) + takes_s;
    h.until_s = now_s + takes_s;
  };
  const takeBuckets = (): void => {
    for (const h of all) {
      if (h.task >= 0 || (lying[h.post] ?? 0) < 1) continue;
      lying[h.post] = (lying[h.post] ?? 0) - 1;
      h.task = 0;
      begin(h);
    }
  };
  // A task counts whole when it begins: what of it lies on the other side of a moment is put right there.
  const underWay = (sign: 1 | -1): void => {
    for (const h of all)
      if (h.until_s < Infinity) worked_s[h.post] = (worked_s[h.post] ?? 0) + sign * (h.until_s - now_s);
  };
  takeBuckets();
  while (fed < warmUp + buckets) {
    const next = all.reduce((a, b) => (b.until_s < a.until_s ? b : a));
    now_s = next.until_s;
    const post = posts[next.post];
    if (post?.tasks[next.task] === 'feed') {
      boxTaken = false;
      const first = atTheBox.shift();
      if (first) begin(first);
    }
    next.task++;
    if (next.task < (post?.tasks.length ?? 0)) {
      begin(next);
      continue;
    }
    next.task = -1;
    next.until_s = Infinity;
    const on = (next.post + 1) % posts.length;
    lying[on] = (lying[on] ?? 0) + 1;
    if (on === 0 && ++fed === warmUp) {
      since_s = now_s;
      worked_s.fill(0);
      underWay(1);
    }
    takeBuckets();
  }
  underWay(-1);
  const watched_s = now_s - since_s;
  return {
    perBucket_s: watched_s / buckets,
    busy: posts.map(({ people }, i) => Math.min(1, (worked_s[i] ?? 0) / (people * watched_s))),
  };
}
