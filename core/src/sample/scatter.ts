import { lnGamma } from '../maths/gamma.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { alike } from './alike.ts';

/** One pan of a spot, as far as counting goes. */
export interface CountedVolume {
  readonly colors: number;
  readonly volumeBank_L: number;
}

/** How much the true grade differs from pan to pan at one spot, layer and depth, beyond the luck of the count. */
export interface Scatter {
  /** Standard deviation of the local grade over its mean. */
  readonly cv: number;
  readonly low: number;
  readonly high: number;
  /** Mean of its square: what a band takes. */
  readonly variance: number;
  /** Places with two pans or more of one spot, layer and depth. */
  readonly spots: number;
  readonly pans: number;
}

/** Scatter looked at, as coefficients of variation. */
const CVS = Array.from({ length: 21 }, (_, i) => i * 0.15);
/** Mean of the exponential prior. Common practice, no source: gravel is patchy, but not beyond belief. */
const USUAL_CV = 0.4;
/** Pans that fewer than these say nothing about scatter: it would be the prior speaking. */
const FEWEST_PANS = 6;
/** Spots beyond this many tell nothing new: an even choice of them is taken. */
const MOST_SPOTS = 200;
/** Pans of a spot beyond this many tell nothing new. */
const MOST_PANS = 20;

const priorLogs = CVS.map((cv) => -cv / USUAL_CV);
/** What a band takes where a ground's own scatter is not known: the mean square of the prior. No band may be as narrow as if gravel were even. */
export const USUAL_SCATTER_VARIANCE = meanOver(weightsOf(priorLogs), (cv) => cv ** 2);

/**
 * Between-pan scatter of a ground, from replicates: pans of one spot, layer and depth. Null when those hold fewer than six pans together.
 *
 * Counts are negative binomial: Poisson about a local grade that is gamma distributed with coefficient of variation cv. Each place's mean is
 * integrated out on a logarithmic grid (flat prior on its logarithm); cv has an exponential prior and its posterior mean, mean square and 90 %
 * band come back. Nothing weighed, everything counted.
 * Source: Fisher (1941) for the negative binomial as a gamma mixture; the pooling is Riffle's own.
 * @param replicates one list for each spot, layer and depth: what differs between layers is no scatter
 * @throws OutOfRange for a volume that is not positive
 */
export function betweenPanScatter(replicates: readonly (readonly CountedVolume[])[]): Scatter | null {
  const all = replicates
    .map((pans) => pans.slice(0, MOST_PANS))
    .filter((pans) => pans.length >= 2 && pans.some((p) => p.colors > 0));
  if (all.reduce((sum, pans) => sum + pans.length, 0) < FEWEST_PANS) return null;
  const several = all.filter(
    (_, i) =>
      all.length <= MOST_SPOTS ||
      Math.floor((i * MOST_SPOTS) / all.length) !== Math.floor(((i - 1) * MOST_SPOTS) / all.length),
  );
  for (const pans of several)
    for (const p of pans) {
      requirePositive('volumeBank_L', p.volumeBank_L, 'L');
      requireWithin('colors', p.colors, 0, 1e6);
    }
  const { kinds, kindOf } = alike(several, (pans) =>
    pans
      .map((p) => `${p.volumeBank_L}:${p.colors}`)
      .sort()
      .join(),
  );
  const said = kinds.map(logMarginals);
  const logs = [...priorLogs];
  for (const kind of kindOf) (said[kind] as number[]).forEach((log, i) => (logs[i] = (logs[i] as number) + log));
  const weights = weightsOf(logs);
  const at = (share: number): number => {
    let sum = 0;
    return CVS[weights.findIndex((w) => (sum += w) >= share)] ?? 3;
  };
  return {
    cv: meanOver(weights, (cv) => cv),
    variance: meanOver(weights, (cv) => cv ** 2),
    low: at(0.05),
    high: at(0.95),
    spots: all.length,
    pans: all.reduce((sum, p) => sum + p.length, 0),
  };
}

function weightsOf(logs: readonly number[]): number[] {
  const top = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - top));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}
function meanOver(weights: readonly number[], of: (cv: number) => number): number {
  return weights.reduce((sum, w, i) => sum + w * of(CVS[i] as number), 0);
}

/** Means looked at, as factors of what was found. */
const MEANS = Array.from({ length: 21 }, (_, i) => Math.exp(-3 + 0.3 * i));

/** Log likelihood of a place's pans at each scatter looked at, its mean integrated out; terms that are the same for every scatter are left out. */
function logMarginals(pans: readonly CountedVolume[]): number[] {
  // Pans of one volume expect the same wherever they are: one term for them.
  const groups = [...new Set(pans.map((p) => p.volumeBank_L))].map((volumeBank_L) => {
    const alike = pans.filter((p) => p.volumeBank_L === volumeBank_L);
    return { volumeBank_L, pans: alike.length, colors: alike.reduce((sum, p) => sum + p.colors, 0) };
  });
  const rate = pans.reduce((s, p) => s + p.colors, 0) / pans.reduce((s, p) => s + p.volumeBank_L, 0);
  const expected = MEANS.map((factor) => groups.map((g) => rate * factor * g.volumeBank_L));
  const counted = expected.map((of) => groups.reduce((sum, g, i) => sum + g.colors * Math.log(of[i] as number), 0));
  const logs = new Float64Array(MEANS.length);
  return CVS.map((cv) => {
    const k = 1 / cv ** 2;
    const lnGamma_k = cv === 0 ? 0 : lnGamma(k);
    const atAnyMean =
      cv === 0
        ? 0
        : pans.reduce((sum, p) => sum + (p.colors === 0 ? 0 : lnGamma(p.colors + k) - lnGamma_k) + k * Math.log(k), 0);
    let top = -Infinity;
    for (let m = 0; m < MEANS.length; m++) {
      const of = expected[m] as number[];
      let log = atAnyMean + (counted[m] as number);
      // Poisson at no scatter, negative binomial above.
      for (let i = 0; i < of.length; i++) {
        const { pans: n, colors } = groups[i] as (typeof groups)[number];
        const mean = of[i] as number;
        log -= cv === 0 ? n * mean : (colors + n * k) * Math.log(k + mean);
      }
      logs[m] = log;
      if (log > top) top = log;
    }
    let sum = 0;
    for (let m = 0; m < MEANS.length; m++) sum += Math.exp((logs[m] as number) - top);
    return top + Math.log(sum);
  });
}

/** What scatter adds to the relative variance of several pans taken together: its variance times sum(V^2) / (sum V)^2. One pan gains nothing; many thin it out. */
export function scatterVariance(volumes_L: readonly number[], variance: number): number {
  const all = volumes_L.reduce((a, b) => a + b, 0);
  return variance * volumes_L.reduce((sum, v) => sum + (v / all) ** 2, 0);
}
