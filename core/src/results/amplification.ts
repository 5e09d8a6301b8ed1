import { displacementAt } from './at-node.js'
import { courseOf } from './courses.js'
import { extremes } from './extremes.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { firstOrderOf, firstOrderSolution } from '../stability/first-order.js'

/** A customary approximation of second order beside the exact value; moments in N·m, displacements in m. */
export interface Approximation {
  /** A member, or the members of a storey, by index. */
  members: number[]
  first: number
  /** What the approximation makes of the first-order value, and the factor it uses. */
  factor: number
  approximate: number
  exact: number
}

/** What a moment magnifier is made of. */
export interface Magnifier extends Approximation {
  /** 0.6 − 0.4·M₁/M₂, double curvature positive. */
  Cm: number
  /** π²EI/L², N. */
  Pe: number
}

const mostM = (s: Solution, a: ActionSolution, i: number): number => {
  const { max, min } = extremes(courseOf(s, a, i)).M
  return Math.max(Math.abs(max.value), Math.abs(min.value))
}

/**
 * The moment magnifier of braced beam-columns, M ≈ M₂·Cm/(1 − P/Pe), at least M₂, of each member in
 * compression with no load between its ends. Where joints sway it leaves that out, and says too little.
 * Source: AISC 360, appendix 8; Timoshenko & Gere, Theory of Elastic Stability, §1.11.
 */
export function momentMagnifiers(solution: Solution, action: ActionSolution): Magnifier[] {
  if (!action.bent) return []
  const [plain, first] = [firstOrderSolution(solution), firstOrderOf(action)]
  return solution.structure.members.flatMap((m, i): Magnifier[] => {
    const P = first.forces[6 * i]
    if (m.bar || action.actions.members.has(i) || !(P > 0)) return []
    const ends = [first.forces[6 * i + 2], first.forces[6 * i + 5]]
    const [M1, M2] = [...ends].sort((a, b) => Math.abs(a) - Math.abs(b))
    if (M2 === 0) return []
    const Pe = (Math.PI ** 2 * m.EI) / m.length ** 2
    if (P >= Pe) return []
    // end moments that turn the same way bend the member to an S
    const Cm = 0.6 - 0.4 * (M1 / M2)
    const factor = Math.max(1, Cm / (1 - P / Pe))
    const largest = mostM(plain, first, i)
    return [
      {
        members: [i],
        first: largest,
        Cm,
        Pe,
        factor,
        approximate: factor * largest,
        exact: mostM(solution, action, i),
      },
    ]
  })
}

/** Levels nearer than this share of the height are one. */
const ONE_LEVEL = 1e-6

/**
 * The sway amplification of storeys, 1/(1 − ΣP·Δ/(ΣH·h)): ΣP and ΣH the axial and shear forces of the upright
 * members of a storey, Δ its first-order sway, h its height. Source: AISC 360, appendix 8.
 */
export function storeyAmplifications(solution: Solution, action: ActionSolution): Approximation[] {
  if (!action.bent) return []
  const { nodes, members } = solution.structure
  const [plain, first] = [firstOrderSolution(solution), firstOrderOf(action)]
  const storeys = new Map<string, number[]>()
  const height = Math.max(...nodes.map((n) => n.y)) - Math.min(...nodes.map((n) => n.y))
  members.forEach((m, i) => {
    if (Math.abs(m.cos) > 1e-6 || !(height > 0)) return
    const key = [nodes[m.start].y, nodes[m.end].y]
      .sort((a, b) => a - b)
      .map((y) => Math.round(y / (ONE_LEVEL * height)))
      .join(' ')
    storeys.set(key, [...(storeys.get(key) ?? []), i])
  })
  return [...storeys.values()].flatMap((columns): Approximation[] => {
    const drift = (s: Solution, a: ActionSolution) => {
      const of = columns.map((i) => {
        const [low, high] = [members[i].start, members[i].end].sort((p, q) => nodes[p].y - nodes[q].y)
        return (displacementAt(s, a, high).x ?? 0) - (displacementAt(s, a, low).x ?? 0)
      })
      return of.reduce((sum, d) => sum + d, 0) / of.length
    }
    const sum = (of: (i: number) => number) => columns.reduce((total, i) => total + of(i), 0)
    const P = sum((i) => first.forces[6 * i])
    // pushed to the right, an upright member has a positive shear force whichever way it runs
    const H = sum((i) => first.forces[6 * i + 1])
    const [before, after] = [drift(plain, first), drift(solution, action)]
    const share = (P * before) / (H * members[columns[0]].length)
    if (!(P > 0) || H === 0 || before === 0 || !(share < 1) || share <= 0) return []
    const factor = 1 / (1 - share)
    return [{ members: columns, first: before, factor, approximate: factor * before, exact: after }]
  })
}
