import type { Field } from './field.js'
import { commonMonomial, gcd, inOne, primitive } from './gcd.js'
import {
  content,
  divided,
  exactly,
  gcdOf,
  isConstant,
  leading,
  negate,
  type Polynomial,
} from './polynomial.js'

/** A polynomial as a product: a whole number, a monomial, and polynomials to powers. */
export interface Factors {
  number: bigint
  monomial: number
  powers: { of: Polynomial; power: number }[]
}

/**
 * A polynomial as the product of what divides it: its content, its monomial, linear factors in one unknown,
 * and those of some candidates that divide it; what remains is left as it is, repeated factors apart.
 */
export function factorsOf(field: Field, p: Polynomial, candidates: readonly Polynomial[]): Factors {
  const { monomials } = field
  const monomial = commonMonomial(p, monomials)
  const number = content(p) * (leading(p)[1] < 0n ? -1n : 1n)
  let rest: Polynomial = new Map([...p].map(([key, c]) => [key - monomial, c / number]))
  const powers: Factors['powers'] = []
  const take = (of: Polynomial) => {
    let power = 0
    for (let next = divided(rest, of, monomials); next; next = divided(rest, of, monomials)) {
      rest = next
      power++
    }
    if (power > 0) powers.push({ of, power })
  }
  for (const c of candidates) if (!isConstant(c)) take(c)
  for (const c of linearFactors(field, rest)) take(c)
  for (const { of, power } of repeated(field, rest)) powers.push({ of, power })
  // the sign that a division by a candidate may have left
  const sign = powers.reduce((s, { of, power }) => (leading(of)[1] < 0n && power % 2 ? -s : s), 1n)
  return {
    number: number * sign,
    monomial,
    powers: powers.map(({ of, power }) => ({ of: leading(of)[1] < 0n ? negate(of) : of, power })),
  }
}

/** A polynomial by its factors that occur once, twice, and so on. Source: Yun (1976). */
function repeated(field: Field, p: Polynomial): Factors['powers'] {
  const { monomials } = field
  if (isConstant(p)) return p.get(0) === -1n ? [{ of: p, power: 1 }] : []
  for (let u = 0; u < monomials.count; u++) {
    const twice = gcd(p, field.derivative(p, u), monomials)
    if (isConstant(twice)) continue
    const once = exactly(p, twice, monomials)
    // what occurs more often than once divides both
    const more = gcd(once, twice, monomials)
    if (isConstant(more)) continue
    const of = primitive(more)
    let rest = p
    let power = 0
    for (let next = divided(rest, of, monomials); next; next = divided(rest, of, monomials)) {
      rest = next
      power++
    }
    return [{ of, power }, ...repeated(field, rest)]
  }
  return [{ of: p, power: 1 }]
}

/** Divisors up to this are tried. */
const MOST_DIVISORS = 400

/** The linear factors with whole coefficients of a polynomial in one unknown; none of one in several. */
function linearFactors(field: Field, p: Polynomial): Polynomial[] {
  const degrees = field.monomials.degrees(p.keys())
  const unknowns = degrees.flatMap((d, u) => (d > 0 ? [u] : []))
  if (unknowns.length !== 1) return []
  const [u] = unknowns
  const c = inOne(p, u, field.monomials).map((q) => q.get(0) ?? 0n)
  const out: Polynomial[] = []
  for (const under of divisors(c[c.length - 1]))
    for (const over of divisors(c[0])) {
      if (gcdOf(over, under) !== 1n) continue
      for (const sign of [1n, -1n]) {
        // a root −over/under belongs to the factor under·x + over
        let value = 0n
        c.forEach((a, k) => (value += a * (-sign * over) ** BigInt(k) * under ** BigInt(c.length - 1 - k)))
        if (value !== 0n) continue
        out.push(
          new Map([
            [0, sign * over],
            [field.monomials.key(u), under],
          ]),
        )
      }
    }
  return out
}

function divisors(c: bigint): bigint[] {
  const size = c < 0n ? -c : c
  const out: bigint[] = []
  for (let d = 1n; d * d <= size && d <= MOST_DIVISORS; d++)
    if (size % d === 0n) out.push(d, ...(d * d === size ? [] : [size / d]))
  return out
}
