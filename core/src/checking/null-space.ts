/** A pivot below this fraction of the largest entry counts as zero. */
const ZERO = 1e-9

/**
 * A basis of the vectors x with A·x = 0, by Gauss–Jordan elimination with full pivoting by rows.
 * @param rows the rows of A, each of n numbers; they are left as they are
 * @returns the vectors of the basis, each of n numbers
 */
export function nullSpace(rows: readonly (readonly number[] | Float64Array)[], n: number): Float64Array[] {
  const A = rows.map((r) => Float64Array.from(r))
  const largest = Math.max(0, ...A.map((r) => r.reduce((most, v) => Math.max(most, Math.abs(v)), 0)))
  const pivots: number[] = []
  let at = 0
  for (let c = 0; c < n && at < A.length; c++) {
    let p = at
    for (let r = at + 1; r < A.length; r++) if (Math.abs(A[r][c]) > Math.abs(A[p][c])) p = r
    if (Math.abs(A[p][c]) <= ZERO * largest) continue
    ;[A[at], A[p]] = [A[p], A[at]]
    const pivot = A[at][c]
    for (let k = c; k < n; k++) A[at][k] /= pivot
    for (let r = 0; r < A.length; r++) {
      const factor = A[r][c]
      if (r === at || factor === 0) continue
      for (let k = c; k < n; k++) A[r][k] -= factor * A[at][k]
    }
    pivots.push(c)
    at++
  }
  const taken = new Set(pivots)
  return Array.from({ length: n }, (_, free) => free)
    .filter((free) => !taken.has(free))
    .map((free) => {
      const x = new Float64Array(n)
      x[free] = 1
      pivots.forEach((c, r) => (x[c] = -A[r][free]))
      return x
    })
}
