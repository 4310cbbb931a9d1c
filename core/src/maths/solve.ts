import { OutOfRange } from '../outOfRange.ts';

/**
 * Solves A x = b in place by elimination with partial pivoting: `a` holds A by rows (n x n) and is used up; b becomes x.
 * Source: Golub & Van Loan (2013), Matrix Computations, algorithm 3.4.1.
 * @throws OutOfRange when the matrix is singular
 */
export function solveInPlace(a: Float64Array, b: Float64Array, n: number): void {
  for (let k = 0; k < n; k++) {
    let pivot = k;
    let most = Math.abs(a[k * n + k] as number);
    for (let i = k + 1; i < n; i++) {
      const size = Math.abs(a[i * n + k] as number);
      if (size > most) {
        most = size;
        pivot = i;
      }
    }
    if (!(most > 1e-13)) throw new OutOfRange('matrix', 'singular', 'a system with one solution');
    if (pivot !== k) {
      for (let j = k; j < n; j++) {
        const swap = a[k * n + j] as number;
        a[k * n + j] = a[pivot * n + j] as number;
        a[pivot * n + j] = swap;
      }
      const swap = b[k] as number;
      b[k] = b[pivot] as number;
      b[pivot] = swap;
    }
    const inverse = 1 / (a[k * n + k] as number);
    const top = k * n;
    for (let i = k + 1; i < n; i++) {
      const row = i * n;
      const factor = (a[row + k] as number) * inverse;
      if (factor === 0) continue;
      for (let j = k + 1; j < n; j++) a[row + j] = (a[row + j] as number) - factor * (a[top + j] as number);
      b[i] = (b[i] as number) - factor * (b[k] as number);
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = b[i] as number;
    for (let j = i + 1; j < n; j++) sum -= (a[i * n + j] as number) * (b[j] as number);
    b[i] = sum / (a[i * n + i] as number);
  }
}
