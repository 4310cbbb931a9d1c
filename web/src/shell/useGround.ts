import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useCallback } from 'react';
import { useNavigate, useNavigation, useOutletContext, useSearchParams } from 'react-router';

/** What every stage has in hand: the chosen ground and its spots. */
export interface GroundInHand {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
}
export const useGround = (): GroundInHand => useOutletContext<GroundInHand>();

/** The picked spot, carried in the address so that it is the same in every stage. */
export function usePicked(): { picked: string | null; pick: (spotId: string | null) => void } {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const { location: next } = useNavigation();
  const pick = useCallback(
    (spotId: string | null) => {
      const picking = (before: URLSearchParams): URLSearchParams => {
        const after = new URLSearchParams(before);
        if (spotId === null) after.delete('spot');
        else after.set('spot', spotId);
        return after;
      };
      // A page that is still loading is where one is going: a pick on the old one must not call the way back.
      if (next)
        void navigate({ pathname: next.pathname, search: picking(new URLSearchParams(next.search)).toString() });
      else setSearch(picking, { replace: true });
    },
    [setSearch, navigate, next],
  );
  return { picked: search.get('spot'), pick };
}

const LAST_GROUND = 'riffle-last-ground';
export const lastGround = (): string | null => localStorage.getItem(LAST_GROUND);
export const rememberGround = (groundId: string): void => localStorage.setItem(LAST_GROUND, groundId);
