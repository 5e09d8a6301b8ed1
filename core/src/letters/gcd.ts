import type { Monomials } from './monomials.js'
import {
  add,
  constant,
  content,
  exactly,
  gcdOf,
  isConstant,
  leading,
  multiply,
  negate,
  ONE,
  put,
  type Polynomial,
} from './polynomial.js'

/** A polynomial in one of its unknowns: its coefficients, polynomials in the others, by power. */
type InOne = Polynomial[]

/** A polynomial as one in the unknown `u`, coefficients by power. */
export function inOne(p: Polynomial, u: number, monomials: Monomials): InOne {
  const out: Map<number, bigint>[] = []
  for (const [key, c] of p) {
    const power = monomials.power(key, u)
    while (out.length <= power) out.push(new Map())
    put(out[power], monomials.without(key, u), c)
  }
  return out
}

export function fromOne(p: InOne, u: number, monomials: Monomials): Polynomial {
  const out = new Map<number, bigint>()
  p.forEach((c, power) => {
    for (const [key, value] of c) put(out, key + monomials.key(u, power), value)
  })
  return out
}

/** The last unknown that a polynomial holds; −1 of a number. */
function lastUnknown(p: Polynomial, monomials: Monomials): number {
  const degrees = monomials.degrees(p.keys())
  for (let u = degrees.length - 1; u >= 0; u--) if (degrees[u] > 0) return u
  return -1
}

export const primitive = (p: Polynomial): Polynomial => {
  const c = content(p)
  return c <= 1n ? p : new Map([...p].map(([key, value]) => [key, value / c]))
}

/** A common monomial of all terms, as its key. */
export function commonMonomial(p: Polynomial, monomials: Monomials): number {
  let least: number[] | undefined
  for (const key of p.keys()) {
    least = (least ?? Array.from({ length: monomials.count }, () => Infinity)).map((x, u) =>
      Math.min(x, monomials.power(key, u)),
    )
    if (least.every((x) => x === 0)) return 0
  }
  return (least ?? []).reduce((key, power, u) => key + monomials.key(u, power), 0)
}

/**
 * The greatest common divisor, its leading coefficient positive; of the zero polynomial and p it is p. By the
 * primitive remainder sequence in one unknown after another. Source: Geddes, Czapor, Labahn, Algorithms for
 * Computer Algebra, ch. 7.
 */
export function gcd(a: Polynomial, b: Polynomial, monomials: Monomials): Polynomial {
  if (a.size === 0) return positive(b)
  if (b.size === 0) return positive(a)
  if (isConstant(a) || isConstant(b)) return constant(gcdOf(content(a), content(b)))
  if (a.size === 1 || b.size === 1) {
    const c = gcdOf(content(a), content(b))
    const [x, y] = [commonMonomial(a, monomials), commonMonomial(b, monomials)]
    let key = 0
    for (let u = 0; u < monomials.count; u++)
      key += monomials.key(u, Math.min(monomials.power(x, u), monomials.power(y, u)))
    return new Map([[key, c]])
  }
  const u = Math.max(lastUnknown(a, monomials), lastUnknown(b, monomials))
  const x = inOne(a, u, monomials)
  const y = inOne(b, u, monomials)
  const [cx, cy] = [contentIn(x, monomials), contentIn(y, monomials)]
  const common = gcd(cx, cy, monomials)
  if (x.length === 1 || y.length === 1) return common
  const g = remainders(parted(x, cx, monomials), parted(y, cy, monomials), monomials)
  return positive(multiply(common, fromOne(g, u, monomials), monomials))
}

const contentIn = (p: InOne, monomials: Monomials): Polynomial => {
  let g: Polynomial = new Map()
  for (const c of p) {
    g = gcd(g, c, monomials)
    if (g.size === 1 && g.get(0) === 1n) return ONE
  }
  return g
}

const parted = (p: InOne, by: Polynomial, monomials: Monomials): InOne =>
  p.map((c) => exactly(c, by, monomials))

const positive = (p: Polynomial): Polynomial => (p.size > 0 && leading(p)[1] < 0n ? negate(p) : p)

/** The last remainder that is not zero, primitive; [1] where the two have nothing in common. */
function remainders(a: InOne, b: InOne, monomials: Monomials): InOne {
  let [x, y] = a.length >= b.length ? [a, b] : [b, a]
  for (;;) {
    const rest = pseudoRemainder(x, y, monomials)
    if (rest.length === 0) return y
    if (rest.length === 1) return [ONE]
    const c = contentIn(rest, monomials)
    ;[x, y] = [y, parted(rest, c, monomials)]
  }
}

/** The remainder of x by y after x was multiplied with what makes the division possible. */
function pseudoRemainder(x: InOne, y: InOne, monomials: Monomials): InOne {
  const rest = [...x]
  const lead = y[y.length - 1]
  while (rest.length >= y.length) {
    const top = rest[rest.length - 1]
    const shift = rest.length - y.length
    const g = gcd(top, lead, monomials)
    const up = exactly(lead, g, monomials)
    const by = negate(exactly(top, g, monomials))
    for (let k = 0; k < rest.length; k++) rest[k] = multiply(rest[k], up, monomials)
    y.forEach((c, k) => (rest[k + shift] = add(rest[k + shift], multiply(c, by, monomials))))
    while (rest.length > 0 && rest[rest.length - 1].size === 0) rest.pop()
  }
  return rest
}
