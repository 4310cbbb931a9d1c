import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useCallback } from 'react';
import { useNavigate, useOutletContext, useSearchParams } from 'react-router';

/** What every stage has in hand: the chosen ground and its spots. */
export interface GroundInHand {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
}
export const useGround = (): GroundInHand => useOutletContext<GroundInHand>();

/** The picked spot, carried in the address so that it is the same in every stage. */
export function usePicked(): { picked: string | null; pick: (spotId: string | null) => void } {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const pick = useCallback(
    (spotId: string | null) => {
      // A page that is still loading is where one is going, and the address says so: a pick must not call the way back.
      const { pathname, search: now } = window.location;
      const after = new URLSearchParams(now);
      if (spotId === null) after.delete('spot');
      else after.set('spot', spotId);
      void navigate({ pathname, search: after.toString() }, { replace: true });
    },
    [navigate],
  );
  return { picked: search.get('spot'), pick };
}

const LAST_GROUND = 'riffle-last-ground';
export const lastGround = (): string | null => localStorage.getItem(LAST_GROUND);
/** The ground a bare address opens: the one worked last if it is still in the book, else the first. */
export const groundToOpen = (grounds: readonly { readonly id: string }[]): string | undefined =>
  (grounds.find((g) => g.id === lastGround()) ?? grounds[0])?.id;
/** Remembered here for the next start, and told to the server so that the document can bring its records along. */
export function rememberGround(groundId: string): void {
  localStorage.setItem(LAST_GROUND, groundId);
  document.cookie = `riffle-ground=${groundId}; path=/; max-age=31536000; samesite=strict`;
}
