import { OutOfRange, requireWithin } from '../outOfRange.ts';
import { seededRandom, type Random } from '../maths/random.ts';

/** Minutes after the day's midnight between which a place can be worked. */
export interface OpenHours {
  readonly from_min: number;
  readonly to_min: number;
}

/** A place that could be worked today. */
export interface DayStop {
  readonly id: string;
  /** Minutes the work there takes, whole. */
  readonly work_min: number;
  /** What a visit is worth; any scale, so long as it is one. */
  readonly value: number;
  /** Null: at any time. Work must lie whole within one of them. */
  readonly open: readonly OpenHours[] | null;
}

/** Minutes of walking by index into `stops`; the start counts as one more, after the last. */
export type WalkingTable = readonly (readonly number[])[];

export interface DayProblem {
  readonly stops: readonly DayStop[];
  readonly walk_min: WalkingTable;
  readonly start_min: number;
  readonly back_min: number;
  /** A rest is taken where one is when it is due, after the work there; null or none: no rest. */
  readonly rest?: { readonly from_min: number; readonly lasts_min: number } | null;
}

export interface StopTimes {
  readonly id: string;
  readonly leave_min: number;
  readonly arrive_min: number;
  readonly begin_min: number;
  readonly end_min: number;
  /** Minutes of rest there, after the work. */
  readonly rest_min: number;
  /** Worked outside its hours, or with the way back too long: kept in a person's own order, never in one Riffle makes. */
  readonly late: boolean;
}

export interface DayPlan {
  readonly stops: readonly StopTimes[];
  /** Back at the start. */
  readonly back_min: number;
  readonly value: number;
}

/** A search under way: the share done, 0 to 1, and the best plan so far. */
export interface DayPlanStep {
  readonly done: number;
  readonly best: DayPlan;
}

/** Up to so many places every order is weighed; beyond, the order is searched. */
export const EXACT_STOPS = 12;

/** Earliest time work can begin and end whole within its hours; null when it cannot any more. */
function workAt(stop: DayStop, arrive_min: number): { begin_min: number; end_min: number } | null {
  if (stop.open === null) return { begin_min: arrive_min, end_min: arrive_min + stop.work_min };
  let best: { begin_min: number; end_min: number } | null = null;
  for (const hours of stop.open) {
    const begin_min = Math.max(arrive_min, hours.from_min);
    if (begin_min + stop.work_min <= hours.to_min && (best === null || begin_min < best.begin_min))
      best = { begin_min, end_min: begin_min + stop.work_min };
  }
  return best;
}

/** Rest after work that began with a walk at `leave_min`: once, as soon as it is due. Before it no work ends after that time, after it none before. */
const restAfter = ({ rest }: DayProblem, leave_min: number, end_min: number): number =>
  rest && leave_min < rest.from_min && end_min >= rest.from_min ? rest.lasts_min : 0;

const walk = (problem: DayProblem, from: number, to: number): number => problem.walk_min[from]?.[to] ?? Infinity;

function check(problem: DayProblem): void {
  requireWithin('start_min', problem.start_min, -1440, 2880, 'min');
  requireWithin('back_min', problem.back_min, problem.start_min, problem.start_min + 1440, 'min');
  if (problem.walk_min.length !== problem.stops.length + 1)
    throw new OutOfRange(
      'walk_min',
      problem.walk_min.length,
      `a row for each of ${problem.stops.length} places and one for the start`,
    );
  for (const s of problem.stops) {
    requireWithin('work_min', s.work_min, 0, 1440, 'min');
    requireWithin('value', s.value, 0, 1e9);
  }
}

/**
 * The day in a person's own order, every place kept: what comes too late is marked, so that one sees what falls out.
 * Work that finds its hours over begins on arrival and is late.
 * @param order indexes into `stops`
 * @throws OutOfRange as `planDay`
 */
export function timeDay(problem: DayProblem, order: readonly number[]): DayPlan {
  check(problem);
  const home = problem.stops.length;
  let at = home;
  let now = problem.start_min;
  let value = 0;
  const stops = order.map((i) => {
    const stop = problem.stops[i];
    if (!stop) throw new OutOfRange('order', i, `places from 0 to ${home - 1}`);
    const leave_min = now;
    const arrive_min = now + walk(problem, at, i);
    const work = workAt(stop, arrive_min);
    const { begin_min, end_min } = work ?? { begin_min: arrive_min, end_min: arrive_min + stop.work_min };
    const rest_min = restAfter(problem, leave_min, end_min);
    const late = work === null || end_min + rest_min + walk(problem, i, home) > problem.back_min;
    if (!late) value += stop.value;
    at = i;
    now = end_min + rest_min;
    return { id: stop.id, leave_min, arrive_min, begin_min, end_min, rest_min, late };
  });
  return { stops, back_min: now + walk(problem, at, home), value };
}

