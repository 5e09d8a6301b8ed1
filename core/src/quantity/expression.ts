import * as D from './dimension.js'
import { dashIsProduct, unitByAlias } from './aliases.js'
import { commaHint, ExpressionError, isOp, type Token } from './tokens.js'
import { functions } from './functions.js'
import { tokensOf } from './products.js'
import { nearestUnit, unitByName, type Unit } from './units.js'
import { plainValue, type Beside, type Value } from './value.js'

export { ExpressionError, isSymbolName } from './tokens.js'
export type { Value } from './value.js'

const MAX_DEPTH = 60

export type Lookup = (name: string) => Value | undefined

/**
 * Evaluates an expression such as `12*26 in`, `w*L^2/8` or `-(2 kN + 3 kN)`.
 *
 * Grammar, loosest first: sum, product, sign, product without a sign, unit after a number, power (to the
 * right). A unit right after a number belongs to that number; a fraction of two bare numbers before a unit is
 * one number (`1/2 in`). Factors without a sign between them (`2L`, `wL²`, `2(a+b)`) are one factor, so that
 * `EI/2L` is EI/(2L), as it is in print.
 * @param lookup values of the problem's symbols; may throw an ExpressionError of its own
 * @param beside computes each value in another kind of number as well, which stands in its `beside`
 * @returns the value in SI with its dimension
 * @throws ExpressionError with the place in the text
 */
export const evaluate = (text: string, lookup: Lookup = () => undefined, beside?: Beside): Value =>
  new Evaluation(text, lookup, beside).value()

/** One pass over the tokens of an expression; each method reads one level of the grammar. */
class Evaluation {
  private readonly list: Token[]
  private at = 0
  private depth = 0

  constructor(
    private readonly text: string,
    private readonly lookup: Lookup,
    private readonly beside?: Beside,
  ) {
    this.list = tokensOf(text, (name) => this.isSymbol(name))
  }

  /** The value of the whole text; anything left over is an error. */
  value(): Value {
    const value = this.sum()
    const rest = this.peek()
    if (isOp(rest, ',')) {
      this.refuseComma()
      this.fail('A comma is not understood here; write the decimal sign as a point.', rest)
    }
    if (rest.kind !== 'end')
      this.fail(
        isOp(rest, ')')
          ? 'A bracket is closed that was never opened.'
          : `"${rest.text}" is not understood here.`,
        rest,
      )
    if (!Number.isFinite(value.si))
      throw new ExpressionError('This has no finite value.', 0, this.text.length)
    return value
  }

  /** A value with what it is in the other kind of number, where one is computed beside it. */
  private also(value: Value, make: (beside: Beside) => unknown): Value {
    return this.beside ? { ...value, beside: make(this.beside) } : value
  }

  private peek(ahead = 0): Token {
    return this.list[Math.min(this.at + ahead, this.list.length - 1)]
  }

  private fail(message: string, from: Token, to: Token = from, repairs: readonly string[] = []): never {
    throw new ExpressionError(message, from.start, Math.max(to.end, from.start), repairs)
  }

  /** The whole text with another text in place of some of its characters. */
  private replaced(start: number, end: number, by: string): string {
    return this.text.slice(0, start) + by + this.text.slice(end)
  }

  /** Refuses a comma here that stands in a number, with the number as it may have been meant. */
  private refuseComma(): void {
    const hint = commaHint(this.list, this.at)
    if (!hint) return
    const repairs = hint.written.map((w) => this.replaced(hint.start, hint.end, w))
    this.fail(hint.message, this.peek(), this.peek(), repairs)
  }

  private isSymbol(name: string): boolean {
    try {
      return this.lookup(name) !== undefined
    } catch (error) {
      // a symbol without a value is a symbol all the same
      if (error instanceof ExpressionError) return true
      throw error
    }
  }

  /** The unit of a name: one of the format, or an everyday one that is no symbol of the problem. */
  private unit(name: string): Unit | undefined {
    return unitByName(name) ?? (this.isSymbol(name) ? undefined : unitByAlias(name))
  }

