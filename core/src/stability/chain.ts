import type { MemberActions } from '../structure/actions.js'
import type { StructureMember } from '../structure/types.js'
import { cancelled } from '../analysis/true-zero.js'
import { intensity, places, SAME_PLACE } from '../analysis/polynomial-course.js'
import { AT_REST, fieldSeries, stateOf, transferOf, type Piece, type PieceLoad } from './field.js'

/**
 * A member as a chain of short pieces, each solved exactly. The places between them are eliminated from one end to
 * the other; how many of their pivots are negative is how many critical loads the member has passed with both its
 * ends held (the count of Wittrick and Williams).
 */

/** v and slope at the start and at the end of a piece or of a member; rows and columns in that order. */
type Four = Float64Array

/** One piece with what it resists at its ends, V and −M at the start, −V and M at the end. */
export interface Link {
  x0: number
  x1: number
  piece: Piece
  load: PieceLoad
  /** 4 × 4, row by row. */
  k: Float64Array
  /** End forces while both ends are held. */
  f: Four
}

/** What stands at a place: a jump of v and slope there, and a force and a couple on the joint of the chain. */
interface Jump {
  v: number
  slope: number
  V: number
  m: number
}
const NO_JUMP: Jump = { v: 0, slope: 0, V: 0, m: 0 }

/** A member under an axial force, its inner places eliminated. */
export interface Chain {
  links: Link[]
  jumps: Jump[]
  /** 4 × 4, row by row, and end forces while both ends are held. */
  k: Float64Array
  f: Four
  /** How many pivots of the inner places are negative. */
  negative: number
  /** The logarithm of the product of their sizes. */
  logDeterminant: number
  /** v and slope of every place left of its jump, from those of the ends; the ends included. */
  places(ends: ArrayLike<number>): [number, number][]
}

/** A piece is at most so long that its waves, √(|N|/EI)·h, stay below this. */
const MOST_WAVE = 1.6
/** More pieces than this between two places are not made; longer series serve as well. */
const MOST_PIECES = 40

/** The axial force along a member, from that at its start and what acts along it. */
export interface AxialForce {
  /** At the start of the member, tension positive, N. */
  start: number
  /** Every axial force of the member times this. */
  factor: number
}

/** The pieces of a member; `finest` is the factor of the axial forces that the pieces must be short enough for. */
export function chainOf(
  m: StructureMember,
  actions: MemberActions | undefined,
  axial: AxialForce,
  finest = Math.abs(axial.factor),
): Chain {
  const at = places(m.length, actions)
  const links: Link[] = []
  const jumps: Jump[] = []
  let N = axial.start
  for (let i = 0; i < at.length; i++) {
    const jump = jumpOf(m, actions, at[i], N * axial.factor)
    N -= jump.fx
    if (i === at.length - 1) {
      jumps.push(jump)
      break
    }
    const { p, q, c } = intensity(at[i], at[i + 1], m.length, actions)
    const course: [number, number, number] = [N, -p[0], -p[1] / 2]
    const parts = partsOf(m, course, at[i + 1] - at[i], finest)
    const load = { q: [q[0], q[1]], c: [c[0], c[1]], curvature: actions?.curvature ?? 0 } as const
    for (let j = 0; j < parts; j++) {
      const t0 = ((at[i + 1] - at[i]) * j) / parts
      const x1 = j === parts - 1 ? at[i + 1] : at[i] + ((at[i + 1] - at[i]) * (j + 1)) / parts
      links.push(link(m, at[i] + t0, x1, scaled(shifted(course, t0), axial.factor), moved(load, t0)))
      jumps.push(j === 0 ? jump : NO_JUMP)
    }
    N = valueAt(course, at[i + 1] - at[i])
  }
  return merged(links, jumps)
}

const valueAt = ([a, b, c]: readonly [number, number, number], t: number) => a + t * (b + t * c)
const shifted = (n: readonly [number, number, number], t: number): [number, number, number] => [
  valueAt(n, t),
  n[1] + 2 * n[2] * t,
  n[2],
]
const scaled = (n: readonly [number, number, number], f: number): [number, number, number] => [
  f * n[0],
  f * n[1],
  f * n[2],
]
const moved = ({ q, c, curvature }: PieceLoad, t: number): PieceLoad => ({
  q: [q[0] + q[1] * t, q[1]],
  c: [c[0] + c[1] * t, c[1]],
  curvature,
})

