import { requireWithin } from '../outOfRange.ts';

/** A short stretch of sound at the wall of a box, boiled down. */
export interface SoundFrame {
  /** Natural logarithm of the energy where stones knock (1.5-7 kHz) over that of the water's noise (150-900 Hz). */
  readonly knockOverWater: number;
  /** Logarithm of the highest knock over the mean of its frame: single stones stand out, a hiss does not. */
  readonly crest: number;
  /** Mean square of both bands together. */
  readonly energy: number;
  /** The microphone was driven to its end. */
  readonly clipped: boolean;
}

/** A frame lasts so long, s. */
export const FRAME_S = 0.05;
const BANDS_HZ = { water: [150, 900], stones: [1500, 7000] } as const;
/** Below this a microphone is covered or off. */
const SILENCE = 1e-10;

/** A band-pass of second order, run sample by sample. Source: Bristow-Johnson, "Cookbook formulae for audio EQ biquad filter coefficients" (W3C note, 2021), constant peak gain. */
function bandPass(from_Hz: number, to_Hz: number, rate_Hz: number): (x: number) => number {
  const middle_Hz = Math.sqrt(from_Hz * Math.min(to_Hz, 0.45 * rate_Hz));
  const w = (2 * Math.PI * middle_Hz) / rate_Hz;
  const q = middle_Hz / (to_Hz - from_Hz);
  const alpha = Math.sin(w) / (2 * q);
  const [b0, a1, a2] = [alpha / (1 + alpha), (-2 * Math.cos(w)) / (1 + alpha), (1 - alpha) / (1 + alpha)];
  let [x1, x2, y1, y2] = [0, 0, 0, 0];
  return (x) => {
    const y = b0 * (x - x2) - a1 * y1 - a2 * y2;
    [x2, x1, y2, y1] = [x1, x, y1, y];
    return y;
  };
}

/**
 * Boils sound down to frames, whatever lengths it comes in. The filters remember: one for each microphone.
 * @param rate_Hz samples a second, 16,000-192,000
 * @throws OutOfRange for another rate
 */
export function frameSound(rate_Hz: number): (samples: Float32Array) => SoundFrame[] {
  requireWithin('rate_Hz', rate_Hz, 16_000, 192_000, 'Hz');
  const length = Math.round(FRAME_S * rate_Hz);
  const water = bandPass(...BANDS_HZ.water, rate_Hz);
  const stones = bandPass(...BANDS_HZ.stones, rate_Hz);
  let [count, low, high, peak, clipped] = [0, 0, 0, 0, 0];
  return (samples) => {
    const frames: SoundFrame[] = [];
    for (const x of samples) {
      const [l, h] = [water(x), stones(x)];
      low += l * l;
      high += h * h;
      peak = Math.max(peak, h * h);
      if (Math.abs(x) > 0.99) clipped++;
      if (++count < length) continue;
      const mean = high / count + 1e-20;
      frames.push({
        knockOverWater: Math.log(mean / (low / count + 1e-20)),
        crest: Math.log(peak / mean + 1e-20) / 2,
        energy: (low + high) / count,
        clipped: clipped > count / 50,
      });
      [count, low, high, peak, clipped] = [0, 0, 0, 0, 0];
    }
    return frames;
  };
}

/** What one kind of sound is like at a box: the middle and the scatter of both marks. */
export interface HeardSound {
  readonly knockOverWater: { readonly mean: number; readonly sd: number };
  readonly crest: { readonly mean: number; readonly sd: number };
}
/** A box that was listened to: the water alone, and stones moving in it. */
export interface LearnedBox {
  readonly water: HeardSound;
  readonly stones: HeardSound;
}

/** Marked listening is no shorter than that, s. */
export const LEAST_LISTENING_S = 8;
/** No mark is held steadier than this: another scoop sounds otherwise. Stated assumption. */
const LEAST_SD = { knockOverWater: 0.25, crest: 0.12 };

const spread = (values: readonly number[], least: number) => {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / Math.max(1, values.length - 1);
  return { mean, sd: Math.max(least, Math.sqrt(variance)) };
};

/**
 * What a marked stretch of listening is like.
 * @throws OutOfRange for less than 8 s of sound that is neither silent nor clipped
 */
export function learnSound(frames: readonly SoundFrame[]): HeardSound {
  const good = frames.filter((f) => f.energy > SILENCE && !f.clipped);
  requireWithin('listened_s', good.length * FRAME_S, LEAST_LISTENING_S, 3600, 's');
  return {
    knockOverWater: spread(
      good.map((f) => f.knockOverWater),
      LEAST_SD.knockOverWater,
    ),
    crest: spread(
      good.map((f) => f.crest),
      LEAST_SD.crest,
    ),
  };
}

