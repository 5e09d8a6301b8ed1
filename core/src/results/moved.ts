import { sidesAt } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { courseOf } from './courses.js'
import { displacementAt } from './at-node.js'

/** A place in the plane of the structure, x and y in m. */
export type At = [x: number, y: number]

/** Where a joint stands; in second order where it has moved to. */
export function nodePlaces(solution: Solution, action: ActionSolution): (node: number) => At {
  const { nodes } = solution.structure
  if (!action.bent) return (n) => [nodes[n].x, nodes[n].y]
  return (n) => {
    const d = displacementAt(solution, action, n)
    return [nodes[n].x + (d.x ?? 0), nodes[n].y + (d.y ?? 0)]
  }
}

/**
 * Where the places along a member stand, by x in m from its start; in second order where they have moved to.
 * @param stretched whether it gets longer and shorter by its axial force. The equations of second order leave
 *   that out, so that they balance to the last digit without it
 */
export function memberPlaces(
  solution: Solution,
  action: ActionSolution,
  member: number,
  stretched = true,
): (x: number) => At {
  const { members, nodes } = solution.structure
  const { cos, sin, start } = members[member]
  const from = nodes[start]
  if (!action.bent) return (x) => [from.x + cos * x, from.y + sin * x]
  const course = courseOf(solution, action, member)
  const whole = course.start.u
  return (x) => {
    const at = sidesAt(course, x).left
    const [u, v] = [stretched ? at.u : whole, at.v]
    return [from.x + cos * (x + u) - sin * v, from.y + sin * (x + u) + cos * v]
  }
}

/** Gauss–Legendre places and weights on [0, 1], for the lever arms of a load on a bent member. */
export const GAUSS: readonly (readonly [at: number, weight: number])[] = [
  [0.5, 64 / 225],
  ...[1, -1].flatMap((way) =>
    (
      [
        [Math.sqrt(5 - 2 * Math.sqrt(10 / 7)) / 3, (322 + 13 * Math.sqrt(70)) / 1800],
        [Math.sqrt(5 + 2 * Math.sqrt(10 / 7)) / 3, (322 - 13 * Math.sqrt(70)) / 1800],
      ] as const
    ).map(([at, weight]): [number, number] => [(1 + way * at) / 2, weight]),
  ),
]
