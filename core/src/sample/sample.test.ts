import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { gammaCdf, gammaQuantile, lnGamma } from '../maths/gamma.ts';
import { poissonDraw, seededRandom } from '../maths/random.ts';
import {
  CLASS_MM,
  COLOR_MG,
  HANDBOOK_MG,
  NO_COLORS,
  usualWeights,
  WEIGHED_CLASSES,
  type ColorCounts,
} from './colorWeights.ts';
import { volumeForParticles } from './howMuchToTake.ts';
import { poissonLimits } from './poissonLimits.ts';
import { evidenceOf, goldColor_mg, meanColor_mg, sampleGrade } from './sampleGrade.ts';

describe('gamma functions', () => {
  // Abramowitz & Stegun (1964), table 6.1 and 26.8 (chi-square 0.95, 10 degrees: 18.307).
  test('lnGamma(0.5) is ln sqrt(pi); lnGamma(11) is ln 10!', () => {
    expect(lnGamma(0.5)).toBeCloseTo(Math.log(Math.sqrt(Math.PI)), 13);
    expect(lnGamma(11)).toBeCloseTo(Math.log(3_628_800), 11);
  });
  test('chi-square 0.95 with 10 degrees is 18.307', () => expect(2 * gammaQuantile(0.95, 5)).toBeCloseTo(18.307, 3));
  test('the quantile undoes the distribution', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 400, noNaN: true }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (shape, p) => {
          expect(gammaCdf(gammaQuantile(p, shape), shape)).toBeCloseTo(p, 8);
        },
      ),
    );
  });
});

test.each(referenceCases('08a-poisson-limits'))(
  'Garwood 1936 $inputs.count at $inputs.confidence (check values 08a: R poisson.test)',
  (c) => {
    const { low, high } = poissonLimits(c.inputs['count'], c.inputs['confidence']);
    expectNear(low, c.expected['lower'], c);
    expectNear(high, c.expected['upper'], c);
  },
);

test.each(referenceCases('08c-clifton-sample-size'))('Clifton 1969 $id (check values 08c)', (c) => {
  const answer = volumeForParticles(c.inputs['grade_mg_per_L'], c.inputs['flake_mass_mg'], c.inputs['particles']);
  expectNear(answer.volume_L, c.expected['volume_L'], c);
  expectNear(answer.relativeStandardError, c.expected['relative_standard_error'], c);
  expectNear(answer.chanceOfNone, c.expected['probability_of_none'], c);
});

test('the handbook school has the weights of the check values 10c (Wells 1969, from memory)', () => {
  const name = { 'medium -10+20': '10-20', 'fine -20+40': '20-40', 'very fine -40': '-40' } as const;
  for (const c of referenceCases('10c-colours-per-ounce'))
    expectNear(HANDBOOK_MG[name[c.inputs['size_class'] as keyof typeof name]], c.expected['mean_mass_mg'], c);
});

test('no usual weight passes the sphere that its sieve lets through (geometry: pi/6 d^3 of pure gold), whichever school; the handbook’s finest does and is held', () => {
  for (const school of ['geometry', 'handbook'] as const)
    for (const c of WEIGHED_CLASSES)
      expect(usualWeights(school)[c].mg).toBeLessThanOrEqual((Math.PI / 6) * CLASS_MM[c][1] ** 3 * 19.3);
  expect(HANDBOOK_MG['-40']).toBeGreaterThan((Math.PI / 6) * 0.425 ** 3 * 19.3);
  expect(usualWeights('handbook')['-40'].mg).toBeLessThan(HANDBOOK_MG['-40']);
});
test('a ground that shows few of a class has them near its lower sieve: they weigh less', () => {
  const of = (medium: number): number =>
    usualWeights('geometry', { '+10': 0, '10-20': medium, '20-40': 40, '-40': 90 })['10-20'].mg;
  expect(of(1)).toBeLessThan(0.6 * of(30));
});
test('flake masses by class lie between those of the check values 10a at the class’s ends', () => {
  // A disc 0.3 times as thick as wide, 17.5 mg/mm3: pi/4 x 0.3 x 17.5 d^3.
  const disc = (mm: number): number => (Math.PI / 4) * 0.3 * 17.5 * mm ** 3;
  for (const c of WEIGHED_CLASSES) {
    expect(COLOR_MG[c]).toBeGreaterThan(disc(CLASS_MM[c][0]));
    expect(COLOR_MG[c]).toBeLessThan(disc(CLASS_MM[c][1]));
  }
});

const counts = (c: Partial<ColorCounts>): ColorCounts => ({ ...NO_COLORS, ...c });