/** How far apart water and stones sound, in scatters (d'): below 1.5 no ear or phone tells them apart here. Stated assumption. */
export function soundsApart({ water, stones }: LearnedBox): number {
  const one = (a: { mean: number; sd: number }, b: { mean: number; sd: number }): number =>
    (b.mean - a.mean) / Math.sqrt((a.sd ** 2 + b.sd ** 2) / 2);
  return Math.hypot(one(water.knockOverWater, stones.knockOverWater), one(water.crest, stones.crest));
}
export const TOLD_APART = 1.5;

/** What is heard, never as certain: nothing yet, stones moving, the last scoop cleared, stopped sooner than usual, still moving after twice the usual, or a sound that is neither. */
export type BoxHeard = 'quiet' | 'moving' | 'cleared' | 'stopped early' | 'too long' | 'cannot tell';

export interface HeardNow {
  readonly heard: BoxHeard;
  /** Chance that stones move. */
  readonly chance: number;
  /** A scoop usually clears in so long, s; null before three did. */
  readonly usual_s: number | null;
}

/** A scoop takes some seconds, and so does the next one's coming: how seldom one turns to the other between two frames. Stated assumption. */
const TURNS = 0.02;
/** Frames that follow each other say nearly the same: each counts so much. Stated assumption. */
const COUNTS = 0.25;
/** A sound that lies so far to one side of what was learned, in scatters over the last two seconds, is neither. Stated assumption. */
const STRANGE = 1.4;
const STRANGE_FRAMES = Math.round(2 / FRAME_S);
/** What counts for a frame in which nothing is heard. */
const LOST = [9, 9] as const;
const [ON, OFF] = [0.85, 0.15];
/** Fewer scoops have no usual time; more than the latest are forgotten. */
const [USUAL_FROM, USUAL_LATEST] = [3, 9];
const [EARLY, LONG] = [0.45, 2];

/**
 * Follows a box by its sound, frame after frame: two states by Bayes (forward filter of a hidden Markov chain; Rabiner 1989, Proc. IEEE 77, 257-286), with
 * the sounds that were learned at it taken as normal. From the times scoops took it knows one that stops early (a stall, or a small scoop) and one that
 * does not end (fed too fast).
 */
export function followBox(learned: LearnedBox): (frame: SoundFrame) => HeardNow {
  let chance = 0.1;
  let [since_s, isMoving] = [0, false];
  let after: BoxHeard = 'quiet';
  let took_s: number[] = [];
  let off: (readonly [number, number])[] = [];
  return (frame) => {
    const [water, stones] = [beside(frame, learned.water), beside(frame, learned.stones)];
    const lost = frame.energy <= SILENCE || frame.clipped;
    // Beside the nearer of the two: a scoop that begins or ends is no strange sound.
    off = [...off, lost ? LOST : water.log > stones.log ? water.off : stones.off].slice(-STRANGE_FRAMES);
    if (!lost) {
      const before = chance * (1 - TURNS) + (1 - chance) * TURNS;
      const ratio = Math.exp(COUNTS * Math.max(-30, Math.min(30, stones.log - water.log)));
      chance = (before * ratio) / (before * ratio + 1 - before);
    }
    since_s += FRAME_S;
    const usual_s = usualOf(took_s);
    if (!isMoving && chance > ON) {
      [isMoving, since_s] = [true, 0];
    } else if (isMoving && chance < OFF) {
      const early = usual_s !== null && since_s < EARLY * usual_s;
      after = early ? 'stopped early' : 'cleared';
      if (!early) took_s = [...took_s, since_s].slice(-USUAL_LATEST);
      [isMoving, since_s] = [false, 0];
    }
    const said: BoxHeard = isMoving ? (usual_s !== null && since_s > LONG * usual_s ? 'too long' : 'moving') : after;
    const side = (i: 0 | 1): number => off.reduce((sum, o) => sum + o[i], 0) / STRANGE_FRAMES;
    return { heard: Math.hypot(side(0), side(1)) > STRANGE ? 'cannot tell' : said, chance, usual_s: usualOf(took_s) };
  };
}

const usualOf = (took_s: readonly number[]): number | null =>
  took_s.length < USUAL_FROM ? null : ([...took_s].sort((a, b) => a - b)[took_s.length >> 1] as number);

/** A frame beside a learned sound: in scatters of each mark, and the logarithm of its likelihood. */
function beside(frame: SoundFrame, { knockOverWater: k, crest: c }: HeardSound) {
  const off = [(frame.knockOverWater - k.mean) / k.sd, (frame.crest - c.mean) / c.sd] as const;
  return { off, log: -(off[0] ** 2 + off[1] ** 2) / 2 - Math.log(k.sd * c.sd) };
}
