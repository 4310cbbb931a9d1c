import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import library from 'jstat';
import { betaCdf, betaQuantile } from '../maths/beta.ts';
import { gammaCdf, gammaQuantile, lnGamma } from '../maths/gamma.ts';
import { normalCdf } from '../maths/normal.ts';
import { gammaDraw, normalDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { binomialLimits } from './binomialLimits.ts';
import { chanceItPays } from './chanceItPays.ts';
import { COLOR_MG, NO_COLORS } from './colorWeights.ts';
import { blankLimit, poissonLimits } from './poissonLimits.ts';
import { beliefQuantile_mg_L, chanceAbove, gradeBelief } from './gradeBelief.ts';
import { evidenceOf, sampleGrade } from './sampleGrade.ts';

// Every check of this file is against jStat 1.9.6, a statistics library of the registry, unless a line says otherwise.
const { jStat } = library;
const runs = { seed: 20_261_125, numRuns: 200 };
const positive = (max: number) => fc.double({ min: 0.05, max, noNaN: true });
const chance = fc.double({ min: 0.001, max: 0.999, noNaN: true });
const near = (a: number, b: number, share = 1e-7): void =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(share * Math.max(Math.abs(a), Math.abs(b)) + 1e-9);

describe('distributions against a library', () => {
  test('logarithm of the gamma function', () =>
    fc.assert(
      fc.property(positive(500), (x) => near(lnGamma(x), jStat.gammaln(x))),
      runs,
    ));
  test('gamma, both ways', () =>
    fc.assert(
      fc.property(positive(200), positive(3), chance, (shape, share, p) => {
        near(gammaCdf(shape * share, shape), jStat.gamma.cdf(shape * share, shape, 1));
        near(gammaQuantile(p, shape), jStat.gamma.inv(p, shape, 1), 1e-5);
      }),
      runs,
    ));
  test('beta, both ways', () =>
    fc.assert(
      fc.property(positive(120), positive(120), chance, (a, b, x) => {
        near(betaCdf(x, a, b), jStat.beta.cdf(x, a, b));
        near(betaQuantile(x, a, b), jStat.beta.inv(x, a, b), 1e-5);
      }),
      runs,
    ));
  test('normal', () => {
    fc.assert(
      fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (z) => near(normalCdf(z), jStat.normal.cdf(z, 0, 1))),
      runs,
    );
    // Abramowitz & Stegun (1964), table 26.1.
    for (const [z, share] of [
      [0, 0.5],
      [1, 0.841344746],
      [1.96, 0.975002105],
      [-2, 0.022750132],
    ] as const)
      expect(normalCdf(z)).toBeCloseTo(share, 8);
  });
  test('draws have the mean and the spread they should', () => {
    const random = seededRandom(1736);
    const moments = (draw: () => number): [number, number] => {
      const all = Array.from({ length: 40_000 }, draw);
      const mean = all.reduce((a, b) => a + b) / all.length;
      return [mean, all.reduce((sum, v) => sum + (v - mean) ** 2, 0) / all.length];
    };
    for (const [draw, mean, variance] of [
      [() => poissonDraw(3.5, random), 3.5, 3.5],
      [() => poissonDraw(60, random), 60, 60],
      [() => gammaDraw(0.6, random), 0.6, 0.6],
      [() => gammaDraw(7, random), 7, 7],
      [() => normalDraw(random), 0, 1],
    ] as const) {
      const [m, v] = moments(draw);
      // Five standard errors of the mean; the variance within a twentieth.
      expect(Math.abs(m - mean)).toBeLessThan(5 * Math.sqrt(variance / 40_000));
      expect(Math.abs(v / variance - 1)).toBeLessThan(0.06);
    }
  });
});

