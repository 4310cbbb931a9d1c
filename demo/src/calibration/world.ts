import {
  gammaDraw,
  NO_COLORS,
  normalDraw,
  poissonDraw,
  seededRandom,
  type ColorClass,
  type ColorCounts,
  type Random,
  type SpotPan,
} from '@riffle/core';

/**
 * Grounds made up to hold Riffle's sentences against: what lies in them is drawn flake by flake, by rules that Riffle's own sums do not share.
 * Nothing here is fitted to those sums; where a choice stands for "what gravel does", several are drawn from and none is told.
 */

/** How much gold differs from spot to spot of a ground, and from pan to pan of a spot: three forms each, one drawn for a world. */
export const FORMS = ['gamma', 'log-normal', 'patchy'] as const;
export type Form = (typeof FORMS)[number];

/** One factor of mean 1 in that form; `cv` its deviation. Patchy: most of it poor, a share `rich` of it holds the rest. */
export function factorOf(form: Form, cv: number, random: Random): number {
  if (cv === 0) return 1;
  if (form === 'gamma') return gammaDraw(1 / cv ** 2, random) * cv ** 2;
  if (form === 'log-normal') {
    const variance = Math.log1p(cv ** 2);
    return Math.exp(Math.sqrt(variance) * normalDraw(random) - variance / 2);
  }
  const poor = 0.3;
  const rich = (1 - poor) ** 2 / (cv ** 2 + (1 - poor) ** 2);
  // No two places are quite alike.
  const own = Math.exp(0.15 * normalDraw(random) - 0.15 ** 2 / 2);
  return own * (random() < rich ? poor + (1 - poor) / rich : poor);
}

/** What the gold of a ground is like. */
export interface TrueGold {
  /** Corey shape factor of its flakes: 0.08 is like paper, 0.6 nuggety. */
  readonly flatness: number;
  /** Half of its weight lies in flakes larger than this, and the deviation of the logarithm of size. */
  readonly half_mm: number;
  readonly sizeLogSd: number;
  readonly density_mg_mm3: number;
}

/** Below this a color is not seen; it differs with eyes, pan and light. */
const SEEN_MM = [0.1, 0.22] as const;
const LARGEST_MM = 6;

export interface TrueFlake {
  readonly size_mm: number;
  readonly mg: number;
}

export const goldOf = (random: Random): TrueGold => ({
  flatness: Math.exp(Math.log(0.27) + 0.55 * normalDraw(random)),
  half_mm: Math.exp(Math.log(0.3) + Math.log(1 / 0.3) * random()),
  sizeLogSd: 0.35 + 0.25 * random(),
  density_mg_mm3: 15.5 + 3.3 * random(),
});

/** One flake: its size log-normal, its thickness about its ground's; a disc that fits its sphere. */
export function flakeOf(gold: TrueGold, random: Random): TrueFlake {
  // By number the middle lies three variances below the middle by weight (Hatch & Choate 1929).
  const size_mm = Math.min(
    LARGEST_MM,
    gold.half_mm * Math.exp(gold.sizeLogSd * normalDraw(random) - 3 * gold.sizeLogSd ** 2),
  );
  const csf = Math.min(0.9, Math.max(0.03, gold.flatness * Math.exp(0.45 * normalDraw(random))));
  const volume_mm3 = Math.min((Math.PI / 4) * csf, Math.PI / 6) * size_mm ** 3;
  return { size_mm, mg: volume_mm3 * gold.density_mg_mm3 };
}
export const classOf = (size_mm: number): ColorClass =>
  size_mm >= 2 ? '+10' : size_mm >= 0.85 ? '10-20' : size_mm >= 0.425 ? '20-40' : '-40';

/** A ground drawn at random, with the truth that Riffle is not told. */
export interface World {
  readonly gold: TrueGold;
  readonly seen_mm: number;
  /** Share of a pan's gold by weight that a panner of this crew keeps, by size. */
  readonly keeps: (size_mm: number) => number;
  readonly panForm: Form;
  readonly panCv: number;
  readonly spotForm: Form;
  readonly spotCv: number;
  /** Mean grade of its spots, mg/L. */
  readonly grade_mg_L: number;
  /** Mean weight of any flake, seen or not, and by class of those that are seen. */
  readonly flake_mg: number;
  readonly class_mg: Readonly<Record<Exclude<ColorClass, '+10'>, number>>;
}

