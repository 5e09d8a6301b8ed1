import { NUMBERS } from '../quantity/arithmetic.js'
import type { StructureMember } from '../structure/types.js'
import type { MemberActions } from '../structure/actions.js'
import type { Course, CourseKey, PlaceState, Stretch } from './course.js'
import {
  derivative,
  evaluatePolynomial,
  integral,
  multiplyPolynomials,
  rootsInside,
  type Polynomial,
} from './polynomial.js'
import { integrateStretch, intensityFrom, jumped } from './stretch-equations.js'

function isLinear(p: Polynomial): boolean {
  for (let k = 2; k < p.length; k++) if (p[k] !== 0) return false
  return true
}

/** A stretch whose quantities are polynomials in t = x − x0, coefficients in ascending powers. */
export class PolynomialStretch implements Stretch {
  constructor(
    readonly x0: number,
    readonly x1: number,
    readonly coefficients: Readonly<Record<CourseKey, Polynomial>>,
  ) {}

  value(key: CourseKey, x: number): number {
    return evaluatePolynomial(this.coefficients[key], x - this.x0)
  }

  at(x: number): PlaceState {
    const t = x - this.x0
    const { N, V, M, slope, v, u } = this.coefficients
    return {
      N: evaluatePolynomial(N, t),
      V: evaluatePolynomial(V, t),
      M: evaluatePolynomial(M, t),
      slope: evaluatePolynomial(slope, t),
      v: evaluatePolynomial(v, t),
      u: evaluatePolynomial(u, t),
    }
  }

  roots(key: CourseKey, level = 0): number[] {
    const p = this.coefficients[key]
    const shifted = level === 0 ? p : p.map((a, k) => (k === 0 ? a - level : a))
    return rootsInside(shifted, this.x1 - this.x0).map((t) => this.x0 + t)
  }

  turningPoints(key: CourseKey, slope = 0): number[] {
    const p = this.coefficients[key]
    if (isLinear(p)) return []
    const relative = derivative(p)
    if (slope !== 0 && relative.length > 0) relative[0] -= slope
    const places = rootsInside(relative, this.x1 - this.x0)
    for (let i = 0; i < places.length; i++) places[i] += this.x0
    return places
  }

  isStraight(key: CourseKey, tolerance: number): boolean {
    const h = this.x1 - this.x0
    return this.coefficients[key].slice(2).every((a, k) => Math.abs(a) * h ** (k + 2) <= tolerance)
  }
}

/** A course of first-order analysis: exact polynomials on every stretch, since loads are piecewise linear. */
export class PolynomialCourse implements Course {
  constructor(
    private readonly member: StructureMember,
    private readonly actions: MemberActions | undefined,
    readonly stretches: readonly PolynomialStretch[],
    readonly start: PlaceState,
    readonly end: PlaceState,
  ) {}

  get length(): number {
    return this.member.length
  }

  strainWork(): number {
    const { member: m, actions: a } = this
    let work = 0
    for (const { x0, x1, coefficients: c } of this.stretches) {
      const h = x1 - x0
      const square = (p: Polynomial) => integral(multiplyPolynomials(p, p), h)
      if (!m.axiallyRigid) work += square(c.N) / m.EA
      if (!m.bar) work += square(c.M) / m.EI
      if (m.GAs > 0) work += square(c.V) / m.GAs
      if (a) work += a.axialStrain * integral(c.N, h) + (m.bar ? 0 : a.curvature * integral(c.M, h))
    }
    for (const j of a?.jumps ?? []) {
      const at = this.meanAt(j.x)
      // a jump in displacement does work with −V, because V on the left part acts against the jump
      work += at.M * j.kink - at.V * j.slip
    }
    return work
  }

  loadWork(): number {
    let work = 0
    for (const { x0, x1, coefficients: c } of this.stretches) {
      const h = x1 - x0
      for (const t of this.actions?.spans ?? []) {
        if ((x0 + x1) / 2 < t.a || (x0 + x1) / 2 > t.b) continue
        const line = ([q0, q1]: [number, number]) => {
          const k = (q1 - q0) / (t.b - t.a)
          return [q0 + k * (x0 - t.a), k]
        }
        work +=
          integral(multiplyPolynomials(line(t.p), c.u), h) +
          integral(multiplyPolynomials(line(t.q), c.v), h) +
          integral(multiplyPolynomials(line(t.c), c.slope), h)
      }
    }
    for (const p of this.actions?.points ?? []) {
      const at = this.meanAt(p.x)
      work += p.fx * at.u + p.fy * at.v + p.m * at.slope
    }
    return work
  }

