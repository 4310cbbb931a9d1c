import type { StoredRun } from '@riffle/contract';

/** Of a run just begun: what the way back does not look at. */
export const NO_TALLY: StoredRun['tally'] = {
  buckets: 0,
  volumeLoose_L: 0,
  bySpot_L: {},
  running_s: 0,
  brokenOff_s: 0,
  stopped: true,
  lastEventAt: null,
  taps: 0,
  timesInOrder: true,
};
