import type { Dimension } from '../quantity/dimension.js'
import { stiffnessRows } from '../analysis/assemble.js'
import { COMPONENTS } from '../analysis/dofs.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { Answer, StiffnessPlace } from '../document/types.js'
import { displacementAt, reactionAt } from '../results/at-node.js'
import { extremes, type ExtremeKey } from '../results/extremes.js'
import { lowestFactor } from '../stability/load-factor.js'
import { offChord, sidesAt, type Course, type PlaceState } from '../analysis/course.js'
import { cancelled } from '../analysis/true-zero.js'
import { courseOf } from '../results/courses.js'
import { placeOn } from './place.js'
import { answerDimension } from '../kinds/answers/form.js'
import type { Problem } from '../document/types.js'

/**
 * A computed value for an answer, SI; `candidates` are the values on both sides of a jump where no side was
 * named.
 */
export type Computed =
  | { ok: true; value: number; candidates?: number[]; dimension: Dimension; placeMatches?: boolean }
  | { ok: false; reason: string }

const no = (reason: string): Computed => ({ ok: false, reason })

/** The extremes of the results that the extreme of an answer is, by what it is the extreme of. */
export const EXTREME: Record<string, ExtremeKey> = {
  axial: 'N',
  shear: 'V',
  moment: 'M',
  deflection: 'relative',
}

/** The value Viga finds where the answer points, or why there is none. */
export function computedFor(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: Answer,
): Computed {
  const { structure: s } = solution
  const dimension = answerDimension(a)
  const value = (v: number | null, none: string): Computed =>
    v === null ? no(none) : { ok: true, value: v, dimension }
  const nodeIndex = a.node === undefined ? -1 : s.nodes.findIndex((n) => n.id === a.node)
  const memberIndex = a.member === undefined ? -1 : s.members.findIndex((m) => m.id === a.member)
  if (a.node !== undefined && nodeIndex < 0) return no(`There is no joint ${a.node}.`)
  if (a.member !== undefined && memberIndex < 0) return no(`There is no member ${a.member}.`)
  switch (a.quantity) {
    case 'reaction': {
      if (!s.supports.some((p) => p.node === nodeIndex))
        return no(`${a.node} has no support, so no reaction.`)
      const r = reactionAt(solution, action, nodeIndex)
      const found = (a.axes === 'own' ? r.own : r)[a.component!]
      if (Number.isNaN(found))
        return no(`The reaction at ${a.node} cannot be determined: rigid members leave it open.`)
      return value(found, '')
    }
    case 'displacement': {
      const lacks =
        a.component === 'rotation'
          ? 'rotation of its own: every member end there is hinged'
          : 'displacement: no member reaches it'
      return value(displacementAt(solution, action, nodeIndex)[a.component!], `${a.node} has no ${lacks}.`)
    }
    case 'axial':
    case 'shear':
    case 'moment':
    case 'deflection':
      return alongMember(problem, solution, action, a, memberIndex)
    case 'maximum':
    case 'minimum':
      return extreme(problem, solution, action, a, memberIndex)
    case 'stiffness':
      return memberIndex >= 0 ? memberEntry(solution, a, memberIndex) : structureEntry(solution, a)
    case 'fixed-end':
      return value(fixedEnd(action, a, memberIndex), '')
    case 'load-vector': {
      const dof = solution.dofs.of[3 * nodeIndex + COMPONENTS.indexOf(a.component!)]
      return value(
        dof < 0 ? null : action.load[dof],
        `${a.node} has no such unknown, so P has no such entry.`,
      )
    }
    case 'load-factor':
      return value(lowestFactor(solution, action), 'This structure never buckles under these loads.')
  }
}

/** A fixed-end force of a member in its own axes, with its released ends let go; 0 where no load is on it. */
function fixedEnd(action: ActionSolution, a: Answer, member: number): number {
  const at = (a.end === 'end' ? 3 : 0) + COMPONENTS.indexOf(a.component!)
  return action.fixed.get(member)?.[at] ?? 0
}

