import type { Range } from '../grains/flake.ts';
import { gammaQuantile } from '../maths/gamma.ts';
import { normalQuantile } from '../maths/normal.ts';
import { seededRandom } from '../maths/random.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import type { BoxParameters } from './boxParameters.ts';
import type { FoundStretch } from './cleanSplits.ts';
import { heldWithin } from './measureBox.ts';
import { solveBox, type BoxSetting } from './solveBox.ts';
import { weighedSpread, type Spread } from './weighBox.ts';

/** Ground that was fed, at a grade believed between two ends nine times in ten. */
export interface FedGround {
  /** How much of it, in the bank, went through the box as it stood then. */
  readonly through: readonly FedThrough[];
  readonly grade_mg_L: number;
  readonly band_mg_L: Range;
  /** Clean-ups that held gold of this ground alone, as their box was set. */
  readonly earlier: readonly EarlierClean[];
}
export interface FedThrough {
  readonly setting: BoxSetting;
  readonly bank_L: number;
}
export interface EarlierClean {
  readonly setting: BoxSetting;
  readonly bank_L: number;
  /** All that was weighed, from the head down to `to_m`. */
  readonly gold_mg: number;
  readonly to_m: number;
}

export interface CleanForecast {
  /** Gold in each stretch, mg, in nine of ten. */
  readonly stretches: readonly Spread[];
  readonly all_mg: Spread;
  /** Share of the gold fed that stays in the box, weighed by the gravel. */
  readonly held: Spread;
}

/** Chances tried for each drawn box. */
const EACH = 4;
/** What cutting, lifting and weighing a stretch by hand errs by, share of it: stated assumption. */
const HAND_LOG_SD = 0.08;
/** The gravel of one day's feed differs from its spot by so much, as a deviation of the logarithm: stated assumption. */
const DAY_LOG_SD = 0.3;

/**
 * What a clean-up should weigh, stretch by stretch, of gravel that went through the box as it was set, then perhaps set otherwise: the grade of each ground fed (log-normal between its ends, moved by what earlier clean-ups of that
 * ground held over what such a box keeps), the box as it may be, the luck of pieces of `luck_mg` (gamma) and a hand's error, drawn together. Seeded: the same forecast for the same book.
 * @throws OutOfRange as `solveBox`; for no volume, no grade, or ends that do not hold it
 */
export function forecastClean(
  boxes: readonly BoxParameters[],
  stretches: readonly Pick<FoundStretch, 'from_m' | 'to_m'>[],
  fed: readonly FedGround[],
  luck_mg: number,
): CleanForecast {
  requirePositive('luck_mg', luck_mg, 'mg');
  for (const { through, grade_mg_L, band_mg_L } of fed) {
    for (const { bank_L } of through) requirePositive('bank_L', bank_L, 'L');
    requirePositive('grade_mg_L', grade_mg_L, 'mg/L');
    requireWithin('band_mg_L', band_mg_L.high, Math.max(band_mg_L.low, 1e-9), Infinity, 'mg/L');
  }
  const random = seededRandom(1848);
  // Blanks have a band from nothing: its low end is taken a hundredth of the high one.
  const beliefs = fed.map(({ band_mg_L, earlier }) => {
    const [low, high] = [Math.max(band_mg_L.low, band_mg_L.high / 100), band_mg_L.high].map(Math.log) as [
      number,
      number,
    ];
    return { middle: (low + high) / 2, sd: Math.max(0.05, (high - low) / (2 * 1.6449)), earlier };
  });
  const normal = (): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  const found = stretches.map((): number[] => []);
  const [all, held]: [number[], number[]] = [[], []];
  const settings = [...new Set(fed.flatMap((f) => f.through.map((t) => t.setting)))];
  const fed_L = fed.reduce((sum, f) => sum + f.through.reduce((a, t) => a + t.bank_L, 0), 0);
  for (const box of boxes) {
    const sharesOf = new Map(
      settings.map((setting) => {
        const solved = solveBox(setting, box);
        return [setting, stretches.map((s) => heldWithin(s, solved, setting, box))];
      }),
    );
    // Of each ground, how much of it stays in each stretch as if all of it did there, L in the bank.
    const stays_L = fed.map(({ through }) =>
      stretches.map((_, i) => through.reduce((sum, t) => sum + t.bank_L * (sharesOf.get(t.setting)?.[i] ?? 0), 0)),
    );
    const grades = beliefs.map((b) => movedBy(b, box, luck_mg));
    for (let n = 0; n < EACH; n++) {
      const drawn_mg_L = grades.map((g) => Math.exp(g.middle + Math.hypot(g.sd, DAY_LOG_SD) * normal()));
      const here = stretches.map((_, i) => {
        const pieces = drawn_mg_L.reduce((sum, mg_L, g) => sum + mg_L * (stays_L[g]?.[i] ?? 0), 0) / luck_mg;
        return pieces < 1e-3 ? 0 : luck_mg * lucky(pieces, random()) * Math.exp(HAND_LOG_SD * normal());
      });
      here.forEach((mg, i) => found[i]?.push(mg));
      all.push(here.reduce((a, b) => a + b, 0));
      held.push(stays_L.flat().reduce((a, b) => a + b, 0) / fed_L);
    }
  }
  const alike = new Float64Array(all.length).fill(1 / all.length);
  return {
    stretches: found.map((mg) => orNone(weighedSpread(mg, alike), luck_mg)),
    all_mg: orNone(weighedSpread(all, alike), luck_mg),
    held: weighedSpread(held, alike),
  };
}

/** Less than a color may be none: gold comes in pieces. */
const orNone = (band: Spread, luck_mg: number): Spread => (band.low < luck_mg ? { ...band, low: 0 } : band);

interface Belief {
  readonly middle: number;
  readonly sd: number;
  readonly earlier: readonly EarlierClean[];
}
/** The logarithm of a grade as one drawn box has it after its earlier clean-ups: normal with normal (conjugate). */
function movedBy({ middle, sd, earlier }: Belief, box: BoxParameters, luck_mg: number): Belief {
  let [weight, sum] = [1 / sd ** 2, middle / sd ** 2];
  for (const { setting, bank_L: fed_L, gold_mg, to_m } of earlier) {
    if (!(gold_mg > 0) || !(fed_L > 0)) continue;
    const held = heldWithin({ from_m: 0, to_m }, solveBox(setting, box), setting, box);
    const here = 1 / (DAY_LOG_SD ** 2 + HAND_LOG_SD ** 2 + luck_mg / gold_mg);
    weight += here;
    sum += here * Math.log(gold_mg / (fed_L * Math.max(1e-6, held)));
  }
  return { middle: sum / weight, sd: 1 / Math.sqrt(weight), earlier };
}

/** A gamma variable of that shape; of many pieces by the cube-root normal (Wilson & Hilferty 1931, Proc. Natl. Acad. Sci. 17, 684-688). */
function lucky(pieces: number, share: number): number {
  const chance = Math.min(1 - 1e-9, Math.max(1e-9, share));
  if (pieces < 10) return gammaQuantile(chance, pieces);
  const c = 1 / (9 * pieces);
  return pieces * Math.max(0, 1 - c + Math.sqrt(c) * normalQuantile(chance)) ** 3;
}
