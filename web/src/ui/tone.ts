/** A tone to be heard over a creek. */
export interface Tone {
  readonly hz: number;
  readonly lasts_s: number;
  /** Seconds from now. */
  readonly in_s?: number;
}

/** Plays tones by the sound's own clock; null where the device has no sound. */
export const openSound = (): AudioContext | null => (typeof AudioContext === 'undefined' ? null : new AudioContext());

export function playTones(sound: AudioContext, tones: readonly Tone[]): void {
  for (const { hz, lasts_s, in_s = 0 } of tones) {
    const [tone, loud] = [sound.createOscillator(), sound.createGain()];
    const from = sound.currentTime + in_s;
    tone.frequency.value = hz;
    loud.gain.setValueAtTime(0.6, from);
    loud.gain.exponentialRampToValueAtTime(0.001, from + lasts_s);
    tone.connect(loud).connect(sound.destination);
    tone.start(from);
    tone.stop(from + lasts_s);
  }
}
