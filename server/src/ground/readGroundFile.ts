import {
  centreLine,
  DEFAULT_SWELL_PERCENT,
  flowDirection,
  localPlane,
  thinLine,
  waypointKind,
  type Position,
} from '@riffle/core';
import {
  GROUND_KINDS,
  SPOT_KINDS,
  NUMBERS,
  numberProblem,
  TEXTS,
  type FileChoices,
  type GroundFile,
} from '@riffle/contract';
import { Refusal } from '../http/problems.ts';
import { readCsv } from './readCsv.ts';
import { readGeoJson } from './readGeoJson.ts';
import type { RawGroundFile, RawLine, RawRecord } from './rawGroundFile.ts';
import { readGpx } from './readGpx.ts';
import { readKml } from './readKml.ts';
import { readNmea } from './readNmea.ts';

/** A ground as far as the file tells it. `points` is the line as drawn, every point of it. */
export interface ReadGround extends GroundFile {
  readonly points: readonly Position[];
  readonly properties: readonly Readonly<Record<string, unknown>>[];
  /** From Riffle's own exports; the usual values otherwise. */
  readonly swell_percent: number;
  readonly note: string;
  readonly told: Readonly<Record<string, unknown>>;
  readonly records: readonly RawRecord[];
}

/** Most points drawn on ribbon and map; the rest are kept but not sent to the screen. */
const DRAWN_POINTS = 2000;
const MOST_POINTS = 500_000;
const MOST_PLACES = 5000;
/** A ground is walked: a line longer than this is a journey, or has its latitudes and longitudes mixed up. */
const LONGEST_M = 200_000;
const SHORTEST_M = 5;
const FAR_PLACE_M = 20_000;
/** A gap in a walk that is drawn straight; over a longer one lie two stretches. */
const BRIDGED_M = 500;
const SKETCH_POINTS = 200;
/** More stretches than a person can choose from. */
const MOST_STRETCHES = 50;

const refuse = (detail: string): never => {
  throw new Refusal('FILE_UNREADABLE', detail, [{ path: 'file', message: detail }]);
};

/**
 * Reads GPX 1.1 or 1.0, KML 2.2, GeoJSON (RFC 7946), a log of NMEA 0183 or a table into a ground. Stores nothing.
 * Of stretches that lie apart one is the ground: the longest, or the one chosen.
 * @throws Refusal FILE_UNREADABLE saying what is wrong with it and what to do
 */
export function readGroundFile(text: string, choices: Partial<FileChoices> = {}): ReadGround {
  const start = text.replace(/^\uFEFF/, '').trimStart();
  if (start === '') refuse('The file is empty.');
  const raw = readRaw(start, choices);

  const warnings: string[] = [];
  const ranked = raw.lines
    .flatMap((l) => stretchesOf(l, warnings))
    .map((l) => ({ ...l, length_m: safeLength(l.points) }))
    .sort((a, b) => b.length_m - a.length_m)
    // What was taken standing still is no line to choose, unless it is all there is.
    .filter((l, i) => i === 0 || l.length_m >= SHORTEST_M);
  [...ranked.flatMap((l) => l.points), ...raw.places.map((p) => p.position)].forEach(checkPosition);
  const { stretch = 0 } = choices;
  const best =
    ranked[stretch] ??
    refuse(
      raw.places.length > 0
        ? 'The file has places but no track or line. Walk the creek with the track on, or draw it, then drop that file.'
        : 'There is no track or line in this file.',
    );
  if (best.points.length > MOST_POINTS)
    refuse(`The line has ${best.points.length} points; the most is ${MOST_POINTS}.`);
  if (raw.places.length > MOST_PLACES) refuse(`The file has ${raw.places.length} places; the most is ${MOST_PLACES}.`);
  if (best.length_m > LONGEST_M)
    refuse(
      `The line is ${Math.round(best.length_m / 1000)} km long; a ground is at most ${LONGEST_M / 1000} km. Are latitude and longitude mixed up, or is it another track?`,
    );
  if (best.length_m < SHORTEST_M) refuse('The line is shorter than 5 m: the track was taken standing still.');

  const thinned = thinLine(best.points, 0.5, DRAWN_POINTS);
  const line = centreLine(thinned);
  const near = raw.places.map((p) => ({ ...p, at: line.locate(p.position) }));
  const swapped = near.filter(
    (p) =>
      p.at.offset_m > FAR_PLACE_M &&
      Math.abs(p.position[0]) <= 90 &&
      line.locate([p.position[1], p.position[0]]).offset_m < FAR_PLACE_M,
  );
  if (swapped[0])
    refuse(
      `“${swapped[0].name}” lies far from the line, but near it with latitude and longitude swapped. Mend the file and drop it again.`,
    );
  const kept = near.filter((p) => p.at.offset_m <= FAR_PLACE_M);

  if (kept.length < near.length)
    warnings.push(`${near.length - kept.length} places lie more than ${FAR_PLACE_M / 1000} km away and are left out.`);
  if (best.points.length > DRAWN_POINTS)
    warnings.push(
      `All ${best.points.length.toLocaleString('en-US')} points are kept; ${thinned.length.toLocaleString('en-US')} are drawn.`,
    );
  const long = [best.name || raw.name, ...kept.map((p) => p.name)].filter((name) => name.length > TEXTS.name.longest);
  if (long.length > 0)
    warnings.push(
      `${long.length === 1 ? 'A name is' : `${long.length} names are`} longer than ${TEXTS.name.longest} characters and cut there, the first “${shortened(long[0] ?? '')}”.`,
    );
  const note = typeof raw.note === 'string' ? raw.note : '';
  if (note.length > TEXTS.note.longest)
    warnings.push(`The note is longer than ${TEXTS.note.longest.toLocaleString('en-US')} characters and cut there.`);
  return {
    format: raw.format,
    name: shortened(best.name || raw.name),
    kind: GROUND_KINDS.find((k) => k === raw.kind) ?? 'creek',
    length_m: best.length_m,
    linePoints: best.points.length,
    line: thinned,
    flow: raw.flow !== 'unknown' ? raw.flow : flowDirection(best.points),
    spots: kept.map((p, i) => ({
      name: shortened(p.name) || `Spot ${i + 1}`,
      kind: SPOT_KINDS.find((k) => k === p.properties?.kind) ?? waypointKind(p.name),
      position: p.position,
      distanceAlong_m: p.at.distance_m,
      offset_m: p.at.offset_m,
    })),
    stretches: ranked.slice(0, MOST_STRETCHES).map((l) => ({
      name: shortened(l.name),
      length_m: l.length_m,
      line: thinLine(l.points, 2, SKETCH_POINTS),
    })),
    stretch,
    holds: countBy(raw.records.map((r) => r.kind)),
    columns: raw.columns && { ...raw.columns, all: [...raw.columns.all] },
    warnings,
    points: best.points,
    swell_percent:
      typeof raw.swell_percent === 'number' && numberProblem(NUMBERS.swell_percent, raw.swell_percent) === null
        ? raw.swell_percent
        : DEFAULT_SWELL_PERCENT,
    note: note.slice(0, TEXTS.note.longest),
    properties: kept.map((p) => p.properties),
    told: raw.told,
    records: raw.records,
  };
}

