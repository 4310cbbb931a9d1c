import type { Position } from '@riffle/core';
import { UNTOLD, type RawGroundFile } from './rawGroundFile.ts';
import { readXml } from './readXml.ts';

/**
 * Reads GPX 1.1 and 1.0 (topografix.com/GPX): tracks with their segments, routes, way points; names and heights.
 * @throws Refusal when it is not well-formed XML
 */
export function readGpx(text: string): RawGroundFile {
  const lines: { name: string; segments: Position[][] }[] = [];
  const places: { name: string; position: Position; properties: Record<string, unknown> }[] = [];
  let documentName = '';
  let place: { name: string; position: [number, number, number | null] } | null = null;
  let point: [number, number, number | null] | null = null;

  readXml(text, {
    open: ({ tag, attribute }) => {
      const here = (): [number, number, number | null] => [degrees(attribute('lon')), degrees(attribute('lat')), null];
      if (tag === 'trk') lines.push({ name: '', segments: [] });
      else if (tag === 'rte') lines.push({ name: '', segments: [[]] });
      else if (tag === 'trkseg') lines.at(-1)?.segments.push([]);
      else if (tag === 'trkpt' || tag === 'rtept') point = here();
      else if (tag === 'wpt') place = { name: '', position: here() };
    },
    close: (tag, said, path) => {
      const parent = path.at(-1);
      if (tag === 'ele' && said !== '' && Number.isFinite(Number(said))) {
        if (point) point[2] = Number(said);
        else if (place) place.position[2] = Number(said);
      } else if (tag === 'name') {
        const line = lines.at(-1);
        if (parent === 'wpt' && place) place.name = said;
        else if ((parent === 'trk' || parent === 'rte') && line) line.name = said;
        // GPX 1.1 has it among its metadata, 1.0 beside the tracks.
        else if (parent === 'metadata' || parent === 'gpx') documentName = said;
      } else if ((tag === 'trkpt' || tag === 'rtept') && point) {
        lines.at(-1)?.segments.at(-1)?.push(trim(point));
        point = null;
      } else if (tag === 'wpt' && place) {
        places.push({ name: place.name, position: trim(place.position), properties: {} });
        place = null;
      }
    },
  });
  return { ...UNTOLD, format: 'GPX', lines, places, name: documentName };
}

const degrees = (attribute: string | undefined): number =>
  attribute === undefined || attribute.trim() === '' ? NaN : Number(attribute);
const trim = ([lon, lat, ele]: [number, number, number | null]): Position =>
  ele === null ? [lon, lat] : [lon, lat, ele];
