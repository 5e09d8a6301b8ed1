import type { Dimension } from '../quantity/dimension.js'
import { factorsOf, type Factors } from './factors.js'
import { isZero, type Field, type Quotient } from './field.js'
import type { Opened } from './opening.js'
import type { Letter } from './reading.js'
import { isConstant, negate, ONE, type Polynomial } from './polynomial.js'
import { powersOf, scalePowers, type Powers } from './scales.js'
import { partOf } from './states.js'
import { abs, decimalOf, fraction, grouped, joined, LONGEST, raised, type Raised } from './terms.js'

/** Writes exact numbers as expressions of the problem's notation. */
export class Writer {
  private readonly field: Field
  /** Powers of length and force of each unknown. */
  private readonly powers: Powers[] = []
  /** How each unknown is written: a letter, or a square root. */
  private readonly names: string[] = []
  private readonly hidden: number[]
  private readonly candidates: Polynomial[]

  constructor(
    private readonly opened: Opened,
    /** The names of the symbols in the order of the problem. */
    private readonly order: readonly string[],
  ) {
    this.field = opened.field
    for (const u of opened.unknowns) {
      this.powers[u.at] = powersOf(u.letter.dimension)
      this.names[u.at] = u.letter.name === 'π' ? 'pi' : u.letter.name
    }
    this.hidden = opened.unknowns.filter((u) => u.hidden).map((u) => u.at)
    this.candidates = candidatesOf(opened)
  }

  /**
   * A number as an expression; null where it holds what stands for a plain number.
   * @param dimension of what it is
   */
  write(q: Quotient, dimension: Dimension): string | null {
    if (isZero(q)) return '0'
    if (this.hidden.some((u) => this.field.has(q, u))) return null
    this.nameRoots()
    const { loads } = this.opened
    const parts = this.isSum(q)
      ? [...loads, undefined].map((letter) => ({ letter, part: partOf(this.field, q, loads, letter) }))
      : [{ letter: undefined, part: q }]
    const powers = powersOf(dimension)
    return joined(
      parts.filter(({ part }) => !isZero(part)).map(({ letter, part }) => this.product(part, letter, powers)),
    )
  }

  /** Whether each term holds one load letter to the first power, or none: then each letter has its term. */
  private isSum({ n, d }: Quotient): boolean {
    const { monomials } = this.field
    const held = (key: number) => this.opened.loads.reduce((s, u) => s + monomials.power(key, u), 0)
    return [...n.keys()].every((key) => held(key) <= 1) && [...d.keys()].every((key) => held(key) === 0)
  }

  /** Square roots are met while the problem is solved; each is written by what stands under it. */
  private nameRoots(): void {
    for (const { unknown, under } of this.field.roots) {
      if (this.names[unknown] !== undefined) continue
      const size = this.homogeneous(under, LARGEST)
      this.powers[unknown] = isConstant(under) ? [0, 0] : [size.powers[0] / 2, size.powers[1] / 2]
      this.names[unknown] = `sqrt(${size.text})`
    }
  }

  private powersOfKey(key: number): Powers {
    let [l, f] = [0, 0]
    for (let u = 0; u < this.powers.length; u++) {
      const power = key === 0 || !this.powers[u] ? 0 : this.field.monomials.power(key, u)
      if (power === 0) continue
      l += power * this.powers[u][0]
      f += power * this.powers[u][1]
    }
    return [l, f]
  }

  /**
   * A polynomial with the scales put back, as a sum, and its powers of length and force. Numbers larger than
   * `most` are written as decimals, and `number` is what the sum is to be multiplied with.
   */
  private homogeneous(p: Polynomial, most = LONGEST): Sum {
    const { scales } = this.opened
    const terms = [...p].map(([key, c]) => {
      const powers = this.powersOfKey(key)
      return { key, c, powers, scaled: scalePowers(scales, powers) }
    })
    const up = [0, 1].map((k) => Math.max(...terms.map((t) => t.scaled[k])))
    const [lead] = terms
    const powers: Powers = [
      lead.powers[0] + this.lengthOf(up[0] - lead.scaled[0], up[1] - lead.scaled[1]),
      lead.powers[1] + (up[1] - lead.scaled[1]),
    ]
    const largest = terms.reduce((m, { c }) => (abs(c) > m ? abs(c) : m), 0n)
    const isLong = largest > most
    const written = terms.map(({ key, c, scaled }) => {
      const letters = this.letters(key, up[0] - scaled[0], up[1] - scaled[1])
      const number = isLong ? decimalOf(abs(c), largest) : String(abs(c))
      return { number, letters, roots: this.rootsIn(key), isNegative: c < 0n }
    })
    return { text: joined(grouped(written)), powers, number: isLong ? largest : 1n }
  }

  /** The power of length that powers of the two scales have. */
  private lengthOf(length: number, force: number): number {
    const { scales } = this.opened
    return length + (scales.force ? force * powersOf(scales.force.dimension)[0] : 0)
  }

