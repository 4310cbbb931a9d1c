import { describe, expect, test } from '@jest/globals';
import { moneyText } from './moneyText.ts';
import { asTyped, readEntered, readPitch, readVolume, unitTyped } from './readEntered.ts';

describe('what is typed comes to', () => {
  test.each([
    ['volume', '3', 'pan', 3 * 4.75],
    ['volume', '2/3 bucket', 'pan', (2 / 3) * 18.927],
    ['length', '1 1/2', 'in', 0.0381],
    ['length', '6 ft', 'm', 1.8288],
    ['mass', '14 gr', 'mg', 14 * 64.79891],
    ['flow', '50', 'gpm', (50 * 3.785411784) / 60],
    ['time', '1.5 min', 's', 90],
  ] as const)('%s “%s” in a field of %s', (kind, text, unit, value) =>
    expect(kind === 'volume' ? readVolume({ text, unit }, {}) : readEntered(kind, { text, unit })).toEqual({
      ok: true,
      value: expect.closeTo(value, 9),
    }),
  );
  test.each([
    ['volume', '-2', /Less than nothing/],
    ['volume', '', /Nothing is typed/],
    ['length', '2 mil', /not a unit/],
    ['mass', '1,5 g', /with a point/],
  ] as const)('%s “%s” is refused with the remedy', (kind, text, says) =>
    expect(
      kind === 'volume'
        ? readVolume({ text, unit: 'L' }, {})
        : readEntered(kind, { text, unit: kind === 'length' ? 'm' : 'mg' }),
    ).toEqual({
      ok: false,
      problem: expect.stringMatching(says),
    }),
  );
  test('a container of the crew’s own takes the place of the usual one of its name', () => {
    expect(readVolume({ text: '2', unit: 'pan' }, { pan: 5.2 })).toEqual({ ok: true, value: expect.closeTo(10.4, 9) });
    expect(readVolume({ text: '2 coffee cans', unit: 'L' }, { 'coffee can': 1.1 })).toEqual({
      ok: true,
      value: expect.closeTo(2.2, 9),
    });
    expect(readVolume({ text: '2 coffee cans', unit: 'L' }, {})).toMatchObject({ ok: false });
  });
});

describe('a pitch, however it is said, of a box 4 ft long', () => {
  const box_m = 1.2192;
  test.each([
    ['1/2', 'in/ft'],
    ['4.1667', '%'],
    ['2 in', 'in/ft'],
    ['50.8', 'mm'],
    ['2.388', '°'],
  ])('“%s” %s is a drop of 1 in 24', (text, unit) =>
    expect(readPitch({ text, unit }, box_m)).toEqual({ ok: true, value: expect.closeTo(1 / 24, 4) }),
  );
  test('level or uphill is no set box', () => {
    expect(readPitch({ text: '0', unit: '%' }, box_m)).toMatchObject({ ok: false, problem: /must fall/ });
    expect(readPitch({ text: '-2', unit: '%' }, box_m)).toMatchObject({ ok: false, problem: /must fall/ });
  });
  test('a drop longer than the box is refused in words', () =>
    expect(readPitch({ text: '5 ft', unit: 'in/ft' }, box_m)).toMatchObject({ ok: false }));
});

describe('as typed', () => {
  test.each([
    [{ text: '3', unit: 'pan' }, '“3 pans”'],
    [{ text: '1', unit: 'pan' }, '“1 pan”'],
    [{ text: '2/3', unit: 'bucket' }, '“2/3 bucket”'],
    [{ text: '2/3 bucket', unit: 'pan' }, '“2/3 bucket”'],
    [{ text: '20', unit: 'mm' }, '“20 mm”'],
    [{ text: '1 1/2"', unit: 'in' }, '“1 1/2"”'],
  ])('%j', (entered, says) => expect(asTyped(entered)).toBe(says));
  test('the unit in the text wins over the field’s', () => {
    expect(unitTyped('length', { text: '3/4 in', unit: 'mm' })).toBe('in');
    expect(unitTyped('length', { text: 'x', unit: 'mm' })).toBe('mm');
  });
});

test.each([
  [37.105, '$', '$37.11'],
  [1234.5, 'crowns', '1,234.50 crowns'],
  [3, '', '3.00'],
  [9, 'kr', '9.00 kr'],
  [9, ' € ', '€9.00'],
])('%d of “%s” reads %s', (amount, money, says) => expect(moneyText(amount, money)).toBe(says));
