import { driven } from './adviseWasher.ts';
import { goldLifts_m_s, solveWasher, type WasherSetting } from './solveWasher.ts';
import type { WasherParameters } from './washerParameters.ts';
import { washerOutcome } from './weighWasher.ts';

/** Speeds of the drive, as times the set one, and pitches a window spans; each from first to last, evenly. */
export interface WasherSpan {
  readonly columns: number;
  readonly rows: number;
  readonly times: readonly [from: number, to: number];
  readonly slope: readonly [from: number, to: number];
}

/** Chances over the drive's speed and pitch, by rows of one pitch each, flattest first. */
export interface WasherWindow {
  readonly times: Float64Array;
  readonly slope: Float64Array;
  readonly tooLittle: Float64Array;
  readonly works: Float64Array;
  readonly blowsOut: Float64Array;
}

const evenly = (count: number, [from, to]: readonly [number, number]): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => from + ((to - from) * i) / Math.max(1, count - 1));

/**
 * The window a washer works in: every speed of its drive against every pitch, by the same washers. Steps yield the share done.
 * @throws OutOfRange as `solveWasher`
 */
export function* washerWindow(
  setting: WasherSetting,
  washers: readonly WasherParameters[],
  span: WasherSpan,
): Generator<number, WasherWindow> {
  const times = evenly(span.columns, span.times);
  const slope = evenly(span.rows, span.slope);
  const lifts = washers.map((w) => goldLifts_m_s(setting, w));
  const fast = Array.from(times, (t) => driven(setting, t));
  const chances = (): Float64Array => new Float64Array(times.length * slope.length);
  const window: WasherWindow = { times, slope, tooLittle: chances(), works: chances(), blowsOut: chances() };
  const of = { 'too little air': window.tooLittle, works: window.works, 'blows out': window.blowsOut };
  for (let row = 0; row < slope.length; row++) {
    fast.forEach((at, column) => {
      const tried = { ...at, slope: slope[row] as number };
      const cell = row * times.length + column;
      washers.forEach((w, d) => {
        const outcome = of[washerOutcome(solveWasher(tried, w, lifts[d]), setting.crew_m3_s)];
        outcome[cell] = (outcome[cell] as number) + 1 / washers.length;
      });
    });
    yield (row + 1) / slope.length;
  }
  return window;
}
