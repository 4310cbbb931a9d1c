import type { Position } from '@riffle/core';
import { SaxesParser } from 'saxes';
import { Refusal } from '../http/problems.ts';
import type { RawGroundFile } from './rawGroundFile.ts';

/** GPX itself nests six deep; what devices put into its extensions, a few more. */
const DEEPEST = 32;

/**
 * Reads GPX 1.1 (topografix.com/GPX/1/1): tracks (their segments joined), routes, way points; names and heights.
 * @throws Refusal when it is not well-formed XML or not GPX
 */
export function readGpx(text: string): RawGroundFile {
  const lines: { name: string; points: Position[] }[] = [];
  const places: { name: string; position: Position; properties: Record<string, unknown> }[] = [];
  const path: string[] = [];
  let documentName = '';
  let words = '';
  let place: { name: string; position: [number, number, number | null] } | null = null;
  let point: [number, number, number | null] | null = null;

  const parser = new SaxesParser();
  parser.on('error', (error) => {
    throw new Refusal(
      'FILE_UNREADABLE',
      `The file breaks off or is damaged near line ${parser.line}. Export it again from where it came.`,
      [{ path: 'file', message: error.message }],
    );
  });
  parser.on('opentag', ({ name, attributes }) => {
    const tag = name.replace(/^.*:/, '');
    if (path.length === 0 && tag !== 'gpx')
      throw new Refusal(
        'FILE_UNREADABLE',
        `This is XML, but not GPX (it starts with <${tag.slice(0, 40)}>). Export the track as GPX or GeoJSON.`,
      );
    if (path.length >= DEEPEST)
      throw new Refusal('FILE_UNREADABLE', 'This file nests deeper than any track does. Export it again.');
    path.push(tag);
    words = '';
    const here = (): [number, number, number | null] => [degrees(attributes['lon']), degrees(attributes['lat']), null];
    if (tag === 'trk' || tag === 'rte') lines.push({ name: '', points: [] });
    else if (tag === 'trkpt' || tag === 'rtept') point = here();
    else if (tag === 'wpt') place = { name: '', position: here() };
  });
  parser.on('text', (t) => {
    words += t;
  });
  parser.on('cdata', (t) => {
    words += t;
  });
  parser.on('closetag', ({ name }) => {
    const tag = name.replace(/^.*:/, '');
    path.pop();
    const parent = path.at(-1);
    const said = words.trim();
    words = '';
    if (tag === 'ele' && said !== '' && Number.isFinite(Number(said))) {
      if (point) point[2] = Number(said);
      else if (place) place.position[2] = Number(said);
    } else if (tag === 'name') {
      const line = lines.at(-1);
      if (parent === 'wpt' && place) place.name = said;
      else if ((parent === 'trk' || parent === 'rte') && line) line.name = said;
      else if (parent === 'metadata') documentName = said;
    } else if ((tag === 'trkpt' || tag === 'rtept') && point) {
      lines.at(-1)?.points.push(trim(point));
      point = null;
    } else if (tag === 'wpt' && place) {
      places.push({ name: place.name, position: trim(place.position), properties: {} });
      place = null;
    }
  });
  parser.write(text).close();
  return {
    format: 'GPX',
    lines,
    places,
    name: documentName,
    kind: 'creek',
    swell_percent: null,
    note: null,
    flow: 'unknown',
  };
}

const degrees = (attribute: string | undefined): number =>
  attribute === undefined || attribute.trim() === '' ? NaN : Number(attribute);
const trim = ([lon, lat, ele]: [number, number, number | null]): Position =>
  ele === null ? [lon, lat] : [lon, lat, ele];