const countBy = (names: readonly string[]): Record<string, number> =>
  Object.fromEntries([...new Set(names)].map((name) => [name, names.filter((n) => n === name).length]));

/** A line as one stretch where its segments follow each other, as several where they lie apart. */
function stretchesOf({ name, segments }: RawLine, warnings: string[]): { name: string; points: Position[] }[] {
  const stretches: Position[][] = [];
  for (const segment of segments) {
    if (segment.length === 0) continue;
    const last = stretches.at(-1);
    const gap_m = last ? safeLength([last.at(-1) as Position, segment[0] as Position]) : 0;
    if (!last || gap_m > BRIDGED_M) stretches.push([...segment]);
    else {
      if (gap_m > 50) warnings.push(`A gap of ${Math.round(gap_m)} m in the walk is drawn straight.`);
      // Not spread: a segment may have more points than a call takes arguments.
      for (const p of segment) last.push(p);
    }
  }
  return stretches.map(distinct).flatMap((points, i) => {
    if (points.length < 2) return [];
    return [{ name: stretches.length > 1 ? `${name || 'Line'}, part ${i + 1}` : name, points }];
  });
}

function readRaw(start: string, { latitude, longitude, nameColumn }: Partial<FileChoices>): RawGroundFile {
  if (start.startsWith('{')) return readGeoJson(start);
  // A receiver's log, perhaps cut in the middle of a sentence.
  if (/^[^<{]{0,120}[$!][A-Z]{5},/.test(start)) return readNmea(start);
  if (!start.startsWith('<')) {
    if (!/^[^\r\n]*[,;\t]/.test(start))
      return refuse(
        'This is neither GPX, KML, GeoJSON, a receiver’s log nor a table. Export the track as one of them.',
      );
    return readCsv(start, {
      ...(latitude !== undefined && { latitude }),
      ...(longitude !== undefined && { longitude }),
      ...(nameColumn !== undefined && { name: nameColumn === '' ? null : nameColumn }),
    });
  }
  // What comes before the first element: declaration, comments, a document type.
  const root = /^(?:\s|<\?[^]*?\?>|<!--[^]*?-->|<![^>]*>)*<(?:[\w.-]+:)?([\w.-]+)/.exec(start.slice(0, 20_000))?.[1];
  if (root === 'kml') return readKml(start);
  if (root === 'gpx' || root === undefined) return readGpx(start);
  return refuse(
    `This is XML, but neither GPX nor KML (it starts with <${root.slice(0, 40)}>). Export the track as one of the two.`,
  );
}

const shortened = (name: string): string => name.slice(0, TEXTS.name.longest);

function checkPosition([lon, lat]: Position): void {
  if (Math.abs(lat) <= 90 && Math.abs(lon) <= 180) return;
  if (Math.abs(lat) <= 180 && Math.abs(lon) <= 90)
    refuse(`A point has latitude ${lat}: latitude and longitude look swapped. Mend the file and drop it again.`);
  if (!Number.isFinite(lat) || !Number.isFinite(lon)) refuse('A point has no readable latitude and longitude.');
  refuse(
    `A point lies at latitude ${lat}, longitude ${lon}, which is not on the earth. Coordinates must be degrees (WGS 84).`,
  );
}

/** Length for ranking lines before their points are checked. */
function safeLength(points: readonly Position[]): number {
  points.forEach(checkPosition);
  const first = points[0] as Position;
  if (Math.abs(first[1]) > 89) refuse('The line lies at the pole, where Riffle cannot measure.');
  const plane = localPlane(first);
  let length_m = 0;
  let before = plane.toPlane(first);
  for (const p of points) {
    const here = plane.toPlane(p);
    length_m += Math.hypot(here.x_m - before.x_m, here.y_m - before.y_m);
    before = here;
  }
  return length_m;
}

/** Points with repeats at the same place left out. */
const distinct = (points: readonly Position[]): Position[] =>
  points.filter((p, i) => i === 0 || p[0] !== points[i - 1]?.[0] || p[1] !== points[i - 1]?.[1]);
