import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { numberTyped } from './numberTyped.ts';

test.each([
  ['12', 12],
  [' 1.5 ', 1.5],
  ['1,5', 1.5],
  ['0,250', 0.25],
  ['1,750', 1750],
  ['12,345,678.9', 12345678.9],
  ['-0,4', -0.4],
  ['+3', 3],
  ['.5', 0.5],
  ['5.', 5],
])('%p is %p', (text, value) => expect(numberTyped(text)).toBe(value));
test.each(['', '  ', 'soon', '1.2.3', '1,2,3', '1,75.5', '0x10', 'Infinity', '1e5', '--1', ',', '.'])(
  '%p is no number',
  (text) => expect(numberTyped(text)).toBeNaN(),
);
test('however a number is written out, with its thousands parted or not, it is read as itself', () => {
  fc.assert(
    fc.property(fc.integer({ min: -1e9, max: 1e9 }), fc.integer({ min: 0, max: 99 }), (whole, hundredths) => {
      const value = Number(`${whole}.${String(hundredths).padStart(2, '0')}`);
      expect(numberTyped(String(value))).toBe(value);
      expect(numberTyped(value.toLocaleString('en-US', { maximumFractionDigits: 2 }))).toBe(value);
    }),
  );
});
