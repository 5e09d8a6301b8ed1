import type { ActionSolution, Solution } from '../analysis/solve.js'
import { prepare, type System } from '../analysis/system.js'
import { axialStarts, criticalFactors, type CriticalInput } from './critical.js'

/** Systems made again from solutions that came without one; gone with the solution. */
const systems = new WeakMap<Solution, System>()
const factors = new WeakMap<ActionSolution, number | null>()

/**
 * What critical factors of a case or combination are asked from: the axial forces of first order and the
 * system.
 * @param system of the solution, where it is at hand
 */
export function criticalInput(
  solution: Solution,
  action: ActionSolution,
  system?: System,
): CriticalInput | undefined {
  const { structure } = solution
  let base = system ?? systems.get(solution)
  if (!base) {
    const prepared = prepare(structure)
    if (!prepared.ok) return undefined
    systems.set(solution, (base = prepared.system))
  }
  const starts = axialStarts(structure, (action.bent?.first ?? action).forces)
  // rigid members whose force stays open have none to count with
  return starts.some(Number.isNaN) ? undefined : { structure, base, starts, actions: action.actions }
}

/**
 * The lowest factor on a case or combination at which the structure buckles under its first-order axial
 * forces; null when it never does.
 */
export function lowestFactor(solution: Solution, action: ActionSolution): number | null {
  if (action.bent) return action.bent.loadFactor
  const known = factors.get(action)
  if (known !== undefined) return known
  const input = criticalInput(solution, action)
  const [lowest = null] = input ? criticalFactors(input) : []
  factors.set(action, lowest)
  return lowest
}
