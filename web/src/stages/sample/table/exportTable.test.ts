import { describe, expect, test } from '@jest/globals';
import type { StoredSample, StoredSpot } from '@riffle/contract';
import Papa from 'papaparse';
import { outsideRead } from '../../../../test/outsideRead.ts';
import { ALL_GIVEN, samplesAsCsv, samplesAsGeoJson } from './exportTable.ts';
import { guessMapping, TableReader, type TableLine } from './readTable.ts';
import { localTime } from '../../../when/localTime.ts';

const spots = [
  { id: 's1', name: 'Otter bar', distance_m: 522, bank: 'right', offset_m: 5, position: [-33.01, 46.5] },
  { id: 's2', name: 'Typed spot', distance_m: 90, bank: 'left', offset_m: 2, position: null },
] as unknown as StoredSpot[];
const sample = (some: Partial<StoredSample> = {}): StoredSample =>
  ({
    id: 'x',
    spotId: 's1',
    takenAt: '2026-05-14T12:00:00.000Z',
    depth_m: 0.4,
    depthEntered: { text: '40', unit: 'cm' },
    volume_L: 14.25,
    volumeEntered: { text: '3', unit: 'pan' },
    volumeState: 'loose',
    counts: { '+10': 0, '10-20': 1, '20-40': 2, '-40': 7 },
    blackSand: 2,
    gold_mg: null,
    goldEntered: null,
    layer: '3. rust iron gravel',
    panner: 'Mara',
    note: 'said "so", and so',
    ...some,
  }) as StoredSample;

describe('samples saved', () => {
  test('without places nothing in the file tells where', () => {
    const csv = samplesAsCsv([sample()], spots, { ...ALL_GIVEN, withDistance: false });
    expect(csv).not.toMatch(/522|46\.5|distance/);
    expect(Papa.parse<Record<string, string>>(csv, { header: true }).data[0]).toMatchObject({
      spot: 'Otter bar',
      depth_m: '0.4',
      volume_L: '14.25',
      volume_as_typed: '3 pan',
      'colors 20-40': '2',
      note: 'said "so", and so',
    });
  });
  test('what a spreadsheet would take for a formula is made harmless', () =>
    expect(samplesAsCsv([sample({ note: '=1+1' })], spots)).toMatch(/'=1\+1/));
  test('the file with distances can be brought in again, and says the same', () => {
    const { data, meta } = Papa.parse<Record<string, string>>(
      samplesAsCsv([sample(), sample({ spotId: 's2', gold_mg: 3.5 })], spots),
      { header: true },
    );
    const mapping = guessMapping(meta.fields ?? []);
    const reader = new TableReader(
      { ...mapping, units: { ...mapping.units, volume: 'L', depth: 'm' } },
      {
        groundId: 'g',
        length_m: 1000,
        line: null,
        spots: [],
        own: {},
        timeZone: localTime(null).zone,
        known: [],
        now: '',
      },
    );
    const read = data.map((row, i) => reader.read(row, i + 2));
    expect(read[0]).toMatchObject([
      { spot: { name: 'Otter bar', distance_m: 522, bank: 'right', offset_m: 5 } },
      {
        sample: {
          depth_m: 0.4,
          volume_L: 14.25,
          counts: { '10-20': 1, '20-40': 2, '-40': 7 },
          takenAt: '2026-05-14T12:00:00.000Z',
        },
      },
    ]);
    expect(read[1]).toMatchObject([{ spot: { name: 'Typed spot' } }, { sample: { gold_mg: 3.5 } }]);
  });
  test('what was made harmless comes back as it was written', () => {
    const notes = ['=1+1', '-4 below', "'tis said", '@dusk', '+', 'plain'];
    const csv = samplesAsCsv(
      notes.map((note) => sample({ note, layer: note })),
      spots,
    );
    const { data, meta } = Papa.parse<Record<string, string>>(csv, { header: true });
    const mapping = guessMapping(meta.fields ?? []);
    const reader = new TableReader(
      { ...mapping, units: { ...mapping.units, volume: 'L', depth: 'm' } },
      {
        groundId: 'g',
        length_m: 1000,
        line: null,
        spots: [],
        own: {},
        timeZone: localTime(null).zone,
        known: [],
        now: '',
      },
    );
    const lines = data.flatMap((row, i) => reader.read(row, i + 2) as readonly TableLine[]);
    expect(lines.flatMap((l) => ('sample' in l ? [[l.sample.note, l.sample.layer]] : []))).toEqual(
      notes.map((note) => [note, note]),
    );
  });
  test('CSV and GeoJSON say the same of a sample, and open in an outside reader', () => {
    const some = [sample(), sample({ spotId: 's2', note: 'two\nlines, "so"', gold_mg: 3.5 })];
    const csv = samplesAsCsv(some, spots);
    const geoJson = samplesAsGeoJson(some, spots);
    const { features } = JSON.parse(geoJson) as { features: { properties: Record<string, string | number | null> }[] };
    const { data } = Papa.parse<Record<string, string>>(csv, { header: true });
    const asText = (v: string | number | null): string => (v === null ? '' : String(v));
    expect(
      features.map((f) => Object.fromEntries(Object.entries(f.properties).map(([k, v]) => [k, asText(v)]))),
    ).toEqual(data);
    for (const [name, text] of [
      ['samples.csv', csv],
      ['samples.geojson', geoJson],
    ] as const)
      expect(outsideRead(name, text, 'ogrinfo', ['-ro', '-al', '-so'])).toMatch(/^$|Feature Count: 2/);
  });
  test('with nothing given no name, word of one’s own, distance or position is left', () => {
    const none = { spotName: () => 'Spot 1', give: () => null, withDistance: false, withRemarks: false };
    for (const file of [samplesAsCsv([sample()], spots, none), samplesAsGeoJson([sample()], spots, none)])
      expect(file).not.toMatch(/Otter|Mara|rust|said|522|distance|-33|46\.5/);
    // What was found is all there.
    expect(samplesAsCsv([sample()], spots, none)).toContain('14.25');
  });
  test('GeoJSON (RFC 7946): a point where there is one, none where there is not', () => {
    const file = JSON.parse(samplesAsGeoJson([sample(), sample({ spotId: 's2' })], spots)) as {
      type: string;
      features: { geometry: { type: string; coordinates: number[] } | null; properties: Record<string, unknown> }[];
    };
    expect(file.type).toBe('FeatureCollection');
    expect(file.features.map((f) => f.geometry)).toEqual([{ type: 'Point', coordinates: [-33.01, 46.5] }, null]);
    expect(file.features[0]?.properties).toMatchObject({ spot: 'Otter bar', 'colors -40': 7 });
  });
});
