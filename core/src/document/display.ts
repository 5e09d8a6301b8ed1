import * as dimension from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import { evaluate } from '../quantity/expression.js'
import { formatPlain } from '../quantity/format.js'
import { coherentUnitName, siPerCoherent } from '../quantity/units.js'
import type { Problem } from './types.js'

/** A unit in which numbers are shown: its name, and how many of it one SI unit is. */
export interface ShownUnit {
  unit: string
  perSI: number
}

export interface Display {
  length: ShownUnit
  force: ShownUnit
  moment: ShownUnit
  distributed: ShownUnit
  displacement: ShownUnit
  /** Rotations are shown in thousandths of a radian. */
  rotation: ShownUnit
  stiffness: ShownUnit
}

const FINER: Record<string, string> = { m: 'mm', ft: 'in', km: 'm' }

/**
 * The units a problem's numbers are shown in: its own coherent ones, displacements finer, or as its `display`
 * says.
 */
export function displayOf(problem: Pick<Problem, 'units'>): Display {
  const { units } = problem
  const own = (d: Dimension): ShownUnit => ({
    unit: coherentUnitName(units, d),
    perSI: 1 / siPerCoherent(units, d),
  })
  const named = (key: string, d: Dimension, fallback: ShownUnit): ShownUnit => {
    const name = units.display?.[key]
    if (name === undefined) return fallback
    try {
      const u = evaluate(name)
      return dimension.equal(u.dimension, d) && u.si > 0
        ? { unit: name.replace(/\*/g, '·'), perSI: 1 / u.si }
        : fallback
    } catch {
      return fallback // a unit nobody knows changes nothing
    }
  }
  const finer = FINER[units.length] ?? units.length
  return {
    length: named('length', dimension.length, own(dimension.length)),
    force: named('force', dimension.force, own(dimension.force)),
    moment: named('moment', dimension.moment, own(dimension.moment)),
    distributed: named('distributed', dimension.forcePerLength, own(dimension.forcePerLength)),
    displacement: named('displacement', dimension.length, { unit: finer, perSI: 1 / evaluate(finer).si }),
    rotation: { unit: '10⁻³ rad', perSI: 1000 },
    stiffness: own(dimension.forcePerLength),
  }
}

/** "6 kN/m", "2.5 m": a given value with its unit, no more figures than it needs. */
export const withUnit = (si: number, shown: ShownUnit): string =>
  `${formatPlain(si * shown.perSI, 5)} ${shown.unit}`