  private isUnit(t: Token): boolean {
    return t.kind === 'name' && this.unit(t.text) !== undefined
  }

  private sum(): Value {
    if (++this.depth > MAX_DEPTH) this.fail('Too many brackets inside one another.', this.peek())
    let left = this.product()
    while (isOp(this.peek(), '+') || isOp(this.peek(), '-')) {
      const op = this.peek()
      this.at++
      left = this.add(left, this.product(), op, op.text === '-' ? -1 : 1)
    }
    this.depth--
    return left
  }

  private add(a: Value, b: Value, op: Token, sign: number): Value {
    const angles = D.equalButAngle(a.dimension, b.dimension) && (a.turn || b.turn || (!a.bare && !b.bare))
    if (!(D.equal(a.dimension, b.dimension) && a.bare === b.bare) && !angles)
      this.fail(
        a.bare || b.bare
          ? `A plain number cannot be ${sign > 0 ? 'added to' : 'combined by − with'} ` +
              `${D.dimensionName(a.bare ? b.dimension : a.dimension)}; give it a unit.`
          : `${capital(D.dimensionName(a.dimension))} and ${D.dimensionName(b.dimension)} cannot be ` +
              `${sign > 0 ? 'added' : 'subtracted'}.`,
        op,
      )
    const sum = {
      si: a.si + sign * b.si,
      dimension: a.bare ? b.dimension : a.dimension,
      bare: a.bare && b.bare,
      turn: a.turn && b.turn,
    }
    return this.also(sum, (x) => (sign > 0 ? x.add(a.beside, b.beside) : x.subtract(a.beside, b.beside)))
  }

  private product(): Value {
    let left = this.signed()
    while (isOp(this.peek(), '*') || isOp(this.peek(), '/')) {
      const op = this.peek()
      this.at++
      const right = this.signed()
      const dimension = (op.text === '*' ? D.multiply : D.divide)(left.dimension, right.dimension)
      if (op.text === '/' && right.si === 0) this.fail('Division by zero.', op)
      const before = left
      const product = {
        si: op.text === '*' ? left.si * right.si : left.si / right.si,
        dimension,
        bare: D.equal(dimension, D.none),
        turn: left.turn || right.turn,
      }
      left = this.also(product, (x) =>
        op.text === '*' ? x.multiply(before.beside, right.beside) : x.divide(before.beside, right.beside),
      )
    }
    return left
  }

  private signed(): Value {
    const t = this.peek()
    if (isOp(t, '-') || isOp(t, '+')) {
      if (++this.depth > MAX_DEPTH) this.fail('Too many signs in a row.', t)
      this.at++
      const v = this.signed()
      this.depth--
      if (t.text !== '-') return v
      return this.also({ ...v, si: -v.si }, (x) => x.subtract(x.of(0), v.beside))
    }
    return this.juxtaposed()
  }

  /** Factors without a sign between them: `2L`, `wL²`, `2(a+b)`, `3 kN L`. */
  private juxtaposed(): Value {
    const start = this.at
    let value = this.withUnit()
    while (this.beginsFactor(value)) {
      this.refuseAmbiguity(start)
      const factor = this.withUnit()
      const dimension = D.multiply(value.dimension, factor.dimension)
      const before = value
      const product = {
        si: value.si * factor.si,
        dimension,
        bare: D.equal(dimension, D.none),
        turn: value.turn || factor.turn,
      }
      value = this.also(product, (x) => x.multiply(before.beside, factor.beside))
    }
    this.refuseLeftOver()
    return value
  }

  /** Whether a symbol or a bracket comes next, or a unit after a plain value, which multiplies that value. */
  private beginsFactor(before: Value): boolean {
    const next = this.peek()
    if (isOp(next, '(') || (before.bare && this.isUnit(next))) return true
    return next.kind === 'name' && (this.isSymbol(next.text) || next.text === 'π' || next.text === 'pi')
  }

