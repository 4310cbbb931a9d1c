import { FIRST_ID } from '@riffle/contract';
import { USUAL_SCHOOL, type WeightSchool } from '@riffle/core';
import type pg from 'pg';
import { grounds, spots } from '../ground/queries.ts';
import { Refusal } from '../http/problems.ts';
import type { WorkPool } from '../work/workPool.ts';
import { groundsOfManySamples, pansAsJson, pits, stampOfPans } from './queries.ts';

/** What the pans of so many grounds came to is held: some 60 kB for a hundred spots. */
const MOST_HELD = 30;

/** As JSON, with the stamp of what it was worked out of. */
interface Held {
  readonly of: string;
  readonly json: Promise<string>;
}

const notInBook = (): Refusal => new Refusal('NOT_FOUND', 'That ground is not in the book.');

/**
 * What all the pans of a ground come to, as JSON: `PannedGround` of the contract. Worked out in a thread of its own when
 * first asked for, and again when what it rests on has changed: 100,000 pans take a second; what is held, to be seen to
 * hold still, 0.03.
 */
export interface PannedGrounds {
  /** @throws Refusal where the ground is not in the book, or too much is worked out at once */
  readonly of: (crewId: string, groundId: string, school: WeightSchool) => Promise<string>;
  /** The same without a wait for it: null where it is worked out only now, or cannot be. */
  readonly atHand: (crewId: string, groundId: string, school: WeightSchool) => Promise<string | null>;
  /** Works out a crew's grounds of very many pans by the usual school, one after the other: so that whoever opens them first after a start does not wait. */
  readonly ahead: (crewId: string) => Promise<void>;
}

/** Of fewer it is worked out while the page that asks is still coming. */
const VERY_MANY = 5000;

export function pannedGrounds(pool: pg.Pool, work: WorkPool): PannedGrounds {
  const held = new Map<string, Held>();
  const workOut = async (crewId: string, groundId: string, school: WeightSchool): Promise<string> => {
    const all = async (kind: typeof pits | typeof spots): Promise<string> =>
      (await kind.page(pool, crewId, groundId, FIRST_ID, Number.MAX_SAFE_INTEGER)).items;
    const [ground, marked, dug, pans] = await Promise.all([
      grounds.find(pool, crewId, groundId),
      all(spots),
      all(pits),
      pansAsJson(pool, crewId, groundId),
    ]);
    if (!ground) throw notInBook();
    return work.run('pannedGround', { ground, spots: marked, pits: dug, pans, school });
  };
  const newest = async (crewId: string, groundId: string, school: WeightSchool): Promise<Held> => {
    // Asked before the pans are: what is written between the two is worked out again, never missed.
    const stamp = await stampOfPans(pool, crewId, groundId);
    if (stamp === null) throw notInBook();
    const key = `${crewId} ${groundId} ${school}`;
    const known = held.get(key);
    held.delete(key);
    const now = known?.of === stamp ? known : { of: stamp, json: workOut(crewId, groundId, school) };
    // The last asked for stands last; the first is let go.
    held.set(key, now);
    for (const oldest of held.keys()) if (held.size > MOST_HELD) held.delete(oldest);
    now.json.catch(() => {
      if (held.get(key) === now) held.delete(key);
    });
    return now;
  };
  return {
    of: async (...asked) => (await newest(...asked)).json,
    atHand: async (...asked) => {
      const { json } = await newest(...asked);
      // Of two that are settled the first is taken.
      return Promise.race([json, Promise.resolve(null)]);
    },
    ahead: async (crewId) => {
      for (const groundId of await groundsOfManySamples(pool, crewId, VERY_MANY, MOST_HELD)) {
        const { json } = await newest(crewId, groundId, USUAL_SCHOOL);
        await json;
      }
    },
  };
}