/** Mean weight of a flake: the mean cube of a log-normal size (exp of three means and four and a half variances), times that of the thickness. */
function meanFlake_mg(gold: TrueGold): number {
  const variance = gold.sizeLogSd ** 2;
  const cube = Math.exp(3 * (Math.log(gold.half_mm) - 3 * variance) + 4.5 * variance);
  let thickness = 0;
  const STEPS = 200;
  for (let i = 0; i < STEPS; i++) {
    // Middles of equal shares of a normal, by its logistic approximation turned over (error below 1 %).
    const p = (i + 0.5) / STEPS;
    const z = Math.log(p / (1 - p)) / 1.702;
    const csf = Math.min(0.9, Math.max(0.03, gold.flatness * Math.exp(0.45 * z)));
    thickness += Math.min((Math.PI / 4) * csf, Math.PI / 6) / STEPS;
  }
  return cube * thickness * gold.density_mg_mm3;
}

/** Draws a world; `even` ground has pans and spots all alike but for luck. */
export function drawWorld(
  random: Random,
  some: Partial<Pick<World, 'panCv' | 'spotCv' | 'panForm' | 'spotForm'>> = {},
): World {
  const gold = goldOf(random);
  const seen_mm = SEEN_MM[0] + (SEEN_MM[1] - SEEN_MM[0]) * random();
  const meanIn = (name: ColorClass): number => {
    let [mg, n] = [0, 0];
    for (let i = 0; n < 200 && i < 20_000; i++) {
      const f = flakeOf(gold, random);
      if (f.size_mm >= seen_mm && classOf(f.size_mm) === name) {
        mg += f.mg;
        n++;
      }
    }
    return mg / Math.max(1, n);
  };
  const pick = (forms: readonly Form[]): Form => forms[Math.floor(random() * forms.length)] as Form;
  return {
    gold,
    seen_mm,
    keeps: () => 1,
    panForm: some.panForm ?? pick(FORMS),
    panCv: some.panCv ?? (random() < 0.2 ? 0 : 0.9 * random()),
    spotForm: some.spotForm ?? pick(FORMS),
    spotCv: some.spotCv ?? 0.3 + 1.5 * random(),
    grade_mg_L: Math.exp(Math.log(0.25) + 0.8 * normalDraw(random)),
    flake_mg: meanFlake_mg(gold),
    class_mg: { '10-20': meanIn('10-20'), '20-40': meanIn('20-40'), '-40': meanIn('-40') },
  };
}

/** A pan of ground drawn flake by flake: what is counted, and what the scale would say of it. */
export function drawPan(
  world: World,
  grade_mg_L: number,
  bank_L: number,
  random: Random,
): { counts: ColorCounts; gold_mg: number } {
  const local = grade_mg_L * factorOf(world.panForm, world.panCv, random);
  const flakes = poissonDraw((local * bank_L) / world.flake_mg, random);
  const counts = { ...NO_COLORS } as Record<ColorClass, number>;
  let gold_mg = 0;
  for (let i = 0; i < flakes; i++) {
    const f = flakeOf(world.gold, random);
    if (random() > world.keeps(f.size_mm)) continue;
    gold_mg += f.mg;
    if (f.size_mm >= world.seen_mm) counts[classOf(f.size_mm)]++;
  }
  return { counts, gold_mg };
}

/** Swell that Riffle is told, and what it is there. */
export const TOLD_SWELL_PERCENT = 18;
/** A level pan, as it is dug. */
export const PAN_L = 5;

/** A pan as it stands in the book: loose, some of them weighed on a scale that reads half a tenth of a milligram and is off by a few percent. */
export function loggedPan(
  world: World,
  spotId: string,
  grade_mg_L: number,
  trueSwell_percent: number,
  weighs: boolean,
  random: Random,
): SpotPan & { readonly panner: string; readonly takenAt: string } {
  const { counts, gold_mg } = drawPan(world, grade_mg_L, PAN_L / (1 + trueSwell_percent / 100), random);
  // A pan with a piece over No. 10 is always weighed: nobody leaves that to a guess.
  const scaled = Math.round(gold_mg * (1 + 0.03 * normalDraw(random)) * 10) / 10;
  const shows = Object.values(counts).some((n) => n > 0);
  return {
    spotId,
    depth_m: 0.3,
    layerId: null,
    volume_L: PAN_L,
    volumeState: 'loose',
    counts,
    gold_mg: shows && scaled > 0 && (weighs || counts['+10'] > 0) ? scaled : null,
    panner: '',
    takenAt: '2026-05-01T10:00:00.000Z',
  };
}

export { seededRandom };
