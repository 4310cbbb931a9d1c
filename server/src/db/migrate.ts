import { runner } from 'node-pg-migrate';

/** Brings the database up to date; answers what was run. Safe when several servers start at once (the runner takes a lock). */
export async function migrate(databaseUrl: string, dir: string): Promise<string[]> {
  const run = await runner({
    databaseUrl,
    dir,
    direction: 'up',
    migrationsTable: 'migration',
    checkOrder: true,
    log: () => undefined,
  });
  return run.map((m) => m.name);
}
