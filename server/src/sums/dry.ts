import {
  adviseWasher,
  airSizes,
  batteryHours,
  bellowsAir,
  blowerAir,
  drawWashers,
  dryAir,
  haulOrDry,
  measureWasher,
  passesOver,
  puffsPerMinute,
  seeWasher,
  USUAL_CLOTH_PA_S_M,
  USUAL_MIX,
  WASHER_SYMPTOMS,
  washerWindow,
  weighPasses,
  weighWasher,
  weighWays,
  type WeighedWasher,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

const altitude_m = n.min(-500).max(9000).default(0);
const airTemperature_C = n.min(-40).max(60).default(20);
const cloth = z.object({
  area_m2: n.positive().max(10),
  resistance_Pa_s_m: n.positive().max(1e6).default(USUAL_CLOTH_PA_S_M),
  bed_Pa: n.min(0).max(10_000).default(106),
});
const drive = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('bellows'), puffs_min: n.positive().max(5000), stroke_m3: n.positive().max(1) }),
  z.object({ kind: z.literal('blower'), shutoff_Pa: n.positive().max(50_000), freeFlow_m3_s: n.positive().max(10) }),
]);
const washer = z.object({
  width_m: n.positive().max(2),
  length_m: n.positive().max(5),
  riffle_m: n.positive().max(0.1),
  spacing_m: n.positive().max(1),
  slope: n.min(0.02).max(0.6),
  drive,
  cloth_Pa_s_m: n.positive().max(1e6).default(USUAL_CLOTH_PA_S_M),
  screen_m: n.positive().max(0.1),
  feedSize_m: n.positive().max(0.05).nullable().default(null),
  altitude_m,
  temperature_C: airTemperature_C,
  moisture_percent: n.min(0).max(30).default(0.2),
  isClayey: z.boolean().default(false),
  crew_m3_s: n.positive().max(0.01),
  feed_m3_s: n.positive().max(0.01).nullable().default(null),
  gold: z
    .array(z.object({ size_m: n.positive().max(0.05), share: n.positive().max(1) }))
    .min(1)
    .max(12)
    .default([...USUAL_MIX]),
});
const WASHERS = drawWashers();
const found_mg = n.min(0).max(1e9);
/** What was measured at the washer, each as it was then set. */
const evidence = z
  .array(
    z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('timed bucket'), setting: washer, fed_m3_s: n.positive().max(0.01) }),
      z.object({
        kind: z.literal('passes'),
        setting: washer,
        gold_mg: z.array(found_mg).min(2).max(6),
        luck_mg: n.positive().max(1000),
      }),
      z.object({
        kind: z.literal('tracers'),
        of: z.enum(['gold', 'lead']),
        setting: washer,
        size_m: n.min(0.00005).max(0.02),
        fed: z.int().min(1).max(10_000),
        held: z.int().min(0).max(10_000),
      }),
    ]),
  )
  .max(8)
  .default([]);
/** Without every single draw. */
const shown = ({ solved, ...weighed }: WeighedWasher): Omit<WeighedWasher, 'solved'> & { draws: number } => ({
  ...weighed,
  draws: solved.length,
});

const unsure = z.object({ middle: n.positive().max(1e6), logSd: n.min(0).max(2).default(0.2) });
const unsureDry = z.object({
  pace_m3_h: unsure,
  lost: unsure,
  passes: z.int().min(1).max(20).default(1),
  setUp_h: n.min(0).max(1000).default(0.5),
  running_per_h: n.min(0).max(1e6).default(0),
});

