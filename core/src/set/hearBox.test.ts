import { describe, expect, test } from '@jest/globals';
import { OutOfRange } from '../outOfRange.ts';
import {
  followBox,
  FRAME_S,
  frameSound,
  learnSound,
  soundsApart,
  TOLD_APART,
  type BoxHeard,
  type SoundFrame,
} from './hearBox.ts';
import { madeUpSound, type MadeUpBox, type Rolling } from './madeUpSound.ts';

const RATE = 22_050;
const framesOf = (seconds: number, some: Partial<MadeUpBox> = {}): SoundFrame[] => {
  const box = { rate_Hz: RATE, seed: 7, scoops: [], water: 0.2, knock: 0.12, ...some };
  return frameSound(RATE)(madeUpSound(box)(seconds * RATE));
};
const always = (knocks_s: number): Rolling[] => [{ from_s: 0, to_s: 1e6, knocks_s }];
const learned = (some: Partial<MadeUpBox> = {}) => ({
  water: learnSound(framesOf(15, { seed: 1, ...some })),
  stones: learnSound(framesOf(15, { seed: 2, scoops: always(40), ...some })),
});
/** Every `each_s` a scoop that rolls so long. */
const scoops = (lasting_s: readonly number[], each_s = 12): Rolling[] =>
  lasting_s.map((s, i) => ({ from_s: 3 + i * each_s, to_s: 3 + i * each_s + s, knocks_s: 40 }));
const followed = (
  frames: readonly SoundFrame[],
  box = learned(),
): { at_s: number; heard: BoxHeard; chance: number }[] => {
  const follow = followBox(box);
  return frames.map((f, i) => ({ at_s: (i + 1) * FRAME_S, ...follow(f) }));
};
const firstAfter = (said: ReturnType<typeof followed>, from_s: number, heard: BoxHeard): number =>
  (said.find((s) => s.at_s > from_s && s.heard === heard)?.at_s ?? Infinity) - from_s;

describe('sound in frames', () => {
  // A pure tone inside a band has all of its energy there: by arithmetic, a sine of amplitude 0.5 has a mean square of 0.125.
  test.each([
    [367, -1],
    [3240, 1],
  ])('a tone of %i Hz falls in its band', (hz, side) => {
    const tone = Float32Array.from({ length: RATE }, (_, i) => 0.5 * Math.sin((2 * Math.PI * hz * i) / RATE));
    const frame = frameSound(RATE)(tone).at(-1);
    expect(Math.sign(frame?.knockOverWater ?? 0)).toBe(side);
    expect(Math.abs(frame?.knockOverWater ?? 0)).toBeGreaterThan(1.5);
    expect(frame?.energy).toBeGreaterThan(0.11);
  });
  test('comes out the same in one piece or in many', () => {
    const sound = madeUpSound({ rate_Hz: RATE, seed: 3, scoops: always(30), water: 0.2, knock: 0.1 })(RATE);
    const pieces = frameSound(RATE);
    const many = Array.from({ length: 173 }, (_, i) => pieces(sound.subarray(i * 128, (i + 1) * 128))).flat();
    expect(many).toEqual(frameSound(RATE)(sound).slice(0, many.length));
  });
  test('a microphone at its end is clipped, a rate no device has is refused', () => {
    expect(frameSound(RATE)(new Float32Array(RATE).fill(1)).every((f) => f.clipped)).toBe(true);
    expect(() => frameSound(8000)).toThrow(OutOfRange);
  });
});

describe('a box listened to', () => {
  test('water and stones are told apart where stones are loud enough, and not where they drown in the creek', () => {
    expect(soundsApart(learned())).toBeGreaterThan(TOLD_APART);
    expect(soundsApart(learned({ knock: 0.002 }))).toBeLessThan(TOLD_APART);
  });
  test('too short, silent or clipped listening teaches nothing', () => {
    expect(() => learnSound(framesOf(5))).toThrow(/listened_s/);
    expect(() => learnSound(framesOf(20, { water: 0 }))).toThrow(/listened_s/);
  });
  test('says within 1.5 s that a scoop moves and that it has cleared, nine times in ten, and seldom when it has not', () => {
    let [moved, cleared, times, wrong] = [0, 0, 0, 0];
    for (let seed = 10; seed < 14; seed++) {
      const lasting = [4, 5, 6, 4.5, 5.5];
      const script = scoops(lasting);
      const said = followed(framesOf(64, { seed, scoops: script, knock: 0.1, water: 0.22 }));
      for (const { from_s, to_s } of script) {
        times++;
        if (firstAfter(said, from_s, 'moving') < 1.5) moved++;
        if (firstAfter(said, to_s, 'cleared') < 1.5) cleared++;
        if (said.some((s) => s.at_s > from_s + 1.5 && s.at_s < to_s && s.heard !== 'moving')) wrong++;
      }
    }
    expect(moved / times).toBeGreaterThan(0.9);
    expect(cleared / times).toBeGreaterThan(0.9);
    expect(wrong / times).toBeLessThan(0.1);
  });
  test('after three scoops it knows the usual time: one that dies early may be a stall, one that does not end is overfed', () => {
    const script = [...scoops([5, 5, 5, 1.6]), { from_s: 51, to_s: 90, knocks_s: 40 }];
    const said = followed(framesOf(70, { seed: 5, scoops: script }));
    expect(firstAfter(said, 40.6, 'stopped early')).toBeLessThan(1.5);
    expect(firstAfter(said, 51, 'too long')).toBeGreaterThan(8);
    expect(firstAfter(said, 51, 'too long')).toBeLessThan(13);
    expect(said.filter((s) => s.at_s < 36).some((s) => s.heard === 'too long' || s.heard === 'stopped early')).toBe(
      false,
    );
  });
  test('a motor beside it, a hand over the microphone: it cannot tell, and says so', () => {
    const box = learned();
    const motor = followed(framesOf(6, { motor: 0.25 }), box);
    expect(motor.at(-1)?.heard).toBe('cannot tell');
    expect(followed(framesOf(6, { water: 0 }), box).at(-1)?.heard).toBe('cannot tell');
  });
});
