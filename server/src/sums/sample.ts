import {
  crackGold_mg_m,
  crackVolume_L,
  squareMetre,
  betweenPanScatter,
  binomialLimits,
  chanceItPays,
  chanceRicher,
  chancesOfBest,
  characteristicSize_mm,
  medianThrough_mm,
  COLOR_MG,
  DEPTH_STEP_M,
  detectionLimit,
  empiricalVariogram,
  EYES,
  fitVariogram,
  evidenceOf,
  handsRecovery,
  inverseDistance,
  layOut,
  learnColorWeights,
  MATERIAL_NAMES,
  ordinaryKriging,
  PAN_FINISHES,
  PAN_LIGHTS,
  pansToCall,
  payStreak,
  pitSum,
  poissonLimits,
  poolGround,
  polygonOfInfluence,
  sampleGrade,
  scatterVariance,
  sizeCurve,
  USUAL_NEIGHBORS,
  USUAL_SCATTER_VARIANCE,
  VARIOGRAM_MODELS,
  volumeForParticles,
  WEIGHT_SCHOOLS,
  type GradeBelief,
} from '@riffle/core';
import { z } from 'zod';
import { counts, n, sum, type Sum } from './sum.ts';

const across = z.object({ distance_m: n, across_m: n });
const planePoints = z.array(z.object({ x_m: n, y_m: n, value: n })).max(3000);

