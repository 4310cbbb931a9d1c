import { DENSITY_KG_M3, USUAL_CSF } from '../grains/constants.ts';
import { UNITS } from '../measures/units.ts';

/** Size classes a color is counted in, coarse first; limits are US sieves (ASTM E11). */
export const COLOR_CLASSES = ['+10', '10-20', '20-40', '-40'] as const;
export type ColorClass = (typeof COLOR_CLASSES)[number];

/** A class whose colors have a usual weight. A piece over No. 10 has none: it must be weighed. */
export type WeighedClass = Exclude<ColorClass, '+10'>;
export const WEIGHED_CLASSES = ['10-20', '20-40', '-40'] as const satisfies readonly WeighedClass[];

/** Colors counted, by class. */
export type ColorCounts = Readonly<Record<ColorClass, number>>;
/** Mean weight of a color by class, mg. */
export type ColorWeights = Readonly<Record<WeighedClass, number>>;

export const NO_COLORS: ColorCounts = { '+10': 0, '10-20': 0, '20-40': 0, '-40': 0 };

/**
 * Sizes of a class, mm. The sieves are ASTM E11 (No. 10, 20, 40); the fine class reaches down to what a good eye still counts in a wet pan.
 * That lower end is common practice, no source.
 */
export const CLASS_MM: Readonly<Record<WeighedClass, readonly [from_mm: number, to_mm: number]>> = {
  '10-20': [0.85, 2],
  '20-40': [0.425, 0.85],
  '-40': [0.15, 0.425],
};

/**
 * How numbers per logarithm of size fall with size, between the middle of one class and the next: as size to the power of minus this. Below No. 40 a
 * creek has about as many of each size as one sees, above No. 20 they thin out fast. Stated assumptions; a ground's own counts move them.
 */
const USUAL_FALL = { lower: 0.8, upper: 2.2 };
/** So many colors that usual fall is worth. */
const USUAL_FALL_COLORS = 4;
/** No creek's sizes fall faster than this, or grow faster. */
const FALL_ENDS = [-2, 7] as const;
/** Spread of the flatness of single flakes about that of their ground, as a share of it. From published Corey shape factors of placer gold (0.1 to 0.8), from memory. */
const FLATNESS_CV = 0.5;
const GOLD_MG_MM3 = DENSITY_KG_M3.placerGold / 1000;
/** Pure gold, mg/mm3: nothing that passes a sieve is heavier than a sphere of it. */
const PURE_GOLD_MG_MM3 = 19.3;

/** Mean of size to a power over a class in which numbers per logarithm of size fall as size^-fall, mm^power. */
function meanPower(power: number, [from, to]: readonly [number, number], fall: number): number {
  const integral = (p: number): number => (Math.abs(p) < 1e-9 ? Math.log(to / from) : (to ** p - from ** p) / p);
  return integral(power - fall) / integral(-fall);
}

const logWidth = (name: WeighedClass): number => Math.log(CLASS_MM[name][1] / CLASS_MM[name][0]);

/**
 * How the sizes of a ground lie within its classes, from how many it has of each: where No. 10-20 is rare, what there is of it lies near No. 20, and
 * weighs less. The slope between neighboring classes, and half the change of slope on to the outer ones. Riffle's own.
 */
function fallOf(counts: ColorCounts): ColorWeights {
  const { lower, upper } = slopesOf(counts);
  const held = (fall: number): number => Math.min(FALL_ENDS[1], Math.max(FALL_ENDS[0], fall));
  return {
    '10-20': held(upper + (upper - lower) / 2),
    '20-40': held((lower + upper) / 2),
    '-40': held(lower - (upper - lower) / 2),
  };
}

/** Numbers of colors per logarithm of size in the middle of No. 20-40, and how they fall below and above it. */
export function slopesOf(counts: ColorCounts): { middle: number; lower: number; upper: number } {
  const apart = (a: WeighedClass, b: WeighedClass): number => (logWidth(a) + logWidth(b)) / 2;
  const dense = {
    '-40': Math.exp(USUAL_FALL.lower * apart('-40', '20-40')),
    '20-40': 1,
    '10-20': Math.exp(-USUAL_FALL.upper * apart('20-40', '10-20')),
  };
  const usual = WEIGHED_CLASSES.reduce((sum, c) => sum + dense[c] * logWidth(c), 0);
  const density = (c: WeighedClass): number => counts[c] / logWidth(c) + (USUAL_FALL_COLORS * dense[c]) / usual;
  const slope = (lower: WeighedClass, upper: WeighedClass): number =>
    Math.log(density(lower) / density(upper)) / apart(lower, upper);
  return {
    middle: density('20-40'),
    lower: slope('-40', '20-40'),
    upper: slope('20-40', '10-20'),
  };
}

/** What is held of a class before anything is weighed. */
export interface ClassWeight {
  /** Mean weight of a color, mg. */
  readonly mg: number;
  /** Deviation of the logarithm of that mean between grounds, beyond the flatness that all classes of a ground share. */
  readonly logSd: number;
  /** Spread of single colors about the mean, as a share of it. */
  readonly colorCv: number;
  /** Weight of a sphere of pure gold that just passes the upper sieve, mg. */
  readonly most_mg: number;
}

