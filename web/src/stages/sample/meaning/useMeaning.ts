import { meaningOf, type Meaning, type SpotMeaning } from '@riffle/core';
import type { StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { useMemo } from 'react';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useRecords } from '../../../records/useRecords.ts';

export type GroundMeaning = Meaning<StoredSpot, StoredSample>;
export type Meant = SpotMeaning<StoredSpot, StoredSample>;

export function useMeaning(ground: StoredGround, spots: readonly StoredSpot[]): GroundMeaning {
  const samples = useRecords('samples', ground.id).items;
  const seedings = useRecords('seedings').items;
  const pits = useRecords('pits', ground.id).items;
  const { colorSchool } = usePreferences().preferences;
  const { swell_percent } = ground;
  return useMemo(
    () => meaningOf({ swell_percent, pits, school: colorSchool }, spots, samples, seedings),
    [swell_percent, pits, colorSchool, spots, samples, seedings],
  );
}
