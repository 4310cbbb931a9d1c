import type { Rig } from '@riffle/contract';
import { convert, seededRandom } from '@riffle/core';
import { counted, DAY_MS, entered, openBook, type Book, type DemoWrite, type IdEnd } from './book.ts';
import { crackWrites } from './crackWrites.ts';
import { crewWrites } from './crewWrites.ts';
import { dryWrites, jarWrites } from './dryWrites.ts';
import { groundWrites, YEAR_DAYS, type WrittenGround } from './groundWrites.ts';
import { runWrites } from './runWrites.ts';
import { benchWrites, handsWrites } from './samplingWrites.ts';
import { shoreWrites } from './shoreWrites.ts';
import { trialWrites } from './trialWrites.ts';
import { CORRAN } from './trueGrounds.ts';
import { RUNS } from './trueRuns.ts';
import type { TrueRun } from './truth.ts';

/** First day of the season as pictures and tests have it. */
const USUAL_SEASON = Date.UTC(2026, 3, 14, 8);
/** The last day of the season, counted from its first. */
const LAST_DAY = 104;
/** So many of last year's runs on each ground are in the book: enough that last year means something. */
const RUNS_LAST_YEAR = 4;

/** The first day of a season that ended the day before this moment. */
export const seasonEndedBefore = (now_ms: number): number =>
  Math.floor(now_ms / DAY_MS) * DAY_MS - (LAST_DAY + 1) * DAY_MS + 8 * 3.6e6;

interface CorranOptions {
  readonly seed?: number;
  /** The ends of ids: counted, or by chance where it is loaded for people, so that nobody knows the address of a record beforehand. */
  readonly idEnd?: IdEnd;
  /** The first day of the season, ms since 1970; for people the one of `seasonEndedBefore`. */
  readonly season_ms?: number;
  /** With some of the year before, so that last year means something. */
  readonly withLastYear?: boolean;
}

/** A season on Corran as calls to the API; the same every time for the same options. */
export function corranWrites({
  seed = 4684,
  idEnd = counted,
  season_ms = USUAL_SEASON,
  withLastYear = false,
}: CorranOptions = {}): readonly DemoWrite[] {
  const book = openBook(season_ms, idEnd);
  // Streams of their own: what is drawn for one leaves the rest of the season as it is.
  const [random, sampling, lastYear] = [seededRandom(seed), seededRandom(seed + 1), seededRandom(seed + 2)];
  // Notes have days, told in the truth by the usual season's calendar.
  const noteDay = (day: string | null): string | null =>
    day && new Date(Date.parse(day) + season_ms - USUAL_SEASON).toISOString().slice(0, 10);

  const rigs = rigWrites(book);
  handsWrites(book, sampling);
  const grounds = new Map<string, WrittenGround>();
  for (const truth of CORRAN) {
    const ground = groundWrites(book, { truth, withLastYear, random, lastYear, before: grounds, noteDay });
    grounds.set(truth.key, ground);
    const { groundId, spotIds, centre } = ground;
    if (truth.key === 'wash') {
      dryWrites(book, groundId, spotIds);
      crackWrites(book, groundId, spotIds.get('Ledge') ?? '');
      jarWrites(book, groundId);
    }
    if (truth.key === 'strand') shoreWrites(book, groundId, (d, o) => centre.positionAt(d, o, 'left'));
    if (truth.key === 'bench') benchWrites(book, groundId, centre, truth.sizes, sampling);
    const runs = RUNS.filter((r) => r.ground === truth.key);
    const atTheBox = (r: TrueRun) => ({ ground: truth, groundId, spotIds, rig: rigs[r.rig] });
    if (withLastYear)
      for (const run of runs.filter((r) => r.weighed).slice(0, RUNS_LAST_YEAR))
        runWrites(book, { ...run, day: run.day - YEAR_DAYS, note: '' }, atTheBox(run), lastYear);
    for (const run of runs) runWrites(book, run, atTheBox(run), random);
  }
  const halloway = grounds.get('halloway')?.groundId ?? '';
  trialWrites(book, halloway);
  crewWrites(book, halloway);
  return book.writes;
}

/** The crew's two boxes. */
function rigWrites(book: Book): Record<TrueRun['rig'], Rig> {
  const rigs: Record<TrueRun['rig'], Rig> = {
    short: {
      id: book.nextId(0),
      deleted: false,
      name: 'Short Ten',
      sections: [section('riffles', 10, 4)],
      leakPoints: ['hose joint', 'under the head riffle'],
      washer: null,
      note: 'Raised riffles on carpet, carried in.',
    },
    long: {
      id: book.nextId(0),
      deleted: false,
      name: 'Long Twelve',
      sections: [section('expanded', 12, 3), section('expanded', 12, 3, 1)],
      leakPoints: ['the bolted joint', 'lip of the flare', 'under the carpet'],
      washer: null,
      note: 'Two sections, bolted.',
    },
  };
  Object.values(rigs).forEach((rig) => book.put('rigs', rig));
  return rigs;
}

/** A stretch of a box, in the units its builder thinks in. */
const section = (lining: Rig['sections'][number]['lining'], width_in: number, length_ft: number, step_in = 0) => ({
  lining,
  own: null,
  width_m: convert('length', width_in, 'in', 'm'),
  widthEntered: entered(`${width_in} in`, 'in'),
  length_m: convert('length', length_ft, 'ft', 'm'),
  lengthEntered: entered(`${length_ft} ft`, 'ft'),
  step_m: convert('length', step_in, 'in', 'm'),
  stepEntered: step_in > 0 ? entered(`${step_in} in`, 'in') : null,
});
