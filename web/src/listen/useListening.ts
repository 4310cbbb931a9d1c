import {
  followBox,
  FRAME_S,
  LEAST_LISTENING_S,
  learnSound,
  OutOfRange,
  soundsApart,
  TOLD_APART,
  type HeardNow,
  type HeardSound,
  type LearnedBox,
  type SoundFrame,
} from '@riffle/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import { useDraft } from '../ui/useDraft.ts';
import { watchSound, type Playing } from './watchSound.ts';

/** What this phone has learned at one box; kept on it, for every microphone hears otherwise. */
interface Learned {
  readonly water: HeardSound | null;
  readonly stones: HeardSound | null;
}
/** Marked listening lasts so long, s. */
export const LISTEN_S = 15;
const BUZZ_MS = 120;

export interface Listening {
  readonly learned: LearnedBox | null;
  readonly missing: 'water' | 'stones' | null;
  /** Water and stones sound too much alike here. */
  readonly alike: boolean;
  /** Which sound is being marked, and how much of it is heard, 0-1. */
  readonly marking: { readonly sound: 'water' | 'stones'; readonly share: number } | null;
  readonly now: HeardNow | null;
  readonly problem: string | null;
  readonly mark: (sound: 'water' | 'stones') => void;
  readonly forget: () => void;
}

/** Listens to a box while it is mounted: marks its two sounds first, then follows it. Buzzes when a scoop has cleared. */
export function useListening(rigId: string): Listening {
  const { positionFrom } = usePreferences().preferences;
  const [{ water, stones }, setLearned] = useDraft<Learned>(`heard-${rigId}`, () => ({ water: null, stones: null }));
  const [marking, setMarking] = useState<Listening['marking']>(null);
  const [now, setNow] = useState<HeardNow | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const learned = useMemo(() => (water && stones ? { water, stones } : null), [water, stones]);
  const alike = learned !== null && soundsApart(learned) < TOLD_APART;
  const following = useMemo(() => (learned && !alike ? followBox(learned) : null), [learned, alike]);

  // What the sound is for may change from one frame to the next: the ear stays open.
  const hears = useRef<(frames: readonly SoundFrame[]) => void>(() => undefined);
  const playing = useRef<Playing>('water');
  const marked = useRef<SoundFrame[]>([]);
  const said = useRef<HeardNow['heard'] | null>(null);
  useEffect(() => {
    playing.current = marking ? marking.sound : learned ? 'scoops' : 'water';
    hears.current = (frames) => {
      if (marking) {
        marked.current.push(...frames);
        const heard_s = marked.current.length * FRAME_S;
        if (heard_s < LISTEN_S) return setMarking({ ...marking, share: heard_s / LISTEN_S });
        setMarking(null);
        try {
          const sound = learnSound(marked.current);
          setLearned((before) => ({ ...before, [marking.sound]: sound }));
          setProblem(null);
        } catch (error) {
          if (!(error instanceof OutOfRange)) throw error;
          setProblem(
            `Less than ${LEAST_LISTENING_S} s of it could be heard: is the phone in its bag at the wall of the box?`,
          );
        }
        return;
      }
      if (!following) return;
      let latest: HeardNow | null = null;
      for (const f of frames) latest = following(f);
      if (!latest) return;
      if (latest.heard === 'cleared' && said.current !== 'cleared') navigator.vibrate?.(BUZZ_MS);
      said.current = latest.heard;
      setNow(latest);
    };
  }, [marking, learned, following, setLearned]);

  useEffect(() => {
    let over = false;
    let stop: (() => void) | null = null;
    watchSound(
      positionFrom,
      () => playing.current,
      (frames) => {
        if (!over) hears.current(frames);
      },
    ).then(
      (stopIt) => {
        if (over) stopIt();
        else stop = stopIt;
      },
      (error: Error) => setProblem(error.message),
    );
    return () => {
      over = true;
      stop?.();
    };
  }, [positionFrom]);

  return {
    learned,
    missing: water ? (stones ? null : 'stones') : 'water',
    alike,
    marking,
    now: following ? now : null,
    problem,
    mark: (sound) => {
      marked.current = [];
      setProblem(null);
      setMarking({ sound, share: 0 });
    },
    forget: () => {
      setNow(null);
      setLearned({ water: null, stones: null });
    },
  };
}
