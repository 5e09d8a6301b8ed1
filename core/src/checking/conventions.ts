import type { Answer } from '../document/types.js'
import type { Judged } from './judged.js'

/** A family of quantities whose sign is a convention: all of a sheet's answers of it are signed alike. */
type Family = 'axial' | 'shear' | 'moment' | 'reaction moment' | 'fixed-end moment'

function familyOf(a: Answer): Family | undefined {
  if (a.sense) return undefined
  if (a.quantity === 'axial' || a.quantity === 'shear' || a.quantity === 'moment') return a.quantity
  if (a.quantity === 'maximum' || a.quantity === 'minimum')
    return a.of === 'axial' || a.of === 'shear' || a.of === 'moment' ? a.of : undefined
  if (a.quantity === 'fixed-end') return a.component === 'rotation' ? 'fixed-end moment' : undefined
  return a.quantity === 'reaction' && a.component === 'rotation' ? 'reaction moment' : undefined
}

/**
 * The answers that are right under the opposite sign convention: every answer of their family fits it, two at
 * least and not all of them zero. The largest of one convention is minus the smallest of the other.
 * @param opposite the values of an answer under the opposite convention, SI
 */
export function underOpposite(
  judged: readonly Judged[],
  opposite: (a: Answer) => readonly number[] | undefined,
): Set<string> {
  const families = new Map<Family, Judged[]>()
  for (const j of judged) {
    const family = familyOf(j.answer)
    if (family) families.set(family, [...(families.get(family) ?? []), j])
  }
  const out = new Set<string>()
  for (const all of families.values()) {
    const fits = ({ answer, given, allowed }: Judged) =>
      opposite(answer)?.some((v) => Math.abs(given - v) <= allowed(v) + Number.MIN_VALUE) ?? false
    if (all.length < 2 || all.every((j) => j.given === 0) || all.every((j) => j.agrees) || !all.every(fits))
      continue
    for (const j of all) if (!j.agrees) out.add(j.answer.id)
  }
  return out
}
