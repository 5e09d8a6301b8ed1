import type { MemberActions } from '../structure/actions.js'
import type { StructureMember } from '../structure/types.js'
import { cancelled } from '../analysis/true-zero.js'
import { intensity, places, SAME_PLACE } from '../analysis/polynomial-course.js'
import { eliminated } from './elimination.js'
import {
  AT_REST,
  fieldSeries,
  stateOf,
  transferOf,
  type FieldState,
  type Piece,
  type PieceLoad,
  type Transfer,
} from './field.js'

/**
 * A member as a chain of short pieces, each solved exactly. The places between them are eliminated from one
 * end to the other; how many of their pivots are negative is how many critical loads the member has passed
 * with both its ends held (the count of Wittrick and Williams).
 */

/** v and slope at the start and at the end of a piece or of a member; rows and columns in that order. */
export type Four = Float64Array

/** One piece between two places where nothing begins, ends or stands. */
export interface Part {
  x0: number
  x1: number
  piece: Piece
  load: PieceLoad
  /** What stands at its start. */
  jump: Jump
}

/**
 * Some pieces one after the other with what they resist at their ends, V and −M at the start, −V and M at the
 * end. Pieces that are short against their waves are in one link: a place between two of them that lie far
 * closer together than the rest would cost the elimination as many digits as its stiffness, 12EI/h³, is
 * larger than theirs.
 */
export interface Link {
  parts: Part[]
  /** 4 × 4, row by row. */
  k: Float64Array
  /** End forces while both ends are held. */
  f: Four
}

/** The actions at a place of the chain: jumps of v and slope, a force and a couple. */
export interface Jump {
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

/** The pieces of a link together are at most so long that their waves, √(|N|/EI)·h, stay below this. */
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

/**
 * The pieces of a member; `finest` is the factor of the axial forces that the pieces must be short enough
 * for.
 */
export function chainOf(
  m: StructureMember,
  actions: MemberActions | undefined,
  axial: AxialForce,
  finest = Math.abs(axial.factor),
): Chain {
  const at = places(m.length, actions)
  const chain = new Grouping()
  let N = axial.start
  for (let i = 0; i < at.length; i++) {
    const jump = jumpOf(m, actions, at[i], N * axial.factor)
    N -= jump.fx
    if (i === at.length - 1) return chain.ended(jump)
    const { p, q, c } = intensity(at[i], at[i + 1], m.length, actions)
    const course: [number, number, number] = [N, -p[0], -p[1] / 2]
    const parts = partsOf(m, course, at[i + 1] - at[i], finest)
    const load = { q: [q[0], q[1]], c: [c[0], c[1]], curvature: actions?.curvature ?? 0 } as const
    for (let j = 0; j < parts; j++) {
      const t0 = ((at[i + 1] - at[i]) * j) / parts
      const x1 = j === parts - 1 ? at[i + 1] : at[i] + ((at[i + 1] - at[i]) * (j + 1)) / parts
      const x0 = at[i] + t0
      const force = shifted(course, t0)
      const N = scaled(force, axial.factor)
      const piece: Piece = { h: x1 - x0, EI: m.EI, perGAs: m.GAs > 0 ? 1 / m.GAs : 0, N }
      const part = { x0, x1, piece, load: moved(load, t0), jump: j === 0 ? jump : NO_JUMP }
      chain.add(part, waveOf(m, force, x1 - x0, finest))
    }
    N = valueAt(course, at[i + 1] - at[i])
  }
  throw new Error('A member has a start and an end.')
}

/** Pieces gathered into links as they come. */
class Grouping {
  private readonly links: Link[] = []
  private readonly jumps: Jump[] = []
  private parts: Part[] = []
  private wave = 0

  /** Adds a piece of so many waves, √(|N|/EI)·h. */
  add(part: Part, wave: number) {
    if (this.parts.length > 0 && this.wave + wave > MOST_WAVE) this.close()
    this.parts.push(part)
    this.wave += wave
  }

  /** The chain, with what stands at the end of the member. */
  ended(last: Jump): Chain {
    this.close()
    return eliminated(this.links, [...this.jumps, last])
  }

  private close() {
    this.links.push(link(this.parts))
    this.jumps.push(this.parts[0].jump)
    this.parts = []
    this.wave = 0
  }
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

/** The waves √(|N|/EI)·h of a piece under the axial forces of its course times a factor. */
function waveOf(
  m: StructureMember,
  course: readonly [number, number, number],
  h: number,
  factor: number,
): number {
  const most = Math.max(...[0, 0.5, 1].map((s) => Math.abs(valueAt(course, s * h))))
  return Math.sqrt((factor * most) / m.EI) * h
}

function partsOf(
  m: StructureMember,
  course: readonly [number, number, number],
  h: number,
  factor: number,
): number {
  return Math.min(MOST_PIECES, Math.max(1, Math.ceil(waveOf(m, course, h, factor) / MOST_WAVE)))
}

/**
 * The actions at a place of the chain. A jump in displacement gives the axial force a lever arm, so it adds a
 * couple.
 */
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

/** What a state at the start of a piece is at its end, without what acts on the piece. */
function carried(s: FieldState, { slope, M, V }: Transfer): FieldState {
  const at = (key: keyof FieldState) => s.slope * slope[key] + s.M * M[key] + s.V * V[key]
  return { v: s.v + at('v'), slope: at('slope'), M: at('M'), V: at('V') }
}

/** A state right of what stands at a place, from that left of it. */
export const past = (s: FieldState, { v, slope, V, m }: Jump): FieldState => ({
  v: s.v + v,
  slope: s.slope + slope,
  M: s.M - m,
  V: s.V + V,
})

const isFree = ({ load: { q, c, curvature } }: Part) =>
  q[0] === 0 && q[1] === 0 && c[0] === 0 && c[1] === 0 && curvature === 0

/** What the end of some pieces has of unit states at their start, and of what acts on them alone. */
function through(parts: readonly Part[]): Transfer & { free: FieldState } {
  let [slope, M, V] = (['slope', 'M', 'V'] as const).map((key): FieldState => ({ ...AT_REST, [key]: 1 }))
  let free = AT_REST
  parts.forEach((part, i) => {
    const transfer = transferOf(part.piece)
    slope = carried(slope, transfer)
    M = carried(M, transfer)
    V = carried(V, transfer)
    const start = i === 0 ? free : past(free, part.jump)
    free = isFree(part)
      ? carried(start, transfer)
      : stateOf(fieldSeries(part.piece, start, part.load), part.piece.h)
  })
  return { slope, M, V, free }
}

function link(parts: Part[]): Link {
  const { slope, M, V, free } = through(parts)
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
  if (parts.length === 1 && isFree(parts[0])) return { parts, k, f: new Float64Array(4) }
  const [M0, V0] = solve(-free.v, -free.slope)
  const f = Float64Array.of(V0, -M0, -(V0 + free.V), free.M + M.M * M0 + V.M * V0)
  return { parts, k, f }
}

/** The state at the start of a link, from v and slope at both its ends. */
export function startOf({ k, f }: Link, d: readonly [number, number, number, number]): FieldState {
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
