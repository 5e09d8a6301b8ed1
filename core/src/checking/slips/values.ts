import type { ActionSolution, Solution } from '../../analysis/solve.js'
import type { Answer, Problem } from '../../document/types.js'
import type { Place } from '../../kinds/answers/index.js'
import { endOf } from '../../structure/place.js'
import { computedFor } from '../quantities.js'

/** The case or combination an answer speaks of; the first case when it names none. */
const actionFor = ({ cases, combinations }: Solution, id: string | undefined): ActionSolution | undefined =>
  id === undefined ? cases[0] : [...cases, ...combinations].find((a) => a.id === id)

/**
 * What a solution has where an answer points, SI: two values at a jump, nothing where there is no such place.
 */
export function computedValues(
  problem: Problem,
  solution: Solution,
  a: Answer | Place,
): readonly number[] | undefined {
  const action = actionFor(solution, a.case)
  if (!action) return undefined
  const found = computedFor(problem, solution, action, a)
  return found.ok ? (found.candidates ?? [found.value]) : undefined
}

/**
 * The same where the forces at the ends of members are all that the hand solution has: N, V and M there are
 * read from the end forces, not from the loads between them.
 */
export function valuesByEnds(
  problem: Problem,
  solution: Solution,
  a: Answer | Place,
): readonly number[] | undefined {
  const action = actionFor(solution, a.case)
  const i = solution.structure.members.findIndex((m) => m.id === a.member)
  const part = { axial: 0, shear: 1, moment: 2 }[a.quantity as string]
  if (!action || i < 0 || part === undefined) return computedValues(problem, solution, a)
  const at = a.at === undefined && part === 0 ? 0 : a.at
  const end = endOf(problem, { at }, solution.structure.members[i])
  const q = (j: number) => action.forces[6 * i + j]
  if (end === 'start') return [[-q(0), q(1), -q(2)][part]]
  if (end === 'end') return [[q(3), -q(4), q(5)][part]]
  return computedValues(problem, solution, a)
}
