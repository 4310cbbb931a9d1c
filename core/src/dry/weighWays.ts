import { latinHypercube, logNormal, type Beliefs } from '../maths/latinHypercube.ts';
import { weighedSpread, type Spread } from '../set/weighBox.ts';
import { haulOrDry, type DryWay, type HaulWay, type ToWash } from './haulOrDry.ts';

/** A figure as it is believed: its middle, and the deviation of its logarithm. */
export interface Unsure {
  readonly middle: number;
  readonly logSd: number;
}
/** What is believed of washing dry, by washer or by pan: its pace in loose m3 an hour, and the share of the gold it loses. */
export interface UnsureDry extends Omit<DryWay, 'pace_m3_h' | 'recovered'> {
  readonly pace_m3_h: Unsure;
  readonly lost: Unsure;
}
export interface UnsureHaul extends Omit<HaulWay, 'pace_m3_h' | 'recovered' | 'speed_km_h' | 'loadUnload_h'> {
  readonly pace_m3_h: Unsure;
  readonly lost: Unsure;
  readonly speed_km_h: Unsure;
  readonly loadUnload_h: Unsure;
}

/** Ways to the gold of gravel that lies where no water is. */
export type WashWay = 'washer' | 'dry pan' | 'haul';
/** What may decide between them. */
export type Decides =
  'washer pace' | 'washer loss' | 'pan pace' | 'pan loss' | 'haul pace' | 'haul loss' | 'speed' | 'loading' | 'hole';

export interface WeighedWay {
  readonly way: WashWay;
  readonly hours: Spread;
  readonly cost_per_g: Spread;
  readonly gold_g: Spread;
  /** How often it is the cheapest a gram. */
  readonly cheapest: number;
}
export interface WeighedWays {
  /** The cheapest of the middle first. */
  readonly ways: readonly WeighedWay[];
  readonly trips: number;
  /** What of the beliefs moves the difference of the first two most; null where nothing does. */
  readonly decides: Decides | null;
  /** So far away the haul costs as much as the washer; null: it loses even next door. Of the middles. */
  readonly breakEven_km: number | null;
}

const DRAWS = 512;
/** No way loses all, or nothing. */
const [LEAST_LOST, MOST_LOST] = [0.005, 0.95];

type Drawn = Readonly<
  Record<
    'washerPace' | 'washerLost' | 'panPace' | 'panLost' | 'haulPace' | 'haulLost' | 'speed' | 'loading' | 'hole',
    number
  >
>;
const NAMES: Readonly<Record<keyof Drawn, Decides>> = {
  washerPace: 'washer pace',
  washerLost: 'washer loss',
  panPace: 'pan pace',
  panLost: 'pan loss',
  haulPace: 'haul pace',
  haulLost: 'haul loss',
  speed: 'speed',
  loading: 'loading',
  hole: 'hole',
};

/**
 * Washing gravel dry where it lies, panning it dry, and carrying it to water, weighed over what is believed of each: hours and
 * cost of a gram, how often each is the cheapest, and what decides. Bookkeeping over draws (Latin hypercube); what a hole holds
 * is drawn as dry or not.
 * @param pan null: nobody would pan so much
 * @throws OutOfRange as `haulOrDry`
 */
