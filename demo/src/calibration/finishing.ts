import {
  freshWater,
  magnetics,
  normalDraw,
  poissonDraw,
  shearOfFilm_Pa,
  weighFinish,
  type FinishSetting,
  type Random,
} from '@riffle/core';
import { Tally } from './tally.ts';

const binomialDraw = (n: number, p: number, random: Random): number =>
  Array.from({ length: n }, () => random() < p).filter(Boolean).length;
const between = (least: number, most: number, random: Random): number => least * (most / least) ** random();
const G = 9.81;

/** A floor as it really is: grains go by the excess of shear over their own threshold (Meyer-Peter & Mueller 1948), shelter falls off as a plain power. */
interface TrueFloor {
  readonly shields: number;
  readonly shelter: number;
  readonly gold: number;
  readonly over: number;
  readonly pace: number;
  readonly slips: number;
}
const floorOf = (random: Random): TrueFloor => ({
  shields: between(0.03, 0.055, random),
  shelter: 0.3 + 0.35 * random(),
  gold: Math.exp(0.25 * normalDraw(random)),
  over: Math.exp(0.12 * normalDraw(random)),
  pace: Math.exp(0.5 * normalDraw(random)),
  slips: Math.min(0.25, 0.02 * Math.exp(0.7 * normalDraw(random))),
});

/** A spoon washed step by step until a third of the black sand is left: minutes, and gold kept. */
function washTrue(setting: FinishSetting, floor: TrueFloor, depth_m: number) {
  const shear = floor.over * shearOfFilm_Pa(depth_m, setting.slope, setting.water);
  const threshold = (size_m: number, rho: number): number =>
    floor.shields * (rho - 1000) * G * setting.feature_m * (size_m / setting.feature_m) ** floor.shelter;
  const leaves = (size_m: number, rho: number, times: number): number => {
    const over = Math.max(0, shear / (times * threshold(size_m, rho)) - 1);
    const s = rho / 1000 - 1;
    const flux = 8 * floor.pace * (over * floor.shields) ** 1.5 * Math.sqrt(s * G * size_m ** 3);
    return (setting.floorWidth_m * flux) / (0.6 * setting.spoon_m3);
  };
  const sizes = Array.from(
    { length: 7 },
    (_, i) => setting.finest_m * (setting.coarsest_m / setting.finest_m) ** ((i + 0.5) / 7),
  );
  const black = sizes.map((d) => leaves(d, 5180, 1));
  const gold = sizes.map((d) => leaves(d, 17_500, floor.gold));
  const left = (rates: readonly number[], t: number): number =>
    rates.reduce((sum, r) => sum + Math.exp(-r * t), 0) / rates.length;
  let t = 0;
  while (left(black, t) > setting.blackLeft && t < 14_400) t += 2;
  const kept = left(gold, t) * (1 - floor.slips);
  return { minutes: t / 60, kept, keptAgain: kept + (1 - kept) * kept * (1 - floor.slips) };
}

const FRACTIONS_MM = [
  [0.15, 0.3],
  [0.3, 0.6],
  [0.6, 1.2],
] as const;

/** The table: what a spoon takes and keeps, after one was timed and looked at; and the gold a magnet took along. */
export function calibrateFinishing(times: number, random: Random) {
  const minutes = new Tally('Minutes of a spoon on the finishing floor, after two were timed', 'holds 85-95 %');
  const kept = new Tally('What the finishing floor keeps, run once', 'holds 85-95 %');
  const again = new Tally('What it keeps with the tailings run again', 'holds 85-95 %');
  const dragged = new Tally('Colors the magnet took along, part of the magnetics washed', 'holds 85-95 %');
  for (let i = 0; i < times; i++) {
    const floor = floorOf(random);
    const [fine, coarse] = FRACTIONS_MM[i % FRACTIONS_MM.length] as (typeof FRACTIONS_MM)[number];
    const setting: FinishSetting = {
      finest_m: fine / 1000,
      coarsest_m: coarse / 1000,
      feature_m: 0.0005,
      floorWidth_m: 0.15 + 0.1 * random(),
      slope: 0.05 + 0.06 * random(),
      depth_m: 0.002,
      water: freshWater(12),
      spoon_m3: 15e-6,
      blackLeft: 1 / 3,
    };
    const mark_m = weighFinish(setting).mark_m?.middle;
    if (mark_m === undefined) {
      minutes.silent++;
      continue;
    }
    // Turned up until the sand moves, as anyone does.
    let depth_m = mark_m;
    while (washTrue(setting, floor, depth_m).minutes > 60 && depth_m < 4 * mark_m) depth_m *= 1.15;
    const is = washTrue(setting, floor, depth_m);
    if (is.minutes > 60) {
      minutes.silent++;
      continue;
    }
    const clock = (): number => is.minutes * 60 * Math.exp(0.2 * normalDraw(random));
    const seen = [1, 2].map(() => ({ depth_m, saw: 'right' as const, took_s: clock() }));
    const said = weighFinish({ ...setting, depth_m }, seen);
    const next_min = clock() / 60;
    minutes.add(
      said.spoon_min.low <= next_min && next_min <= said.spoon_min.high,
      0,
      said.spoon_min.high / said.spoon_min.low,
    );
    kept.add(said.kept.low <= is.kept && is.kept <= said.kept.high, 0, said.kept.high / said.kept.low);
    again.add(said.keptAgain.low <= is.keptAgain && is.keptAgain <= said.keptAgain.high);
  }
  for (let i = 0; i < times; i++) {
    // What a magnet drags differs from heap to heap, and comes in clots.
    const elsewhere = Math.round(between(15, 400, random));
    const share = 1 / (1 + Math.exp(3.6 - normalDraw(random)));
    const clots = poissonDraw((elsewhere * share) / (1 - share) / 1.3, random);
    let all = 0;
    for (let k = 0; k < clots; k++) all += 1 + (random() < 0.3 ? 1 : 0);
    const washedShare = 0.1 + 0.4 * random();
    const found = binomialDraw(all, washedShare * 0.9, random);
    const { colors } = magnetics(Math.max(1, elsewhere), washedShare, 0.9, found, 0.1);
    dragged.add(
      Math.floor(colors.low) <= all && all <= Math.ceil(colors.high),
      0,
      (colors.high + 1) / (colors.low + 1),
    );
  }
  return { minutes, kept, again, dragged };
}
