import { describe, expect, test } from '@jest/globals';
import { centreLine } from '@riffle/core';
import { nmeaChecksum, walkNmea } from '@riffle/demo';
import { fixesOf } from './nmea.ts';

describe('a receiver’s log', () => {
  test('the GGA sentence of the NMEA 0183 handbooks: 48 07.038 N, 11 31.000 E; its checksum is 47', () => {
    const body = 'GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,';
    expect(nmeaChecksum(body)).toBe('47');
    const [fix] = fixesOf(`$${body}*47`);
    expect(fix?.lat).toBeCloseTo(48 + 7.038 / 60, 9);
    expect(fix?.lon).toBeCloseTo(11 + 31 / 60, 9);
    expect(fix?.accuracy_m).toBeCloseTo(3.6, 9);
  });
  test('damaged, foreign and empty lines are passed over; no fix is none', () => {
    expect(
      fixesOf('$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*00\r\nhello\r\n\r\n$GPRMC,1'),
    ).toEqual([]);
    const none = 'GPGGA,123519.00,,,,,0,02,9.9,,M,,M,,';
    expect(fixesOf(`$${none}*${nmeaChecksum(none)}`)).toEqual([null]);
  });
  test('the simulated receiver walks up a line: near it all the way, foot to head, with a stretch of no fix', () => {
    const line = [
      [-33, 46.5],
      [-33.001, 46.503],
      [-33, 46.506],
    ] as const;
    const centre = centreLine(line);
    const fixes = fixesOf(walkNmea(line, new Date('2026-05-01T08:00:00Z')));
    const found = fixes.flatMap((f) => (f ? [centre.locate([f.lon, f.lat])] : []));
    expect(found.length).toBeGreaterThan(500);
    expect(fixes.filter((f) => f === null).length).toBeGreaterThan(5);
    expect(Math.max(...found.map((p) => p.offset_m))).toBeLessThan(15);
    expect(found[0]?.distance_m).toBeLessThan(5);
    expect(found.at(-1)?.distance_m).toBeGreaterThan(centre.length_m - 5);
  });
  test('a line that crosses itself: each place is found on the nearest stretch', () => {
    // A loop: east, north, west, and back south across its own beginning.
    const loop = [
      [-33, 46.5],
      [-32.998, 46.5],
      [-32.998, 46.502],
      [-32.999, 46.502],
      [-32.999, 46.499],
    ] as const;
    const centre = centreLine(loop);
    const first = centre.locate(centre.positionAt(60, 2, 'left'));
    expect(first.distance_m).toBeCloseTo(60, 0);
    const last = centre.locate(centre.positionAt(centre.length_m - 30, 2, 'right'));
    expect(last.distance_m).toBeCloseTo(centre.length_m - 30, 0);
  });
});
