import { largestBelow } from '../dense.js'

/** An equation of displacements: Σ coefficient·displacement = value. */
export interface Condition {
  row: ReadonlyMap<number, number>
  value: number
}

/**
 * Displacements that fulfil conditions: one set with every free one 0, and for each free one a set of its
 * own.
 */
export interface Motion {
  /** With every free displacement 0, m. */
  given: Float64Array
  /** The free displacements, by column, each with the motion where it is 1 and the other free ones are 0. */
  modes: { column: number; u: Float64Array }[]
}

/** Below this an entry of the conditions is rounding error: their coefficients are sines and cosines. */
const ROUNDING = 1e-9

/**
 * Solves conditions for the displacements. Those late in the order stay free where the conditions leave
 * a choice.
 * @param order every column, the one that is solved for first at the front
 * @returns undefined where the conditions contradict each other
 */
export function motionOf(
  columns: number,
  conditions: readonly Condition[],
  order: readonly number[],
): Motion | undefined {
  const a = conditions.map(({ row, value }) => {
    const full = new Array<number>(columns + 1).fill(0)
    for (const [c, v] of row) full[c] = v
    full[columns] = value
    return full
  })
  const pivots: number[] = []
  for (const c of order) {
    const r = pivots.length
    if (r === a.length) break
    const best = largestBelow(a, r, c)
    if (Math.abs(a[best][c]) <= ROUNDING) continue
    ;[a[r], a[best]] = [a[best], a[r]]
    const pivot = a[r][c]
    a[r] = a[r].map((v) => v / pivot)
    a.forEach((row, i) => {
      const f = i === r ? 0 : row[c]
      if (f !== 0) a[r].forEach((v, j) => (row[j] -= f * v))
    })
    pivots.push(c)
  }
  const most = Math.max(1e-12, ...conditions.map((k) => Math.abs(k.value)))
  if (a.slice(pivots.length).some((r) => Math.abs(r[columns]) > 1e-7 * most)) return undefined
  const given = new Float64Array(columns)
  pivots.forEach((c, r) => (given[c] = a[r][columns]))
  const free = order.filter((c) => !pivots.includes(c))
  const modes = free.map((column) => {
    const u = new Float64Array(columns)
    u[column] = 1
    pivots.forEach((c, r) => (u[c] = Math.abs(a[r][column]) <= ROUNDING ? 0 : -a[r][column]))
    return { column, u }
  })
  return { given, modes }
}
