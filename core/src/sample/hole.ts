import { scatterVariance } from './scatter.ts';
import { gradeBelief, type GradeBelief } from './gradeBelief.ts';
import { commonLogSd, gradeOfLevel, measureOf, type GroundColors, type SpotPan } from './groundColors.ts';
import { levelsOf, type LayeredPit, type Level } from './levels.ts';
import type { SpotEvidence } from './poolGround.ts';
import { gradeFrom, type Evidence, type SampleGrade } from './sampleGrade.ts';

/** A pit of a spot. */
export interface HolePit extends LayeredPit {
  readonly id: string;
  readonly spotId: string;
}

/** A stretch of the hole with what its own pans say; null where nobody panned. */
export interface GradedLevel {
  readonly from_m: number;
  readonly to_m: number;
  readonly samples: number;
  readonly grade: SampleGrade | null;
}

/** A hole as it is dug: everything from the surface down to where one stops is moved, so the gold is over all of that. */
export interface Hole {
  readonly levels: readonly GradedLevel[];
  /** How deep the best stop lies, and the thickness of the barren or unpanned above its gold; null where only one depth is known. */
  readonly stop: { readonly level: number; readonly depth_m: number } | null;
  readonly grade: SampleGrade;
  readonly belief: GradeBelief;
  readonly evidence: SpotEvidence;
}

/** The pit that the pans of a spot are mostly from. */
function pitOf<Pan extends SpotPan>(pans: readonly Pan[], pits: readonly HolePit[]): HolePit | null {
  const of = (pit: HolePit): number => pans.filter((p) => pit.layers.some((l) => l.id === p.layerId)).length;
  const best = pits
    .filter((p) => p.layers.length > 0)
    .reduce<{ pit: HolePit; pans: number } | null>((top, pit) => {
      const count = of(pit);
      return top === null || count > top.pans ? { pit, pans: count } : top;
    }, null);
  return best && best.pans > 0 ? best.pit : null;
}

/** A level with what its own pans hold; null where nobody panned. */
type PannedLevel<Pan> = Level<Pan> & { readonly of: ReturnType<typeof gradeOfLevel> | null };

/** A hole's levels with their pans, before it is settled how deep one goes. */
export interface LeveledHole<Pan extends SpotPan = SpotPan> {
  readonly levels: readonly PannedLevel<Pan>[];
  /** The pans that say something of it. */
  readonly used: readonly Pan[];
  readonly swell_percent: number;
  readonly colors: GroundColors;
}

/** Puts the pans of a spot at their levels: by the layers of its pit, or by depth. */
export function levelHole<Pan extends SpotPan>(
  pans: readonly Pan[],
  pits: readonly HolePit[],
  swell_percent: number,
  colors: GroundColors,
): LeveledHole<Pan> {
  const levels = levelsOf(pans, pitOf(pans, pits)).map((l) => ({
    ...l,
    of: l.pans.length > 0 ? gradeOfLevel(l.pans, swell_percent, colors) : null,
  }));
  const counted = levels.flatMap((l) => l.pans);
  return { levels, used: counted.length > 0 ? counted : pans, swell_percent, colors };
}

/** Gold that the pans of a level held, mg/L; 0 where they were blank or nobody panned. */
export const goldOfLevel_mg_L = ({ of }: PannedLevel<SpotPan>): number =>
  of?.evidence.gold ? of.evidence.gold.gold_mg / of.evidence.volumeBank_L : 0;

/** Gold of some levels over all that was moved for them. */
export type TakenLevels = Pick<Hole, 'grade' | 'belief' | 'evidence'>;

