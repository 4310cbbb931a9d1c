import { requirePositive } from '../outOfRange.ts';

/** One level of a river. */
export interface Level {
  readonly at_ms: number;
  readonly level_m: number;
}

/**
 * Fewer levels that still draw the same curve: what is left out lies within a tolerance of the straight line between its neighbors.
 * An hourly gauge of a quiet month comes down to a few dozen readings, each turn of the river among them.
 * Source: Douglas & Peucker (1973), Cartographica 10, 112-122, with the distance taken upright.
 * @param levels in order of time
 * @throws OutOfRange for a tolerance that is not positive
 */
export function thinLevels(levels: readonly Level[], tolerance_m: number): Level[] {
  requirePositive('tolerance_m', tolerance_m, 'm');
  if (levels.length < 3) return [...levels];
  const kept = new Set([0, levels.length - 1]);
  const spans: [number, number][] = [[0, levels.length - 1]];
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [from, to] = span;
    const a = levels[from] as Level;
    const b = levels[to] as Level;
    let far = tolerance_m;
    let at = -1;
    for (let i = from + 1; i < to; i++) {
      const p = levels[i] as Level;
      const off = Math.abs(
        p.level_m - (a.level_m + ((b.level_m - a.level_m) * (p.at_ms - a.at_ms)) / (b.at_ms - a.at_ms || 1)),
      );
      if (off > far) [far, at] = [off, i];
    }
    if (at < 0) continue;
    kept.add(at);
    spans.push([from, at], [at, to]);
  }
  return [...kept].sort((x, y) => x - y).map((i) => levels[i] as Level);
}

/**
 * Peaks of floods: the highest level of each stretch above a mark. A stretch that dips below the mark for less than a day is one flood.
 * @param levels in order of time
 */
export function floodPeaks(levels: readonly Level[], above_m: number): Level[] {
  const peaks: Level[] = [];
  let lastAbove = -Infinity;
  for (const p of levels) {
    if (p.level_m <= above_m) continue;
    const current = peaks.at(-1);
    if (current && p.at_ms - lastAbove < 86_400_000) {
      if (p.level_m > current.level_m) peaks[peaks.length - 1] = p;
    } else peaks.push(p);
    lastAbove = p.at_ms;
  }
  return peaks;
}
