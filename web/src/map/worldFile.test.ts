import { describe, expect, test } from '@jest/globals';
import { projectionOf, readWorldFile, Unusable } from './worldFile.ts';

describe('a world file', () => {
  test('six numbers, one a line: pixel sizes and the centre of the upper left pixel', () => {
    expect(readWorldFile('0.01\n0\n0\n-0.02\n-33\n46.51\n')).toEqual({ px: 0.01, py: -0.02, x: -33, y: 46.51 });
    expect(readWorldFile(' 0,5 \r\n0\r\n0\r\n-0,5\r\n100\r\n200')).toEqual({ px: 0.5, py: -0.5, x: 100, y: 200 });
  });
  test.each([
    ['', /six numbers/],
    ['1\n0\n0\n-1\n5', /six numbers/],
    ['1\n0\n0\nminus\n5\n5', /six numbers/],
    ['1\n0.3\n0\n-1\n5\n5', /turned/],
    ['-1\n0\n0\n-1\n5\n5', /first number/],
    ['1\n0\n0\n1\n5\n5', /fourth below 0/],
  ])('%j is refused in words', (text, words) => {
    expect(() => readWorldFile(text)).toThrow(words);
    expect(() => readWorldFile(text)).toThrow(Unusable);
  });
  test('what can be longitude and latitude is, larger numbers are metres', () => {
    expect(projectionOf([-33.1, 46.4, -33, 46.5])).toBe('EPSG:4326');
    expect(projectionOf([-3_684_675, 5_860_000, -3_680_000, 5_870_000])).toBe('EPSG:3857');
    expect(projectionOf([-33, 46, -32, 95])).toBe('EPSG:3857');
  });
});
