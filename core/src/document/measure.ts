import * as D from '../quantity/dimension.js'
import { makeReader, type QuantityReader } from '../quantity/reader.js'
import { siPerCoherent } from '../quantity/units.js'
import { shareOf } from './ends.js'
import { magnitude, negated } from './sign.js'
import type { Problem, Quantity } from './types.js'

export interface Point {
  x: number
  y: number
}

/** Places and lengths of a stated problem, in its own length unit; what cannot be read is NaN. */
export interface Measure {
  reader: QuantityReader
  at: ReadonlyMap<string, Point>
  /** A quantity of that dimension in the problem's coherent units. */
  value(raw: Quantity | undefined, dimension: D.Dimension): number
  length(start: string, end: string): number
  /** A place along a member of length L, a length from its start or a percentage. */
  along(raw: Quantity, L: number): number
  /** The larger side of the box around all joints. */
  extent: number
}

export function measure(p: Problem): Measure {
  const { reader } = makeReader(p.units, p.symbols)
  const value = (raw: Quantity | undefined, d: D.Dimension) => {
    if (typeof raw === 'number') return raw
    const r = reader.read(raw, d)
    return r.ok ? r.si / siPerCoherent(p.units, d) : NaN
  }
  const at = new Map(p.nodes.map((n) => [n.id, { x: value(n.x, D.length), y: value(n.y, D.length) }]))
  const points = [...at.values()].filter((q) => Number.isFinite(q.x + q.y))
  const side = (key: 'x' | 'y') =>
    points.reduce((m, q) => Math.max(m, q[key]), -Infinity) -
    points.reduce((m, q) => Math.min(m, q[key]), Infinity)
  return {
    reader,
    at,
    value,
    length(start, end) {
      const [a, b] = [at.get(start), at.get(end)]
      return a && b ? Math.hypot(b.x - a.x, b.y - a.y) : NaN
    },
    along(raw, L) {
      const share = shareOf(raw)
      return share === undefined ? value(raw, D.length) : share * L
    },
    extent: points.length ? Math.max(side('x'), side('y')) : 0,
  }
}

/** A computed number fit to be kept in a document: rounding noise beyond twelve figures is taken off. */
export const tidy = (v: number): number => Number(v.toPrecision(12))

/** A coordinate as computed from others: noise against the size of the structure becomes a clean zero. */
export const tidyPlace = (v: number, extent: number): number => (Math.abs(v) < 1e-12 * extent ? 0 : tidy(v))

/** k times a quantity, in its own words where it is an expression. */
export function scaled(raw: Quantity, k: number): Quantity {
  if (k === 1) return raw
  if (typeof raw === 'number') return tidy(raw * k)
  if (k === -1) {
    const { amount, negative } = magnitude(raw)
    return negative ? amount : negated(raw.trim())
  }
  return `${tidy(k)}*(${raw.trim()})`
}
