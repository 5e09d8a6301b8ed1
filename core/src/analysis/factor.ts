import { negativeProduct, panelBelow, pivotRow } from './panels.js'
import type { SparseSymmetric } from './sparse.js'
import { backward, forward } from './substitution.js'
import { analyse, type Supernode, type Symbolic } from './symbolic.js'

/** A pivot whose size is at or below this share of its diagonal before elimination counts as 0. */
export const VANISHED_PIVOT = 1e-10

/** Factorisation A = L·D·Lᵀ. Factor once, solve for every load case. */
export interface Factorisation {
  n: number
  /**
   * Unknowns whose pivot vanished: each carries one motion without resistance. `solve` holds them at zero.
   */
  singular: number[]
  /**
   * Unknowns with a negative pivot; as many as there are negative eigenvalues (Sylvester's law of inertia).
   */
  negative: number[]
  /** The order of elimination and the pattern of L, reused for a matrix of the same pattern. */
  symbolic: Symbolic
  /** Decimal digits lost at the worst pivot. */
  digitsLost: number
  /** The natural logarithm of the size of the determinant; vanished pivots are left out. */
  logDeterminant: number
  /** Entries of L below the diagonal, stored zeros counted. */
  entries: number
  /** Solves A·x = b; b is left as it is. */
  solve(b: Float64Array): Float64Array
  /**
   * The motion that belongs to a vanished pivot: A·x = 0 with x = 1 there. For several pivots it is the sum
   * of their motions with unequal weights, so that no motion cancels another.
   */
  motion(...unknowns: number[]): Float64Array
}

/**
 * Factors a symmetric matrix: multifrontal, each supernode a dense panel whose update goes to its parent.
 * Pivots are taken as they come, which suits a positive definite matrix, or one with few negative
 * eigenvalues. The inertia is reported; what it means is for the caller to say.
 * @param form the order of elimination, where one is known for this pattern
 * @param vanished a pivot at or below this share of its diagonal counts as 0
 * Source: Davis, Direct Methods for Sparse Linear Systems, §4.9 and ch. 8; Duff & Reid (1983) for the fronts.
 */
export function factor(
  a: SparseSymmetric,
  form: Symbolic = analyse(a),
  vanished = VANISHED_PIVOT,
): Factorisation {
  const numbers = eliminate(a, form, vanished)
  const { n, place, supernodes } = form
  const { L, inverse, singular, negative, worst } = numbers
  const unknownAt = new Int32Array(n)
  place.forEach((p, i) => (unknownAt[p] = i))

  const back = (x: Float64Array) => {
    for (let k = supernodes.length - 1; k >= 0; k--) backward(supernodes[k], L, x)
    const out = new Float64Array(n)
    for (let i = 0; i < n; i++) out[i] = x[place[i]]
    return out
  }

  return {
    n,
    singular: singular.map((p) => unknownAt[p]),
    negative: negative.map((p) => unknownAt[p]),
    symbolic: form,
    digitsLost: Math.log10(worst),
    logDeterminant: numbers.logDeterminant,
    entries: form.size,
    solve(b) {
      const x = new Float64Array(n)
      for (let i = 0; i < n; i++) x[place[i]] = b[i]
      for (const node of supernodes) forward(node, L, inverse, x)
      for (let i = 0; i < n; i++) x[i] *= inverse[i]
      return back(x)
    },
    motion(...unknowns) {
      const x = new Float64Array(n)
      // fractions of multiples of the golden ratio are no simple ratio of each other
      unknowns.forEach((u, i) => (x[place[u]] = i === 0 ? 1 : 0.5 + ((i * 0.6180339887498949) % 1)))
      // other vanished unknowns stay at rest: their columns of L are zero
      return back(x)
    },
  }
}

