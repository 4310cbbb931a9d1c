import { describe, expect, test } from '@jest/globals';
import { gammaDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { OutOfRange } from '../outOfRange.ts';
import { likelyGrades } from './chanceToPay.ts';
import { cameOf, eyeRecord, likeliest, panForecast } from './panForecast.ts';

const RULES = { pays_mg_L: 0.2, spotCv: 1, pan_L: 5, color_mg: 0.1, panVariance: 0.5 };

describe('what the next pan will show', () => {
  test('by hand: one known grade without patches is Poisson; ten colors in five litres pay', () => {
    const chances = panForecast([{ grade_mg_L: 0.04, weight: 1 }], { ...RULES, panVariance: 0 });
    // Mean 2: blank exp(-2); ten or more 4.65e-5 (tables of the Poisson).
    expect(chances.blank).toBeCloseTo(Math.exp(-2), 4);
    expect(chances.rich).toBeCloseTo(4.65e-5, 6);
    expect(chances.blank + chances.some + chances.rich).toBeCloseTo(1, 12);
  });
  test('of a grade only believed: the shares of a simulation that draws grade, patch and count', () => {
    const grades = likelyGrades(0.3, null, 0.2, 1);
    const chances = panForecast(grades, RULES);
    const random = seededRandom(11);
    const came = { blank: 0, some: 0, rich: 0 };
    const DRAWS = 100_000;
    for (let i = 0; i < DRAWS; i++) {
      let at = random();
      const grade = grades.find((g) => (at -= g.weight) <= 0)?.grade_mg_L ?? 0;
      const n = poissonDraw((grade * gammaDraw(2, random) * 0.5 * 5) / 0.1, random);
      came[cameOf(n, n === 0 ? null : (n * 0.1) / 5, 0.2)] += 1 / DRAWS;
    }
    for (const s of ['blank', 'some', 'rich'] as const) expect(Math.abs(chances[s] - came[s])).toBeLessThan(0.01);
    expect(likeliest({ blank: 0.2, some: 0.5, rich: 0.3 })).toBe('some');
  });
  test('a weighed pan without a counted color is no blank', () => {
    expect(cameOf(0, 0.3, 0.2)).toBe('rich');
    expect(cameOf(0, 0.1, 0.2)).toBe('some');
    expect(cameOf(3, 0.19, 0.2)).toBe('some');
  });
  test('refuses a color of no weight', () =>
    expect(() => panForecast([], { ...RULES, color_mg: 0 })).toThrow(OutOfRange));
});

describe('whose eye is better', () => {
  test('by hand, kind by kind; a pan on which Riffle could not speak counts for neither', () => {
    const record = eyeRecord([
      { kinds: ['bar'], said: 'some', riffleSaid: 'blank', came: 'some' },
      { kinds: ['bar', 'bedrock'], said: 'rich', riffleSaid: 'some', came: 'some' },
      { kinds: ['bar'], said: 'blank', riffleSaid: 'blank', came: 'blank' },
      { kinds: ['bedrock'], said: 'rich', riffleSaid: null, came: 'rich' },
    ]);
    expect(record.all).toEqual({ pans: 3, eye: 2, riffle: 2 });
    expect(record.byKind).toEqual([
      { kind: 'bar', pans: 3, eye: 2, riffle: 2 },
      { kind: 'bedrock', pans: 1, eye: 0, riffle: 1 },
    ]);
    expect(eyeRecord([]).all.pans).toBe(0);
  });
});
