import { finishSpoon, freshWater, magnetics, separationWindow } from '@riffle/core';
import { z } from 'zod';
import { n, sum, temperature_C, type Sum } from './sum.ts';

const size_m = n.positive().max(0.05);
const feature_m = n.positive().max(0.05);
const density_kg_m3 = n.min(2000).max(25_000);

/** Finishing: black sand taken off gold. */
export const FINISH_SUMS: readonly Sum[] = [
  sum(
    'separation-window',
    'Flows over a floor with features that take the coarsest black sand of a screen and leave its finest gold, and the mark to set.',
    z.object({
      finest_m: size_m,
      coarsest_m: size_m,
      feature_m,
      goldSettling_m_s: n.positive().max(10),
      mineral_kg_m3: density_kg_m3.default(5180),
      temperature_C,
    }),
    (i) =>
      separationWindow(
        i.finest_m,
        i.coarsest_m,
        { height_m: i.feature_m, density_kg_m3: freshWater(i.temperature_C).density_kg_m3 },
        i.goldSettling_m_s,
        i.mineral_kg_m3,
      ),
  ),
  sum(
    'finish-spoon',
    'How long a spoon of concentrate takes on a finishing floor, and the gold it keeps, the tailings run again or not.',
    z.object({
      shear_Pa: n.positive().max(1000),
      floorWidth_m: n.positive().max(5),
      feature_m,
      solids_m3: n.positive().max(1),
      black: z
        .array(z.object({ size_m, share: n.positive().max(1) }))
        .min(1)
        .max(12),
      gold: z
        .array(z.object({ size_m, share: n.positive().max(1), settling_m_s: n.positive().max(10) }))
        .min(1)
        .max(12),
      blackLeft: n
        .min(0.001)
        .max(0.999)
        .default(1 / 3),
      pace: n.positive().max(100).default(1),
      temperature_C,
    }),
    ({ feature_m: height_m, temperature_C: t, ...spoon }) =>
      finishSpoon({ ...spoon, feature: { height_m, density_kg_m3: freshWater(t).density_kg_m3 } }),
  ),
  sum(
    'magnetics',
    'Gold a magnet took along with the magnetite, by a wash of part of it: nine times in ten between its ends.',
    z.object({
      colorsElsewhere: n.positive().max(1e6),
      washedShare: n.min(0).max(1),
      handRecovery: n.min(0).max(1).default(0.9),
      found: z.int().min(0).max(1_000_000),
      meanColor_mg: n.positive().max(1000),
    }),
    (i) => magnetics(i.colorsElsewhere, i.washedShare, i.handRecovery, i.found, i.meanColor_mg),
  ),
];
