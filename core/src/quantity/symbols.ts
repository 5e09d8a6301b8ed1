import * as D from './dimension.js'
import { evaluate, ExpressionError, isReservedName, isSymbolName, type Value } from './expression.js'
import { symbolsNamed } from './products.js'

/** What is wrong with a symbol of a problem. */
export type SymbolProblem = { name: string; message: string }

/** More names of a circle than this are not listed. */
const MOST_NAMES = 8

/**
 * The values of a problem's symbols, each evaluated once, after those it refers to; so neither long chains
 * nor large circles take time. A symbol without a value is reported, and what refers to it too.
 */
export function symbolValues(symbols: Record<string, unknown>): {
  values: ReadonlyMap<string, Value>
  problems: SymbolProblem[]
} {
  const values = new Map<string, Value>()
  const problems: SymbolProblem[] = []
  const failed = new Map<string, string>()
  const { order, circles } = evaluationOrder(symbols)
  for (const circle of circles) {
    const shown = circle.length > MOST_NAMES ? [...circle.slice(0, MOST_NAMES), '…'] : circle
    const ring = [...shown, circle[0]].join(' → ')
    for (const name of circle)
      failed.set(
        name,
        name === circle[0]
          ? `The symbols ${ring} refer to each other in a circle.`
          : `${name} is part of a circle of symbols that refer to each other, with ${circle[0]}.`,
      )
  }
  const lookup = (name: string): Value | undefined => {
    if (failed.has(name)) throw new ExpressionError(`The symbol ${name} has no value.`, 0, 0)
    return values.get(name)
  }
  for (const name of order) {
    if (failed.has(name)) continue
    try {
      values.set(name, valueOf(name, symbols[name], lookup))
    } catch (error) {
      failed.set(name, sentence(error))
    }
  }
  for (const name of Object.keys(symbols)) {
    const message = failed.get(name)
    if (message !== undefined) problems.push({ name, message })
  }
  return { values, problems }
}

function valueOf(name: string, raw: unknown, lookup: (name: string) => Value | undefined): Value {
  if (!isSymbolName(name))
    throw new ExpressionError(
      `"${name}" cannot be a symbol: it must begin with a letter and go on with letters, digits, _ or '.`,
      0,
      0,
    )
  if (isReservedName(name))
    throw new ExpressionError(`${name} is a unit or a function, so it cannot be a symbol.`, 0, 0)
  if (typeof raw === 'number' && Number.isFinite(raw)) return { si: raw, dimension: D.none, bare: true }
  if (typeof raw === 'string') return evaluate(raw, lookup)
  throw new ExpressionError('A symbol is a number or an expression.', 0, 0)
}

/** Symbols in an order in which each comes after those it refers to, and the circles among them. */
function evaluationOrder(symbols: Record<string, unknown>): { order: string[]; circles: string[][] } {
  const order: string[] = []
  const circles: string[][] = []
  const state = new Map<string, 'open' | 'done'>()
  const referredTo = (name: string): string[] =>
    typeof symbols[name] === 'string' ? symbolsNamed(symbols[name], (n) => Object.hasOwn(symbols, n)) : []
  for (const first of Object.keys(symbols)) {
    if (state.has(first)) continue
    // depth first without recursion: a chain of ten thousand symbols must not exhaust the stack
    const path = [{ name: first, next: referredTo(first) }]
    state.set(first, 'open')
    while (path.length) {
      const top = path[path.length - 1]
      const name = top.next.shift()
      if (name === undefined) {
        state.set(top.name, 'done')
        order.push(top.name)
        path.pop()
      } else if (state.get(name) === 'open') {
        circles.push(path.slice(path.findIndex((o) => o.name === name)).map((o) => o.name))
      } else if (!state.has(name)) {
        state.set(name, 'open')
        path.push({ name, next: referredTo(name) })
      }
    }
  }
  return { order, circles }
}

export const sentence = (error: unknown): string => (error instanceof Error ? error.message : String(error))
