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

export const derivative = (p: Polynomial): Polynomial => p.slice(1).map((a, i) => a * (i + 1))

export function multiplyPolynomials(a: Polynomial, b: Polynomial): Polynomial {
  const out: Polynomial = new Array<number>(a.length + b.length - 1).fill(0)
  a.forEach((x, i) => b.forEach((y, j) => (out[i + j] += x * y)))
  return out
}

/** ∫ p dt from 0 to t. */
export const integral = (p: Polynomial, t: number): number => evaluatePolynomial(antiderivative(p, 0), t)

/**
 * Real roots strictly inside (0, h), ascending; double roots included as far as rounding allows. Between two
 * neighbouring roots of the derivative a polynomial is monotone, so bisection finds each root.
 */
export function rootsInside(p: Polynomial, h: number): number[] {
  const scale = Math.max(...p.map((a, i) => Math.abs(a) * h ** i))
  if (!(scale > 0)) return []
  // leading coefficients that are rounding error would add roots that do not exist
  let degree = p.length - 1
  while (degree > 0 && Math.abs(p[degree]) * h ** degree <= 1e-14 * scale) degree--
  if (degree === 0) return []
  const q = p.slice(0, degree + 1)
  if (degree === 1) return inside([-q[0] / q[1]], h)
  const knots = [0, ...rootsInside(derivative(q), h), h]
  const roots: number[] = []
  for (let i = 1; i < knots.length; i++) {
    let [a, b] = [knots[i - 1], knots[i]]
    const fa = evaluatePolynomial(q, a)
    const fb = evaluatePolynomial(q, b)
    if (fa === 0) roots.push(a)
    if (fa * fb >= 0) continue
    for (let n = 0; n < 200; n++) {
      const mid = (a + b) / 2
      if (mid <= a || mid >= b) break
      if (evaluatePolynomial(q, mid) * fa > 0) a = mid
      else b = mid
    }
    roots.push((a + b) / 2)
  }
  return inside(roots, h)
}

const inside = (roots: number[], h: number) =>
  [...new Set(roots)].filter((t) => t > 0 && t < h).sort((a, b) => a - b)
