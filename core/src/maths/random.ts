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

/** One normal draw of mean 0 and deviation 1. Source: Box & Muller (1958). */
export const normalDraw = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** One gamma draw with that shape and mean `shape`. Source: Marsaglia & Tsang (2000), ACM Trans. Math. Software 26, 363-372. */
export function gammaDraw(shape: number, random: Random): number {
  if (shape < 1) return gammaDraw(shape + 1, random) * random() ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normalDraw(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}