/**
 * The two schools. `geometry` (the default): the weight follows from the sieves and the shape, so it cannot contradict them. `handbook`: colors per
 * troy ounce as once printed (2 200, 12 000, 40 000: Wells 1969, Placer Examination, BLM Technical Bulletin 4; one source, from memory, not confirmed);
 * its finest class is heavier than any sphere that passes No. 40 and is held to that sphere.
 */
export const WEIGHT_SCHOOLS = ['geometry', 'handbook'] as const;
/** Where a person chose none. */
export const USUAL_SCHOOL = 'geometry';
export type WeightSchool = (typeof WEIGHT_SCHOOLS)[number];

/** Colors per troy ounce as that handbook has them, in mg each. */
export const HANDBOOK_MG: ColorWeights = {
  '10-20': UNITS.mass.ozt / 2200,
  '20-40': UNITS.mass.ozt / 12_000,
  '-40': UNITS.mass.ozt / 40_000,
};

/** Deviation of the logarithm of a ground's flatness: its flakes may be a third as thick as usual, or more than twice. Stated assumption. */
export const FLATNESS_LOG_SD = 0.5;
/** How far a class's mean may be off besides: where in it the sizes lie, how fine an eye still sees. Stated assumptions. */
const SIZES_LOG_SD: ColorWeights = { '10-20': 0.3, '20-40': 0.25, '-40': 0.45 };

/**
 * Mean weights of colors from geometry: a flake as wide as `d`, its thickness the Corey shape factor times that, is pi/4 csf d^3 of gold
 * (a disc; an ellipsoid 1.3 times as long as wide comes within 1 %), averaged over the class, never above the sphere.
 */
function fromGeometry(name: WeighedClass, fall: number): ClassWeight {
  const range = CLASS_MM[name];
  const cube = meanPower(3, range, fall);
  const most_mg = (Math.PI / 6) * range[1] ** 3 * PURE_GOLD_MG_MM3;
  return {
    mg: Math.min(most_mg, (Math.PI / 4) * USUAL_CSF * GOLD_MG_MM3 * cube),
    logSd: SIZES_LOG_SD[name],
    colorCv: Math.sqrt((meanPower(6, range, fall) / cube ** 2) * (1 + FLATNESS_CV ** 2) - 1),
    most_mg,
  };
}

/** What a school holds of the classes before anything is weighed, on a ground where so many were counted of each. */
export function usualWeights(
  school: WeightSchool,
  counts: ColorCounts = NO_COLORS,
): Readonly<Record<WeighedClass, ClassWeight>> {
  const fall = fallOf(school === 'geometry' ? counts : NO_COLORS);
  const of = (name: WeighedClass): ClassWeight => {
    const made = fromGeometry(name, fall[name]);
    return school === 'geometry' ? made : { ...made, mg: Math.min(made.most_mg, HANDBOOK_MG[name]) };
  };
  return { '10-20': of('10-20'), '20-40': of('20-40'), '-40': of('-40') };
}
const USUAL = usualWeights(USUAL_SCHOOL);

/** Usual weights of the default school where nothing was counted, mg. */
export const COLOR_MG: ColorWeights = {
  '10-20': USUAL['10-20'].mg,
  '20-40': USUAL['20-40'].mg,
  '-40': USUAL['-40'].mg,
};
/** How much single colors of a class differ, by class. */
export const COLOR_CV: ColorWeights = {
  '10-20': USUAL['10-20'].colorCv,
  '20-40': USUAL['20-40'].colorCv,
  '-40': USUAL['-40'].colorCv,
};

// The next three are asked of each of a hundred thousand pans: class by class, for a loop over the classes takes longer.
/** All colors counted. */
export const countColors = (counts: ColorCounts): number =>
  counts['+10'] + counts['10-20'] + counts['20-40'] + counts['-40'];

/** What counted colors weigh together at the mean weights of their classes, mg; pieces over No. 10 have none. */
export const countedGold_mg = (counts: ColorCounts, weights_mg: ColorWeights): number =>
  counts['10-20'] * weights_mg['10-20'] + counts['20-40'] * weights_mg['20-40'] + counts['-40'] * weights_mg['-40'];

/** Colors of several pans together, by class. */
export function addCounts(pans: Iterable<ColorCounts>): ColorCounts {
  let over10 = 0;
  let from10 = 0;
  let from20 = 0;
  let under40 = 0;
  for (const counts of pans) {
    over10 += counts['+10'];
    from10 += counts['10-20'];
    from20 += counts['20-40'];
    under40 += counts['-40'];
  }
  return { '+10': over10, '10-20': from10, '20-40': from20, '-40': under40 };
}

/**
 * How many colors of one weight would say as much of the gold as these: (sum n w)^2 / sum n w^2 (1 + cv^2). A few pickers among specks carry the
 * weight and the luck. `spread`: whether the weights of single colors count too, as they do where the gold was weighed and not counted.
 * Source: Kish (1965), Survey Sampling (effective sample size). 0 for no colors.
 */
export function effectiveColors(
  counts: ColorCounts,
  weights_mg: ColorWeights,
  { spread = true }: { spread?: boolean } = {},
): number {
  let [y, v] = [0, 0];
  for (const name of WEIGHED_CLASSES) {
    const w = weights_mg[name];
    y += counts[name] * w;
    v += counts[name] * w * w * (1 + (spread ? COLOR_CV[name] ** 2 : 0));
  }
  return v > 0 ? (y * y) / v : 0;
}
