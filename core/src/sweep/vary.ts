import { ExpressionError, evaluate } from '../quantity/expression.js'
import type { Dimension } from '../quantity/dimension.js'
import * as D from '../quantity/dimension.js'
import { symbolValues } from '../quantity/symbols.js'
import { coherentUnitName, siPerCoherent } from '../quantity/units.js'
import type { Problem, Quantity } from '../document/types.js'
import type { Structure } from '../structure/types.js'

/** What runs from one value to another in a sweep. */
export type Varied =
  /** A symbol of the problem. */
  | { kind: 'symbol'; name: string }
  /** The factor of a load case, wherever it acts. */
  | { kind: 'case'; id: string }
  /** The factor on all loads together. */
  | { kind: 'factor' }
  /** All loads together, as a part of the lowest critical load of the case or combination that is read. */
  | { kind: 'critical' }
  /** A quantity at a path of the document, such as `loadCases[0].loads[1].fy`. */
  | { kind: 'path'; path: string }

/** What varies, read from a name: a symbol, `case:D`, `factor`, `critical`, or a path. */
export function readVaried(
  p: Problem,
  text: string,
): { ok: true; varied: Varied } | { ok: false; message: string } {
  if (Object.hasOwn(p.symbols ?? {}, text)) return { ok: true, varied: { kind: 'symbol', name: text } }
  if (text === 'factor' || text === 'critical') return { ok: true, varied: { kind: text } }
  const named = /^case:(.+)$/.exec(text)
  if (named) {
    if (p.loadCases?.some((c) => c.id === named[1]))
      return { ok: true, varied: { kind: 'case', id: named[1] } }
    return { ok: false, message: `There is no load case ${named[1]}.` }
  }
  if (/[.[]/.test(text) && quantityAt(p, text) !== undefined)
    return { ok: true, varied: { kind: 'path', path: text } }
  return {
    ok: false,
    message:
      `${text} is no symbol of the problem; vary a symbol, case:ID, factor, critical, or a path such ` +
      'as members[0].x.',
  }
}

const stepsOf = (path: string): string[] =>
  path
    .replace(/\[(\d+)\]/g, '.$1')
    .split('.')
    .filter(Boolean)

function quantityAt(p: Problem, path: string): Quantity | undefined {
  let at: unknown = p
  for (const key of stepsOf(path)) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, key)) return undefined
    at = (at as Record<string, unknown>)[key]
  }
  return typeof at === 'number' || typeof at === 'string' ? at : undefined
}

function withQuantity(value: unknown, [key, ...rest]: readonly string[], to: Quantity): unknown {
  if (key === undefined) return to
  if (Array.isArray(value))
    return value.map((v: unknown, i) => (i === Number(key) ? withQuantity(v, rest, to) : v))
  const record = value as Record<string, unknown>
  return { ...record, [key]: withQuantity(record[key], rest, to) }
}

/**
 * The dimension of what varies; a factor has none. Undefined for a bare number at a path, whose unit its
 * place says.
 */
export function dimensionOf(p: Problem, varied: Varied): Dimension | undefined {
  const stated =
    varied.kind === 'symbol'
      ? p.symbols?.[varied.name]
      : varied.kind === 'path'
        ? quantityAt(p, varied.path)
        : undefined
  if (stated === undefined) return D.none
  if (typeof stated === 'number') return varied.kind === 'path' ? undefined : D.none
  const { values } = symbolValues(p.symbols ?? {})
  try {
    const value = evaluate(stated, (name) => values.get(name))
    return value.bare && varied.kind === 'path' ? undefined : value.dimension
  } catch (error) {
    if (error instanceof ExpressionError) return undefined
    throw error
  }
}

/**
 * The problem with another value of a symbol or of a stated quantity; the value in SI, or bare where it has
 * no dimension.
 */
export function withValue(
  p: Problem,
  varied: Varied,
  dimension: Dimension | undefined,
  value: number,
): Problem {
  const text: Quantity =
    dimension === undefined || D.equal(dimension, D.none)
      ? value
      : `${value / siPerCoherent(p.units, dimension)} ${coherentUnitName(p.units, dimension)}`
  if (varied.kind === 'symbol') return { ...p, symbols: { ...p.symbols, [varied.name]: text } }
  return varied.kind === 'path' ? (withQuantity(p, stepsOf(varied.path), text) as Problem) : p
}

/** Whether what varies are factors on loads, so that the structure stays the same. */
export const isFactor = (v: Varied): v is Exclude<Varied, { kind: 'symbol' | 'path' }> =>
  v.kind === 'case' || v.kind === 'factor' || v.kind === 'critical'

/**
 * The factors of all cases in an action, by case index, with what varies at a value.
 * @param critical the lowest critical factor of the action as it stands
 */
export function factorsAt(
  s: Structure,
  action: string,
  varied: Varied,
  value: number,
  critical: number,
): number[] {
  const own = ownFactors(s, action)
  switch (varied.kind) {
    case 'case':
      return own.map((f, i) => (s.cases[i].id === varied.id ? f * value : f))
    case 'factor':
      return own.map((f) => f * value)
    case 'critical':
      return own.map((f) => f * value * critical)
    default:
      return own
  }
}

/** The factors of the cases in an action as it is stated: a case is itself once. */
function ownFactors(s: Structure, action: string): number[] {
  const combination = s.combinations.find((c) => c.id === action)
  return combination ? [...combination.factors] : s.cases.map((c) => (c.id === action ? 1 : 0))
}
