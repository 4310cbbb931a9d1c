import { describe, expect, test } from '@jest/globals';
import { buoyCsv } from '@riffle/demo';
import { localTime } from '../when/localTime.ts';
import { readSwellCsv as readCsv } from './readSwellCsv.ts';

const readSwellCsv = (text: string) => readCsv(text, localTime('America/Anchorage'));

describe('a buoy’s file', () => {
  test('times, heights and periods by their headers, in the unit the header says', () => {
    const { swell } = readSwellCsv('Date;Hs (ft);Tp (s)\n2026-05-01T08:00:00Z;10;11,5\n2026-05-01 05:00Z;8;9');
    expect(swell.map((s) => s.period_s)).toEqual([9, 11.5]);
    expect(swell[1]?.height_m).toBeCloseTo(3.048, 9);
    expect(readSwellCsv('time,wave_height_m,period_s\n2026-05-01T08:00:00Z,1.4,8').swell[0]).toMatchObject({
      height_m: 1.4,
      period_s: 8,
    });
  });
  test('bad lines are refused by number with what is wrong, the good ones kept', () => {
    const { swell, refused } = readSwellCsv(
      'time,height_m,period_s\n2026-05-01T08:00:00Z,1,8\nnoon,1,8\n2026-05-01T09:00:00Z,90,8\n2026-05-01T10:00:00Z,1,99\n2026-05-01T11:00:00Z,,8',
    );
    expect(swell).toHaveLength(1);
    expect(refused.map((r) => r.line)).toEqual([3, 4, 5, 6]);
    expect(refused.map((r) => r.why).join(' ')).toMatch(/no time.*no wave’s height.*no wave’s period/);
  });
  test('the height is the column that says its unit', () => {
    const { swell } = readSwellCsv('wave_id,hs_flag,time,Hs (m),Tp (s)\n3,1,2026-05-01T08:00:00Z,1.2,9');
    expect(swell[0]).toMatchObject({ height_m: 1.2, period_s: 9 });
  });
  test.each([
    ['a,b\n1,2', /columns of times/],
    ['time,height_m\n2026-05-01T08:00:00Z,3', /columns of times/],
    ['time,wave_height,period_s\n2026-05-01T08:00:00Z,3,8', /does not say its unit/],
    ['time,height_m,period_s', /no reading/],
    ['time,height_m,period_s\nx,y,z', /line 2/],
  ])('%j is answered in words', (text, words) => {
    expect(() => readSwellCsv(text)).toThrow(words);
  });
  test('the simulated buoy is read whole, and has storms', () => {
    const { swell, refused } = readSwellCsv(buoyCsv(new Date('2026-07-28T09:00:00Z'), 60));
    expect([swell.length, refused.length]).toEqual([60 * 8 + 1, 0]);
    const heights = swell.map((s) => s.height_m).sort((a, b) => a - b);
    expect(heights[heights.length >> 1]).toBeLessThan(1.6);
    expect(Math.max(...heights)).toBeGreaterThan(2.2);
  });
});
