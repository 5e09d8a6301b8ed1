import { NUMBERS, type Arithmetic } from '../quantity/arithmetic.js'
import type { SolveError, StructureMember } from '../structure/types.js'
import type { MemberActions } from '../structure/actions.js'
import { freeEnd } from './free-end.js'
import { sprungRigid, sprungRigidLoad, type SprungRigid } from './sprung-rigid.js'
import { single, type Take } from './slab.js'

/**
 * One member as the stiffness method sees it. Matrices are 6 × 6, row by row, in member axes unless said
 * otherwise;
 * rows 1 to 6 are u, v, rotation at the start and at the end:
 *
 *        2↑  ↺3                 5↑  ↺6
 *         o────────────────────────o
 *       1→  start      x →    end   4→
 */
export interface Element {
  /** Stiffness of the member itself, before its ends are released. */
  own: Float64Array
  /**
   * Stiffness seen by the nodes: `own` with the released ends condensed out; the same array when nothing is
   * released.
   */
  k: Float64Array
  /** Own end displacements from node displacements, d = P·u + d₀; undefined when nothing is released. */
  P?: Float64Array
  /** Inverse of (own + springs) over the released components, with their indices. */
  released: number[]
  G?: Float64Array
  /**
   * N is released at both ends without a spring, so the axial position of the member is an unknown of its
   * own.
   */
  loose: boolean
  /** The axial behaviour of a rigid member with a spring along it. */
  sprung?: SprungRigid
}

/**
 * The pivots of the released ends: how many are negative, and the logarithm of the absolute value of their
 * product.
 */
export interface ReleasedPivots {
  negative: number
  logDeterminant: number
}

/**
 * Relative tolerance: a pivot of the released ends below this fraction of its diagonal means that the member
 * is a mechanism by itself.
 */
const LOOSE_PIVOT = 1e-11
/**
 * Relative tolerance under an axial force, where pivots pass through zero: a pivot nearer to zero than this
 * has no reliable sign.
 */
const SINGULAR = 1e-15

/**
 * Stiffness of an Euler–Bernoulli or, with `GAs`, a Timoshenko member (Φ = 12EI/(G·As·L²)).
 * Source: Przemieniecki, Theory of Matrix Structural Analysis, §5.6; Kassimali, Matrix Analysis of
 * Structures, ch. 6.
 * @returns 36 numbers in N, m; a bar has axial terms only
 */
export function memberStiffness(m: StructureMember, take = single): Float64Array {
  const k = take(36)
  const set = (i: number, j: number, v: number) => (k[6 * i + j] = k[6 * j + i] = v)
  const L = m.length
  // a rigid member is held together by a constraint, not by a stiffness
  const axial = m.axiallyRigid ? 0 : m.EA / L
  set(0, 0, axial)
  set(0, 3, -axial)
  set(3, 3, axial)
  if (m.bar) return k
  const terms = bendingTerms(NUMBERS, m)
  for (const [i, j, term, sign] of BENDING) set(i, j, sign * terms[term])
  return k
}

/** The four different entries of the bending stiffness. */
export type BendingTerm = 'shear' | 'mixed' | 'near' | 'far'

/** The bending stiffness by its entries on and above the diagonal, with their signs. */
export const BENDING: readonly [row: number, column: number, term: BendingTerm, sign: 1 | -1][] = [
  [1, 1, 'shear', 1],
  [1, 2, 'mixed', 1],
  [1, 4, 'shear', -1],
  [1, 5, 'mixed', 1],
  [2, 2, 'near', 1],
  [2, 4, 'mixed', -1],
  [2, 5, 'far', 1],
  [4, 4, 'shear', 1],
  [4, 5, 'mixed', -1],
  [5, 5, 'near', 1],
]

/** 12EI/L³, 6EI/L², 4EI/L and 2EI/L, each with the share that shear deformation leaves of it. */
export function bendingTerms<N>(
  by: Arithmetic<N>,
  { EI, GAs, length: L }: Record<'EI' | 'GAs' | 'length', N>,
): Record<BendingTerm, N> {
  const twelve = by.multiply(by.of(12), EI)
  const square = by.multiply(L, L)
  const phi = by.isZero(GAs) ? by.of(0) : by.divide(twelve, by.multiply(GAs, square))
  const b = by.divide(EI, by.add(by.of(1), phi))
  const over = (factor: N, power: N) => by.divide(by.multiply(factor, b), power)
  return {
    shear: over(by.of(12), by.multiply(square, L)),
    mixed: over(by.of(6), square),
    near: over(by.add(by.of(4), phi), L),
    far: over(by.subtract(by.of(2), phi), L),
  }
}

