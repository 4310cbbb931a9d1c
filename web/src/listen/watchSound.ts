import { frameSound, madeUpSound, type SoundFrame } from '@riffle/core';
import type { PositionSource } from '../position/currentPosition.ts';
import workletUrl from './listen.worklet.ts?worker&url';

/** What is to be heard while one teaches; a made-up box plays it, a real one is the hand's business. */
export type Playing = 'water' | 'stones' | 'scoops';

const EVERY_MS = 100;
const RATE_HZ = 22_050;
/** Scoops of a made-up box: nine minutes of them, then it is fed no more. */
const SCOOPS = Array.from({ length: 60 }, (_, i) => ({ from_s: 2 + 9 * i, to_s: 6 + 9 * i, knocks_s: 40 }));

/**
 * Hears the box, frame after frame, until it is stopped. Nothing is recorded: only energies leave the microphone.
 * @throws Error in words for the person: no microphone, or it is not allowed
 */
export async function watchSound(
  source: PositionSource,
  playing: () => Playing,
  tell: (frames: readonly SoundFrame[]) => void,
): Promise<() => void> {
  if (source === 'simulated') return madeUp(playing, tell);
  if (!navigator.mediaDevices?.getUserMedia || typeof AudioWorkletNode === 'undefined')
    throw new Error('This device does not let Riffle hear.');
  const stream = await navigator.mediaDevices
    .getUserMedia({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } })
    .catch(() => {
      throw new Error('The microphone is not allowed here. Allow it in the browser, and try again.');
    });
  const context = new AudioContext();
  const close = (): void => {
    stream.getTracks().forEach((t) => t.stop());
    void context.close();
  };
  try {
    await context.audioWorklet.addModule(workletUrl);
    const node = new AudioWorkletNode(context, 'listener', { numberOfOutputs: 0 });
    node.port.onmessage = ({ data }: MessageEvent<SoundFrame[]>) => tell(data);
    context.createMediaStreamSource(stream).connect(node);
  } catch (error) {
    close();
    throw error;
  }
  return close;
}

function madeUp(playing: () => Playing, tell: (frames: readonly SoundFrame[]) => void): () => void {
  const box = { rate_Hz: RATE_HZ, water: 0.2, knock: 0.12 };
  const always = [{ from_s: 0, to_s: 1e9, knocks_s: 40 }];
  const sounds = {
    water: madeUpSound({ ...box, seed: 1, scoops: [] }),
    stones: madeUpSound({ ...box, seed: 2, scoops: always }),
    scoops: madeUpSound({ ...box, seed: 3, scoops: SCOOPS }),
  };
  const frames = frameSound(RATE_HZ);
  const timer = setInterval(() => tell(frames(sounds[playing()]((RATE_HZ * EVERY_MS) / 1000))), EVERY_MS);
  return () => clearInterval(timer);
}
