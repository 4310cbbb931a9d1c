import {
  beliefBand_mg_L,
  beliefMean_mg_L,
  chanceRicher,
  gradeSpots,
  groundColors,
  pansToCall,
  pansUntilWithin,
  type PansToCome,
  type Random,
} from '@riffle/core';
import { sampled } from './grades.ts';
import { Tally } from './tally.ts';
import { drawWorld, loggedPan, PAN_L, TOLD_SWELL_PERCENT } from './world.ts';

/** How many more pans settle it: grounds sampled, the number said taken to the ground and panned, and what is believed then. */
export function calibrateMorePans(worlds: number, random: Random, some: Parameters<typeof drawWorld>[1] = {}) {
  const call = new Tally('So many pans settle which of two is richer', 'as often as said, within 10 points');
  const within = new Tally('So many pans bring the band within a third', 'as often as said, within 10 points');
  for (let i = 0; i < worlds; i++) {
    const world = drawWorld(random, some);
    const { truth, samples } = sampled(world, 6, () => 2 + Math.floor(3 * random()), 0.5, random);
    const read = (some: typeof samples) => {
      const colors = groundColors(some, TOLD_SWELL_PERCENT);
      return { colors, grades: gradeSpots(some, TOLD_SWELL_PERCENT, colors).grades };
    };
    const now = read(samples);
    const toCome: PansToCome = {
      pan_L: PAN_L / (1 + TOLD_SWELL_PERCENT / 100),
      color_mg: now.colors.luckColor_mg,
      panVariance: now.colors.panVariance,
    };
    const order = truth
      .flatMap((t) => {
        const g = now.grades.get(t.id);
        return g ? [{ t, belief: g.pooled }] : [];
      })
      .sort((a, b) => beliefMean_mg_L(b.belief) - beliefMean_mg_L(a.belief));
    const [a, b] = order;
    if (!a || !b) continue;
    const panned = (ids: readonly string[], pans: number): typeof samples => [
      ...samples,
      ...truth
        .filter((t) => ids.includes(t.id))
        .flatMap((t) => Array.from({ length: pans }, () => loggedPan(world, t.id, t.grade_mg_L, 18, false, random))),
    ];
    const needed = pansToCall(a.belief, b.belief, toCome);
    if (needed.kind === 'pans' && needed.pans <= 60) {
      const { grades } = read(panned([a.t.id, b.t.id], needed.pans));
      const chance = chanceRicher(grades.get(a.t.id)?.pooled ?? a.belief, grades.get(b.t.id)?.pooled ?? b.belief);
      call.add(Math.max(chance, 1 - chance) >= 0.9, needed.chance, needed.pans);
    } else call.silent++;
    const third = pansUntilWithin({ ...a.belief, commonLogSd: 0 }, toCome);
    if (third.kind === 'pans' && third.pans <= 60) {
      const { grades } = read(panned([a.t.id], third.pans));
      const after = { ...(grades.get(a.t.id)?.pooled ?? a.belief), commonLogSd: 0 };
      const { low, high } = beliefBand_mg_L(after);
      within.add((high - low) / 2 <= beliefMean_mg_L(after) / 3, third.chance, third.pans);
    } else within.silent++;
  }
  return { call, within };
}
