import {
  changePoint,
  floodPeaks,
  mixBelow,
  mustCarry,
  permissionOn,
  SIGN_KIND_NAMES,
  sourceAbove,
  sternberg,
  thinLevels,
  traceColors,
  worthAPan,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

/** Reading ground: signs, trails, water, permissions. */
export const READ_SUMS: readonly Sum[] = [
  sum(
    'worth-a-pan',
    'Ranks places by the chance that a pan there pays, each with its reasons in log odds.',
    z.object({
      pays_mg_L: n,
      reach_m: n,
      priors: z.record(z.string(), z.object({ paid: n, tried: n })).default({}),
      trail: z
        .object({ from_m: n, to_m: n, certainty: n.min(0).max(1) })
        .nullable()
        .default(null),
      float: z.object({ largest_m: n }).nullable().default(null),
      places: z
        .array(
          z.object({
            id: z.string(),
            distance_m: n,
            bank: z.enum(['left', 'right', 'mid']),
            kinds: z
              .array(
                z.enum(SIGN_KIND_NAMES as [(typeof SIGN_KIND_NAMES)[number], ...(typeof SIGN_KIND_NAMES)[number][]]),
              )
              .default([]),
            traits: z.record(z.string(), z.string()).default({}),
            cover_m: n.default(0),
            panned: z
              .object({
                volumeBank_L: n.positive(),
                colors: z.int().min(0),
                color_mg: n.positive(),
                gold_mg: n.min(0),
                floodSince: z.boolean().default(false),
              })
              .nullable()
              .default(null),
            own: z
              .object({ logOdds: n, note: z.string().default('') })
              .nullable()
              .default(null),
          }),
        )
        .max(5000),
    }),
    ({ places, ...rules }) => worthAPan(places, rules),
  ),
  sum(
    'trace',
    'Where colors stop up a creek: the best break, its certainty, the last pay and the first blank.',
    z.object({
      points: z.array(z.object({ id: z.string(), distance_m: n, colors: z.int(), volumeBank_L: n })).max(2000),
    }),
    (i) => traceColors(i.points),
  ),
  sum(
    'gauge',
    'A gauge’s levels thinned to their turns, and its floods above a mark.',
    z.object({
      levels: z.array(z.object({ at_ms: n, level_m: n })).max(20_000),
      tolerance_m: n.default(0.02),
      floodAbove_m: n,
    }),
    (i) => ({ levels: thinLevels(i.levels, i.tolerance_m), floods: floodPeaks(i.levels, i.floodAbove_m) }),
  ),
  sum(
    'permission',
    'What is closed on a day and why, and what ends soon, by dates written down. Never a legal opinion.',
    z.object({
      today: z.iso.date(),
      notes: z
        .array(
          z.object({
            id: z.string(),
            name: z.string(),
            kind: z.enum(['claim', 'permit', 'closed season']),
            from: z.iso.date().nullable(),
            to: z.iso.date().nullable(),
            everyYear: z.boolean().default(false),
          }),
        )
        .max(500),
    }),
    (i) => permissionOn(i.notes, i.today),
  ),
  sum(
    'change-point',
    'The split of a series into two stretches of least squared deviation.',
    z.object({ values: z.array(n).max(5000) }),
    (i) => changePoint(i.values),
  ),
  sum(
    'mixing',
    'What two streams carry together.',
    z.object({ main: z.object({ flow: n, concentration: n }), side: z.object({ flow: n, concentration: n }) }),
    (i) => mixBelow(i.main, i.side),
  ),
  sum(
    'must-carry',
    'What a side stream must carry for the main one to be what it is below the mouth.',
    z.object({ main: z.object({ flow: n, concentration: n }), sideFlow: n, concentrationBelow: n }),
    (i) => ({ concentration: mustCarry(i.main, i.sideFlow, i.concentrationBelow) }),
  ),
  sum(
    'float-size',
    'How float shrinks away from its source (Sternberg), with the band of its rate.',
    z.object({ points: z.array(z.object({ downstream_m: n, size_mm: n })).max(500) }),
    (i) => sternberg(i.points),
  ),
  sum(
    'float-source',
    'How far above a stone its vein lies by the fitted decay, with its band; null when float does not grow upstream.',
    z.object({ points: z.array(z.object({ downstream_m: n, size_mm: n })).max(500), size_mm: n, leaves_mm: n }),
    (i) => sourceAbove(sternberg(i.points), i.size_mm, i.leaves_mm),
  ),
];
