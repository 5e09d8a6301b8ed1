import type { StructureMember } from '../structure/types.js'
import type { MemberActions } from './actions.js'
import { antiderivative, evaluatePolynomial, type Polynomial } from './polynomial.js'

/**
 * What happens at one place of a member: internal forces (N, N, N·m), slope (rad) and displacements in member
 * axes (m).
 */
export interface State {
  N: number
  V: number
  M: number
  slope: number
  v: number
  u: number
}

/** Exact polynomials in t = x − x0 between two neighbouring places of load. */
export interface FieldSegment {
  x0: number
  x1: number
  N: Polynomial
  V: Polynomial
  M: Polynomial
  slope: Polynomial
  v: Polynomial
  u: Polynomial
}

/** Internal forces and displacements along a member: segments, and the states at its very ends. */
export interface Field {
  segments: FieldSegment[]
  start: State
  end: State
}

/** Places of load nearer than this (relative to the length) are one place. */
export const SAME_PLACE = 1e-10

/**
 * Integrates the member's equations from its start: N′ = −p, V′ = q, M′ = V − c, slope′ = M/EI + κ₀,
 * v′ = slope − V/(G·As), u′ = N/EA + ε₀; at a point load N, V, M jump by −fx, +fy, −m; at a misfit v and
 * slope jump.
 * Signs: N + tension; V the sum of member-y forces left of the cut; M + with the −y face in tension.
 * Source: Przemieniecki, Theory of Matrix Structural Analysis, ch. 5; exact for piecewise linear loads.
 */
export function integrate(m: StructureMember, actions: MemberActions | undefined, start: State): Field {
  const L = m.length
  const snap = places(L, actions)
  const perEA = m.axiallyRigid ? 0 : 1 / (m.E * m.A)
  const perEI = m.bar ? 0 : 1 / (m.E * m.I)
  const perGAs = m.GAs > 0 ? 1 / m.GAs : 0
  const strain = actions?.axialStrain ?? 0
  const curvature = m.bar ? 0 : (actions?.curvature ?? 0)
  const segments: FieldSegment[] = []
  let at: State = start
  for (let i = 0; i < snap.length; i++) {
    const x0 = snap[i]
    if (actions) at = jumpAt(at, x0, L, actions)
    if (i === snap.length - 1) break
    const x1 = snap[i + 1]
    const { p, q, c } = intensity(x0, x1, L, actions)
    const N = antiderivative([-p[0], -p[1]], at.N)
    const V = antiderivative(q, at.V)
    const M = antiderivative([V[0] - c[0], V[1] - c[1], V[2]], at.M)
    const slope = antiderivative(
      [M[0] * perEI + curvature, M[1] * perEI, M[2] * perEI, M[3] * perEI],
      at.slope,
    )
    const v = antiderivative(
      perGAs === 0
        ? slope
        : [slope[0] - V[0] * perGAs, slope[1] - V[1] * perGAs, slope[2] - V[2] * perGAs, slope[3], slope[4]],
      at.v,
    )
    const u = antiderivative([N[0] * perEA + strain, N[1] * perEA, N[2] * perEA], at.u)
    const segment = { x0, x1, N, V, M, slope, v, u }
    segments.push(segment)
    at = stateIn(segment, x1)
  }
  return { segments, start, end: at }
}

export function stateIn(s: FieldSegment, x: number): State {
  const t = x - s.x0
  return {
    N: evaluatePolynomial(s.N, t),
    V: evaluatePolynomial(s.V, t),
    M: evaluatePolynomial(s.M, t),
    slope: evaluatePolynomial(s.slope, t),
    v: evaluatePolynomial(s.v, t),
    u: evaluatePolynomial(s.u, t),
  }
}

/**
 * Start, every place where something begins, ends or stands, and end; snapped so that one place is one
 * number.
 */
function places(L: number, actions: MemberActions | undefined): number[] {
  const out = [0, L]
  if (!actions) return out
  const all = [
    ...actions.spans.flatMap((s) => [s.a, s.b]),
    ...actions.points.map((p) => p.x),
    ...actions.jumps.map((j) => j.x),
  ]
  for (const x of all) if (!out.some((y) => Math.abs(x - y) <= SAME_PLACE * L)) out.push(x)
  return out.sort((a, b) => a - b)
}

function jumpAt(s: State, x: number, L: number, actions: MemberActions): State {
  const near = (y: number) => Math.abs(x - y) <= SAME_PLACE * L
  const out = { ...s }
  for (const p of actions.points)
    if (near(p.x)) {
      out.N -= p.fx
      out.V += p.fy
      out.M -= p.m
    }
  for (const j of actions.jumps)
    if (near(j.x)) {
      out.v += j.slip
      out.slope += j.kink
    }
  return out
}

/** Sum of the linear intensities over a segment that no span begins or ends within, as polynomials in t. */
function intensity(x0: number, x1: number, L: number, actions: MemberActions | undefined) {
  const p = [0, 0]
  const q = [0, 0]
  const c = [0, 0]
  const tolerance = SAME_PLACE * L
  for (const s of actions?.spans ?? []) {
    if (s.a > x0 + tolerance || s.b < x1 - tolerance) continue
    const add = (sum: number[], [from, to]: [number, number]) => {
      const slope = (to - from) / (s.b - s.a)
      sum[0] += from + slope * (x0 - s.a)
      sum[1] += slope
    }
    add(p, s.p)
    add(q, s.q)
    add(c, s.c)
  }
  return { p, q, c }
}
