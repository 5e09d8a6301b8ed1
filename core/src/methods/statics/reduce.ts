/** Below this part of the largest coefficient a pivot is zero; likewise what an open unknown adds. */
const VANISHED = 1e-10

/** The solutions of equations that may leave some unknowns free. */
export interface Reduced {
  /** The unknowns that are free to choose. */
  free: number[]
  /** Each unknown while all free ones are 0. */
  particular: number[]
  /** The part of each unknown that 1 of a free one adds. */
  adds: (free: number) => number[]
  /** Each unknown, NaN where the free ones have a part in it. */
  determined: number[]
}

/**
 * Reduces equations by the largest pivots.
 * @param rows equations by their coefficients
 * @param unknowns how many there are
 * @param preferred unknowns that stay free where some must, the most preferred first
 */
export function reduce(
  rows: readonly { by: ReadonlyMap<number, number>; right: number }[],
  unknowns: number,
  preferred: readonly number[] = [],
): Reduced {
  const a = scaledRows(rows, unknowns)
  const pivots: number[] = []
  const eliminate = ({ row, column }: Place) => {
    const r = pivots.length
    ;[a[r], a[row]] = [a[row], a[r]]
    const lead = a[r][column]
    for (let k = 0; k <= unknowns; k++) a[r][k] /= lead
    for (let i = 0; i < a.length; i++) {
      const f = i === r ? 0 : a[i][column]
      if (f !== 0) for (let k = 0; k <= unknowns; k++) a[i][k] -= f * a[r][k]
    }
    pivots.push(column)
  }
  const kept = new Set(preferred)
  const others = Array.from({ length: unknowns }, (_, u) => u).filter((u) => !kept.has(u))
  for (let best = largest(a, 0, others); best.size > VANISHED; best = largest(a, pivots.length, others))
    eliminate(best)
  // of the preferred ones the least preferred is found first, so that the others stay free
  for (const u of [...preferred].reverse()) {
    const best = largest(a, pivots.length, [u])
    if (best.size > VANISHED) eliminate(best)
  }
  return solutions(a, pivots, unknowns)
}

/** Each equation measured by its largest coefficient, so that forces and moments weigh alike. */
const scaledRows = (rows: readonly { by: ReadonlyMap<number, number>; right: number }[], unknowns: number) =>
  rows.map(({ by, right }) => {
    const scale = 1 / Math.max(...[...by.values()].map(Math.abs))
    const row = new Float64Array(unknowns + 1)
    for (const [u, v] of by) row[u] = v * scale
    row[unknowns] = right * scale
    return row
  })

function solutions(a: readonly Float64Array[], pivots: readonly number[], unknowns: number): Reduced {
  const found = new Set(pivots)
  const free = Array.from({ length: unknowns }, (_, u) => u).filter((u) => !found.has(u))
  const particular = new Array<number>(unknowns).fill(0)
  const determined = new Array<number>(unknowns).fill(NaN)
  pivots.forEach((u, r) => {
    particular[u] = a[r][unknowns]
    if (free.every((o) => Math.abs(a[r][o]) <= VANISHED)) determined[u] = a[r][unknowns]
  })
  const adds = (of: number) => {
    const out = new Array<number>(unknowns).fill(0)
    out[of] = 1
    pivots.forEach((u, r) => (out[u] = Math.abs(a[r][of]) <= VANISHED ? 0 : -a[r][of]))
    return out
  }
  return { free, particular, adds, determined }
}

interface Place {
  row: number
  column: number
  size: number
}

/** The largest coefficient of some unknowns from a row down. */
function largest(a: readonly Float64Array[], from: number, among: readonly number[]): Place {
  const best = { row: from, column: 0, size: 0 }
  for (let row = from; row < a.length; row++)
    for (const column of among) {
      const size = Math.abs(a[row][column])
      if (size > best.size) Object.assign(best, { row, column, size })
    }
  return best
}
