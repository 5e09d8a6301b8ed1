import type { Course, CourseKey, Stretch } from '../analysis/course.js'

/** A quantity over one stretch as a polynomial in x, which runs from the start of the member. */
export interface StretchFormula {
  x0: number
  x1: number
  /** Coefficients in ascending powers of x, SI; what is rounding error is 0. */
  coefficients: number[]
}

/** Highest power: the deflection under a load that varies linearly. */
const MOST = 5
/** A term smaller than this part of the largest one on its stretch is rounding error. */
const ROUNDING = 1e-9

/**
 * N(x), V(x), M(x), v(x) … of first-order analysis, stretch by stretch: the polynomial through as many points
 * as its degree asks for (Newton's divided differences), so that no coefficient of the course need be known.
 */
export const formulasOf = (course: Course, key: CourseKey): StretchFormula[] =>
  course.stretches.map((s) => ({ x0: s.x0, x1: s.x1, coefficients: polynomialThrough(s, key) }))

function polynomialThrough(s: Stretch, key: CourseKey): number[] {
  const h = s.x1 - s.x0
  // in t = (x − x0)/h the points are well apart, whatever the length
  const ts = Array.from({ length: MOST + 1 }, (_, i) => i / MOST)
  const d = ts.map((t) => s.value(key, s.x0 + t * h))
  for (let k = 1; k <= MOST; k++)
    for (let i = MOST; i >= k; i--) d[i] = (d[i] - d[i - 1]) / (ts[i] - ts[i - k])
  // Newton's form to powers of t, then t = (x − x0)/h to powers of x
  let inT = [d[MOST]]
  for (let k = MOST - 1; k >= 0; k--) inT = add(shift(inT, -ts[k]), d[k])
  const most = Math.max(0, ...inT.map(Math.abs))
  const clean = inT.map((c) => (Math.abs(c) <= ROUNDING * most ? 0 : c))
  return inPowersOfX(clean, s.x0, h)
}

/** p·(t + c) for a polynomial in ascending powers. */
const shift = (p: readonly number[], c: number): number[] =>
  Array.from({ length: p.length + 1 }, (_, i) => (p[i - 1] ?? 0) + c * (p[i] ?? 0))

const add = ([first, ...rest]: readonly number[], c: number): number[] => [first + c, ...rest]

/** The same polynomial in x, where t = (x − x0)/h. */
function inPowersOfX(p: readonly number[], x0: number, h: number): number[] {
  let out = [p[p.length - 1] ?? 0]
  for (let k = p.length - 2; k >= 0; k--)
    out = add(
      shift(out, -x0).map((c) => c / h),
      p[k],
    )
  const top = Math.max(x0, x0 + h)
  const most = Math.max(0, ...out.map((c, k) => Math.abs(c) * top ** k))
  const clean = out.map((c, k) => (Math.abs(c) * top ** k <= ROUNDING * most ? 0 : c))
  while (clean.length > 1 && clean[clean.length - 1] === 0) clean.pop()
  return clean
}

/** The value of a formula at x, by Horner's rule. */
export const valueOfFormula = ({ coefficients }: StretchFormula, x: number): number =>
  coefficients.reduceRight((sum, c) => sum * x + c, 0)
