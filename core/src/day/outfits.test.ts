import { describe, expect, test } from '@jest/globals';
import { weighOutfits, type Outfit, type OutfitDay } from './outfits.ts';

const sure = (middle: number) => ({ middle, logSd: 0 });
const BOX: Outfit = {
  id: 'box',
  pace_m3_h: sure(0.16),
  lost: sure(0.15),
  weight_kg: 9,
  setUp_h: 0.5,
  needsWater: true,
};
const WASHER: Outfit = {
  id: 'washer',
  pace_m3_h: sure(0.076),
  lost: sure(0.25),
  weight_kg: 40,
  setUp_h: 0.5,
  needsWater: false,
};
const PAN: Outfit = { id: 'pan', pace_m3_h: sure(0.04), lost: sure(0.1), weight_kg: 0, setUp_h: 0, needsWater: false };
const DAY: OutfitDay = { hours: 6, walk_h: 0.5, people: 1, carry_kg: 15, hasWater: true };
const by = (day: OutfitDay, outfits = [BOX, WASHER, PAN]) => new Map(weighOutfits(outfits, day).map((o) => [o.id, o]));

describe('which outfit to carry', () => {
  test('by hand: a box of 9 kg works five hours and a half of six, and keeps 85 in a hundred', () => {
    const box = by(DAY).get('box');
    expect(box).toMatchObject({ trips: 1, work_h: 5.5, best: 1, why: null });
    expect(box?.gravel_m3.middle).toBeCloseTo(0.88, 9);
    expect(box?.kept_m3.middle).toBeCloseTo(0.748, 9);
    // Three loads of 15 kg: two more walks there and back.
    expect(by(DAY).get('washer')).toMatchObject({ trips: 3, work_h: 3.5 });
  });
  test('where no water is the box stays at home; two carry the washer in two loads', () => {
    const dry = by({ ...DAY, hasWater: false, people: 2 });
    expect(dry.get('box')).toMatchObject({ why: 'no water', best: 0 });
    expect(dry.get('washer')).toMatchObject({ trips: 2, work_h: 4.5, best: 1 });
  });
  test('a short day on a far ground is for the pan', () => {
    const far = by({ ...DAY, hours: 2, walk_h: 1, hasWater: false });
    expect(far.get('washer')?.why).toBe('no time');
    expect(far.get('pan')?.best).toBe(1);
  });
  test('what is unsure shares the day; chances add up to one', () => {
    const two = [
      { ...BOX, pace_m3_h: { middle: 0.1, logSd: 0.3 } },
      { ...PAN, pace_m3_h: { middle: 0.085, logSd: 0.3 } },
    ];
    const found = by(DAY, two);
    const chances = [...found.values()].map((o) => o.best);
    expect(chances.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(Math.min(...chances)).toBeGreaterThan(0.1);
  });
  test('what nobody carries is said', () => {
    expect(by(DAY, [{ ...WASHER, weight_kg: 200 }]).get('washer')?.why).toBe('too heavy');
    expect(() => weighOutfits([BOX], { ...DAY, people: 0 })).toThrow('people');
  });
});