  /**
   * The mean of the states left and right of a place. It counts when a misfit and a force act at the same
   * place.
   */
  private meanAt(x: number): PlaceState {
    const near = (y: number) => Math.abs(x - y) <= 1e-9 * this.length
    const before = this.stretches.find((s) => near(s.x1) || (x < s.x1 && !near(0)))
    const after = this.stretches.find((s) => near(s.x0))
    const left = before && !near(0) ? before.at(near(before.x1) ? before.x1 : x) : this.start
    const right = after ? after.at(after.x0) : near(this.length) ? this.end : left
    const keys = Object.keys(left) as CourseKey[]
    return Object.fromEntries(keys.map((k) => [k, (left[k] + right[k]) / 2])) as unknown as PlaceState
  }
}

/** Places of load closer than this fraction of the length count as one place. */
export const SAME_PLACE = 1e-10

/**
 * Integrates the member's equations from its start: N′ = −p, V′ = q, M′ = V − c, slope′ = M/EI + κ₀, v′ =
 * slope − V/(G·As), u′ = N/EA + ε₀; at a point load N, V, M jump by −fx, +fy, −m; at a misfit v and slope
 * jump. Signs: N + tension; V the sum of member-y forces left of the cut; M + with the −y face in tension.
 * Source: Przemieniecki, Theory of Matrix Structural Analysis, ch. 5; exact for piecewise linear loads.
 */
export function integrate(
  m: StructureMember,
  actions: MemberActions | undefined,
  start: PlaceState,
): PolynomialCourse {
  const L = m.length
  const snap = places(L, actions)
  const flexibility = {
    perEA: m.axiallyRigid ? 0 : 1 / m.EA,
    perEI: m.bar ? 0 : 1 / m.EI,
    perGAs: m.GAs > 0 ? 1 / m.GAs : 0,
    strain: actions?.axialStrain ?? 0,
    curvature: m.bar ? 0 : (actions?.curvature ?? 0),
  }
  const stretches: PolynomialStretch[] = []
  let at: PlaceState = start
  for (let i = 0; i < snap.length; i++) {
    const x0 = snap[i]
    if (actions) at = jumpAt(at, x0, L, actions)
    if (i === snap.length - 1) break
    const x1 = snap[i + 1]
    const load = intensity(x0, x1, L, actions)
    const stretch = new PolynomialStretch(x0, x1, integrateStretch(NUMBERS, flexibility, load, at))
    stretches.push(stretch)
    at = stretch.at(x1)
  }
  return new PolynomialCourse(m, actions, stretches, start, at)
}

/**
 * The start, every place where a load begins, ends or acts, and the end, in m. Places within the tolerance
 * are merged.
 */
export function places(L: number, actions: MemberActions | undefined): number[] {
  const out = [0, L]
  if (!actions) return out
  const add = (x: number) => {
    for (const y of out) if (Math.abs(x - y) <= SAME_PLACE * L) return
    out.push(x)
  }
  for (const s of actions.spans) {
    add(s.a)
    add(s.b)
  }
  for (const p of actions.points) add(p.x)
  for (const j of actions.jumps) add(j.x)
  return out.length > 2 ? out.sort((a, b) => a - b) : out
}

/**
 * The state just right of a place, from the state just left of it and the jumps of the loads and misfits
 * there.
 */
function jumpAt(s: PlaceState, x: number, L: number, actions: MemberActions): PlaceState {
  const here = (a: { x: number }) => Math.abs(x - a.x) <= SAME_PLACE * L
  return jumped(NUMBERS, s, actions.points.filter(here), actions.jumps.filter(here))
}

/** Sum of the linear intensities over a segment that no span begins or ends within, as polynomials in t. */
export function intensity(x0: number, x1: number, L: number, actions: MemberActions | undefined) {
  const tolerance = SAME_PLACE * L
  const over = (actions?.spans ?? []).filter((s) => s.a <= x0 + tolerance && s.b >= x1 - tolerance)
  return intensityFrom(NUMBERS, over, x0)
}
