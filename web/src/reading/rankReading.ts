import type { StoredSpot } from '@riffle/contract';
import { rankPlaces, trailOf, type PlaceRanking } from '@riffle/core';
import type { Preferences } from '../preferences/preferences.ts';
import type { Reading } from './useReading.ts';

/** What of the person's choices a ranking goes by. */
export type RankingChoices = Pick<Preferences, 'pays_mg_L' | 'reach_m' | 'priors'>;

/** Places of a ground by the chance that a pan there pays. */
export const rankReading = (
  { samples, signs, grades, trace, river }: Reading,
  spots: readonly StoredSpot[],
  choices: RankingChoices,
): PlaceRanking =>
  rankPlaces(
    spots,
    signs,
    samples,
    grades,
    { ...choices, ...trailOf(trace, signs) },
    river?.flood?.readAt ?? null,
    Date.now(),
  );
