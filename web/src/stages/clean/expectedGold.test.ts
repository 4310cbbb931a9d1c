import { describe, expect, test } from '@jest/globals';
import type { StoredForecast } from '@riffle/contract';
import { expectedGold, inOtherUnit, oddGold } from './expectedGold.ts';
import { newCleanup, readCleanup, usualSections, type SectionDraft } from './readCleanup.ts';

const FORECAST = { all: { low_mg: 8, middle_mg: 20, high_mg: 45 } } as StoredForecast;

/** A box cut in three, weighed so. */
const weighed = (...texts: string[]) => {
  const sections: SectionDraft[] = usualSections(undefined, false).map((s, i) => ({
    ...s,
    gold: { text: texts[i] ?? '', unit: 'mg' },
  }));
  return { sections, draft: newCleanup(false), ...readCleanup(newCleanup(false), sections, 0.2) };
};

describe('what the gold of a clean-up should come to', () => {
  test('by what was said, by what the ground gave before; by any ground only where neither is known', () => {
    expect(expectedGold(null, [], 60)).toEqual([{ by: 'any ground', low_mg: 0, high_mg: 6000 }]);
    const before = [
      { gold_mg: 30, volumeBank_L: 60 },
      { gold_mg: 12, volumeBank_L: 120 },
      { gold_mg: 0, volumeBank_L: 40 },
    ];
    expect(expectedGold(FORECAST, before, 100)).toEqual([
      { by: 'forecast', low_mg: 8, high_mg: 45 },
      { by: 'clean-ups', low_mg: expect.closeTo(10, 9), high_mg: 50 },
    ]);
  });
  test('the unit is read where it was typed, and the number stays in another', () => {
    const inHand = weighed('15 g', '3', '1');
    const odd = oddGold(inHand, expectedGold(FORECAST, [], 60));
    expect(odd?.other).toMatchObject({ unit: 'mg', total_mg: 19 });
    expect(odd?.sections).toEqual([0]);
    const [first] = inHand.sections;
    if (!first || !inHand.readings[0]) throw new Error('No section.');
    expect(inOtherUnit(first, inHand.readings[0].gold, 'mg').gold).toEqual({ text: '15', unit: 'mg' });
    // Said to be so it is asked no more, until it is another weight.
    const sure = { ...inHand, draft: { sure_mg: 15_004 } };
    expect(oddGold(sure, expectedGold(FORECAST, [], 60))).toBeNull();
    expect(oddGold({ ...sure, draft: { sure_mg: 15_000 } }, expectedGold(FORECAST, [], 60))).not.toBeNull();
  });
});
