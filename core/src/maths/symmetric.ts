/**
 * Factors a symmetric positive definite matrix `a` (n x n by rows, its lower triangle read) into `l`, lower too, with A = L L^T. Half the work of
 * elimination, each step along two rows. A row of L hangs on the rows above it alone: where those of A are as they were, it begins at `from`.
 * Source: Golub & Van Loan (2013), Matrix Computations, section 4.2 (Cholesky by rows).
 * @returns how many rows have a factor: n where A is positive definite, to rounding beside its first entry
 */
export function factorRows(a: Float64Array, l: Float64Array, n: number, from = 0): number {
  const least = 1e-12 * (a[0] as number);
  for (let i = from; i < n; i++) {
    const row = i * n;
    for (let j = 0; j < i; j++) {
      const above = j * n;
      l[row + j] = ((a[row + j] as number) - dot(l, row, above, j)) / (l[above + j] as number);
    }
    const left = (a[row + i] as number) - dot(l, row, row, i);
    if (!(left > least)) return i;
    l[row + i] = Math.sqrt(left);
  }
  return n;
}

/** Sum of the products of so many entries of two rows; by two sums, so that one need not wait for the other. */
function dot(a: Float64Array, from: number, other: number, count: number): number {
  let [even, odd] = [0, 0];
  let k = 0;
  for (; k + 1 < count; k += 2) {
    even += (a[from + k] as number) * (a[other + k] as number);
    odd += (a[from + k + 1] as number) * (a[other + k + 1] as number);
  }
  return k < count ? even + odd + (a[from + k] as number) * (a[other + k] as number) : even + odd;
}

/** Solves A x = b by the factor of `factorRows`; b becomes x. */
export function solveFactored(l: Float64Array, b: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) {
    const row = i * n;
    let left = b[i] as number;
    for (let k = 0; k < i; k++) left -= (l[row + k] as number) * (b[k] as number);
    b[i] = left / (l[row + i] as number);
  }
  for (let i = n - 1; i >= 0; i--) {
    const row = i * n;
    const here = (b[i] as number) / (l[row + i] as number);
    b[i] = here;
    for (let k = 0; k < i; k++) b[k] = (b[k] as number) - here * (l[row + k] as number);
  }
}
