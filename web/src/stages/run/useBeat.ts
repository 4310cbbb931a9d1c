import { useEffect } from 'react';

/** A click short enough to count by, high enough to be heard over a creek. */
const [CLICK_S, CLICK_HZ] = [0.06, 1800];
const BUZZ_MS = 80;

/** Beats for the feeder while it is on: a click and, where the device can, a buzz, one for each scoop. Counted by the sound's own clock. */
export function useBeat(every_ms: number | null, on: boolean): void {
  useEffect(() => {
    if (!on || every_ms === null) return undefined;
    const sound = typeof AudioContext === 'undefined' ? null : new AudioContext();
    const beat = (): void => {
      navigator.vibrate?.(BUZZ_MS);
      if (!sound) return;
      const [tone, loud] = [sound.createOscillator(), sound.createGain()];
      tone.frequency.value = CLICK_HZ;
      loud.gain.setValueAtTime(0.6, sound.currentTime);
      loud.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + CLICK_S);
      tone.connect(loud).connect(sound.destination);
      tone.start();
      tone.stop(sound.currentTime + CLICK_S);
    };
    beat();
    const timer = setInterval(beat, every_ms);
    return () => {
      clearInterval(timer);
      void sound?.close();
    };
  }, [every_ms, on]);
}
