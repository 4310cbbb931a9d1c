import { z } from 'zod';
import {
  NewAgreement,
  NewGoldEntry,
  NewTrial,
  StoredAgreement,
  StoredGoldEntry,
  StoredTrial,
  Tally,
  type StoredGround,
} from '@riffle/contract';
import { fedAgain, fedBefore, localDay, type KeptTally, type WeighedCleanup } from '@riffle/core';
import type { Db } from '../db/pool.ts';
import { day, moment, recordKind } from '../db/recordKind.ts';

export const trials = recordKind({
  path: 'trials',
  table: 'trial',
  sent: NewTrial,
  kept: StoredTrial,
  fields: { groundId: 'ground_id', a: 'a', b: 'b', measure: 'measure', rounds: 'rounds', note: 'note' },
  added: {},
});

export const goldEntries = recordKind({
  path: 'gold-entries',
  table: 'gold_entry',
  sent: NewGoldEntry,
  kept: StoredGoldEntry,
  fields: {
    at: moment('entry_at'),
    deed: 'deed',
    from: 'from_place',
    to: 'to_place',
    amount_mg: 'amount_mg',
    amountEntered: 'amount_entered',
    out_mg: 'out_mg',
    outEntered: 'out_entered',
    fineness_permille: 'fineness_permille',
    price: 'price',
    corrects: 'corrects',
    note: 'note',
  },
  added: {},
});
export const agreements = recordKind({
  path: 'agreements',
  table: 'agreement',
  sent: NewAgreement,
  kept: StoredAgreement,
  fields: { since: day('since'), partners: 'partners', note: 'note' },
  added: {},
});

/** A run's tally with how many were at it, and whether it was fed tailings. */
const Work = Tally.extend({ people: z.int().nullable(), again: z.boolean() });
const asFed = ({ again, ...tally }: z.infer<typeof Work>): KeptTally => (again ? fedAgain(tally) : tally);
const CleanedUp = z.object({
  id: z.string(),
  cleanedAt: z.coerce.date(),
  gold_mg: z.number(),
  boxWasClean: z.boolean(),
  /** `own`: false for the runs of the clean-ups whose carpet was rinsed out. */
  tallies: z.array(Work.extend({ own: z.boolean() })),
});

/**
 * Every clean-up of a ground with its gold (summed exactly, as numeric) and the tallies of its runs. `boxWasClean` is false when
 * the clean-up of the same box before this one, or what of it stands in tubs, was not rinsed clean, on whatever ground that was: old gold travels
 * with the box.
 */
export async function listCleanedUp(
  db: Db,
  crewId: string,
  ground: Pick<StoredGround, 'id' | 'timeZone'>,
): Promise<WeighedCleanup[]> {
  const { rows } = await db.query<object>(
    `with emptied as (
       select c.id, c.ground_id, c.cleaned_at, c.rinsed_clean from cleanup c where c.crew_id = $1 and not c.deleted
       union all
       select l.id, null, l.lifted_at, l.rinsed_clean from lift l where l.crew_id = $1 and not l.deleted and exists (
         select 1 from jsonb_array_elements_text(l.run_ids) f(run_id) where not exists (
           select 1 from cleanup_run cr where cr.crew_id = l.crew_id and cr.run_id = f.run_id::uuid and cr.counts))
     ), fed as (
       select cr.cleanup_id as id, cr.run_id, true as own from cleanup_run cr where cr.crew_id = $1
       union all
       select c.id, cr.run_id, false from cleanup c
         cross join jsonb_array_elements_text(c.rinse_out_of) o(cleanup_id)
         join cleanup_run cr on cr.crew_id = c.crew_id and cr.cleanup_id = o.cleanup_id::uuid and cr.counts
         where c.crew_id = $1
       union all
       select l.id, f.run_id::uuid, true from lift l cross join jsonb_array_elements_text(l.run_ids) f(run_id) where l.crew_id = $1
     ), boxed as (
       select e.id, e.ground_id, e.cleaned_at, e.rinsed_clean, s.rig_id,
         json_agg(r.tally || jsonb_build_object('people', r.people, 'own', f.own,
           'again', coalesce((s.air ->> 'pass')::int > 1, false))) as tallies
       from emptied e
       join fed f on f.id = e.id
       join run r on r.crew_id = $1 and r.id = f.run_id
       join setup s on s.crew_id = r.crew_id and s.id = r.setup_id
       group by e.id, e.ground_id, e.cleaned_at, e.rinsed_clean, s.rig_id
     ), ordered as (
       select *, lag(rinsed_clean) over (partition by rig_id order by cleaned_at, id) as before from boxed
     )
     select o.id, min(o.cleaned_at) as "cleanedAt",
       (select coalesce(sum(x.gold_mg), 0) from cleanup_section x where x.crew_id = $1 and x.cleanup_id = o.id) as gold_mg,
       bool_and(coalesce(o.before, 'yes') = 'yes') as "boxWasClean",
       (select json_agg(t) from ordered p, json_array_elements(p.tallies) t where p.id = o.id) as tallies
     from ordered o where o.ground_id = $2 group by o.id order by min(o.cleaned_at), o.id`,
    [crewId, ground.id],
  );
  return rows.map((row) => {
    const { cleanedAt, tallies, ...rest } = CleanedUp.parse(row);
    return {
      day: localDay(cleanedAt, ground.timeZone ?? 'UTC'),
      ...rest,
      tallies: tallies.map(({ own, ...t }) => (own ? asFed(t) : fedBefore(asFed(t)))),
    };
  });
}

/** Tallies of the runs whose gold was not weighed yet. */
export async function listUnweighedTallies(db: Db, crewId: string, groundId: string): Promise<KeptTally[]> {
  const { rows } = await db.query<{ tally: unknown }>(
    `select r.tally || jsonb_build_object('people', r.people, 'again', coalesce((s.air ->> 'pass')::int > 1, false)) as tally
     from run r join setup s on s.crew_id = r.crew_id and s.id = r.setup_id
     where r.crew_id = $1 and r.ground_id = $2 and not r.deleted
       and not exists (select 1 from cleanup_run c where c.crew_id = r.crew_id and c.run_id = r.id and c.counts)`,
    [crewId, groundId],
  );
  return rows.map((row) => asFed(Work.parse(row.tally)));
}
