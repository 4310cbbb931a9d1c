import {
  adviseBox,
  boxWindow,
  blackSandShare,
  catchScale,
  cleanUpAfter_m3,
  drawdown,
  drawnBoxes,
  faultsOf,
  feedCapacity,
  flowAtDepth,
  flowAtRate,
  flowByBucket_m3_s,
  flowByFloat_m3_s,
  flowByNotch_m3_s,
  forecastClean,
  floorFlowAtDepth,
  followBox,
  learnSound,
  soundsApart,
  floorFlowAtRate,
  HOSE_ROUGHNESS_M,
  lieByTurning,
  loadUp,
  measureBox,
  surfaceAlong,
  minorLossOf,
  pumpThrough,
  remedyFor,
  seeBox,
  slopeByLine,
  stonesClear,
  SYMPTOM_IDS,
  VALVES,
  weighBox,
  wingDam_m3_s,
  type WeighedBox,
} from '@riffle/core';
import { z } from 'zod';
import { boxEvidence, boxSetting, goldFound, sound, stretch } from './boxShapes.ts';
import { n, sum, temperature_C, type Sum } from './sum.ts';

const channel = { width_m: n, manningN: n, slope: n };
const floor = { width_m: n, roughness_m: n, slope: n };
const withoutDraws = ({ solved: _, ...rest }: WeighedBox) => rest;

