import { measure } from '../measure.js'
import { document } from '../schema.js'
import { unitText } from '../sums.js'
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
export function withUnitsWritten(p: Problem): Problem {
  const { reader } = measure(p)
  return transform(document, p, {
    quantity: (value, form, owner) => {
      const plain =
        typeof value === 'number' ? value !== 0 : typeof value === 'string' && reader.isPlain(value)
      if (!plain) return value
      const d = typeof form.dimension === 'function' ? form.dimension(owner) : form.dimension
      const unit = unitText(d, p.units.length, p.units.force)
      if (!unit) return value
      // an expression of plain numbers, or of symbols that are plain numbers
      return typeof value === 'number' ? `${value} ${unit}` : `(${value as string}) ${unit}`
    },
  }) as Problem
}

/** How many quantities of a problem are stated without a unit and so depend on the problem's units. */
export function plainNumbers(p: Problem): number {
  const { reader } = measure(p)
  let count = 0
  transform(document, p, {
    quantity: (value, form, owner) => {
      const d = typeof form.dimension === 'function' ? form.dimension(owner) : form.dimension
      const plain =
        typeof value === 'number' ? value !== 0 : typeof value === 'string' && reader.isPlain(value)
      if (plain && unitText(d, p.units.length, p.units.force)) count++
      return value
    },
  })
  return count
}
