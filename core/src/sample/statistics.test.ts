import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { betaCdf } from '../maths/beta.ts';
import { gammaDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { solveInPlace } from '../maths/solve.ts';
import { binomialLimits } from './binomialLimits.ts';
import { judgedByItsTop } from './bucketOrder.ts';
import { COLOR_MG, NO_COLORS, type ColorCounts } from './colorWeights.ts';
import { detectionLimit } from './detectionLimit.ts';
import { correctForHands, handsRecovery } from './handsRecovery.ts';
import { COLOR_SD, learnColorWeights, TABLE_SD } from './learnColorWeights.ts';
import { poissonLimits } from './poissonLimits.ts';
import {
  bandAfter,
  beliefMean_mg_L,
  chanceAbove,
  chanceRicher,
  chancesOfBest,
  gradeBelief,
  pansToCall,
  pansUntilWithin,
} from './richer.ts';
import { sampleGrade } from './sampleGrade.ts';
import { betweenPanScatter, scatterVariance } from './scatter.ts';

const runs = { seed: 20_261_125, numRuns: 100 };
const fine = (n: number): ColorCounts => ({ ...NO_COLORS, '-40': n });

describe('beta and binomial', () => {
  test.each(referenceCases('08b-clopper-pearson'))('limits $id', (c) => {
    const { low, high } = binomialLimits(c.inputs['successes'], c.inputs['trials'], c.inputs['confidence']);
    expectNear(low, c.expected['lower'], c);
    expectNear(high, c.expected['upper'], c);
  });
  test('I_x(a, b) against closed forms: I_x(1, b) = 1 - (1 - x)^b, and symmetry (Abramowitz & Stegun 26.5.2)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.double({ min: 0.2, max: 80, noNaN: true }),
        fc.double({ min: 0.2, max: 80, noNaN: true }),
        (x, a, b) => {
          expect(betaCdf(x, 1, b)).toBeCloseTo(1 - (1 - x) ** b, 10);
          expect(betaCdf(x, a, b) + betaCdf(1 - x, b, a)).toBeCloseTo(1, 10);
        },
      ),
      runs,
    );
  });
  test('more found than tried is refused', () => expect(() => binomialLimits(5, 4)).toThrow(/found/));
});

test('elimination solves what it is given', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 12, maxLength: 12 }), (numbers) => {
      const a = Float64Array.from(numbers.slice(0, 9), (v, i) => v + (i % 4 === 0 ? 20 : 0));
      const x = numbers.slice(9);
      const b = Float64Array.from([0, 1, 2], (i) => x.reduce((sum, v, j) => sum + a[i * 3 + j] * v, 0));
      solveInPlace(a, b, 3);
      x.forEach((v, i) => expect(b[i]).toBeCloseTo(v, 8));
    }),
    runs,
  );
  expect(() => solveInPlace(Float64Array.of(1, 2, 2, 4), Float64Array.of(1, 1), 2)).toThrow(/singular/);
});

