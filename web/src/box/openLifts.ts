import type { StoredCleanup, StoredForecast, StoredLift, StoredRun, Tub } from '@riffle/contract';
import { bankVolume_L } from '@riffle/core';
import { sealedFor } from './cleanForecast.ts';

/** What was lifted out of a box and is not weighed yet. */
export interface OpenLift {
  readonly lift: StoredLift;
  readonly runs: readonly StoredRun[];
  readonly volumeBank_L: number;
  /** What its tubs should hold, as it was said when the runs stopped. */
  readonly forecast: StoredForecast | null;
}

/** Lifts of which some run is in no clean-up yet, the oldest first. */
export function openLifts(
  { lifts, runs, cleanups, forecasts }: LiftsBehind,
  swell_percent: number,
): readonly OpenLift[] {
  const weighed = new Set(cleanups.flatMap((c) => c.runIds));
  return lifts
    .filter((l) => l.runIds.some((id) => !weighed.has(id)))
    .sort((a, b) => a.liftedAt.localeCompare(b.liftedAt))
    .map((lift) => {
      const behind = runs.filter((r) => lift.runIds.includes(r.id) && !weighed.has(r.id));
      const loose_L = behind.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0);
      const volumeBank_L = bankVolume_L(loose_L, swell_percent);
      return { lift, runs: behind, volumeBank_L, forecast: sealedFor(forecasts, behind, volumeBank_L) };
    });
}
interface LiftsBehind {
  readonly lifts: readonly StoredLift[];
  readonly runs: readonly StoredRun[];
  readonly cleanups: readonly Pick<StoredCleanup, 'runIds'>[];
  readonly forecasts: readonly StoredForecast[];
}

/** What tubs should hold, mg. */
export interface Expected {
  readonly low_mg: number;
  readonly high_mg: number;
}

/** Tubs that stand there: lost ones are not among them. */
export const standingTubs = (lifts: readonly Pick<OpenLift, 'lift'>[]): Tub[] =>
  lifts.flatMap(({ lift }) => lift.tubs.filter((t) => !t.lost));

/** What tubs should hold together, where of every one something was said beforehand: the ends add up, so the band is wide rather than narrow. */
export function expectedInTubs(lifts: readonly Pick<OpenLift, 'forecast'>[]): Expected | null {
  if (lifts.length === 0 || lifts.some((l) => !l.forecast)) return null;
  return {
    low_mg: lifts.reduce((sum, l) => sum + (l.forecast?.all.low_mg ?? 0), 0),
    high_mg: lifts.reduce((sum, l) => sum + (l.forecast?.all.high_mg ?? 0), 0),
  };
}

/** "expected 30 mg to 110 mg"; empty where nothing was said. */
export const expectedWords = (expected: Expected | null, gold: (mg: number) => string): string =>
  expected ? `expected ${gold(expected.low_mg)} to ${gold(expected.high_mg)}` : '';

/** Where any box hides gold. Common practice, no source. */
const USUAL_LEAKS = ['hose joint', 'lip of the flare', 'under the mat', 'gaps at the sides'] as const;

/** Where this box hides gold: its own list, or the usual places. A list kept on a device from before there was one has none. */
export const leakPointsOf = (rig: { readonly leakPoints?: readonly string[] } | undefined): readonly string[] =>
  rig?.leakPoints && rig.leakPoints.length > 0 ? rig.leakPoints : USUAL_LEAKS;
