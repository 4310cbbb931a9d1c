import { expect, test } from '@jest/globals';
import type { StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { outfitsOf, PANS, usualWeight_kg } from './outfitsOf.ts';

const BOX = {
  id: 'box',
  name: 'Short',
  washer: null,
  sections: [{ width_m: 0.25, length_m: 1.2 }],
} as unknown as StoredRig;
const WASHER = {
  id: 'washer',
  name: 'Bellows',
  washer: {},
  sections: [{ width_m: 0.3, length_m: 0.76 }],
} as unknown as StoredRig;
const SETUPS = [
  { id: 'wet', rigId: 'box', air: null },
  { id: 'first', rigId: 'washer', air: { pass: 1 } },
  { id: 'second', rigId: 'washer', air: { pass: 2 } },
] as unknown as StoredSetup[];
const run = (setupId: string, hours: number, volumeLoose_L: number): StoredRun =>
  ({ setupId, tally: { running_s: 3600 * hours, volumeLoose_L } }) as unknown as StoredRun;

test('each rig at its own pace where it was run for half an hour, as most where it was not; pans weigh nothing more', () => {
  const outfits = outfitsOf([BOX, WASHER], [run('wet', 2, 300), run('first', 0.2, 60)], SETUPS, {}, 20, 5, true);
  expect(outfits.map((o) => [o.id, Number(o.pace_m3_h.middle.toFixed(4)), o.needsWater])).toEqual([
    ['box', 0.15, true],
    ['washer', 0.08, false],
    [PANS, 0.04, false],
  ]);
  const [, dryPan] = outfitsOf([BOX], [], SETUPS, {}, 20, 5, false);
  expect(dryPan?.lost.middle).toBeGreaterThan(outfits[2]?.lost.middle ?? 1);
  expect(outfits[0]?.pace_m3_h.logSd).toBeLessThan(outfits[1]?.pace_m3_h.logSd ?? 0);
});
test('tailings run again are no pace of gravel; a weight that was said goes before the usual one', () => {
  const [washer] = outfitsOf([WASHER], [run('second', 4, 900)], SETUPS, { washer: 31 }, 20, 5, false);
  expect(washer?.pace_m3_h.middle).toBeCloseTo(0.08, 9);
  expect(washer?.weight_kg).toBe(31);
  expect(usualWeight_kg(BOX)).toBe(7);
});
