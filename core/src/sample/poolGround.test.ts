import { expect, test } from '@jest/globals';
import library from 'jstat';
import { gammaDraw, normalDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import { poolGround, type SpotEvidence } from './poolGround.ts';

const { jStat } = library;

/** The same grid of kinds, every one of them looked at, written out plainly: densities from jStat 1.9.6, no summit sought. */
function everyKind(spots: readonly SpotEvidence[]): { mean_mg_L: number; cv: number } {
  const about = Math.log(
    spots.reduce((sum, s) => sum + (s.grade_mg_L > 0 ? s.grade_mg_L : s.oneColor_mg_L / 2), 0) / spots.length,
  );
  const us = Array.from({ length: 121 }, (_, i) => -7 + 0.1 * i);
  const counts = spots.map((s) =>
    us.map((u) => {
      const colors = s.grade_mg_L / s.oneColor_mg_L;
      const expected = Math.exp(about + u) / s.oneColor_mg_L;
      const held = Math.min(1, 250 / Math.max(1, colors));
      return held * (colors * Math.log(expected) - expected);
    }),
  );
  const likelihoods = counts.map((logs) => logs.map((l) => Math.exp(l - Math.max(...logs))));
  const kinds = Array.from({ length: 16 }, (_, i) => -3 + 0.4 * i).flatMap((m) =>
    [0.2, 0.35, 0.5, 0.7, 0.95, 1.25, 1.6, 2.1, 2.8].flatMap((cv) => {
      const logSd = Math.sqrt(Math.log1p(cv ** 2));
      return [
        us.map((u) => jStat.gamma.pdf(Math.exp(u), cv ** -2, Math.exp(m) * cv ** 2) * Math.exp(u)),
        us.map((u) => jStat.normal.pdf(u, m - logSd ** 2 / 2, logSd)),
      ].map((raw) => {
        const all = raw.reduce((a, b) => a + b, 0);
        const log = likelihoods.reduce(
          (sum, of) => sum + Math.log(of.reduce((p, l, k) => p + (l * raw[k]) / all, 1e-300)),
          -((Math.log(cv) / 0.5) ** 2) / 2,
        );
        return { mean: Math.exp(about + m), cv, log };
      });
    }),
  );
  const top = Math.max(...kinds.map((k) => k.log));
  const weights = kinds.map((k) => Math.exp(k.log - top));
  const all = weights.reduce((a, b) => a + b, 0);
  return {
    mean_mg_L: kinds.reduce((sum, k, i) => sum + (k.mean * weights[i]) / all, 0),
    cv: kinds.reduce((sum, k, i) => sum + (k.cv * weights[i]) / all, 0),
  };
}

test.each([
  ['a few spots', 4, 0.8, 1],
  ['a hundred alike', 100, 0, 1],
  ['a hundred that differ', 100, 1.2, 1],
  ['one of them a thousand times as rich', 100, 0.3, 1000],
  ['wild ones', 60, 2.5, 1],
])('kinds left unlooked at make no difference: %s', (_, n, logSd, oneTimes) => {
  for (const seed of [1, 2, 3]) {
    const random = seededRandom(seed);
    const spots = Array.from({ length: n }, (_, i): SpotEvidence => {
      const rich = 0.5 * gammaDraw(2, random) * Math.exp(logSd * normalDraw(random)) * (i === 1 ? oneTimes : 1);
      const oneColor_mg_L = 0.02 + 0.05 * random();
      return {
        grade_mg_L: oneColor_mg_L * poissonDraw(rich / oneColor_mg_L, random),
        oneColor_mg_L,
        scatterVariance: 0,
        commonLogSd: 0,
      };
    });
    const { ground } = poolGround(spots);
    const plain = everyKind(spots);
    expect((ground?.mean_mg_L ?? 0) / plain.mean_mg_L).toBeCloseTo(1, 3);
    expect((ground?.cv ?? 0) / plain.cv).toBeCloseTo(1, 3);
  }
});
