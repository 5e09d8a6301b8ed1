/** Below this part of the largest coefficient a pivot is zero; likewise what an open unknown adds. */
const VANISHED = 1e-10

/**
 * The unknowns that equations determine, though they may leave others open.
 * @param rows equations by their coefficients
 * @param unknowns how many there are
 * @returns each unknown, NaN where it is open, and how many are free to choose
 */
export function reduce(
  rows: readonly { by: ReadonlyMap<number, number>; right: number }[],
  unknowns: number,
): { values: number[]; free: number } {
  // each equation is measured by its largest coefficient, so that forces and moments weigh alike
  const a = rows.map(({ by, right }) => {
    const scale = 1 / Math.max(...[...by.values()].map(Math.abs))
    const row = new Float64Array(unknowns + 1)
    for (const [u, v] of by) row[u] = v * scale
    row[unknowns] = right * scale
    return row
  })
  const pivots: number[] = []
  for (let r = 0; r < a.length; r++) {
    const best = largest(a, r, unknowns)
    if (best.size <= VANISHED) break
    ;[a[r], a[best.row]] = [a[best.row], a[r]]
    const column = best.column
    const lead = a[r][column]
    for (let k = 0; k <= unknowns; k++) a[r][k] /= lead
    for (let i = 0; i < a.length; i++) {
      const f = i === r ? 0 : a[i][column]
      if (f !== 0) for (let k = 0; k <= unknowns; k++) a[i][k] -= f * a[r][k]
    }
    pivots.push(column)
  }
  const open = Array.from({ length: unknowns }, (_, u) => u).filter((u) => !pivots.includes(u))
  const values = new Array<number>(unknowns).fill(NaN)
  pivots.forEach((u, r) => {
    if (open.every((o) => Math.abs(a[r][o]) <= VANISHED)) values[u] = a[r][unknowns]
  })
  return { values, free: open.length }
}

/** The largest coefficient from a row down. */
function largest(a: readonly Float64Array[], from: number, unknowns: number) {
  const best = { row: from, column: 0, size: 0 }
  for (let i = from; i < a.length; i++)
    for (let k = 0; k < unknowns; k++)
      if (Math.abs(a[i][k]) > best.size) Object.assign(best, { row: i, column: k, size: Math.abs(a[i][k]) })
  return best
}
