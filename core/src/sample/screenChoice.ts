import { bisect } from '../maths/bisect.ts';
import { gammaQuantile } from '../maths/gamma.ts';
import {
  addCounts,
  COLOR_MG,
  countColors,
  countedGold_mg,
  NO_COLORS,
  type ColorCounts,
  type ColorWeights,
} from './colorWeights.ts';
import { goldSizes } from './goldSizes.ts';
import { measureOf, type GroundColors, type PannedMeasure } from './groundColors.ts';
import { passingAt_percent, type CurvePoint } from './sizeCurve.ts';

/** What the pans of a ground say of its gold by size. */
export interface GoldBySize {
  readonly counts: ColorCounts;
  /** The ground those pans hold, litres in the bank. */
  readonly volumeBank_L: number;
  readonly weights_mg: ColorWeights;
  /** What the pieces over No. 10 weigh together; null: nobody weighed them. */
  readonly coarse_mg: number | null;
}

/** What some pans say of their ground's gold by size. */
export function goldBySize(samples: readonly PannedMeasure[], swell_percent: number, colors: GroundColors): GoldBySize {
  const coarse = samples.filter((s) => s.counts['+10'] > 0);
  return {
    counts: addCounts(samples.map((s) => s.counts)),
    volumeBank_L: samples.reduce((sum, s) => sum + measureOf(s, swell_percent).volumeBank_L, 0),
    weights_mg: colors.weights_mg,
    coarse_mg: coarse.every((s) => s.gold_mg !== null)
      ? coarse.reduce((sum, s) => sum + Math.max(0, (s.gold_mg ?? 0) - countedGold_mg(s.counts, colors.weights_mg)), 0)
      : null,
  };
}

/** Oversize of a screen that was looked through: pieces of gold found in it, and the ground it came from, litres in the bank. It tells of that screen and coarser ones, not of what fell through. */
export interface Looked {
  readonly aperture_mm: number;
  readonly pieces: number;
  readonly volumeBank_L: number;
}

export interface ScreenChoice {
  readonly aperture_mm: number;
  /** Share of the gravel it takes off, percent; null beyond the stack. */
  readonly removes_percent: number | null;
  /** Share of the ground's gold, by weight, that is larger than its opening and would go with the oversize, percent; null when no gold was counted. */
  readonly goldOver_percent: number | null;
  /** And at most: with 95 % it is less, luck of the count included, percent; null when no gold was counted. */
  readonly goldOverAtMost_percent: number | null;
  /** The same as gold in the ground, mg/L; it falls with each bucket of oversize looked through. */
  readonly goldOverAtMost_mg_L: number | null;
  /** Ground whose oversize would have to be looked through clean, beside what was, before at most a tenth could go; 0: none; null when no gold was counted. */
  readonly lookFirst_L: number | null;
  /** Pieces found by eye on this screen and the coarser ones; null where nobody looked on this one and nothing lay above. */
  readonly foundOver: number | null;
}

/** Gold found by eye on a screen of the stack; null: nobody looked. */
export interface FoundOnScreen {
  readonly aperture_mm: number;
  readonly colors: number | null;
}

/** So much of the gold may go with the oversize at most. Common practice, no source: a tenth is less than any box loses. */
const MOST_OVER = 0.1;
const CONFIDENCE = 0.95;
/** The size from which a color is coarse enough to say something of those that are coarser yet, mm: No. 20. */
const COARSE_MM = 0.85;
const PICKER_MM = 2;

/**
 * What a screen takes away, and what gold could go with it, by weight: gold lies over size as the ground's counts have it (`goldSizes`). What sticks to
 * stones and clay comes on top: scrub, and look at the oversize.
 *
 * At most: how high the coarse end of that curve lies is known by the coarse colors that were counted, so many where so many were to be expected; its
 * upper limit is that of a Poisson rate (gamma with a prior of one color), and each piece found or not found in oversize that was looked through moves it
 * in the same way. Pieces over No. 10 count as more than the curve has where there are more.
 */
export function screenChoice(
  aperture_mm: number,
  points: readonly CurvePoint[],
  gold: GoldBySize,
  found: readonly FoundOnScreen[] = [],
  looks: readonly Looked[] = [],
): ScreenChoice {
  const passing = passingAt_percent(points, aperture_mm);
  const pieces = found.filter((f) => f.aperture_mm >= aperture_mm).reduce((sum, f) => sum + (f.colors ?? 0), 0);
  const lookedHere = found.some((f) => f.aperture_mm === aperture_mm && f.colors !== null);
  const bound =
    countColors(gold.counts) > 0 && gold.volumeBank_L > 0
      ? boundOf(aperture_mm, gold, lookedAt(aperture_mm, looks))
      : null;
  return {
    aperture_mm,
    removes_percent: passing === null ? null : 100 - passing,
    goldOver_percent: bound && 100 * bound.share,
    goldOverAtMost_percent: bound && 100 * bound.atMost,
    goldOverAtMost_mg_L: bound && bound.atMost_mg_L,
    lookFirst_L: bound && bound.lookFirst_L,
    foundOver: pieces > 0 || lookedHere ? pieces : null,
  };
}

