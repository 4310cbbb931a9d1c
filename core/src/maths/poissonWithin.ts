/** Chance that a Poisson count of that mean lies within; `atMost` null: no upper end. */
export function poissonWithin(mean: number, atLeast: number, atMost: number | null): number {
  let [term, below, within] = [Math.exp(-mean), 0, 0];
  for (let n = 0; n <= (atMost ?? atLeast - 1); n++) {
    if (n > 0) term *= mean / n;
    if (n < atLeast) below += term;
    else within += term;
  }
  return atMost === null ? Math.max(0, 1 - below) : within;
}
