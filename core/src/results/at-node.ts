import { COMPONENTS } from '../analysis/dofs.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'

/** Global reaction x, y, rotation of a support, N and N·m, and in the support's own axes. */
export function reactionAt(
  solution: Solution,
  action: ActionSolution,
  node: number,
): {
  x: number
  y: number
  rotation: number
  own: { x: number; y: number; rotation: number }
  angle: number
} {
  const { of, angle } = solution.dofs
  const [x, y, rotation] = COMPONENTS.map((_, c) =>
    of[3 * node + c] < 0 ? 0 : action.reactions[of[3 * node + c]],
  )
  const turn = angle[node]
  const own = { x, y, rotation }
  if (turn === 0) return { x, y, rotation, own, angle: 0 }
  return {
    x: Math.cos(turn) * x - Math.sin(turn) * y,
    y: Math.sin(turn) * x + Math.cos(turn) * y,
    rotation,
    own,
    angle: turn,
  }
}

/** Displacements of a node in global axes, m and rad; null where there is no such degree of freedom. */
export function displacementAt(
  solution: Solution,
  action: ActionSolution,
  node: number,
): { x: number | null; y: number | null; rotation: number | null } {
  const { of, angle } = solution.dofs
  const [x, y, rotation] = COMPONENTS.map((_, c) =>
    of[3 * node + c] < 0 ? null : action.D[of[3 * node + c]],
  )
  const turn = angle[node]
  if (turn === 0 || x === null || y === null) return { x, y, rotation }
  return { x: Math.cos(turn) * x - Math.sin(turn) * y, y: Math.sin(turn) * x + Math.cos(turn) * y, rotation }
}
