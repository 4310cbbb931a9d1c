import { lnGamma } from '../maths/gamma.ts';
import type { Range } from '../grains/flake.ts';
import { alike } from './alike.ts';
import { beliefOfMoments, type GradeBelief } from './gradeBelief.ts';

/** What the pans of one spot say of its grade, mg/L, and what a single color there would have been. */
export interface SpotEvidence {
  /** 0 for a blank. */
  readonly grade_mg_L: number;
  /** One color in the ground panned there, mg/L: its count is its grade over this. */
  readonly oneColor_mg_L: number;
  /** What pans of one place differ by beyond the luck of the count, for the pans of this spot together. */
  readonly scatterVariance: number;
  readonly commonLogSd: number;
}

/** How the spots of a ground differ, as it is believed from all of them. */
export interface GroundGrades {
  /** Mean grade of a spot of this ground, and how much spots differ as a share of it. */
  readonly mean_mg_L: number;
  readonly cv: number;
  /** The band that holds that mean with nine chances in ten, as far as these spots are any spots of it. */
  readonly meanBand: Range;
}

/** How much spots differ from each other, as a share of their mean: looked at from hardly to wildly. */
const CVS = [0.2, 0.35, 0.5, 0.7, 0.95, 1.25, 1.6, 2.1, 2.8];
/** Before any pan it lies about this, with this deviation of its logarithm: spots of a creek differ by about their mean. Stated assumption. */
const USUAL_CV = 1;
const CV_LOG_SD = 0.5;
/** Means looked at, in steps of the logarithm about the mean of what was panned. */
const MEANS = Array.from({ length: 16 }, (_, i) => -3 + 0.4 * i);
/** Grades looked at: steps of the logarithm. Finer counts than this step can tell apart are held to it. */
const STEP = 0.1;
/** Grades from one mean to the next. */
const GRADES_A_MEAN = 4;
const MOST_COLORS = 250;
const GRADES = Array.from({ length: 121 }, (_, i) => -7 + STEP * i);
/** Share of a density that is next to nothing beside all of it. */
const NOTHING = 1e-20;
/** Cells of the grid that are this unlikely beside the likeliest are left out. */
const LN_UNLIKELY = Math.log(1e-5);
/** A kind this far below the likeliest, in logarithms, is on no way to a likely one. */
const NO_WAY_ON = 30;

/** A density over the logarithm of a grade with a mean of 1, its own logarithm. */
type LogDensity = (u: number) => number;
/** Two forms of how grades lie over a ground: nobody knows which, so both are held. */
const gammaOf = (cv: number): LogDensity => {
  const shape = 1 / cv ** 2;
  const whole = shape * Math.log(shape) - lnGamma(shape);
  return (u) => whole + shape * (u - Math.exp(u));
};
const logNormalOf = (cv: number): LogDensity => {
  const variance = Math.log1p(cv ** 2);
  const whole = -Math.log(2 * Math.PI * variance) / 2;
  return (u) => whole - (u + variance / 2) ** 2 / (2 * variance);
};

/** How dense something lies at each of the grades looked at: before and from there on next to nothing, which is left out. */
interface OverGrades {
  readonly density: Float64Array;
  readonly from: number;
  readonly to: number;
}

/** One kind of ground: its densities, in a measure of its own of which so much is one, and how likely it is before any pan. */
interface Kind extends OverGrades {
  readonly mean: number;
  readonly cv: number;
  readonly one: number;
  readonly priorLog: number;
}
/**
 * The kinds of a form by place among the means and spreads looked at; nothing beyond these. Of one spread they differ by their mean alone: what is
 * worked out once, when the first of them is looked at, is that spread about a mean of 1, and each mean sees its own stretch of it.
 */
type Form = (mean: number, cv: number) => Kind | undefined;
const FORMS = [gammaOf, logNormalOf].map((densityOf): Form => {
  const spreads: Spread[] = [];
  const known = MEANS.map((): Kind[] => []);
  return (m, c) => {
    const [mean, cv] = [MEANS[m], CVS[c]];
    if (mean === undefined || cv === undefined) return undefined;
    const ofMean = known[m] as Kind[];
    return (ofMean[c] ??= kindOf(m, cv, (spreads[c] ??= spreadOf(densityOf(cv)))));
  };
});
/** Where the search for the likely ones begins: about what was panned, with a usual spread. */
const MIDDLE = [8, 4] as const;

/** Spots that say what a ground is like; of more, an even choice: they would tell nothing new. */
const MOST_SPOTS = 400;

