import type { Arithmetic } from '../quantity/arithmetic.js'
import { decimal, simplest, type Fraction } from './fraction.js'
import { gcd } from './gcd.js'
import { Monomials } from './monomials.js'
import {
  add,
  constant,
  content,
  divided,
  exactly,
  gcdOf,
  isConstant,
  isOne,
  leading,
  multiply,
  negate,
  ONE,
  put,
  scale,
  ZERO,
  type Polynomial,
} from './polynomial.js'
import { squarePart } from './square-part.js'

/**
 * A quotient of polynomials in the letters, the numerator with square roots besides. Nothing divides both,
 * no root is squared, and the denominator has no root and begins with a positive coefficient; so two that are
 * equal look the same.
 */
export interface Quotient {
  n: Polynomial
  d: Polynomial
}

/** What cannot be said with letters, in a sentence. */
export class NotInLetters extends Error {}

/** A square root that stands for itself: its index, and what stands under it. */
interface Root {
  unknown: number
  under: Polynomial
}

export const NOTHING: Quotient = { n: ZERO, d: ONE }
export const UNITY: Quotient = { n: ONE, d: ONE }
export const isZero = (q: Quotient): boolean => q.n.size === 0

/** Exact arithmetic with letters. Letters are positive; a sample of each decides which way things lie. */
export class Field implements Arithmetic<Quotient> {
  readonly monomials = new Monomials()
  readonly roots: Root[] = []
  /** The sample of each unknown. */
  private readonly samples: number[] = []

  /** Adds a letter. */
  letter(sample: number): Quotient {
    const unknown = this.monomials.grow('letter')
    this.samples[unknown] = sample
    return { n: new Map([[this.monomials.key(unknown), 1n]]), d: ONE }
  }

  /** An unknown by its index. */
  unknown(at: number): Quotient {
    return { n: new Map([[this.monomials.key(at), 1n]]), d: ONE }
  }

  /** A number as its decimal says, exactly. */
  of(value: number): Quotient {
    return Number.isSafeInteger(value)
      ? { n: constant(BigInt(value)), d: ONE }
      : this.fraction(decimal(value))
  }

  /** A number that was computed with rounding, as the simple fraction that it was. */
  nearest(value: number): Quotient {
    return this.fraction(simplest(value))
  }

  fraction([over, under]: Fraction): Quotient {
    const g = gcdOf(over, under)
    return g === 0n ? NOTHING : { n: constant(over / g), d: constant(under / g) }
  }

  add(a: Quotient, b: Quotient): Quotient {
    if (isZero(a)) return b
    if (isZero(b)) return a
    if (a.d === b.d || (isOne(a.d) && isOne(b.d))) return this.reduced(add(a.n, b.n), a.d)
    const g = gcd(a.d, b.d, this.monomials)
    const [x, y] = [exactly(a.d, g, this.monomials), exactly(b.d, g, this.monomials)]
    return this.reduced(add(this.times(a.n, y), this.times(b.n, x)), this.times(a.d, y))
  }

  negate(a: Quotient): Quotient {
    return { n: negate(a.n), d: a.d }
  }

  subtract(a: Quotient, b: Quotient): Quotient {
    return this.add(a, this.negate(b))
  }

  multiply(a: Quotient, b: Quotient): Quotient {
    if (isZero(a) || isZero(b)) return NOTHING
    return this.reduced(this.withoutSquares(this.times(a.n, b.n)), this.times(a.d, b.d))
  }

  divide(a: Quotient, b: Quotient): Quotient {
    return this.multiply(a, this.inverse(b))
  }

  /** 1/a, the roots multiplied out of its denominator. */
  inverse({ n, d }: Quotient): Quotient {
    if (n.size === 0) throw new NotInLetters('A division by zero.')
    let under = n
    let over = d
    for (const { unknown } of this.roots) {
      if (!this.holds(under, unknown)) continue
      const other = this.conjugate(under, unknown)
      under = this.withoutSquares(this.times(under, other))
      over = this.withoutSquares(this.times(over, other))
    }
    return this.reduced(over, under)
  }

  power(a: Quotient, exponent: number): Quotient {
    if (exponent < 0) return this.power(this.inverse(a), -exponent)
    if (exponent % 1 === 0.5) return this.multiply(this.power(a, exponent - 0.5), this.root(a))
    if (!Number.isInteger(exponent) || exponent > 32)
      throw new NotInLetters(`A power of ${exponent} is not worked with in letters.`)
    let out = UNITY
    for (let k = 0; k < exponent; k++) out = this.multiply(out, a)
    return out
  }

  /** The square root; squares are taken out of it, what remains stands for itself. */
  root(a: Quotient): Quotient {
    if (isZero(a)) return a
    if (this.roots.some((r) => this.holds(a.n, r.unknown)))
      throw new NotInLetters('A square root of a square root is not worked with in letters.')
    const product = this.times(a.n, a.d)
    const c = content(product)
    let out: Quotient = this.multiply(this.rootOfNumber(c), { n: ONE, d: a.d })
    const [squared, rest] = this.squareOf(new Map([...product].map(([key, v]) => [key, v / c])))
    out = this.multiply(out, this.absolute({ n: squared, d: ONE }))
    return isOne(rest) ? out : this.multiply(out, this.rootOf(rest))
  }