function alongMember(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: Answer,
  index: number,
): Computed {
  const m = solution.structure.members[index]
  const course = courseOf(solution, action, index)
  const x = a.at === undefined ? (a.quantity === 'axial' ? 0 : undefined) : placeOn(problem, a.at, m)
  if (x === undefined)
    return no(
      a.at === undefined
        ? 'The answer does not say where on the member.'
        : `${String(a.at)} is not a place on ${m.id}.`,
    )
  const { left, right } = sidesAt(course, x)
  const forces = sizeOfForces(course)
  const pick = (t: PlaceState) =>
    a.quantity === 'axial'
      ? cancelled(t.N, forces)
      : a.quantity === 'shear'
        ? cancelled(t.V, forces)
        : a.quantity === 'moment'
          ? cancelled(t.M, forces * m.length)
          : offChord(course, t.v, x)
  const dimension = answerDimension(a)
  // at the very ends the inside of the member is meant
  const side = a.side ?? (x === 0 ? 'right' : x >= m.length ? 'left' : undefined)
  if (Number.isNaN(pick(left)) || Number.isNaN(pick(right)))
    return no(
      `The ${a.quantity === 'axial' ? 'axial force' : a.quantity} of ${m.id} cannot be determined: ` +
        'equilibrium leaves it open, since the rigid members beside it hold it at both ends.',
    )
  if (side) return { ok: true, value: pick(side === 'left' ? left : right), dimension }
  return { ok: true, value: pick(left), candidates: [pick(left), pick(right)], dimension }
}

/** The size of the forces that add up to those within a member, N. */
const sizeOfForces = ({ start, end, length }: Course): number =>
  Math.max(...[start, end].map((t) => Math.abs(t.N) + Math.abs(t.V) + Math.abs(t.M) / length))

function extreme(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: Answer,
  only: number,
): Computed {
  const key = EXTREME[a.of!]
  const side = a.quantity === 'maximum' ? 'max' : 'min'
  const { members } = solution.structure
  let best: { value: number; member: number } | undefined
  for (let i = 0; i < members.length; i++) {
    if (only >= 0 && i !== only) continue
    const e = extremes(courseOf(solution, action, i))[key][side]
    if (!best || (side === 'max' ? e.value > best.value : e.value < best.value))
      best = { value: e.value, member: i }
  }
  if (!best) return no('There is no member.')
  const dimension = answerDimension(a)
  if (a.at === undefined) return { ok: true, value: best.value, dimension }
  const m = members[best.member]
  const x = placeOn(problem, a.at, m)
  if (x === undefined) return no(`${String(a.at)} is not a place on ${m.id}.`)
  const course = courseOf(solution, action, best.member)
  const { left, right } = sidesAt(course, x)
  const there = [left, right].map((t) => (key === 'relative' ? offChord(course, t.v, x) : t[key]))
  return {
    ok: true,
    value: best.value,
    dimension,
    placeMatches: there.some((v) => Math.abs(v - best.value) <= 0.01 * Math.abs(best.value)),
  }
}

function memberEntry(solution: Solution, a: Answer, index: number): Computed {
  if (typeof a.row !== 'number' || typeof a.column !== 'number')
    return no("Rows and columns of a member's matrix are numbers from 1 to 6.")
  const e = solution.elements[index]
  return {
    ok: true,
    value: (a.axes === 'member' ? e.k : e.global)[6 * (a.row - 1) + a.column - 1],
    dimension: answerDimension(a),
  }
}

function structureEntry(solution: Solution, a: Answer): Computed {
  const find = (p: StiffnessPlace | number | undefined): number => {
    if (p === undefined || typeof p === 'number') return -1
    const node = solution.structure.nodes.findIndex((n) => n.id === p.node)
    return node < 0 ? -1 : solution.dofs.of[3 * node + COMPONENTS.indexOf(p.component)]
  }
  const [i, j] = [find(a.row), find(a.column)]
  if (i < 0 || j < 0) return no('This row or column is not among the degrees of freedom.')
  return {
    ok: true,
    value: stiffnessRows(solution.dofs, solution.elements)[i].get(j) ?? 0,
    dimension: answerDimension(a),
  }
}
