import type { Position } from '@riffle/core';
import { UNTOLD, type RawGroundFile, type RawLine } from './rawGroundFile.ts';
import { readXml } from './readXml.ts';

/**
 * Reads KML 2.2 (OGC 12-007r2) and its common track extension: lines, tracks, places; their names and heights. Heights
 * that are not said to be above the sea (`altitudeMode`) are left out: they are above the ground, which is nothing to go by.
 * @throws Refusal when it is not well-formed XML
 */
export function readKml(text: string): RawGroundFile {
  const lines: RawLine[] = [];
  const places: { name: string; position: Position; properties: Record<string, unknown> }[] = [];
  let documentName = '';
  let name = '';
  /** Of the placemark one is in: it may hold several. */
  let held: { what: 'line' | 'place'; points: Position[] }[] = [];
  let shape: { what: 'line' | 'place'; points: Position[]; aboveSea: boolean } | null = null;

  readXml(text, {
    open: ({ tag }) => {
      if (tag === 'Placemark') {
        name = '';
        held = [];
      } else if (tag === 'LineString' || tag === 'Track') shape = { what: 'line', points: [], aboveSea: false };
      else if (tag === 'Point') shape = { what: 'place', points: [], aboveSea: false };
    },
    close: (tag, said, path) => {
      if (tag === 'name') {
        if (path.at(-1) === 'Placemark') name = said;
        else if (documentName === '') documentName = said;
      } else if (tag === 'altitudeMode' && shape) shape.aboveSea = said === 'absolute';
      else if (tag === 'coordinates' && shape) shape.points.push(...said.split(/\s+/).filter(Boolean).map(comma));
      // A track's points: parts with blanks between.
      else if (tag === 'coord' && shape) shape.points.push(comma(said.replace(/\s+/g, ',')));
      else if ((tag === 'LineString' || tag === 'Track' || tag === 'Point') && shape) {
        const { what, aboveSea, points } = shape;
        held.push({ what, points: aboveSea ? points : points.map(([lon, lat]) => [lon, lat]) });
        shape = null;
      } else if (tag === 'Placemark') {
        const segments = held.filter((h) => h.what === 'line').map((h) => h.points);
        if (segments.length > 0) lines.push({ name, segments });
        for (const { what, points } of held)
          if (what === 'place' && points[0]) places.push({ name, position: points[0], properties: {} });
      }
    },
  });
  return { ...UNTOLD, format: 'KML', lines, places, name: documentName };
}

/** Longitude, latitude and perhaps height, with commas between. */
function comma(tuple: string): Position {
  const [lon = NaN, lat = NaN, height] = tuple.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  return height !== undefined && Number.isFinite(height) ? [lon, lat, height] : [lon, lat];
}
