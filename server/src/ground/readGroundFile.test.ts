import { describe, expect, test } from '@jest/globals';
import { readGroundFile } from './readGroundFile.ts';

const gpx = (inside: string): string =>
  `<?xml version="1.0"?><gpx version="1.1" creator="test" xmlns="http://www.topografix.com/GPX/1/1">${inside}</gpx>`;
const track = (points: readonly (readonly [lon: number, lat: number, ele?: number])[]): string =>
  `<trk><name>Creek walk</name><trkseg>${points.map(([lon, lat, ele]) => `<trkpt lat="${lat}" lon="${lon}">${ele === undefined ? '' : `<ele>${ele}</ele>`}</trkpt>`).join('')}</trkseg></trk>`;
/** Walked upstream, northward, rising 10 m over 1 km. */
const up = Array.from({ length: 11 }, (_, i) => [-33, 46.5 + i * 0.0009, 20 + i] as const);

describe('a good file', () => {
  test('GPX: line, name, way points, direction from the heights', () => {
    const read = readGroundFile(gpx(`<wpt lat="46.5045" lon="-32.9999"><name>Bend &amp; bar</name></wpt>${track(up)}`));
    expect(read).toMatchObject({ format: 'GPX', name: 'Creek walk', linePoints: 11, flow: 'against', warnings: [] });
    expect(read.length_m).toBeCloseTo(1000.5, 0);
    expect(read.spots).toEqual([
      {
        name: 'Bend & bar',
        position: [-32.9999, 46.5045],
        distanceAlong_m: expect.closeTo(500.3, 0),
        offset_m: expect.closeTo(7.7, 0),
      },
    ]);
  });
  test('GeoJSON: a bare LineString will do', () => {
    expect(
      readGroundFile(JSON.stringify({ type: 'LineString', coordinates: up.map(([lon, lat]) => [lon, lat]) })),
    ).toMatchObject({ format: 'GeoJSON', flow: 'unknown', linePoints: 11 });
  });
  test('100 000 points are kept, fewer drawn', () => {
    const many = Array.from({ length: 100_000 }, (_, i) => [-33 + 3e-5 * Math.sin(i / 40), 46.5 + i * 2e-7] as const);
    const read = readGroundFile(gpx(track(many)));
    expect(read.linePoints).toBe(100_000);
    expect(read.line.length).toBeLessThanOrEqual(2000);
    expect(read.warnings).toEqual([expect.stringMatching(/100,000 points are kept/)]);
  });
  test('of several lines the longest is taken, and said', () => {
    const read = readGroundFile(gpx(track(up.slice(0, 3)) + track(up)));
    expect(read.linePoints).toBe(11);
    expect(read.warnings[0]).toMatch(/2 lines/);
  });
});

describe('a wrong file gets a clear answer', () => {
  test.each([
    ['empty', '', /empty/],
    ['neither', 'lat,lon\n1,2', /neither GPX nor GeoJSON/],
    ['breaks off', gpx(track(up)).slice(0, 200), /breaks off/],
    ['other XML', '<kml><Document/></kml>', /not GPX/],
    ['broken JSON', '{"type":', /breaks off/],
    ['other JSON', '{"type":"Topology"}', /not GeoJSON/],
    ['no line', gpx('<wpt lat="46" lon="-33"><name>A</name></wpt>'), /places but no track/],
    ['nothing', gpx(''), /no track or line/],
    [
      'swapped',
      gpx(
        track([
          [46.5, -133],
          [46.501, -133.001],
        ]),
      ),
      /swapped/,
    ],
    [
      'off the earth',
      gpx(
        track([
          [-33, 46.5],
          [-933, 246.5],
        ]),
      ),
      /not on the earth/,
    ],
    [
      'no numbers',
      gpx('<trk><trkseg><trkpt lat="a" lon="b"/><trkpt lat="c" lon="d"/></trkseg></trk>'),
      /no readable latitude/,
    ],
    [
      'standing still',
      gpx(
        track([
          [-33, 46.5],
          [-33, 46.50001],
        ]),
      ),
      /standing still/,
    ],
    [
      'a journey',
      gpx(
        track([
          [-33, 46.5],
          [-36, 46.5],
        ]),
      ),
      /mixed up/,
    ],
    [
      'one place swapped',
      JSON.stringify({
        type: 'FeatureCollection',
        features: [
          {
            type: 'Feature',
            properties: {},
            geometry: { type: 'LineString', coordinates: up.map(([lon, lat]) => [lon, lat]) },
          },
          { type: 'Feature', properties: { name: 'Bar' }, geometry: { type: 'Point', coordinates: [46.5045, -33] } },
        ],
      }),
      /“Bar” lies far from the line, but near it with latitude and longitude swapped/,
    ],
    ['an entity bomb', `<!DOCTYPE x [<!ENTITY a "aaaa">]>${gpx('<trk><name>&a;</name></trk>')}`, /damaged/],
  ])('%s', (_name, text, says) => {
    expect(() => readGroundFile(text)).toThrow(
      expect.objectContaining({ code: 'FILE_UNREADABLE', message: expect.stringMatching(says) }),
    );
  });
});
