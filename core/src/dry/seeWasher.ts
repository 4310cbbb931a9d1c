import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { resampled } from '../maths/resampled.ts';
import { dryAir } from './air.ts';
import { liftsGrain_m_s } from './airSizes.ts';
import { solveWasher, type SolvedWasher, type WasherSetting } from './solveWasher.ts';
import type { WasherParameters } from './washerParameters.ts';

/** What one sees standing at a dry washer. Common practice, no source. */
export const WASHER_SYMPTOMS = ['lies still', 'boils', 'no black sand', 'fines in tail', 'packs'] as const;
export type WasherSymptom = (typeof WASHER_SYMPTOMS)[number];
/** What was looked for: seen, or looked for and not there. */
export type SeenAtWasher = Readonly<Partial<Record<WasherSymptom, boolean>>>;

/** One washer as drawn, at a setting. */
interface Case {
  readonly setting: WasherSetting;
  readonly washer: WasherParameters;
  readonly solved: SolvedWasher;
}
const FINE_M = 0.0002;
const BLACK_SAND_M = 0.0003;
/** How far each symptom is on, and over what width it comes and goes. Stated assumptions. */
const SYMPTOMS: Readonly<Record<WasherSymptom, { readonly x: (c: Case) => number; readonly width: number }>> = {
  'lies still': {
    x: ({ solved }) => -Math.log(Math.max(1e-6, solved.air.peak_m_s * Math.sqrt(solved.damp)) / solved.loosens_m_s),
    width: 0.2,
  },
  boils: { x: ({ solved }) => Math.log(Math.max(1e-6, solved.air.peak_m_s) / (3 * solved.loosens_m_s)), width: 0.25 },
  'no black sand': {
    x: ({ setting, washer, solved }) => {
      const air = dryAir(setting.altitude_m, setting.temperature_C);
      const lifts_m_s = washer.lifting * liftsGrain_m_s(BLACK_SAND_M, DENSITY_KG_M3.magnetite, air);
      return Math.log(Math.max(1e-6, solved.air.peak_m_s) / (1.3 * lifts_m_s));
    },
    width: 0.3,
  },
  'fines in tail': {
    x: ({ setting: { gold }, solved }) => {
      const off = (k: number): number => Math.abs(Math.log((gold[k]?.size_m ?? 1) / FINE_M));
      const fine = gold.reduce((best, _, k) => (off(k) < off(best) ? k : best), 0);
      return 0.7 - (solved.held[fine] ?? 1);
    },
    width: 0.15,
  },
  packs: { x: ({ solved }) => Math.log(Math.max(1e-6, Math.min(1e6, solved.load)) / 0.9), width: 0.25 },
};
/** Whatever is seen, it may be seen wrongly once in fifty times. Stated assumption. */
const [FLOOR, REST] = [0.02, 0.96];
/** Fewer draws than this in effect, or what is seen so much less likely than by the toss of a coin for each of it: it does not fit the washer as entered. Stated assumptions. */
const [LEAST_DRAWS, LEAST_LIKELY] = [40, 0.1];

export interface SeenWasher {
  /** Washers alike likely after what was seen. */
  readonly washers: readonly WasherParameters[];
  /** What is seen can be seen at a washer as entered. */
  readonly fits: boolean;
}

/**
 * Weighs the draws by what is seen, each symptom as a logistic of how far it is on; what was looked for and is not there
 * speaks as well. Bayes by importance weights; symptoms given the draw are taken as independent.
 */
export function seeWasher(
  setting: WasherSetting,
  washers: readonly WasherParameters[],
  seen: SeenAtWasher,
): SeenWasher {
  const looked = Object.entries(seen) as [WasherSymptom, boolean][];
  if (looked.length === 0) return { washers, fits: true };
  const likely = washers.map((washer) => {
    const found: Case = { setting, washer, solved: solveWasher(setting, washer) };
    return looked.reduce((all, [id, there]) => {
      const { x, width } = SYMPTOMS[id];
      const chance = 1 / (1 + Math.exp(-x(found) / width));
      return all * (FLOOR + REST * (there ? chance : 1 - chance));
    }, 1);
  });
  const sum = likely.reduce((a, b) => a + b, 0);
  const effective = sum ** 2 / likely.reduce((a, b) => a + b * b, 0);
  return {
    washers: resampled(likely, washers.length).map((d) => washers[d] as WasherParameters),
    fits: effective >= LEAST_DRAWS && sum / washers.length >= LEAST_LIKELY * 0.5 ** looked.length,
  };
}