/**
 * The element of a member, its released and sprung ends condensed; a member that moves by itself is an error
 * that names it.
 * @param own its stiffness before that; that of first order where it is left out
 * @param pivots takes up what the pivots of the released ends tell
 */
export function element(
  m: StructureMember,
  take: Take = single,
  own = memberStiffness(m, take),
  pivots?: ReleasedPivots,
): Element | SolveError {
  if (!m.bar && !m.axiallyRigid && m.releases.every((r) => r === false))
    return { own, k: own, P: undefined, released: [], G: undefined, loose: false }
  const loose = m.releases[0] === true && m.releases[3] === true
  const released = m.releases.flatMap((r, i) =>
    r === false || (loose && i === 0) || (m.bar && i % 3 !== 0) || (m.axiallyRigid && i % 3 === 0) ? [] : [i],
  )
  const sprung = sprungRigid(m)
  if (released.length === 0)
    return withSpring({ own, k: own, P: undefined, released, G: undefined, loose }, sprung)
  const n = released.length
  const A = new Float64Array(n * n)
  const spring = (i: number) => (typeof m.releases[i] === 'number' ? m.releases[i] : 0)
  for (let a = 0; a < n; a++)
    for (let b = 0; b < n; b++)
      A[a * n + b] = own[6 * released[a] + released[b]] + (a === b ? spring(released[a]) : 0)
  const G = invert(A, n, pivots)
  if (!G)
    return {
      kind: 'mechanism',
      message: `${m.id} moves by itself: the releases at its two ends leave nothing to hold it.`,
      members: [m.id],
      nodes: [],
    }
  const P = new Float64Array(36)
  for (let j = 0; j < 6; j++) {
    const a = released.indexOf(j)
    if (a < 0) P[7 * j] = 1
    else
      for (let i = 0; i < 6; i++) {
        const b = released.indexOf(i)
        let sum = 0
        if (b >= 0) sum = G[a * n + b] * spring(i)
        else for (let c = 0; c < n; c++) sum -= G[a * n + c] * own[6 * released[c] + i]
        P[6 * j + i] = sum
      }
  }
  return withSpring({ own, k: condensed(own, P, m), P, released, G, loose }, sprung)
}

/** Puts the springs along a rigid member into its element. */
function withSpring(e: Element, sprung: SprungRigid | undefined): Element {
  if (!sprung) return e
  const k = Float64Array.from(e.k)
  k[0] = k[21] = sprung.k
  k[3] = k[18] = -sprung.k
  const P = e.P ?? new Float64Array(36)
  if (!e.P) for (let j = 0; j < 6; j++) P[7 * j] = 1
  for (const row of [0, 3]) {
    P[6 * row] = sprung.start
    P[6 * row + 3] = sprung.end
  }
  return { ...e, k, P, sprung }
}

/** own·P, made exactly symmetric, with exact zeros where a component is fully released. */
function condensed(own: Float64Array, P: Float64Array, m: StructureMember): Float64Array {
  const k = new Float64Array(36)
  for (let i = 0; i < 6; i++)
    for (let j = 0; j < 6; j++) {
      let sum = 0
      for (let c = 0; c < 6; c++) sum += own[6 * i + c] * P[6 * c + j]
      k[6 * i + j] = sum
    }
  const biggest = Math.max(...k.map(Math.abs))
  for (let i = 0; i < 6; i++)
    for (let j = 0; j <= i; j++) {
      const zero = m.releases[i] === true || m.releases[j] === true
      let v = zero ? 0 : (k[6 * i + j] + k[6 * j + i]) / 2
      // an entry that condensation cancels in exact arithmetic
      if (
        Math.abs(v) < 1e-15 * biggest &&
        Math.abs(v) < 1e-12 * Math.max(Math.abs(own[6 * i + j]), Math.abs(k[7 * i]))
      )
        v = 0
      k[6 * i + j] = k[6 * j + i] = v
    }
  return k
}

