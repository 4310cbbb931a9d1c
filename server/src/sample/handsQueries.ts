import type { Container, Seeding, SizeWord } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const CONTAINER = `id, version, updated_at as "updatedAt", deleted, name, volume_l as "volume_L", volume_entered as "volumeEntered", way, note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeContainer(db: Db, crewId: string, r: Container, baseVersion: number): Promise<unknown> {
  const values = [crewId, r.id, r.deleted, r.name, r.volume_L, r.volumeEntered, r.way, r.note];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into container (crew_id, id, deleted, name, volume_l, volume_entered, way, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (crew_id, id) do nothing returning ${CONTAINER}`,
          values,
        )
      : await db.query(
          `update container set version = version + 1, updated_at = now(), deleted = $3, name = $4, volume_l = $5, volume_entered = $6, way = $7, note = $8
       where crew_id = $1 and id = $2 and version = $9 returning ${CONTAINER}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findContainer(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${CONTAINER} from container where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listContainers(db: Db, crewId: string, after: string, limit: number): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${CONTAINER} from container where crew_id = $1 and id > $2 order by id limit $3`,
    [crewId, after, limit],
  );
  return rows;
}

const SEEDING = `id, version, updated_at as "updatedAt", deleted, panner, seeded_at as "seededAt", size, put_in as "putIn", came_back as "cameBack", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeSeeding(db: Db, crewId: string, r: Seeding, baseVersion: number): Promise<unknown> {
  const values = [crewId, r.id, r.deleted, r.panner, r.seededAt, r.size, r.putIn, r.cameBack, r.note];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into seeding (crew_id, id, deleted, panner, seeded_at, size, put_in, came_back, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9) on conflict (crew_id, id) do nothing returning ${SEEDING}`,
          values,
        )
      : await db.query(
          `update seeding set version = version + 1, updated_at = now(), deleted = $3, panner = $4, seeded_at = $5, size = $6, put_in = $7, came_back = $8, note = $9
       where crew_id = $1 and id = $2 and version = $10 returning ${SEEDING}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findSeeding(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SEEDING} from seeding where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listSeedings(db: Db, crewId: string, after: string, limit: number): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SEEDING} from seeding where crew_id = $1 and id > $2 order by id limit $3`,
    [crewId, after, limit],
  );
  return rows;
}

const SIZE_WORD = `id, version, updated_at as "updatedAt", deleted, word, size`;

/** Null: `baseVersion` is not the stored one. */
export async function writeSizeWord(db: Db, crewId: string, r: SizeWord, baseVersion: number): Promise<unknown> {
  const values = [crewId, r.id, r.deleted, r.word, r.size];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into size_word (crew_id, id, deleted, word, size) values ($1, $2, $3, $4, $5) on conflict (crew_id, id) do nothing returning ${SIZE_WORD}`,
          values,
        )
      : await db.query(
          `update size_word set version = version + 1, updated_at = now(), deleted = $3, word = $4, size = $5 where crew_id = $1 and id = $2 and version = $6 returning ${SIZE_WORD}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findSizeWord(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SIZE_WORD} from size_word where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listSizeWords(db: Db, crewId: string, after: string, limit: number): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SIZE_WORD} from size_word where crew_id = $1 and id > $2 order by id limit $3`,
    [crewId, after, limit],
  );
  return rows;
}
