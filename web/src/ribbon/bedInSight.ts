interface BedPoint {
  readonly distance_m: number;
  readonly height_m: number;
}

/**
 * The bed along the stretch in sight, from its one edge to the other, however near one looks.
 * @param heights_m at evenly spaced distances from 0 to `length_m`; two or more
 */
export function bedInSight(
  heights_m: readonly number[],
  length_m: number,
  from_m: number,
  to_m: number,
): readonly BedPoint[] {
  const last = heights_m.length - 1;
  const heightAt = (distance_m: number): number => {
    const at = Math.min(last, Math.max(0, (distance_m / length_m) * last));
    const i = Math.min(last - 1, Math.floor(at));
    return heights_m[i]! + (at - i) * (heights_m[i + 1]! - heights_m[i]!);
  };
  const known = heights_m.map((_, i) => (i / last) * length_m);
  return [from_m, ...known.filter((d) => d > from_m && d < to_m), to_m].map((distance_m) => ({
    distance_m,
    height_m: heightAt(distance_m),
  }));
}