describe('which is richer', () => {
  test.each(referenceCases('08f-probability-a-exceeds-b'))('chance $id', (c) => {
    expectNear(
      chanceRicher(
        { shape: c.inputs['shape_A'], rate_L_mg: c.inputs['rate_A_L'] },
        { shape: c.inputs['shape_B'], rate_L_mg: c.inputs['rate_B_L'] },
      ),
      c.expected['probability_A_exceeds_B'],
      c,
    );
  });
  test.each(
    referenceCases('08e-gamma-poisson').filter(
      (c) => c.inputs['prior_shape'] === 0.5 && c.inputs['prior_rate_L'] === 0,
    ),
  )('one class of colors is the gamma-Poisson posterior $id', (c) => {
    // A color of 1 mg and half a color as the prior is the published case.
    const belief = gradeBelief([{ volumeBank_L: c.inputs['volume_L'], counts: fine(c.inputs['count']) }], {
      meanColor_mg: 1,
      weights_mg: { '10-20': 1, '20-40': 1, '-40': 1 },
    });
    expectNear(belief.shape, c.expected['posterior_shape'], c);
    expectNear(beliefMean_mg_L(belief), c.expected['mean_per_L'], c);
  });
  const spot = (n: number, volumeBank_L = 12) => ({
    volumeBank_L,
    belief: gradeBelief([{ volumeBank_L, counts: fine(n) }], { meanColor_mg: COLOR_MG['-40'] }),
  });
  test('chances of being best sum to 1, agree with the pair, and follow the count', () => {
    const two = chancesOfBest([spot(9).belief, spot(4).belief]);
    expect(two[0]).toBeCloseTo(chanceRicher(spot(9).belief, spot(4).belief), 3);
    const four = chancesOfBest([spot(1).belief, spot(12).belief, spot(6).belief, spot(0).belief]);
    expect(four.reduce((a, b) => a + b)).toBeCloseTo(1, 9);
    expect([...four].sort((a, b) => b - a)).toEqual([four[1], four[2], four[0], four[3]]);
  });
  test('any two agree with the pair, however far apart; alike spots share alike', () => {
    fc.assert(
      fc.property(fc.nat(80), fc.nat(80), fc.double({ min: 2, max: 60, noNaN: true }), (a, b, litres) => {
        const [x, y] = [spot(a, litres).belief, spot(b).belief];
        expect(Math.abs(chancesOfBest([x, y])[0] - chanceRicher(x, y))).toBeLessThan(0.005);
      }),
      runs,
    );
    for (const chance of chancesOfBest(Array.from({ length: 40 }, () => spot(5).belief)))
      expect(chance).toBeCloseTo(1 / 40, 9);
    expect(chancesOfBest([])).toEqual([]);
  });
  test('three spots as 40,000 seeded draws have it', () => {
    const random = seededRandom(1763);
    const beliefs = [spot(3).belief, spot(6, 20).belief, spot(0, 4).belief];
    const wins = [0, 0, 0];
    for (let i = 0; i < 40_000; i++) {
      const drawn = beliefs.map((b) => gammaDraw(b.shape, random) / b.rate_L_mg);
      wins[drawn.indexOf(Math.max(...drawn))] = wins[drawn.indexOf(Math.max(...drawn))] + 1;
    }
    chancesOfBest(beliefs).forEach((chance, i) => expect(Math.abs(chance - wins[i] / 40_000)).toBeLessThan(0.01));
  });
  test('order of the pans does not matter; pans together are one pan of the whole when nothing scatters', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            volumeBank_L: fc.double({ min: 1, max: 30, noNaN: true }),
            counts: fc.record({ '+10': fc.constant(0), '10-20': fc.nat(3), '20-40': fc.nat(9), '-40': fc.nat(30) }),
          }),
          { minLength: 2, maxLength: 6 },
        ),
        (pans) => {
          const [a, b] = [
            gradeBelief(pans, { meanColor_mg: 1 }),
            gradeBelief([...pans].reverse(), { meanColor_mg: 1 }),
          ];
          expect(a.shape).toBeCloseTo(b.shape, 8);
          expect(chanceRicher(a, b)).toBeCloseTo(0.5, 6);
          // Scatter never narrows what is believed.
          expect(gradeBelief(pans, { meanColor_mg: 1, scatter_cv: 0.6 }).shape).toBeLessThanOrEqual(a.shape);
        },
      ),
      runs,
    );
  });
  test('more pans: the number found is the least that is enough', () => {
    const [a, b] = [spot(9), spot(5)];
    const n = pansToCall(a, b, 4) as number;
    const called = (more: number) =>
      chanceRicher(
        { shape: a.belief.shape * (1 + (more * 4) / 12), rate_L_mg: a.belief.rate_L_mg * (1 + (more * 4) / 12) },
        { shape: b.belief.shape * (1 + (more * 4) / 12), rate_L_mg: b.belief.rate_L_mg * (1 + (more * 4) / 12) },
      );
    expect(n).toBeGreaterThan(0);
    expect(called(n)).toBeGreaterThanOrEqual(0.9);
    expect(called(n - 1)).toBeLessThan(0.9);
    expect(pansToCall(spot(30), spot(2), 4)).toBe(0);
    expect(pansToCall(spot(6), spot(6), 4)).toBeNull();
  });
  test('four times the ground halves the band, and a third takes about 24 colors', () => {
    const some = spot(40);
    const [now, then] = [bandAfter(some, 0), bandAfter(some, 3 * 12)];
    expect((now.high_mg_L - now.low_mg_L) / (then.high_mg_L - then.low_mg_L)).toBeCloseTo(2, 1);
    // 1.645 / sqrt(n) = 1/3 gives n = 24.4 (normal approximation).
    const n = pansUntilWithin(spot(6), 4) as number;
    expect(6.5 * (1 + (n * 4) / 12)).toBeGreaterThan(22);
    expect(6.5 * (1 + (n * 4) / 12)).toBeLessThan(28);
    expect(chanceAbove(some.belief, beliefMean_mg_L(some.belief))).toBeGreaterThan(0.4);
  });
});

