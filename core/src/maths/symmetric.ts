/**
 * Factors a symmetric positive definite matrix in place: of `a` (n x n by rows) the upper triangle becomes U with A = U^T D^-1 U, D the diagonal of U;
 * what lies below it is not read. Half the work of elimination, each step along rows. False where the matrix is not positive definite, to rounding beside its first entry; `a` is used up then.
 * Source: Golub & Van Loan (2013), Matrix Computations, section 4.1 (LDL^T).
 */
export function factorInPlace(a: Float64Array, n: number): boolean {
  for (let k = 0; k < n; k++) {
    const top = k * n;
    const pivot = a[top + k] as number;
    if (!(pivot > 1e-12 * (a[0] as number))) return false;
    const inverse = 1 / pivot;
    for (let i = k + 1; i < n; i++) {
      const factor = (a[top + i] as number) * inverse;
      if (factor === 0) continue;
      const row = i * n;
      for (let j = i; j < n; j++) a[row + j] = (a[row + j] as number) - factor * (a[top + j] as number);
    }
  }
  return true;
}

/** Solves A x = b by the factor of `factorInPlace`; b becomes x. */
export function solveFactored(u: Float64Array, b: Float64Array, n: number): void {
  for (let k = 0; k < n; k++) {
    const top = k * n;
    const share = (b[k] as number) / (u[top + k] as number);
    for (let i = k + 1; i < n; i++) b[i] = (b[i] as number) - share * (u[top + i] as number);
  }
  for (let i = n - 1; i >= 0; i--) {
    const row = i * n;
    let sum = b[i] as number;
    for (let j = i + 1; j < n; j++) sum -= (u[row + j] as number) * (b[j] as number);
    b[i] = sum / (u[row + i] as number);
  }
}