/**
 * Inverse of a small symmetric matrix by LDLᵀ on unit vectors; undefined when a pivot vanishes against its
 * diagonal.
 */
function invert(A: Float64Array, n: number, pivots?: ReleasedPivots): Float64Array | undefined {
  const l = new Float64Array(n * n)
  const d = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) {
      let s = A[i * n + j]
      for (let k = 0; k < j; k++) s -= l[i * n + k] * d[k] * l[j * n + k]
      l[i * n + j] = s / d[j]
    }
    d[i] = A[i * n + i]
    for (let k = 0; k < i; k++) d[i] -= l[i * n + k] ** 2 * d[k]
    // in first order no pivot is negative; under compression one that has buckled is
    if (!pivots && !(d[i] > LOOSE_PIVOT * A[i * n + i])) return undefined
    if (!(Math.abs(d[i]) > (pivots ? SINGULAR : LOOSE_PIVOT) * Math.abs(A[i * n + i]))) return undefined
    if (pivots) {
      if (d[i] < 0) pivots.negative++
      pivots.logDeterminant += Math.log(Math.abs(d[i]))
    }
  }
  const out = new Float64Array(n * n)
  for (let c = 0; c < n; c++) {
    const x = new Float64Array(n)
    for (let i = 0; i < n; i++) {
      x[i] = i === c ? 1 : 0
      for (let k = 0; k < i; k++) x[i] -= l[i * n + k] * x[k]
    }
    for (let i = 0; i < n; i++) x[i] /= d[i]
    for (let i = n - 1; i >= 0; i--) for (let k = i + 1; k < n; k++) x[i] -= l[k * n + i] * x[k]
    for (let i = 0; i < n; i++) out[i * n + c] = x[i]
  }
  return out
}

/**
 * The fixed-end forces: six forces on the member at its ends in member axes (N, N·m) while both ends are
 * held. They are found by releasing the end of the member and moving the displaced end back with the
 * stiffness `own`.
 */
export function fixedEndForces(m: StructureMember, own: Float64Array, actions: MemberActions): Float64Array {
  const end = freeEnd(m, actions)
  const f = new Float64Array(6)
  for (let i = 0; i < 6; i++)
    f[i] = 0 - (own[6 * i + 3] * end.u + own[6 * i + 4] * end.v + own[6 * i + 5] * end.slope)
  f[3] += end.N
  f[4] -= end.V
  f[5] += end.M
  // a rigid member passes its whole axial load to the end that is held
  if (m.axiallyRigid && m.releases[3] === true) {
    f[0] += f[3]
    f[3] = 0
  }
  return f
}

/**
 * Own end displacements caused by the fixed-end forces while the nodes stay: d₀, zero at unreleased
 * components.
 */
export function releasedByLoad(e: Element, fixed: Float64Array): Float64Array {
  const d0 = new Float64Array(6)
  if (!e.G) return d0
  const n = e.released.length
  for (let a = 0; a < n; a++)
    for (let b = 0; b < n; b++) d0[e.released[a]] -= e.G[a * n + b] * fixed[e.released[b]]
  return d0
}

/**
 * Fixed-end forces as the nodes feel them, released ends condensed: own·d₀ + f; `strain` is the free axial
 * strain.
 */
export function condensedFixedEnd(
  m: StructureMember,
  e: Element,
  fixed: Float64Array,
  strain: number,
): Float64Array {
  if (e.sprung) {
    const { f1, f2 } = sprungRigidLoad(m, -fixed[0] - fixed[3], strain * m.length)
    const rest = condensedFixedEnd(m, { ...e, sprung: undefined }, fixed, strain)
    return Float64Array.from(rest, (v, i) => (i === 0 ? f1 : i === 3 ? f2 : v))
  }
  if (!e.G) return fixed
  const d0 = releasedByLoad(e, fixed)
  const out = Float64Array.from(fixed)
  for (let i = 0; i < 6; i++) {
    for (let j = 0; j < 6; j++) out[i] += e.own[6 * i + j] * d0[j]
    if (m.releases[i] === true) out[i] = 0
  }
  return out
}
