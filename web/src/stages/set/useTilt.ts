import { lieByTurning, OutOfRange, type Lie, type Tilt } from '@riffle/core';
import { useEffect, useRef, useState } from 'react';
import { usePreferences } from '../../preferences/preferences.ts';
import { watchTilt } from '../../tilt/watchTilt.ts';

/** A reading is the mean of so many; a hand on the phone shows as a spread of more than this, degrees. Common practice, no source. */
const READINGS = 20;
const STEADY_DEG = 0.6;
/** A device that says nothing for so long has no sensor. */
const SILENT_MS = 2500;

export interface TiltInHand {
  /** How the device lies now; null before it said so. */
  readonly now: Tilt | null;
  readonly steady: boolean;
  /** Top to the head, then top to the tail. */
  readonly first: Tilt | null;
  readonly lie: Lie | null;
  readonly problem: string | null;
  readonly take: () => void;
  readonly again: () => void;
}

/** The tilt sensor laid in the box twice, the second time turned end for end. */
export function useTilt(): TiltInHand {
  const { positionFrom } = usePreferences().preferences;
  const [latest, setLatest] = useState<readonly Tilt[]>([]);
  const [first, setFirst] = useState<Tilt | null>(null);
  const [lie, setLie] = useState<Lie | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const turned = useRef(false);
  useEffect(() => {
    let over = false;
    let heard = false;
    let stop: (() => void) | null = null;
    watchTilt(
      positionFrom,
      () => turned.current,
      (tilt) => {
        heard = true;
        if (!over) setLatest((before) => [...before, tilt].slice(-READINGS));
      },
    ).then(
      (stopIt) => {
        if (over) stopIt();
        else stop = stopIt;
      },
      (error: Error) => setProblem(error.message),
    );
    const timer = setTimeout(() => {
      if (!heard) setProblem('This device says nothing of how it lies. Measure by a level line instead.');
    }, SILENT_MS);
    return () => {
      over = true;
      clearTimeout(timer);
      stop?.();
    };
  }, [positionFrom]);
  const now = latest.length === 0 ? null : meanOf(latest);
  const steady = now !== null && latest.length >= READINGS && latest.every((t) => isNear(t, now));
  return {
    now,
    steady,
    first,
    lie,
    problem: lie || now ? null : problem,
    take: () => {
      if (!now) return;
      setLatest([]);
      if (!first) {
        turned.current = true;
        setFirst(now);
        return;
      }
      try {
        setLie(lieByTurning(first, now));
      } catch (error) {
        if (!(error instanceof OutOfRange)) throw error;
        setProblem('No box lies so steep: lay the phone flat in it.');
      }
    },
    again: () => {
      turned.current = false;
      setFirst(null);
      setLie(null);
      setLatest([]);
    },
  };
}

const meanOf = (tilts: readonly Tilt[]): Tilt => ({
  along_deg: tilts.reduce((sum, t) => sum + t.along_deg, 0) / tilts.length,
  across_deg: tilts.reduce((sum, t) => sum + t.across_deg, 0) / tilts.length,
});
const isNear = (a: Tilt, b: Tilt): boolean =>
  Math.abs(a.along_deg - b.along_deg) < STEADY_DEG && Math.abs(a.across_deg - b.across_deg) < STEADY_DEG;
