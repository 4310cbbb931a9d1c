import type { Ground, StoredGround, StoredSpot } from '@riffle/contract';
import { centreLine } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { eachRecord, type Db } from '../db/pool.ts';
import type { Kept, RecordKind, Sent } from '../db/recordKind.ts';
import { Refusal } from '../http/problems.ts';
import { outlines } from '../map/queries.ts';
import { gaugeReadings, permissions, signs, swellReadings } from '../read/queries.ts';
import { looks, lots, pits, samplePlans, samples, screenings, sweeps } from '../sample/queries.ts';
import type { RawRecord } from './rawGroundFile.ts';
import { spots } from './queries.ts';

/**
 * What a ground is: each kind after those it names. What was run on it, cleaned and planned for a day is the book's, and
 * photos are files; a backup holds those.
 */
const OF_GROUND = [
  permissions,
  gaugeReadings,
  swellReadings,
  outlines,
  signs,
  samplePlans,
  spots,
  pits,
  lots,
  screenings,
  looks,
  sweeps,
  samples,
] as const;
const ROWS_AT_A_TIME = 1000;
type AnyKind = RecordKind<Sent, Kept>;
const KINDS = OF_GROUND as unknown as readonly AnyKind[];

type Geometry = { readonly type: string; readonly coordinates: unknown } | null;
interface Feature {
  readonly type: 'Feature';
  readonly id?: string;
  readonly geometry: Geometry;
  readonly properties: Readonly<Record<string, unknown>>;
}
type Fields = Readonly<Record<string, unknown>> & { readonly id: string; readonly deleted: boolean };

/**
 * A ground as GeoJSON (RFC 7946): its line foot first with the flow stated, and every record of it, a point or an outline
 * where it has a place, unlocated where it has none. `readGroundFile` reads it back to the same ground.
 */
export async function groundAsGeoJson(
  db: Db,
  crewId: string,
  ground: StoredGround,
  line: readonly (readonly number[])[],
): Promise<{ type: 'FeatureCollection'; features: Feature[] }> {
  const lists = await Promise.all(
    KINDS.map(async (kind) => ({ kind, records: await allOf(db, kind, crewId, ground.id) })),
  );
  const places = placesOn(ground, lists.find((l) => l.kind.path === spots.path)?.records as unknown as StoredSpot[]);
  const features = standing(lists).flatMap(({ kind, records }) =>
    records.map(({ id, groundId: _ground, version: _version, updatedAt: _at, deleted, ...fields }): Feature => ({
      type: 'Feature',
      id,
      geometry: places(kind.path, { id, ...fields }),
      properties: { riffle: kind.path, ...(deleted && { deleted }), ...fields },
    })),
  );
  const own: Feature = {
    type: 'Feature',
    geometry: { type: 'LineString', coordinates: line },
    properties: { riffle: 'ground', flow: 'against', ...factsOf(ground) },
  };
  return { type: 'FeatureCollection', features: [own, ...features] };
}

/** What is told of a ground besides its line and what the book keeps of it. */
const factsOf = (ground: StoredGround): Record<string, unknown> =>
  Object.fromEntries(Object.entries(ground).filter(([field]) => !NO_FACTS.has(field)));
const NO_FACTS: ReadonlySet<string> = new Set([
  'id',
  'version',
  'updatedAt',
  'deleted',
  'line',
  'linePoints',
  'length_m',
] satisfies (keyof StoredGround)[]);

async function allOf(db: Db, kind: AnyKind, crewId: string, groundId: string): Promise<Fields[]> {
  return (await eachRecord((after) => kind.list(db, crewId, groundId, after, ROWS_AT_A_TIME))) as unknown as Fields[];
}

/** What is not taken out, and what of the rest those name: a sample stays in the book when its spot is off the ribbon. */
function standing(
  lists: readonly { kind: AnyKind; records: readonly Fields[] }[],
): { kind: AnyKind; records: Fields[] }[] {
  const named = new Set<string>();
  return lists
    .toReversed()
    .map(({ kind, records }) => {
      const kept = records.filter((r) => !r.deleted || named.has(r.id));
      for (const r of kept) for (const value of Object.values(r)) if (typeof value === 'string') named.add(value);
      return { kind, records: kept };
    })
    .toReversed();
}

