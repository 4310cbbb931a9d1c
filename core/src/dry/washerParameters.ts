import { latinHypercube, logNormal, middleOf, normal, Z90, type Beliefs } from '../maths/latinHypercube.ts';

/** One dry washer as it may be: all that nobody knows of it, in one draw. */
export interface WasherParameters {
  /** Speed that lifts gold, over that of the laws. */
  readonly lifting: number;
  /** Middle (Sauter) size of the feed over that of its screen. */
  readonly feedSize: number;
  /** Air past the leak, over what the model has. */
  readonly air: number;
  /** How fast dense grains sink in the loose bed, m/s. */
  readonly sinking_m_s: number;
  /** Pace of the running bed over what the model has. */
  readonly running: number;
  /** Moisture that clumps, percent by weight. */
  readonly clumps_percent: number;
  /** What a hand errs by, setting the pitch: drop, m. */
  readonly dropError_m: number;
  /** Catch goes with (size / 0.5 mm) to this power besides the model. */
  readonly tilt: number;
  /** Corey shape factor of the flakes. */
  readonly csf: number;
  /** How grains of one size differ in how they are caught: squared coefficient of variation. */
  readonly scatter: number;
  /** How strongly a pass over tailings catches over the first. */
  readonly later: number;
  /** Shares of the gold go with (size / 0.5 mm) to this power besides what is entered. */
  readonly mixTilt: number;
}

/** Squared coefficient of variation of catch within a size, in the middle: what makes later passes lose more. Stated assumption. */
export const PASS_SCATTER = 0.5;
/** How fast dense grains sink in the loose bed, in the middle, m/s, and the deviation of its logarithm. Fitted to practice. */
export const [SINKING_M_S, SINKING_LOG_SD] = [0.0012, 0.4] as const;

/**
 * What is believed of each before the washer is measured. From memory: the scatter of the lifting law. Fitted to practice:
 * the sinking speed. The rest stated assumptions; the size of the feed covers Wen & Yu's own scatter too.
 */
const PRIOR: Beliefs<WasherParameters> = {
  lifting: logNormal(1, 0.35),
  feedSize: logNormal(1, 0.25),
  air: logNormal(1, 0.12),
  sinking_m_s: logNormal(SINKING_M_S, SINKING_LOG_SD),
  running: logNormal(1, 0.5),
  clumps_percent: logNormal(1, 0.4),
  dropError_m: normal(0, 0.006 / Z90),
  tilt: normal(0, 0.4),
  csf: (share) => Math.min(0.8, Math.max(0.16, logNormal(0.3, 0.3)(share))),
  scatter: logNormal(PASS_SCATTER, 0.7),
  later: logNormal(1.2, 0.4),
  mixTilt: normal(0, 0.3),
};

/** The middle of all that is believed. */
export const MEDIAN_WASHER: WasherParameters = middleOf(PRIOR);
/** Washers as they may be, the same for every setting compared. */
export const drawWashers = (draws = 256, seed = 1849): WasherParameters[] => latinHypercube(PRIOR, draws, seed);
