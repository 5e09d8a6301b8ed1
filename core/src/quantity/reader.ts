import * as D from './dimension.js'
import type { Dimension } from './dimension.js'
import { evaluate, ExpressionError, type Value } from './expression.js'
import { sentence, symbolValues, type SymbolProblem } from './symbols.js'
import { GRAVITY, siPerCoherent, type ProblemUnits } from './units.js'

export type QuantityResult =
  | { ok: true; si: number }
  | {
      ok: false
      message: string
      start?: number
      end?: number
      /** The whole text as it may have been meant, the likeliest first. */
      repairs?: readonly string[]
    }

export interface QuantityReader {
  /** Reads a bare number (coherent units) or an expression into SI; the error names both dimensions. */
  read(raw: unknown, expected: Dimension): QuantityResult
  /** Whether an expression is a number without a unit, as `360/8` is, and `atan(3/4)`, an angle, is not. */
  isPlain(text: string): boolean
  units: ProblemUnits
}

/**
 * A reader of quantities for one problem: its units and its symbols. Symbols may refer to each other in any
 * order; a circle among them is an error that names it.
 */
export function makeReader(
  units: ProblemUnits,
  symbols: Record<string, unknown> = {},
): { reader: QuantityReader; problems: SymbolProblem[] } {
  const { values, problems } = symbolValues(symbols)
  const lookup = (name: string) => values.get(name)

  const read = (raw: unknown, expected: Dimension): QuantityResult => {
    if (typeof raw === 'number') {
      if (!Number.isFinite(raw)) return { ok: false, message: 'A finite number is expected.' }
      return bounded(raw * siPerCoherent(units, expected))
    }
    if (typeof raw !== 'string')
      return {
        ok: false,
        message: `A number or an expression such as "12*26 in" is expected, not ${describe(raw)}.`,
      }
    try {
      return fit(evaluate(raw, lookup), expected)
    } catch (error) {
      if (error instanceof ExpressionError)
        return {
          ok: false,
          message: error.message,
          start: error.start,
          end: error.end,
          ...(error.repairs.length ? { repairs: error.repairs } : {}),
        }
      return { ok: false, message: sentence(error) }
    }
  }

  const fit = (v: Value, expected: Dimension): QuantityResult => {
    if (v.bare) return bounded(v.si * siPerCoherent(units, expected))
    if (D.equal(expected, D.unitWeight) && D.equal(v.dimension, D.density)) return bounded(v.si * GRAVITY)
    const angleFits =
      D.equal(expected, D.angle) || D.equal(expected, D.none)
        ? D.equal(v.dimension, expected)
        : D.equalButAngle(v.dimension, expected)
    if (angleFits) return bounded(v.si)
    return {
      ok: false,
      message: `Expected ${D.dimensionName(expected)}, got ${D.dimensionName(v.dimension)}.`,
    }
  }

  const isPlain = (text: string): boolean => {
    try {
      const v = evaluate(text, lookup)
      return v.bare && !v.turn
    } catch (error) {
      if (error instanceof ExpressionError) return false
      throw error
    }
  }

  return { reader: { read, isPlain, units }, problems }
}

/**
 * The largest magnitude that is read, in SI units. Squares and products of a few such numbers still are
 * finite, and nothing on a sheet comes near it (a rigid member is sometimes given an EA of 1e20 kN).
 */
export const LARGEST = 1e50

const bounded = (si: number): QuantityResult =>
  Math.abs(si) <= LARGEST ? { ok: true, si } : { ok: false, message: 'This number is too large.' }

export function describe(raw: unknown): string {
  if (raw === null) return 'null'
  if (raw === undefined) return 'nothing'
  if (Array.isArray(raw)) return 'a list'
  if (typeof raw === 'object') return 'an object'
  if (typeof raw === 'string') return `"${raw.slice(0, 30)}"`
  return typeof raw === 'number'
    ? `the number ${raw}`
    : typeof raw === 'boolean'
      ? String(raw)
      : `a ${typeof raw}`
}
