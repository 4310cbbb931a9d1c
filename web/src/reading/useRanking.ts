import type { StoredSample, StoredSign, StoredSpot } from '@riffle/contract';
import {
  COLOR_MG,
  countColors,
  gatherPlaces,
  meanColor_mg,
  worthAPan,
  type GatheredPlace,
  type Panned,
  type Ranked,
  type RankingRules,
} from '@riffle/core';
import { differenceInCalendarDays } from 'date-fns';
import { useMemo } from 'react';
import type { SpotGrade } from '../ribbon/spotGrades.ts';

export interface RankedPlace extends Omit<Ranked, 'place'> {
  readonly place: GatheredPlace;
  readonly panned: Panned | null;
}

export interface PlaceRanking {
  readonly ranked: readonly RankedPlace[];
  readonly outOfReach: readonly GatheredPlace[];
  readonly baseChance: number;
}

/** So long after a flood its skins are taken to lie there still. Common practice, no source: till the next hands or the next water. */
const FRESH_DAYS = 60;

/** Where colors stop and where float is largest, as far as either is known. */
type Trail = Pick<RankingRules, 'trail' | 'float'>;

/** Places of the ground by the chance that a pan there pays: spots and signs gathered, with what the pans said so far. */
export function useRanking(
  spots: readonly StoredSpot[],
  signs: readonly StoredSign[],
  samples: readonly StoredSample[],
  grades: ReadonlyMap<string, SpotGrade>,
  rules: RankingRules,
  lastFlood: string | null,
  trail: Trail,
  now = new Date(),
): PlaceRanking {
  const { pays_mg_L, reach_m, priors } = rules;
  const freshFlood = lastFlood !== null && differenceInCalendarDays(now, new Date(lastFlood)) <= FRESH_DAYS;
  return useMemo(() => {
    // A point of a plan is no place of its own until it was panned: its plan says when it is dug.
    const places = gatherPlaces(
      spots.filter((s) => s.samplePlanId === null || grades.has(s.id)),
      signs,
    );
    const color_mg = meanColor_mg(samples.map((s) => s.counts)) ?? COLOR_MG['20-40'];
    const pannedAt = (spotId: string | null): Panned | null => {
      const found = spotId === null ? undefined : grades.get(spotId);
      if (!found) return null;
      const mine = samples.filter((s) => s.spotId === spotId);
      const colors = mine.reduce((sum, s) => sum + countColors(s.counts), 0);
      return {
        volumeBank_L: found.volumeBank_L,
        colors,
        color_mg,
        gold_mg: found.grade.kind === 'band' ? found.grade.grade_mg_L * found.volumeBank_L : 0,
        floodSince: lastFlood !== null && mine.every((s) => s.takenAt < lastFlood),
      };
    };
    const byId = new Map(places.map((p) => [p.id, { place: p, panned: pannedAt(p.spotId) }]));
    const { ranked, outOfReach, baseChance } = worthAPan(
      places.map((p) => ({ ...p, panned: byId.get(p.id)?.panned ?? null })),
      { pays_mg_L, reach_m, ...(priors && { priors }), ...trail, freshFlood },
    );
    return {
      ranked: ranked.flatMap((r) => {
        const found = byId.get(r.place.id);
        return found ? [{ ...r, ...found }] : [];
      }),
      outOfReach: outOfReach.flatMap((p) => byId.get(p.id)?.place ?? []),
      baseChance,
    };
  }, [spots, signs, samples, grades, pays_mg_L, reach_m, priors, lastFlood, trail, freshFlood]);
}
