import type { StoredGround } from '@riffle/contract';
import { centreLine, standOnLine, WIDEST_FIX_M, type Stand } from '@riffle/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import type { Show } from '../units/useShow.ts';
import { currentPosition } from '../position/currentPosition.ts';

/** Where one stands on a ground, as far as it is known. */
export type Standing = Stand | { readonly kind: 'looking' } | { readonly kind: 'unknown'; readonly why: string };

/** Found by itself, a position so old is still where one is. Common practice, no source. */
const RECENT_MS = 10_000;

/** Finds where one stands, once; `isTyped` grounds have no line to be found on. */
export function useStand(
  ground: StoredGround,
  onHere: (at: Extract<Stand, { kind: 'here' }>) => void,
  atOnce: boolean,
) {
  const { positionFrom } = usePreferences().preferences;
  const [standing, setStanding] = useState<Standing | null>(null);
  const line = useMemo(() => (ground.line ? centreLine(ground.line) : null), [ground.line]);
  const tell = useRef(onHere);
  useEffect(() => {
    tell.current = onHere;
  });
  const find = useCallback(
    (oldest_ms: number): void => {
      if (!line) {
        setStanding({ kind: 'unknown', why: 'This ground was typed: it has no line to find you on.' });
        return;
      }
      setStanding({ kind: 'looking' });
      currentPosition(positionFrom, ground.id, { oldest_ms }).then(
        (fix) => {
          const stand = standOnLine(line, fix);
          setStanding(stand);
          if (stand.kind === 'here') tell.current(stand);
        },
        (error: Error) => setStanding({ kind: 'unknown', why: error.message }),
      );
    },
    [line, positionFrom, ground.id],
  );
  const begun = useRef(false);
  useEffect(() => {
    if (!atOnce || begun.current) return;
    begun.current = true;
    find(RECENT_MS);
  }, [atOnce, find]);
  // Who asks wants it as it is now.
  return { standing, look: useCallback(() => find(0), [find]) };
}

/** A standing in words; empty before anybody asked. */
export function standingWords(standing: Standing | null, show: Show, simulated: boolean): string {
  switch (standing?.kind) {
    case undefined:
      return '';
    case 'looking':
      return 'Looking for your position ...';
    case 'unknown':
      return standing.why;
    case 'elsewhere':
      return `You are ${show.distance(standing.away_m)} from this ground.`;
    case 'too wide':
      return `Your position is only good to ${show.distance(standing.accuracy_m)}: too wide to name a place (${show.distance(WIDEST_FIX_M)} is the most). Wait under open sky and look again.`;
    case 'here':
      return `You stand at ${show.distance(standing.distance_m)}, to ${show.distance(Math.max(1, standing.accuracy_m))}${simulated ? ', says the simulated receiver' : ''}.`;
  }
}
