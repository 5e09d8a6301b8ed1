import { dimension, type Dimension, type Display } from '@viga/core'
import { evaluate } from '@viga/core/quantity/expression'

/** What the numbers of the tables measure, and the units each may be shown in. */
export const UNIT_CHOICES = {
  force: { name: 'forces', dimension: dimension.force, units: ['N', 'kN', 'MN', 'lbf', 'kip', 'tonf'] },
  moment: {
    name: 'moments',
    dimension: dimension.moment,
    units: ['N*m', 'kN*m', 'kN*cm', 'MN*m', 'lbf*ft', 'kip*ft', 'kip*in', 'tonf*m'],
  },
  displacement: {
    name: 'displacements',
    dimension: dimension.length,
    units: ['m', 'cm', 'mm', 'in', 'ft'],
  },
  length: { name: 'places', dimension: dimension.length, units: ['m', 'cm', 'mm', 'in', 'ft'] },
} as const satisfies Record<string, { name: string; dimension: Dimension; units: readonly string[] }>

export type UnitKey = keyof typeof UNIT_CHOICES
export type ChosenUnits = Partial<Record<UnitKey, string>>

/** A unit as it is written in a head: `kN·m`. */
export const unitWords = (unit: string) => unit.replace(/\*/g, '·')

/** The units of the problem, with those that were chosen for the tables in their place. */
export function withUnits(display: Display, chosen: ChosenUnits): Display {
  const out = { ...display }
  for (const key of Object.keys(UNIT_CHOICES) as UnitKey[]) {
    const unit = chosen[key]
    if (unit !== undefined) out[key] = { unit: unitWords(unit), perSI: 1 / evaluate(unit).si }
  }
  return out
}
