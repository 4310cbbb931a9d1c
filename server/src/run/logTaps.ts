import type { LoggedEvent, RunAfterTaps } from '@riffle/contract';
import { addTaps, keepTally, type TapTally } from '@riffle/core';
import type pg from 'pg';
import { inTransaction, type Db } from '../db/pool.ts';
import { Refusal } from '../http/problems.ts';
import { allEvents, keepTaps, lockRun, readBeforeTaps, undoneBy, type BeforeTaps } from './queries.ts';

/** More phones than this at one run, all at once, wait for each other. */
const TRIES_UNHELD = 3;

/**
 * Appends taps to a run; those there already are passed over.
 *
 * @returns the run with what all its taps come to, and the taps that were new
 * @throws Refusal NOT_FOUND where the run is not in the book
 */
export async function logTaps(
  pool: pg.Pool,
  crewId: string,
  runId: string,
  taps: readonly LoggedEvent[],
): Promise<RunAfterTaps> {
  for (let tries = 0; tries < TRIES_UNHELD; tries++) {
    const logged = await logUnlessOvertaken(pool, crewId, runId, taps);
    if (logged) return logged;
  }
  return inTransaction(pool, async (db) => {
    await lockRun(db, crewId, runId);
    const logged = await logUnlessOvertaken(db, crewId, runId, taps);
    if (!logged) throw new Error('A run held for its taps was changed meanwhile.');
    return logged;
  });
}

/** Null: another wrote to the run between what was read of it and what was written; nothing was kept. */
async function logUnlessOvertaken(
  db: Db,
  crewId: string,
  runId: string,
  taps: readonly LoggedEvent[],
): Promise<RunAfterTaps | null> {
  const before = await readBeforeTaps(db, crewId, runId, taps);
  if (!before) throw new Refusal('NOT_FOUND', 'That run is not in the book. Send the run first.');
  const { run } = before;
  const events = [...before.fresh];
  if (events.length === 0) return { ...run, events };
  const tally = await tallied(db, crewId, before);
  return (await keepTaps(db, crewId, run, events, tally)) ? { ...run, tally, events } : null;
}

/**
 * What all taps of a run come to with these: added to what stood there, or counted all again where that cannot tell and
 * whenever the run stops, so that no rounding is carried on.
 */
async function tallied(db: Db, crewId: string, { run, fresh, late }: BeforeTaps): Promise<TapTally> {
  const added =
    late || fresh.some((e) => e.kind === 'stop')
      ? null
      : addTaps(run.startedAt, run.tally, fresh, await undoneBy(db, crewId, run.id, fresh));
  return added ?? keepTally(run.startedAt, [...(await allEvents(db, crewId, run.id)), ...fresh]);
}
