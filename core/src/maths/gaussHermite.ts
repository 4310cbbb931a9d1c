/** Half of Gauss and Hermite's rule of nine points (weight exp(-x^2)). Source: Abramowitz & Stegun (1964), table 25.10. */
const HALF: readonly (readonly [x: number, weight: number])[] = [
  [3.190993201781528, 3.96069772632644e-5],
  [2.266580584531843, 4.94362427553695e-3],
  [1.468553289216668, 8.84745273943766e-2],
  [0.7235510187528376, 0.432651559002556],
];

/** Nine values of a standard normal variable with their weights, which sum to 1: exact means of polynomials up to the 17th power. */
export const NORMAL_NODES: readonly { readonly z: number; readonly weight: number }[] = [
  { z: 0, weight: 0.720235215606051 / Math.sqrt(Math.PI) },
  ...HALF.flatMap(([x, w]) => [1, -1].map((side) => ({ z: side * Math.SQRT2 * x, weight: w / Math.sqrt(Math.PI) }))),
];
