import { groundColors, handPace, holeByHour, levelHole, normalDraw, type HandPace, type Random } from '@riffle/core';
import { Tally } from './tally.ts';
import { drawWorld, factorOf, loggedPan, TOLD_SWELL_PERCENT } from './world.ts';

/** A hole of layers, richest toward the bottom as often as not, dug by a crew whose true pace is not the usual one. */
export function calibrateHoles(holes: number, random: Random) {
  const brings = new Tally('Gold an hour where stopping pays best', '85 to 95 % of bands hold');
  let [named, bottom, ideal] = [0, 0, 0];
  for (let i = 0; i < holes; i++) {
    const world = drawWorld(random);
    const swell = 12 + 13 * random();
    const layers = Array.from({ length: 2 + Math.floor(4 * random()) }, (_, k) => ({
      id: `l${k}`,
      thickness_m: 0.1 + 0.5 * random(),
      grade_mg_L:
        random() < 0.35 ? 0 : world.grade_mg_L * factorOf(world.spotForm, world.spotCv, random) * (k + 1) * 0.5,
    }));
    const pans = layers.flatMap((l) =>
      random() < 0.2
        ? []
        : Array.from({ length: 1 + Math.floor(4 * random()) }, () => ({
            ...loggedPan(world, 'a', l.grade_mg_L, swell, random() < 0.3, random),
            layerId: l.id,
          })),
    );
    // The ground has other pans, by which the weight of a color is learned.
    const others = Array.from({ length: 12 }, (_, k) =>
      loggedPan(world, `o${k % 4}`, world.grade_mg_L, swell, random() < 0.3, random),
    );
    const runs = random() < 0.5 ? [] : [1 + 20 * random()];
    const truePace = (usual: number): number => usual * Math.exp(0.5 * normalDraw(random));
    const [strip, wash] = [truePace(1), truePace(2.5)];
    const pace = handPace(
      runs.map((hours) => ({ hours, volumeBank_L: (1000 * hours) / wash })),
      0,
      25,
    );
    const leveled = levelHole(
      [...pans],
      [{ id: 'p', spotId: 'a', layers }],
      TOLD_SWELL_PERCENT,
      groundColors([...pans, ...others], TOLD_SWELL_PERCENT),
    );
    const found = pans.length > 0 ? holeByHour(leveled, pace) : null;
    if (!found || found.best.gold_mg_h === null) {
      brings.silent++;
      continue;
    }
    const really: HandPace = { ...pace, strip_h_m3: strip, wash_h_m3: wash };
    const came = (depth_m: number, washed: readonly number[]): number => {
      let [gold, hours, top] = [0, 0, 0];
      layers.forEach((l, k) => {
        const dug = Math.max(0, Math.min(depth_m, top + l.thickness_m) - top);
        top += l.thickness_m;
        hours += dug * (washed.includes(k) ? really.wash_h_m3 : really.strip_h_m3);
        if (washed.includes(k)) gold += 1000 * dug * l.grade_mg_L;
      });
      return hours === 0 ? 0 : gold / hours;
    };
    const { best } = found;
    const true_mg_h = came(best.depth_m, best.washed);
    brings.add(best.low_mg_h <= true_mg_h && true_mg_h <= best.high_mg_h, 0.9, best.high_mg_h / best.low_mg_h);
    const all = layers.map((_, k) => k);
    const deepest = layers.reduce((sum, l) => sum + l.thickness_m, 0);
    named += true_mg_h;
    bottom += came(deepest, all);
    let top = 0;
    let most = 0;
    for (const l of layers) {
      top += l.thickness_m;
      for (let set = 1; set < 1 << layers.length; set++)
        most = Math.max(
          most,
          came(
            top,
            all.filter((k) => set & (1 << k)),
          ),
        );
    }
    ideal += most;
  }
  return { brings, overBottom: named / bottom, ofIdeal: named / ideal };
}