  /** The letters of a monomial with their powers, and those of the scales, in the order of a book. */
  private letters(key: number, length: number, force: number): Raised[] {
    const { scales, unknowns } = this.opened
    const out = unknowns.map((u) => ({ letter: u.letter, power: this.field.monomials.power(key, u.at) }))
    if (scales.length) out.push({ letter: scales.length, power: length })
    if (scales.force) out.push({ letter: scales.force, power: force })
    return this.inOrder(out)
  }

  /** Forces and rigidities first, then plain numbers, then lengths; each in the order of the symbols. */
  private inOrder(letters: readonly { letter: Letter; power: number }[]): Raised[] {
    return letters
      .filter((l) => l.power > 0)
      .map(({ letter, power }) => {
        const [l, f] = powersOf(letter.dimension)
        const kind = f !== 0 ? 0 : l === 0 ? 1 : 2
        const name = letter.name === 'π' ? 'pi' : letter.name
        return { name, power, rank: 1000 * kind + this.order.indexOf(letter.name) }
      })
      .sort((a, b) => a.rank - b.rank)
  }

  /** The square roots in a monomial, those of numbers as one. */
  private rootsIn(key: number): string[] {
    const { monomials, roots } = this.field
    const held = roots.filter((r) => monomials.power(key, r.unknown) > 0)
    const under = held.reduce((p, r) => (isConstant(r.under) ? p * r.under.get(0)! : p), 1n)
    return [
      ...(under > 1n ? [`sqrt(${under})`] : []),
      ...held.filter((r) => !isConstant(r.under)).map((r) => this.names[r.unknown]),
    ]
  }

  /** One term: a fraction of products, times a load letter. */
  private product(
    q: Quotient,
    load: number | undefined,
    result: Powers,
  ): { text: string; isNegative: boolean } {
    const above = factorsOf(this.field, q.n, this.candidates)
    const below = factorsOf(this.field, q.d, this.candidates)
    const held: { letter: Letter; power: number }[] = []
    let [l, f] = result
    const count = ([x, y]: Powers, times: number) => {
      l -= x * times
      f -= y * times
    }
    const { monomials } = this.field
    for (const u of this.opened.unknowns) {
      const power =
        monomials.power(above.monomial, u.at) -
        monomials.power(below.monomial, u.at) +
        (u.at === load ? 1 : 0)
      held.push({ letter: u.letter, power })
      count(this.powers[u.at], power)
    }
    for (const r of this.field.roots)
      count(this.powers[r.unknown], monomials.power(above.monomial, r.unknown))
    const brackets = (factors: Factors, into: string[], sign: 1 | -1) => {
      let { number } = factors
      for (const { of: factor, power } of factors.powers) {
        if (isConstant(factor)) continue
        // positive for the sample: L − a and not a − L
        const isPositive = this.field.value({ n: factor, d: ONE }) >= 0
        const of = isPositive ? factor : negate(factor)
        if (!isPositive && power % 2) number = -number
        const sum = this.homogeneous(of)
        into.push(raised({ name: `(${sum.text})`, power }))
        count(sum.powers, sign * power)
        number *= sum.number ** BigInt(power)
      }
      return number
    }
    const [overBrackets, underBrackets]: [string[], string[]] = [[], []]
    const numbers = [brackets(above, overBrackets, 1), brackets(below, underBrackets, -1)] as const
    const { scales } = this.opened
    const [length, force] = scalePowers(scales, [l, f])
    if (scales.force) held.push({ letter: scales.force, power: force })
    if (scales.length) held.push({ letter: scales.length, power: length })
    const down = held.map(({ letter, power }) => ({ letter, power: -power }))
    const over = [...this.rootsIn(above.monomial), ...this.inOrder(held).map(raised), ...overBrackets]
    return fraction(...numbers, over, [...this.inOrder(down).map(raised), ...underBrackets])
  }
}

/** Under a square root numbers are whole, however long. */
const LARGEST = 10n ** 300n

/** A sum as text, its powers of length and force, and what it is to be multiplied with. */
interface Sum {
  text: string
  powers: Powers
  number: bigint
}

/** Lengths and what lies between places on members: factors that the formulas of tables have. */
function candidatesOf({ field, exact }: Opened): Polynomial[] {
  const out: Polynomial[] = []
  const add = ({ n }: Quotient) => {
    if (
      n.size > 1 &&
      !field.roots.some((r) => [...n.keys()].some((k) => field.monomials.power(k, r.unknown) > 0))
    )
      out.push(n)
  }
  for (const m of exact.members) add(m.length)
  for (const { members } of exact.cases)
    for (const [i, a] of members) {
      const { length } = exact.members[i]
      for (const x of [...a.points.map((p) => p.x), ...a.spans.flatMap((s) => [s.a, s.b])]) {
        add(x)
        add(field.subtract(length, x))
        add(field.subtract(field.add(length, length), x))
      }
    }
  return out.map((p) => factorsOf(field, p, []).powers[0]?.of).filter((p) => p !== undefined)
}
