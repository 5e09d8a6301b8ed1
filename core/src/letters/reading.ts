import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import { evaluate } from '../quantity/expression.js'
import { symbolsNamed } from '../quantity/products.js'
import { symbolValues } from '../quantity/symbols.js'
import { GRAVITY, siPerCoherent, type Unit } from '../quantity/units.js'
import type { Beside, Value } from '../quantity/value.js'
import type { Problem, Quantity } from '../document/types.js'
import { isConstant } from './polynomial.js'
import { NotInLetters, type Field, type Quotient } from './field.js'

/** A letter of a problem: a symbol that stays open in the results. */
export interface Letter {
  name: string
  dimension: Dimension
  /** Its sample, in coherent units. */
  sample: number
}

/**
 * The symbols that a problem leaves open: those of its `letters`, else all that are not stated through
 * others.
 */
export function openLetters(problem: Problem): Map<string, Letter> {
  const symbols = problem.symbols ?? {}
  const isSymbol = (name: string) => Object.hasOwn(symbols, name)
  const { values } = symbolValues(symbols)
  const out = new Map<string, Letter>()
  for (const [name, value] of values) {
    const raw = symbols[name]
    const isOpen = problem.letters
      ? problem.letters.includes(name)
      : !(typeof raw === 'string' && symbolsNamed(raw, isSymbol).length > 0)
    const { si, dimension } = value
    if (isOpen) out.set(name, { name, dimension, sample: si / siPerCoherent(problem.units, dimension) })
  }
  return out
}

/** Reads the quantities of a problem exactly, in coherent units. */
export class ExactReader {
  private readonly values: ReadonlyMap<string, Value>
  private readonly known = new Map<string, Quotient>()
  private readonly beside: Beside

  /**
   * @param letterOf what stands for a letter, asked when it is first met
   * @param pi what stands for π
   */
  constructor(
    private readonly problem: Problem,
    private readonly field: Field,
    private readonly letterOf: (name: string) => Quotient | undefined,
    pi: () => Quotient,
  ) {
    this.values = symbolValues(problem.symbols ?? {}).values
    this.beside = besideOf(field, problem, pi)
  }

  /** A quantity of the document. @throws NotInLetters */
  read(raw: Quantity, dimension: Dimension): Quotient {
    if (typeof raw === 'number') return this.field.of(raw)
    const value = evaluate(raw, this.lookup, this.beside)
    const exact = value.beside as Quotient
    if (value.bare || !D.equal(dimension, D.unitWeight) || !D.equal(value.dimension, D.density)) return exact
    return this.field.multiply(exact, this.coherent(GRAVITY, D.divide(D.unitWeight, D.density)))
  }

  /** A number in SI that no text of the problem says, such as the area of a rolled shape. */
  coherent(si: number, dimension: Dimension): Quotient {
    return this.field.nearest(si / siPerCoherent(this.problem.units, dimension))
  }

  private lookup = (name: string): Value | undefined => {
    const value = this.values.get(name)
    return value && { ...value, beside: this.symbol(name) }
  }

  private symbol(name: string): Quotient {
    let out = this.known.get(name)
    if (!out) {
      const raw = this.problem.symbols![name]
      out =
        this.letterOf(name) ??
        (typeof raw === 'number'
          ? this.field.of(raw)
          : (evaluate(raw, this.lookup, this.beside).beside as Quotient))
      this.known.set(name, out)
    }
    return out
  }
}

/** The operations of expressions in letters; values that the arithmetic does not know are numbers. */
function besideOf(field: Field, { units }: Problem, pi: () => Quotient): Beside {
  const is = (x: unknown) => x as Quotient
  return {
    of: (value) => field.of(value),
    add: (a, b) => field.add(is(a), is(b)),
    subtract: (a, b) => field.subtract(is(a), is(b)),
    multiply: (a, b) => field.multiply(is(a), is(b)),
    divide: (a, b) => field.divide(is(a), is(b)),
    absolute: (a) => field.absolute(is(a)),
    isZero: (a) => field.isZero(is(a)),
    isLess: (a, b) => field.isLess(is(a), is(b)),
    get pi() {
      return pi()
    },
    unit: ({ siPerUnit, dimension }: Unit) =>
      D.equal(dimension, D.angle) && siPerUnit !== 1
        ? field.divide(pi(), field.of(180))
        : field.nearest(siPerUnit / siPerCoherent(units, dimension)),
    power: (base, exponent) => field.power(is(base), exponent),
    call: (name, args, value) => called(field, name, args, value, pi),
  }
}

function called(
  field: Field,
  name: string,
  args: readonly Value[],
  value: number,
  pi: () => Quotient,
): Quotient {
  const exact = args.map((a) => a.beside as Quotient)
  if (name === 'sqrt') return field.root(exact[0])
  if (name === 'abs') return field.absolute(exact[0])
  if (name === 'min' || name === 'max')
    return exact[args.findIndex((a) => a.si === value)] ?? field.nearest(value)
  if ((name === 'sin' || name === 'cos') && exact[0]) return turned(field, name, exact[0], pi())
  if (name === 'tan')
    return field.divide(turned(field, 'sin', exact[0], pi()), turned(field, 'cos', exact[0], pi()))
  if (exact.every((x) => isNumber(x))) return field.nearest(value)
  throw new NotInLetters(`${name} of a letter is not worked with.`)
}

const isNumber = (x: Quotient) => isConstant(x.n) && isConstant(x.d)

/** The sines of 0, 30, 45, 60 and 90 degrees, as square roots over 2, by twelfths of π. */
const SINES: Readonly<Record<number, number>> = { 0: 0, 2: 1, 3: 2, 4: 3, 6: 4 }

/** The sine or cosine of an angle: with square roots where it has them, else its number. */
export function turned(field: Field, name: 'sin' | 'cos', angle: Quotient, pi: Quotient): Quotient {
  const twelfths = field.multiply(field.divide(angle, pi), field.of(12))
  if (isNumber(twelfths)) {
    const k = field.value(twelfths)
    const at = name === 'sin' ? k : k + 6
    const within = ((at % 24) + 24) % 24
    const half = within % 12
    const under = SINES[half > 6 ? 12 - half : half]
    if (under !== undefined) {
      const size = field.divide(field.root(field.of(under)), field.of(2))
      return within >= 12 ? field.negate(size) : size
    }
    const radians = (k * Math.PI) / 12
    return field.nearest(name === 'sin' ? Math.sin(radians) : Math.cos(radians))
  }
  if (!isNumber(angle)) throw new NotInLetters(`${name} of a letter is not worked with.`)
  const radians = field.value(angle)
  return field.nearest(name === 'sin' ? Math.sin(radians) : Math.cos(radians))
}
