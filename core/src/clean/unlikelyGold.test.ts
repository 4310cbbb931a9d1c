import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { GOLD_UNITS, unlikelyGold, type ExpectedGold, type TypedGold } from './unlikelyGold.ts';

const FORECAST: ExpectedGold = { by: 'forecast', low_mg: 8, high_mg: 45 };
const mg = (value: number): TypedGold => ({ value, unit: 'mg' });

describe('gold that is worth a question', () => {
  test('15 g for 15 mg: 333 times the most that was to be expected, and milligrams are offered', () => {
    expect(unlikelyGold([{ value: 15, unit: 'g' }], [FORECAST], true)).toEqual({
      total_mg: 15_000,
      times: expect.closeTo(333.3, 1),
      by: 'forecast',
      other: { unit: 'mg', of: [0], total_mg: 15 },
    });
  });
  test('one section of three in the wrong unit: that one is offered, and before the others are weighed', () => {
    const odd = unlikelyGold([{ value: 24, unit: 'g' }, mg(5), mg(1)], [FORECAST], true);
    expect(odd?.other).toEqual({ unit: 'mg', of: [0], total_mg: 30 });
    expect(unlikelyGold([{ value: 24, unit: 'g' }], [FORECAST], false)?.other).toMatchObject({ unit: 'mg' });
  });
  test('a rich clean-up, a poor one and an empty box are no question', () => {
    expect(unlikelyGold([mg(300)], [FORECAST], true)).toBeNull();
    expect(unlikelyGold([mg(1)], [FORECAST], true)).toBeNull();
    expect(unlikelyGold([mg(0)], [FORECAST], true)).toBeNull();
  });
  test('too little is asked once all is weighed; grams for milligrams turned round', () => {
    const wide: ExpectedGold = { by: 'clean-ups', low_mg: 900, high_mg: 5000 };
    expect(unlikelyGold([mg(1.5)], [wide], false)).toBeNull();
    expect(unlikelyGold([mg(1.5)], [wide], true)).toMatchObject({
      by: 'clean-ups',
      other: { unit: 'g', of: [0], total_mg: 1500 },
    });
  });
  test('the widest of what is known counts: a forecast that was far off is no reason to ask again each time', () => {
    const before: ExpectedGold = { by: 'clean-ups', low_mg: 300, high_mg: 900 };
    expect(unlikelyGold([mg(800)], [FORECAST], true)).not.toBeNull();
    expect(unlikelyGold([mg(800)], [FORECAST, before], true)).toBeNull();
  });
  test('what was to be expected is never asked about, and what is offered is never itself odd', () => {
    const amount = fc.record({
      value: fc.double({ min: 0.1, max: 5000, noNaN: true }),
      unit: fc.constantFrom(...GOLD_UNITS),
    });
    fc.assert(
      fc.property(
        fc.array(amount, { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 1e4, noNaN: true }),
        (typed, low_mg) => {
          const expected: ExpectedGold = { by: 'forecast', low_mg, high_mg: 6 * low_mg };
          const odd = unlikelyGold(typed, [expected], true);
          if (!odd) return;
          expect(odd.times > 10 || odd.times < 0.1).toBe(true);
          if (odd.other) {
            const again = typed.map((t, i) => (odd.other?.of.includes(i) ? { ...t, unit: odd.other.unit } : t));
            expect(unlikelyGold(again, [expected], true)).toBeNull();
          }
        },
      ),
    );
  });
});
