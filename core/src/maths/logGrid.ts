/** Points over a normal belief, to three of its deviations each way, and the logarithm of the belief at each. */
const POINTS = 41;
export const Z: readonly number[] = Array.from({ length: POINTS }, (_, i) => 3 * ((2 * i) / (POINTS - 1) - 1));
export const PRIOR_LOG: readonly number[] = Z.map((z) => -(z * z) / 2);

/** Evenly over 0 to 1 whatever the count (the golden ratio's multiples). */
export const spreadOver = (i: number): number => (0.5 + i * 0.6180339887498949) % 1;

/** Logarithms at those points: their sum, and the point below which a share of it lies. */
export function summed(grid: readonly number[]): { readonly log: number; readonly at: (share: number) => number } {
  const top = Math.max(...grid);
  const weights = grid.map((g) => Math.exp(g - top));
  const all = weights.reduce((a, b) => a + b, 0);
  return {
    log: top + Math.log(all),
    at: (share) => {
      let below = 0;
      for (let i = 0; i < weights.length; i++) {
        const here = (weights[i] as number) / all;
        if (below + here >= share)
          return (Z[i] as number) + ((Z[1] as number) - (Z[0] as number)) * ((share - below) / here - 0.5);
        below += here;
      }
      return Z.at(-1) as number;
    },
  };
}