  /**
   * Refuses what is read in two ways: `1/2 L`, `1/2L` (half of L, or one over 2L), `EI/2 L`.
   * @param start the place of the first token of the factor after the fraction's stroke
   */
  private refuseAmbiguity(start: number): void {
    const under = this.list[start]
    const next = this.peek()
    if (this.at !== start + 1 || under.kind !== 'number' || !isOp(this.list[start - 1], '/')) return
    const over = this.list[start - 2]
    const bareFraction = over?.kind === 'number' && !['/', '^'].includes(this.list[start - 3]?.text)
    if (!bareFraction && under.end === next.start) return
    let end = this.at
    while (
      this.list[end + 1].kind === 'name' ||
      isOp(this.list[end + 1], '^') ||
      (isOp(this.list[end], '^') && this.list[end + 1].kind === 'number')
    )
      end++
    const last = this.list[end].end
    const apart = this.text.slice(next.start, last)
    const repairs = [
      this.replaced(under.end, last, `*${apart}`),
      this.replaced(under.start, last, `(${this.text.slice(under.start, last)})`),
    ]
    this.fail(
      `This may be ${repairs[0]} or ${repairs[1]}: write which is meant.`,
      under,
      this.list[end],
      repairs,
    )
  }

  /** Refuses what stands right after a factor and neither multiplies it nor goes on. */
  private refuseLeftOver(): void {
    const next = this.peek()
    if (next.kind === 'name' && !this.isUnit(next)) {
      const near = nearestUnit(next.text)
      this.fail(
        `${next.text} is not a unit${near ? `; did you mean ${near}?` : ' or a symbol of this problem.'}`,
        next,
        next,
        near ? [this.replaced(next.start, next.end, near)] : [],
      )
    }
    if (next.kind === 'name' || next.kind === 'number')
      this.fail(`Something is missing before ${next.text}: an operator such as * or +.`, next)
  }

  /** A power, then the units that stand right after it: `12 in`, `4.1 in^2`, `1/2 in`, `3 kN m`, `2 k-ft`. */
  private withUnit(): Value {
    const first = this.peek()
    let value: Value
    if (
      first.kind === 'number' &&
      isOp(this.peek(1), '/') &&
      this.peek(2).kind === 'number' &&
      this.isUnit(this.peek(3)) &&
      (this.at === 0 || !isOp(this.list[this.at - 1], '/'))
    ) {
      if (this.peek(2).value === 0) this.fail('Division by zero.', this.peek(1))
      const under = this.peek(2).value!
      value = this.also(plainValue(first.value! / under), (x) => x.divide(x.of(first.value!), x.of(under)))
      this.at += 3
    } else value = this.power()
    const takesUnit =
      value.bare && (this.list[this.at - 1].kind === 'number' || isOp(this.list[this.at - 1], ')'))
    if (takesUnit)
      while (this.isUnit(this.peek())) {
        const unit = this.power()
        const before = value
        const product = {
          si: value.si * unit.si,
          dimension: D.multiply(value.dimension, unit.dimension),
          bare: false,
        }
        value = this.also(product, (x) => x.multiply(before.beside, unit.beside))
      }
    if (takesUnit && value.bare && this.beginsUnitUnderOne()) this.at++
    return value
  }

  /** Whether a unit under a stroke comes next, as it is printed after a number: `12 1/K`, `3 1/(kN·m)`. */
  private beginsUnitUnderOne(): boolean {
    if (this.peek().text !== '1' || !isOp(this.peek(1), '/')) return false
    return this.isUnit(this.peek(isOp(this.peek(2), '(') ? 3 : 2))
  }

  private power(): Value {
    const start = this.peek()
    const base = this.primary()
    if (!isOp(this.peek(), '^')) return base
    const op = this.peek()
    this.at++
    const exponent = this.exponentPart()
    if (!exponent.bare)
      this.fail(`An exponent is a plain number, not ${D.dimensionName(exponent.dimension)}.`, op)
    const si = base.si ** exponent.si
    if (!Number.isFinite(si)) this.fail('This power has no value.', start, op)
    const dimension = D.power(base.dimension, exponent.si)
    return this.also({ si, dimension, bare: D.equal(dimension, D.none) }, (x) =>
      x.power(base.beside, exponent.si),
    )
  }

