import { describe, expect, test } from '@jest/globals';
import { ownFifths, worstFifth } from './ownFifths.ts';

const places = (said: number, paid: number, of: number) =>
  Array.from({ length: of }, (_, i) => ({ spotId: `${said}-${i}`, takenAt: '', said, paid: i < paid }));

describe('the own record in fifths', () => {
  test('counted by what was said, with the band of Clopper & Pearson (4 of 10 at 90 %: 0.15 to 0.70, tables)', () => {
    const [low, high] = ownFifths([...places(0.1, 0, 3), ...places(1, 4, 10)]);
    expect(low).toMatchObject({ from: 0, places: 3, paid: 0, low: 0 });
    expect(high).toMatchObject({ from: 0.8, said: 1, places: 10, paid: 4 });
    expect([high?.low, high?.high].map((x) => x?.toFixed(2))).toEqual(['0.15', '0.70']);
  });
  test('a fifth is called wrong only beyond luck, and only from enough places', () => {
    expect(worstFifth(ownFifths(places(0.75, 4, 5)))).toBeUndefined();
    expect(worstFifth(ownFifths(places(0.75, 0, 7)))).toBeUndefined();
    expect(worstFifth(ownFifths(places(0.75, 14, 20)))).toBeUndefined();
    expect(worstFifth(ownFifths([...places(0.75, 8, 20), ...places(0.1, 2, 20)]))).toMatchObject({
      from: 0.6,
      paid: 8,
    });
  });
});