/** The numbers of L and D⁻¹, in the new order. */
function eliminate(a: SparseSymmetric, form: Symbolic, vanished: number) {
  const { n, supernodes, size } = form
  const L = new Float64Array(size)
  const inverse = new Float64Array(n)
  const singular: number[] = []
  const negative: number[] = []
  let worst = 1
  let logDeterminant = 0
  const entries = byColumn(a, form.place)
  const before = entries.diagonal
  const local = new Int32Array(n)
  const to = new Int32Array(n)
  const updates: (Float64Array | undefined)[] = []
  const pool: Float64Array[] = []
  let G = new Float64Array(0)
  supernodes.forEach((node, k) => {
    const { from, columns: s, rows, at, children } = node
    const f = rows.length
    const u = f - s
    for (let i = 0; i < f; i++) local[rows[i]] = i
    for (let c = 0; c < s; c++)
      for (let e = entries.start[from + c]; e < entries.start[from + c + 1]; e++)
        L[at + local[entries.row[e]] * s + c] += entries.value[e]
    for (const c of children) {
      const { rows: below, columns } = supernodes[c]
      const split = placeInParent(supernodes[c], local, s, to)
      addToPanel(updates[c]!, below.length - columns, split, to, L, at, s)
    }
    if (G.length < f * s) G = new Float64Array(f * s)
    for (let i = 0; i < s; i++) {
      const diagonal = before[from + i]
      const d = pivotRow(L, at, s, i, G, inverse, from)
      // written so that a pivot of NaN, which comes from overflow, counts as singular too
      if (!(Math.abs(d) > vanished * Math.abs(diagonal))) singular.push(from + i)
      else {
        if (d < 0) negative.push(from + i)
        inverse[from + i] = 1 / d
        logDeterminant += Math.log(Math.abs(d))
        worst = Math.max(worst, Math.abs(diagonal / d))
      }
    }
    panelBelow(L, at, s, f, G, inverse, from)
    if (u > 0) {
      const U = (updates[k] = takeRoom(pool, u * u))
      negativeProduct(U, u, L, at + s * s, G, s * s, s)
      for (const c of children) {
        const { rows: below, columns } = supernodes[c]
        const split = placeInParent(supernodes[c], local, s, to)
        addToUpdate(updates[c]!, below.length - columns, split, to, s, U, u)
      }
    }
    for (const c of children) {
      pool.push(updates[c]!)
      updates[c] = undefined
    }
  })
  return { L, inverse, singular, negative, worst, logDeterminant }
}

/**
 * An array of at least this length, taken from the pool if one is long enough. Its contents are undefined.
 */
function takeRoom(pool: Float64Array[], length: number): Float64Array {
  let best = -1
  for (let i = 0; i < pool.length; i++)
    if (pool[i].length >= length && (best < 0 || pool[i].length < pool[best].length)) best = i
  if (best < 0) return new Float64Array(length)
  const [room] = pool.splice(best, 1)
  return room
}

/** Entries by column of the lower triangle in the new order, and the diagonal summed. */
function byColumn({ n, count, row, column, value }: SparseSymmetric, place: Int32Array) {
  const start = new Int32Array(n + 1)
  const diagonal = new Float64Array(n)
  for (let e = 0; e < count; e++) start[Math.min(place[row[e]], place[column[e]]) + 1]++
  for (let i = 0; i < n; i++) start[i + 1] += start[i]
  const rows = new Int32Array(count)
  const values = new Float64Array(count)
  const next = start.slice()
  for (let e = 0; e < count; e++) {
    const i = place[row[e]]
    const j = place[column[e]]
    const at = next[i < j ? i : j]++
    rows[at] = i < j ? j : i
    values[at] = value[e]
    if (i === j) diagonal[i] += value[e]
  }
  return { start, row: rows, value: values, diagonal }
}

/**
 * Where a child's rows stand in its parent's panel, into `to`; returns how many of them, the first ones, are
 * columns of it.
 */
function placeInParent({ columns, rows }: Supernode, local: Int32Array, s: number, to: Int32Array): number {
  let split = 0
  for (let i = columns; i < rows.length; i++) {
    const p = local[rows[i]]
    to[i - columns] = p
    if (p < s) split++
  }
  return split
}

/** Adds those columns of a child's update (m rows) that this supernode eliminates. */
function addToPanel(
  update: Float64Array,
  m: number,
  split: number,
  to: Int32Array,
  L: Float64Array,
  at: number,
  s: number,
) {
  for (let i = 0; i < m; i++) {
    const row = at + to[i] * s
    const till = i < split ? i + 1 : split
    for (let j = 0; j < till; j++) L[row + to[j]] += update[i * m + j]
  }
}

/** Adds the rest of a child's update to the one that goes on to the parent. */
function addToUpdate(
  update: Float64Array,
  m: number,
  split: number,
  to: Int32Array,
  s: number,
  U: Float64Array,
  u: number,
) {
  for (let i = split; i < m; i++) {
    const row = (to[i] - s) * u - s
    const from = i * m
    for (let j = split; j <= i; j++) U[row + to[j]] += update[from + j]
  }
}