describe('limits against a library', () => {
  test('exact limits of a count are the means at which it would just be as rare (the library counts to 170)', () =>
    fc.assert(
      fc.property(fc.nat(120), fc.constantFrom(0.8, 0.9, 0.95), (n, confidence) => {
        const { low, high } = poissonLimits(n, confidence);
        const tail = (1 - confidence) / 2;
        near(jStat.poisson.cdf(n, high), tail, 1e-6);
        if (n > 0) near(1 - jStat.poisson.cdf(n - 1, low), tail, 1e-6);
        near(high, jStat.chisquare.inv(1 - tail, 2 * (n + 1)) / 2, 1e-5);
      }),
      runs,
    ));
  test('exact limits of a share likewise', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.nat(60), (tried, some) => {
        const found = Math.min(some, tried);
        const { low, high } = binomialLimits(found, tried, 0.9);
        if (found < tried) near(jStat.binomial.cdf(found, tried, high), 0.05, 1e-5);
        if (found > 0) near(1 - jStat.binomial.cdf(found - 1, tried, low), 0.05, 1e-5);
      }),
      runs,
    ));
  test('a blank of patchy ground: the negative binomial of that mean shows nothing one time in twenty', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 2, noNaN: true }), (variance) => {
        const [mean, k] = [blankLimit(0.95, variance), 1 / variance];
        // Chance of none: k failures in a row at chance k/(k + mean) each.
        near((k / (k + mean)) ** k, 0.05, 1e-9);
        near(jStat.gamma.cdf(blankLimit(0.95), 1, 1), 0.95, 1e-9);
      }),
      runs,
    ));
  test('the band of one class of colors is the exact one of its count', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 120 }), positive(40), (n, volumeBank_L) => {
        const grade = sampleGrade(
          { volumeBank_L, counts: { ...NO_COLORS, '-40': n } },
          { oneMoreColor_mg: COLOR_MG['-40'] },
        );
        if (grade.kind !== 'band') throw new Error('a count has a band');
        near(grade.low_mg_L, ((COLOR_MG['-40'] / volumeBank_L) * jStat.chisquare.inv(0.05, 2 * n)) / 2, 1e-5);
        near(grade.high_mg_L, ((COLOR_MG['-40'] / volumeBank_L) * jStat.chisquare.inv(0.95, 2 * n + 2)) / 2, 1e-5);
      }),
      runs,
    ));
  test('what is believed of a grade is a gamma density', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), positive(40), chance, (n, volumeBank_L, p) => {
        const w = COLOR_MG['20-40'];
        const belief = gradeBelief(evidenceOf([{ volumeBank_L, counts: { ...NO_COLORS, '20-40': n } }], COLOR_MG, w), {
          meanColor_mg: w,
        });
        near(beliefQuantile_mg_L(belief, p), jStat.gamma.inv(p, belief.shape, 1 / belief.rate_L_mg), 1e-5);
        near(chanceAbove(belief, beliefQuantile_mg_L(belief, p)), 1 - p, 1e-6);
      }),
      runs,
    ));
});

describe('chance that a place pays', () => {
  test('is the lognormal of that mean and deviation', () =>
    fc.assert(
      fc.property(positive(3), positive(3), positive(3), (mean, sd, cutoff) => {
        const s = Math.sqrt(Math.log(1 + (sd / mean) ** 2));
        near(chanceItPays(mean, sd, cutoff), 1 - jStat.lognormal.cdf(cutoff, Math.log(mean) - s ** 2 / 2, s), 1e-6);
      }),
      runs,
    ));
  test('falls with the cut-off, and is sure where nothing is unsure', () => {
    fc.assert(
      fc.property(positive(3), positive(3), positive(2), (mean, sd, cutoff) =>
        expect(chanceItPays(mean, sd, cutoff + 0.1)).toBeLessThanOrEqual(chanceItPays(mean, sd, cutoff)),
      ),
      runs,
    );
    expect([
      chanceItPays(0.4, 0, 0.3),
      chanceItPays(0.2, 0, 0.3),
      chanceItPays(0, 0.4, 0.3),
      chanceItPays(0, 0, 0),
    ]).toEqual([1, 0, 0, 1]);
  });
  test.each([
    ['grade_mg_L', [-1, 0, 0]],
    ['sd_mg_L', [1, NaN, 0]],
    ['cutoff_mg_L', [1, 1, -0.1]],
  ] as const)('a wrong %s is named', (field, [grade, sd, cutoff]) =>
    expect(() => chanceItPays(grade, sd, cutoff)).toThrow(field),
  );
});