/** Where on the earth a record lies, as far as that is known. */
function placesOn(ground: StoredGround, ofGround: readonly StoredSpot[]) {
  const centre = centreLine(ground.line ?? []);
  type Along = Pick<StoredSpot, 'position' | 'distance_m' | 'offset_m' | 'bank'>;
  const point = (at: Along): Geometry => ({
    type: 'Point',
    coordinates: at.position ?? centre.positionAt(at.distance_m, at.offset_m, at.bank),
  });
  const spotById = new Map(ofGround.map((s) => [s.id, s]));
  return (path: string, record: Readonly<Record<string, unknown>>): Geometry => {
    if (path === spots.path || path === signs.path) return point(record as unknown as Along);
    if (path === outlines.path) {
      const points = record['points'] as readonly (readonly number[])[];
      return record['kind'] === 'path'
        ? { type: 'LineString', coordinates: points }
        : { type: 'Polygon', coordinates: [[...points, points[0]]] };
    }
    const spot = spotById.get(String(record['spotId']));
    return spot ? point(spot) : null;
  };
}

/**
 * Writes the records of a file for a ground, inside a transaction: under their own ids, or all under new ones where this
 * book has any of them already.
 * @param turned the line is walked the other way: distances count from its other end, and the banks change sides
 * @throws Refusal FILE_UNREADABLE naming the record that Riffle cannot keep
 */
export async function insertGroundRecords(
  db: Db,
  crewId: string,
  ground: Ground,
  raw: readonly RawRecord[],
  turned: boolean,
): Promise<void> {
  const strange = raw.find((r) => !KINDS.some((k) => k.path === r.kind));
  if (strange) throw unreadable(strange, 'Riffle knows no such records.');
  const ids = raw.map((r) => r.id).filter(isUuid);
  let isTaken = false;
  for (const kind of KINDS) isTaken ||= (await kind.existing(db, crewId, ids)).length > 0;
  const renamed = new Map(isTaken ? raw.map((r) => [r.id, uuidv7()]) : []);
  for (const kind of KINDS) {
    const records = raw
      .filter((r) => r.kind === kind.path)
      .map((r) => {
        const fields = withIds(turned ? turn(r.fields, ground.length_m) : r.fields, renamed);
        const record = {
          deleted: false,
          ...fields,
          id: renamed.get(r.id) ?? r.id,
          groundId: ground.id,
          baseVersion: 0,
        };
        const read = kind.sent.safeParse(record);
        if (!read.success)
          throw unreadable(r, `${read.error.issues[0]?.path.join('.')}: ${read.error.issues[0]?.message}`);
        const { baseVersion: _new, ...written } = read.data;
        return written;
      });
    for (let at = 0; at < records.length; at += ROWS_AT_A_TIME)
      await kind.insertMany(db, crewId, records.slice(at, at + ROWS_AT_A_TIME));
  }
}

const isUuid = (id: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id);
const unreadable = ({ kind, id }: RawRecord, why: string): Refusal => {
  const detail = `The file’s ${kind} record ${id} cannot be kept. ${why}`;
  return new Refusal('FILE_UNREADABLE', detail.slice(0, 400), [{ path: 'file', message: detail.slice(0, 400) }]);
};

/** The same fields with every id that was changed changed in them too. */
function withIds<T>(value: T, renamed: ReadonlyMap<string, string>): T {
  if (renamed.size === 0) return value;
  return JSON.parse(JSON.stringify(value), (_key, v: unknown) =>
    typeof v === 'string' ? (renamed.get(v) ?? v) : v,
  ) as T;
}

const OTHER_BANK: Readonly<Record<string, string>> = { left: 'right', right: 'left' };
function turn(fields: RawRecord['fields'], length_m: number): RawRecord['fields'] {
  const { distance_m, bank } = fields;
  return {
    ...fields,
    ...(typeof distance_m === 'number' && { distance_m: Math.max(0, length_m - distance_m) }),
    ...(typeof bank === 'string' && { bank: OTHER_BANK[bank] ?? bank }),
  };
}
