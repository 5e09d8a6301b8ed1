/** What is said where an expression would grow longer than is worked with. */
export class TooLong extends Error {
  constructor() {
    super('The results in letters are longer than is of use: give numbers to some of the letters.')
  }
}

/** How many words of a machine a number has, about. */
const words = (c: bigint) => (c < SHORT && c > -SHORT ? 1 : c.toString(16).length / 16)
const SHORT = 2n ** 63n

/** Products of coefficients that are made for one problem at most. */
const MOST_WORK = 2_000_000
/** Powers of a letter go up to one less than this. */
const LETTER = 64
/** Powers of a square root, before its square is put in. */
const ROOT = 4
/** Keys of monomials are whole numbers that a double holds exactly. */
const LARGEST_KEY = 2 ** 53

/**
 * The monomials of some unknowns, each as one whole number: the powers stand in it side by side, so that
 * monomials are multiplied by adding their numbers. Unknowns are known by index; more can be added.
 */
export class Monomials {
  private readonly weights: number[] = []
  private readonly sizes: number[] = []
  private next = 1
  private spent = 0

  /**
   * Counts the work that is done, by the number of products and the length of two of their factors.
   * @throws TooLong when it is more than a person waits for
   */
  spend(products: number, a: bigint, b: bigint): void {
    this.spent += products * (1 + (words(a) * words(b)) / 4)
    if (this.spent > MOST_WORK) throw new TooLong()
  }

  get count(): number {
    return this.weights.length
  }

  /**
   * Adds an unknown: a letter, or a square root, whose powers are put in as soon as it is squared.
   * @returns its index
   * @throws TooLong when there is no room for it
   */
  grow(kind: 'letter' | 'root'): number {
    const size = kind === 'letter' ? LETTER : ROOT
    if (this.next * size > LARGEST_KEY) throw new TooLong()
    this.weights.push(this.next)
    this.sizes.push(size)
    this.next *= size
    return this.weights.length - 1
  }

  /** The monomial of one unknown to a power. */
  key(unknown: number, power = 1): number {
    return power * this.weights[unknown]
  }

  /** The power of an unknown in a monomial. */
  power(key: number, unknown: number): number {
    return Math.floor(key / this.weights[unknown]) % this.sizes[unknown]
  }

  /** A monomial without one of its unknowns. */
  without(key: number, unknown: number): number {
    return key - this.key(unknown, this.power(key, unknown))
  }

  /** Whether a monomial divides another. */
  divides(divisor: number, key: number): boolean {
    if (divisor > key) return false
    for (let u = 0; u < this.count; u++) if (this.power(divisor, u) > this.power(key, u)) return false
    return true
  }

  /** The greatest powers of each unknown. */
  degrees(keys: Iterable<number>): number[] {
    const out = this.weights.map(() => 0)
    for (const key of keys)
      if (key > 0)
        for (let u = 0; u < out.length; u++) {
          const p = this.power(key, u)
          if (p > out[u]) out[u] = p
        }
    return out
  }

  /** @throws TooLong when a product of these would have powers that its number cannot hold */
  refuseOverflow(a: Iterable<number>, b: Iterable<number>): void {
    const x = this.degrees(a)
    const y = this.degrees(b)
    if (x.some((p, u) => p + y[u] >= this.sizes[u])) throw new TooLong()
  }
}
