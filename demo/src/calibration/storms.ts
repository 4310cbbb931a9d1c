import {
  deepWaterLength_m,
  normalDraw,
  reachedChance,
  shoreDay,
  stormReach,
  swellAdds_m,
  tideHeight_m,
  usualSwell,
  type Random,
  type Swell,
  type Tide,
} from '@riffle/core';
import { Reliability, Tally } from './tally.ts';

/** Nine tenths of a normal lie within so many deviations. */
const NINETY = 1.645;
const between = (least: number, most: number, random: Random): number => least + (most - least) * random();

/**
 * Beaches as they are: waves run up by one of two laws that Riffle does not share, Nielsen & Hanslow (1991), Journal of Coastal Research 7, 1139-1152 (a scale of
 * the whole run-up, by the slope on steep faces and without it on flat ones), or Holman (1986), Coastal Engineering 9, 527-544 (by surf similarity). From memory.
 */
const LAWS = [
  ({ height_m, period_s }: Swell, slope: number): number =>
    1.98 * (slope >= 0.1 ? 0.6 * slope : 0.05) * Math.sqrt((height_m / Math.SQRT2) * deepWaterLength_m(period_s)),
  ({ height_m, period_s }: Swell, slope: number): number =>
    height_m * (0.83 * (slope / Math.sqrt(height_m / deepWaterLength_m(period_s))) + 0.2),
] as const;
type Law = (typeof LAWS)[number];

const seaOf = (height_m: number, random: Random): Swell => ({
  height_m,
  // Higher seas are longer, and no two alike.
  period_s: Math.min(16, Math.max(5, 4.6 + 2.6 * Math.sqrt(height_m) * Math.exp(0.15 * normalDraw(random)))),
});

/** The tables of a beach: how high storms reached, whether they came to the berm, and whether the sand was dry at the last minute offered. */
export function calibrateStorms(times: number, random: Random) {
  const reach = new Tally('How high a storm reached', 'holds 85-95 %');
  const toToe = new Reliability('“It came to the toe of the berm”', 'as often as said', 5);
  const dry = new Tally('The sand still dry at the last minute offered', 'at least 95 %');
  for (let i = 0; i < times; i++) {
    const law = LAWS[i % 2] as Law;
    const slope = between(0.05, 0.14, random);
    const typed = i % 3 === 0 ? null : slope * Math.exp(0.1 * normalDraw(random));
    const storm = seaOf(between(1.8, 5, random), random);
    const highTide_m = between(1.2, 2.4, random);
    // The height in the log is read from the beach or from a buoy some way off.
    const logged = { ...storm, height_m: storm.height_m * Math.exp(0.12 * normalDraw(random)) };
    const surge_m = Math.max(-0.1, 0.25 + 0.18 * normalDraw(random));
    const flattened = slope * Math.exp(-0.1 + 0.15 * normalDraw(random));
    const is_m =
      highTide_m + surge_m + law(storm, flattened) * Math.exp(0.12 * normalDraw(random)) + 0.1 * normalDraw(random);
    const said = stormReach({ ...logged, highTide_m }, typed);
    reach.add(
      Math.abs(is_m - said.middle_m) <= NINETY * said.sd_m,
      0,
      (said.middle_m + NINETY * said.sd_m) / (said.middle_m - NINETY * said.sd_m),
    );
    const toe_m = highTide_m + between(0.6, 4, random);
    toToe.add(reachedChance(said, toe_m), is_m >= toe_m);
    dry.add(...dryAtTheEnd(law, slope, typed, random));
  }
  return { reach, toToe, dry };
}

/** The last minute of bare sand that a day offers, on a tide with weather in it: is a place at the level of the ground dry then? */
function dryAtTheEnd(law: Law, slope: number, typed: number | null, random: Random): [boolean] {
  const tide: Tide = {
    meanLevel_m: 1.2,
    constituents: [
      { name: 'M2', amplitude_m: between(0.4, 1.2, random), phase_deg: 360 * random() },
      { name: 'S2', amplitude_m: between(0.1, 0.4, random), phase_deg: 360 * random() },
    ],
  };
  const quiet = Array.from({ length: 8 }, () => seaOf(between(0.6, 1.4, random), random));
  const today = seaOf(between(0.5, 2.2, random), random);
  const usual = usualSwell(quiet);
  const workBelow_m = 1.2;
  const { work } = shoreDay(tide, {
    workBelow_m,
    wayBelow_m: null,
    margin_min: 30,
    swellAdds_m: swellAdds_m(today, usual, typed),
  });
  const last = work.find((w) => w.to_min < 1440);
  if (!last || !usual) return [true];
  // On usual days the place is just dry at that level, run-up and all; today's sea and weather come on top.
  const extra_m = law(today, slope) - law(usual, slope);
  const weather_m = 0.07 * normalDraw(random);
  return [tideHeight_m(tide, last.to_min / 60) + extra_m + weather_m <= workBelow_m];
}
