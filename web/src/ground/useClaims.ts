import type { StoredGround } from '@riffle/contract';
import type { ClaimStretch } from '@riffle/core';
import { useMemo } from 'react';
import { useRecords } from '../records/useRecords.ts';
import { claimsOf } from './claims.ts';

/** Drawn claims of a ground along its line, as the crew's notes stand on a day (YYYY-MM-DD). */
export function useClaims(ground: StoredGround, day: string): readonly ClaimStretch[] {
  const outlines = useRecords('outlines', ground.id).items;
  const notes = useRecords('permissions', ground.id).items;
  return useMemo(() => claimsOf(ground, outlines, notes, day), [ground, outlines, notes, day]);
}