  /** Its sample value. */
  value({ n, d }: Quotient): number {
    return this.sampleOf(n) / this.sampleOf(d)
  }

  /** Its size: its sample says which sign it has. */
  absolute(a: Quotient): Quotient {
    return this.value(a) < 0 ? this.negate(a) : a
  }

  isZero = isZero

  /** Which of two is less for the sample. */
  isLess(a: Quotient, b: Quotient): boolean {
    return this.value(a) < this.value(b)
  }

  /** Whether an unknown occurs in it. */
  has(a: Quotient, unknown: number): boolean {
    return this.holds(a.n, unknown) || this.holds(a.d, unknown)
  }

  private sampleOf(p: Polynomial): number {
    let sum = 0
    for (const [key, c] of p) {
      let term = Number(c)
      for (let u = 0; u < this.samples.length; u++) {
        const power = key === 0 ? 0 : this.monomials.power(key, u)
        if (power > 0) term *= this.samples[u] ** power
      }
      sum += term
    }
    return sum
  }

  private times = (a: Polynomial, b: Polynomial) => multiply(a, b, this.monomials)

  private holds(p: Polynomial, unknown: number): boolean {
    for (const key of p.keys()) if (this.monomials.power(key, unknown) > 0) return true
    return false
  }

  /** p with the sign of one root changed. */
  private conjugate(p: Polynomial, unknown: number): Polynomial {
    return new Map([...p].map(([key, c]) => [key, this.monomials.power(key, unknown) % 2 ? -c : c]))
  }

  /** Puts in what the squares of roots are. */
  private withoutSquares(p: Polynomial): Polynomial {
    let out = p
    for (const { unknown, under } of this.roots) {
      const squared: [key: number, c: bigint][] = []
      for (const [key, c] of out) if (this.monomials.power(key, unknown) > 1) squared.push([key, c])
      if (squared.length === 0) continue
      const rest = new Map(out)
      let added = ZERO
      const square = this.monomials.key(unknown, 2)
      for (const [key, c] of squared) {
        rest.delete(key)
        added = add(added, this.times(new Map([[key - square, c]]), under))
      }
      out = add(rest, added)
    }
    return out
  }

  private reduced(n: Polynomial, d: Polynomial): Quotient {
    if (n.size === 0) return NOTHING
    const g = gcd(n, d, this.monomials)
    const sign = leading(d)[1] < 0n ? -1n : 1n
    if (isOne(g) && sign === 1n) return { n, d }
    return {
      n: scale(exactly(n, g, this.monomials), sign),
      d: scale(exactly(d, g, this.monomials), sign),
    }
  }

  /** The root of a whole number: of small primes where it is made of few, else its decimal. */
  private rootOfNumber(c: bigint): Quotient {
    const [whole, primes] = squarePart(c)
    const under = primes.reduce((p, q) => p * q, 1n)
    const isKnown = (p: bigint) => this.roots.some((r) => same(r.under, constant(p)))
    const added = primes.filter((p) => !isKnown(p)).length
    if (under > LARGEST_UNDER || this.roots.length + added > MOST_ROOTS)
      return this.fraction(decimal(Math.sqrt(Number(c))))
    return primes.reduce<Quotient>((out, p) => this.multiply(out, this.rootOf(constant(p))), {
      n: constant(whole),
      d: ONE,
    })
  }

  /** The root of what has no square in it. */
  private rootOf(under: Polynomial): Quotient {
    let root = this.roots.find((r) => same(r.under, under))
    if (!root) {
      const sample = this.sampleOf(under)
      if (sample < 0) throw new NotInLetters('The square root of a negative number has no value.')
      root = { unknown: this.monomials.grow('root'), under }
      this.samples[root.unknown] = Math.sqrt(sample)
      this.roots.push(root)
    }
    return { n: new Map([[this.monomials.key(root.unknown), 1n]]), d: ONE }
  }

  /** A polynomial as a square times a rest without squares: the root of the square, and the rest. */
  private squareOf(p: Polynomial): [root: Polynomial, rest: Polynomial] {
    const { monomials } = this
    let out = ONE
    let rest = p
    for (let u = 0; u < monomials.count; u++) {
      while (!isConstant(rest)) {
        let factor = gcd(rest, this.derivative(rest, u), monomials)
        let left: Polynomial | undefined
        // a factor that occurs five times is four times in the first of these
        while (this.holds(factor, u) && !left) {
          left = divided(rest, this.times(factor, factor), monomials)
          if (!left) factor = gcd(factor, this.derivative(factor, u), monomials)
        }
        if (!left) break
        out = this.times(out, factor)
        rest = left
      }
    }
    return [out, rest]
  }

  /** The derivative by an unknown. */
  derivative(p: Polynomial, u: number): Polynomial {
    const out = new Map<number, bigint>()
    for (const [key, c] of p) {
      const power = this.monomials.power(key, u)
      if (power > 0) put(out, key - this.monomials.key(u), c * BigInt(power))
    }
    return out
  }
}

const same = (a: Polynomial, b: Polynomial) =>
  a.size === b.size && [...a].every(([key, c]) => b.get(key) === c)

/** A square root of a larger number, its squares taken out, is written as a decimal. */
const LARGEST_UNDER = 100_000n
/** Different square roots that are kept; each of them doubles the length of an expression. */
const MOST_ROOTS = 4
