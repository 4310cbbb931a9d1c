/**
 * Which of so many draws are taken, each as often as its weight says: systematic resampling (Kitagawa 1996, J. Comput.
 * Graph. Stat. 5, 1-25).
 * @param weights of any sum above 0
 */
export function resampled(weights: ArrayLike<number>, draws: number): number[] {
  const all = Array.from(weights).reduce((a, b) => a + b, 0);
  const chosen: number[] = [];
  let [below, d] = [(weights[0] as number) / all, 0];
  for (let i = 0; i < draws; i++) {
    const at = (i + 0.5) / draws;
    while (below < at && d < weights.length - 1) below += (weights[++d] as number) / all;
    chosen.push(d);
  }
  return chosen;
}
