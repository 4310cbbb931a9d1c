import { latinHypercube, logNormal, type Beliefs } from '../maths/latinHypercube.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { weighedSpread, type Spread } from '../set/weighBox.ts';
import type { Unsure } from '../dry/weighWays.ts';

/** Something to work gravel with, as it may be carried. */
export interface Outfit {
  readonly id: string;
  /** Loose gravel an hour, m3, and the share of the gold it loses. */
  readonly pace_m3_h: Unsure;
  readonly lost: Unsure;
  readonly weight_kg: number;
  readonly setUp_h: number;
  readonly needsWater: boolean;
}
/** The day it is carried to. */
export interface OutfitDay {
  /** From setting out to being back, less the walk with the first load. */
  readonly hours: number;
  readonly walk_h: number;
  readonly people: number;
  /** What one carries beside the tools. */
  readonly carry_kg: number;
  readonly hasWater: boolean;
}
export interface WeighedOutfit {
  readonly id: string;
  /** Why it stays at home; null: it can be worked with. */
  readonly why: 'no water' | 'too heavy' | 'no time' | null;
  readonly trips: number;
  /** At the gravel with it. */
  readonly work_h: number;
  /** Loose gravel of the day, m3, and what of its gold is kept, as gravel: m3. */
  readonly gravel_m3: Spread;
  readonly kept_m3: Spread;
  /** How often it keeps the most. */
  readonly best: number;
}

const DRAWS = 512;
/** More loads than this nobody carries in a morning. Common practice, no source. */
const MOST_TRIPS = 4;
const [LEAST_LOST, MOST_LOST] = [0.005, 0.95];

/**
 * Which outfit brings most gold in a day: what is left of it after carrying and setting up, at its pace, less what it loses.
 * Bookkeeping over draws of pace and loss.
 * @returns those that can be worked with first, by what they keep in the middle
 * @throws OutOfRange for hours, people or weights that cannot be
 */
export function weighOutfits(outfits: readonly Outfit[], day: OutfitDay, seed = 1851): WeighedOutfit[] {
  requireWithin('hours', day.hours, 0, 24, 'h');
  requireWithin('walk_h', day.walk_h, 0, 24, 'h');
  requirePositive('people', day.people);
  requirePositive('carry_kg', day.carry_kg, 'kg');
  const beliefs: Beliefs<Record<string, number>> = Object.fromEntries(
    outfits.flatMap((o) => [
      [`${o.id} pace`, logNormal(o.pace_m3_h.middle, o.pace_m3_h.logSd)],
      [`${o.id} lost`, logNormal(o.lost.middle, o.lost.logSd)],
    ]),
  );
  const draws = latinHypercube(beliefs, DRAWS, seed);
  const worked = outfits.map((o) => {
    requireWithin('weight_kg', o.weight_kg, 0, 1000, 'kg');
    const trips = Math.max(1, Math.ceil(o.weight_kg / (day.carry_kg * day.people) - 1e-9));
    const left_h = day.hours - o.setUp_h - 2 * day.walk_h * (trips - 1);
    const why =
      o.needsWater && !day.hasWater ? 'no water' : trips > MOST_TRIPS ? 'too heavy' : left_h <= 0 ? 'no time' : null;
    const work_h = why === null ? left_h : 0;
    const gravel = draws.map((d) => work_h * (d[`${o.id} pace`] ?? 0));
    const kept = draws.map(
      (d, i) => (gravel[i] ?? 0) * (1 - Math.min(MOST_LOST, Math.max(LEAST_LOST, d[`${o.id} lost`] ?? 1))),
    );
    return { id: o.id, why, trips, work_h, gravel, kept } as const;
  });
  const alike = new Float64Array(DRAWS).fill(1 / DRAWS);
  const bestOf = draws.map((_, d) =>
    worked.reduce<(typeof worked)[number] | null>(
      (best, o) => ((o.kept[d] ?? 0) > (best?.kept[d] ?? 0) ? o : best),
      null,
    ),
  );
  return worked
    .map(({ gravel, kept, ...o }): WeighedOutfit => ({
      ...o,
      gravel_m3: weighedSpread(gravel, alike),
      kept_m3: weighedSpread(kept, alike),
      best: bestOf.filter((b) => b?.id === o.id).length / DRAWS,
    }))
    .sort((a, b) => Number(a.why !== null) - Number(b.why !== null) || b.kept_m3.middle - a.kept_m3.middle);
}
