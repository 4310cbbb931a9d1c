import { COLOR_MG, countColors } from '../sample/colorWeights.ts';
import { samplesBySpot, type SpotPan } from '../sample/groundColors.ts';
import { meanColor_mg } from '../sample/sampleGrade.ts';
import type { SpotGrade } from '../sample/spotGrades.ts';
import { gatherPlaces, type GatheredPlace, type SignSeen, type SpotSeen } from './gatherPlaces.ts';
import { worthAPan, type Panned, type Ranked, type RankingRules } from './worthAPan.ts';

export interface RankedPlace extends Omit<Ranked, 'place'> {
  readonly place: GatheredPlace;
  readonly panned: Panned | null;
}

export interface PlaceRanking {
  readonly ranked: readonly RankedPlace[];
  readonly outOfReach: readonly GatheredPlace[];
  /** Chance that a place of this ground pays when nothing else is known of it. */
  readonly baseChance: number;
}

/** So long after a flood its skins are taken to lie there still. Common practice, no source: till the next hands or the next water. */
const FRESH_DAYS = 60;
const DAY_MS = 86_400_000;

/** Places of a ground by the chance that a pan there pays: spots and signs gathered, with what the pans said so far. */
export function rankPlaces(
  spots: readonly (SpotSeen & { readonly samplePlanId: string | null })[],
  signs: readonly SignSeen[],
  samples: readonly (SpotPan & { readonly takenAt: string })[],
  grades: ReadonlyMap<string, SpotGrade>,
  rules: RankingRules,
  /** When the last flood stood highest, ISO 8601; null: none is known. */
  lastFlood: string | null,
  now_ms: number,
): PlaceRanking {
  // A point of a plan is no place of its own until it was panned: its plan says when it is dug.
  const places = gatherPlaces(
    spots.filter((s) => s.samplePlanId === null || grades.has(s.id)),
    signs,
  );
  const color_mg = meanColor_mg(samples.map((s) => s.counts)) ?? COLOR_MG['20-40'];
  const bySpot = samplesBySpot(samples);
  const pannedAt = (spotId: string | null): Panned | null => {
    const found = spotId === null ? undefined : grades.get(spotId);
    if (!found) return null;
    const mine = bySpot.get(found.spotId) ?? [];
    return {
      volumeBank_L: found.volumeBank_L,
      colors: mine.reduce((sum, s) => sum + countColors(s.counts), 0),
      color_mg,
      gold_mg: found.grade.kind === 'band' ? found.grade.grade_mg_L * found.volumeBank_L : 0,
      floodSince: lastFlood !== null && mine.every((s) => s.takenAt < lastFlood),
    };
  };
  const byId = new Map(places.map((p) => [p.id, { place: p, panned: pannedAt(p.spotId) }]));
  const freshFlood = lastFlood !== null && now_ms - Date.parse(lastFlood) <= FRESH_DAYS * DAY_MS;
  const { ranked, outOfReach, baseChance } = worthAPan(
    places.map((p) => ({ ...p, panned: byId.get(p.id)?.panned ?? null })),
    { ...rules, freshFlood },
  );
  return {
    ranked: ranked.flatMap((r) => {
      const found = byId.get(r.place.id);
      return found ? [{ ...r, ...found }] : [];
    }),
    outOfReach: outOfReach.flatMap((p) => byId.get(p.id)?.place ?? []),
    baseChance,
  };
}