/** The box and its water. */
export const SET_SUMS: readonly Sum[] = [
  sum(
    'flow-at-depth',
    'Flow in a rectangular channel at a depth (Manning, side walls counted).',
    z.object({ ...channel, depth_m: n }),
    ({ depth_m, ...c }) => flowAtDepth(c, depth_m),
  ),
  sum(
    'flow-at-rate',
    'Normal depth in a rectangular channel for a flow.',
    z.object({ ...channel, flow_m3_s: n }),
    ({ flow_m3_s, ...c }) => flowAtRate(c, flow_m3_s),
  ),
  sum(
    'lined-flow-at-depth',
    'Flow over a lined floor between smooth walls at a depth (Ferguson 2007; Einstein-Horton).',
    z.object({ ...floor, depth_m: n }),
    ({ depth_m, slope, ...f }) => floorFlowAtDepth(f, slope, depth_m),
  ),
  sum(
    'lined-flow-at-rate',
    'The depth at which a lined floor carries a flow.',
    z.object({ ...floor, flow_m3_s: n }),
    ({ flow_m3_s, slope, ...f }) => floorFlowAtRate(f, slope, flow_m3_s),
  ),
  sum(
    'lie-by-turning',
    'Pitch and level of a box by a tilt sensor laid in it twice, the second time turned end for end.',
    z.object({
      topToHead: z.object({ along_deg: n, across_deg: n }),
      topToTail: z.object({ along_deg: n, across_deg: n }),
    }),
    (i) => lieByTurning(i.topToHead, i.topToTail),
  ),
  sum(
    'slope-by-line',
    'Pitch of a box by how far it lies below a level line at its head and its tail.',
    z.object({ headBelow_m: n.min(0), tailBelow_m: n.min(0), apart_m: n.positive() }),
    (i) => ({ slope: slopeByLine(i.headBelow_m, i.tailBelow_m, i.apart_m) }),
  ),
  sum(
    'drawdown',
    'The water surface along a steep box.',
    z.object({ ...channel, flow_m3_s: n.positive(), length_m: n.positive().max(20) }),
    ({ flow_m3_s, length_m, ...c }) => drawdown(c, flow_m3_s, length_m),
  ),
  sum(
    'flow-by-float',
    'Flow from a float timed along a measured run.',
    z.object({ run_m: n, time_s: n, width_m: n, depth_m: n, surfaceFactor: n.default(0.85) }),
    (i) => ({ flow_m3_s: flowByFloat_m3_s(i.run_m, i.time_s, i.width_m, i.depth_m, i.surfaceFactor) }),
  ),
  sum(
    'flow-by-notch',
    'Flow over a right-angled notch in a board, from the height of still water over its point.',
    z.object({ head_m: n }),
    (i) => ({ flow_m3_s: flowByNotch_m3_s(i.head_m) }),
  ),
  sum(
    'flow-by-bucket',
    'Flow from timed bucket fills.',
    z.object({ volume_L: n, times_s: z.array(n).max(100) }),
    (i) => ({ flow_m3_s: flowByBucket_m3_s(i.volume_L, i.times_s) }),
  ),
  sum(
    'pump-flow',
    'What a pump brings up a lift through a hose with bends and a valve (Darcy-Weisbach, Swamee & Jain 1976).',
    z.object({
      shutOffHead_m: n.positive(),
      mostFlow_m3_s: n.positive(),
      lift_m: n.min(0).max(1000),
      diameter_m: n.positive(),
      length_m: n.positive(),
      bends: z.int().min(0).max(50).default(0),
      valve: z.enum(Object.keys(VALVES) as [keyof typeof VALVES, ...(keyof typeof VALVES)[]]).default('open'),
      roughness_m: n.positive().default(HOSE_ROUGHNESS_M),
      temperature_C: temperature_C.default(10),
    }),
    (i) =>
      pumpThrough(
        { shutOffHead_m: i.shutOffHead_m, mostFlow_m3_s: i.mostFlow_m3_s },
        {
          diameter_m: i.diameter_m,
          length_m: i.length_m,
          roughness_m: i.roughness_m,
          minorLoss: minorLossOf(i.bends, i.valve),
        },
        i.lift_m,
        i.temperature_C,
      ),
  ),
  sum(
    'wing-dam',
    'What a wing of stones and turf sends down its side of a creek (common practice, no source).',
    z.object({ creek_m3_s: n, creekWidth_m: n, reach_m: n }),
    (i) => wingDam_m3_s(i.creek_m3_s, i.creekWidth_m, i.reach_m),
  ),
  sum(
    'stones-clear',
    'Whether stones of a size go through a lined floor: out of the feed, and over crests and bare floor. Ratios of 1 or more clear.',
    z.object({
      ...floor,
      depth_m: n,
      stone_m: n,
      median_m: n.positive(),
      referenceShields: n.positive().default(0.036),
      rolling: n.positive().default(0.61),
    }),
    ({ depth_m, slope, stone_m, median_m, referenceShields, rolling, ...f }) =>
      stonesClear(floorFlowAtDepth(f, slope, depth_m), stone_m, median_m, { referenceShields, rolling }),
  ),
  sum(
    'feed-capacity',
    'Loose gravel a lined floor takes: what the water carries, what riffles exchange, both together.',
    z.object({
      ...floor,
      depth_m: n,
      median_m: n.positive(),
      spread: n.positive().default(6),
      boxFactor: n.positive().default(1.8),
    }),
    ({ depth_m, slope, median_m, spread, boxFactor, ...f }) =>
      feedCapacity(floorFlowAtDepth(f, slope, depth_m), f.width_m, median_m, { spread, boxFactor }),
  ),
  sum(
    'load-up',
    'How full each section is after so much black sand, and the share of gold that passes it now (Bohart & Adams 1920).',
    z.object({
      fed_kg: n,
      sections: z
        .array(
          z.object({
            length_m: n.positive(),
            width_m: n.positive(),
            holds_kg_m2: n.positive(),
            heavyRate_per_m: n.min(0),
            goldRate_per_m: n.min(0),
          }),
        )
        .min(1)
        .max(8),
    }),
    (i) => loadUp(i.sections, i.fed_kg),
  ),
  sum(
    'clean-up-after',
    'Loose gravel after which a box is full of black sand at its head. `weighed`: what a clean-up on this ground held of it.',
    boxSetting.extend({
      weighed: z.object({ blackSand_kg: n.positive(), fedLoose_m3: n.positive() }).optional(),
    }),
    ({ weighed, ...i }) => {
      const share = weighed ? blackSandShare(weighed.blackSand_kg, weighed.fedLoose_m3) : null;
      return { blackSandShare: share, fed_m3: cleanUpAfter_m3(i, drawnBoxes(i.gold, i.temperature_C), share) };
    },
  ),
  sum(
    'catch-scale',
    'What a clean-up by sections, tracers or a tail pan say of the scale of a box’s catch, and of what went over its end; one size of gold.',
    z.object({
      exponents: z.array(n.positive()).min(1).max(20),
      counts: z.array(n.min(0).max(1e6)).min(1).max(20),
      tracersFed: n.min(0).max(1e6).default(0),
      tracersHeld: n.min(0).max(1e6).default(0),
      tailShare: n.min(0).max(1).default(0),
      tailCount: n.min(0).max(1e6).default(0),
      priorLogSd: n.positive().max(3).default(0.5),
    }),
    ({ priorLogSd, ...found }) => catchScale(found, priorLogSd),
  ),
  sum(
    'box',
    'A box set in water, weighed over 256 boxes as it may be: chances that it stalls, works, washes out; pace, capacity and gold held with their bands.',
    boxSetting,
    (i) => withoutDraws(weighBox(i, drawnBoxes(i.gold, i.temperature_C))),
  ),
  sum(
    'box-advice',
    'What to change on a box and by how much: leave it, a change of one or two things, or what limits it.',
    boxSetting.extend({
      reach: z
        .object({
          most_m3_s: n.positive().optional(),
          steepestSlope: n.positive().optional(),
          screens_m: z.array(n.positive()).max(12).optional(),
        })
        .default({}),
    }),
    ({ reach, ...i }) => {
      const { most_m3_s, steepestSlope, screens_m } = reach;
      const found = adviseBox(i, drawnBoxes(i.gold, i.temperature_C), {
        ...(most_m3_s !== undefined && { most_m3_s }),
        ...(steepestSlope !== undefined && { steepestSlope }),
        ...(screens_m && { screens_m }),
      });
      return { ...found, after: withoutDraws(found.after) };
    },
  ),
  sum(
    'box-symptoms',
    'What may be behind what is seen at a box, and what to do about it. `seen`: true, or false where it was looked for and is not there.',
    boxSetting.extend({
      seen: z.partialRecord(z.enum(SYMPTOM_IDS), z.boolean()),
      fed_m3: n.min(0).max(100).default(0),
    }),
    ({ seen, fed_m3, ...i }) => {
      const box = seeBox(i, drawnBoxes(i.gold, i.temperature_C), seen, fed_m3);
      const remedy = remedyFor(i, box, seen);
      const { effective, fits, causes } = box;
      const faults = faultsOf(i, drawnBoxes(i.gold, i.temperature_C), seen, fed_m3);
      return { effective, fits, causes, faults, remedy: { ...remedy, after: withoutDraws(remedy.after) } };
    },
  ),
  sum(
    'box-window',
    'Chances over pitch and water by rows of one depth, and where to set the box.',
    boxSetting.extend({
      slopes: z.int().min(2).max(40).default(24),
      depths: z.int().min(2).max(30).default(16),
      fromSlope: n.min(0.002).max(0.4).default(0.008),
      toSlope: n.min(0.002).max(0.4).default(0.11),
      fromDepth_m: n.min(0.002).max(0.5).default(0.004),
      toDepth_m: n.min(0.002).max(0.5).default(0.045),
    }),
    ({ slopes, depths, fromSlope, toSlope, fromDepth_m, toDepth_m, ...i }) => {
      const steps = boxWindow(i, drawnBoxes(i.gold, i.temperature_C), {
        slopes,
        depths,
        slope: [fromSlope, toSlope],
        depth_m: [fromDepth_m, toDepth_m],
      });
      for (;;) {
        const step = steps.next();
        if (!step.done) continue;
        const { best, ...grids } = step.value;
        return { best, ...Object.fromEntries(Object.entries(grids).map(([name, values]) => [name, [...values]])) };
      }
    },
  ),
  sum(
    'heard-box',
    'What is heard at a box, frame by frame (50 ms each), once its water alone and its moving stones were listened to: marks of knocks over water, crest and energy.',
    z.object({ water: sound.min(160), stones: sound.min(160), frames: sound }),
    (i) => {
      const learned = { water: learnSound(i.water), stones: learnSound(i.stones) };
      return { apart: soundsApart(learned), heard: i.frames.map(followBox(learned)) };
    },
  ),
  sum(
    'water-surface',
    'The water along a box from its mouth to its tail, with still water so deep over the tail: drawn down, jumping inside or slow; where the V of the mouth closes.',
    z.object({
      width_m: n.min(0.02).max(5),
      manningN: n.min(0.005).max(0.2),
      slope: n.min(0.0005).max(0.5),
      flow_m3_s: n.positive().max(1),
      length_m: n.min(0.1).max(20),
      tail_m: n.min(0).max(1).default(0),
    }),
    ({ flow_m3_s, length_m, tail_m, ...channel }) => surfaceAlong(channel, flow_m3_s, length_m, tail_m),
  ),
  sum(
    'measured-box',
    'What clean-ups by stretches, timed buckets, tail pans, tracers and measured flows say of a box: its catch, feed and roughness before and after.',
    z.object({ evidence: boxEvidence.min(1) }),
    ({ evidence }) => {
      const { boxes: _, ...said } = measureBox(evidence);
      return said;
    },
  ),
  sum(
    'clean-up-forecast',
    'What a clean-up should weigh, stretch by stretch, by the ground fed, the box as it was set for each part of it, and the box as it was measured (`evidence`; none: as boxes of its kind are).',
    z.object({
      evidence: boxEvidence.default([]),
      stretches: z.array(z.object(stretch)).min(1).max(8),
      fed: z
        .array(
          z.object({
            through: z
              .array(z.object({ setting: boxSetting, bank_L: n.positive().max(1e7) }))
              .min(1)
              .max(4),
            grade_mg_L: n.positive().max(1e6),
            band_mg_L: z.object({ low: n.min(0).max(1e6), high: n.positive().max(1e6) }),
            earlier: z
              .array(
                z.object({
                  setting: boxSetting,
                  bank_L: n.positive().max(1e7),
                  gold_mg: goldFound,
                  to_m: n.positive().max(10),
                }),
              )
              .max(12)
              .default([]),
          }),
        )
        .min(1)
        .max(8),
      luck_mg: n.positive().max(1e5),
    }),
    ({ evidence, stretches, fed, luck_mg }) => forecastClean(measureBox(evidence).boxes, stretches, fed, luck_mg),
  ),
];
