import { gammaDraw, poissonDraw, seededRandom, type Random } from '../maths/random.ts';
import { requirePositive } from '../outOfRange.ts';
import { beliefBand_mg_L, beliefMean_mg_L, type GradeBelief } from './gradeBelief.ts';
import { chanceRicher } from './richer.ts';

/** More pans than this is another season. */
export const MOST_MORE_PANS = 500;
/** Numbers of pans looked at: no hand plans finer. */
const TRIED = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100, 130, 160, 200, 250, 300, 400, 500];
const DRAWS = 300;
/** So often it has to come off before it is promised: a call between two, which may be alike, and a band. */
const OFTEN = { call: 0.65, band: 0.75 };
/** Two rich places of one ground are as good as alike so often: then no pans tell them apart, however much they differed so far. Stated assumption. */
const ALIKE = 0.15;
/** What is believed of patchiness and of the ground is itself not sure: of what the simulation promises so much is said. Stated assumption. */
const KEPT = 0.92;

/** What the pans to come are like. */
export interface PansToCome {
  /** One pan, litres of bank ground. */
  readonly pan_L: number;
  /** The color the gold sits in, mg. */
  readonly color_mg: number;
  /** What pans of one place differ by, as a share of the square of the grade. */
  readonly panVariance: number;
}

/** How many more pans it takes. `chance`: so often that many settle it. `weigh`: no number does, for what a color weighs is not known well enough. */
export type PansNeeded =
  | { readonly kind: 'now' }
  | { readonly kind: 'pans'; readonly pans: number; readonly chance: number }
  | { readonly kind: 'never' }
  | { readonly kind: 'weigh' };

/** A belief after so many more pans that showed `gold_mg`; gamma-Poisson with the effective count of `gradeBelief`. */
function after(
  b: GradeBelief,
  pans: number,
  colors: number,
  { pan_L, color_mg, panVariance }: PansToCome,
): GradeBelief {
  const spread = panVariance / pans;
  const volume_L = pans * pan_L;
  if (colors === 0) {
    const expected = Math.max(1e-9, (beliefMean_mg_L(b) * volume_L) / color_mg);
    const thinned = spread === 0 ? 1 : Math.log1p(spread * expected) / (spread * expected);
    return { ...b, rate_L_mg: b.rate_L_mg + (thinned * volume_L) / color_mg };
  }
  const effective = 1 / (1 / colors + spread);
  return {
    ...b,
    shape: b.shape + effective,
    rate_L_mg: b.rate_L_mg + (effective * volume_L) / (colors * color_mg),
  };
}

const gradeDraw = (b: GradeBelief, random: Random): number => gammaDraw(b.shape, random) / b.rate_L_mg;

/** Colors that so many more pans show at a grade: the patchiness, the luck of the count. */
function drawColors(
  grade_mg_L: number,
  pans: number,
  { pan_L, color_mg, panVariance }: PansToCome,
  random: Random,
): number {
  const patch = panVariance === 0 ? 1 : (gammaDraw(pans / panVariance, random) * panVariance) / pans;
  return countDraw((grade_mg_L * patch * pans * pan_L) / color_mg, random);
}

/** A Poisson count; above a hundred by its gamma, which is within a tenth of a deviation there. */
const countDraw = (mean: number, random: Random): number =>
  mean > 100 ? Math.round(gammaDraw(mean, random)) : poissonDraw(mean, random);

/** The least number of pans of `TRIED` with which it comes off often enough. */
function least(comesOff: (pans: number, random: Random) => boolean, seed: number, often: number): PansNeeded {
  const share = (pans: number): number => {
    const random = seededRandom(seed + pans);
    let good = 0;
    for (let i = 0; i < DRAWS; i++) if (comesOff(pans, random)) good++;
    return (KEPT * good) / DRAWS;
  };
  let [low, high] = [-1, TRIED.length - 1];
  let atHigh = share(TRIED[high] as number);
  if (atHigh < often) return { kind: 'never' };
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    const here = share(TRIED[middle] as number);
    if (here >= often) [high, atHigh] = [middle, here];
    else low = middle;
  }
  return { kind: 'pans', pans: TRIED[high] as number, chance: atHigh };
}

/**
 * Pans more at each of two spots until one is called the richer with that chance. What the pans to come will show is drawn from what is believed of both,
 * patchiness and luck included, so that the answer comes off as often as it says; that they show what those so far showed would be too much to hope.
 * Riffle's own, by preposterior simulation (Raiffa & Schlaifer 1961, Applied Statistical Decision Theory).
 * @param sure from this chance on one is called the richer
 * @throws OutOfRange for a pan of no volume or a color of no weight
 */
export function pansToCall(a: GradeBelief, b: GradeBelief, toCome: PansToCome, sure = 0.9, seed = 1): PansNeeded {
  check(toCome);
  const called = (one: GradeBelief, two: GradeBelief): boolean => {
    const chance = chanceRicher(one, two);
    return Math.max(chance, 1 - chance) >= sure;
  };
  if (called(a, b)) return { kind: 'now' };
  return least(
    (pans, random) => {
      const [one, two] = [gradeDraw(a, random), gradeDraw(b, random)];
      const other = random() < ALIKE ? one : two;
      return called(
        after(a, pans, drawColors(one, pans, toCome, random), toCome),
        after(b, pans, drawColors(other, pans, toCome, random), toCome),
      );
    },
    seed,
    OFTEN.call,
  );
}

/**
 * Pans more at a spot until half its band is at most a share (a third) of its grade, by the same simulation. `weigh` where not even certainty of the
 * count would bring it there: then a few counted pans are to be weighed.
 */
export function pansUntilWithin(
  belief: GradeBelief,
  toCome: PansToCome,
  share = 1 / 3,
  confidence = 0.9,
  seed = 1,
): PansNeeded {
  check(toCome);
  const within = (b: GradeBelief): boolean => {
    const { low, high } = beliefBand_mg_L(b, confidence);
    return (high - low) / 2 <= share * beliefMean_mg_L(b);
  };
  if (within(belief)) return { kind: 'now' };
  if (!within({ ...belief, shape: 1e5, rate_L_mg: 1e5 / beliefMean_mg_L(belief) })) return { kind: 'weigh' };
  // How wide the band is hangs on the effective count alone: it is looked up by bisection once, and not for every draw.
  const enough = leastShape((shape) => within({ ...belief, shape, rate_L_mg: shape }));
  return least(
    (pans, random) =>
      after(belief, pans, drawColors(gradeDraw(belief, random), pans, toCome, random), toCome).shape >= enough,
    seed,
    OFTEN.band,
  );
}

function leastShape(enough: (shape: number) => boolean): number {
  let [low, high] = [0, Math.log(1e5)];
  while (high - low > 1e-3) {
    const middle = (low + high) / 2;
    if (enough(Math.exp(middle))) high = middle;
    else low = middle;
  }
  return Math.exp(high);
}

/** The band as it would be after so many more pans that show what is expected of them: the middle of what may come. */
export function bandAfter(
  belief: GradeBelief,
  pans: number,
  toCome: PansToCome,
  confidence = 0.9,
): { low_mg_L: number; high_mg_L: number } {
  check(toCome);
  const colors = (beliefMean_mg_L(belief) * pans * toCome.pan_L) / toCome.color_mg;
  const { low, high } = beliefBand_mg_L(pans > 0 ? after(belief, pans, colors, toCome) : belief, confidence);
  return { low_mg_L: low, high_mg_L: high };
}

function check({ pan_L, color_mg }: PansToCome): void {
  requirePositive('pan_L', pan_L, 'L');
  requirePositive('color_mg', color_mg, 'mg');
}
