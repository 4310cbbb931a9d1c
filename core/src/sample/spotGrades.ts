import { countColors } from './colorWeights.ts';
import { beliefBand_mg_L, beliefMean_mg_L, likelyAtLeast_mg_L, type GradeBelief } from './gradeBelief.ts';
import { groundColors, measureOf, samplesBySpot, type GroundColors, type SpotPan } from './groundColors.ts';
import { gradeHole, type Hole, type HolePit } from './hole.ts';
import { poolGround, type GroundGrades } from './poolGround.ts';
import type { SampleGrade } from './sampleGrade.ts';
import { chancesOfBest } from './bestOfAll.ts';

/** What the pans of one spot said, taken together. */
export interface SpotGrade {
  readonly spotId: string;
  /** Gold over all that is moved for it: of several layers down to where stopping pays best. */
  readonly grade: SampleGrade;
  /** The same as a density, from its own pans alone. */
  readonly own: GradeBelief;
  /** And pulled toward the other spots of its ground: what a choice between spots goes by. */
  readonly pooled: GradeBelief;
  readonly hole: Hole;
  readonly samples: number;
  readonly volumeBank_L: number;
  readonly blanks: number;
  /** Colors of its pans, and of those that were counted and not weighed. */
  readonly colors: number;
  readonly counted: number;
  /** When the last of them was taken, milliseconds since 1970; 0: not known. */
  readonly lastTaken_ms: number;
}

/** Grade of every sampled spot of a ground. */
export function spotGrades<Pan extends SpotPan>(
  samples: readonly Pan[],
  swell_percent: number,
  colors: GroundColors = groundColors(samples, swell_percent),
  pits: readonly HolePit[] = [],
): Map<string, SpotGrade> {
  return gradeSpots(samples, swell_percent, colors, pits).grades;
}

/** The same with what the ground's spots are like together; null before anything was panned. */
export function gradeSpots<Pan extends SpotPan>(
  samples: readonly Pan[],
  swell_percent: number,
  colors: GroundColors = groundColors(samples, swell_percent),
  pits: readonly HolePit[] = [],
): { readonly grades: Map<string, SpotGrade>; readonly ground: GroundGrades | null } {
  const pitsBySpot = samplesBySpot(pits);
  const held = [...samplesBySpot(samples)].map(([spotId, some]) => ({
    spotId,
    some,
    hole: gradeHole(some, pitsBySpot.get(spotId) ?? [], swell_percent, colors),
  }));
  const { beliefs, ground } = poolGround(held.map((h) => h.hole.evidence));
  return {
    ground,
    grades: new Map(
      held.map(({ spotId, some, hole }, i) => [
        spotId,
        {
          spotId,
          grade: hole.grade,
          own: hole.belief,
          pooled: beliefs[i] as GradeBelief,
          hole,
          samples: some.length,
          volumeBank_L: some.reduce((sum, s) => sum + measureOf(s, swell_percent).volumeBank_L, 0),
          ...countsOf(some),
        },
      ]),
    ),
  };
}

function countsOf(pans: readonly SpotPan[]): Pick<SpotGrade, 'blanks' | 'colors' | 'counted' | 'lastTaken_ms'> {
  let [blanks, colors, counted, lastTaken_ms] = [0, 0, 0, 0];
  for (const { counts, gold_mg, takenAt_ms, takenAt } of pans) {
    const seen = countColors(counts);
    colors += seen;
    if (gold_mg === null) {
      counted += seen;
      if (seen === 0) blanks++;
    }
    lastTaken_ms = Math.max(lastTaken_ms, takenAt_ms ?? (takenAt === undefined ? 0 : Date.parse(takenAt)));
  }
  return { blanks, colors, counted, lastTaken_ms };
}

/** How the place that leads a ground looks, what it is named for pulled back to its ground. */
export interface Leader extends SpotGrade {
  readonly grade: SampleGrade & { readonly kind: 'band' };
  /** Its grade as it is believed, mg/L: less than its own pans say, for it was chosen because they said so. */
  readonly pulled: { readonly grade_mg_L: number; readonly low_mg_L: number; readonly high_mg_L: number };
  /** Chance that it is the richest of the spots panned. */
  readonly chanceBest: number;
}

/** So many of the best are weighed against each other; those behind them are out of the running. */
const MOST_COMPARED = 20;

/** The spot that leads: it has the most gold for sure, its ground in mind, so that one lucky pan does not outrank four good ones. */
export function bestSpot(grades: Iterable<SpotGrade>): Leader | null {
  const order = [...grades].sort((a, b) => likelyAtLeast_mg_L(b.pooled) - likelyAtLeast_mg_L(a.pooled));
  const at = order.findIndex((g) => g.grade.kind === 'band');
  const best = order[at];
  if (!best || best.grade.kind !== 'band') return null;
  const compared = [best, ...order.filter((g) => g !== best).slice(0, MOST_COMPARED - 1)];
  const { low, high } = beliefBand_mg_L(best.pooled);
  return {
    ...best,
    grade: best.grade,
    pulled: { grade_mg_L: beliefMean_mg_L(best.pooled), low_mg_L: low, high_mg_L: high },
    chanceBest: chancesOfBest(compared.map((g) => g.pooled))[0] ?? 1,
  };
}

/** What stands for a spot when proven ones are listed first: what it has for sure; then coarse pieces, blanks, and what was never panned. */
export const provenRank = (g: SpotGrade | undefined): number => {
  if (!g) return -2;
  if (g.grade.kind === 'band') return likelyAtLeast_mg_L(g.pooled);
  return g.grade.kind === 'coarse only' ? 0 : -1;
};
