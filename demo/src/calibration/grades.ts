import {
  beliefBand_mg_L,
  bestSpot,
  chanceAbove,
  chanceRicher,
  chancesOfBest,
  gradeSpots,
  groundColors,
  WEIGHED_CLASSES,
  type Random,
} from '@riffle/core';
import { Reliability, Tally } from './tally.ts';
import { drawWorld, factorOf, loggedPan, TOLD_SWELL_PERCENT, type World } from './world.ts';

/** A ground sampled: spots of known grade, some pans at each, some of the pans weighed. */
export function sampled(world: World, spots: number, pansOf: () => number, weighedShare: number, random: Random) {
  const swell = 12 + 13 * random();
  const truth = Array.from({ length: spots }, (_, i) => ({
    id: `s${i}`,
    grade_mg_L: world.grade_mg_L * factorOf(world.spotForm, world.spotCv, random),
  }));
  const samples = truth.flatMap((t) =>
    Array.from({ length: pansOf() }, () =>
      loggedPan(world, t.id, t.grade_mg_L, swell, random() < weighedShare, random),
    ),
  );
  return { truth, samples };
}

/** Weights, grades, the best place, one against another, the chance to pay. */
export function calibrateGrades(worlds: number, random: Random, some: Parameters<typeof drawWorld>[1] = {}) {
  const weights = new Tally('Learned weight of a color', '85 to 95 % of bands hold');
  const bands = {
    counted: new Tally('Grade of a spot, counted, several pans', '85 to 95 % of bands hold'),
    countedOne: new Tally('Grade of a spot, counted, one pan', '85 to 95 % of bands hold'),
    weighed: new Tally('Grade of a spot, a third of the pans weighed', '85 to 95 % of bands hold'),
    allWeighed: new Tally('Grade of a spot, every pan weighed', '85 to 95 % of bands hold'),
  };
  const blanks = new Tally('A blank: less than so much', 'true in 95 %');
  const pooled = new Tally('Grade of any spot, pulled toward its ground', '85 to 95 % of bands hold');
  const best = new Tally('Grade of the place named best', '85 to 95 % of bands hold');
  const bestBias: number[] = [];
  const ofBest = new Reliability('Chance to be the best of all', 'within 10 points in every tenth');
  const pairs = new Reliability('A richer than B', 'within 10 points in every tenth');
  const pays = new Reliability('Chance that a spot pays', 'within 10 points in every tenth');
  for (let i = 0; i < worlds; i++) {
    const world = drawWorld(random, some);
    const kind = (['counted', 'countedOne', 'weighed', 'allWeighed'] as const)[i % 4] as keyof typeof bands;
    const share = kind === 'weighed' ? 1 / 3 : kind === 'allWeighed' ? 1 : 0;
    const { truth, samples } = sampled(
      world,
      5 + Math.floor(10 * random()),
      () => (kind === 'countedOne' ? 1 : 1 + Math.floor(6 * random())),
      share,
      random,
    );
    const colors = groundColors(samples, TOLD_SWELL_PERCENT);
    for (const name of WEIGHED_CLASSES) {
      const l = colors.learned[name];
      if (kind !== 'weighed' && kind !== 'allWeighed') continue;
      const w = world.class_mg[name];
      weights.add(l.low_mg <= w && w <= l.high_mg, 0.9, l.high_mg / l.low_mg);
    }
    const { grades } = gradeSpots(samples, TOLD_SWELL_PERCENT, colors);
    // Gold that nobody sees is in no count: what a count can speak for is the gold of flakes that are seen.
    for (const t of truth) {
      const g = grades.get(t.id);
      if (!g) continue;
      if (g.grade.kind === 'band')
        bands[kind].add(
          g.grade.low_mg_L <= t.grade_mg_L && t.grade_mg_L <= g.grade.high_mg_L,
          0.9,
          g.grade.high_mg_L / g.grade.low_mg_L,
        );
      if (g.grade.kind === 'blank') blanks.add(t.grade_mg_L < g.grade.lessThan_mg_L, 0.95);
      const band = beliefBand_mg_L(g.pooled);
      pooled.add(band.low <= t.grade_mg_L && t.grade_mg_L <= band.high, 0.9, band.high / band.low);
      pays.add(chanceAbove(g.pooled, 0.3), t.grade_mg_L > 0.3);
    }
    const order = truth.flatMap((t) => {
      const g = grades.get(t.id);
      return g ? [{ t, g }] : [];
    });
    const chances = chancesOfBest(order.map((o) => o.g.pooled));
    const most = Math.max(...truth.map((t) => t.grade_mg_L));
    order.forEach((o, k) => ofBest.add(chances[k] ?? 0, o.t.grade_mg_L === most));
    for (let k = 0; k + 1 < order.length; k += 2) {
      const [a, b] = [order[k], order[k + 1]];
      if (a && b) {
        const chance = chanceRicher(a.g.pooled, b.g.pooled);
        const ahead = chance >= 0.5;
        pairs.add(ahead ? chance : 1 - chance, a.t.grade_mg_L > b.t.grade_mg_L === ahead);
      }
    }
    const leader = bestSpot(grades.values());
    const held = leader && truth.find((t) => t.id === leader.spotId);
    if (leader && held) {
      const { grade_mg_L, low_mg_L, high_mg_L } = leader.pulled;
      best.add(low_mg_L <= held.grade_mg_L && held.grade_mg_L <= high_mg_L, 0.9, high_mg_L / low_mg_L);
      bestBias.push(Math.log(grade_mg_L / held.grade_mg_L));
    } else best.silent++;
  }
  return { weights, bands, blanks, pooled, best, bestBias, ofBest, pairs, pays };
}
