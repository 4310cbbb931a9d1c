import { requirePositive, requireWithin } from '../outOfRange.ts';

/** A pan taken somewhere, as far as time goes. */
export interface PanTaken {
  readonly at_ms: number;
  readonly spotId: string;
  /** Pans the sample held; a part pan counts as its share. */
  readonly pans: number;
}

/** Minutes one pan takes from shovel to count before any own log. Common practice, no source: a fast pan five minutes, the digging as long. */
export const USUAL_PAN_MIN = 10;
/** What common practice counts as, in samples of one's own. */
const PRIOR_SAMPLES = 4;
/** A longer gap is a meal, not a pan. */
const LONGEST_MIN = 120;

export interface Pace {
  readonly pan_min: number;
  /** Gaps between own samples it rests on. */
  readonly from: number;
}

/**
 * Minutes a pan takes this crew: the middle (median) of the times between one sample and the next of the same day, the walk between
 * taken off, over the pans of the later one; pulled toward `USUAL_PAN_MIN` while there are few.
 * Samples logged within a minute of each other were written down together and say nothing.
 * Riffle's own model; the shrinkage is that of a prior worth four samples.
 * @param walk_min minutes between two spots
 * @throws OutOfRange when a sample holds no pans
 */
export function pacePerPan(
  taken: readonly PanTaken[],
  walk_min: (fromSpotId: string, toSpotId: string) => number,
): Pace {
  const order = [...taken].sort((a, b) => a.at_ms - b.at_ms);
  const gaps = order
    .slice(1)
    .flatMap((next, i) => {
      const before = order[i] as PanTaken;
      requirePositive('pans', next.pans);
      const gap_min = (next.at_ms - before.at_ms) / 60_000;
      const sameSpot = before.spotId === next.spotId;
      const worked_min = gap_min - (sameSpot ? 0 : walk_min(before.spotId, next.spotId));
      return gap_min > LONGEST_MIN || worked_min < 1 ? [] : [worked_min / next.pans];
    })
    .sort((a, b) => a - b);
  const middle =
    gaps.length === 0
      ? USUAL_PAN_MIN
      : ((gaps[(gaps.length - 1) >> 1] as number) + (gaps[gaps.length >> 1] as number)) / 2;
  return {
    pan_min: (middle * gaps.length + USUAL_PAN_MIN * PRIOR_SAMPLES) / (gaps.length + PRIOR_SAMPLES),
    from: gaps.length,
  };
}

/** Pans of a quick try, and of one square metre taken down well. Common practice, no source. */
export const PANS_OF = { 'quick pans': 2, 'one square metre': 8 } as const;
/** Minutes to strip a metre of cover off a test hole, and off a square metre (about 0.3 m3/h and 1 m3/h of hand digging). Common practice, no source. */
export const STRIP_MIN_M = { 'quick pans': 30, 'one square metre': 60 } as const;

/**
 * Minutes the work at a place takes: its pans at the crew's pace, and the stripping of what lies over them.
 * @throws OutOfRange for a pace that is not positive or a cover below 0 or over 30 m
 */
export function workMinutes(
  way: keyof typeof PANS_OF,
  pan_min: number,
  cover_m: number,
  pans: number = PANS_OF[way],
): number {
  requirePositive('pan_min', pan_min, 'min');
  requireWithin('cover_m', cover_m, 0, 30, 'm');
  return Math.round(pans * pan_min + STRIP_MIN_M[way] * cover_m);
}