/** Grades what is taken of a hole, over all that was moved for it; of a single level without a thickness, over what was dug there. */
export function gradeTaken<Pan extends SpotPan>(
  { levels, used, swell_percent, colors }: LeveledHole<Pan>,
  taken: readonly number[],
  moved_m: number,
): TakenLevels {
  const logSd = commonLogSd(used, colors);
  const some = taken.flatMap((i) => levels[i] ?? []);
  // All of its pans in one level, and nothing else moved: what that level said already.
  const whole = some.length === 1 && some[0]?.pans.length === used.length ? some[0] : null;
  if (some.every((l) => goldOfLevel_mg_L(l) === 0)) {
    const panned = some.flatMap((l) => l.pans);
    const { evidence, options, grade } =
      whole?.of ?? gradeOfLevel(panned.length > 0 ? panned : used, swell_percent, colors);
    const spread = options.scatterVariance ?? 0;
    return {
      grade,
      belief: gradeBelief(evidence, {
        meanColor_mg: colors.blankColor_mg,
        scatterVariance: spread,
        commonLogSd: logSd,
      }),
      evidence: {
        grade_mg_L: 0,
        oneColor_mg_L: colors.blankColor_mg / evidence.volumeBank_L,
        scatterVariance: spread,
        commonLogSd: logSd,
      },
    };
  }
  // Volumes of one litre: what each level adds to it.
  let [y, v, luck, oneMore, colorsSeen, coarse, oneColor] = [0, 0, 0, 0, 0, 0, 0];
  let allWeighed = true;
  for (const l of some) {
    if (!l.of) continue;
    const { evidence, options } = l.of;
    const share = moved_m > 0 ? (l.to_m - l.from_m) / moved_m : 1;
    const perL = share / evidence.volumeBank_L;
    const color = colors.blankColor_mg * perL;
    oneColor = Math.max(oneColor, color);
    colorsSeen += evidence.colors;
    coarse += evidence.unweighedCoarse;
    if (!evidence.gold) {
      // A blank level may hold a color yet.
      if (some.length > 1) v += 0.5 * color ** 2;
      continue;
    }
    if (!evidence.allWeighed) allWeighed = false;
    const gold = evidence.gold.gold_mg * perL;
    y += gold;
    const spread = gold ** 2 * (options.scatterVariance ?? 0);
    v += evidence.gold.variance_mg2 * perL ** 2 + spread;
    luck += colors.luckColor_mg * perL * gold;
    oneMore = Math.max(oneMore, evidence.gold.oneMore_mg * perL);
  }
  const one: Evidence = {
    volumeBank_L: 1,
    colors: colorsSeen,
    gold: { gold_mg: y, variance_mg2: v, oneMore_mg: oneMore },
    allWeighed,
    unweighedCoarse: coarse,
  };
  const isWhole = whole && (moved_m === 0 || whole.to_m - whole.from_m === moved_m);
  return {
    grade: (isWhole && whole.of?.grade) || gradeFrom(one, { weights_mg: colors.weights_mg, commonLogSd: logSd }),
    belief: gradeBelief(one, { meanColor_mg: oneColor, commonLogSd: logSd }),
    evidence: {
      grade_mg_L: y,
      oneColor_mg_L: luck / y,
      scatterVariance: scatterVariance(
        used.map((s) => measureOf(s, swell_percent).volumeBank_L),
        colors.panVariance,
      ),
      commonLogSd: logSd,
    },
  };
}

/**
 * Grades a spot by its hole: each level by its own pans, then the stop that has the most gold in each litre moved, layers nobody panned counted as barren.
 * Pans of one depth without a pit are graded as what they were dug from. Levels are never pooled by how many pans were taken where.
 * `toTheBottom`: all of it is taken, wherever stopping would pay best.
 * Source: weights by thickness, as in any ore estimate; the stop is Riffle's own, the best of all of them.
 */
export function gradeHole<Pan extends SpotPan>(
  pans: readonly Pan[],
  pits: readonly HolePit[],
  swell_percent: number,
  colors: GroundColors,
  { toTheBottom = false }: { readonly toTheBottom?: boolean } = {},
): Hole {
  const leveled = levelHole(pans, pits, swell_percent, colors);
  const { levels } = leveled;
  const graded = levels.map((l): GradedLevel => ({
    from_m: l.from_m,
    to_m: l.to_m,
    samples: l.pans.length,
    grade: l.of?.grade ?? null,
  }));
  const goldPerL = levels.map(goldOfLevel_mg_L);
  const thickness_m = levels.map((l) => l.to_m - l.from_m);
  if (goldPerL.every((g) => g === 0))
    return {
      levels: graded,
      stop: null,
      ...gradeTaken(
        leveled,
        levels.map((_, i) => i),
        0,
      ),
    };
  const stop = toTheBottom ? levels.length - 1 : bestStop(goldPerL, thickness_m);
  const moved_m = thickness_m.slice(0, stop + 1).reduce((a, b) => a + b, 0);
  return {
    levels: graded,
    stop: moved_m > 0 ? { level: stop, depth_m: moved_m } : null,
    ...gradeTaken(
      leveled,
      levels.slice(0, stop + 1).map((_, i) => i),
      moved_m,
    ),
  };
}

/** The level down to which the gold in each litre moved is the most. */
function bestStop(goldPerL: readonly number[], thickness_m: readonly number[]): number {
  if (thickness_m.length === 1) return 0;
  let [gold, moved, best, at] = [0, 0, -1, 0];
  goldPerL.forEach((g, i) => {
    gold += g * (thickness_m[i] as number);
    moved += thickness_m[i] as number;
    if (moved > 0 && gold / moved > best) [best, at] = [gold / moved, i];
  });
  return at;
}
