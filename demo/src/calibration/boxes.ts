import { poissonDraw, sectionSplit, type BoxSection, type Random } from '@riffle/core';
import { Tally } from './tally.ts';

/** What went over the end: boxes of three sections that take each size of gold at a rate of its own, coarse in the first hand's width and specks hardly. */
export function calibrateBoxes(boxes: number, random: Random) {
  const bound = new Tally('So much went over the end at least', 'true in 90 %');
  const said = new Tally('Where more than a tenth went over, at least a tenth is said', 'speaks');
  for (let i = 0; i < boxes; i++) {
    const sizes = Array.from({ length: 2 + Math.floor(3 * random()) }, () => ({
      fed_mg: 50 + 500 * random(),
      rate_per_m: Math.exp(Math.log(0.3) + Math.log(60) * random()),
      color_mg: Math.exp(Math.log(0.05) + Math.log(100) * random()),
    }));
    const cuts = [0, 0.2, 0.5 + 0.2 * random(), 1 + 0.4 * random()];
    const sections = [0, 1, 2].map((k): BoxSection => {
      const [from_m, to_m] = [cuts[k] as number, cuts[k + 1] as number];
      const gold_mg = sizes.reduce(
        (sum, s) =>
          sum +
          s.color_mg *
            poissonDraw(
              (s.fed_mg / s.color_mg) * (Math.exp(-s.rate_per_m * from_m) - Math.exp(-s.rate_per_m * to_m)),
              random,
            ),
        0,
      );
      return { from_m, to_m, gold_mg, lining: 'riffles' };
    });
    const fed = sizes.reduce((sum, s) => sum + s.fed_mg, 0);
    const lost = sizes.reduce((sum, s) => sum + s.fed_mg * Math.exp(-s.rate_per_m * (cuts[3] as number)), 0) / fed;
    // The color of the coarse end, where the luck is: what a ground's own pans say of it.
    const luck = sizes.reduce((sum, s) => sum + s.fed_mg * s.color_mg, 0) / sizes.reduce((sum, s) => sum + s.fed_mg, 0);
    const { loss } = sectionSplit(sections, luck);
    if (loss.kind !== 'bound') {
      bound.silent++;
      continue;
    }
    bound.add(lost >= loss.atLeast, 0.95);
    if (lost > 0.1) said.add(loss.atLeast > 0.1 * lost);
  }
  return { bound, said };
}