/**
 * Every spot's grade with the others of its ground in mind: what was found there, pulled toward the ground as far as it rests on little. The place that did
 * best did so by luck as well; pulled, its band holds what is there although it was chosen.
 *
 * Grades of spots are gamma or log-normal over the ground, counts negative binomial (luck and patchiness); the ground's mean and spread are integrated
 * over a grid by the marginal likelihood of all spots, with a weak prior on the spread, and each spot's posterior keeps its mean and variance.
 * Source: empirical Bayes in its fully integrated form (Robbins 1956; Gelman et al., Bayesian Data Analysis, hierarchical models). A spot's count is
 * its grade over the weight of a color, as in Fay & Feuer (1997).
 */
export function poolGround(spots: readonly SpotEvidence[]): { beliefs: GradeBelief[]; ground: GroundGrades | null } {
  if (spots.length === 0) return { beliefs: [], ground: null };
  const seen = spots.map((s) => (s.grade_mg_L > 0 ? s.grade_mg_L : s.oneColor_mg_L / 2));
  const about = Math.log(seen.reduce((a, b) => a + b, 0) / seen.length);
  const isTelling = (i: number): boolean =>
    spots.length <= MOST_SPOTS ||
    Math.floor((i * MOST_SPOTS) / spots.length) !== Math.floor(((i - 1) * MOST_SPOTS) / spots.length);
  const { kinds: finds, kindOf: findOf } = alike(spots, sameFind);
  const likelihoods = finds.map((s) => likelihood(s, about));
  const telling = new Float64Array(finds.length);
  findOf.forEach((find, i) => (telling[find] = (telling[find] as number) + (isTelling(i) ? 1 : 0)));
  const explained = FORMS.flatMap((form) => explainedBy(form, likelihoods, telling));
  const top = Math.max(...explained.map((e) => e.log));
  const likely = explained
    .filter((e) => e.log - top > LN_UNLIKELY)
    .map(({ kind, log, explains }) => ({ kind, weight: Math.exp(log - top), explains }));
  const all = likely.reduce((sum, c) => sum + c.weight, 0);
  const prior = new Float64Array(GRADES.length);
  const grades_mg_L = Float64Array.from(GRADES, (u) => Math.exp(about + u));
  const believed = likelihoods.map((l, i) => {
    // Each kind of ground by how likely all spots make it, and within it the spot by its own count.
    prior.fill(0);
    for (const { kind, weight, explains } of likely) {
      const { density } = kind;
      const share = weight / (kind.one * (explains[i] as number));
      const to = Math.min(kind.to, l.to);
      for (let k = Math.max(kind.from, l.from); k < to; k++)
        prior[k] = (prior[k] as number) + share * (density[k] as number);
    }
    let [zero, first, second] = [0, 0, 0];
    for (let k = l.from; k < l.to; k++) {
      const weight = (prior[k] as number) * (l.density[k] as number);
      const grade = grades_mg_L[k] as number;
      zero += weight;
      first += weight * grade;
      second += weight * grade * grade;
    }
    const mean = first / zero;
    return { mean, variance: Math.max(1e-9 * mean * mean, second / zero - mean * mean) };
  });
  return {
    beliefs: spots.map((s, i) => {
      const { mean, variance } = believed[findOf[i] as number] as (typeof believed)[number];
      return beliefOfMoments(mean, variance, s.commonLogSd);
    }),
    ground: {
      mean_mg_L: likely.reduce((sum, c) => sum + (c.weight / all) * Math.exp(about + c.kind.mean), 0),
      cv: likely.reduce((sum, c) => sum + (c.weight / all) * c.kind.cv, 0),
      meanBand: { low: Math.exp(about + meanAt(0.05, likely, all)), high: Math.exp(about + meanAt(0.95, likely, all)) },
    },
  };
}

/** By what a spot's likelihood is the same as another's; how unsure the weights are is no part of it. */
const sameFind = ({ grade_mg_L, oneColor_mg_L, scatterVariance }: SpotEvidence): string =>
  `${grade_mg_L}:${oneColor_mg_L}:${scatterVariance}`;

/** How well a kind of ground explains each find, and all spots together. */
interface Explained {
  readonly kind: Kind;
  readonly log: number;
  readonly explains: Float64Array;
}

/**
 * What the kinds of one form explain, from the middle uphill: kinds far below the likeliest are left unlooked at, most of them where many spots were
 * panned. The likelihood of a form has one summit.
 * @param telling how many spots each likelihood speaks for
 */
