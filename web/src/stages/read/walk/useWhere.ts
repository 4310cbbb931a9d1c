import type { StoredGround } from '@riffle/contract';
import { askAgainAfter_s, centreLine, standOnLine, type Bank } from '@riffle/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { usePreferences } from '../../../preferences/preferences.ts';
import { currentPosition, PositionDenied } from '../../../position/currentPosition.ts';

/** Where one is, by the receiver or said by hand. */
export interface Where {
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
  /** Null: said by hand. */
  readonly accuracy_m: number | null;
  readonly at_ms: number;
}

/** What keeps the receiver from saying it. */
export type NoFix = 'looking' | 'lost' | 'denied' | 'too wide' | 'elsewhere' | 'no line';

/** Without an answer for so long the last place is no longer where one is. Common practice, no source: a hundred metres of walking. */
export const FIX_OLD_MS = 60_000;

/**
 * Asks the receiver as often as the next mark needs and no oftener, for as long as the page stands; by hand it sleeps.
 * @param nearest_m to the nearest mark, m; asked each time, so that what is near is watched closely
 */
export function useWhere(
  ground: StoredGround,
  byHand: boolean,
  nearest_m: (here_m: number) => number | null,
  onFix: (where: Where) => void,
): NoFix | null {
  const { positionFrom } = usePreferences().preferences;
  const line = useMemo(() => (ground.line ? centreLine(ground.line) : null), [ground.line]);
  const [noFix, setNoFix] = useState<NoFix | null>('looking');
  const tell = useRef({ nearest_m, onFix });
  useEffect(() => {
    tell.current = { nearest_m, onFix };
  });
  useEffect(() => {
    if (!line || byHand) return undefined;
    let stopped = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const again = (in_s: number): void => {
      if (!stopped) timer = setTimeout(() => void ask(), in_s * 1000);
    };
    const ask = async (): Promise<void> => {
      try {
        const fix = await currentPosition(positionFrom, ground.id);
        if (stopped) return;
        const stand = standOnLine(line, fix);
        setNoFix(stand.kind === 'here' ? null : stand.kind);
        if (stand.kind === 'here') {
          const { distance_m, bank, offset_m, accuracy_m } = stand;
          tell.current.onFix({ distance_m, bank, offset_m, accuracy_m, at_ms: Date.now() });
        }
        again(stand.kind === 'here' ? askAgainAfter_s(tell.current.nearest_m(stand.distance_m)) : 5);
      } catch (error) {
        if (stopped) return;
        setNoFix(error instanceof PositionDenied ? 'denied' : 'lost');
        // A person may allow it after all, in the browser's own settings.
        again(error instanceof PositionDenied ? 15 : 3);
      }
    };
    void ask();
    return () => {
      stopped = true;
      clearTimeout(timer);
    };
  }, [line, byHand, positionFrom, ground.id]);
  if (!line) return 'no line';
  return byHand ? null : noFix;
}