describe('scatter between pans', () => {
  const simulate = (cv: number, seed: number) => {
    const random = seededRandom(seed);
    return Array.from({ length: 40 }, () =>
      Array.from({ length: 5 }, () => ({
        volumeBank_L: 8,
        colors: poissonDraw(8 * 1.5 * (cv === 0 ? 1 : gammaDraw(1 / cv ** 2, random) * cv ** 2), random),
      })),
    );
  };
  test.each([0, 0.4, 0.8])('finds a scatter of %p again in simulated pans', (cv) => {
    const found = betweenPanScatter(simulate(cv, 1941));
    expect(found?.low).toBeLessThanOrEqual(cv + 1e-9);
    expect(found?.high).toBeGreaterThanOrEqual(cv - 1e-9);
    expect(Math.abs((found?.cv ?? 9) - cv)).toBeLessThan(0.17);
  });
  test('says nothing where no spot has two pans, or few have', () =>
    expect([
      betweenPanScatter([[{ colors: 4, volumeBank_L: 4 }], []]),
      betweenPanScatter([
        [
          { colors: 4, volumeBank_L: 4 },
          { colors: 9, volumeBank_L: 4 },
        ],
      ]),
    ]).toEqual([null, null]));
  test('many equal pans thin it out by their number', () =>
    expect(scatterVariance([5, 5, 5, 5], 0.6)).toBeCloseTo(0.36 / 4, 12));
  test('bands held wide enough by the scatter hold the truth: 2,000 spots of five patchy pans', () => {
    const random = seededRandom(36);
    const cv = 0.6;
    let held = 0;
    for (let i = 0; i < 2000; i++) {
      const counts = fine(
        Array.from({ length: 5 }, () => poissonDraw(4 * gammaDraw(1 / cv ** 2, random) * cv ** 2, random)).reduce(
          (a, b) => a + b,
        ),
      );
      const grade = sampleGrade(
        { volumeBank_L: 20, counts },
        { oneMoreColor_mg: COLOR_MG['-40'], scatterVariance: scatterVariance([4, 4, 4, 4, 4], cv) },
      );
      if (grade.kind === 'band' && grade.low_mg_L <= COLOR_MG['-40'] && COLOR_MG['-40'] <= grade.high_mg_L) held++;
    }
    expect(held / 2000).toBeGreaterThan(0.85);
    expect(held / 2000).toBeLessThan(0.95);
  });
});

