import { describe, expect, test } from '@jest/globals';
import { floodPeaks, thinLevels } from '@riffle/core';
import { gaugeCsv } from '@riffle/demo';
import { localTime } from '../when/localTime.ts';
import { readGaugeCsv as readCsv } from './readGaugeCsv.ts';

const readGaugeCsv = (text: string) => readCsv(text, localTime('America/Anchorage'));

describe('a gauge’s file', () => {
  test('times and levels by their headers, in the unit the header says', () => {
    const { levels, unit } = readGaugeCsv('time,level_cm\r\n2026-05-01T08:00:00Z,34\r\n2026-05-01 07:00Z,33.5\r\n');
    expect(unit).toBe('cm');
    expect(levels.map((l) => l.level_m)).toEqual([0.335, 0.34]);
    expect(readGaugeCsv('Date;Stage (ft)\n2026-05-01T08:00:00Z;1,5').levels[0]?.level_m).toBeCloseTo(0.4572, 9);
  });
  test('bad lines are refused by number, the good ones kept', () => {
    const { levels, refused } = readGaugeCsv(
      'time,level_m\n2026-05-01T08:00:00Z,0.4\nnoon,0.4\n2026-05-01T09:00:00Z,\n2026-05-01T10:00:00Z,900',
    );
    expect(levels).toHaveLength(1);
    expect(refused.map((r) => r.line)).toEqual([3, 4, 5]);
  });
  test('what only shares a word with the level is passed over; what a logger writes for nothing is no level', () => {
    const { levels, refused, unit } = readGaugeCsv(
      'gauge_id,level_flag,time,level_cm\n7,ok,2026-05-01T08:00:00Z,34\n7,bad,2026-05-01T09:00:00Z,-999\n7,bad,2026-05-01T10:00:00Z,-9999.0\n7,ok,2026-05-01T11:00:00Z,-99',
    );
    expect([unit, levels.map((l) => l.level_m), refused.map((r) => r.line)]).toEqual(['cm', [0.34, -0.99], [3, 4]]);
  });
  test.each([
    ['a,b\n1,2', /column of times/],
    ['time,level\n2026-05-01T08:00:00Z,3', /does not say its unit/],
    ['time,level_m', /no reading/],
    ['time,level_m\nx,y', /line 2/],
  ])('%j is answered in words', (text, words) => {
    expect(() => readGaugeCsv(text)).toThrow(words);
  });
  test('the simulated gauge: an hourly fortnight thins to its turns, none off by more than 2 cm, its rises among the peaks', () => {
    const { levels, refused } = readGaugeCsv(gaugeCsv(new Date('2026-07-28T09:00:00Z'), 60));
    expect([levels.length, refused.length]).toEqual([60 * 24 + 1, 0]);
    const thin = thinLevels(levels, 0.02);
    expect(thin.length).toBeLessThan(levels.length / 8);
    for (const p of levels) {
      const i = thin.findIndex((t) => t.at_ms >= p.at_ms);
      const [a, b] = [thin[Math.max(0, i - 1)], thin[i]];
      const t = a && b && b.at_ms > a.at_ms ? (p.at_ms - a.at_ms) / (b.at_ms - a.at_ms) : 0;
      expect(
        Math.abs(p.level_m - ((a?.level_m ?? 0) + t * ((b?.level_m ?? 0) - (a?.level_m ?? 0)))),
      ).toBeLessThanOrEqual(0.0200001);
    }
    const peaks = floodPeaks(levels, 0.6);
    expect(peaks.length).toBeGreaterThan(0);
    expect(peaks.some((p) => p.level_m === Math.max(...levels.map((l) => l.level_m)))).toBe(true);
  });
  test('a dip of some hours does not make two floods of one', () => {
    const at = (hour: number, level_m: number) => ({ at_ms: hour * 3_600_000, level_m });
    expect(floodPeaks([at(0, 0.3), at(1, 0.9), at(5, 0.5), at(10, 1.1), at(90, 0.3), at(100, 0.8)], 0.7)).toEqual([
      at(10, 1.1),
      at(100, 0.8),
    ]);
  });
});
