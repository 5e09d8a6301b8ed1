import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import type { QuantityReader } from '../quantity/reader.js'
import type { Report } from './report.js'
import type { Quantity } from './types.js'

/** Reads quantities of a document and reports each failure at its path; a failed value comes back as NaN. */
export interface Reading {
  reader: QuantityReader
  report: Report
}

/** A quantity in SI; NaN, reported, when it cannot be read. */
export function value(ctx: Reading, raw: unknown, dimension: Dimension, path: string): number {
  const result = ctx.reader.read(raw, dimension)
  if (result.ok) return result.si
  ctx.report.error(path, result.message)
  return NaN
}

/** An optional quantity in SI: absent gives `fallback`. */
export const optional = (
  ctx: Reading,
  raw: unknown,
  dimension: Dimension,
  path: string,
  fallback: number,
): number => (raw === undefined ? fallback : value(ctx, raw, dimension, path))

/** A quantity in SI that must be greater than zero; `what` names it in the sentence. */
export function positive(
  ctx: Reading,
  raw: unknown,
  dimension: Dimension,
  path: string,
  what: string,
): number {
  const v = value(ctx, raw, dimension, path)
  if (v <= 0) ctx.report.error(path, `${what} must be greater than zero.`)
  return v
}

const PERCENT = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*%\s*$/

/** Places nearer to an end than this share of the length are the end. */
const AT_END = 1e-9

/**
 * A place along a member, a length from its start or a percentage, as m from the start; NaN, reported, when
 * it does not lie on the member.
 * @param length of the member, m
 */
export function place(ctx: Reading, raw: Quantity, member: string, length: number, path: string): number {
  const percent = typeof raw === 'string' ? PERCENT.exec(raw) : null
  const x = percent ? (Number(percent[1]) / 100) * length : value(ctx, raw, D.length, path)
  // "L" typed from rounded numbers may reach a little beyond the end
  if (x < -AT_END * length || x > length * (1 + AT_END)) {
    ctx.report.error(path, `This place is not on ${member}: it must lie between its start and its end.`)
    return NaN
  }
  return Math.min(Math.max(x, 0), length)
}