function boundOf(
  aperture_mm: number,
  { counts, volumeBank_L, weights_mg, coarse_mg }: GoldBySize,
  looked: Pick<Looked, 'pieces' | 'volumeBank_L'>,
): { share: number; atMost: number; atMost_mg_L: number; lookFirst_L: number } {
  const sizes = goldSizes(counts);
  const over = sizes.above(aperture_mm);
  // Flatter gold is lighter at every size: what it weighs by class scales the curve.
  const counted_mg = countedGold_mg(counts, weights_mg);
  const curve_mg = sizes.all_mg - sizes.above(PICKER_MM).mg;
  const flat = counted_mg > 0 && curve_mg > 0 ? Math.min(2, counted_mg / curve_mg) : 1;
  const under_mg_L = ((sizes.all_mg - over.mg) * flat) / volumeBank_L;
  const coarse = { seen: counts['10-20'] + counts['+10'], expected: sizes.above(COARSE_MM).number };
  const pickers = { seen: counts['+10'], expected: sizes.above(PICKER_MM).number };
  // Whichever says more of the coarse end: its colors, or pickers that are more than its colors let expect.
  const by = pickers.seen > 0 && pickers.seen / pickers.expected > coarse.seen / coarse.expected ? pickers : coarse;
  const perL = over.number / volumeBank_L;
  const factor = (volume_L: number): number =>
    gammaQuantile(CONFIDENCE, by.seen + looked.pieces + 1) / (by.expected + perL * volume_L);
  const weighed = coarse_mg === null ? 0 : coarse_mg / volumeBank_L;
  const atMost_mg_L = (volume_L: number): number =>
    Math.max(factor(volume_L), 1e-9) * ((over.mg * flat) / volumeBank_L) + (aperture_mm <= PICKER_MM ? weighed : 0);
  const allowed_mg_L = (MOST_OVER * under_mg_L) / (1 - MOST_OVER);
  const now = atMost_mg_L(looked.volumeBank_L);
  let lookFirst_L = 0;
  if (now > allowed_mg_L) {
    let high = 1;
    while (high < MOST_LOOKED_L && atMost_mg_L(looked.volumeBank_L + high) > allowed_mg_L) high *= 2;
    lookFirst_L =
      high >= MOST_LOOKED_L
        ? Infinity
        : bisect((more) => allowed_mg_L - atMost_mg_L(looked.volumeBank_L + more), 0, high);
  }
  // The same by what is to be expected: as the curve has it, lowered by what was looked through clean and raised by what was found.
  const expected_mg_L =
    ((by.expected + looked.pieces) / (by.expected + perL * looked.volumeBank_L)) * ((over.mg * flat) / volumeBank_L) +
    (aperture_mm <= PICKER_MM ? weighed : 0);
  return {
    share: expected_mg_L / (expected_mg_L + under_mg_L),
    atMost: now / (now + under_mg_L),
    atMost_mg_L: now,
    lookFirst_L,
  };
}

/** What was looked through that can tell of a screen: the oversize of it and of finer ones. */
const lookedAt = (aperture_mm: number, looks: readonly Looked[]): Pick<Looked, 'pieces' | 'volumeBank_L'> => {
  const telling = looks.filter((l) => l.aperture_mm <= aperture_mm);
  return {
    pieces: telling.reduce((sum, l) => sum + l.pieces, 0),
    volumeBank_L: telling.reduce((sum, l) => sum + l.volumeBank_L, 0),
  };
};

/** Nobody looks through the oversize of more ground than this, litres. */
const MOST_LOOKED_L = 1e6;

/** What a stack says of the screen to use: the choices from coarse to fine, and the one to take. */
export interface WhichScreen {
  readonly choices: readonly ScreenChoice[];
  /** The finest cut that takes at most a tenth of the gold, as far as is known: it leaves the least to carry and to pan. Null where none is sure. */
  readonly best: ScreenChoice | null;
  /** What one takes while nothing better is known: the usual screen, or the nearest of the stack. Null without a screen that takes anything off. */
  readonly usual: ScreenChoice | null;
  /** The next finer screen, with the ground whose oversize looked through clean would allow it; null when there is none, or no gold was counted. */
  readonly finer: (ScreenChoice & { readonly lookFirst_L: number }) | null;
  /** The finest screen with gold seen on it or above. */
  readonly goldOnTop: ScreenChoice | null;
}

const NO_GOLD: GoldBySize = { counts: NO_COLORS, volumeBank_L: 0, weights_mg: COLOR_MG, coarse_mg: null };
/** What is screened at where nothing is known: half an inch. Common practice, no source. */
const USUAL_MM = 12.5;

/** Weighs the screens of a stack against each other, by what each takes off and the gold that could go with it. */
export function whichScreen(
  points: readonly CurvePoint[],
  gold: GoldBySize = NO_GOLD,
  found: readonly FoundOnScreen[] = [],
  looks: readonly Looked[] = [],
): WhichScreen {
  const choices = [...points]
    .sort((a, b) => b.aperture_mm - a.aperture_mm)
    .map((p) => screenChoice(p.aperture_mm, points, gold, found, looks));
  const usable = choices.filter((c) => c.removes_percent !== null && !c.foundOver);
  const best =
    usable.findLast((c) => c.goldOverAtMost_percent !== null && c.goldOverAtMost_percent <= 100 * MOST_OVER) ?? null;
  const usual =
    [...usable].sort(
      (a, b) => Math.abs(Math.log(a.aperture_mm / USUAL_MM)) - Math.abs(Math.log(b.aperture_mm / USUAL_MM)),
    )[0] ?? null;
  const now = best ?? usual;
  const finer = now && usable.find((c) => c.aperture_mm < now.aperture_mm && c.lookFirst_L !== null);
  return {
    choices,
    best,
    usual,
    finer: finer ? { ...finer, lookFirst_L: finer.lookFirst_L ?? Infinity } : null,
    goldOnTop: choices.findLast((c) => c.foundOver !== null && c.foundOver > 0) ?? null,
  };
}
