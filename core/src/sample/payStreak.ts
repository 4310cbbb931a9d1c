import { OutOfRange } from '../outOfRange.ts';

/** A sampled place across a bar. */
export interface StreakPoint {
  readonly at_m: number;
  readonly grade_mg_L: number;
}
/** A stretch that pays. */
export interface Streak {
  readonly from_m: number;
  readonly to_m: number;
  readonly grade_mg_L: number;
}

/**
 * Stretches of a traverse that reach the cut-off, the grade taken as straight between neighbors; richest first.
 * Beyond the first and last sample nothing is claimed. Source: linear interpolation; common practice.
 * @throws OutOfRange for fewer than two points or two at one place
 */
export function payStreak(points: readonly StreakPoint[], cutoff_mg_L: number): Streak[] {
  if (points.length < 2) throw new OutOfRange('points', points.length, 'at least two points');
  const order = [...points].sort((a, b) => a.at_m - b.at_m);
  const streaks: { from_m: number; to_m: number; area: number }[] = [];
  let open: { from_m: number; to_m: number; area: number } | null = null;
  for (let i = 0; i + 1 < order.length; i++) {
    const [a, b] = [order[i] as StreakPoint, order[i + 1] as StreakPoint];
    if (!(b.at_m > a.at_m)) throw new OutOfRange('at_m', b.at_m, 'each sample at a place of its own');
    const crossing = a.at_m + ((cutoff_mg_L - a.grade_mg_L) / (b.grade_mg_L - a.grade_mg_L)) * (b.at_m - a.at_m);
    const [inA, inB] = [a.grade_mg_L >= cutoff_mg_L, b.grade_mg_L >= cutoff_mg_L];
    if (!inA && !inB) continue;
    const [from_m, to_m] = [inA ? a.at_m : crossing, inB ? b.at_m : crossing];
    const area = ((to_m - from_m) * ((inA ? a.grade_mg_L : cutoff_mg_L) + (inB ? b.grade_mg_L : cutoff_mg_L))) / 2;
    if (open && open.to_m === from_m) {
      open.to_m = to_m;
      open.area += area;
    } else {
      open = { from_m, to_m, area };
      streaks.push(open);
    }
  }
  return streaks
    .filter((s) => s.to_m > s.from_m)
    .map(({ from_m, to_m, area }) => ({ from_m, to_m, grade_mg_L: area / (to_m - from_m) }))
    .sort((a, b) => b.grade_mg_L * (b.to_m - b.from_m) - a.grade_mg_L * (a.to_m - a.from_m));
}

/** An end of a streak that nobody has seen, with the point that would close it. */
export interface OpenEnd {
  readonly end: 'first' | 'last';
  /** The nearest point beyond that is laid out and not panned; null: none is laid out there. */
  readonly closedBy: string | null;
}

/**
 * Ends of a streak that lie at the end of what was panned: it may go on. Common practice: a streak is not closed before a pan on either side says so.
 * @param waiting points laid out and not panned yet
 */
export function openEnds(
  panned: readonly StreakPoint[],
  waiting: readonly { readonly id: string; readonly at_m: number }[],
  { from_m, to_m }: Streak,
): OpenEnd[] {
  const at = panned.map((p) => p.at_m);
  const [first, last] = [Math.min(...at), Math.max(...at)];
  const nearest = (beyond: typeof waiting, to_m: number): string | null =>
    [...beyond].sort((a, b) => Math.abs(a.at_m - to_m) - Math.abs(b.at_m - to_m))[0]?.id ?? null;
  const ends: OpenEnd[] = [];
  if (from_m <= first)
    ends.push({
      end: 'first',
      closedBy: nearest(
        waiting.filter((w) => w.at_m < first),
        first,
      ),
    });
  if (to_m >= last)
    ends.push({
      end: 'last',
      closedBy: nearest(
        waiting.filter((w) => w.at_m > last),
        last,
      ),
    });
  return ends;
}
