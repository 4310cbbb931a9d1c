import { useEffect } from 'react';
import { openSound, playTones } from '../../ui/tone.ts';

/** A click short enough to count by, high enough to be heard over a creek. */
const CLICK = [{ hz: 1800, lasts_s: 0.06 }] as const;
const BUZZ_MS = 80;

/** Beats for the feeder while it is on: a click and, where the device can, a buzz, one for each scoop. Counted by the sound's own clock. */
export function useBeat(every_ms: number | null, on: boolean): void {
  useEffect(() => {
    if (!on || every_ms === null) return undefined;
    const sound = openSound();
    const beat = (): void => {
      navigator.vibrate?.(BUZZ_MS);
      if (sound) playTones(sound, CLICK);
    };
    beat();
    const timer = setInterval(beat, every_ms);
    return () => {
      clearInterval(timer);
      void sound?.close();
    };
  }, [every_ms, on]);
}
