import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isKeepable, keepable, keepableText, unkeepableAt } from './keepableText.ts';

describe('texts a database can hold', () => {
  test('any well-formed text without NUL is left as it is: letters, signs of two parts, line breaks', () =>
    expect(['', 'Otter bar', 'ä 金 🪙', 'one\ntwo\t'].map(keepableText)).toEqual([
      '',
      'Otter bar',
      'ä 金 🪙',
      'one\ntwo\t',
    ]));
  test('NUL and half signs go, what stands around them stays', () => {
    expect(keepableText('a\0b')).toBe('ab');
    expect(keepableText('a\ud800b')).toBe('ab');
    expect(keepableText('\udc00🪙\ud83e')).toBe('🪙');
  });
  test('what is left can always be written as UTF-8 and read back (ECMA-262: encodeURIComponent throws on a lone surrogate)', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.nat({ max: 0xffff }), (text, unit) => {
        const clean = keepableText(`${text}${String.fromCharCode(unit)}${text}`);
        expect(decodeURIComponent(encodeURIComponent(clean))).toBe(clean);
        expect(clean).not.toContain('\0');
        expect(isKeepable(clean)).toBe(true);
      }),
    ));
  test('the place is named, names of fields included', () => {
    expect(unkeepableAt({ name: 'bar', layers: [{ color: 'red' }, { color: 'r\0d' }] })).toEqual([
      'layers',
      '1',
      'color',
    ]);
    expect(unkeepableAt({ traits: { 'sh\0ape': 'round' } })).toEqual(['traits', 'shape']);
    expect(unkeepableAt({ a: 1, b: null, c: ['x'], d: true })).toBeNull();
  });
  test('a record is cleaned whole; what is no text stays what it is', () => {
    const bytes = new Uint8Array([0]);
    expect(keepable({ note: 'a\0', list: ['\ud800', 2], at: null, bytes })).toEqual({
      note: 'a',
      list: ['', 2],
      at: null,
      bytes,
    });
  });
  test('what has nothing to lose is the very same, not a copy', () => {
    const record = { note: 'a', list: [{ name: 'Otter bar' }], at: null };
    expect(keepable(record)).toBe(record);
    expect(keepable({ ...record, note: 'a\0' })).toEqual(record);
  });
});
