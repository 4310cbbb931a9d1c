import type { Position } from '@riffle/core';

/** Places of a ground as they are given away. */
export interface GivenPlaces {
  readonly name: string;
  /** From the foot up; empty where nothing is given of it. */
  readonly line: readonly (readonly [number, number])[];
  readonly spots: readonly {
    readonly name: string;
    /** Null where nothing is given of it. */
    readonly at: readonly [number, number] | null;
    /** What was found there, in words. */
    readonly found: string;
  }[];
}

export interface PlacesBehind {
  readonly name: string;
  readonly line: readonly Position[] | null;
  readonly spots: readonly { readonly name: string; readonly position: Position | null; readonly found: string }[];
}

/** What is given of them; blurred points of a line that fall together are one. */
export function givenPlaces(
  { name, line, spots }: PlacesBehind,
  give: (at: Position) => readonly [number, number] | null,
): GivenPlaces {
  const points = (line ?? []).flatMap((p) => {
    const at = give(p);
    return at ? [at] : [];
  });
  return {
    name,
    line: points.filter((p, i) => i === 0 || p.join() !== points[i - 1]?.join()),
    spots: spots.map((s) => ({ name: s.name, at: s.position && give(s.position), found: s.found })),
  };
}

/** Seven decimals are a centimeter. */
const degrees = (x: number): number => Number(x.toFixed(7));
const lonLat = ([lon, lat]: readonly [number, number]): [number, number] => [degrees(lon), degrees(lat)];

/** As GeoJSON (RFC 7946). */
export function asGeoJson({ name, line, spots }: GivenPlaces): string {
  const features = spots.map((s) => ({
    type: 'Feature',
    geometry: s.at && { type: 'Point', coordinates: lonLat(s.at) },
    properties: { name: s.name, found: s.found },
  }));
  const creek = {
    type: 'Feature',
    geometry: line.length > 1 ? { type: 'LineString', coordinates: line.map(lonLat) } : null,
    properties: { name },
  };
  return JSON.stringify({ type: 'FeatureCollection', features: [creek, ...features] });
}

const GPX = 'http://www.topografix.com/GPX/1/1';
const KML = 'http://www.opengis.net/kml/2.2';
const written = (doc: Document): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(doc)}`;

/** Adds an element, with a text where it has one. */
const into = (doc: Document, parent: Element, name: string, text?: string): Element => {
  const element = doc.createElementNS(parent.namespaceURI, name);
  if (text !== undefined) element.textContent = text;
  parent.append(element);
  return element;
};

/** As GPX 1.1: a way point for each spot that has a position, the line as a track. */
export function asGpx({ name, line, spots }: GivenPlaces): string {
  const doc = document.implementation.createDocument(GPX, 'gpx');
  const root = doc.documentElement;
  root.setAttribute('version', '1.1');
  root.setAttribute('creator', 'Riffle');
  const point = (parent: Element, tag: string, at: readonly [number, number]): Element => {
    const element = into(doc, parent, tag);
    element.setAttribute('lat', at[1].toFixed(7));
    element.setAttribute('lon', at[0].toFixed(7));
    return element;
  };
  for (const s of spots) {
    if (!s.at) continue;
    const element = point(root, 'wpt', s.at);
    into(doc, element, 'name', s.name);
    into(doc, element, 'desc', s.found);
  }
  if (line.length > 1) {
    const track = into(doc, root, 'trk');
    into(doc, track, 'name', name);
    const segment = into(doc, track, 'trkseg');
    for (const p of line) point(segment, 'trkpt', p);
  }
  return written(doc);
}

/** As KML 2.2 (OGC 07-147r2): a placemark for each spot that has a position, the line as one more. */
export function asKml({ name, line, spots }: GivenPlaces): string {
  const doc = document.implementation.createDocument(KML, 'kml');
  const all = into(doc, doc.documentElement, 'Document');
  into(doc, all, 'name', name);
  for (const s of spots) {
    if (!s.at) continue;
    const mark = into(doc, all, 'Placemark');
    into(doc, mark, 'name', s.name);
    into(doc, mark, 'description', s.found);
    into(doc, into(doc, mark, 'Point'), 'coordinates', lonLat(s.at).join());
  }
  if (line.length > 1) {
    const mark = into(doc, all, 'Placemark');
    into(doc, mark, 'name', name);
    into(doc, into(doc, mark, 'LineString'), 'coordinates', line.map((p) => lonLat(p).join()).join(' '));
  }
  return written(doc);
}
