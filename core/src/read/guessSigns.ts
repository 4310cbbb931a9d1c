import type { Bank } from '../ground/centreLine.ts';
import { bedHeights_m, type BedOfGround } from '../ground/bedHeights.ts';
import { centreLine } from '../ground/centreLine.ts';

/** What a line and its heights can hint at without anyone having been there. */
export const GUESSED_KINDS = ['inside bend', 'step', 'slack', 'narrows'] as const;
export type GuessedKind = (typeof GUESSED_KINDS)[number];

/** A place that looks like a sign by the line alone: guessed, not seen. */
export interface GuessedSign {
  readonly id: string;
  readonly kind: GuessedKind;
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
  /** Chance that the sign is there. */
  readonly sure: number;
}

/** What someone found where Riffle had guessed. */
export interface LookedAt {
  readonly kind: GuessedKind;
  readonly distance_m: number;
  readonly seen: boolean;
}

/** A line is looked at this often, and its bend over so much of it: a receiver's scatter of some metres makes no bends then. Common practice, no source. */
const STATION_M = 5;
const BEND_SPAN_M = 40;
const SMOOTH_M = 40;
/** From this bend on the water is thrown outward: a radius of 80 m; and the whole bend turns it by so much. Stated assumptions. */
const BENDS_FROM_1_M = 1 / 80;
const TURNS_FROM = (35 * Math.PI) / 180;
/** A bend's inside lies so far off the line. */
const INSIDE_M = 6;
/** Bends are looked for on lines up to so long; beyond, every so many metres more. */
const MOST_STATIONS = 4000;

/** Windows of the bed, as shares of the 120 stretches its heights come in. */
const WINDOW = 5;
/** One of a kind in so many stretches: a bed that waves would be nothing but slacks. */
const APART = 20;
/** A rise is a step when it is so many times the mean, so many deviations of the heights' own scatter above it, and so high, m. Stated assumptions. */
const STEP_TIMES = 4;
const STEP_SIGMAS = 4;
const STEP_M = 0.6;
/** Slack: about a third as steep as what comes down on it, and less than half of the mean. Narrows: twice as steep, and straight. Stated assumptions. */
const SLACK_TIMES = 0.35;
const SLACK_OF_MEAN = 0.5;
const NARROWS_OF_MEAN = 2;
const STRAIGHT_1_M = 1 / 250;

/** How often such a guess is right before anyone looked: tries and hits. Stated assumptions, worth four looks each. */
const RIGHT: Readonly<Record<GuessedKind, { readonly right: number; readonly looks: number }>> = {
  'inside bend': { right: 2.8, looks: 4 },
  step: { right: 2, looks: 4 },
  slack: { right: 2, looks: 4 },
  narrows: { right: 1.2, looks: 4 },
};
/** A guess this near to what was looked at, or to a sign of its kind, is the same place. */
const SAME_PLACE_M = 25;

/** How far each kind of guess has come true, with what is assumed beforehand. */
export const guessRate = (kind: GuessedKind, looked: readonly LookedAt[]): number => {
  const own = looked.filter((l) => l.kind === kind);
  const { right, looks } = RIGHT[kind];
  return (right + own.filter((l) => l.seen).length) / (looks + own.length);
};

/**
 * Likely inside bends, steps, slacks and narrows of a ground by its line and heights alone, without those that were looked at already.
 *
 * Bends: stretches of the line with a radius under 80 m that turn by 35 degrees or more; the inside is the bank they turn to. Steps: a rise far above
 * the mean that the scatter of the heights (how much they run uphill, which no bed does) cannot make. Slack: where the bed flattens below a steep
 * reach. Narrows: a steep and straight reach. Where heights scatter too much, nothing of the bed is guessed.
 * Riffle's own, by the trade's rules of where water slows (common practice, no source).
 */
export function guessSigns(ground: BedOfGround, looked: readonly LookedAt[] = []): GuessedSign[] {
  const found = [...guessBends(ground), ...guessBed(ground)];
  return found
    .filter((g) => !looked.some((l) => l.kind === g.kind && Math.abs(l.distance_m - g.distance_m) <= SAME_PLACE_M))
    .map((g) => ({ ...g, sure: guessRate(g.kind, looked), id: `guess-${g.kind}-${Math.round(g.distance_m)}` }))
    .sort((a, b) => a.distance_m - b.distance_m);
}

type Found = Omit<GuessedSign, 'id' | 'sure'>;

