import {
  adviseBox,
  drawdown,
  flowAtDepth,
  flowAtRate,
  flowByBucket_m3_s,
  flowByFloat_m3_s,
  goldSizes,
  solveBox,
} from '@riffle/core';
import { z } from 'zod';
import { lining, n, sum, temperature_C, type Sum } from './sum.ts';

const channel = { width_m: n, manningN: n, slope: n };
const boxSetting = z.object({
  width_m: n,
  length_m: n,
  lining,
  slope: n,
  stone_m: n,
  temperature_C,
  water: z.discriminatedUnion('known', [
    z.object({ known: z.literal('depth'), depth_m: n }),
    z.object({ known: z.literal('flow'), flow_m3_s: n }),
  ]),
});

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
    'flow-by-bucket',
    'Flow from timed bucket fills.',
    z.object({ volume_L: n, times_s: z.array(n).max(100) }),
    (i) => ({ flow_m3_s: flowByBucket_m3_s(i.volume_L, i.times_s) }),
  ),
  sum(
    'box-advice',
    'What to change on a box and by how much. `watch_m` is the gold size it is judged by.',
    boxSetting.extend({ watch_m: n.positive().default(0.0002) }),
    ({ watch_m, ...i }) => {
      const gold = goldSizes(i.temperature_C, undefined, [watch_m]);
      const [watch] = gold;
      return watch && adviseBox(i, gold, watch);
    },
  ),
  sum('box', 'Flow, stones, feed and catch of a box set in water.', boxSetting, (i) =>
    solveBox(i, goldSizes(i.temperature_C)),
  ),
];
