import { meaningOf, type Meaning, type SpotMeaning } from '@riffle/core';
import type { StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { useMemo } from 'react';
import { useRecords } from '../../../records/useRecords.ts';

export type GroundMeaning = Meaning<StoredSpot, StoredSample>;
export type Meant = SpotMeaning<StoredSpot, StoredSample>;

export function useMeaning(ground: StoredGround, spots: readonly StoredSpot[]): GroundMeaning {
  const samples = useRecords('samples', ground.id).items;
  const seedings = useRecords('seedings').items;
  return useMemo(() => meaningOf(ground, spots, samples, seedings), [ground, spots, samples, seedings]);
}
