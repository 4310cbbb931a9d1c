import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useCallback } from 'react';
import { useOutletContext, useSearchParams } from 'react-router';

/** What every stage has in hand: the chosen ground and its spots. */
export interface GroundInHand {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
}
export const useGround = (): GroundInHand => useOutletContext<GroundInHand>();

/** The picked spot, carried in the address so that it is the same in every stage. */
export function usePicked(): { picked: string | null; pick: (spotId: string | null) => void } {
  const [search, setSearch] = useSearchParams();
  const pick = useCallback((spotId: string | null) => {
    setSearch((before) => {
      const after = new URLSearchParams(before);
      if (spotId === null) after.delete('spot');
      else after.set('spot', spotId);
      return after;
    }, { replace: true });
  }, [setSearch]);
  return { picked: search.get('spot'), pick };
}

const LAST_GROUND = 'riffle-last-ground';
export const lastGround = (): string | null => localStorage.getItem(LAST_GROUND);
export const rememberGround = (groundId: string): void => localStorage.setItem(LAST_GROUND, groundId);
