import {
  bankVolume_L,
  betweenPanScatter,
  CONTAINERS,
  countColors,
  DEFAULT_SWELL_PERCENT,
  gammaDraw,
  goldColor_mg,
  learnColorWeights,
  meanColor_mg,
  meansOf,
  poissonDraw,
  poolSamples,
  sampleGrade,
  scatterVariance,
  seededRandom,
  type ColorCounts,
  type Random,
} from '@riffle/core';
import { TRUE_SCATTER } from './trueSampling.ts';
import { CORRAN, TRUE_COLOR_MG } from './truth.ts';

const PAN_BANK_L = bankVolume_L(CONTAINERS.pan, DEFAULT_SWELL_PERCENT);
const REPEATS = 1000;
/** Poorer spots are blanks mostly, and a blank has a limit and no band. */
const PAYS_MG_L = 0.1;

/** Colors of one pan drawn from the truth: the spot's grade, patchy from pan to pan, its gold by size class. */
function drawPan(grade_mg_L: number, sizes: readonly [number, number, number], random: Random): ColorCounts {
  const here_mg_L = grade_mg_L * gammaDraw(1 / TRUE_SCATTER ** 2, random) * TRUE_SCATTER ** 2;
  const [medium, fine, veryFine] = TRUE_COLOR_MG.map((mg, i) =>
    poissonDraw((here_mg_L * (sizes[i] ?? 0) * PAN_BANK_L) / mg, random),
  ) as [number, number, number];
  return { '+10': 0, '10-20': medium, '20-40': fine, '-40': veryFine };
}

/**
 * One ground sampled again and again from the demo's truth, so many pans at each spot that carries gold, graded as the screens grade it:
 * weights by the table, or learned where some pans are weighed; scatter found from the pans themselves.
 */
export function coverage(
  key: string,
  pansEach: number,
  weighEvery: number,
): { held: number; of: number; blanks: number } {
  const ground = CORRAN.find((g) => g.key === key);
  if (!ground) throw new Error(`There is no ground ${key}.`);
  const random = seededRandom(1000 + pansEach);
  const spots = ground.spots.filter((s) => s.grade_mg_L >= PAYS_MG_L);
  let [held, of, blanks] = [0, 0, 0];
  for (let repeat = 0; of < REPEATS; repeat++) {
    const drawn = spots.map((s) => ({
      s,
      pans: Array.from({ length: pansEach }, () => drawPan(s.grade_mg_L, ground.sizes, random)),
    }));
    const all = drawn.flatMap((d) => d.pans);
    const weighed = all
      .filter((_, i) => weighEvery > 0 && i % weighEvery === 0)
      .filter((c) => countColors(c) > 0)
      .map((counts) => ({
        counts,
        gold_mg:
          counts['10-20'] * TRUE_COLOR_MG[0] + counts['20-40'] * TRUE_COLOR_MG[1] + counts['-40'] * TRUE_COLOR_MG[2],
      }));
    const weights_mg = meansOf(learnColorWeights(weighed));
    const cv =
      betweenPanScatter(
        drawn.map((d) => d.pans.map((counts) => ({ colors: countColors(counts), volumeBank_L: PAN_BANK_L }))),
      )?.cv ?? 0;
    for (const { s, pans } of drawn) {
      const grade = sampleGrade(poolSamples(pans.map((counts) => ({ volumeBank_L: PAN_BANK_L, counts }))), {
        weights_mg,
        blankColor_mg: meanColor_mg(all, weights_mg) ?? weights_mg['20-40'],
        oneMoreColor_mg: goldColor_mg(all, weights_mg) ?? weights_mg['20-40'],
        scatterVariance: scatterVariance(
          pans.map(() => PAN_BANK_L),
          cv,
        ),
      });
      of++;
      if (grade.kind === 'blank') blanks++;
      if (
        grade.kind === 'blank'
          ? s.grade_mg_L < grade.lessThan_mg_L
          : grade.kind === 'band' && grade.low_mg_L <= s.grade_mg_L && s.grade_mg_L <= grade.high_mg_L
      )
        held++;
    }
  }
  return { held, of, blanks };
}

/** The grounds held against their truth: pans at each spot, and every how many of them one is weighed (0: none). */
export const COVERED = [
  ['strand', 4, 0],
  ['strand', 8, 5],
  ['bench', 10, 4],
  ['halloway', 12, 6],
] as const;
