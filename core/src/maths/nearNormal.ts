/** Near the z below which a standard normal lies with the given chance, 0 < chance < 1: to 4.5e-4, to start from. Source: Abramowitz & Stegun (1964), 26.2.23. */
export function nearNormalQuantile(chance: number): number {
  const t = Math.sqrt(-2 * Math.log(Math.min(chance, 1 - chance)));
  const z = t - (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
  return chance < 0.5 ? -z : z;
}