describe('weights of colors', () => {
  test('nothing weighed is the table', () =>
    expect(learnColorWeights([])['-40']).toMatchObject({ mg: COLOR_MG['-40'], weighedColors: 0 }));
  test('one class alone is the conjugate normal mean (Gelman et al., eq. 2.11)', () => {
    const w = COLOR_MG['-40'];
    const learned = learnColorWeights([{ counts: fine(40), gold_mg: 40 * w * 0.5 }])['-40'];
    const [prior, data] = [1 / TABLE_SD ** 2, 40 / COLOR_SD ** 2];
    expect(learned.mg / w).toBeCloseTo((prior * 1 + data * 0.5) / (prior + data), 10);
    expect((learned.high_mg - learned.mg) / w).toBeCloseTo(1.645 / Math.sqrt(prior + data), 10);
  });
  test('goes to the truth with many weighed counts of mixed classes, in any order', () => {
    const random = seededRandom(4);
    const truth = { '10-20': 8, '20-40': 1.6, '-40': 0.3 };
    const weighed = Array.from({ length: 200 }, () => {
      const counts = {
        '+10': 0,
        '10-20': poissonDraw(2, random),
        '20-40': poissonDraw(6, random),
        '-40': 1 + poissonDraw(20, random),
      };
      return {
        counts,
        gold_mg: counts['10-20'] * truth['10-20'] + counts['20-40'] * truth['20-40'] + counts['-40'] * truth['-40'],
      };
    });
    const learned = learnColorWeights(weighed);
    expect(learned['10-20'].mg).toBeCloseTo(8, 0);
    expect(learned['20-40'].mg).toBeCloseTo(1.6, 0);
    expect(learned['-40'].low_mg).toBeLessThan(truth['-40'] + 0.05);
    expect(learnColorWeights([...weighed].reverse())['20-40'].mg).toBeCloseTo(learned['20-40'].mg, 9);
  });
  test('a piece over No. 10 teaches nothing; gold without a count is refused', () => {
    expect(learnColorWeights([{ counts: { ...fine(4), '+10': 1 }, gold_mg: 300 }])['-40'].mg).toBe(COLOR_MG['-40']);
    expect(() => learnColorWeights([{ counts: NO_COLORS, gold_mg: 3 }])).toThrow(/counts/);
  });
});

describe('hands, eyes and buckets', () => {
  test('recovery is that of all practice pans together', () => {
    expect(
      handsRecovery([
        { putIn: 10, cameBack: 9 },
        { putIn: 20, cameBack: 15 },
      ]),
    ).toMatchObject({ share: 0.8, putIn: 30, cameBack: 24, ...binomialLimits(24, 30) });
    expect(handsRecovery([])).toBeNull();
    expect(() => handsRecovery([{ putIn: 10, cameBack: 11 }])).toThrow(/cameBack/);
  });
  test('a corrected grade is higher and its band wider in proportion', () => {
    const hands = handsRecovery([{ putIn: 30, cameBack: 24 }]);
    if (!hands) throw new Error('there are hands');
    const band = { grade_mg_L: 0.2, low_mg_L: 0.12, high_mg_L: 0.33 };
    const corrected = correctForHands(band, hands);
    expect(corrected.grade_mg_L).toBeCloseTo(0.25, 12);
    expect(corrected.high_mg_L / corrected.low_mg_L).toBeGreaterThan(band.high_mg_L / band.low_mg_L);
    const sure = correctForHands(band, { share: 1, low: 1, high: 1, putIn: 1, cameBack: 1 });
    for (const k of ['grade_mg_L', 'low_mg_L', 'high_mg_L'] as const) expect(sure[k]).toBeCloseTo(band[k], 12);
    expect(() => correctForHands(band, { ...hands, share: 0 })).toThrow(/keeps nothing/);
  });
  test('nothing below 60 micrometres is seen (common practice); worse light, worse pan, worse eyes see less', () => {
    const best = detectionLimit({ pan: 'black or dark', light: 'sun', eyes: 'sharp or with glasses' });
    expect(best.size_m).toBeCloseTo(60e-6, 12);
    for (const worse of [{ pan: 'bare steel' }, { light: 'lamp' }, { eyes: 'without my glasses' }] as const)
      expect(
        detectionLimit({ pan: 'black or dark', light: 'sun', eyes: 'sharp or with glasses', ...worse }).size_m,
      ).toBeGreaterThan(best.size_m);
  });
  test('a bucket is judged by its top until its last pan is panned, in whatever order', () => {
    expect(
      judgedByItsTop([
        { nth: 1, of: 4 },
        { nth: 2, of: 4 },
      ]),
    ).toEqual({ panned: 2, of: 4 });
    expect(
      judgedByItsTop([
        { nth: 4, of: 4 },
        { nth: 1, of: 4 },
      ]),
    ).toBeNull();
    expect(judgedByItsTop([])).toBeNull();
    expect(() => judgedByItsTop([{ nth: 5, of: 4 }])).toThrow(/nth/);
  });
  test('a blank says less than a count of one in either way of saying', () =>
    expect(poissonLimits(0).high).toBeLessThan(poissonLimits(1).high));
});
