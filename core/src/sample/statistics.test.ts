import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { betaCdf } from '../maths/beta.ts';
import { compoundGammaCdf, compoundGammaQuantile } from '../maths/compoundGamma.ts';
import { gammaQuantile } from '../maths/gamma.ts';
import { gammaDraw, normalDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { factorRows, solveFactored } from '../maths/symmetric.ts';
import { solveInPlace } from '../maths/solve.ts';
import { binomialLimits } from './binomialLimits.ts';
import { judgedByItsTop } from './bucketOrder.ts';
import {
  COLOR_CV,
  COLOR_MG,
  FLATNESS_LOG_SD,
  NO_COLORS,
  usualWeights,
  WEIGHED_CLASSES,
  type ColorCounts,
} from './colorWeights.ts';
import { detectionLimit } from './detectionLimit.ts';
import { correctForHands, handsRecovery } from './handsRecovery.ts';
import { beliefMean_mg_L, chanceAbove, gradeBelief } from './gradeBelief.ts';
import { learnColorWeights } from './learnColorWeights.ts';
import { bandAfter, pansToCall, pansUntilWithin } from './morePans.ts';
import { blankLimit, poissonLimits } from './poissonLimits.ts';
import { poolGround } from './poolGround.ts';
import { chancesOfBest } from './bestOfAll.ts';
import { chanceRicher } from './richer.ts';
import { evidenceOf, sampleGrade } from './sampleGrade.ts';
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

test('a symmetric factor solves as elimination does, and says where there is none', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 20, maxLength: 20 }), (numbers) => {
      const [m, b] = [numbers.slice(0, 16), numbers.slice(16)];
      // M M^T + I is symmetric and positive definite.
      const a = Float64Array.from({ length: 16 }, (_, k) => {
        const [i, j] = [Math.floor(k / 4), k % 4];
        return [0, 1, 2, 3].reduce((sum, l) => sum + m[4 * i + l] * m[4 * j + l], i === j ? 1 : 0);
      });
      const [byFactor, byElimination, whole] = [Float64Array.from(b), Float64Array.from(b), a.slice()];
      const factor = new Float64Array(16);
      expect(factorRows(a, factor, 4)).toBe(4);
      solveFactored(factor, byFactor, 4);
      solveInPlace(whole, byElimination, 4);
      byFactor.forEach((v, i) => expect(v).toBeCloseTo(byElimination[i], 7));
    }),
    runs,
  );
  expect(factorRows(Float64Array.of(1, 2, 2, 1), new Float64Array(4), 2)).toBe(1);
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
    const belief = gradeBelief(
      evidenceOf(
        [{ volumeBank_L: c.inputs['volume_L'], counts: fine(c.inputs['count']) }],
        { '10-20': 1, '20-40': 1, '-40': 1 },
        1,
      ),
      { meanColor_mg: 1 },
    );
    expectNear(belief.shape, c.expected['posterior_shape'], c);
    expectNear(beliefMean_mg_L(belief), c.expected['mean_per_L'], c);
  });
  const spot = (n: number, volumeBank_L = 12) => ({
    volumeBank_L,
    belief: gradeBelief(evidenceOf([{ volumeBank_L, counts: fine(n) }], COLOR_MG, COLOR_MG['-40']), {
      meanColor_mg: COLOR_MG['-40'],
    }),
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
  test('spots as 40,000 seeded draws have it, those that found the same among them', () => {
    const random = seededRandom(1763);
    const beliefs = [spot(3), spot(6, 20), spot(0, 4), spot(3), spot(3), spot(0, 4)].map((s) => s.belief);
    const wins = beliefs.map(() => 0);
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
            gradeBelief(evidenceOf(pans, COLOR_MG, 1), { meanColor_mg: 1 }),
            gradeBelief(evidenceOf([...pans].reverse(), COLOR_MG, 1), { meanColor_mg: 1 }),
          ];
          expect(a.shape).toBeCloseTo(b.shape, 8);
          expect(chanceRicher(a, b)).toBeCloseTo(0.5, 6);
          // Scatter never narrows what is believed.
          expect(
            gradeBelief(evidenceOf(pans, COLOR_MG, 1), { meanColor_mg: 1, scatterVariance: 0.36 }).shape,
          ).toBeLessThanOrEqual(a.shape);
        },
      ),
      runs,
    );
  });
  const toCome = { pan_L: 4, color_mg: COLOR_MG['-40'], panVariance: 0.2 };
  test('more pans to call it: so many do so as often as is said, whatever the pans to come show (2,000 seeded futures)', () => {
    const [a, b] = [spot(9).belief, spot(5).belief];
    const needed = pansToCall(a, b, toCome);
    if (needed.kind !== 'pans') throw new Error(needed.kind);
    expect(needed.chance).toBeGreaterThanOrEqual(0.65);
    // Drawn here pan by pan and color by color; there all pans of a spot at once.
    const random = seededRandom(20_261_126);
    let called = 0;
    for (let i = 0; i < 2000; i++) {
      const after = [a, b].map((belief, k) => {
        const grade = gammaDraw(belief.shape, random) / belief.rate_L_mg;
        let colors = [9, 5][k];
        for (let pan = 0; pan < needed.pans; pan++)
          colors += poissonDraw((grade * (gammaDraw(5, random) / 5) * 4) / COLOR_MG['-40'], random);
        const volumeBank_L = 12 + 4 * needed.pans;
        const scatter = scatterVariance([12, ...Array.from({ length: needed.pans }, () => 4)], 0.2);
        return gradeBelief(evidenceOf([{ volumeBank_L, counts: fine(colors) }], COLOR_MG, COLOR_MG['-40']), {
          meanColor_mg: COLOR_MG['-40'],
          scatterVariance: scatter,
        });
      });
      const chance = chanceRicher(after[0], after[1]);
      if (Math.max(chance, 1 - chance) >= 0.9) called++;
    }
    // One in seven of the grounds imagined there has two alike; none of these has.
    expect(called / 2000).toBeGreaterThan(needed.chance - 0.02);
    expect(called / 2000).toBeLessThan(needed.chance + 0.25);
  });
  test('spots beyond doubt are called now, alike ones never', () => {
    expect(pansToCall(spot(30).belief, spot(2).belief, toCome)).toEqual({ kind: 'now' });
    const alike = { shape: 4000, rate_L_mg: 4000 };
    expect(pansToCall(alike, alike, toCome)).toEqual({ kind: 'never' });
  });
  test('four times the ground halves the band where pans are even, and a third takes about 24 colors', () => {
    const even = { ...toCome, panVariance: 0 };
    const some = spot(40).belief;
    const [now, then] = [bandAfter(some, 0, even), bandAfter(some, 9, even)];
    expect((now.high_mg_L - now.low_mg_L) / (then.high_mg_L - then.low_mg_L)).toBeCloseTo(2, 1);
    // 1.645 / sqrt(n) = 1/3 gives n = 24.4 (normal approximation); it has to come off three times in four, so a few more.
    const needed = pansUntilWithin(spot(12).belief, even);
    if (needed.kind !== 'pans') throw new Error(needed.kind);
    expect(12.5 * (1 + (needed.pans * 4) / 12)).toBeGreaterThan(24);
    expect(12.5 * (1 + (needed.pans * 4) / 12)).toBeLessThan(45);
    expect(chanceAbove(some, beliefMean_mg_L(some))).toBeGreaterThan(0.4);
  });
  test('where the weight of a color is not known no pans bring the band within a third: weighing does', () =>
    expect(pansUntilWithin({ ...spot(12).belief, commonLogSd: 0.6 }, toCome)).toEqual({ kind: 'weigh' }));
});

