import { normalDraw, poissonDraw, USUAL_MIX, type GoldShare, type Random } from '@riffle/core';

/**
 * A dry washer as it really is, of another form than the core's: each riffle takes a grain that meets it with a chance of the
 * grain's own, and a grain keeps that chance from riffle to riffle and from pass to pass. Grains of a size differ log-normally.
 */
export interface TrueWasher {
  readonly riffles: number;
  /** Chance at one riffle of the grain that is taken best. */
  readonly takes: number;
  /** Below this size what is taken falls off, m. */
  readonly fine_m: number;
  /** And so steeply, as a power of the size. */
  readonly falls: number;
  /** How grains of a size differ: deviation of the logarithm of their odds. */
  readonly differs: number;
}

const between = (least: number, most: number, random: Random): number => least * (most / least) ** random();

/** Washers that lose a fifth to a third of usual gold in a pass, as practice has it, some more and some less. */
export const trueWasher = (random: Random): TrueWasher => ({
  riffles: 7 + Math.floor(4 * random()),
  takes: 0.32 * Math.exp(0.25 * normalDraw(random)),
  fine_m: between(0.00014, 0.0003, random),
  falls: 3 + 1.5 * random(),
  differs: between(0.7, 1.7, random),
});

/** Middles of ten equal shares of a standard normal. From a table. */
const TENTHS = [-1.645, -1.036, -0.674, -0.385, -0.126, 0.126, 0.385, 0.674, 1.036, 1.645];

/** What is left of gold of one size after so many passes. */
export function leftAfter(washer: TrueWasher, size_m: number, passes: number): number {
  const odds = washer.takes / (1 - Math.min(0.95, washer.takes)) / (1 + (washer.fine_m / size_m) ** washer.falls);
  return (
    TENTHS.reduce((sum, z) => {
      const o = odds * Math.exp(washer.differs * z);
      return sum + (1 - o / (1 + o)) ** (washer.riffles * passes);
    }, 0) / TENTHS.length
  );
}
export const mixLeftAfter = (washer: TrueWasher, gold: readonly GoldShare[], passes: number): number =>
  gold.reduce((sum, g) => sum + g.share * leftAfter(washer, g.size_m, passes), 0);

/** Gold as one ground really has it: the usual one, its shares off as grounds are. */
export function trueMix(random: Random): GoldShare[] {
  const tilt = 0.25 * normalDraw(random);
  const shares = USUAL_MIX.map((g) => g.share * (g.size_m / 0.0005) ** tilt * Math.exp(0.25 * normalDraw(random)));
  const all = shares.reduce((a, b) => a + b, 0);
  return USUAL_MIX.map((g, i) => ({ size_m: g.size_m, share: (shares[i] ?? 0) / all }));
}

/** Gold weighed of so much expected, in whole colors of one weight: the luck of the few. */
export const weighed_mg = (mean_mg: number, color_mg: number, random: Random): number =>
  color_mg * poissonDraw(mean_mg / color_mg, random);
