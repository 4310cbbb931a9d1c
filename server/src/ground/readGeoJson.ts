import type { Position } from '@riffle/core';
import { z } from 'zod';
import { Refusal } from '../http/problems.ts';
import type { RawGroundFile } from './rawGroundFile.ts';

const Coordinates = z.array(z.number()).min(2);
const Properties = z.record(z.string(), z.unknown()).nullish();
const Geometry = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Point'), coordinates: Coordinates }),
  z.object({ type: z.literal('MultiPoint'), coordinates: z.array(Coordinates) }),
  z.object({ type: z.literal('LineString'), coordinates: z.array(Coordinates) }),
  z.object({ type: z.literal('MultiLineString'), coordinates: z.array(z.array(Coordinates)) }),
  z.object({ type: z.enum(['Polygon', 'MultiPolygon', 'GeometryCollection']) }),
]);
const Feature = z.object({ type: z.literal('Feature'), geometry: Geometry.nullable(), properties: Properties });
const Collection = z.object({ type: z.literal('FeatureCollection'), features: z.array(Feature).max(200_000) });

/**
 * Reads GeoJSON (RFC 7946): lines, and points as places. Polygons are passed over.
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

  const lines: { name: string; points: Position[] }[] = [];
  const places: { name: string; position: Position; properties: Record<string, unknown> }[] = [];
  let flow: RawGroundFile['flow'] = 'unknown';
  let own: Pick<RawGroundFile, 'kind' | 'swell_percent' | 'note'> = { kind: 'creek', swell_percent: null, note: null };
  for (const { geometry, properties } of read.data.features) {
    const name = typeof properties?.['name'] === 'string' ? properties['name'] : '';
    if (geometry?.type === 'LineString') lines.push({ name, points: geometry.coordinates.map(position) });
    else if (geometry?.type === 'MultiLineString')
      lines.push({ name, points: geometry.coordinates.flat().map(position) });
    else if (geometry?.type === 'Point')
      places.push({ name, position: position(geometry.coordinates), properties: properties ?? {} });
    else if (geometry?.type === 'MultiPoint')
      geometry.coordinates.forEach((c) => places.push({ name, position: position(c), properties: properties ?? {} }));
    if (
      geometry?.type === 'LineString' &&
      (properties?.['flow'] === 'as drawn' || properties?.['flow'] === 'against')
    ) {
      flow = properties['flow'];
      own = { kind: properties['kind'], swell_percent: properties['swell_percent'], note: properties['note'] };
    }
  }
  return { format: 'GeoJSON', lines, places, name: '', ...own, flow };
}

const position = ([lon = NaN, lat = NaN, ele]: number[]): Position =>
  ele === undefined ? [lon, lat] : [lon, lat, ele];
