import { force, moment, type Dimension } from '../../quantity/dimension.js'
import { baysWithUnit } from '../bays.js'
import type { DrawnDiagram } from '../drawn-diagrams.js'
import { measure } from '../measure.js'
import { isRecord } from '../report.js'
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
 * Goes over the quantities that are stated without a unit and depend on the problem's units: plain numbers,
 * and expressions of plain numbers or of symbols that are plain numbers.
 * @param put what becomes of one, by the unit it is meant in
 */
function overPlainNumbers(p: Problem, put: (value: number | string, unit: string) => unknown): Problem {
  const { reader } = measure(p)
  return transform(document, p, {
    quantity: (value, form, owner, path) => {
      const isNumber = typeof value === 'number' && value !== 0
      if (!isNumber && !(typeof value === 'string' && reader.isPlain(value))) return value
      const d =
        ordinateDimension(p, path) ??
        (typeof form.dimension === 'function' ? form.dimension(owner) : form.dimension)
      const unit = unitText(d, p.units.length, p.units.force)
      return unit ? put(value, unit) : value
    },
  }) as Problem
}

/** The dimension of an ordinate of a diagram drawn by hand, which the diagram's quantity decides. */
function ordinateDimension({ view }: Problem, path: string): Dimension | undefined {
  const [, index] = /^view\.drawn\[(\d+)\]\.ordinates\[\d+\]\.value$/.exec(path) ?? []
  if (index === undefined) return undefined
  const { quantity } = (view!.drawn as DrawnDiagram[])[Number(index)]
  return quantity === 'moment' ? moment : force
}

/**
 * Every plain number that has a dimension with the problem's unit written behind it. A symbol stays a plain
 * number, as the contract reads it.
 */
export const withUnitsWritten = (p: Problem): Problem =>
  gridWithUnits(
    overPlainNumbers(p, (value, unit) =>
      typeof value === 'number' ? `${value} ${unit}` : `(${value}) ${unit}`,
    ),
  )

/** The lines of the person's own grid with the problem's unit written behind those that state none. */
function gridWithUnits(p: Problem): Problem {
  const { grid } = p.view ?? {}
  if (!isRecord(grid)) return p
  const { reader } = measure(p)
  const written = Object.entries(grid).map(([way, text]) => [
    way,
    typeof text === 'string' ? baysWithUnit(text, reader, p.units.length) : text,
  ])
  return { ...p, view: { ...p.view, grid: Object.fromEntries(written) as unknown } }
}

/** How many quantities of a problem are stated without a unit and so depend on the problem's units. */
export function plainNumbers(p: Problem): number {
  let count = 0
  overPlainNumbers(p, (value) => {
    count++
    return value
  })
  return count
}
