import {
  measureWasher,
  USUAL_CLOTH_PA_S_M,
  USUAL_MIX,
  USUAL_WASHER_CREW_M3_S,
  weighPasses,
  type Random,
  type WasherSetting,
} from '@riffle/core';
import { mixLeftAfter, trueMix, trueWasher, weighed_mg } from '../trueWasher.ts';
import { Tally } from './tally.ts';

const COLOR_MG = 0.6;
/** As most are set where they work; the crew sees that the sand runs. */
const settingOf = (random: Random): WasherSetting => ({
  width_m: 0.25 + 0.1 * random(),
  length_m: 0.65 + 0.25 * random(),
  riffle_m: 0.01 + 0.004 * random(),
  spacing_m: 0.08 + 0.02 * random(),
  slope: 0.12 + 0.06 * random(),
  drive: { kind: 'bellows', puffs_min: 240 + 70 * random(), stroke_m3: 0.0062 + 0.0008 * random() },
  cloth_Pa_s_m: USUAL_CLOTH_PA_S_M,
  screen_m: 0.00635,
  feedSize_m: null,
  altitude_m: 1200 * random(),
  temperature_C: 15 + 20 * random(),
  moisture_percent: 0.2,
  isClayey: false,
  crew_m3_s: USUAL_WASHER_CREW_M3_S,
  feed_m3_s: null,
  gold: USUAL_MIX,
});

/** Passes over the same gravel: what one holds before anything was measured, and what three hold after two were weighed. */
export function calibrateWashers(washers: number, random: Random) {
  const one = new Tally('What one pass of a dry washer holds, nothing measured', 'holds 85-95 %');
  const measured = new Tally('What one pass holds, after two passes were weighed', 'holds 85-95 %');
  const three = new Tally('What three passes hold together, after two were weighed', 'holds 85-95 %');
  const meets = new Tally('What the third pass loses of what it meets, after two were weighed', 'holds 85-95 %');
  for (let i = 0; i < washers; i++) {
    const [washer, gold, setting] = [trueWasher(random), trueMix(random), settingOf(random)];
    const left = (n: number): number => mixLeftAfter(washer, gold, n);
    const within = (t: Tally, band: { low: number; high: number } | undefined, is: number): void => {
      if (band) t.add(band.low <= is && is <= band.high, 0, band.high / band.low);
      else t.silent++;
    };
    within(one, weighPasses(setting, measureWasher([]).washers, 1)[0]?.heldSoFar, 1 - left(1));
    const fed_mg = 150 * 10 ** random();
    const gold_mg = [fed_mg * (1 - left(1)), fed_mg * (left(1) - left(2))].map((mg) =>
      weighed_mg(mg, COLOR_MG, random),
    );
    const known = measureWasher([{ kind: 'passes', setting, gold_mg, luck_mg: COLOR_MG }]).washers;
    const passes = weighPasses(setting, known, 3);
    within(measured, passes[0]?.heldSoFar, 1 - left(1));
    within(three, passes[2]?.heldSoFar, 1 - left(3));
    within(meets, passes[2]?.lostOfWhatItMeets, left(3) / left(2));
  }
  return { one, measured, three, meets };
}
