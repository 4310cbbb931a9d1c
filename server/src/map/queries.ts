import type { Attachment, Outline } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const OUTLINE = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", name, kind, points, height_m, note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeOutline(db: Db, crewId: string, o: Outline, baseVersion: number): Promise<unknown> {
  const values = [crewId, o.id, o.groundId, o.deleted, o.name, o.kind, JSON.stringify(o.points), o.height_m, o.note];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into outline (crew_id, id, ground_id, deleted, name, kind, points, height_m, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9) on conflict do nothing returning ${OUTLINE}`,
          values,
        )
      : await db.query(
          `update outline set version = version + 1, updated_at = now(), deleted = $4, name = $5, kind = $6, points = $7, height_m = $8, note = $9
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $10 returning ${OUTLINE}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findOutline(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${OUTLINE} from outline where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listOutlines(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${OUTLINE} from outline where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

const ATTACHMENT = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", about, about_id as "aboutId", name, mime, taken_at as "takenAt", position, width_px, height_px, note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeAttachment(db: Db, crewId: string, a: Attachment, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    a.id,
    a.groundId,
    a.deleted,
    a.about,
    a.aboutId,
    a.name,
    a.mime,
    a.takenAt,
    a.position && JSON.stringify(a.position),
    a.width_px,
    a.height_px,
    a.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into attachment (crew_id, id, ground_id, deleted, about, about_id, name, mime, taken_at, position, width_px, height_px, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) on conflict do nothing returning ${ATTACHMENT}`,
          values,
        )
      : await db.query(
          `update attachment set version = version + 1, updated_at = now(), deleted = $4, about = $5, about_id = $6, name = $7, mime = $8, taken_at = $9, position = $10, width_px = $11, height_px = $12, note = $13
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $14 returning ${ATTACHMENT}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findAttachment(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${ATTACHMENT} from attachment where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listAttachments(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${ATTACHMENT} from attachment where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

/** Keeps the bytes of an attachment; the same bytes may come again. The first ones stand: a file is never changed, only replaced by another record. */
export async function writeAttachmentFile(db: Db, crewId: string, attachmentId: string, bytes: Buffer): Promise<void> {
  await db.query(
    'insert into attachment_file (crew_id, attachment_id, bytes) values ($1, $2, $3) on conflict do nothing',
    [crewId, attachmentId, bytes],
  );
}

export async function findAttachmentFile(
  db: Db,
  crewId: string,
  attachmentId: string,
): Promise<{ mime: string; name: string; bytes: Buffer } | null> {
  const { rows } = await db.query<{ mime: string; name: string; bytes: Buffer }>(
    `select a.mime, a.name, f.bytes from attachment a join attachment_file f on f.crew_id = a.crew_id and f.attachment_id = a.id where a.crew_id = $1 and a.id = $2 and not a.deleted`,
    [crewId, attachmentId],
  );
  return rows[0] ?? null;
}
