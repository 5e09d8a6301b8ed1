import * as D from './dimension.js'
import type { Dimension } from './dimension.js'
import { commaHint, ExpressionError, isOp, tokens, type Token } from './tokens.js'
import { nearestUnit, unitByName } from './units.js'

export { ExpressionError, isSymbolName } from './tokens.js'

const MAX_DEPTH = 60

/**
 * A number with its dimension, in SI. `bare`: a plain number, without dimension. `turn` marks a plain number
 * that is an angle by origin (atan).
 */
export interface Value {
  si: number
  dimension: Dimension
  bare: boolean
  turn?: boolean
}

export type Lookup = (name: string) => Value | undefined

const plainValue = (si: number): Value => ({ si, dimension: D.none, bare: true })

/**
 * Evaluates an expression such as `12*26 in`, `w*L^2/8` or `-(2 kN + 3 kN)`.
 *
 * Grammar, loosest first: sum, product, sign, unit after a number, power (to the right).
 * A unit right after a number belongs to that number; a fraction of two bare numbers before a unit is one
 * number (`1/2 in`).
 * @param lookup values of the problem's symbols; may throw an ExpressionError of its own
 * @returns the value in SI with its dimension
 * @throws ExpressionError with the place in the text
 */
export function evaluate(text: string, lookup: Lookup = () => undefined): Value {
  const list = tokens(text)
  let at = 0
  let depth = 0
  const peek = (ahead = 0) => list[Math.min(at + ahead, list.length - 1)]
  const fail = (message: string, from: Token, to: Token = from): never => {
    throw new ExpressionError(message, from.start, Math.max(to.end, from.start))
  }

  const isUnit = (t: Token) => t.kind === 'name' && !isOp(peek(), '(') && unitByName(t.text) !== undefined

  function sum(): Value {
    if (++depth > MAX_DEPTH) fail('Too many brackets inside one another.', peek())
    let left = product()
    while (isOp(peek(), '+') || isOp(peek(), '-')) {
      const op = peek()
      at++
      left = add(left, product(), op, op.text === '-' ? -1 : 1)
    }
    depth--
    return left
  }

  function add(a: Value, b: Value, op: Token, sign: number): Value {
    const angles = D.equalButAngle(a.dimension, b.dimension) && (a.turn || b.turn || (!a.bare && !b.bare))
    if (!(D.equal(a.dimension, b.dimension) && a.bare === b.bare) && !angles)
      fail(
        a.bare || b.bare
          ? `A plain number cannot be ${sign > 0 ? 'added to' : 'combined by − with'} ` +
              `${D.dimensionName(a.bare ? b.dimension : a.dimension)}; give it a unit.`
          : `${capital(D.dimensionName(a.dimension))} and ${D.dimensionName(b.dimension)} cannot be ` +
              `${sign > 0 ? 'added' : 'subtracted'}.`,
        op,
      )
    return {
      si: a.si + sign * b.si,
      dimension: a.bare ? b.dimension : a.dimension,
      bare: a.bare && b.bare,
      turn: a.turn && b.turn,
    }
  }

  function product(): Value {
    let left = signed()
    while (isOp(peek(), '*') || isOp(peek(), '/')) {
      const op = peek()
      at++
      const right = signed()
      const dimension = (op.text === '*' ? D.multiply : D.divide)(left.dimension, right.dimension)
      if (op.text === '/' && right.si === 0) fail('Division by zero.', op)
      left = {
        si: op.text === '*' ? left.si * right.si : left.si / right.si,
        dimension,
        bare: D.equal(dimension, D.none),
        turn: left.turn || right.turn,
      }
    }
    return left
  }

  function signed(): Value {
    const t = peek()
    if (isOp(t, '-') || isOp(t, '+')) {
      if (++depth > MAX_DEPTH) fail('Too many signs in a row.', t)
      at++
      const v = signed()
      depth--
      return t.text === '-' ? { ...v, si: -v.si } : v
    }
    return withUnit()
  }

  /** A power, then the units that stand right after it: `12 in`, `4.1 in^2`, `1/2 in`, `3 kN m`. */
  function withUnit(): Value {
    const first = peek()
    let value: Value
    if (
      first.kind === 'number' &&
      isOp(peek(1), '/') &&
      peek(2).kind === 'number' &&
      isUnit(peek(3)) &&
      (at === 0 || !isOp(list[at - 1], '/'))
    ) {
      if (peek(2).value === 0) fail('Division by zero.', peek(1))
      value = plainValue(first.value! / peek(2).value!)
      at += 3
    } else value = power()
    const takesUnit = value.bare && (list[at - 1].kind === 'number' || isOp(list[at - 1], ')'))
    if (takesUnit)
      while (isUnit(peek())) {
        const unit = power()
        value = {
          si: value.si * unit.si,
          dimension: D.multiply(value.dimension, unit.dimension),
          bare: false,
        }
      }
    const next = peek()
    if (next.kind === 'name' && !isUnit(next)) {
      const near = lookup(next.text) === undefined ? nearestUnit(next.text) : undefined
      if (lookup(next.text)) fail(`Write a * between ${list[at - 1].text} and ${next.text}.`, next)
      fail(
        `${next.text} is not a unit${near ? `; did you mean ${near}?` : ' or a symbol of this problem.'}`,
        next,
      )
    }
    if (next.kind === 'name' || next.kind === 'number' || isOp(next, '('))
      fail(`Something is missing before ${next.text}: an operator such as * or +.`, next)
    return value
  }

  function power(): Value {
    const start = peek()
    const base = primary()
    if (!isOp(peek(), '^')) return base
    const op = peek()
    at++
    const exponent = exponentPart()
    if (!exponent.bare) fail(`An exponent is a plain number, not ${D.dimensionName(exponent.dimension)}.`, op)
    const si = base.si ** exponent.si
    if (!Number.isFinite(si)) fail('This power has no value.', start, op)
    const dimension = D.power(base.dimension, exponent.si)
    return { si, dimension, bare: D.equal(dimension, D.none) }
  }

  function exponentPart(): Value {
    const t = peek()
    if (isOp(t, '-') || isOp(t, '+')) {
      if (++depth > MAX_DEPTH) fail('Too many signs in a row.', t)
      at++
      const v = exponentPart()
      depth--
      return t.text === '-' ? { ...v, si: -v.si } : v
    }
    if (++depth > MAX_DEPTH) fail('Too many powers inside one another.', t)
    const v = power()
    depth--
    return v
  }

  function primary(): Value {
    const t = peek()
    at++
    if (t.kind === 'number') {
      if (!Number.isFinite(t.value)) fail('This number is too large.', t)
      return plainValue(t.value!)
    }
    if (isOp(t, '(')) {
      const inner = sum()
      if (!isOp(peek(), ')')) {
        const hint = commaHint(list, at)
        fail(hint ?? 'A closing bracket is missing.', hint ? peek() : t)
      }
      at++
      return inner
    }
    if (t.kind === 'name') return named(t)
    if (t.kind === 'end')
      fail(list.length === 1 ? 'Nothing is written here.' : 'The expression ends too early.', t)
    return fail(`"${t.text}" is not understood here.`, t)
  }

  function named(t: Token): Value {
    if (functions.has(t.text) && isOp(peek(), '(')) return call(t)
    if (t.text === 'pi' || t.text === 'π') return plainValue(Math.PI)
    const symbol = lookup(t.text)
    if (symbol) return symbol
    const unit = unitByName(t.text)
    if (unit) return { si: unit.siPerUnit, dimension: unit.dimension, bare: false }
    if (functions.has(t.text)) fail(`${t.text} needs brackets: ${t.text}(…).`, t)
    const near = nearestUnit(t.text)
    return fail(
      `${t.text} is not a unit or a symbol of this problem${near ? `; did you mean ${near}?` : '.'}`,
      t,
    )
  }

  function call(t: Token): Value {
    at++
    const args: Value[] = []
    if (!isOp(peek(), ')'))
      for (;;) {
        args.push(sum())
        if (!isOp(peek(), ',')) break
        at++
      }
    if (!isOp(peek(), ')')) fail(`The bracket of ${t.text}( is not closed.`, t)
    const close = peek()
    at++
    const result = functions.get(t.text)!(args, (message) => fail(message, t, close))
    if (!Number.isFinite(result.si)) fail(`${t.text} has no value here.`, t, close)
    return result
  }

  const value = sum()
  const rest = peek()
  if (rest.kind !== 'end')
    fail(
      isOp(rest, ',')
        ? (commaHint(list, at) ?? 'A comma is not understood here; write the decimal sign as a point.')
        : isOp(rest, ')')
          ? 'A bracket is closed that was never opened.'
          : `"${rest.text}" is not understood here.`,
      rest,
    )
  if (!Number.isFinite(value.si)) throw new ExpressionError('This has no finite value.', 0, text.length)
  return value
}

