import type { Db } from './pool.ts';

/** Until accounts come there is one crew, and the server answers its own machine only. */
export const ONLY_CREW_ID = '019370a0-0000-7000-8000-000000000001';

/** Makes sure the crew exists. True when it was made just now: the database is new. */
export async function ensureCrew(db: Db, crewId: string, name: string): Promise<boolean> {
  const { rowCount } = await db.query('insert into crew (id, name) values ($1, $2) on conflict do nothing', [
    crewId,
    name,
  ]);
  return rowCount === 1;
}
