import { describe, expect, test } from '@jest/globals';
import { aBox } from '../../test/aBox.ts';
import { OutOfRange } from '../outOfRange.ts';
import { blackSandShare, cleanUpAfter_m3 } from './cleanUpAfter.ts';
import { USUAL_MIX } from './goldMix.ts';
import { LININGS } from './linings.ts';
import { loadUp } from './loadUp.ts';
import { drawnBoxes, weighBox } from './weighBox.ts';

const BUCKET_M3 = 0.0189;
const drawn = drawnBoxes(USUAL_MIX, 10);

describe('when a box is full of black sand', () => {
  test('sandy ground of 1 % is cleaned up after 3 to 14 buckets (common practice, no source)', () => {
    const buckets = cleanUpAfter_m3(aBox(), drawn, 0.01).middle / BUCKET_M3;
    expect(buckets).toBeGreaterThan(3);
    expect(buckets).toBeLessThan(14);
  });
  test('it is seven tenths full just then, as the load-up has it', () => {
    const setting = aBox();
    const one = {
      ...drawn,
      boxes: drawn.boxes.slice(0, 1),
      settling: drawn.settling.slice(0, 1),
      weights: new Float64Array([1]),
    };
    const { middle } = cleanUpAfter_m3(setting, one);
    const [solved] = weighBox(setting, one).solved;
    const heavies = middle * 0.65 * 2650 * (one.boxes[0]?.blackSand ?? NaN);
    const { holds_kg_m2 } = LININGS.riffles;
    const heavyRate_per_m = solved?.sections[0]?.heavyRate_per_m ?? NaN;
    const [filled] = loadUp(
      [{ length_m: 0.9144, width_m: 0.254, holds_kg_m2, heavyRate_per_m, goldRate_per_m: 0 }],
      heavies,
    );
    expect((filled?.held_kg ?? NaN) / (holds_kg_m2 * 0.9144 * 0.254)).toBeCloseTo(0.7, 6);
  });
  test('weighed black sand narrows it; twice as much fills it in half the gravel', () => {
    const ratio = (s: { low: number; high: number }) => s.high / s.low;
    expect(ratio(cleanUpAfter_m3(aBox(), drawn, 0.01))).toBeLessThan(0.5 * ratio(cleanUpAfter_m3(aBox(), drawn)));
    expect(cleanUpAfter_m3(aBox(), drawn, 0.02).middle).toBeCloseTo(cleanUpAfter_m3(aBox(), drawn, 0.01).middle / 2, 9);
  });
  test('what was weighed over what was fed: 1.7225 kg of a tenth of a cubic meter is one part in a hundred', () => {
    expect(blackSandShare(1.7225, 0.1)).toBeCloseTo(0.01, 12);
    expect(() => blackSandShare(1, 0)).toThrow(OutOfRange);
    expect(() => cleanUpAfter_m3(aBox(), drawn, 0)).toThrow(OutOfRange);
  });
});
