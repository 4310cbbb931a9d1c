import { describe, expect, test } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { fileText } from './fileText.ts';

const bytes = (text: string, encoding: BufferEncoding): Uint8Array => new Uint8Array(Buffer.from(text, encoding));
const named = (encoding: string): string =>
  `<?xml version="1.0" encoding="${encoding}"?><gpx><name>Würgebach</name></gpx>`;

describe('a file is read in the encoding it is written in', () => {
  test.each([
    ['UTF-8', bytes(named('UTF-8'), 'utf8')],
    ['UTF-8 with a mark', bytes(`\uFEFF${named('UTF-8')}`, 'utf8')],
    ['ISO-8859-1 by its declaration', bytes(named('ISO-8859-1'), 'latin1')],
    ['UTF-16 by its mark', bytes(`\uFEFF${named('UTF-16')}`, 'utf16le')],
    ['UTF-16 without a mark', bytes(named('UTF-16'), 'utf16le')],
    ['UTF-16, the large end first', new Uint8Array(Buffer.from(`\uFEFF${named('UTF-16')}`, 'utf16le').swap16())],
  ])('%s', (_what, file) => expect(fileText(file)).toContain('<name>Würgebach</name>'));
  test('one that is not known is named', () =>
    expect(() => fileText(bytes(named('EBCDIC-CP-US'), 'latin1'))).toThrow(/written in “EBCDIC-CP-US”/));
  test('signs that cannot be kept are left out', () => expect(fileText(bytes('a\0b', 'utf8'))).toBe('ab'));
});

describe('a KMZ', () => {
  test('is the first KML in it', () => {
    const kmz = zipSync({ 'images/a.png': new Uint8Array(10), 'doc.kml': strToU8('<kml/>'), 'b.kml': strToU8('no') });
    expect(fileText(kmz)).toBe('<kml/>');
  });
  test('without one, damaged, or far too large, is refused', () => {
    expect(() => fileText(zipSync({ 'a.txt': strToU8('x') }))).toThrow(/no KML/);
    const whole = zipSync({ 'doc.kml': strToU8('<kml>'.repeat(1000)) });
    expect(() => fileText(whole.subarray(0, 60))).toThrow(/damaged|no KML/);
    const bomb = zipSync({ 'doc.kml': new Uint8Array(65 * 1024 * 1024) });
    expect(bomb.length).toBeLessThan(100_000);
    expect(() => fileText(bomb)).toThrow(/too large/);
  });
});
