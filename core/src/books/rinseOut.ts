import { exactSum_mg, type KeptTally } from './keepBook.ts';
import { shareOut } from './goldLedger.ts';

/** What a box gave of one ground while it was not rinsed clean. */
export interface FedCarpet {
  readonly groundId: string;
  readonly gold_mg: number;
}

/**
 * Gold that a later rinse brings out of a carpet, credited to the grounds that fed it, by the gold each gave through that box since it was last clean: the carpet
 * keeps of what is fed what the rest of the box keeps of it (stated assumption). Where none of them gave any, in equal parts. To the whole tenth of a milligram,
 * by largest remainders, so that the parts add up to what was weighed.
 */
export function shareRinse(gold_mg: number, fed: readonly FedCarpet[]): ReadonlyMap<string, number> {
  const byGround = new Map<string, number[]>();
  for (const { groundId, gold_mg: gave } of fed) byGround.set(groundId, [...(byGround.get(groundId) ?? []), gave]);
  const gave = [...byGround].map(([name, mg]) => ({ name, parts: Math.round(exactSum_mg(mg) * 10) }));
  const some = gave.filter((g) => g.parts > 0);
  const partners = some.length > 0 ? some : gave.map((g) => ({ ...g, parts: 1 }));
  if (partners.length === 0) return new Map();
  return new Map([...shareOut(Math.round(gold_mg * 10), partners)].map(([id, tenths]) => [id, tenths / 10]));
}

/** A run of tailings as the book takes it: hours and gold, but no gravel once more. */
export const fedAgain = (tally: KeptTally): KeptTally => ({
  ...fedBefore(tally),
  buckets: tally.buckets,
  running_s: tally.running_s,
});

/** A run as the book of a rinse-out takes it: it names the spots, and feeds nothing once more. */
export const fedBefore = (tally: KeptTally): KeptTally => ({
  ...tally,
  buckets: 0,
  volumeLoose_L: 0,
  running_s: 0,
  bySpot_L: Object.fromEntries(Object.keys(tally.bySpot_L).map((id) => [id, 0])),
});