describe('what is not known of the weight of a color', () => {
  test('a gamma times a log-normal of mean 1, as 200,000 seeded draws have it', () => {
    const random = seededRandom(1930);
    const [shape, logSd] = [3, 0.5];
    const drawn = Array.from(
      { length: 200_000 },
      () => gammaDraw(shape, random) * Math.exp(logSd * normalDraw(random) - logSd ** 2 / 2),
    ).sort((a, b) => a - b);
    for (const chance of [0.05, 0.25, 0.5, 0.75, 0.95])
      expect(compoundGammaQuantile(chance, shape, logSd) / drawn[Math.floor(chance * drawn.length)]).toBeCloseTo(1, 1);
    for (const p of [1e-6, 0.05, 0.5, 0.95, 1 - 1e-6])
      expect(compoundGammaCdf(compoundGammaQuantile(p, shape, logSd), shape, logSd) / p).toBeCloseTo(1, 9);
    expect(compoundGammaQuantile(0.9, shape, 0)).toBeCloseTo(gammaQuantile(0.9, shape), 9);
  });
  test('what a blank leaves open grows with it; 3 colors where all is known (rule of three)', () => {
    expect(blankLimit(0.95)).toBeCloseTo(-Math.log(0.05), 12);
    expect(blankLimit(0.95, 0, 0.5)).toBeGreaterThan(blankLimit(0.95));
    // Zero term averaged over the weight, by 100,000 seeded draws.
    const random = seededRandom(3);
    const limit = blankLimit(0.95, 0.3, 0.5);
    let none = 0;
    for (let i = 0; i < 100_000; i++)
      none += (1 + (0.3 * limit) / Math.exp(0.5 * normalDraw(random) - 0.125)) ** (-1 / 0.3);
    expect(none / 100_000).toBeCloseTo(0.05, 2);
  });
});

