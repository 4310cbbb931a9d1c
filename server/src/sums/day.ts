import {
  carryingTrips,
  CONSTITUENT_NAMES,
  daylight,
  finishPlan,
  fromGreenwich,
  handPace,
  hoursBelow,
  LIGHTS_OF_DAY,
  planDay,
  tideTurns,
  turnBack,
  walkingMinutes,
  weighOutfits,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

const believed = z.object({ middle: n.positive().max(1e6), logSd: n.min(0).max(2).default(0.2) });

/** A day against light, tide and walking. */
export const DAY_SUMS: readonly Sum[] = [
  sum(
    'outfits',
    'Which box, washer or pans bring most gold of a day: what is left of it after carrying and setting up, at each one’s pace, less what it loses.',
    z.object({
      outfits: z
        .array(
          z.object({
            id: z.string().min(1).max(80),
            pace_m3_h: believed,
            lost: believed,
            weight_kg: n.min(0).max(1000),
            setUp_h: n.min(0).max(24).default(0.4),
            needsWater: z.boolean(),
          }),
        )
        .min(1)
        .max(20),
      day: z.object({
        hours: n.min(0).max(24),
        walk_h: n.min(0).max(24).default(0),
        people: z.int().min(1).max(20).default(1),
        carry_kg: n.positive().max(200),
        hasWater: z.boolean(),
      }),
    }),
    (i) => weighOutfits(i.outfits, i.day),
  ),
  sum(
    'turn-back',
    'When to turn back along a flat line to be at the start at a time, a quarter over Tobler’s walking time.',
    z.object({ length_m: n, here_m: n, start_m: n.default(0), back_min: n, now_min: n }),
    (i) => turnBack({ length_m: i.length_m, height_m: null }, i.here_m, i.start_m, i.back_min, i.now_min),
  ),
  sum(
    'walking',
    'Minutes along a line with its heights, off the path (Tobler).',
    z.object({ length_m: n, heights_m: z.array(n).min(2).max(20_000).nullable().default(null), from_m: n, to_m: n }),
    ({ length_m, heights_m, from_m, to_m }) => ({
      minutes: walkingMinutes(
        {
          length_m,
          height_m:
            heights_m &&
            ((d) => {
              const at = (d / length_m) * (heights_m.length - 1);
              const i = Math.min(heights_m.length - 2, Math.floor(at));
              return (heights_m[i] as number) + (at - i) * ((heights_m[i + 1] as number) - (heights_m[i] as number));
            }),
        },
        from_m,
        to_m,
      ),
    }),
  ),
  sum(
    'hand-pace',
    'Hours that a cubic metre takes by hand to strip, to wash and to carry to the water, from the crew’s own runs and what is usual.',
    z.object({
      runs: z
        .array(z.object({ volumeBank_L: n, hours: n }))
        .max(10_000)
        .default([]),
      carry_m: n.default(0),
      load_kg: n.default(25),
    }),
    ({ runs, carry_m, load_kg }) => handPace(runs, carry_m, load_kg),
  ),
  sum(
    'daylight',
    'Sunrise and sunset, or dawn and dusk by civil twilight, minutes after 00:00 UTC of the date.',
    z.object({ date: z.iso.date(), longitude_deg: n, latitude_deg: n, light: z.enum(LIGHTS_OF_DAY).default('sun') }),
    (i) => daylight(i.date, i.longitude_deg, i.latitude_deg, i.light),
  ),
  sum(
    'tide',
    'High and low waters, and the hours the water stands below a level, from constituents with Greenwich phase lags; hours count from `from`.',
    z.object({
      from: z.iso.datetime({ offset: true }),
      hours: n.positive().max(24 * 60),
      meanLevel_m: n.default(0),
      workBelow_m: n,
      constituents: z
        .array(
          z.object({
            name: z.enum(
              CONSTITUENT_NAMES as [(typeof CONSTITUENT_NAMES)[number], ...(typeof CONSTITUENT_NAMES)[number][]],
            ),
            amplitude_m: n,
            phase_deg: n,
          }),
        )
        .max(20),
    }),
    ({ from, hours, meanLevel_m, workBelow_m, constituents }) => {
      const tide = { meanLevel_m, constituents: fromGreenwich(constituents, Date.parse(from)) };
      return { turns: tideTurns(tide, 0, hours), below: hoursBelow(tide, workBelow_m, 0, hours) };
    },
  ),
  sum(
    'day-plan',
    'Which places to work in which order to be back in time; walking by index, the start last. Exact up to twelve places.',
    z.object({
      start_min: n,
      back_min: n,
      walk_min: z.array(z.array(n.min(0)).max(41)).max(41),
      stops: z
        .array(
          z.object({
            id: z.string(),
            work_min: n,
            value: n,
            open: z
              .array(z.object({ from_min: n, to_min: n }))
              .nullable()
              .default(null),
          }),
        )
        .max(40),
    }),
    (i) => finishPlan(planDay(i)),
  ),
  sum(
    'carrying-trips',
    'Trips to carry a load away beside the tools.',
    z.object({ load_kg: n, tools_kg: n, limit_kg: n }),
    (i) => ({ trips: carryingTrips(i.load_kg, i.tools_kg, i.limit_kg) }),
  ),
];