/** Dry washing. */
export const DRY_SUMS: readonly Sum[] = [
  sum(
    'air',
    'Density and viscosity of dry air at an altitude and a temperature.',
    z.object({ altitude_m, temperature_C: airTemperature_C }),
    (i) => dryAir(i.altitude_m, i.temperature_C),
  ),
  sum(
    'air-sizes',
    'The quartz that air of a speed just loosens, and the gold it carries off in the open and lifts out of a loosened bed.',
    z.object({
      air_m_s: n.min(0.005).max(20),
      csf: n.min(0.02).max(1).default(0.3),
      altitude_m,
      temperature_C: airTemperature_C,
    }),
    (i) => airSizes(i.air_m_s, i.csf, dryAir(i.altitude_m, i.temperature_C)),
  ),
  sum(
    'bellows-air',
    'Puffs a minute through two pulleys, and the air they drive through a cloth; how long a battery lasts.',
    z.object({
      motor_rpm: n.positive().max(50_000),
      motorPulley_m: n.positive().max(2),
      drivenPulley_m: n.positive().max(2),
      puffsPerTurn: z.int().min(1).max(8).default(1),
      beltSlip: n.min(0).max(0.5).default(0.03),
      stroke_m3: n.positive().max(1),
      cloth,
      blows: n.min(0.1).max(1).default(0.5),
      leak_m_s_Pa: n.min(0).max(1).default(1.2e-4),
      battery: z
        .object({ usable_Ah: n.positive().max(10_000), drawn_A: n.positive().max(1000) })
        .nullable()
        .default(null),
    }),
    (i) => {
      const puffs_min = puffsPerMinute(i.motor_rpm, i.motorPulley_m, i.drivenPulley_m, i.puffsPerTurn, i.beltSlip);
      return {
        puffs_min,
        ...bellowsAir(puffs_min, i.stroke_m3, i.cloth, i.blows, i.leak_m_s_Pa),
        battery_h: i.battery && batteryHours(i.battery.usable_Ah, i.battery.drawn_A),
      };
    },
  ),
  sum(
    'blower-air',
    'The air a blower drives through a cloth and the bed on it.',
    z.object({ shutoff_Pa: n.positive().max(50_000), freeFlow_m3_s: n.positive().max(10), cloth }),
    (i) => blowerAir(i.shutoff_Pa, i.freeFlow_m3_s, i.cloth),
  ),
  sum(
    'dry-washer',
    'How often a dry washer as it may be has too little air, works, or blows gold out; what one pass holds; and the cheapest change that brings more.',
    washer.extend({
      screens_m: z.array(n.positive().max(0.1)).max(8).default([]),
      seen: z.partialRecord(z.enum(WASHER_SYMPTOMS), z.boolean()).default({}),
      evidence,
    }),
    ({ screens_m, seen, evidence: measured, ...setting }) => {
      const { washers: known, effective } = measureWasher(measured);
      const { washers, fits } = seeWasher(setting, known, seen);
      const { after, ...advice } = adviseWasher(setting, washers, screens_m);
      return {
        now: shown(weighWasher(setting, washers)),
        fits,
        effective,
        advice: { ...advice, after: shown(after) },
      };
    },
  ),
  sum(
    'washer-passes',
    'What each pass over the same gravel holds and loses in a dry washer as it may be, by size, and how often it pays.',
    washer.extend({
      passes: z.int().min(1).max(6).default(3),
      worth: z
        .object({
          grades_mg_L: z.array(n.min(0).max(1e6)).min(1).max(100),
          price_per_mg: n.min(0).max(1e6),
          hourValue: n.min(0).max(1e6),
          bankOfLoose: n.min(0.3).max(1).default(0.8),
        })
        .nullable()
        .default(null),
    }),
    ({ passes, worth, ...setting }) => weighPasses(setting, WASHERS, passes, worth),
  ),
  sum(
    'washer-window',
    'How often a dry washer works at every speed of its drive and every pitch, by rows of one pitch each.',
    washer.extend({
      columns: z.int().min(2).max(30).default(16),
      rows: z.int().min(2).max(20).default(10),
      times: z.tuple([n.min(0.05).max(1), n.min(1).max(10)]).default([0.4, 2.5]),
      slopes: z.tuple([n.min(0.02).max(0.3), n.min(0.04).max(0.6)]).default([0.05, 0.35]),
    }),
    ({ columns, rows, times, slopes, ...setting }) => {
      const some = WASHERS.filter((_, i) => i % 4 === 0);
      const steps = washerWindow(setting, some, { columns, rows, times, slope: slopes });
      for (;;) {
        const step = steps.next();
        if (!step.done) continue;
        const { works, tooLittle, blowsOut, ...axes } = step.value;
        return {
          times: [...axes.times],
          slope: [...axes.slope],
          tooLittle: [...tooLittle],
          works: [...works],
          blowsOut: [...blowsOut],
        };
      }
    },
  ),
  sum(
    'haul-or-dry',
    'Hours and cost of a gram by washing dry where the gravel lies and by carrying it to water, and from how far both cost the same.',
    z.object({
      volume_m3: n.positive().max(1e6),
      grade_mg_m3: n.positive().max(1e9),
      hourValue: n.min(0).max(1e6),
      dry: z.object({
        pace_m3_h: n.positive().max(1e4),
        passes: z.int().min(1).max(20).default(1),
        recovered: n.positive().max(1).default(0.75),
        setUp_h: n.min(0).max(1000).default(0.5),
        running_per_h: n.min(0).max(1e6).default(0),
      }),
      haul: z.object({
        density_kg_m3: n.positive().max(5000).default(1600),
        payload_kg: n.positive().max(1e6),
        distance_km: n.min(0).max(20_000),
        chanceDry: n.min(0).max(1).default(0),
        between_km: n.min(0).max(20_000).default(0),
        second_km: n.min(0).max(20_000).default(0),
        speed_km_h: n.positive().max(200),
        cost_per_km: n.min(0).max(1e6).default(0),
        loadUnload_h: n.min(0).max(100).default(0.5),
        pace_m3_h: n.positive().max(1e4),
        recovered: n.positive().max(1).default(0.9),
        running_per_h: n.min(0).max(1e6).default(0),
      }),
    }),
    ({ dry, haul, ...toWash }) => haulOrDry(toWash, dry, haul),
  ),
  sum(
    'wash-ways',
    'Washing gravel dry where it lies, panning it dry, and carrying it to water: hours and cost of a gram with their bands, how often each is the cheapest, and what decides.',
    z.object({
      volume_m3: n.positive().max(1e6),
      grade_mg_m3: n.positive().max(1e9),
      hourValue: n.min(0).max(1e6),
      washer: unsureDry.nullable().default(null),
      pan: unsureDry.nullable().default(null),
      haul: z.object({
        density_kg_m3: n.positive().max(5000).default(1600),
        payload_kg: n.positive().max(1e6),
        distance_km: n.min(0).max(20_000),
        chanceDry: n.min(0).max(1).default(0),
        between_km: n.min(0).max(20_000).default(0),
        second_km: n.min(0).max(20_000).default(0),
        speed_km_h: unsure,
        cost_per_km: n.min(0).max(1e6).default(0),
        loadUnload_h: unsure,
        pace_m3_h: unsure,
        lost: unsure,
        running_per_h: n.min(0).max(1e6).default(0),
      }),
    }),
    ({ washer: byWasher, pan, haul, ...toWash }) => weighWays(toWash, byWasher, pan, haul),
  ),
  sum(
    'passes',
    'What passes over the same gravel leave, each losing a larger share of what it meets.',
    z.object({
      mix: z
        .array(z.object({ share: n.positive().max(1), exponent: n.min(0).max(1000) }))
        .min(1)
        .max(12),
      passes: z.int().min(1).max(20).default(3),
      scatter: n.min(0).max(10).default(0.5),
    }),
    (i) => passesOver(i.mix, i.passes, i.scatter),
  ),
];
