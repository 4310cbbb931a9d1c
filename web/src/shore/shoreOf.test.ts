import { describe, expect, test } from '@jest/globals';
import type { StoredGround, StoredSign, StoredSwellReading } from '@riffle/contract';
import { hoursWords, nextBare, seaWords } from '../day/seaWords.ts';
import { localTime } from '../when/localTime.ts';
import { shoreOf, tideDay } from './shoreOf.ts';

const NOW = Date.UTC(2026, 4, 20, 9);
const local = localTime('Etc/GMT+2');
const beach = (some: Partial<StoredGround> = {}): StoredGround =>
  ({
    id: 'g',
    kind: 'beach',
    length_m: 600,
    line: null,
    faceSlope: 0.09,
    tide: {
      meanLevel_m: 1,
      workBelow_m: 1,
      wayBelow_m: 1.4,
      margin_min: 30,
      constituents: [{ name: 'M2', amplitude_m: 0.6, phase_deg: 40 }],
    },
    ...some,
  }) as StoredGround;
const sea = (day: number, height_m: number, some: Partial<StoredSwellReading> = {}): StoredSwellReading =>
  ({
    id: `s${day}`,
    readAt: new Date(Date.UTC(2026, 4, day, 8)).toISOString(),
    height_m,
    period_s: 8,
    isStorm: false,
    cut_m: null,
    ...some,
  }) as StoredSwellReading;
const toe = { kind: 'berm toe', distance_m: 100, height_m: 3.2 } as StoredSign;
const storm = sea(4, 3.6, { period_s: 11, isStorm: true });
const show = { length: (m: number) => `${m.toFixed(1)} m` } as never;

describe('a beach by its sea', () => {
  test('the newest storm first, with how high it reached and whether it came to the toe', () => {
    const shore = shoreOf(beach(), [toe], [sea(1, 1), storm, sea(9, 2.5, { isStorm: true, cut_m: 0 })], NOW);
    expect(shore.storms.map((s) => s.reading.id)).toEqual(['s9', 's4']);
    expect(shore.storms[0]?.toToe).toBe(0);
    expect(shore.storms[1]?.reach?.middle_m).toBeGreaterThan(3);
    expect(shore.storms[1]?.toToe).toBeGreaterThan(0.4);
  });
  test('without a tide table a storm is still a storm: only what was seen of the berm is known', () => {
    const shore = shoreOf(beach({ tide: null }), [toe], [storm, sea(6, 3, { isStorm: true, cut_m: 0.5 })], NOW);
    expect(shore.storms.map((s) => [s.reach, s.toToe])).toEqual([
      [null, 1],
      [null, null],
    ]);
    expect(tideDay(beach({ tide: null }), '2026-05-20', local, 0)).toBeNull();
  });
  test('today’s swell counts while it is fresh, and against what is usual', () => {
    const quiet = [sea(1, 1), sea(5, 1.1), sea(9, 0.9)];
    expect(shoreOf(beach(), [], [...quiet, sea(20, 2.2)], NOW).adds_m).toBeGreaterThan(0.3);
    expect(shoreOf(beach(), [], [...quiet, sea(15, 2.2)], NOW)).toMatchObject({ isFresh: false, adds_m: 0 });
    expect(shoreOf(beach(), [], [sea(20, 2.2)], NOW)).toMatchObject({ isFresh: true, usual: null, adds_m: 0 });
    expect(shoreOf(beach(), [], [], NOW)).toMatchObject({ last: null, isFresh: false, storms: [] });
  });
  test('a ground that a device kept from before it had a way off is read as it was', () => {
    const { wayBelow_m: _way, margin_min: _margin, ...before } = beach().tide as NonNullable<StoredGround['tide']>;
    const day = tideDay(beach({ tide: before as never }), '2026-05-20', local, 0);
    expect(day).toMatchObject({ way: null, margin_min: 30 });
    const { faceSlope: _slope, ...old } = beach();
    expect(shoreOf(old as StoredGround, [], [storm], NOW).slope).toBeNull();
  });
});

describe('what is said of its hours', () => {
  test('hours as one reads them, and a place that lies lower has fewer', () => {
    const day = tideDay(beach(), '2026-05-20', local, 0);
    expect(hoursWords(day?.work ?? [])).toMatch(/^\d+:\d\d to \d+:\d\d(, and \d+:\d\d to \d+:\d\d)*$/);
    const lasts = (hours: { from_min: number; to_min: number }[]): number =>
      hours.reduce((sum, w) => sum + w.to_min - w.from_min, 0);
    expect(lasts([...(day?.workAt(0.6) ?? [])])).toBeLessThan(lasts([...(day?.work ?? [])]));
  });
  test('the swell is asked for where nobody read it, told where somebody did, and no word for another day', () => {
    const day = tideDay(beach(), '2026-05-20', local, 0.4);
    if (!day) throw new Error('no tide');
    const quiet = [sea(1, 1), sea(5, 1.1), sea(9, 0.9)];
    const says = (swell: StoredSwellReading[], isToday = true): string =>
      seaWords(day, shoreOf(beach(), [], swell, NOW), isToday, show, local);
    expect(says([])).toMatch(/Look at the swell before you go down/);
    expect(says(quiet)).toMatch(/The sea was last read 9 May: look/);
    expect(says([...quiet, sea(20, 2.2)])).toMatch(/0\.4 m for today’s swell 2\.2 m every 8 s/);
    expect(says([...quiet, sea(20, 2.2)], false)).toMatch(/The sea was last read 20 May: look/);
    expect(says([sea(20, 2.2)])).toMatch(/not known what is usual here/);
  });
  test('the next day with an hour of bare sand; none where the sand never comes bare', () => {
    expect(nextBare(beach(), '2026-05-20', local)).toMatch(/^21 May, \d/);
    const never = beach({ tide: { ...(beach().tide as NonNullable<StoredGround['tide']>), workBelow_m: -3 } });
    expect(nextBare(never, '2026-05-20', local)).toBeNull();
  });
});