describe('spots beside each other', () => {
  const evidence = (n: number, litres = 12) => ({
    grade_mg_L: n / litres,
    oneColor_mg_L: 1 / litres,
    scatterVariance: 0,
    commonLogSd: 0,
  });
  test('each is pulled toward the others, the less the more it rests on', () => {
    const { beliefs, ground } = poolGround([
      ...[3, 4, 2, 5, 3].map((n) => evidence(n)),
      evidence(20),
      evidence(200, 120),
    ]);
    const [few, many] = [beliefs[5], beliefs[6]];
    expect(beliefMean_mg_L(few)).toBeLessThan(20 / 12);
    expect(beliefMean_mg_L(few)).toBeGreaterThan(ground?.mean_mg_L ?? NaN);
    expect(200 / 120 - beliefMean_mg_L(many)).toBeLessThan(0.4 * (20 / 12 - beliefMean_mg_L(few)));
  });
  test('where the ground is known beforehand it is the gamma-Poisson posterior (Gelman et al., eq. 2.14): 60 spots drawn alike', () => {
    const random = seededRandom(12);
    const truth = Array.from({ length: 60 }, () => gammaDraw(4, random) / 4);
    const counts = truth.map((g) => poissonDraw(g * 8, random));
    const { beliefs } = poolGround(counts.map((n) => evidence(n, 8)));
    // Shape 4, mean 1: (4 + n) / (4 + 8).
    const off = counts.map((n, i) => beliefMean_mg_L(beliefs[i]) / ((4 + n) / 12) - 1);
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(0.25);
    expect(off.reduce((a, b) => a + b, 0) / 60).toBeCloseTo(0, 1);
  });
  test('a blank beside rich spots is poor, beside blanks it is poorer', () => {
    const of = (others: number): number =>
      beliefMean_mg_L(poolGround([evidence(0), ...Array.from({ length: 6 }, () => evidence(others))]).beliefs[0]);
    expect(of(9)).toBeGreaterThan(of(1));
    expect(of(9)).toBeLessThan(0.4);
    expect(poolGround([])).toEqual({ beliefs: [], ground: null });
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
    expect(scatterVariance([5, 5, 5, 5], 0.36)).toBeCloseTo(0.36 / 4, 12));
  test('a spot whose first twenty pans are blank and a later one is not says nothing of scatter, and breaks nothing', () => {
    const late = [...Array.from({ length: 20 }, () => 0), 4].map((colors) => ({ colors, volumeBank_L: 4 }));
    expect(betweenPanScatter([late])).toBeNull();
    const even = [5, 6, 5, 4, 6, 5].map((colors) => ({ colors, volumeBank_L: 4 }));
    expect(betweenPanScatter([late, even])?.cv).toBeGreaterThanOrEqual(0);
  });
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
        { oneMoreColor_mg: COLOR_MG['-40'], scatterVariance: scatterVariance([4, 4, 4, 4, 4], cv ** 2) },
      );
      if (grade.kind === 'band' && grade.low_mg_L <= COLOR_MG['-40'] && COLOR_MG['-40'] <= grade.high_mg_L) held++;
    }
    expect(held / 2000).toBeGreaterThan(0.85);
    expect(held / 2000).toBeLessThan(0.95);
  });
});

