import type { GaugeReading, Permission, Sign } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const SIGN = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", kind, distance_m, bank, offset_m, position, seen_at as "seenAt",
  size_mm, size_entered as "sizeEntered", cover_m, cover_entered as "coverEntered", weight, traits, come_back_with as "comeBackWith", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeSign(db: Db, crewId: string, s: Sign, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    s.id,
    s.groundId,
    s.deleted,
    s.kind,
    s.distance_m,
    s.bank,
    s.offset_m,
    s.position && JSON.stringify(s.position),
    s.seenAt,
    s.size_mm,
    s.sizeEntered,
    s.cover_m,
    s.coverEntered,
    s.weight,
    s.comeBackWith,
    s.note,
    s.traits,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into sign (crew_id, id, ground_id, deleted, kind, distance_m, bank, offset_m, position, seen_at, size_mm, size_entered, cover_m, cover_entered, weight, come_back_with, note, traits)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18) on conflict do nothing returning ${SIGN}`,
          values,
        )
      : await db.query(
          `update sign set version = version + 1, updated_at = now(), deleted = $4, kind = $5, distance_m = $6, bank = $7, offset_m = $8, position = $9, seen_at = $10,
         size_mm = $11, size_entered = $12, cover_m = $13, cover_entered = $14, weight = $15, come_back_with = $16, note = $17, traits = $18
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $19 returning ${SIGN}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findSign(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SIGN} from sign where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listSigns(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SIGN} from sign where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

const READING = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", read_at as "readAt", level_m, level_entered as "levelEntered", is_flood as "isFlood", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeGaugeReading(
  db: Db,
  crewId: string,
  r: GaugeReading,
  baseVersion: number,
): Promise<unknown> {
  const values = [crewId, r.id, r.groundId, r.deleted, r.readAt, r.level_m, r.levelEntered, r.isFlood, r.note];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into gauge_reading (crew_id, id, ground_id, deleted, read_at, level_m, level_entered, is_flood, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9) on conflict do nothing returning ${READING}`,
          values,
        )
      : await db.query(
          `update gauge_reading set version = version + 1, updated_at = now(), deleted = $4, read_at = $5, level_m = $6, level_entered = $7, is_flood = $8, note = $9
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $10 returning ${READING}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findGaugeReading(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${READING} from gauge_reading where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listGaugeReadings(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${READING} from gauge_reading where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

const PERMISSION = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", name, kind, to_char(from_day, 'YYYY-MM-DD') as "from", to_char(to_day, 'YYYY-MM-DD') as "to", every_year as "everyYear", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writePermission(db: Db, crewId: string, p: Permission, baseVersion: number): Promise<unknown> {
  const values = [crewId, p.id, p.groundId, p.deleted, p.name, p.kind, p.from, p.to, p.everyYear, p.note];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into permission (crew_id, id, ground_id, deleted, name, kind, from_day, to_day, every_year, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict do nothing returning ${PERMISSION}`,
          values,
        )
      : await db.query(
          `update permission set version = version + 1, updated_at = now(), deleted = $4, name = $5, kind = $6, from_day = $7, to_day = $8, every_year = $9, note = $10
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $11 returning ${PERMISSION}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findPermission(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${PERMISSION} from permission where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listPermissions(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${PERMISSION} from permission where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