/** Earliest end of a feasible order, and when one is back; null when it does not hold. The inner loop of the search: no allocation. */
function backAt(problem: DayProblem, order: readonly number[]): number | null {
  const home = problem.stops.length;
  let at = home;
  let now = problem.start_min;
  for (const i of order) {
    const work = workAt(problem.stops[i] as DayStop, now + walk(problem, at, i));
    if (work === null) return null;
    now = work.end_min + restAfter(problem, now, work.end_min);
    at = i;
  }
  const back = now + walk(problem, at, home);
  return back <= problem.back_min ? back : null;
}

/** One order with its worth and the time back. */
interface Candidate {
  readonly order: readonly number[];
  readonly value: number;
  readonly back_min: number;
}

/** More is worth more; of two worth the same, the one that is back earlier. */
const better = (a: Candidate, b: Candidate): boolean =>
  a.value > b.value + 1e-9 || (a.value > b.value - 1e-9 && a.back_min < b.back_min - 1e-9);

/**
 * Every subset and last place by dynamic programming over the earliest end: to end earlier is never worse, since work may wait.
 * Source: Held & Karp (1962), J. SIAM 10, 196-210, with hours and a choice of places.
 */
export function bestByAllOrders(problem: DayProblem): Candidate {
  const n = problem.stops.length;
  const full = 1 << n;
  const end = new Float64Array(full * n).fill(Infinity);
  const before = new Int8Array(full * n).fill(-1);
  for (let i = 0; i < n; i++) {
    const work = workAt(problem.stops[i] as DayStop, problem.start_min + walk(problem, n, i));
    if (work) end[(1 << i) * n + i] = work.end_min + restAfter(problem, problem.start_min, work.end_min);
  }
  let best: Candidate = { order: [], value: 0, back_min: problem.start_min };
  let bestAt: [set: number, last: number] | null = null;
  for (let set = 1; set < full; set++) {
    let value = 0;
    for (let i = 0; i < n; i++) if (set & (1 << i)) value += (problem.stops[i] as DayStop).value;
    for (let last = 0; last < n; last++) {
      const now = end[set * n + last] as number;
      if (!(now < Infinity) || !(set & (1 << last))) continue;
      const back_min = now + walk(problem, last, n);
      // Walking straight home is never longer than by way of another place, so what cannot get back from here never will.
      if (back_min > problem.back_min) continue;
      const found = { order: [], value, back_min };
      if (better(found, best)) {
        best = found;
        bestAt = [set, last];
      }
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const work = workAt(problem.stops[next] as DayStop, now + walk(problem, last, next));
        const to = (set | (1 << next)) * n + next;
        if (!work) continue;
        const free_min = work.end_min + restAfter(problem, now, work.end_min);
        if (free_min < (end[to] as number)) {
          end[to] = free_min;
          before[to] = last;
        }
      }
    }
  }
  const order: number[] = [];
  for (let at = bestAt; at !== null;) {
    const [set, last] = at;
    order.unshift(last);
    const previous = before[set * n + last] as number;
    at = previous < 0 ? null : [set & ~(1 << last), previous];
  }
  return { ...best, order };
}

/** Puts what pays best for its time into the gaps where it fits, until nothing fits. */
function fill(problem: DayProblem, from: Candidate, random: Random, loose: number): Candidate {
  let now = from;
  for (;;) {
    let chosen: { next: Candidate; gain: number } | null = null;
    for (let i = 0; i < problem.stops.length; i++) {
      if (now.order.includes(i)) continue;
      const stop = problem.stops[i] as DayStop;
      if (stop.value <= 0) continue;
      for (let at = 0; at <= now.order.length; at++) {
        const order = [...now.order.slice(0, at), i, ...now.order.slice(at)];
        const back_min = backAt(problem, order);
        if (back_min === null) continue;
        const gain = (stop.value * (1 + loose * (random() - 0.5))) / (back_min - now.back_min + 1);
        if (chosen === null || gain > chosen.gain)
          chosen = { next: { order, value: now.value + stop.value, back_min }, gain };
      }
    }
    if (chosen === null) return now;
    now = chosen.next;
  }
}