function partsOf(
  m: StructureMember,
  course: readonly [number, number, number],
  h: number,
  factor: number,
): number {
  const most = Math.max(...[0, 0.5, 1].map((s) => Math.abs(valueAt(course, s * h))))
  return Math.min(MOST_PIECES, Math.max(1, Math.ceil((Math.sqrt((factor * most) / m.EI) * h) / MOST_WAVE)))
}

/** What stands at a place; a slip moves the axial force aside, which turns the member there. */
function jumpOf(
  m: StructureMember,
  actions: MemberActions | undefined,
  x: number,
  N: number,
): Jump & { fx: number } {
  const out = { v: 0, slope: 0, V: 0, m: 0, fx: 0 }
  if (!actions) return out
  const here = (y: number) => Math.abs(x - y) <= SAME_PLACE * m.length
  for (const p of actions.points)
    if (here(p.x)) {
      out.V += p.fy
      out.m += p.m
      out.fx += p.fx
    }
  for (const j of actions.jumps)
    if (here(j.x)) {
      out.v += j.slip
      out.slope += j.kink
      out.m -= N * j.slip
    }
  return out
}

function link(
  m: StructureMember,
  x0: number,
  x1: number,
  N: [number, number, number],
  load: PieceLoad,
): Link {
  const piece: Piece = { h: x1 - x0, EI: m.EI, perGAs: m.GAs > 0 ? 1 / m.GAs : 0, N }
  const { slope, M, V } = transferOf(piece)
  // start forces from end displacements: v₁ and slope₁ are linear in M₀ and V₀
  const det = M.v * V.slope - V.v * M.slope
  const solve = (v: number, s: number): [M: number, V: number] => [
    (V.slope * v - V.v * s) / det,
    (M.v * s - M.slope * v) / det,
  ]
  const columns = [solve(-1, 0), solve(-slope.v, -slope.slope), solve(1, 0), solve(0, 1)]
  const k = new Float64Array(16)
  columns.forEach(([M0, V0], j) => {
    const M1 = (j === 1 ? slope.M : 0) + M.M * M0 + V.M * V0
    k[j] = V0
    k[4 + j] = -M0
    k[8 + j] = -V0
    k[12 + j] = M1
  })
  for (let i = 0; i < 4; i++)
    for (let j = 0; j < i; j++) k[4 * i + j] = k[4 * j + i] = (k[4 * i + j] + k[4 * j + i]) / 2
  return { x0, x1, piece, load, k, f: heldForces(piece, load, { M, V, solve }) }
}

function heldForces(
  piece: Piece,
  load: PieceLoad,
  { M, V, solve }: { M: { M: number }; V: { M: number }; solve(v: number, s: number): [number, number] },
): Four {
  const { q, c, curvature } = load
  if (q[0] === 0 && q[1] === 0 && c[0] === 0 && c[1] === 0 && curvature === 0) return new Float64Array(4)
  const free = stateOf(fieldSeries(piece, AT_REST, load), piece.h)
  const [M0, V0] = solve(-free.v, -free.slope)
  return Float64Array.of(V0, -M0, -(V0 + free.V), free.M + M.M * M0 + V.M * V0)
}

/** k·d for a 4 × 4 matrix. */
const times = (k: Float64Array, d: readonly number[]): number[] =>
  [0, 1, 2, 3].map((i) => k[4 * i] * d[0] + k[4 * i + 1] * d[1] + k[4 * i + 2] * d[2] + k[4 * i + 3] * d[3])

/** What an inner place is, from the start of the member and the next place: u = −(A·u₀ + B·u₊ + r). */
interface Inner {
  A: [number, number, number, number]
  B: [number, number, number, number]
  r: [number, number]
}

