/** Coefficients in ascending powers: [a0, a1, a2] is a0 + a1·t + a2·t². */
export type Polynomial = number[]

export function evaluatePolynomial(p: Polynomial, t: number): number {
  let value = 0
  for (let i = p.length - 1; i >= 0; i--) value = value * t + p[i]
  return value
}

/** The antiderivative whose value at 0 is `at0`. */
export function antiderivative(p: Polynomial, at0: number): Polynomial {
  const out: Polynomial = new Array<number>(p.length + 1)
  out[0] = at0
  for (let i = 0; i < p.length; i++) out[i + 1] = p[i] / (i + 1)
  return out
}

export function derivative(p: Polynomial): Polynomial {
  const out: Polynomial = []
  for (let i = 1; i < p.length; i++) out.push(p[i] * i)
  return out
}

export function multiplyPolynomials(a: Polynomial, b: Polynomial): Polynomial {
  const out: Polynomial = new Array<number>(a.length + b.length - 1).fill(0)
  a.forEach((x, i) => b.forEach((y, j) => (out[i + j] += x * y)))
  return out
}

/** ∫ p dt from 0 to t. */
export const integral = (p: Polynomial, t: number): number => evaluatePolynomial(antiderivative(p, 0), t)

/**
 * Real roots strictly inside (0, h), ascending; double roots included as far as rounding allows. Between two
 * neighbouring roots of the derivative a polynomial is monotone, so each root has a bracket of its own.
 */
export function rootsInside(p: Polynomial, h: number): number[] {
  const degree = degreeOn(p, h)
  if (degree <= 0) return []
  if (degree === 1) return inside([-p[0] / p[1]], h)
  if (degree === 2) return inside(quadraticRoots(p[0], p[1], p[2]), h)
  const q = p.slice(0, degree + 1)
  const rate = derivative(q)
  const knots = [0, ...rootsInside(rate, h), h]
  const roots: number[] = []
  for (let i = 1; i < knots.length; i++) {
    const [a, b] = [knots[i - 1], knots[i]]
    const fa = evaluatePolynomial(q, a)
    if (fa === 0) roots.push(a)
    else if (fa * evaluatePolynomial(q, b) < 0) roots.push(rootBetween(q, rate, a, b))
  }
  return inside(roots, h)
}

/**
 * The degree without leading coefficients that are rounding error on (0, h): they would add roots that do not
 * exist. −1 where the polynomial is zero, or is no number.
 */
function degreeOn(p: Polynomial, h: number): number {
  const weights: number[] = []
  let scale = 0
  for (let i = 0, power = 1; i < p.length; i++, power *= h) {
    weights.push(Math.abs(p[i]) * power)
    if (!(weights[i] <= scale)) scale = weights[i]
  }
  if (!(scale > 0)) return -1
  let degree = p.length - 1
  while (degree > 0 && weights[degree] <= 1e-14 * scale) degree--
  return degree
}

/** Roots of c + b·t + a·t², a ≠ 0, ascending, without the cancellation of the school formula. */
function quadraticRoots(c: number, b: number, a: number): number[] {
  const discriminant = b * b - 4 * a * c
  if (discriminant < 0) return []
  const far = -(b + (b < 0 ? -1 : 1) * Math.sqrt(discriminant)) / 2
  const [r, s] = [far / a, c / far]
  return r < s ? [r, s] : [s, r]
}

/**
 * The root of a polynomial that changes its sign once between a and b, to the last digit: Newton's steps,
 * halving the bracket where one would leave it.
 */
function rootBetween(q: Polynomial, rate: Polynomial, a: number, b: number): number {
  const rising = evaluatePolynomial(q, b) > 0
  let x = (a + b) / 2
  for (let n = 0; n < 200 && x > a && x < b; n++) {
    const f = evaluatePolynomial(q, x)
    if (f === 0) return x
    if (f > 0 === rising) b = x
    else a = x
    const next = x - f / evaluatePolynomial(rate, x)
    if (next === x) return x
    x = next > a && next < b ? next : (a + b) / 2
  }
  return x
}

function inside(ascending: readonly number[], h: number): number[] {
  const out: number[] = []
  for (const t of ascending) if (t > 0 && t < h && t !== out[out.length - 1]) out.push(t)
  return out
}
