import type { Dimension } from '../../quantity/dimension.js'
import { document } from '../schema.js'
import { transform } from '../transform.js'
import type { Problem } from '../types.js'

/**
 * Changes a problem's units. Plain numbers were typed in the old ones: with `keep` they are given their old
 * unit in writing, so that the structure stays what it was; without it they are read anew in the new units.
 * @param length,force names of the new units
 */
export function setUnits(p: Problem, length: string, force: string, keep: boolean): Problem {
  if (p.units.length === length && p.units.force === force) return p
  const q = keep ? withUnitsWritten(p) : p
  return { ...q, units: { ...q.units, length, force } }
}

/**
 * Every plain number that has a dimension with the problem's unit written behind it. A symbol stays a plain
 * number, as the contract reads it.
 */
function withUnitsWritten(p: Problem): Problem {
  return transform(document, p, {
    quantity: (value, form, owner) => {
      if (typeof value !== 'number' || value === 0) return value
      const d = typeof form.dimension === 'function' ? form.dimension(owner) : form.dimension
      const unit = unitText(d, p.units.length, p.units.force)
      return unit ? `${value} ${unit}` : value
    },
  }) as Problem
}

/** A dimension in a unit of length and one of force: "kN*m", "kN/m^2"; empty for what depends on neither. */
function unitText(d: Dimension, length: string, force: string): string {
  const f = d[0]
  const l = d[1] - d[0]
  const raised = (unit: string, n: number) => (n === 0 ? [] : [n === 1 ? unit : `${unit}^${n}`])
  const above = [...raised(force, f), ...raised(length, Math.max(l, 0))].join('*')
  const below = raised(length, Math.max(-l, 0)).join('')
  return below ? `${above || 1}/${below}` : above
}