test('samples of one spot add up, each as it was weighed or counted; the grade rests on weight only when all that showed gold was weighed', () => {
  const weighed = { volumeBank_L: 4, counts: counts({ '-40': 2 }), gold_mg: 1 };
  const blank = { volumeBank_L: 6, counts: NO_COLORS };
  const counted = { volumeBank_L: 5, counts: counts({ '20-40': 1 }) };
  expect(evidenceOf([weighed, blank], COLOR_MG, 1)).toMatchObject({
    volumeBank_L: 10,
    colors: 2,
    gold: { gold_mg: 1 },
    allWeighed: true,
  });
  expect(evidenceOf([weighed, counted], COLOR_MG, 1)).toMatchObject({
    volumeBank_L: 9,
    colors: 3,
    gold: { gold_mg: 1 + COLOR_MG['20-40'] },
    allWeighed: false,
  });
});

describe('grade of a sample', () => {
  test('colors of one class have Garwood’s limits', () => {
    const grade = sampleGrade({ volumeBank_L: 10, counts: counts({ '-40': 7 }) }, { oneMoreColor_mg: COLOR_MG['-40'] });
    const { low, high } = poissonLimits(7);
    expect(grade).toMatchObject({ kind: 'band', colors: 7, restsOn: 'counts' });
    if (grade.kind !== 'band') throw new Error('no band');
    expect(grade.grade_mg_L).toBeCloseTo((7 * COLOR_MG['-40']) / 10, 12);
    expect(grade.low_mg_L).toBeCloseTo((low * COLOR_MG['-40']) / 10, 9);
    expect(grade.high_mg_L).toBeCloseTo((high * COLOR_MG['-40']) / 10, 9);
  });
  test('a blank gives less than, never zero: 3.0 colors of the ground’s mean weight (-ln 0.05)', () => {
    expect(sampleGrade({ volumeBank_L: 12, counts: NO_COLORS }, { blankColor_mg: 0.6 })).toEqual({
      kind: 'blank',
      lessThan_mg_L: expect.closeTo((2.995732 * 0.6) / 12, 6),
      confidence: 0.95,
      blankColor_mg: 0.6,
    });
  });
  test('weighed gold replaces the table', () => {
    expect(sampleGrade({ volumeBank_L: 10, counts: counts({ '20-40': 4 }), gold_mg: 5 })).toMatchObject({
      grade_mg_L: 0.5,
      restsOn: 'weight',
    });
  });
  test('a piece over No. 10 alone has no grade until it is weighed', () => {
    expect(sampleGrade({ volumeBank_L: 10, counts: counts({ '+10': 1 }) })).toEqual({
      kind: 'coarse only',
      unweighedCoarse: 1,
    });
  });
  test('no volume, no grade', () =>
    expect(() => sampleGrade({ volumeBank_L: 0, counts: NO_COLORS })).toThrow(/volumeBank_L is 0/));
  test('the mean color is weighed by counts', () => {
    expect(meanColor_mg([counts({ '-40': 3 }), counts({ '20-40': 1 })])).toBeCloseTo(
      (3 * COLOR_MG['-40'] + COLOR_MG['20-40']) / 4,
      12,
    );
    expect(meanColor_mg([NO_COLORS])).toBeNull();
    // By hand: sum(w^2 n) / sum(w n).
    expect(goldColor_mg([counts({ '-40': 3 }), counts({ '20-40': 1 })])).toBeCloseTo(
      (3 * COLOR_MG['-40'] ** 2 + COLOR_MG['20-40'] ** 2) / (3 * COLOR_MG['-40'] + COLOR_MG['20-40']),
      12,
    );
  });
  test('the 90 % band holds the true grade in at least 88 % of 2 000 seeded repeats', () => {
    const random = seededRandom(20_240_611);
    const perLitre = { '10-20': 0.02, '20-40': 0.15, '-40': 0.6 } as const;
    const truth = Object.entries(perLitre).reduce((sum, [c, n]) => sum + n * COLOR_MG[c as keyof typeof perLitre], 0);
    let held = 0;
    for (let i = 0; i < 2000; i++) {
      const drawn = counts(
        Object.fromEntries(Object.entries(perLitre).map(([c, n]) => [c, poissonDraw(n * 60, random)])),
      );
      const grade = sampleGrade({ volumeBank_L: 60, counts: drawn });
      if (grade.kind === 'band' && grade.low_mg_L <= truth && truth <= grade.high_mg_L) held++;
    }
    expect(held / 2000).toBeGreaterThan(0.88);
    expect(held / 2000).toBeLessThan(0.99);
  });
});