/** Samples: grades, bands, pits, screens, the ground between. */
export const SAMPLE_SUMS: readonly Sum[] = [
  sum(
    'crack',
    'What a crack in rock holds, and the gold of a metre of it by what its pans say.',
    z.object({
      width_m: n.positive().max(5),
      length_m: n.positive().max(200),
      depth_m: n.positive().max(10),
      grade_mg_L: z.object({ low: n.min(0).max(1e6), middle: n.min(0).max(1e6), high: n.min(0).max(1e6) }),
    }),
    ({ grade_mg_L, ...crack }) => ({ volume_L: crackVolume_L(crack), gold_mg_m: crackGold_mg_m(crack, grade_mg_L) }),
  ),
  sum(
    'square-metre',
    'Gold under a square metre of beach or bench by its panned layers, how thick they are, and the cover over them.',
    z.object({
      beds: z
        .array(
          z.object({
            thickness_m: n.min(0).max(30),
            grade_mg_L: z
              .object({ low: n.min(0).max(1e6), middle: n.min(0).max(1e6), high: n.min(0).max(1e6) })
              .nullable(),
            blackShare: n.min(0).max(1).nullable().default(null),
          }),
        )
        .min(1)
        .max(20),
    }),
    (i) => squareMetre(i.beds),
  ),
  sum(
    'count-limits',
    'Exact limits on the mean of a count.',
    z.object({ count: z.int(), confidence: n.default(0.9) }),
    (i) => poissonLimits(i.count, i.confidence),
  ),
  sum(
    'sample-grade',
    'Grade of a sample with its band, from color counts or weighed gold.',
    z.object({
      volumeBank_L: n,
      counts,
      gold_mg: n.positive().optional(),
      confidence: n.default(0.9),
      blankColor_mg: n.positive().default(COLOR_MG['20-40']),
      oneMoreColor_mg: n.positive().default(COLOR_MG['10-20']),
    }),
    ({ volumeBank_L, counts: c, gold_mg, ...options }) => sampleGrade({ volumeBank_L, counts: c, gold_mg }, options),
  ),
  sum(
    'binomial-limits',
    'Exact limits on a share (Clopper and Pearson).',
    z.object({ found: z.int(), tried: z.int(), confidence: n.default(0.9) }),
    (i) => binomialLimits(i.found, i.tried, i.confidence),
  ),
  sum(
    'richer',
    'Chance that each of several spots is the richest, and that the first beats the second, each pulled toward the others as far as it rests on little; pans more at each that settle it.',
    z.object({
      meanColor_mg: n,
      panVariance: n.min(0).max(9).default(USUAL_SCATTER_VARIANCE),
      pan_L: n.default(4),
      spots: z
        .array(
          z
            .array(z.object({ volumeBank_L: n, counts, gold_mg: n.positive().optional() }))
            .min(1)
            .max(100),
        )
        .min(2)
        .max(20),
    }),
    (i) => {
      const { beliefs } = poolGround(
        i.spots.map((pans) => {
          const { volumeBank_L, gold } = evidenceOf(pans, COLOR_MG, i.meanColor_mg);
          return {
            grade_mg_L: (gold?.gold_mg ?? 0) / volumeBank_L,
            oneColor_mg_L: i.meanColor_mg / volumeBank_L,
            scatterVariance: scatterVariance(
              pans.map((p) => p.volumeBank_L),
              i.panVariance,
            ),
            commonLogSd: 0,
          };
        }),
      );
      const [a, b] = beliefs as [GradeBelief, GradeBelief];
      return {
        best: chancesOfBest(beliefs),
        firstBeatsSecond: chanceRicher(a, b),
        pansToCall: pansToCall(a, b, { pan_L: i.pan_L, color_mg: i.meanColor_mg, panVariance: i.panVariance }),
      };
    },
  ),
  sum(
    'scatter',
    'How much pans of one spot, layer and depth differ beyond the luck of the count; null with fewer than six pans.',
    z.object({ spots: z.array(z.array(z.object({ colors: z.int(), volumeBank_L: n })).max(100)).max(500) }),
    (i) => betweenPanScatter(i.spots),
  ),
  sum(
    'color-weights',
    'Mean weights of colors by class with their bands: a school’s usual ones, moved by weighed counts.',
    z.object({
      weighed: z.array(z.object({ counts, gold_mg: n.positive() })).max(2000),
      school: z.enum(WEIGHT_SCHOOLS).default('geometry'),
    }),
    (i) => learnColorWeights(i.weighed, i.school).classes,
  ),
  sum(
    'hands',
    'What a panner keeps, from practice pans with known grains.',
    z.object({ seedings: z.array(z.object({ putIn: z.int().min(1), cameBack: z.int().min(0) })).max(1000) }),
    (i) => handsRecovery(i.seedings),
  ),
  sum(
    'size-curve',
    'Percent passing each screen of a stack, the closure of the split, and D10 to D90 (mm).',
    z.object({
      screens: z.array(z.object({ aperture_mm: n, kept: n })).max(30),
      through: n,
      wentIn: n.nullable().default(null),
      /** A screen the feed goes through: half of what passes it is finer than `feedMedian_mm`. */
      feed_mm: n.positive().optional(),
    }),
    (i) => {
      const curve = sizeCurve(i.screens, i.through, i.wentIn);
      return {
        ...curve,
        ...(i.feed_mm !== undefined && { feedMedian_mm: medianThrough_mm(curve.points, i.feed_mm) }),
        sizes_mm: Object.fromEntries(
          [10, 30, 50, 60, 80, 90].map((p) => [`D${p}`, characteristicSize_mm(curve.points, p)]),
        ),
      };
    },
  ),
  sum(
    'pit',
    'Volumes and weights of a pit’s layers, its pay and stripping ratio.',
    z.object({
      length_m: n,
      width_m: n,
      batter: n.default(0),
      layers: z
        .array(z.object({ thickness_m: n, material: z.enum(MATERIAL_NAMES), pay: z.boolean().default(false) }))
        .max(50),
    }),
    ({ layers, ...shape }) => pitSum(shape, layers),
  ),
  sum(
    'lay-out',
    'Points and bags of a plan of samples on a grid: along and across (left positive), a bag for each step down.',
    z.object({ from: across, to: across, spacing_m: n, rowSpacing_m: n, depth_m: n, step_m: n.default(DEPTH_STEP_M) }),
    (i) => layOut({ kind: 'grid', ...i }),
  ),
  sum(
    'pay-streak',
    'Stretches of a traverse that reach a cut-off.',
    z.object({ points: z.array(z.object({ at_m: n, grade_mg_L: n })).max(500), cutoff_mg_L: n }),
    (i) => payStreak(i.points, i.cutoff_mg_L),
  ),
  sum(
    'detection-limit',
    'Smallest color counted in a pan, by pan, light and eyes, and what one weighs.',
    z.object({ pan: z.enum(PAN_FINISHES), light: z.enum(PAN_LIGHTS), eyes: z.enum(EYES) }),
    detectionLimit,
  ),
  sum(
    'chance-it-pays',
    'Chance that a pan reaches a cut-off where the kriged grade and its deviation are known (lognormal).',
    z.object({ grade_mg_L: n, sd_mg_L: n, cutoff_mg_L: n }),
    (i) => ({ chance: chanceItPays(i.grade_mg_L, i.sd_mg_L, i.cutoff_mg_L) }),
  ),
  sum(
    'inverse-distance',
    'Value at places by the inverse of the distance to the points about them; no error comes with it.',
    z.object({ points: planePoints, at: z.array(z.object({ x_m: n, y_m: n })).max(2000) }),
    (i) => i.at.map(({ x_m, y_m }) => inverseDistance(i.points)(x_m, y_m)),
  ),
  sum(
    'nearest-sample',
    'Value at places by the nearest point (polygons of influence); no error comes with it.',
    z.object({ points: planePoints, at: z.array(z.object({ x_m: n, y_m: n })).max(2000) }),
    (i) => i.at.map(({ x_m, y_m }) => polygonOfInfluence(i.points)(x_m, y_m)),
  ),
  sum(
    'variogram',
    'Empirical variogram of values in the plane, and the model fitted to it.',
    z.object({ points: planePoints, cutoff_m: n, width_m: n, model: z.enum(VARIOGRAM_MODELS).default('spherical') }),
    (i) => {
      const bins = empiricalVariogram(i.points, i.cutoff_m, i.width_m);
      return { bins, fit: bins.length >= 3 ? fitVariogram(bins, i.model) : null };
    },
  ),
  sum(
    'kriging',
    'Ordinary kriging of values at places: estimate and variance.',
    z.object({
      points: planePoints,
      variogram: z.object({ model: z.enum(VARIOGRAM_MODELS), nugget: n, partialSill: n, range_m: n }),
      neighbors: z.int().positive().max(200).default(USUAL_NEIGHBORS),
      at: z.array(z.object({ x_m: n, y_m: n })).max(2000),
    }),
    (i) => {
      const krige = ordinaryKriging(i.points, i.variogram, i.neighbors);
      return i.at.map((p) => {
        const { value, variance } = krige(p.x_m, p.y_m);
        return { value, variance };
      });
    },
  ),
  sum(
    'volume-for-particles',
    'How much to take for a number of colors (twenty by rule).',
    z.object({ grade_mg_L: n, color_mg: n, particles: n.default(20) }),
    (i) => volumeForParticles(i.grade_mg_L, i.color_mg, i.particles),
  ),
];
