import { describe, expect, test } from '@jest/globals';
import { asTyped, emptyInPlace, readInPlace } from './readInPlace.ts';

describe('how a ground is to be mapped', () => {
  const draft = emptyInPlace('creek', false);
  test('an untouched page has no fault, takes samples of every depth, and streaks along the water', () => {
    const read = readInPlace(draft);
    expect(Object.values(read.problems)).toEqual([null, null, null, null]);
    expect(read).toMatchObject({ pay_m: null, cover_m: null, from_m: null, to_m: null, streak: 4, own: null });
    expect(readInPlace(emptyInPlace('hillside', false)).streak).toBe(1);
  });
  test('feet are read as feet', () =>
    expect(readInPlace({ ...emptyInPlace('creek', true), pay: { text: '1', unit: 'ft' } }).pay_m).toBeCloseTo(
      0.3048,
      9,
    ));
  test('one end of the depths said: the other is the surface, or as deep as anyone digs', () => {
    expect(readInPlace({ ...draft, from: { text: '1.5', unit: 'm' } })).toMatchObject({ from_m: 1.5, to_m: 30 });
    expect(readInPlace({ ...draft, to: { text: '60', unit: 'cm' } })).toMatchObject({ from_m: 0, to_m: 0.6 });
  });
  test('ends the wrong way round, pay of nothing and a streak of letters are each said at their field', () => {
    const read = readInPlace({
      ...draft,
      pay: { text: '0', unit: 'm' },
      from: { text: '2', unit: 'm' },
      to: { text: '1', unit: 'm' },
      streak: 'x',
    });
    expect(read.pay_m).toBeNull();
    expect(read.streak).toBe(1);
    expect(read.problems.pay).toMatch(/nothing/);
    expect(read.problems.to).toMatch(/Above/);
    expect(read.problems.streak).toMatch(/1 to 20/);
  });
  test.each([
    [{ nugget: '0', partialSill: '0', range_m: '10' }, false],
    [{ nugget: '-1', partialSill: '2', range_m: '10' }, false],
    [{ nugget: '0.1', partialSill: '2', range_m: '0' }, false],
    [{ nugget: '0.1', partialSill: 'two', range_m: '10' }, false],
    [{ nugget: '0', partialSill: '2', range_m: '10' }, true],
  ])("a person's own variogram %j is one: %s", (own, fits) => {
    const read = readInPlace({ ...draft, own });
    expect(read.own !== null).toBe(fits);
    expect(read.problems.own === null).toBe(fits);
  });
  test('a fitted variogram is typed to three figures', () =>
    expect(asTyped({ model: 'spherical', nugget: 0.12345, partialSill: 1234.5, range_m: 17.77 })).toEqual({
      nugget: '0.123',
      partialSill: '1230',
      range_m: '17.8',
    }));
});
