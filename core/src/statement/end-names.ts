import { pairsOf } from '../document/names.js'
import type { Answer, Problem } from '../document/types.js'

/** The name of an end value as hand solutions write it: the letter, the near joint and the far joint. */
export interface EndName {
  letter: 'M' | 'V' | 'N'
  /** The subscript: `BA` for the end B of the member between A and B, `B,A` where that could be misread. */
  joints: string
}

const LETTERS = { moment: 'M', shear: 'V', axial: 'N' } as const

/**
 * The name M_BA, V_AB of a hand value at the end of a member. Undefined for any other value, and where two
 * members join the same joints, so that the name would not tell them apart.
 * @param end the end at which the value stands; undefined inside the span
 */
export function endName(
  p: Problem,
  a: Pick<Answer, 'quantity' | 'member'>,
  end: 'start' | 'end' | undefined,
): EndName | undefined {
  const letter = LETTERS[a.quantity as 'moment']
  const m = p.members.find((o) => o.id === a.member)
  if (!letter || !m || !end) return undefined
  const joins = (o: typeof m) => [o.start, o.end].every((n) => n === m.start || n === m.end)
  if (p.members.filter(joins).length > 1) return undefined
  const [near, far] = end === 'start' ? [m.start, m.end] : [m.end, m.start]
  const isPlain = pairsOf(p, near + far).length === 1
  return { letter, joints: isPlain ? near + far : `${near},${far}` }
}
