import { TooLong, type Monomials } from './monomials.js'

/**
 * Polynomials with whole numbers as coefficients, in several unknowns: coefficient by monomial, none of them
 * zero. What a polynomial is made of never changes once it is made.
 */
export type Polynomial = ReadonlyMap<number, bigint>

export const ZERO: Polynomial = new Map()
export const constant = (c: bigint): Polynomial => (c === 0n ? ZERO : new Map([[0, c]]))
export const ONE = constant(1n)

export const isConstant = (p: Polynomial): boolean => p.size === 0 || (p.size === 1 && p.has(0))
export const isOne = (p: Polynomial): boolean => p.size === 1 && p.get(0) === 1n

export function add(a: Polynomial, b: Polynomial): Polynomial {
  if (a.size === 0) return b
  if (b.size === 0) return a
  const out = new Map(a)
  for (const [key, c] of b) put(out, key, c)
  return out
}

export function put(into: Map<number, bigint>, key: number, c: bigint): void {
  const sum = (into.get(key) ?? 0n) + c
  if (sum === 0n) into.delete(key)
  else into.set(key, sum)
}

export const negate = (a: Polynomial): Polynomial => scale(a, -1n)

export function scale(a: Polynomial, by: bigint): Polynomial {
  if (by === 1n || a.size === 0) return a
  const out = new Map<number, bigint>()
  if (by !== 0n) for (const [key, c] of a) out.set(key, c * by)
  return out
}

/** More products of coefficients than this in one multiplication are not made. */
const MOST_PRODUCTS = 40_000

/**
 * @param monomials knows how far the powers may grow
 * @throws TooLong when the product is longer than is worked with
 */
export function multiply(a: Polynomial, b: Polynomial, monomials: Monomials): Polynomial {
  if (isOne(a)) return b
  if (isOne(b)) return a
  if (a.size * b.size > MOST_PRODUCTS) throw new TooLong()
  monomials.spend(a.size * b.size, firstOf(a), firstOf(b))
  monomials.refuseOverflow(a.keys(), b.keys())
  const out = new Map<number, bigint>()
  for (const [ka, ca] of a) for (const [kb, cb] of b) put(out, ka + kb, ca * cb)
  return out
}

export function power(a: Polynomial, n: number, monomials: Monomials): Polynomial {
  let out = ONE
  for (let k = 0; k < n; k++) out = multiply(out, a, monomials)
  return out
}

const firstOf = (a: Polynomial): bigint => a.values().next().value ?? 0n

/** The greatest monomial in the order of their keys, with its coefficient. */
export function leading(a: Polynomial): [key: number, c: bigint] {
  let key = -1
  for (const k of a.keys()) if (k > key) key = k
  return [key, a.get(key)!]
}

/** a / b where b divides a; undefined where it does not. */
export function divided(a: Polynomial, b: Polynomial, monomials: Monomials): Polynomial | undefined {
  if (isOne(b)) return a
  const [lead, c] = leading(b)
  const rest = new Map(a)
  const out = new Map<number, bigint>()
  while (rest.size > 0) {
    const [key, top] = leading(rest)
    if (top % c !== 0n || !monomials.divides(lead, key)) return undefined
    const by = top / c
    monomials.spend(b.size, by, c)
    out.set(key - lead, by)
    for (const [kb, cb] of b) put(rest, key - lead + kb, -by * cb)
  }
  return out
}

/** a / b, of which it is known that b divides a. */
export const exactly = (a: Polynomial, b: Polynomial, monomials: Monomials): Polynomial => {
  const out = divided(a, b, monomials)
  if (!out) throw new Error('The division leaves a rest.')
  return out
}

const absolute = (a: bigint) => (a < 0n ? -a : a)

export function gcdOf(a: bigint, b: bigint): bigint {
  let [x, y] = [absolute(a), absolute(b)]
  while (y !== 0n) [x, y] = [y, x % y]
  return x
}

/** The greatest whole number that divides every coefficient; 0 of the zero polynomial. */
export function content(a: Polynomial): bigint {
  let g = 0n
  for (const c of a.values()) {
    g = gcdOf(g, c)
    if (g === 1n) break
  }
  return g
}
