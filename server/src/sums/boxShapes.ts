import { USUAL_CREW_M3_S, USUAL_MIX } from '@riffle/core';
import { z } from 'zod';
import { lining, n, temperature_C } from './sum.ts';

/** A box by its sections from the head down; widths and lengths are bounded by the core. */
export const boxSetting = z.object({
  sections: z
    .array(
      z.object({
        lining,
        own: z
          .object({ name: z.string().max(80).default(''), height_m: n.min(0.001).max(0.06) })
          .nullable()
          .default(null),
        width_m: n,
        length_m: n.positive(),
        step_m: n.min(0).max(1).default(0),
      }),
    )
    .min(1)
    .max(8),
  slope: n,
  stone_m: n,
  crossFall_m: n.min(0).max(0.2).default(0),
  temperature_C,
  water: z.discriminatedUnion('known', [
    z.object({ known: z.literal('depth'), depth_m: n.max(1) }),
    z.object({ known: z.literal('flow'), flow_m3_s: n.max(10) }),
  ]),
  feed_m3_s: n.min(0).max(1).nullable().default(null),
  crew_m3_s: n.positive().max(1).default(USUAL_CREW_M3_S),
  median_m: n.positive().max(0.1).nullable().default(null),
  gold: z
    .array(z.object({ size_m: n.min(0.00002).max(0.05), share: n.min(0).max(1) }))
    .min(1)
    .max(10)
    .default(USUAL_MIX.map((g) => ({ ...g }))),
});
/** Frames of sound, as a listening device boils it down. */
export const sound = z
  .array(
    z.object({
      knockOverWater: n.min(-50).max(50),
      crest: n.min(-50).max(50),
      energy: n.min(0).max(10),
      clipped: z.boolean().default(false),
    }),
  )
  .max(2400);
export const goldFound = n.min(0).max(1e7);
export const stretch = { from_m: n.min(0).max(10), to_m: n.positive().max(10) };
/** What was measured at a box; each as the box was set then. */
export const boxEvidence = z
  .array(
    z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('clean-up'),
        setting: boxSetting,
        stretches: z
          .array(z.object({ ...stretch, gold_mg: goldFound }))
          .min(1)
          .max(8),
        luck_mg: n.positive(),
        bySize: z
          .array(z.object({ size_m: n.min(0.00002).max(0.05), gold_mg: z.array(goldFound.nullable()).min(1).max(8) }))
          .max(7)
          .default([]),
        colors: z.array(z.int().min(0).max(100_000)).min(1).max(8).nullable().default(null),
      }),
      z.object({ kind: z.literal('timed bucket'), setting: boxSetting, fed_m3_s: n.positive().max(1) }),
      z.object({
        kind: z.literal('tail pan'),
        setting: boxSetting,
        atLeast: z.int().min(0).max(1000),
        atMost: z.int().min(0).max(1000).nullable(),
        bank_L: n.positive().max(1000),
        grades_mg_L: z.array(n.min(0).max(1e6)).min(1).max(20),
      }),
      z.object({
        kind: z.literal('tracers'),
        setting: boxSetting,
        size_m: n.min(0.00002).max(0.05),
        fed: z.int().positive().max(10_000),
        held: z.int().min(0).max(10_000),
      }),
      z.object({
        kind: z.literal('water'),
        setting: boxSetting,
        depth_m: n.positive().max(1),
        flow_m3_s: n.positive().max(10),
      }),
    ]),
  )
  .max(12);