/** Turns stretches round and moves places until no such change brings one back earlier. Source of the moves: Or (1976), Lin (1965). */
function shorten(problem: DayProblem, from: Candidate): Candidate {
  let now = from;
  for (let found = true; found;) {
    found = false;
    const { order } = now;
    for (let i = 0; i < order.length && !found; i++) {
      for (let j = i + 1; j < order.length && !found; j++) {
        const turned = [...order.slice(0, i), ...order.slice(i, j + 1).reverse(), ...order.slice(j + 1)];
        const moved = [...order.slice(0, i), ...order.slice(i + 1, j + 1), order[i] as number, ...order.slice(j + 1)];
        const pulled = [...order.slice(0, i), order[j] as number, ...order.slice(i, j), ...order.slice(j + 1)];
        for (const tried of [turned, moved, pulled]) {
          const back_min = backAt(problem, tried);
          if (back_min !== null && back_min < now.back_min - 1e-9) {
            now = { ...now, order: tried, back_min };
            found = true;
            break;
          }
        }
      }
    }
  }
  return now;
}

/** Rounds of the search for more than `EXACT_STOPS` places. */
const ROUNDS = 400;

/**
 * Which places to work, in which order, to be back in time: the sum of their values as large as can be, and then back early.
 *
 * Up to `EXACT_STOPS` places the best there is. Beyond, a seeded search: places are taken out at random, the gaps filled by value
 * for time, the way shortened, and what is better is kept (iterated local search; Vansteenwegen et al. 2011, Eur. J. Oper. Res. 209, 1-10,
 * on the orienteering problem). A generator, so that its caller can show how far it is and stop it: each step yields the share done
 * and the best plan so far.
 * @throws OutOfRange when back is before start, a value or a duration is out of range, or the walking table does not fit the places
 */
export function* planDay(problem: DayProblem, seed = 1, rounds = ROUNDS): Generator<DayPlanStep, DayPlan> {
  check(problem);
  if (problem.stops.length <= EXACT_STOPS) return timeDay(problem, bestByAllOrders(problem).order);
  const random = seededRandom(seed);
  let best = shorten(problem, fill(problem, { order: [], value: 0, back_min: problem.start_min }, random, 0));
  best = fill(problem, best, random, 0);
  yield { done: 0, best: timeDay(problem, best.order) };
  let now = best;
  for (let round = 0; round < rounds; round++) {
    const kept = takeOut(now.order, random);
    const value = kept.reduce((sum, i) => sum + (problem.stops[i] as DayStop).value, 0);
    const back_min = backAt(problem, kept);
    if (back_min === null) continue;
    const tried = fill(
      problem,
      shorten(problem, fill(problem, { order: kept, value, back_min }, random, 1)),
      random,
      0,
    );
    // A little worse is walked through, so that the search does not stay in its first valley.
    if (better(tried, now) || tried.value > now.value * (1 - 0.03 * random())) now = tried;
    if (better(now, best)) best = now;
    if (round % 20 === 19) yield { done: (round + 1) / rounds, best: timeDay(problem, best.order) };
  }
  return timeDay(problem, best.order);
}

/** A stretch of the order, or a few places here and there, taken out. */
function takeOut(order: readonly number[], random: Random): number[] {
  if (random() < 0.5) {
    const from = Math.floor(random() * (order.length + 1));
    const many = 1 + Math.floor((random() * order.length) / 2);
    return order.filter((_, i) => i < from || i >= from + many);
  }
  const share = 0.1 + 0.4 * random();
  return order.filter(() => random() > share);
}

/** The plan when nobody waits for it: runs the search to its end. */
export function finishPlan(steps: Generator<unknown, DayPlan>): DayPlan {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** From so many minutes on one sets up a box and digs. Common practice, no source. */
const TO_DIG_MIN = 60;

/**
 * Minutes left for digging at a place at the end of a day's order, once every other place on it is done and one is back in time; null under an hour.
 * @param order indexes into `stops`; the place itself is left out of it wherever it stands
 */
export function leftToDig(problem: DayProblem, order: readonly number[], at: number): number | null {
  const stop = problem.stops[at];
  if (!stop) return null;
  const others = order.filter((i) => i !== at);
  const asking = { ...problem, stops: problem.stops.map((s, i) => (i === at ? { ...s, work_min: 0, open: null } : s)) };
  const { back_min } = timeDay(asking, [...others, at]);
  const ends_min = back_min - walk(problem, at, problem.stops.length);
  // A rest that falls due while one digs is taken there.
  const rest_min = problem.rest && ends_min < problem.rest.from_min ? problem.rest.lasts_min : 0;
  const hours = (stop.open ?? [{ from_min: -Infinity, to_min: Infinity }]).find((h) => h.to_min > ends_min);
  if (!hours) return null;
  const waits_min = Math.max(0, hours.from_min - ends_min);
  const left_min = Math.floor(Math.min(problem.back_min - back_min - rest_min, hours.to_min - ends_min) - waits_min);
  return left_min >= TO_DIG_MIN ? left_min : null;
}
