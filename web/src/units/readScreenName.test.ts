import { describe, expect, test } from '@jest/globals';
import { readScreenName } from './readScreenName.ts';

describe('a screen by its name', () => {
  // Openings of ASTM E11, table 1.
  test.each([
    ['No. 20', 0.85],
    ['20 mesh', 0.85],
    ['#8', 2.36],
    ['30', 0.6],
    ['1/4 in', 6.3],
    ['1/2"', 12.5],
    ['3/8 inch', 9.5],
    ['3 mm', 3],
    ['0.5 mm', 0.5],
    ['100 mesh', 0.15],
    ['2 in', 50.8],
  ])('%s', (name, mm) => {
    const read = readScreenName(name);
    expect(read).toEqual({ ok: true, mm: expect.closeTo(mm, 6) });
  });
  test.each([
    ['', /Name the screen/],
    ['250 mesh', /no standard series.*No\. 230 or No\. 270/s],
    ['30 mil', /thousandth of an inch/],
    ['0 mm', /More than 0/],
    ['fine', /Write/],
    ['-4 mm', /Write/],
  ])('“%s” is asked about, never guessed', (name, problem) => {
    const read = readScreenName(name);
    expect(read).toEqual({ ok: false, problem: expect.stringMatching(problem) });
  });
});
