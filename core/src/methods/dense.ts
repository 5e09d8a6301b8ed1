/** Below this part of the largest entry of its column a pivot is zero. */
const VANISHED = 1e-11

/**
 * The solution of a few equations by elimination with the largest pivot.
 * @param rows n rows of n coefficients each; they are left as they are
 * @returns n unknowns; undefined where the equations do not determine them
 */
export function solveDense(
  rows: readonly (readonly number[])[],
  right: readonly number[],
): number[] | undefined {
  const n = rows.length
  const a = rows.map((r, i) => [...r, right[i]])
  const size = Math.max(0, ...rows.flatMap((r) => r.map(Math.abs)))
  for (let c = 0; c < n; c++) {
    const best = largestBelow(a, c, c)
    if (Math.abs(a[best][c]) <= VANISHED * size) return undefined
    ;[a[c], a[best]] = [a[best], a[c]]
    for (let i = 0; i < n; i++) {
      const f = i === c ? 0 : a[i][c] / a[c][c]
      if (f !== 0) for (let j = c; j <= n; j++) a[i][j] -= f * a[c][j]
    }
  }
  return a.map((r, i) => r[n] / r[i])
}

/** The row from `from` down with the largest entry in a column. */
export function largestBelow(a: readonly (readonly number[])[], from: number, column: number): number {
  let best = from
  for (let i = from + 1; i < a.length; i++) if (Math.abs(a[i][column]) > Math.abs(a[best][column])) best = i
  return best
}
