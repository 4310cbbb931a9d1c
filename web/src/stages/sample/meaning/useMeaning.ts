import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useMemo } from 'react';
import { useRecords } from '../../../records/useRecords.ts';
import { meaningOf, type Meaning } from './meaningOf.ts';

export function useMeaning(ground: StoredGround, spots: readonly StoredSpot[]): Meaning {
  const samples = useRecords('samples', ground.id).items;
  const seedings = useRecords('seedings').items;
  return useMemo(() => meaningOf(ground, spots, samples, seedings), [ground, spots, samples, seedings]);
}
