/** A source of numbers from 0 (included) to 1 (excluded). */
export type Random = () => number;

/**
 * Seeded generator (mulberry32: 32 bits of state, period 2^32), the same numbers on every machine.
 * Source: T. Ettinger 2017, public domain. For demo data and simulations, never for secrets.
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** One Poisson count with the given mean (Knuth's product method, split so that large means do not underflow). */
export function poissonDraw(mean: number, random: Random): number {
  let count = 0;
  for (let left = mean; left > 0; left -= 30) {
    const limit = Math.exp(-Math.min(left, 30));
    for (let product = random(); product > limit; product *= random()) count++;
  }
  return count;
}
