import { sweepBox } from './boxSweep.ts';
import { WORKS_OFTEN } from './adviseBox.ts';
import type { BoxSetting } from './solveBox.ts';
import type { DrawnBoxes } from './weighBox.ts';

/** Pitches and waters a window spans; each from first to last, evenly. */
export interface WindowSpan {
  readonly slopes: number;
  readonly depths: number;
  readonly slope: readonly [from: number, to: number];
  readonly depth_m: readonly [from: number, to: number];
}

/** Chances over pitch and water, by rows of one depth each, thinnest first. */
export interface BoxWindow {
  readonly slope: Float64Array;
  readonly depth_m: Float64Array;
  readonly stalls: Float64Array;
  readonly works: Float64Array;
  readonly washesOut: Float64Array;
  /** Gold an hour at a grade of one, m3/s. */
  readonly gold_m3_s: Float64Array;
  /** The flattest of all that bring nearly the most gold an hour and are nearly the surest of them; null where nothing works often. */
  readonly best: { readonly slope: number; readonly depth_m: number; readonly works: number } | null;
}

const evenly = (count: number, [from, to]: readonly [number, number]): Float64Array =>
  Float64Array.from({ length: count }, (_, i) => from + ((to - from) * i) / Math.max(1, count - 1));

/**
 * The window a box works in, for its gold, gravel and feed: every pitch against every depth by the same draws. Steps yield the share done.
 * @throws OutOfRange as `solveBox`
 */
export function* boxWindow(setting: BoxSetting, drawn: DrawnBoxes, span: WindowSpan): Generator<number, BoxWindow> {
  const sweep = sweepBox({ ...setting, crossFall_m: 0 }, drawn);
  const slope = evenly(span.slopes, span.slope);
  const depth_m = evenly(span.depths, span.depth_m);
  const pitched = Array.from(slope, (s) => sweep.atSlope(s));
  const cells = slope.length * depth_m.length;
  const window: BoxWindow = {
    slope,
    depth_m,
    stalls: new Float64Array(cells),
    works: new Float64Array(cells),
    washesOut: new Float64Array(cells),
    gold_m3_s: new Float64Array(cells),
    best: null,
  };
  for (let row = 0; row < depth_m.length; row++) {
    const water = sweep.atDepth(depth_m[row] as number);
    pitched.forEach((pitch, column) => {
      const at = row * slope.length + column;
      const { stalls, works, washesOut, gold_m3_s } = sweep.weigh(water, pitch);
      window.stalls[at] = stalls;
      window.works[at] = works;
      window.washesOut[at] = washesOut;
      window.gold_m3_s[at] = gold_m3_s;
    });
    yield (row + 1) / depth_m.length;
  }
  return { ...window, best: bestOf(window) };
}

/** As good as the most gold an hour, and as sure as the surest. Common practice, no source: of such settings the flattest, which spares the fines. */
const [NEARLY, AS_SURE] = [0.95, 0.03];
function bestOf({ slope, depth_m, works, gold_m3_s }: BoxWindow): BoxWindow['best'] {
  const often = Array.from(works.keys()).filter((i) => (works[i] as number) >= WORKS_OFTEN);
  const most = Math.max(0, ...often.map((i) => gold_m3_s[i] as number));
  const rich = often.filter((i) => (gold_m3_s[i] as number) >= NEARLY * most);
  const surest = Math.max(0, ...rich.map((i) => works[i] as number));
  const [best] = rich
    .filter((i) => (works[i] as number) >= surest - AS_SURE)
    .sort((a, b) => (a % slope.length) - (b % slope.length) || a - b);
  return best === undefined
    ? null
    : {
        slope: slope[best % slope.length] as number,
        depth_m: depth_m[Math.floor(best / slope.length)] as number,
        works: works[best] as number,
      };
}

/** How far one may err each way before the box works less than eight times in ten; null where it does not work so often here. */
export interface Tolerance {
  readonly flatter: number;
  readonly steeper: number;
  readonly thinner_m: number;
  readonly deeper_m: number;
}

/** Read off the window about a point: changes of slope at held depth, of depth at held slope. The window's own step is its resolution. */
export function toleranceAt(window: BoxWindow, slope: number, depth_m: number): Tolerance | null {
  const column = nearestIndex(window.slope, slope);
  const row = nearestIndex(window.depth_m, depth_m);
  const works = (r: number, c: number): boolean => (window.works[r * window.slope.length + c] ?? 0) >= WORKS_OFTEN;
  if (!works(row, column)) return null;
  const reach = (rowStep: number, columnStep: number): readonly [number, number] => {
    let [r, c] = [row, column];
    while (
      r + rowStep >= 0 &&
      r + rowStep < window.depth_m.length &&
      c + columnStep >= 0 &&
      c + columnStep < window.slope.length &&
      works(r + rowStep, c + columnStep)
    ) {
      r += rowStep;
      c += columnStep;
    }
    return [r, c];
  };
  const slopeAt = ([, c]: readonly [number, number]): number => window.slope[c] as number;
  const depthAt = ([r]: readonly [number, number]): number => window.depth_m[r] as number;
  return {
    flatter: Math.max(0, slope - slopeAt(reach(0, -1))),
    steeper: Math.max(0, slopeAt(reach(0, 1)) - slope),
    thinner_m: Math.max(0, depth_m - depthAt(reach(-1, 0))),
    deeper_m: Math.max(0, depthAt(reach(1, 0)) - depth_m),
  };
}

function nearestIndex(values: Float64Array, to: number): number {
  let best = 0;
  values.forEach((v, i) => {
    if (Math.abs(v - to) < Math.abs((values[best] as number) - to)) best = i;
  });
  return best;
}
