import { describe, expect, test } from '@jest/globals';
import { asText, readTide } from './readTide.ts';

const text = (table: string, mean = '1', below = '1.2', way = '', margin = '30') => ({
  mean,
  below,
  way,
  margin,
  table,
});

describe('a tide as it is copied from a table', () => {
  test('lines by space, tab, semicolon or comma, with a point or a decimal comma, come to the same', () => {
    const one = readTide(text('M2 0.62 48\nS2 0.22 71'));
    expect(one).toEqual({
      tide: {
        meanLevel_m: 1,
        workBelow_m: 1.2,
        wayBelow_m: null,
        margin_min: 30,
        constituents: [
          { name: 'M2', amplitude_m: 0.62, phase_deg: 48 },
          { name: 'S2', amplitude_m: 0.22, phase_deg: 71 },
        ],
      },
    });
    for (const table of ['M2\t0.62\t48\nS2\t0.22\t71', 'm2;0,62;48\n\ns2;0,22;71', 'M2, 0.62, 48°\n  S2, 0.22, 71°  '])
      expect(readTide(text(table))).toEqual(one);
  });
  test('nothing written is no tide; what was read is written back as it was', () => {
    expect(readTide(text('', '', ''))).toEqual({ tide: null });
    const read = readTide(text('M2 0.62 48\nK1 0.1 -20'));
    if ('problem' in read) throw new Error(read.problem);
    expect(readTide(asText(read.tide))).toEqual(read);
    expect(asText(null)).toEqual(text('', '', ''));
  });
  test.each([
    ['M99 1 2', /“M99” is not one/],
    ['M2 much 48', /M2: its amplitude/],
    ['M2 -1 48', /M2: its amplitude/],
    ['M2 25 48', /M2: its amplitude/],
    ['M2 0.6', /M2: its Greenwich phase/],
    ['M2 0.6 900', /M2: its Greenwich phase/],
  ])('%s is named', (table, words) => {
    const read = readTide(text(table));
    expect('problem' in read ? read.problem : '').toMatch(words);
  });
  test.each([
    ['', '1.2', /mean level/],
    ['high', '1.2', /mean level/],
    ['1', '', /level below which/],
    ['1', '99', /level below which/],
  ])('mean %j, below %j', (mean, below, words) => {
    const read = readTide(text('M2 0.6 48', mean, below));
    expect('problem' in read ? read.problem : '').toMatch(words);
  });
  test('the way off and what is left over are read with it, and said where they are wrong', () => {
    const read = readTide(text('M2 0.6 48', '1', '1.2', '1,6', '45'));
    expect('tide' in read && read.tide).toMatchObject({ wayBelow_m: 1.6, margin_min: 45 });
    const problem = (way: string, margin: string): string => {
      const wrong = readTide(text('M2 0.6 48', '1', '1.2', way, margin));
      return 'problem' in wrong ? wrong.problem : '';
    };
    expect(problem('high', '30')).toMatch(/way off is dry/);
    expect(problem('', '900')).toMatch(/0 to 360 minutes/);
    expect(problem('', '')).toMatch(/0 to 360 minutes/);
  });
  test('levels without constituents ask for them', () => {
    const read = readTide(text('', '1', ''));
    expect('problem' in read ? read.problem : '').toMatch(/Paste the constituents/);
  });
});
