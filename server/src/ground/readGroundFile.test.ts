import { describe, expect, test } from '@jest/globals';
import { degrees } from './readCsv.ts';
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
        kind: 'other',
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
    expect(read).toMatchObject({ linePoints: 11, stretch: 0, warnings: [] });
    expect(read.stretches.map((l) => [l.name, Math.round(l.length_m)])).toEqual([
      ['Creek walk', 1000],
      ['Creek walk', 200],
    ]);
    expect(readGroundFile(gpx(track(up.slice(0, 3)) + track(up)), { stretch: 1 }).linePoints).toBe(3);
  });
  const far = up.slice(0, 9).map(([lon, lat]) => [lon, lat + 0.14] as const);
  test.each([
    [
      'GPX',
      gpx(
        `<trk><name>Two</name>${[up, far].map((some) => `<trkseg>${some.map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`).join('')}</trkseg>`).join('')}</trk>`,
      ),
    ],
    [
      'GeoJSON',
      JSON.stringify({
        type: 'Feature',
        properties: { name: 'Two' },
        geometry: { type: 'MultiLineString', coordinates: [up, far] },
      }),
    ],
    [
      'KML',
      `<kml xmlns="http://www.opengis.net/kml/2.2"><Placemark><name>Two</name><MultiGeometry>${[up, far].map((some) => `<LineString><coordinates>${some.map(([lon, lat]) => `${lon},${lat}`).join(' ')}</coordinates></LineString>`).join('')}</MultiGeometry></Placemark></kml>`,
    ],
  ])('%s: stretches 15 km apart are not joined', (_format, text) => {
    const read = readGroundFile(text);
    expect(read.stretches.map((l) => [l.name, Math.round(l.length_m / 10)])).toEqual([
      ['Two, part 1', 100],
      ['Two, part 2', 80],
    ]);
    expect(readGroundFile(text, { stretch: 1 }).line[0]?.[1]).toBeCloseTo(46.64, 3);
  });
  test('segments of one walk are one line; a gap is said', () => {
    const cut = (some: typeof up): string =>
      `<trkseg>${some.map(([lon, lat]) => `<trkpt lat="${lat}" lon="${lon}"/>`).join('')}</trkseg>`;
    const read = readGroundFile(gpx(`<trk>${cut(up.slice(0, 5))}${cut(up.slice(6))}</trk>`));
    expect(read).toMatchObject({ linePoints: 10, warnings: ['A gap of 200 m in the walk is drawn straight.'] });
    expect(read.stretches).toHaveLength(1);
  });
});

describe('a table', () => {
  const rows = up.map(([lon, lat]) => [lat, lon]);
  test('its columns are told by their names; a row with a name is a place', () => {
    const text = `Name,Lat,Lon\n${rows.map(([lat, lon]) => `,${lat},${lon}`).join('\n')}\nBend,46.5045,-32.9999\n`;
    const read = readGroundFile(text);
    expect(read).toMatchObject({
      format: 'CSV',
      linePoints: 11,
      columns: { latitude: 'Lat', longitude: 'Lon', name: 'Name' },
    });
    expect(read.spots).toMatchObject([{ name: 'Bend', position: [-32.9999, 46.5045] }]);
    // Told that no column names places, every row is of the walk.
    expect(readGroundFile(text, { nameColumn: '' })).toMatchObject({ linePoints: 12, spots: [] });
  });
  test('columns of any name, as they are chosen; semicolons and decimal commas', () => {
    const text = `Breite X;L2\r\n${rows.map((r) => r.map((v) => String(v).replace('.', ',')).join(';')).join('\r\n')}`;
    expect(() => readGroundFile(text)).toThrow(
      expect.objectContaining({ code: 'COLUMNS', extra: { columns: ['Breite X', 'L2'] } }),
    );
    expect(readGroundFile(text, { latitude: 'Breite X', longitude: 'L2' }).length_m).toBeCloseTo(1000.5, 0);
  });
  test('a row without a position is named', () =>
    expect(() => readGroundFile('lat,lon\n46.5,-33\nnorth,-33')).toThrow(/Row 3: “north”, “-33”/));
  test.each([
    ['46.5', 46.5],
    ['-33,25', -33.25],
    ['33.25 W', -33.25],
    ['S 12 30', -12.5],
    ['46°30\'36"N', 46.51],
    ['46° 30.6′ N', 46.51],
    ['46:30:36', 46.51],
    ['', NaN],
    ['46.5.1', NaN],
    ["46°75'N", NaN],
    ['n/a', NaN],
  ])('degrees: %s', (written, value) => expect(Math.round(degrees(written) * 1e9) / 1e9).toBe(value));
});

describe('as devices write it', () => {
  test('GPX 1.0: its name stands beside its tracks', () => {
    const old = `<?xml version="1.0"?><gpx version="1.0" creator="test" xmlns="http://www.topografix.com/GPX/1/0"><name>Old walk</name><trk><trkseg>${up
      .map(([lon, lat, ele]) => `<trkpt lat="${lat}" lon="${lon}"><ele>${ele}</ele><speed>1.2</speed></trkpt>`)
      .join('')}</trkseg></trk></gpx>`;
    expect(readGroundFile(old)).toMatchObject({ format: 'GPX', name: 'Old walk', linePoints: 11, flow: 'against' });
  });
  test('an extension whose prefix nobody declared', () => {
    const own = track(up).replace('</trkpt>', '<extensions><gpxtpx:hr>90</gpxtpx:hr></extensions></trkpt>');
    expect(readGroundFile(gpx(own)).linePoints).toBe(11);
  });

  const kml = (inside: string): string =>
    `<?xml version="1.0" encoding="UTF-8"?><kml xmlns="http://www.opengis.net/kml/2.2" xmlns:gx="urn:example:tracks"><Document><name>Trip</name>${inside}</Document></kml>`;
  const mark = '<Placemark><name>Bend</name><Point><coordinates>-32.9999,46.5045,0</coordinates></Point></Placemark>';
  test('KML: a line with heights above the sea, in folders, and a place', () => {
    const line = `<Folder><Placemark><name>Walk</name><LineString><altitudeMode>absolute</altitudeMode><coordinates>
      ${up.map((p) => p.join(',')).join('\n      ')}</coordinates></LineString></Placemark></Folder>`;
    const read = readGroundFile(kml(line + mark));
    expect(read).toMatchObject({ format: 'KML', name: 'Walk', linePoints: 11, flow: 'against' });
    expect(read.spots).toMatchObject([{ name: 'Bend', position: [-32.9999, 46.5045] }]);
  });
  test('KML: heights above the ground say nothing of the flow', () => {
    const line = `<Placemark><LineString><coordinates>${up.map((p) => p.join(',')).join(' ')}</coordinates></LineString></Placemark>`;
    expect(readGroundFile(kml(line))).toMatchObject({ name: 'Trip', linePoints: 11, flow: 'unknown' });
  });
  test('KML: a track, and several shapes in one mark', () => {
    const coords = up.map((p) => `<gx:coord>${p.join(' ')}</gx:coord>`).join('');
    const both = `<Placemark><name>Walk</name><MultiGeometry><Point><coordinates>-33,46.5</coordinates></Point><gx:Track><altitudeMode>absolute</altitudeMode>${coords}</gx:Track></MultiGeometry></Placemark>`;
    const read = readGroundFile(kml(both));
    expect(read).toMatchObject({ linePoints: 11, flow: 'against' });
    expect(read.spots).toHaveLength(1);
  });
  test('a log of NMEA 0183: every fix, damaged sentences passed over', () => {
    const checked = (body: string): string => {
      const sum = [...body].reduce((x, c) => x ^ c.charCodeAt(0), 0);
      return `$${body}*${sum.toString(16).toUpperCase().padStart(2, '0')}`;
    };
    const minutes = (deg: number, width: number): string =>
      `${String(Math.floor(deg)).padStart(width, '0')}${((deg % 1) * 60).toFixed(4).padStart(7, '0')}`;
    const log = up.flatMap(([lon, lat, ele], i) => [
      checked(`GPGGA,0927${10 + i}.000,${minutes(lat, 2)},N,${minutes(-lon, 3)},W,1,8,1.0,${ele}.0,M,47.0,M,,`),
      '$GPGSV,3,1,11,03,03,111,00*74 broken',
    ]);
    const read = readGroundFile(['14,W,1,8*00', ...log].join('\r\n'));
    expect(read).toMatchObject({ format: 'NMEA', linePoints: 11, flow: 'against' });
    expect(read.length_m).toBeCloseTo(1000.5, 0);
  });
});

describe('a wrong file gets a clear answer', () => {
  test.each([
    ['empty', '', /empty/],
    ['neither', 'some words\n1 2', /neither GPX, KML, GeoJSON, a receiver/],
    ['breaks off', gpx(track(up)).slice(0, 200), /breaks off/],
    ['other XML', '<svg><g/></svg>', /neither GPX nor KML/],
    ['KML without a line', '<kml><Document/></kml>', /no track or line/],
    ['a log without a fix', '$GPGGA,092751.000,,,,,0,0,,,M,,M,,*5C', /no fix anywhere/],
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
