import { replayBest, type Random } from '@riffle/core';
import { sampled } from './grades.ts';
import { Tally } from './tally.ts';
import { drawWorld, loggedPan, TOLD_SWELL_PERCENT } from './world.ts';

/** Days of panning after the first; on each, pans are taken about the ground and most of them where it is best so far. */
const LATER_DAYS = 4;

/** The crew's own record: how often the place named best is marked as held, were the crew to keep a book like this. */
export function calibrateRecord(worlds: number, random: Random) {
  const best = new Tally('Own record: the place named best, held against later pans there', '85 to 95 % held');
  for (let i = 0; i < worlds; i++) {
    const world = drawWorld(random);
    const { truth, samples } = sampled(
      world,
      4 + Math.floor(6 * random()),
      () => 1 + Math.floor(3 * random()),
      random() / 2,
      random,
    );
    const later = Array.from({ length: LATER_DAYS }, (_, d) =>
      truth.flatMap((t) =>
        random() < 0.5
          ? []
          : [
              {
                ...loggedPan(world, t.id, t.grade_mg_L, TOLD_SWELL_PERCENT, random() < 0.3, random),
                takenAt: `2026-05-0${d + 2}T10:00:00.000Z`,
              },
            ],
      ),
    ).flat();
    const named = replayBest({
      samples: [...samples, ...later],
      pits: [],
      swell_percent: TOLD_SWELL_PERCENT,
      school: 'geometry',
    });
    if (named.length === 0) best.silent++;
    for (const n of named) best.add(n.held, 0.9, n.high_mg_L / n.low_mg_L);
  }
  return { best };
}