function explainedBy(form: Form, likelihoods: readonly OverGrades[], telling: Float64Array): Explained[] {
  const seen = new Map<Kind, Explained>();
  const open: { readonly mean: number; readonly cv: number; readonly log: number }[] = [];
  let top = -Infinity;
  const look = (mean: number, cv: number): void => {
    const kind = form(mean, cv);
    if (!kind || seen.has(kind)) return;
    const explains = new Float64Array(likelihoods.length);
    let log = kind.priorLog;
    // No find makes it likelier, so that it is let go in the midst of them.
    for (let i = 0; i < explains.length && log > top - NO_WAY_ON; i++) {
      const explained = product(kind, likelihoods[i] as OverGrades);
      explains[i] = explained;
      log += (telling[i] as number) * Math.log(explained);
    }
    seen.set(kind, { kind, log, explains });
    if (log <= top - NO_WAY_ON) return;
    open.push({ mean, cv, log });
    top = Math.max(top, log);
  };
  look(...MIDDLE);
  for (let at = open.pop(); at; at = open.pop())
    if (at.log > top - NO_WAY_ON) for (const m of [-1, 0, 1]) for (const c of [-1, 0, 1]) look(at.mean + m, at.cv + c);
  return [...seen.values()];
}

/** Sum of the products, two at a time; never nothing, for its logarithm is taken. */
function product(kind: Kind, likely: OverGrades): number {
  const a = kind.density;
  const b = likely.density;
  const to = Math.min(kind.to, likely.to);
  let even = 0;
  let odd = 0;
  let k = Math.max(kind.from, likely.from);
  for (; k + 1 < to; k += 2) {
    even += (a[k] as number) * (b[k] as number);
    odd += (a[k + 1] as number) * (b[k + 1] as number);
  }
  if (k < to) even += (a[k] as number) * (b[k] as number);
  return Math.max(1e-300, (even + odd) / kind.one);
}

/** A form's density with one spread, about a mean of 1: over all that any mean sees of it. */
interface Spread extends OverGrades {
  /** Sum of it before each place, to take the sum of a stretch from. */
  readonly before: Float64Array;
}
/** The highest mean sees it from its beginning, the lowest to its end. */
const SEEN_FROM = (MEANS.length - 1) * GRADES_A_MEAN;

function spreadOf(logDensity: LogDensity): Spread {
  const first = (GRADES[0] as number) - (MEANS.at(-1) as number);
  const density = new Float64Array(SEEN_FROM + GRADES.length);
  const before = new Float64Array(density.length + 1);
  for (let k = 0; k < density.length; k++) {
    density[k] = Math.exp(logDensity(first + STEP * k));
    before[k + 1] = (before[k] as number) + (density[k] as number);
  }
  return { ...trimmed(density, before[density.length] as number), before };
}

/** Without its ends that are next to nothing beside all of it: a number too small to be held whole is slow to work with. */
function trimmed(density: Float64Array, all: number): OverGrades {
  let from = 0;
  while ((density[from] as number) < NOTHING * all) from++;
  let to = density.length;
  while ((density[to - 1] as number) < NOTHING * all) to--;
  return { density, from, to };
}

function kindOf(m: number, cv: number, { density, before, from, to }: Spread): Kind {
  const at = SEEN_FROM - m * GRADES_A_MEAN;
  const within = (place: number): number => Math.min(GRADES.length, Math.max(0, place - at));
  return {
    mean: MEANS[m] as number,
    cv,
    density: density.subarray(at, at + GRADES.length),
    one: (before[at + GRADES.length] as number) - (before[at] as number),
    from: within(from),
    to: within(to),
    priorLog: -((Math.log(cv / USUAL_CV) / CV_LOG_SD) ** 2) / 2,
  };
}

/** Likelihood of a spot's count at each grade, scaled to 1 at its best. */
function likelihood({ grade_mg_L, oneColor_mg_L, scatterVariance }: SpotEvidence, about: number): OverGrades {
  const colors = grade_mg_L / oneColor_mg_L;
  const held = Math.min(1, MOST_COLORS / Math.max(1, colors));
  const k = scatterVariance > 0 ? 1 / scatterVariance : Infinity;
  const likely = new Float64Array(GRADES.length);
  let top = -Infinity;
  for (let i = 0; i < GRADES.length; i++) {
    const u = about + (GRADES[i] as number);
    const expected = Math.exp(u) / oneColor_mg_L;
    const log = held * (colors * u - (k === Infinity ? expected : (colors + k) * Math.log1p(expected / k)));
    likely[i] = log;
    top = Math.max(top, log);
  }
  for (let i = 0; i < GRADES.length; i++) likely[i] = Math.exp((likely[i] as number) - top);
  return trimmed(likely, 1);
}

/** The logarithm of the mean below which so much of the belief lies: the share of each mean looked at spread evenly over its step. */
function meanAt(
  share: number,
  likely: readonly { readonly kind: Kind; readonly weight: number }[],
  all: number,
): number {
  const step = (MEANS[1] as number) - (MEANS[0] as number);
  let below = 0;
  for (const mean of MEANS) {
    const here = likely.reduce((sum, c) => sum + (c.kind.mean === mean ? c.weight / all : 0), 0);
    if (below + here >= share) return mean + step * ((share - below) / here - 0.5);
    below += here;
  }
  return MEANS.at(-1) as number;
}
