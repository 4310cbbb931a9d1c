import { describe, expect, test } from '@jest/globals';
import { localTime } from '../when/localTime.ts';
import { takenAt } from './takenAt.ts';

// Hours from Greenwich by the IANA time zone database: the Azores 0 in July, Anchorage -8.
const AZORES = localTime('Atlantic/Azores');
const ANCHORAGE = localTime('America/Anchorage');
const at = (DateTimeOriginal: unknown, OffsetTimeOriginal?: unknown, local = AZORES) =>
  takenAt({ DateTimeOriginal, OffsetTimeOriginal }, local);

describe('when a picture was taken', () => {
  test('a camera that names no zone shows the hour of the ground', () => {
    expect(at('2026:07:28 09:20:05')).toBe('2026-07-28T09:20:05.000Z');
    expect(at('2026:07:28 09:20:05', undefined, ANCHORAGE)).toBe('2026-07-28T17:20:05.000Z');
    // Blanks stand where a camera knows no zone (Exif 2.32, 4.6.5).
    expect(at('2026:07:28 09:20:05', '   :  ', ANCHORAGE)).toBe('2026-07-28T17:20:05.000Z');
  });
  test('one that does is taken at its word', () => {
    expect([at('2026:07:28 09:20:05', '+02:00'), at('2026:07:28 09:20:05', '+02:00', ANCHORAGE)]).toEqual([
      '2026-07-28T07:20:05.000Z',
      '2026-07-28T07:20:05.000Z',
    ]);
    expect(at('2026:07:28 09:20:05', 'Z')).toBe('2026-07-28T09:20:05.000Z');
  });
  test.each([
    ['never set', '0000:00:00 00:00:00'],
    ['blanks', '    :  :     :  :  '],
    ['no such day', '2026:02:30 10:00:00'],
    ['no such hour', '2026:02:03 24:30:00'],
    ['another way to write it', '28.07.2026 09:20'],
    ['not there', undefined],
    ['a date already', new Date(0)],
  ])('%s: it is not known', (_, clock) => {
    expect(at(clock)).toBeNull();
  });
});
