import type { ColorCounts, ColorWeights } from './colorWeights.ts';
import { COLOR_MG } from './colorWeights.ts';
import { binomialLimits } from './binomialLimits.ts';
import { passingAt_percent, type CurvePoint } from './sizeCurve.ts';

/** Limits of the counted classes, mm (ASTM E11: No. 10, 20, 40). */
const CLASS_MM = { '10-20': [0.85, 2], '20-40': [0.425, 0.85], '-40': [0, 0.425] } as const;

export interface ScreenChoice {
  readonly aperture_mm: number;
  /** Share of the gravel it takes off, percent; null beyond the stack. */
  readonly removes_percent: number | null;
  /** Share of the counted gold that is larger than its opening and would go with the oversize, percent; null when none was counted. */
  readonly goldOver_percent: number | null;
  /** Of all colors the share that could be larger at most: 95 % upper limit of what was counted, percent; null when none was counted. A few colors say little. */
  readonly colorsOverAtMost_percent: number | null;
  /** Pieces over No. 10 that could stay on it: they have no table weight, so they are in no share. */
  readonly uncountedCoarse: number;
  /** Pieces found by eye on this screen and the coarser ones; null where nobody looked on this one and nothing lay above. */
  readonly foundOver: number | null;
}

/** Gold found by eye on a screen of the stack; null: nobody looked. */
export interface FoundOnScreen {
  readonly aperture_mm: number;
  readonly colors: number | null;
}

/**
 * What a screen takes away, and what gold could go with it. Within a class gold is spread evenly over the logarithm of size; the fine class
 * reaches down to a quarter of its upper limit (stated assumptions). What sticks to stones and clay comes on top: scrub, and look at the oversize.
 * The limit on the colors is Clopper & Pearson's (1934), one-sided, with a part of a color where a class is cut (Riffle's own).
 */
export function screenChoice(
  aperture_mm: number,
  points: readonly CurvePoint[],
  counts: ColorCounts,
  weights_mg: ColorWeights = COLOR_MG,
  found: readonly FoundOnScreen[] = [],
): ScreenChoice {
  const passing = passingAt_percent(points, aperture_mm);
  let all = 0;
  let over = 0;
  let colorsOver = 0;
  let colors = 0;
  for (const [name, [from, to]] of Object.entries(CLASS_MM) as [keyof typeof CLASS_MM, readonly [number, number]][]) {
    const gold = counts[name] * weights_mg[name];
    const low = from === 0 ? to / 4 : from;
    const larger = Math.min(1, Math.max(0, Math.log(to / aperture_mm) / Math.log(to / low)));
    all += gold;
    over += gold * larger;
    colors += counts[name];
    colorsOver += counts[name] * larger;
  }
  const pieces = found.filter((f) => f.aperture_mm >= aperture_mm).reduce((sum, f) => sum + (f.colors ?? 0), 0);
  const lookedHere = found.some((f) => f.aperture_mm === aperture_mm && f.colors !== null);
  return {
    aperture_mm,
    removes_percent: passing === null ? null : 100 - passing,
    goldOver_percent: all === 0 ? null : (100 * over) / all,
    colorsOverAtMost_percent: colors === 0 ? null : 100 * binomialLimits(colorsOver, colors).high,
    uncountedCoarse: counts['+10'],
    foundOver: pieces > 0 || lookedHere ? pieces : null,
  };
}

/** What a stack says of the screen to use: the choices from coarse to fine, and the one to take. */
export interface WhichScreen {
  readonly choices: readonly ScreenChoice[];
  /** The finest cut that takes no counted gold: it leaves the least to carry and to pan. */
  readonly best: ScreenChoice | null;
  /** The finest screen with gold seen on it or above. */
  readonly goldOnTop: ScreenChoice | null;
}

/** Less gold than this above a screen is none: it is a part of one color, percent. */
const NO_GOLD_PERCENT = 1;

/** Weighs the screens of a stack against each other, by what each takes off and the gold that could go with it. */
export function whichScreen(
  points: readonly CurvePoint[],
  counts: ColorCounts,
  weights_mg: ColorWeights = COLOR_MG,
  found: readonly FoundOnScreen[] = [],
): WhichScreen {
  const choices = [...points]
    .sort((a, b) => b.aperture_mm - a.aperture_mm)
    .map((p) => screenChoice(p.aperture_mm, points, counts, weights_mg, found));
  const takesNoGold = (c: ScreenChoice): boolean =>
    (c.goldOver_percent ?? 0) < NO_GOLD_PERCENT && !c.foundOver && c.removes_percent !== null;
  return {
    choices,
    best: choices.findLast(takesNoGold) ?? null,
    goldOnTop: choices.findLast((c) => c.foundOver !== null && c.foundOver > 0) ?? null,
  };
}