  private exponentPart(): Value {
    const t = this.peek()
    if (isOp(t, '-') || isOp(t, '+')) {
      if (++this.depth > MAX_DEPTH) this.fail('Too many signs in a row.', t)
      this.at++
      const v = this.exponentPart()
      this.depth--
      return t.text === '-' ? { ...v, si: -v.si } : v
    }
    if (++this.depth > MAX_DEPTH) this.fail('Too many powers inside one another.', t)
    const v = this.power()
    this.depth--
    return v
  }

  private primary(): Value {
    const t = this.peek()
    this.at++
    if (t.kind === 'number') {
      if (!Number.isFinite(t.value)) this.fail('This number is too large.', t)
      return this.also(plainValue(t.value!), (x) => x.of(t.value!))
    }
    if (isOp(t, '(')) {
      const inner = this.sum()
      if (!isOp(this.peek(), ')')) {
        this.refuseComma()
        this.fail('A closing bracket is missing.', t)
      }
      this.at++
      return inner
    }
    if (t.kind === 'name') return this.named(t)
    if (t.kind === 'end')
      this.fail(this.list.length === 1 ? 'Nothing is written here.' : 'The expression ends too early.', t)
    return this.fail(`"${t.text}" is not understood here.`, t)
  }

  private named(t: Token): Value {
    if (functions.has(t.text) && isOp(this.peek(), '(')) return this.call(t)
    if (t.text === 'pi' || t.text === 'π') return this.also(plainValue(Math.PI), (x) => x.pi)
    const symbol = this.lookup(t.text)
    if (symbol) return symbol
    const unit = this.unit(t.text)
    if (unit) return this.momentUnit(t, unit)
    if (functions.has(t.text)) this.fail(`${t.text} needs brackets: ${t.text}(…).`, t)
    const near = nearestUnit(t.text)
    return this.fail(
      `${t.text} is not a unit or a symbol of this problem${near ? `; did you mean ${near}?` : '.'}`,
      t,
      t,
      near ? [this.replaced(t.start, t.end, near)] : [],
    )
  }

  /** A unit, or the moment that it begins with a dash between its two units: `kN-m`, `ft-lb`. */
  private momentUnit(t: Token, unit: Unit): Value {
    const dash = this.peek()
    const next = this.peek(1)
    const other = next.kind === 'name' ? this.unit(next.text) : undefined
    const glued = isOp(dash, '-') && dash.start === t.end && next.start === dash.end
    if (!glued || !other || !dashIsProduct(unit, other))
      return this.also({ si: unit.siPerUnit, dimension: unit.dimension, bare: false }, (x) => x.unit(unit))
    this.at += 2
    const moment = {
      si: unit.siPerUnit * other.siPerUnit,
      dimension: D.multiply(unit.dimension, other.dimension),
      bare: false,
    }
    return this.also(moment, (x) => x.multiply(x.unit(unit), x.unit(other)))
  }

  private call(t: Token): Value {
    this.at++
    const args: Value[] = []
    if (!isOp(this.peek(), ')'))
      for (;;) {
        args.push(this.sum())
        if (!isOp(this.peek(), ',')) break
        this.at++
      }
    if (!isOp(this.peek(), ')')) this.fail(`The bracket of ${t.text}( is not closed.`, t)
    const close = this.peek()
    this.at++
    const result = functions.get(t.text)!(args, (message) => this.fail(message, t, close))
    if (!Number.isFinite(result.si)) this.fail(`${t.text} has no value here.`, t, close)
    return this.also(result, (x) => x.call(t.text, args, result.si))
  }
}

const capital = (s: string) => s[0].toUpperCase() + s.slice(1)

/** Names that mean something in an expression already and cannot be symbols. */
export const isReservedName = (name: string): boolean =>
  functions.has(name) || name === 'pi' || name === 'π' || unitByName(name) !== undefined