const capital = (s: string) => s[0].toUpperCase() + s.slice(1)

type Fn = (args: Value[], fail: (message: string) => never) => Value

function count(name: string, args: Value[], n: number, fail: (m: string) => never) {
  if (args.length !== n) fail(`${name} takes ${n} value${n === 1 ? '' : 's'}, not ${args.length}.`)
}

const ofAngle =
  (name: string, f: (x: number) => number): Fn =>
  (args, fail) => {
    count(name, args, 1, fail)
    if (!D.equalButAngle(args[0].dimension, D.none))
      fail(`${name} takes an angle, not ${D.dimensionName(args[0].dimension)}.`)
    return plainValue(f(args[0].si))
  }

const toAngle =
  (name: string, f: (x: number) => number): Fn =>
  (args, fail) => {
    count(name, args, 1, fail)
    if (!D.equal(args[0].dimension, D.none))
      fail(`${name} takes a plain number, not ${D.dimensionName(args[0].dimension)}.`)
    return { ...plainValue(f(args[0].si)), turn: true }
  }

function alike(name: string, args: Value[], fail: (m: string) => never) {
  if (args.length === 0) fail(`${name} takes at least one value.`)
  const odd = args.find((a) => !D.equal(a.dimension, args[0].dimension) || a.bare !== args[0].bare)
  if (odd)
    fail(
      `${name} needs values of one kind, not ${D.dimensionName(args[0].dimension)} and ` +
        `${D.dimensionName(odd.dimension)}.`,
    )
}

