import { requirePositive, requireWithin } from '../outOfRange.ts';
import { WET_GRAVEL_KG_L } from './carry.ts';
import { bankVolume_L } from '../measures/containers.ts';
import { walkingSpeed_m_s } from './walking.ts';

/** Hours that a cubic metre in the bank takes by hand, and how unsure they are. */
export interface HandPace {
  /** To dig it out and cast it aside. */
  readonly strip_h_m3: number;
  /** To dig, screen and wash it. */
  readonly wash_h_m3: number;
  /** To carry it to the water, on top of washing it. */
  readonly carry_h_m3: number;
  /** Deviation of the logarithm of the hours. */
  readonly logSd: number;
  /** Hours at the crew's own box that the pace of washing rests on. */
  readonly from_h: number;
}

/** Gravel that went through a box, and how long it took with the stops left out. */
export interface WashedRun {
  readonly volumeBank_L: number;
  readonly hours: number;
}

/** Hours a cubic metre takes before any own log: a person strips about 1 m3 an hour, and digs, screens and feeds 0.4. Common practice, no source. */
export const USUAL_STRIP_H_M3 = 1;
export const USUAL_WASH_H_M3 = 2.5;
/** Half as fast and twice as fast are both usual (about 1.4 deviations); a crew's own days differ by so much. Stated assumptions. */
const USUAL_LOG_SD = 0.5;
const OWN_LOG_SD = 0.15;
/** What one carries at a time by hand, kg; a person sets their own on the day sheet. Common practice, no source. */
export const USUAL_LOAD_KG = 25;
/** So far from the middle of a creek its water is at hand. */
const AT_THE_WATER_M = 8;
/** Less than this at a box says nothing of a pace. */
const LEAST_RUN_H = 0.25;

/** A run as it is kept, as far as its pace goes. */
export interface TimedRun {
  readonly tally: { readonly volumeLoose_L: number; readonly running_s: number };
}

/** Pace of a crew at a spot: its runs so far, and the way to the water of a creek; elsewhere it is washed where it is dug. */
export const paceAt = (
  groundKind: string,
  offset_m: number,
  runs: readonly TimedRun[],
  swell_percent: number,
): HandPace =>
  handPace(
    runs
      .map(({ tally }) => ({
        volumeBank_L: bankVolume_L(tally.volumeLoose_L, swell_percent),
        hours: tally.running_s / 3600,
      }))
      .filter((r) => r.hours >= LEAST_RUN_H && r.volumeBank_L > 0),
    groundKind === 'creek' ? Math.max(0, offset_m - AT_THE_WATER_M) : 0,
    USUAL_LOAD_KG,
  );

/** What is usual counts as so many hours of one's own. */
const PRIOR_H = 3;

/**
 * Pace of a crew by hand: its own runs (bank volume over hours at the box), pulled toward what is usual while there are few; carrying by the loads one
 * person takes over level ground without a path, there and back (Tobler 1993). Riffle's own model.
 * @param carry_m way from the hole to the water
 * @param load_kg what one carries at a time
 * @throws OutOfRange for a run of no hours, a load that is not positive, or a way below 0 or over 20 km
 */
export function handPace(runs: readonly WashedRun[], carry_m: number, load_kg: number): HandPace {
  requirePositive('load_kg', load_kg, 'kg');
  requireWithin('carry_m', carry_m, 0, 20_000, 'm');
  const own_h = runs.reduce((sum, r) => sum + requiredHours(r), 0);
  const own_m3 = runs.reduce((sum, r) => sum + r.volumeBank_L / 1000, 0);
  const loads = (1000 * WET_GRAVEL_KG_L) / load_kg;
  return {
    strip_h_m3: USUAL_STRIP_H_M3,
    wash_h_m3: (own_h + PRIOR_H) / (own_m3 + PRIOR_H / USUAL_WASH_H_M3),
    carry_h_m3: (loads * 2 * carry_m) / walkingSpeed_m_s(0, true) / 3600,
    logSd: Math.hypot(OWN_LOG_SD, USUAL_LOG_SD * (PRIOR_H / (own_h + PRIOR_H))),
    from_h: own_h,
  };
}

function requiredHours({ volumeBank_L, hours }: WashedRun): number {
  requirePositive('volumeBank_L', volumeBank_L, 'L');
  requirePositive('hours', hours, 'h');
  return hours;
}