describe('weights of colors', () => {
  test('nothing weighed is what is usual', () =>
    expect(learnColorWeights([], 'geometry').classes['-40']).toMatchObject({
      mg: expect.closeTo(COLOR_MG['-40'], 9),
      usual_mg: COLOR_MG['-40'],
      weighedColors: 0,
    }));
  test('one class alone is the conjugate normal mean of its logarithm (Gelman et al., eq. 2.11)', () => {
    const counted = fine(400);
    const usual = usualWeights('geometry', counted)['-40'];
    const gold_mg = 400 * usual.mg * 0.5;
    const learned = learnColorWeights([{ counts: counted, gold_mg }]).classes['-40'];
    const prior = FLATNESS_LOG_SD ** 2 + usual.logSd ** 2;
    const data = Math.log1p(COLOR_CV['-40'] ** 2 / 400 + 0.1 ** 2);
    const mode = (Math.log(usual.mg) - prior / 2) / prior + (Math.log(gold_mg / 400) + data / 2) / data;
    const variance = 1 / (1 / prior + 1 / data);
    expect(Math.log(learned.mg)).toBeCloseTo(mode * variance + variance / 2, 6);
    expect(Math.log(learned.high_mg / learned.low_mg)).toBeCloseTo(2 * 1.645 * Math.sqrt(variance), 6);
  });
  test('flat gold is flat in every class: heavy fine colors raise what a coarser one is taken for', () => {
    const { classes } = learnColorWeights([{ counts: fine(400), gold_mg: 400 * COLOR_MG['-40'] * 2 }]);
    expect(classes['20-40'].mg).toBeGreaterThan(1.15 * classes['20-40'].usual_mg);
    expect(classes['20-40'].high_mg / classes['20-40'].low_mg).toBeGreaterThan(
      classes['-40'].high_mg / classes['-40'].low_mg,
    );
  });
  test('goes to the truth with many weighed counts of mixed classes, in any order', () => {
    const random = seededRandom(4);
    const truth = { '10-20': 8, '20-40': 1.2, '-40': 0.15 };
    const weighed = Array.from({ length: 200 }, () => {
      const counts = {
        '+10': 0,
        '10-20': poissonDraw(2, random),
        '20-40': poissonDraw(6, random),
        '-40': 1 + poissonDraw(20, random),
      };
      return {
        counts,
        // Single colors of a class differ: their sum is a gamma of that mean and spread.
        gold_mg: WEIGHED_CLASSES.reduce(
          (sum, c) =>
            sum + (counts[c] > 0 ? gammaDraw(counts[c] / COLOR_CV[c] ** 2, random) * COLOR_CV[c] ** 2 * truth[c] : 0),
          0,
        ),
      };
    });
    const learned = learnColorWeights(weighed).classes;
    for (const c of WEIGHED_CLASSES) {
      expect(learned[c].low_mg).toBeLessThan(truth[c]);
      expect(learned[c].high_mg).toBeGreaterThan(truth[c]);
    }
    expect(learned['20-40'].mg).toBeCloseTo(1.2, 0);
    expect(learnColorWeights([...weighed].reverse()).classes['20-40'].mg).toBeCloseTo(learned['20-40'].mg, 6);
  });
  test('a piece over No. 10 teaches nothing; gold without a count is refused', () => {
    const none = learnColorWeights([{ counts: { ...fine(4), '+10': 1 }, gold_mg: 300 }]).classes['-40'];
    expect([none.mg, none.weighedColors]).toEqual([expect.closeTo(none.usual_mg, 9), 0]);
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
