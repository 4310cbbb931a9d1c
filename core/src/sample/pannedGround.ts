import { addCounts, type ColorCounts, type WeightSchool } from './colorWeights.ts';
import { groundColors, type GroundColors, type SpotPan } from './groundColors.ts';
import type { HolePit } from './hole.ts';
import type { GroundGrades } from './poolGround.ts';
import { gradeSpots, type SpotGrade } from './spotGrades.ts';

/** What all the pans of a ground come to, in figures alone, so that it can be kept and sent: to read the ground needs no pan then. */
export interface PannedGround {
  readonly samples: number;
  /** All colors of its pans, by class. */
  readonly counts: ColorCounts;
  readonly colors: GroundColors;
  readonly grades: readonly SpotGrade[];
  /** What its spots are like together; null before anything was panned. */
  readonly together: GroundGrades | null;
}

/**
 * Grades every sampled spot of a ground, and says what the grades rest on.
 * @param swell_percent of the ground, 0 to 100
 * @throws OutOfRange for a volume that is not positive
 */
export function pannedGround(
  samples: readonly SpotPan[],
  swell_percent: number,
  school: WeightSchool,
  pits: readonly HolePit[],
): PannedGround {
  const colors = groundColors(samples, swell_percent, school);
  const { grades, ground: together } = gradeSpots(samples, swell_percent, colors, pits);
  return {
    samples: samples.length,
    counts: addCounts(samples.map((s) => s.counts)),
    colors,
    grades: [...grades.values()],
    together,
  };
}
