import {
  centreLine,
  changePoint,
  floatTrend,
  floodPeaks,
  mixBelow,
  mouthsOf,
  mouthsThatFeed,
  nextPan,
  mustCarry,
  nextOpenDay,
  permissionOn,
  standOnLine,
  SIGN_KIND_NAMES,
  sourceAbove,
  sternberg,
  thinLevels,
  traceColors,
  USUAL_SCATTER_VARIANCE,
  worthAPan,
  FED_BY,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

const signKindName = z.enum(
  SIGN_KIND_NAMES as [(typeof SIGN_KIND_NAMES)[number], ...(typeof SIGN_KIND_NAMES)[number][]],
);

/** A draw's mouth; a point with its id was panned in it. */
const mouth = z.object({
  id: z.string(),
  name: z.string(),
  distance_m: n,
  bank: z.enum(['left', 'right', 'mid']).default('mid'),
});

/** Reading ground: signs, trails, water, permissions. */
export const READ_SUMS: readonly Sum[] = [
  sum(
    'next-pan',
    'The single pan, look or weighing that most changes where one digs, by the expected value of what it would show.',
    z.object({
      pays_mg_L: n,
      spotCv: n.min(0.1).max(4).default(1),
      pan_L: n,
      color_mg: n,
      panVariance: n.min(0).max(25).default(0.25),
      canWeigh: z.boolean().default(false),
      places: z
        .array(
          z.object({
            id: z.string(),
            chance: n.min(0).max(1),
            chanceBefore: n.min(0).max(1),
            panned: z
              .object({
                volumeBank_L: n.positive(),
                colors: z.int().min(0),
                color_mg: n.positive(),
                gold_mg: n.min(0),
                scatterVariance: n.min(0).default(0),
                commonLogSd: n.min(0).max(3).default(0),
              })
              .nullable()
              .default(null),
            work_min: n.min(0).max(1440).default(10),
            closed: z.boolean().default(false),
            guess: z
              .object({
                kind: signKindName,
                sure: n.min(0).max(1),
                chanceIfThere: n.min(0).max(1),
              })
              .nullable()
              .default(null),
          }),
        )
        .max(2000),
    }),
    ({ places, ...rules }) => nextPan(places, rules),
  ),
  sum(
    'worth-a-pan',
    'Ranks places by the chance that a pan there pays, each with its reasons in log odds.',
    z.object({
      pays_mg_L: n,
      reach_m: n,
      fedBy: z.enum(FED_BY).nullable().default(null),
      spotCv: n.min(0.1).max(4).default(1),
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
            across_m: n.default(0),
            kinds: z.array(signKindName).default([]),
            traits: z.record(z.string(), z.string()).default({}),
            cover_m: n.default(0),
            panned: z
              .object({
                volumeBank_L: n.positive(),
                colors: z.int().min(0),
                color_mg: n.positive(),
                gold_mg: n.min(0),
                laidAnew: n.min(0).max(1).default(0),
                scatterVariance: n.min(0).max(9).default(USUAL_SCATTER_VARIANCE),
                commonLogSd: n.min(0).max(2).default(0),
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
    'mouths',
    'Draws that must bring gold, for the pans below and above their mouths differ beyond luck: what each must carry, with its band, and what its own pans say.',
    z.object({
      flowShare: n.min(0.01).max(0.9).default(0.15),
      mouths: z.array(mouth).max(200),
      points: z.array(z.object({ id: z.string(), distance_m: n, colors: z.int(), volumeBank_L: n })).max(2000),
    }),
    (i) =>
      mouthsThatFeed(
        mouthsOf(
          i.mouths.map((m) => ({ ...m, kind: 'draw mouth' })),
          [],
          [],
          i.points,
        ),
        i.points,
        i.flowShare,
      ),
  ),
  sum(
    'float-trend',
    'Where float that grows upstream points: how far above its largest stone, past the end of the line, or into a draw beside it.',
    z.object({
      length_m: n.positive(),
      mouths: z.array(mouth).max(200).default([]),
      stones: z
        .array(z.object({ kind: z.enum(['float', 'stained float']), distance_m: n, size_mm: n.positive() }))
        .max(2000),
    }),
    (i) =>
      floatTrend(
        i.stones,
        mouthsOf(
          i.mouths.map((m) => ({ ...m, kind: 'draw mouth' })),
          [],
          [],
          [],
        ),
        i.length_m,
      ),
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
    (i) => ({ ...permissionOn(i.notes, i.today), nextOpenDay: nextOpenDay(i.notes, i.today) }),
  ),
  sum(
    'stand',
    'Where a position with its circle stands on a line, longitude and latitude from the foot up.',
    z.object({
      line: z
        .array(z.tuple([z.number().min(-180).max(180), z.number().min(-85).max(85)]))
        .min(2)
        .max(5000),
      lon: n,
      lat: n,
      accuracy_m: n,
    }),
    ({ line, ...fix }) => standOnLine(centreLine(line), fix),
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
