/** A pivot below this fraction of the largest entry of the matrix counts as zero. */
const SINGULAR = 1e-13

/**
 * Factors a dense square matrix with partial pivoting (Golub & Van Loan, Matrix Computations, §3.4).
 * @param A n × n numbers, row by row; overwritten by its factors
 * @returns a function that solves A·x = b and leaves b as it is; undefined for a singular matrix
 */
export function denseLu(A: Float64Array, n: number): ((b: Float64Array) => Float64Array) | undefined {
  const order = Int32Array.from({ length: n }, (_, i) => i)
  const largest = A.reduce((most, v) => Math.max(most, Math.abs(v)), 0)
  for (let k = 0; k < n; k++) {
    let p = k
    for (let i = k + 1; i < n; i++) if (Math.abs(A[order[i] * n + k]) > Math.abs(A[order[p] * n + k])) p = i
    ;[order[k], order[p]] = [order[p], order[k]]
    const pivot = A[order[k] * n + k]
    if (!(Math.abs(pivot) > SINGULAR * largest)) return undefined
    for (let i = k + 1; i < n; i++) {
      const row = order[i] * n
      const factor = (A[row + k] /= pivot)
      if (factor === 0) continue
      for (let j = k + 1; j < n; j++) A[row + j] -= factor * A[order[k] * n + j]
    }
  }
  return (b) => {
    const x = new Float64Array(n)
    for (let i = 0; i < n; i++) {
      let sum = b[order[i]]
      for (let j = 0; j < i; j++) sum -= A[order[i] * n + j] * x[j]
      x[i] = sum
    }
    for (let i = n - 1; i >= 0; i--) {
      let sum = x[i]
      for (let j = i + 1; j < n; j++) sum -= A[order[i] * n + j] * x[j]
      x[i] = sum / A[order[i] * n + i]
    }
    return x
  }
}
