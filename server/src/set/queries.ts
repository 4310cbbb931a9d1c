import type { Rig, Setup } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const RIG = `id, version, updated_at as "updatedAt", deleted, name, width_m, width_entered as "widthEntered", length_m, length_entered as "lengthEntered", lining, note`;
const SETUP = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", rig_id as "rigId", spot_id as "spotId", set_at as "setAt",
  slope, pitch_entered as "pitchEntered", depth_m, depth_entered as "depthEntered", flow_m3_s, flow_entered as "flowEntered",
  stone_m, stone_entered as "stoneEntered", temperature_c as "temperature_C", scoop_l as "scoop_L", scoop_entered as "scoopEntered",
  bucket_l as "bucket_L", bucket_entered as "bucketEntered", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeRig(db: Db, crewId: string, r: Rig, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    r.id,
    r.deleted,
    r.name,
    r.width_m,
    r.widthEntered,
    r.length_m,
    r.lengthEntered,
    r.lining,
    r.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into rig (crew_id, id, deleted, name, width_m, width_entered, length_m, length_entered, lining, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict do nothing returning ${RIG}`,
          values,
        )
      : await db.query(
          `update rig set version = version + 1, updated_at = now(), deleted = $3, name = $4, width_m = $5, width_entered = $6, length_m = $7, length_entered = $8, lining = $9, note = $10
       where crew_id = $1 and id = $2 and version = $11 returning ${RIG}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findRig(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${RIG} from rig where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listRigs(db: Db, crewId: string, after: string, limit: number): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${RIG} from rig where crew_id = $1 and id > $2 order by id limit $3`,
    [crewId, after, limit],
  );
  return rows;
}

/** Null: `baseVersion` is not the stored one. */
export async function writeSetup(db: Db, crewId: string, s: Setup, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    s.id,
    s.groundId,
    s.deleted,
    s.rigId,
    s.spotId,
    s.setAt,
    s.slope,
    s.pitchEntered,
    s.depth_m,
    s.depthEntered,
    s.flow_m3_s,
    s.flowEntered,
    s.stone_m,
    s.stoneEntered,
    s.temperature_C,
    s.scoop_L,
    s.scoopEntered,
    s.bucket_L,
    s.bucketEntered,
    s.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into setup (crew_id, id, ground_id, deleted, rig_id, spot_id, set_at, slope, pitch_entered, depth_m, depth_entered, flow_m3_s, flow_entered,
         stone_m, stone_entered, temperature_c, scoop_l, scoop_entered, bucket_l, bucket_entered, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21) on conflict do nothing returning ${SETUP}`,
          values,
        )
      : await db.query(
          `update setup set version = version + 1, updated_at = now(), deleted = $4, rig_id = $5, spot_id = $6, set_at = $7, slope = $8, pitch_entered = $9,
         depth_m = $10, depth_entered = $11, flow_m3_s = $12, flow_entered = $13, stone_m = $14, stone_entered = $15, temperature_c = $16,
         scoop_l = $17, scoop_entered = $18, bucket_l = $19, bucket_entered = $20, note = $21
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $22 returning ${SETUP}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findSetup(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SETUP} from setup where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listSetups(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SETUP} from setup where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
