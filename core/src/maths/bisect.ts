/**
 * The x in [low, high] where an increasing function reaches zero, to a relative width of 1e-12.
 * The caller guarantees f(low) <= 0 <= f(high); the end nearer the root is returned otherwise.
 */
export function bisect(f: (x: number) => number, low: number, high: number): number {
  let a = low;
  let b = high;
  while (b - a > 1e-12 * Math.max(Math.abs(a), Math.abs(b), 1e-12)) {
    const middle = (a + b) / 2;
    if (middle <= a || middle >= b) break;
    if (f(middle) < 0) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
