import {
  filmFlow_m2_s,
  filmFor_m,
  COMPANIONS,
  companionWindows,
  finishSluicePace_m3_s,
  finishSpoon,
  freshWater,
  goOn,
  magnetics,
  seaWater,
  separationWindow,
  weighFinish,
  weighSluice,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, temperature_C, type Sum } from './sum.ts';

const size_m = n.positive().max(0.05);
const feature_m = n.positive().max(0.05);
const density_kg_m3 = n.min(2000).max(25_000);

/** Finishing: black sand taken off gold. */
export const FINISH_SUMS: readonly Sum[] = [
  sum(
    'finishing-floor',
    'How likely black sand goes and gold stays over a shallow-featured floor, the depth of water to mark and its flow, how long a spoon takes and what it keeps.',
    z.object({
      finest_m: size_m,
      coarsest_m: size_m,
      feature_m,
      floorWidth_m: n.positive().max(1),
      slope: n.min(0.005).max(0.4),
      depth_m: n.min(0.0002).max(0.05),
      spoon_m3: n.positive().max(0.001).default(15e-6),
      blackLeft: n
        .min(0.01)
        .max(0.99)
        .default(1 / 3),
      temperature_C,
      salt_g_kg: n.min(0).max(42).default(0),
      companion: z.enum(COMPANIONS).default('magnetite'),
      seen: z
        .array(
          z.object({
            depth_m: n.min(0.0002).max(0.05),
            saw: z.enum(['sand lies still', 'right', 'gold creeps']),
            took_s: n.min(1).max(7200).nullable().default(null),
          }),
        )
        .max(12)
        .default([]),
    }),
    ({ temperature_C: t, salt_g_kg, seen, ...setting }) => {
      const water = salt_g_kg === 0 ? freshWater(t) : seaWater(t, salt_g_kg);
      const found = weighFinish({ ...setting, water }, seen);
      return {
        ...found,
        companions: companionWindows({ ...setting, water }),
        markFlow_m3_s: found.mark_m && setting.floorWidth_m * filmFlow_m2_s(found.mark_m.middle, setting.slope, water),
        depthForOnePascal_m: filmFor_m(1, setting.slope, water),
      };
    },
  ),
  sum(
    'finishing-riffles',
    'Hours a heap of one fraction takes over a riffled finishing sluice, moved by runs that were timed, and where of its riffles the gold lies.',
    z.object({
      width_m: n.min(0.05).max(2),
      depth_m: n.min(0.002).max(0.15),
      slope: n.min(0.005).max(0.4),
      riffle_m: n.min(0.001).max(0.05),
      roughness_m: n.min(0.0005).max(0.05).default(0.005),
      blackShare: n.min(0.01).max(1),
      spacing_m: n.min(0.005).max(1),
      riffles: z.int().min(1).max(60),
      finest_m: size_m,
      coarsest_m: size_m,
      volume_m3: n.positive().max(1),
      temperature_C,
      timed: z.array(n.positive().max(1000)).max(50).default([]),
    }),
    ({ temperature_C: t, timed, ...sluice }) => weighSluice({ ...sluice, water: freshWater(t) }, timed),
  ),
  sum(
    'finishing-sluice',
    'Loose concentrate a riffled finishing sluice takes with its water wide open, and the hours for a volume.',
    z.object({
      width_m: n.positive().max(2),
      depth_m: n.positive().max(0.3),
      slope: n.min(0.005).max(0.4),
      riffle_m: n.positive().max(0.05),
      roughness_m: n.positive().max(0.05).default(0.005),
      blackShare: n.min(0.01).max(1).default(0.5),
      black_m: size_m.default(0.0005),
      volume_m3: n.positive().max(10),
      pace: n.positive().max(100).default(1),
    }),
    ({ volume_m3, ...sluice }) => {
      const pace_m3_s = finishSluicePace_m3_s(sluice);
      return { pace_m3_s, hours: volume_m3 / pace_m3_s / 3600 };
    },
  ),
  sum(
    'go-on',
    'Whether the rest of a heap pays to wash, by what part of it gave: go on, stop, or wash some more first.',
    z.object({
      washedShare: n.min(0.001).max(0.999),
      found: z.int().min(0).max(100_000),
      meanColor_mg: n.positive().max(1e6),
      hours: n.positive().max(1e5),
      price_per_mg: n.min(0).max(1e6),
      hourValue: n.min(0).max(1e6),
    }),
    (i) => goOn(i),
  ),
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
