import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { poissonDraw, seededRandom } from '../maths/random.ts';
import { COLOR_CLASSES, COLOR_MG, countColors, NO_COLORS, type ColorCounts } from './colorWeights.ts';
import { volumeForParticles } from './howMuchToTake.ts';
import { poissonLimits } from './poissonLimits.ts';
import { evidenceOf, gradeFrom, sampleGrade, type SampleMeasure } from './sampleGrade.ts';

const runs = { seed: 20_260_502, numRuns: 200 };
const someCounts = fc.record({
  '+10': fc.constant(0),
  '10-20': fc.nat(4),
  '20-40': fc.nat(12),
  '-40': fc.nat(60),
}) as fc.Arbitrary<ColorCounts>;
const aSample = fc.record({ volumeBank_L: fc.double({ min: 0.5, max: 200, noNaN: true }), counts: someCounts });

/** Pans as one evidence, one more color being of the heaviest class as for a single pan. */
const together = (samples: readonly SampleMeasure[]) => evidenceOf(samples, COLOR_MG, COLOR_MG['10-20']);

describe('a grade', () => {
  test('lies inside its band', () => {
    fc.assert(
      fc.property(aSample, (sample) => {
        const grade = sampleGrade(sample);
        if (grade.kind !== 'band') return;
        expect(grade.low_mg_L).toBeLessThan(grade.grade_mg_L);
        expect(grade.high_mg_L).toBeGreaterThan(grade.grade_mg_L);
      }),
      runs,
    );
  });
  test('of twice the ground with twice the colors is the same grade, its band narrower', () => {
    fc.assert(
      fc.property(
        aSample.filter((s) => countColors(s.counts) > 0),
        (sample) => {
          const [one, two] = [sampleGrade(sample), gradeFrom(together([sample, sample]), {})];
          if (one.kind !== 'band' || two.kind !== 'band') throw new Error('colors give a band');
          expect(two.grade_mg_L / one.grade_mg_L).toBeCloseTo(1, 9);
          expect(two.high_mg_L - two.low_mg_L).toBeLessThan(one.high_mg_L - one.low_mg_L);
        },
      ),
      runs,
    );
  });
  test('one more color raises it and both ends of its band', () => {
    fc.assert(
      fc.property(
        aSample.filter((s) => countColors(s.counts) > 0),
        fc.constantFrom('10-20', '20-40', '-40'),
        (sample, size) => {
          const [now, more] = [
            sampleGrade(sample),
            sampleGrade({ ...sample, counts: { ...sample.counts, [size]: sample.counts[size as '-40'] + 1 } }),
          ];
          if (now.kind !== 'band' || more.kind !== 'band') throw new Error('colors give a band');
          expect(more.grade_mg_L).toBeGreaterThan(now.grade_mg_L);
          expect(more.high_mg_L).toBeGreaterThan(now.high_mg_L);
        },
      ),
      runs,
    );
  });
  test('the surer, the wider', () => {
    fc.assert(
      fc.property(
        aSample.filter((s) => countColors(s.counts) > 0),
        (sample) => {
          const [wide, narrow] = [sampleGrade(sample, { confidence: 0.99 }), sampleGrade(sample, { confidence: 0.8 })];
          if (wide.kind !== 'band' || narrow.kind !== 'band') throw new Error('colors give a band');
          expect(wide.low_mg_L).toBeLessThanOrEqual(narrow.low_mg_L);
          expect(wide.high_mg_L).toBeGreaterThanOrEqual(narrow.high_mg_L);
        },
      ),
      runs,
    );
  });
  test('does not depend on the order of the pans', () => {
    fc.assert(
      fc.property(fc.array(aSample, { minLength: 2, maxLength: 6 }), (samples) => {
        const forward = together(samples);
        const back = together([...samples].reverse());
        expect(back.colors).toBe(forward.colors);
        expect(back.volumeBank_L).toBeCloseTo(forward.volumeBank_L, 9);
        expect(back.gold?.gold_mg ?? 0).toBeCloseTo(forward.gold?.gold_mg ?? 0, 9);
        expect(back.gold?.variance_mg2 ?? 0).toBeCloseTo(forward.gold?.variance_mg2 ?? 0, 9);
      }),
      runs,
    );
  });
});

describe('limits of a count', () => {
  test('rise with the count, and hold it', () => {
    fc.assert(
      fc.property(fc.nat(500), fc.double({ min: 0.5, max: 0.99, noNaN: true }), (n, confidence) => {
        const [here, next] = [poissonLimits(n, confidence), poissonLimits(n + 1, confidence)];
        expect(here.low).toBeLessThanOrEqual(n);
        expect(here.high).toBeGreaterThanOrEqual(n);
        expect(next.low).toBeGreaterThan(here.low);
        expect(next.high).toBeGreaterThan(here.high);
      }),
      runs,
    );
  });
  test('hold the true mean at least as often as they say (2 000 seeded draws for each mean; Garwood’s are never too narrow)', () => {
    const random = seededRandom(1936);
    for (const mean of [0.5, 2, 6, 20]) {
      let held = 0;
      for (let i = 0; i < 2000; i++) {
        const { low, high } = poissonLimits(poissonDraw(mean, random));
        if (low <= mean && mean <= high) held++;
      }
      // Three standard errors of 2 000 draws at 90 % are 2 %.
      expect(held / 2000).toBeGreaterThan(0.88);
    }
  });
});

test('a sample of the size Clifton’s rule asks for holds that many colors on average (simulated)', () => {
  const random = seededRandom(1969);
  const { volume_L } = volumeForParticles(0.3, COLOR_MG['-40']);
  const perLitre = 0.3 / COLOR_MG['-40'];
  const mean =
    Array.from({ length: 4000 }, () => poissonDraw(perLitre * volume_L, random)).reduce((a, b) => a + b, 0) / 4000;
  expect(mean).toBeCloseTo(20, 0);
});

test('classes cover all sizes once', () => {
  expect(COLOR_CLASSES).toEqual(['+10', '10-20', '20-40', '-40']);
  expect(countColors({ ...NO_COLORS, '+10': 1, '-40': 2 })).toBe(3);
});
