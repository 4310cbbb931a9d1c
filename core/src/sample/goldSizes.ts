import { DENSITY_KG_M3, USUAL_CSF } from '../grains/constants.ts';
import { CLASS_MM, slopesOf, type ColorCounts } from './colorWeights.ts';

/** How the gold of a ground lies over size, as its counts have it. */
export interface GoldSizes {
  /** Colors larger than a size, and what they would weigh as flakes of the usual flatness, mg: of as many as were counted. */
  readonly above: (size_mm: number) => { readonly number: number; readonly mg: number };
  readonly all_mg: number;
}

const middleLog = (name: '10-20' | '20-40' | '-40'): number => Math.log(CLASS_MM[name][0] * CLASS_MM[name][1]) / 2;
/** The curve bends down at least so much: gold of any creek ends somewhere. Stated assumption. */
const LEAST_BEND = 0.4;
const SMALLEST = Math.log(CLASS_MM['-40'][0]);
const LARGEST = Math.log(40);
const STEPS = 240;

/**
 * Numbers of colors over the logarithm of size as a curve whose logarithm is a parabola (a log-normal, Hatch & Choate 1929) through the three counted
 * classes, carried on above No. 10, where a pan holds too little to count. Riffle's own use.
 */
export function goldSizes(counts: ColorCounts): GoldSizes {
  const { middle, lower, upper } = slopesOf(counts);
  const [x40, x20, x10] = [middleLog('-40'), middleLog('20-40'), middleLog('10-20')];
  // Slopes belong to the middles between classes; the bend is their change over the way between those.
  const bend = Math.max(LEAST_BEND, (upper - lower) / ((x10 - x40) / 2));
  const slope = (lower + upper) / 2;
  const density = (x: number): number => middle * Math.exp(-slope * (x - x20) - (bend * (x - x20) ** 2) / 2);
  const flake_mg = (x: number): number =>
    (Math.PI / 4) * USUAL_CSF * (DENSITY_KG_M3.placerGold / 1000) * Math.exp(3 * x);
  const step = (LARGEST - SMALLEST) / STEPS;
  const number = new Float64Array(STEPS + 1);
  const mg = new Float64Array(STEPS + 1);
  for (let i = STEPS - 1; i >= 0; i--) {
    const x = SMALLEST + (i + 0.5) * step;
    number[i] = (number[i + 1] as number) + density(x) * step;
    mg[i] = (mg[i + 1] as number) + density(x) * flake_mg(x) * step;
  }
  return {
    above: (size_mm) => {
      const at = Math.min(STEPS, Math.max(0, (Math.log(size_mm) - SMALLEST) / step));
      const i = Math.min(STEPS - 1, Math.floor(at));
      const between = (sums: Float64Array): number =>
        (sums[i] as number) + (at - i) * ((sums[i + 1] as number) - (sums[i] as number));
      return { number: between(number), mg: between(mg) };
    },
    all_mg: mg[0] as number,
  };
}
