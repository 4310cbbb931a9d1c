import { expect, test } from '@jest/globals';
import { creditGold } from './creditGold.ts';

test('gold of one spot is that spot’s; of several, the mix’s, never shared out', () => {
  expect(
    creditGold([
      { gold_mg: 120, bySpot_L: { a: 100 }, boxWasClean: true },
      { gold_mg: 80, bySpot_L: { a: 50, b: 30 }, boxWasClean: true },
      { gold_mg: 30, bySpot_L: { a: 60, b: 0 }, boxWasClean: false },
    ]),
  ).toEqual([
    { spotIds: ['a'], volumeLoose_L: 160, gold_mg: 150, cleanups: 2, mayHoldOldGold: true },
    { spotIds: ['a', 'b'], volumeLoose_L: 80, gold_mg: 80, cleanups: 1, mayHoldOldGold: false },
  ]);
});
