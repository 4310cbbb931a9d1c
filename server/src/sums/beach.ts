import {
  CONSTITUENT_NAMES,
  deepWaterLength_m,
  fromGreenwich,
  heightAlong,
  highTideAbout_m,
  laidAnewChance,
  laidAnewSince,
  onAndOff,
  reachedChance,
  runup_m,
  seaWater,
  shoreDay,
  stormReach,
  swellAdds_m,
  usualSwell,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

const swell = z.object({ height_m: n.positive().max(25), period_s: n.min(2).max(30) });
const slope = n.min(0.005).max(0.5);
const level_m = n.min(-20).max(20);
const tide = z.object({
  meanLevel_m: level_m.default(0),
  constituents: z
    .array(
      z.object({
        name: z.enum(
          CONSTITUENT_NAMES as [(typeof CONSTITUENT_NAMES)[number], ...(typeof CONSTITUENT_NAMES)[number][]],
        ),
        amplitude_m: n.min(0).max(20),
        phase_deg: n.min(-360).max(360),
      }),
    )
    .max(20),
});

/** Beaches: the swell, the storms and the hours of the sand. */
export const BEACH_SUMS: readonly Sum[] = [
  sum(
    'sea-water',
    'Density and viscosity of sea water.',
    z.object({ temperature_C: n.min(0).max(40), salt_g_kg: n.min(0).max(42).default(35) }),
    (i) => seaWater(i.temperature_C, i.salt_g_kg),
  ),
  sum(
    'run-up',
    'How high a swell runs up a beach above the still water: one wave in fifty reaches it.',
    swell.extend({ slope }),
    ({ slope: face, ...sea }) => ({ length_m: deepWaterLength_m(sea.period_s), runup_m: runup_m(sea, face) }),
  ),
  sum(
    'storms',
    'How high storms reached, and the chance that they laid a place anew since a moment.',
    z.object({
      storms: z
        .array(
          swell.extend({
            at: z.iso.datetime({ offset: true }),
            cut_m: n.min(0).max(20).nullable().default(null),
          }),
        )
        .min(1)
        .max(200),
      tide,
      slope: slope.nullable().default(null),
      toe: z
        .array(z.object({ distance_m: n.min(0), height_m: level_m }))
        .max(200)
        .default([]),
      place: z
        .object({ distance_m: n.min(0).default(0), level_m: level_m.nullable().default(null) })
        .default({ distance_m: 0, level_m: null }),
      since: z.iso.datetime({ offset: true }).nullable().default(null),
    }),
    (i) => {
      const toe_m = heightAlong(i.toe, i.place.distance_m);
      const storms = i.storms.map(({ at, ...s }) => {
        const at_ms = Date.parse(at);
        return { ...s, at_ms, highTide_m: highTideAbout_m(i.tide, at_ms) };
      });
      return {
        toe_m,
        storms: storms.map((s) => {
          const reach = stormReach(s, i.slope);
          return {
            ...reach,
            highTide_m: s.highTide_m,
            reachedToe: toe_m === null ? null : reachedChance(reach, toe_m),
            laidAnew: laidAnewChance(s, i.slope, i.place.level_m, toe_m),
          };
        }),
        laidAnewSince: laidAnewSince(
          storms,
          i.since ? Date.parse(i.since) : -Infinity,
          i.slope,
          i.place.level_m,
          toe_m,
        ),
      };
    },
  ),
  sum(
    'shore-day',
    'When a beach’s sand can be worked and its way is open, in minutes after `midnight`, with what today’s swell adds to the tide.',
    z.object({
      midnight: z.iso.datetime({ offset: true }),
      tide,
      workBelow_m: level_m,
      wayBelow_m: level_m.nullable().default(null),
      margin_min: n.min(0).max(360).default(30),
      slope: slope.nullable().default(null),
      swell: swell.nullable().default(null),
      quietSwell: z.array(swell).max(1000).default([]),
      from_min: n.min(0).max(1440).default(0),
      to_min: n.min(0).max(1440).default(1440),
    }),
    (i) => {
      const added_m = swellAdds_m(i.swell, usualSwell(i.quietSwell), i.slope);
      const day = shoreDay(
        { ...i.tide, constituents: fromGreenwich(i.tide.constituents, Date.parse(i.midnight)) },
        { workBelow_m: i.workBelow_m, wayBelow_m: i.wayBelow_m, margin_min: i.margin_min, swellAdds_m: added_m },
      );
      return { ...day, swellAdds_m: added_m, onAndOff: onAndOff(day, i.from_min, i.to_min) };
    },
  ),
];
