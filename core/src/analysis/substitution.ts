import type { Supernode } from './symbolic.js'

/**
 * Forward and back-substitution with the panels of a factorisation. Three rows are summed at a time, because
 * the additions of a single sum depend on one another and cannot overlap.
 */

/** Forward substitution with the columns of one supernode: one part of L·y = b. `x` holds b and becomes y. */
export function forward(
  { from, columns, rows, at }: Supernode,
  L: Float64Array,
  inverse: Float64Array,
  x: Float64Array,
) {
  for (let i = 0; i < columns; i++) {
    const row = at + i * columns
    let sum = 0
    for (let c = 0; c < i; c++) sum += L[row + c] * x[from + c]
    // a vanished pivot stays at rest, whatever acts on it
    if (inverse[from + i] === 0) x[from + i] = 0
    else x[from + i] -= sum
  }
  let i = columns
  for (; i + 2 < rows.length; i += 3) {
    const first = at + i * columns
    const second = first + columns
    const third = second + columns
    let [a, b, d] = [0, 0, 0]
    for (let c = 0; c < columns; c++) {
      const y = x[from + c]
      a += L[first + c] * y
      b += L[second + c] * y
      d += L[third + c] * y
    }
    x[rows[i]] -= a
    x[rows[i + 1]] -= b
    x[rows[i + 2]] -= d
  }
  for (; i < rows.length; i++) {
    const row = at + i * columns
    let sum = 0
    for (let c = 0; c < columns; c++) sum += L[row + c] * x[from + c]
    x[rows[i]] -= sum
  }
}

/**
 * Back-substitution with the columns of one supernode: one part of Lᵀ·x = y. The entries of `x` in the rows
 * below are already known.
 */
export function backward({ from, columns, rows, at }: Supernode, L: Float64Array, x: Float64Array) {
  let i = rows.length - 1
  for (; i - 2 >= columns; i -= 3) {
    const [a, b, d] = [x[rows[i]], x[rows[i - 1]], x[rows[i - 2]]]
    if (a === 0 && b === 0 && d === 0) continue
    const first = at + i * columns
    const second = first - columns
    const third = second - columns
    for (let c = 0; c < columns; c++)
      x[from + c] = x[from + c] - L[first + c] * a - L[second + c] * b - L[third + c] * d
  }
  for (; i > 0; i--) {
    const xi = x[rows[i]]
    if (xi === 0) continue
    const row = at + i * columns
    const till = Math.min(i, columns)
    for (let c = 0; c < till; c++) x[from + c] -= L[row + c] * xi
  }
}
