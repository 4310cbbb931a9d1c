import { describe, expect, test } from '@jest/globals';
import { durationText, readDuration } from './readDuration.ts';

describe('a length of time as people say it', () => {
  test.each([
    ['2:10', 's', 130],
    ['2 min 10 s', 's', 130],
    ['2 min 10', 's', 130],
    ["2'10", 'm', 130],
    ['130', 's', 130],
    ['1.5', 'm', 90],
    ['1,5 min', 's', 90],
    ['3:20', 'h', 12_000],
    ['3 h 20', 'h', 12_000],
    ['3h20min', 'h', 12_000],
    ['2.5', 'h', 9000],
    ['200 minutes', 'h', 12_000],
    ['1:05:09', 'h', 3909],
    ['0', 'h', 0],
  ] as const)('%s, bare %s, is %i s', (text, plain, value) =>
    expect(readDuration(text, plain)).toEqual({ ok: true, value }),
  );
  test.each(['', 'long', '2:75', '-3', '3 h 20 min 5 s 9', '2 days'])('%j is none', (text) =>
    expect(readDuration(text, 's').ok).toBe(false),
  );
  test('is written so that it reads the same again', () => {
    for (const seconds of [0, 5, 59, 60, 130, 3599, 3600, 12_345])
      expect(readDuration(durationText(seconds), 's')).toEqual({ ok: true, value: seconds });
  });
});