function merged(links: Link[], jumps: Jump[]): Chain {
  let k = Float64Array.from(links[0].k)
  let f = startForces(links[0], jumps[0])
  const inner: Inner[] = []
  let negative = 0
  let logDeterminant = 0
  for (let i = 1; i < links.length; i++) {
    const next = links[i]
    const joint = jumps[i]
    const g = withJump(next, joint)
    const S = [k[10] + next.k[0], k[11] + next.k[1], k[15] + next.k[5]] as const
    const r = [f[2] + g[0] - joint.V, f[3] + g[1] - joint.m]
    const d2 = S[2] - (S[1] * S[1]) / S[0]
    const det = S[0] * d2
    negative += Number(S[0] < 0) + Number(d2 < 0)
    logDeterminant += Math.log(Math.abs(det))
    const inverse = (a: number, b: number): [number, number] => [
      (S[2] * a - S[1] * b) / det,
      (S[0] * b - S[1] * a) / det,
    ]
    const a0 = inverse(k[8], k[12])
    const a1 = inverse(k[9], k[13])
    const b0 = inverse(next.k[2], next.k[6])
    const b1 = inverse(next.k[3], next.k[7])
    const u = inverse(r[0], r[1])
    inner.push({ A: [a0[0], a1[0], a0[1], a1[1]], B: [b0[0], b1[0], b0[1], b1[1]], r: u })
    ;({ k, f } = condensed(k, f, next, g, { a0, a1, b0, b1, u }))
  }
  const last = jumps[jumps.length - 1]
  // the end of the member is right of what stands there
  const g = times(k, [0, 0, last.v, last.slope])
  const held = Float64Array.from(f, (v, i) => v - g[i])
  held[2] -= last.V
  held[3] -= last.m
  return {
    links,
    jumps,
    k,
    f: held,
    negative,
    logDeterminant,
    places: (ends) => recovered(inner, last, ends),
  }
}

/** The end forces of the first piece, seen from outside of what stands at the start. */
function startForces(first: Link, jump: Jump): Four {
  const g = withJump(first, jump)
  g[0] -= jump.V
  g[1] -= jump.m
  return g
}

/** The held forces of a piece whose start stands off its place by a jump. */
function withJump(next: Link, { v, slope }: Jump): Four {
  if (v === 0 && slope === 0) return Float64Array.from(next.f)
  const g = times(next.k, [v, slope, 0, 0])
  return Float64Array.from(next.f, (x, i) => x + g[i])
}

type Pair = [number, number]

function condensed(
  k: Float64Array,
  f: Four,
  next: Link,
  g: Four,
  { a0, a1, b0, b1, u }: { a0: Pair; a1: Pair; b0: Pair; b1: Pair; u: Pair },
) {
  const out = new Float64Array(16)
  const put = (i: number, j: number, v: number) => (out[4 * i + j] = out[4 * j + i] = v)
  const left = (i: number, w: Pair) => k[4 * i + 2] * w[0] + k[4 * i + 3] * w[1]
  const right = (i: number, w: Pair) => next.k[4 * i] * w[0] + next.k[4 * i + 1] * w[1]
  put(0, 0, k[0] - left(0, a0))
  put(0, 1, k[1] - left(0, a1))
  put(1, 1, k[5] - left(1, a1))
  put(0, 2, -left(0, b0))
  put(0, 3, -left(0, b1))
  put(1, 2, -left(1, b0))
  put(1, 3, -left(1, b1))
  put(2, 2, next.k[10] - right(2, b0))
  put(2, 3, next.k[11] - right(2, b1))
  put(3, 3, next.k[15] - right(3, b1))
  const forces = Float64Array.of(f[0] - left(0, u), f[1] - left(1, u), g[2] - right(2, u), g[3] - right(3, u))
  return { k: out, f: forces }
}

function recovered(inner: readonly Inner[], last: Jump, ends: ArrayLike<number>): [number, number][] {
  const out: [number, number][] = new Array<[number, number]>(inner.length + 2)
  out[0] = [ends[0], ends[1]]
  out[inner.length + 1] = [ends[2] - last.v, ends[3] - last.slope]
  for (let i = inner.length - 1; i >= 0; i--) {
    const { A, B, r } = inner[i]
    const [next, slope] = out[i + 2]
    out[i + 1] = [
      -(A[0] * ends[0] + A[1] * ends[1] + B[0] * next + B[1] * slope + r[0]),
      -(A[2] * ends[0] + A[3] * ends[1] + B[2] * next + B[3] * slope + r[1]),
    ]
  }
  return out
}

/** The state at the start of a piece, from v and slope at both its ends. */
export function startOf({ k, f }: Link, d: readonly [number, number, number, number]) {
  const force = (i: number) => {
    let [sum, terms] = [f[i], Math.abs(f[i])]
    for (let j = 0; j < 4; j++) {
      const term = k[4 * i + j] * d[j]
      sum += term
      terms += Math.abs(term)
    }
    return cancelled(sum, terms)
  }
  return { v: d[0], slope: d[1], V: force(0), M: -force(1) }
}