export function weighWays(
  toWash: ToWash,
  washer: UnsureDry | null,
  pan: UnsureDry | null,
  haul: UnsureHaul,
  seed = 1848,
): WeighedWays {
  const of = (u: Unsure | undefined) => (u ? logNormal(u.middle, u.logSd) : () => 1);
  const beliefs: Beliefs<Drawn> = {
    washerPace: of(washer?.pace_m3_h),
    washerLost: of(washer?.lost),
    panPace: of(pan?.pace_m3_h),
    panLost: of(pan?.lost),
    haulPace: of(haul.pace_m3_h),
    haulLost: of(haul.lost),
    speed: of(haul.speed_km_h),
    loading: of(haul.loadUnload_h),
    hole: (share) => (share < haul.chanceDry ? 1 : 0),
  };
  const draws = latinHypercube(beliefs, DRAWS, seed);
  const recovered = (lost: number): number => 1 - Math.min(MOST_LOST, Math.max(LEAST_LOST, lost));
  const come = draws.map((d) => {
    const wet: HaulWay = {
      ...haul,
      pace_m3_h: d.haulPace,
      recovered: recovered(d.haulLost),
      speed_km_h: d.speed,
      loadUnload_h: d.loading,
      chanceDry: d.hole,
    };
    const dry = (way: UnsureDry, pace_m3_h: number, lost: number): DryWay => ({
      ...way,
      pace_m3_h,
      recovered: recovered(lost),
    });
    const beside = washer ? dry(washer, d.washerPace, d.washerLost) : null;
    const byPan = pan ? dry(pan, d.panPace, d.panLost) : null;
    const one = haulOrDry(toWash, beside ?? byPan ?? NO_WAY, wet);
    return {
      haul: one.haul,
      washer: beside && one.dry,
      'dry pan': byPan && (beside ? haulOrDry(toWash, byPan, wet).dry : one.dry),
    };
  });
  const names = (['washer', 'dry pan', 'haul'] as const).filter((way) => come[0]?.[way]);
  const cost = (d: number, way: WashWay): number => come[d]?.[way]?.cost_per_g ?? Infinity;
  const alike = new Float64Array(DRAWS).fill(1 / DRAWS);
  const best = come.map((_, d) => names.reduce((a, b) => (cost(d, b) < cost(d, a) ? b : a)));
  const ways = names
    .map((way): WeighedWay => {
      const spread = (value: (d: number) => number): Spread =>
        weighedSpread(
          come.map((_, d) => value(d)),
          alike,
        );
      return {
        way,
        hours: spread((d) => come[d]?.[way]?.hours ?? NaN),
        cost_per_g: spread((d) => cost(d, way)),
        gold_g: spread((d) => come[d]?.[way]?.gold_g ?? NaN),
        cheapest: best.filter((b) => b === way).length / DRAWS,
      };
    })
    .sort((a, b) => a.cost_per_g.middle - b.cost_per_g.middle);
  const [first, second] = ways;
  const middles: HaulWay = {
    ...haul,
    pace_m3_h: haul.pace_m3_h.middle,
    recovered: recovered(haul.lost.middle),
    speed_km_h: haul.speed_km_h.middle,
    loadUnload_h: haul.loadUnload_h.middle,
    chanceDry: 0,
  };
  const at = washer ?? pan;
  const dryAt = at ? { ...at, pace_m3_h: at.pace_m3_h.middle, recovered: recovered(at.lost.middle) } : NO_WAY;
  return {
    ways,
    trips: come[0]?.haul.trips ?? 1,
    decides:
      first && second
        ? decidesOf(
            draws,
            draws.map((_, d) => Math.log(cost(d, first.way) / cost(d, second.way))),
          )
        : null,
    breakEven_km: at ? haulOrDry(toWash, dryAt, middles).breakEven_km : null,
  };
}
/** Stands in where nothing is washed dry: its answer is not looked at. */
const NO_WAY: DryWay = { pace_m3_h: 1, passes: 1, recovered: 1, setUp_h: 0, running_per_h: 0 };

/** Sums of squares below this are rounding. */
const NOISE = 1e-12;

/** The belief that goes with the difference most closely (squared correlation of logarithms). */
function decidesOf(draws: readonly Drawn[], difference: readonly number[]): Decides | null {
  const centred = (x: readonly number[]): number[] => {
    const mean = x.reduce((a, b) => a + b, 0) / x.length;
    return x.map((v) => v - mean);
  };
  const y = centred(difference);
  const yy = y.reduce((sum, v) => sum + v * v, 0);
  const strength = (name: keyof Drawn): number => {
    const x = centred(draws.map((d) => (name === 'hole' ? d.hole : Math.log(d[name]))));
    const xx = x.reduce((sum, v) => sum + v * v, 0);
    const xy = x.reduce((sum, v, i) => sum + v * (y[i] ?? 0), 0);
    return xx > NOISE && yy > NOISE ? xy ** 2 / (xx * yy) : 0;
  };
  const [top] = (Object.keys(NAMES) as (keyof Drawn)[])
    .map((name) => ({ name, strength: strength(name) }))
    .sort((a, b) => b.strength - a.strength);
  return top && top.strength > 0.02 ? NAMES[top.name] : null;
}
