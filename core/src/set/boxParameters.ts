import { normalQuantile } from '../maths/normal.ts';
import { latinHypercube, logNormal, middleOf, normal, Z90, type Beliefs } from '../maths/latinHypercube.ts';

/** One box as it may be: all that nobody knows of it, in one draw. */
export interface BoxParameters {
  /** What a hand errs by, setting water and head, m. */
  readonly depthError_m: number;
  readonly headError_m: number;
  /** Roughness length over that of the table. */
  readonly roughness: number;
  /** Median size of the feed over its screen. */
  readonly medianOfScreen: number;
  /** d90 over d30 of the feed. */
  readonly spread: number;
  /** Reference Shields number of mixed feed. */
  readonly referenceShields: number;
  /** 0.61 of the single stone. */
  readonly rolling: number;
  readonly boxFactor: number;
  readonly catchScale: number;
  /** Catch goes with (size / 0.5 mm) to this power besides the model. */
  readonly tilt: number;
  /** Corey shape factor of the flakes. */
  readonly csf: number;
  /** 0 settles by Dietrich, 1 by Haider & Levenspiel; between, by both. */
  readonly settlingMix: number;
  /** Black sand of the feed, share by mass. */
  readonly blackSand: number;
  /** How much deeper one side lies than anybody measured, m. Seen at the box, not solved for. */
  readonly levelError_m: number;
  /** Shares of the gold go with (size / 0.5 mm) to this power besides what is entered. */
  readonly mixTilt: number;
}

const MOST_MEDIAN = 0.6;
const CSF = [0.16, 0.8] as const;

/**
 * What is believed of each before the box is measured. Hand errors: 90 % within 2 mm of water and 5 mm of head (stated assumption). Medians and spreads:
 * roughness and the box factor fitted to practice and one guideline, the single stone's 0.61 and the reference Shields number from memory, the rest stated
 * assumptions; settling spans the two published laws.
 */
const PRIOR: Beliefs<BoxParameters> = {
  depthError_m: normal(0, 0.002 / Z90),
  headError_m: normal(0, 0.005 / Z90),
  roughness: logNormal(1, 0.25),
  medianOfScreen: (share) => Math.min(MOST_MEDIAN, logNormal(0.25, 0.3)(share)),
  spread: logNormal(6, 0.4),
  referenceShields: logNormal(0.036, 0.2),
  rolling: logNormal(0.61, 0.15),
  boxFactor: logNormal(1.8, 0.45),
  catchScale: logNormal(1, 0.5),
  tilt: normal(0, 0.3),
  csf: (share) => Math.min(CSF[1], Math.max(CSF[0], logNormal(0.3, 0.3)(share))),
  settlingMix: (share) => share,
  blackSand: logNormal(0.01, 0.8),
  // A level by eye: half of a normal, 90 % within 5 mm. Stated assumption.
  levelError_m: (share) => (0.005 / Z90) * normalQuantile((1 + share) / 2),
  // Last, so that what is drawn of the others is the same as without it.
  mixTilt: normal(0, 0.3),
};
/** Draws behind every window and every sentence. */
export const DRAWS = 256;

/** The middle of all that is believed. */
export const MEDIAN_BOX: BoxParameters = middleOf(PRIOR);

/** Boxes as they may be, the same for every setting compared. */
export const drawBoxes = (draws = DRAWS, seed = 1849): BoxParameters[] => latinHypercube(PRIOR, draws, seed);
