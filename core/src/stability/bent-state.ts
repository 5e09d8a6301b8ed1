import type { ActionSolution, Solution } from '../analysis/solve.js'
import { bentSystem, type BentSystem } from './bent-system.js'
import { axialStarts, criticalFactors, determinantAt } from './critical.js'
import { criticalInput } from './load-factor.js'

const systems = new WeakMap<ActionSolution, BentSystem | null>()

/**
 * The structure on the bent shape that second order came to rest at, as its last round had it: its elements
 * under their axial forces and the matrix of the free places.
 * @param action one that was solved in second order; undefined for any other
 */
export function lastRound(solution: Solution, action: ActionSolution): BentSystem | undefined {
  const known = systems.get(action)
  if (known !== undefined) return known ?? undefined
  const input = action.bent && criticalInput(solution, action)
  const starts = axialStarts(solution.structure, action.forces)
  const found =
    input && bentSystem(solution.structure, input.base, { starts, actions: action.actions, factor: 1 })
  const system = found && !('kind' in found) ? found : null
  systems.set(action, system)
  return system ?? undefined
}

/** The determinant of K as the axial forces of first order grow with a factor λ. */
export interface DeterminantCourse {
  /** The lowest factors at which det K = 0, in their order. */
  factors: number[]
  /** det K(λ) / det K(0) at even steps of λ from 0; the inner places of the members are counted in. */
  points: { factor: number; ratio: number; passed: number }[]
}

/** Roots further off than this many times the lowest say nothing of these loads. */
const FAR = 12

/**
 * How det K falls from 1 to its first roots.
 * @param most roots asked for at the most
 * @param count points along λ
 * @returns undefined where the structure never buckles under these loads
 */
export function determinantCourse(
  solution: Solution,
  action: ActionSolution,
  most = 3,
  count = 121,
): DeterminantCourse | undefined {
  const input = criticalInput(solution, action)
  const all = input ? criticalFactors(input, most) : []
  if (!input || all.length === 0) return undefined
  const factors = all.filter((f) => f <= FAR * all[0])
  const finest = 1.12 * factors[factors.length - 1]
  const at = (factor: number) => determinantAt(input, factor, finest)
  const { logDeterminant: none } = at(0)
  const points = Array.from({ length: count }, (_, i) => {
    const factor = (finest * i) / (count - 1)
    const { passed, logDeterminant } = at(factor)
    return { factor, passed, ratio: (passed % 2 === 1 ? -1 : 1) * Math.exp(logDeterminant - none) }
  })
  return { factors, points }
}

const courses = new WeakMap<ActionSolution, DeterminantCourse | null>()

/**
 * The course of det K to its first three roots, fewer where they lie far off; found once for each action.
 * @returns undefined where the structure never buckles under these loads
 */
export function criticalCourseOf(solution: Solution, action: ActionSolution): DeterminantCourse | undefined {
  const known = courses.get(action)
  if (known !== undefined) return known ?? undefined
  const found = determinantCourse(solution, action) ?? null
  courses.set(action, found)
  return found ?? undefined
}
