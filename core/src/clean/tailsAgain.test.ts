import { describe, expect, test } from '@jest/globals';

import { gammaDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { OutOfRange } from '../outOfRange.ts';
import { lossBySize, type LossBySize } from './lossBySize.ts';
import { tailsAgain } from './tailsAgain.ts';

const size = (held_mg: number, low: number, middle: number, high: number): LossBySize['sizes'][number] => ({
  over_m: null,
  under_m: 0.001,
  held_mg,
  lost: { low, middle, high },
  reason: '',
});
const told = (sizes: LossBySize['sizes']): LossBySize => ({
  sizes,
  lost_mg: { low: 0, middle: 0, high: 0 },
  told: 1,
});

describe('running the tails again', () => {
  test('by hand: half of 100 mg held went over, and half of that stays the second time at best', () => {
    const again = tailsAgain(told([size(100, 0.5, 0.5, 0.5)]), 2);
    // 100 mg held are half of 200 fed; of the 100 mg in the tails the box takes between a quarter and a half.
    expect(again).toMatchObject({
      gold_mg: { low: 25, middle: 37.5, high: 50 },
      perHour_mg: { low: 12.5, middle: 18.75, high: 25 },
      freshPerHour_mg: 50,
      // New ground with h hours of digging gives 50 / (1 + h) an hour in all: 25 at one hour, 12.5 at three.
      paysFromDigging_h_h: { low: 1, middle: 50 / 18.75 - 1, high: 3 },
    });
  });
  test('says nothing where the sizes speak for too little, or nothing went over', () => {
    expect(tailsAgain({ ...told([size(10, 0.5, 0.5, 0.5)]), told: 0.7 }, 1)).toBeNull();
    expect(tailsAgain({ sizes: [], lost_mg: null, told: 1 }, 1)).toBeNull();
    expect(tailsAgain(told([size(10, 0, 0, 0)]), 1)).toBeNull();
    expect(() => tailsAgain(told([size(10, 0.5, 0.5, 0.5)]), 0)).toThrow(OutOfRange);
  });
  test('without digging new ground always pays better, whatever was lost', () => {
    for (let lost = 0.05; lost < 1; lost += 0.05)
      expect(tailsAgain(told([size(10, lost, lost, lost)]), 1)?.paysFromDigging_h_h.low).toBeGreaterThanOrEqual(0);
  });

  // Held against ground that does not share its model: each piece has a rate of its own, so what is in the tails is what is hard to catch.
  test('what is said holds where every piece is caught at its own rate', () => {
    const random = seededRandom(20261127);
    const CUTS = [0, 0.2, 0.5, 1.2];
    const sections = [0, 1, 2].map((i) => ({ from_m: CUTS[i] ?? 0, to_m: CUTS[i + 1] ?? 0, lining: 'riffles' }));
    let [inBand, bands] = [0, 0];
    for (let box = 0; box < 200; box++) {
      const rates = [1.2 + 5 * random(), 0.5 + 2 * random()];
      const cells = sections.map(() => [0, 0]);
      let again_mg = 0;
      rates.forEach((rate, f) => {
        const piece_mg = f === 0 ? 1.5 : 0.2;
        for (let n = poissonDraw(f === 0 ? 150 : 500, random); n > 0; n--) {
          const own = rate * (gammaDraw(4, random) / 4);
          const lies = -Math.log(1 - random()) / own;
          const i = sections.findIndex((s) => lies >= s.from_m && lies < s.to_m);
          const row = cells[i];
          if (row) row[f] = (row[f] ?? 0) + piece_mg;
          else if (-Math.log(1 - random()) / own < 1.2) again_mg += piece_mg;
        }
      });
      const again = tailsAgain(lossBySize(sections, [0.0005], cells), 1);
      if (!again) continue;
      bands++;
      if (again_mg >= again.gold_mg.low && again_mg <= again.gold_mg.high) inBand++;
    }
    expect(bands).toBeGreaterThan(100);
    expect(inBand / bands).toBeGreaterThan(0.85);
  });
});
