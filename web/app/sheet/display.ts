import { coherentUnitName, dimension, evaluate, formatPlain, siPerCoherent, type Dimension, type Problem } from '@viga/core'

/** A unit in which numbers are shown: its name, and how many of it one SI unit is. */
export interface Shown {
  unit: string
  perSI: number
}

export interface Display {
  length: Shown
  force: Shown
  moment: Shown
  distributed: Shown
  displacement: Shown
  /** Rotations are shown in thousandths of a radian. */
  rotation: Shown
  stiffness: Shown
}

const FINER: Record<string, string> = { m: 'mm', ft: 'in', km: 'm' }

/** The units a problem's numbers are shown in: its own coherent ones, displacements finer, or as its `display` says. */
export function displayOf(problem: Problem): Display {
  const { units } = problem
  const own = (d: Dimension): Shown => ({ unit: coherentUnitName(units, d), perSI: 1 / siPerCoherent(units, d) })
  const named = (key: string, d: Dimension, fallback: Shown): Shown => {
    const name = units.display?.[key]
    if (name === undefined) return fallback
    try {
      const u = evaluate(name)
      return dimension.equal(u.dimension, d) && u.si > 0 ? { unit: name, perSI: 1 / u.si } : fallback
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
export const withUnit = (si: number, shown: Shown): string => `${formatPlain(si * shown.perSI, 5)} ${shown.unit}`