const functions: ReadonlyMap<string, Fn> = new Map<string, Fn>([
  [
    'sqrt',
    (args, fail) => {
      count('sqrt', args, 1, fail)
      if (args[0].si < 0) fail('The square root of a negative number has no value.')
      return { si: Math.sqrt(args[0].si), dimension: D.power(args[0].dimension, 0.5), bare: args[0].bare }
    },
  ],
  ['abs', (args, fail) => (count('abs', args, 1, fail), { ...args[0], si: Math.abs(args[0].si) })],
  ['sin', ofAngle('sin', Math.sin)],
  ['cos', ofAngle('cos', Math.cos)],
  ['tan', ofAngle('tan', Math.tan)],
  ['asin', toAngle('asin', Math.asin)],
  ['acos', toAngle('acos', Math.acos)],
  ['atan', toAngle('atan', Math.atan)],
  [
    'atan2',
    (args, fail) => {
      count('atan2', args, 2, fail)
      alike('atan2', args, fail)
      return { ...plainValue(Math.atan2(args[0].si, args[1].si)), turn: true }
    },
  ],
  ['min', (args, fail) => (alike('min', args, fail), { ...args[0], si: Math.min(...args.map((a) => a.si)) })],
  ['max', (args, fail) => (alike('max', args, fail), { ...args[0], si: Math.max(...args.map((a) => a.si)) })],
])

/** Names that mean something in an expression already and cannot be symbols. */
export const isReservedName = (name: string): boolean =>
  functions.has(name) || name === 'pi' || name === 'π' || unitByName(name) !== undefined
