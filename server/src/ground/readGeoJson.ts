import type { Position } from '@riffle/core';
import { z } from 'zod';
import { Refusal } from '../http/problems.ts';
import { UNTOLD, type RawGroundFile, type RawLine, type RawRecord } from './rawGroundFile.ts';

const Coordinates = z.array(z.number()).min(2);
const Properties = z.record(z.string(), z.unknown()).nullish();
const Geometry = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Point'), coordinates: Coordinates }),
  z.object({ type: z.literal('MultiPoint'), coordinates: z.array(Coordinates) }),
  z.object({ type: z.literal('LineString'), coordinates: z.array(Coordinates) }),
  z.object({ type: z.literal('MultiLineString'), coordinates: z.array(z.array(Coordinates)) }),
  z.object({ type: z.enum(['Polygon', 'MultiPolygon', 'GeometryCollection']) }),
]);
const Feature = z.object({
  type: z.literal('Feature'),
  id: z.union([z.string(), z.number()]).optional(),
  geometry: Geometry.nullable(),
  properties: Properties,
});
const Collection = z.object({ type: z.literal('FeatureCollection'), features: z.array(Feature).max(200_000) });

/**
 * Reads GeoJSON (RFC 7946): lines, and points as places; what Riffle wrote itself as the records it is (`groundGeoJson.ts`).
 * Other polygons are passed over.
 * @throws Refusal when it is not JSON or not GeoJSON, naming where
 */
export function readGeoJson(text: string): RawGroundFile {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new Refusal(
      'FILE_UNREADABLE',
      'The file breaks off or is damaged: it is not whole JSON. Export it again from where it came.',
      [{ path: 'file', message: (error as Error).message }],
    );
  }
  const type = (json as { type?: unknown }).type;
  const wrapped =
    type === 'FeatureCollection'
      ? json
      : {
          type: 'FeatureCollection',
          features: [type === 'Feature' ? json : { type: 'Feature', geometry: json, properties: null }],
        };
  const read = Collection.safeParse(wrapped);
  if (!read.success) {
    const issue = read.error.issues[0];
    throw new Refusal(
      'FILE_UNREADABLE',
      `This JSON is not GeoJSON (at ${issue?.path.join('.') || 'the start'}). Export the line as GeoJSON or GPX.`,
      [{ path: 'file', message: issue?.message ?? '' }],
    );
  }

  const lines: RawLine[] = [];
  const places: { name: string; position: Position; properties: Record<string, unknown> }[] = [];
  const records: RawRecord[] = [];
  let own: Partial<RawGroundFile> = {};
  for (const { id, geometry, properties } of read.data.features) {
    const name = typeof properties?.['name'] === 'string' ? properties['name'] : '';
    if (typeof properties?.['riffle'] === 'string' && properties['riffle'] !== 'ground') {
      const { riffle: kind, ...fields } = properties;
      records.push({ kind: String(kind), id: String(id), fields });
      // Spots are also shown on the sheet; nothing else of it is a place of the walk.
      if (kind !== 'spots' || properties['deleted'] === true) continue;
    }
    if (geometry?.type === 'LineString') lines.push({ name, segments: [geometry.coordinates.map(position)] });
    else if (geometry?.type === 'MultiLineString')
      lines.push({ name, segments: geometry.coordinates.map((some) => some.map(position)) });
    else if (geometry?.type === 'Point')
      places.push({ name, position: position(geometry.coordinates), properties: properties ?? {} });
    else if (geometry?.type === 'MultiPoint')
      geometry.coordinates.forEach((c) => places.push({ name, position: position(c), properties: properties ?? {} }));
    const flow = properties?.['flow'];
    if (geometry?.type === 'LineString' && (flow === 'as drawn' || flow === 'against')) {
      const { kind, swell_percent, note, ...told } = properties ?? {};
      own = { flow, kind, swell_percent, note, told };
    }
  }
  return { ...UNTOLD, format: 'GeoJSON', lines, places, name: '', ...own, records };
}

const position = ([lon = NaN, lat = NaN, ele]: number[]): Position =>
  ele === undefined ? [lon, lat] : [lon, lat, ele];
