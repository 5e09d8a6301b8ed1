import * as D from '../quantity/dimension.js'
import { siPerCoherent } from '../quantity/units.js'
import type { Dimension } from '../quantity/dimension.js'
import { measure, tidy } from './measure.js'
import type { Problem, Quantity } from './types.js'

/** A share of a sum: so many times a stated quantity. */
export interface Term {
  times: number
  of: Quantity
}

/**
 * A quantity that is more than a number with a unit: what it says in symbols or arithmetic is worth keeping.
 */
const isExpression = (q: Quantity): boolean =>
  typeof q === 'string' && !/^\s*[-+]?[\d.]+(?:e[-+]?\d+)?\s*[\p{L}°µ'"]*\s*$/iu.test(q)

const isSimple = (text: string): boolean => /^[\p{L}\d.][\p{L}\p{Nd}_.*/\s^]*$/u.test(text)

/**
 * The sum of stated lengths, in their own words where one of them is an expression (`L/2` and 3 m make `L/2 +
 * 3 m`), else as a number in the problem's unit.
 */
export function lengthSum(p: Problem, terms: readonly Term[]): Quantity {
  const m = measure(p)
  const value = terms.reduce((sum, t) => sum + t.times * m.value(t.of, D.length), 0)
  const said = terms.filter((t) => t.times !== 0 && m.value(t.of, D.length) !== 0)
  if (!said.some((t) => isExpression(t.of))) return tidy(value)
  if (said.length === 1 && said[0].times === 1) return said[0].of
  const text = said.map((t, i) => termText(p, t, i === 0)).join('')
  const r = m.reader.read(text, D.length)
  const same =
    r.ok && Math.abs(r.si / siPerCoherent(p.units, D.length) - value) <= 1e-9 * (1 + Math.abs(value))
  return same ? text : tidy(value)
}

function termText(p: Problem, { times, of }: Term, first: boolean): string {
  const negative = times < 0
  const size = Math.abs(times)
  // a plain number and a quantity are not added: it is given its unit
  const text = typeof of === 'number' ? `${of} ${p.units.length}` : of.trim()
  const whole = isSimple(text) && !(typeof of === 'number' && of < 0) ? text : `(${text})`
  const product = size === 1 ? whole : `${tidy(size)}*${isSimple(text) ? whole : `(${text})`}`
  return `${first ? (negative ? '-' : '') : negative ? ' - ' : ' + '}${product}`
}

/** A dimension in a unit of length and one of force: "kN*m", "kN/m^2"; empty for what depends on neither. */
export function unitText(d: Dimension, length: string, force: string): string {
  const f = d[0]
  const l = d[1] - d[0]
  const raised = (unit: string, n: number) => (n === 0 ? [] : [n === 1 ? unit : `${unit}^${n}`])
  const above = [...raised(force, f), ...raised(length, Math.max(l, 0))].join('*')
  const below = raised(length, Math.max(-l, 0)).join('')
  return below ? `${above || 1}/${below}` : above
}