function guessBends({ line }: BedOfGround): Found[] {
  if (!line || line.length < 3) return [];
  const centre = centreLine(line);
  const step_m = Math.max(STATION_M, centre.length_m / MOST_STATIONS);
  const stations = Math.floor(centre.length_m / step_m);
  const raw = Array.from({ length: stations + 1 }, (_, i) => centre.bendAt(i * step_m, BEND_SPAN_M));
  // One point off the line by a receiver's scatter turns it two ways: over its neighbors that comes to nothing.
  const side_n = Math.max(1, Math.round(SMOOTH_M / 2 / step_m));
  const bends = raw.map((_, i) => {
    const about = raw.slice(Math.max(0, i - side_n), i + side_n + 1);
    return about.reduce((sum, b) => sum + b, 0) / about.length;
  });
  const found: Found[] = [];
  for (let i = 0; i <= stations; i++) {
    const side = Math.sign(bends[i] as number);
    if (Math.abs(bends[i] as number) < BENDS_FROM_1_M) continue;
    let [turn, apex, end] = [0, i, i];
    for (
      ;
      end <= stations && Math.sign(bends[end] as number) === side && Math.abs(bends[end] as number) >= BENDS_FROM_1_M;
      end++
    ) {
      turn += Math.abs(bends[end] as number) * step_m;
      if (Math.abs(bends[end] as number) > Math.abs(bends[apex] as number)) apex = end;
    }
    if (turn >= TURNS_FROM)
      found.push({
        kind: 'inside bend',
        distance_m: Math.round(apex * step_m),
        bank: side > 0 ? 'left' : 'right',
        offset_m: INSIDE_M,
      });
    i = end;
  }
  return found;
}

function guessBed(ground: BedOfGround): Found[] {
  const heights = bedHeights_m(ground);
  if (!heights) return [];
  const stretch_m = ground.length_m / (heights.length - 1);
  const rises = heights.slice(1).map((h, i) => h - (heights[i] as number));
  const mean = rises.reduce((sum, r) => sum + r, 0) / rises.length;
  if (!(mean > 0)) return [];
  // A bed never rises downstream: what seems to is the scatter of the heights, half of which falls on either side.
  const sigma = Math.sqrt((2 * rises.reduce((sum, r) => sum + Math.min(0, r) ** 2, 0)) / rises.length);
  const at = (i: number): Pick<Found, 'distance_m' | 'bank' | 'offset_m'> => ({
    distance_m: Math.round(i * stretch_m),
    bank: 'mid',
    offset_m: 0,
  });
  const found: Found[] = [];
  const isStep = (i: number): boolean => {
    const r = rises[i] ?? 0;
    return r >= STEP_M && r > STEP_TIMES * mean && r > mean + STEP_SIGMAS * sigma;
  };
  rises.forEach((_, i) => {
    // Its foot is where the heavies drop.
    if (isStep(i) && !isStep(i - 1)) found.push({ kind: 'step', ...at(i) });
  });
  const over = (from: number): number => rises.slice(from, from + WINDOW).reduce((sum, r) => sum + r, 0) / WINDOW;
  const unsure = (3 * sigma) / Math.sqrt(WINDOW);
  const centre = ground.line && ground.line.length > 2 ? centreLine(ground.line) : null;
  let [lastSlack, lastNarrows] = [-Infinity, -Infinity];
  for (let i = WINDOW; i + WINDOW <= rises.length; i++) {
    const [below, above] = [over(i - WINDOW), over(i)];
    if (rises.slice(i, i + WINDOW).some((_, k) => isStep(i + k))) continue;
    if (
      below < SLACK_TIMES * above &&
      below < SLACK_OF_MEAN * mean &&
      above - below > unsure &&
      i - lastSlack > APART
    ) {
      found.push({ kind: 'slack', ...at(i) });
      lastSlack = i;
    }
    const middle_m = (i + WINDOW / 2) * stretch_m;
    const isStraight = centre !== null && Math.abs(centre.bendAt(middle_m, WINDOW * stretch_m)) < STRAIGHT_1_M;
    if (isStraight && above > NARROWS_OF_MEAN * mean && above - mean > unsure && i - lastNarrows > APART) {
      found.push({ kind: 'narrows', ...at(i + WINDOW / 2) });
      lastNarrows = i;
    }
  }
  return found;
}

/** Guesses that nobody has seen: those at which a sign of their kind, or a spot of it, is marked are no guesses any more. */
export const unseenGuesses = (
  guesses: readonly GuessedSign[],
  marked: readonly { readonly kind: string; readonly distance_m: number }[],
): GuessedSign[] =>
  guesses.filter(
    (g) => !marked.some((m) => m.kind === g.kind && Math.abs(m.distance_m - g.distance_m) <= SAME_PLACE_M),
  );
