import type { Arithmetic } from '../quantity/arithmetic.js'
import type { Jump, PointAction, Span } from '../structure/actions.js'
import type { CourseKey } from './course.js'

/** The state at one place of a member, in one kind of number, as `PlaceState` has it. */
export type StateIn<N> = Record<CourseKey, N>

/** Coefficients of polynomials in t = x − x0, ascending powers, by quantity. */
export type StretchPolynomials<N> = Record<CourseKey, N[]>

/** The flexibilities of a member per length, and its free strains. */
export interface Flexibility<N> {
  perEA: N
  perEI: N
  perGAs: N
  strain: N
  curvature: N
}

/** Linear intensities on a stretch, constant and per t. */
export type Intensity<N> = Record<'p' | 'q' | 'c', [N, N]>

/** The sum of the intensities of spans that reach over a stretch which begins at x0. */
export function intensityFrom<N>(by: Arithmetic<N>, spans: readonly Span<N>[], x0: N): Intensity<N> {
  const none = by.of(0)
  const out: Intensity<N> = { p: [none, none], q: [none, none], c: [none, none] }
  for (const s of spans)
    for (const key of ['p', 'q', 'c'] as const) {
      const [from, to] = s[key]
      const sum = out[key]
      const slope = by.divide(by.subtract(to, from), by.subtract(s.b, s.a))
      sum[0] = by.add(sum[0], by.add(from, by.multiply(slope, by.subtract(x0, s.a))))
      sum[1] = by.add(sum[1], slope)
    }
  return out
}

/** The state just right of a place, from the state just left of it and the loads and misfits there. */
export function jumped<N>(
  by: Arithmetic<N>,
  state: StateIn<N>,
  points: readonly PointAction<N>[],
  jumps: readonly Jump<N>[],
): StateIn<N> {
  const out = { ...state }
  for (const p of points) {
    out.N = by.subtract(out.N, p.fx)
    out.V = by.add(out.V, p.fy)
    out.M = by.subtract(out.M, p.m)
  }
  for (const j of jumps) {
    out.v = by.add(out.v, j.slip)
    out.slope = by.add(out.slope, j.kink)
  }
  return out
}

/**
 * Integrates the member's equations over a stretch from the state at its start: N′ = −p, V′ = q, M′ = V − c,
 * slope′ = M/EI + κ₀, v′ = slope − V/(G·As), u′ = N/EA + ε₀.
 */
export function integrateStretch<N>(
  by: Arithmetic<N>,
  f: Flexibility<N>,
  { p, q, c }: Intensity<N>,
  at: StateIn<N>,
): StretchPolynomials<N> {
  const minus = (a: N) => by.subtract(by.of(0), a)
  const times = (a: readonly N[], k: N) => a.map((x) => by.multiply(x, k))
  const from0 = ([first, ...rest]: readonly N[], add: N) => [by.add(first, add), ...rest]
  const N = antiderivativeIn(by, [minus(p[0]), minus(p[1])], at.N)
  const V = antiderivativeIn(by, q, at.V)
  const M = antiderivativeIn(by, [by.subtract(V[0], c[0]), by.subtract(V[1], c[1]), V[2]], at.M)
  const slope = antiderivativeIn(by, from0(times(M, f.perEI), f.curvature), at.slope)
  const shear = by.isZero(f.perGAs) ? [] : times(V, f.perGAs)
  const rate = slope.map((x, k) => (k < shear.length ? by.subtract(x, shear[k]) : x))
  const v = antiderivativeIn(by, rate, at.v)
  // a rigid member keeps its length also where its axial force is undetermined (NaN)
  const stretched = by.isZero(f.perEA) ? [f.strain] : from0(times(N, f.perEA), f.strain)
  return { N, V, M, slope, v, u: antiderivativeIn(by, stretched, at.u) }
}

/** The antiderivative whose value at 0 is `at0`. */
export function antiderivativeIn<N>(by: Arithmetic<N>, p: readonly N[], at0: N): N[] {
  const out = [at0]
  for (let i = 0; i < p.length; i++) out.push(by.divide(p[i], by.of(i + 1)))
  return out
}

/** The value of a polynomial at t. */
export function evaluateIn<N>(by: Arithmetic<N>, p: readonly N[], t: N): N {
  let value = by.of(0)
  for (let i = p.length - 1; i >= 0; i--) value = by.add(by.multiply(value, t), p[i])
  return value
}
