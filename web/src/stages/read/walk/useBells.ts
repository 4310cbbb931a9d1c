import type { Bell } from '@riffle/core';
import { useCallback, useEffect, useRef } from 'react';
import { openSound, playTones, type Tone } from '../../../ui/tone.ts';

/** Each bell its own tune and its own buzz (ms on, off, on ...), so that a hand in a pocket tells them apart. */
const TUNES: Readonly<Record<Bell['kind'], { readonly tones: readonly Tone[]; readonly buzz: readonly number[] }>> = {
  place: {
    tones: [
      { hz: 1300, lasts_s: 0.12 },
      { hz: 1750, lasts_s: 0.18, in_s: 0.16 },
    ],
    buzz: [120, 80, 120],
  },
  'edge near': { tones: [{ hz: 520, lasts_s: 0.5 }], buzz: [400] },
  'edge crossed': {
    tones: [
      { hz: 520, lasts_s: 0.4 },
      { hz: 520, lasts_s: 0.4, in_s: 0.55 },
    ],
    buzz: [400, 150, 400],
  },
  'turn soon': { tones: [{ hz: 1000, lasts_s: 0.3 }], buzz: [250] },
  'turn now': {
    tones: [0, 0.35, 0.7].map((in_s) => ({ hz: 1000, lasts_s: 0.25, in_s })),
    buzz: [250, 120, 250, 120, 250],
  },
  'way shut': {
    tones: [0, 0.3, 0.6, 0.9].map((in_s) => ({ hz: 700, lasts_s: 0.2, in_s })),
    buzz: [150, 80, 150, 80, 150, 80, 150],
  },
};

/** Rings a bell: by sound and by buzz, whatever of the two the device has. */
export function useBells(): (bells: readonly Bell[]) => void {
  const sound = useRef<AudioContext | null>(null);
  useEffect(
    () => () => {
      void sound.current?.close();
      sound.current = null;
    },
    [],
  );
  return useCallback((bells) => {
    const [bell] = [...bells].sort((a, b) => URGENT.indexOf(a.kind) - URGENT.indexOf(b.kind));
    if (!bell) return;
    const { tones, buzz } = TUNES[bell.kind];
    navigator.vibrate?.([...buzz]);
    sound.current ??= openSound();
    if (sound.current) playTones(sound.current, tones);
  }, []);
}

/** Where several ring at once only the first of these is heard; all are said. */
const URGENT: readonly Bell['kind'][] = ['edge crossed', 'way shut', 'turn now', 'edge near', 'turn soon', 'place'];
