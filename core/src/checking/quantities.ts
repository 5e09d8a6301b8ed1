import { stiffnessRows } from '../analysis/assemble.js'
import { offChord, sidesAt, type Course, type PlaceState } from '../analysis/course.js'
import { COMPONENTS } from '../analysis/dofs.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { cancelled } from '../analysis/true-zero.js'
import type { Answer, Asked, Problem, StiffnessPlace } from '../document/types.js'
import {
  answerDimension,
  valueOfAnswer,
  type AlongMember,
  type Computed,
  type Place,
  type ResultsOfCase,
} from '../kinds/answers/index.js'
import { found, none } from '../kinds/answers/kind.js'
import type { Dimension } from '../quantity/dimension.js'
import { displacementAt, reactionAt } from '../results/at-node.js'
import { courseOf } from '../results/courses.js'
import { extremes, type ExtremeKey } from '../results/extremes.js'
import { lowestFactor } from '../stability/load-factor.js'
import { placeOn } from '../structure/place.js'

/** The extremes of the results that the extreme of an answer is, by what it is the extreme of. */
export const EXTREME: Record<AlongMember, ExtremeKey> = {
  axial: 'N',
  shear: 'V',
  moment: 'M',
  deflection: 'relative',
}

/** The value Viga finds where an answer points with its dimension, or why there is none. */
export function computedFor(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: Answer | Asked | Place,
): Computed & { dimension: Dimension } {
  const { structure: s } = solution
  const dimension = answerDimension(a)
  if (a.node !== undefined && !s.nodes.some((n) => n.id === a.node))
    return { ...none(`There is no joint ${a.node}.`), dimension }
  if (a.member !== undefined && !s.members.some((m) => m.id === a.member))
    return { ...none(`There is no member ${a.member}.`), dimension }
  return { ...valueOfAnswer(a, resultsOf(problem, solution, action)), dimension }
}

/** The results of a case as the kinds of answer read them; the joints and members asked for exist. */
function resultsOf(problem: Problem, solution: Solution, action: ActionSolution): ResultsOfCase {
  const { structure: s, dofs } = solution
  const joint = (id: string) => s.nodes.findIndex((n) => n.id === id)
  const memberAt = (id: string) => s.members.findIndex((m) => m.id === id)
  const dofAt = (node: string, component: StiffnessPlace['component']) => {
    const at = joint(node)
    return at < 0 ? -1 : dofs.of[3 * at + COMPONENTS.indexOf(component)]
  }
  return {
    reaction(node, axes, component) {
      const at = joint(node)
      if (!s.supports.some((p) => p.node === at)) return none(`${node} has no support, so no reaction.`)
      const r = reactionAt(solution, action, at)
      const value = (axes === 'own' ? r.own : r)[component]
      return Number.isNaN(value)
        ? none(`The reaction at ${node} cannot be determined: rigid members leave it open.`)
        : found(value)
    },
    displacement(node, component) {
      const value = displacementAt(solution, action, joint(node))[component]
      if (value !== null) return found(value)
      return none(
        component === 'rotation'
          ? `${node} has no rotation of its own: every member end there is hinged.`
          : `${node} has no displacement: no member reaches it.`,
      )
    },
    along: (of, member, at, side) =>
      alongMember(problem, courseOf(solution, action, memberAt(member)), s.members[memberAt(member)], {
        of,
        at,
        side,
      }),
    extreme: (of, which, member, at) => extreme(problem, solution, action, { of, which, member, at }),
    memberStiffness(member, axes, row, column) {
      const e = solution.elements[memberAt(member)]
      return found((axes === 'member' ? e.k : e.global)[6 * (row - 1) + column - 1])
    },
    structureStiffness(row, column) {
      const [i, j] = [row, column].map((p) => dofAt(p.node, p.component))
      if (i < 0 || j < 0) return none('This row or column is not among the degrees of freedom.')
      return found(stiffnessRows(dofs, solution.elements)[i].get(j) ?? 0)
    },
    // with the released ends let go; 0 where no load is on the member
    fixedEnd: (member, end, component) =>
      found(
        action.fixed.get(memberAt(member))?.[(end === 'end' ? 3 : 0) + COMPONENTS.indexOf(component)] ?? 0,
      ),
    loadVector(node, component) {
      const dof = dofAt(node, component)
      return dof < 0 ? none(`${node} has no such unknown, so P has no such entry.`) : found(action.load[dof])
    },
    loadFactor() {
      const factor = lowestFactor(solution, action)
      return factor === null ? none('This structure never buckles under these loads.') : found(factor)
    },
  }
}

interface PlaceAlong {
  of: AlongMember
  at: number | string | undefined
  side: 'left' | 'right' | undefined
}

function alongMember(
  problem: Problem,
  course: Course,
  m: { id: string; length: number },
  { of, at, side }: PlaceAlong,
): Computed {
  const x = at === undefined ? (of === 'axial' ? 0 : undefined) : placeOn(problem, at, m)
  if (x === undefined)
    return none(
      at === undefined
        ? 'The answer does not say where on the member.'
        : `${String(at)} is not a place on ${m.id}.`,
    )
  const values = sidesAt(course, x)
  const forces = sizeOfForces(course)
  const pick: Record<AlongMember, (t: PlaceState) => number> = {
    axial: (t) => cancelled(t.N, forces),
    shear: (t) => cancelled(t.V, forces),
    moment: (t) => cancelled(t.M, forces * m.length),
    deflection: (t) => offChord(course, t.v, x),
  }
  const [left, right] = [pick[of](values.left), pick[of](values.right)]
  if (Number.isNaN(left) || Number.isNaN(right))
    return none(
      `The ${of === 'axial' ? 'axial force' : of} of ${m.id} cannot be determined: ` +
        'equilibrium leaves it open, since the rigid members beside it hold it at both ends.',
    )
  // at the very ends the inside of the member is meant
  const inside = side ?? (x === 0 ? 'right' : x >= m.length ? 'left' : undefined)
  if (inside) return found(inside === 'left' ? left : right)
  return { ok: true, value: left, candidates: [left, right] }
}

/** The size of the forces that add up to those within a member, N. */
const sizeOfForces = ({ start, end, length }: Course): number =>
  Math.max(...[start, end].map((t) => Math.abs(t.N) + Math.abs(t.V) + Math.abs(t.M) / length))

/** The largest or the least value of the member asked for, or of all members; the first of equal ones. */
export function extremeOf(
  solution: Solution,
  action: ActionSolution,
  { of, which, member }: { of: AlongMember; which: 'max' | 'min'; member?: string },
): { value: number; x: number; member: number } | undefined {
  let best: { value: number; x: number; member: number } | undefined
  solution.structure.members.forEach((m, i) => {
    if (member !== undefined && m.id !== member) return
    const e = extremes(courseOf(solution, action, i))[EXTREME[of]][which]
    if (!best || (which === 'max' ? e.value > best.value : e.value < best.value)) best = { ...e, member: i }
  })
  return best
}

/** The place stated of an extreme may miss it by this share of its value, since it is read off a diagram. */
const NEAR_EXTREME = 0.01

function extreme(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  a: { of: AlongMember; which: 'max' | 'min'; member?: string; at?: number | string },
): Computed {
  const best = extremeOf(solution, action, a)
  if (!best) return none('There is no member.')
  if (a.at === undefined) return found(best.value)
  const m = solution.structure.members[best.member]
  const x = placeOn(problem, a.at, m)
  if (x === undefined) return none(`${String(a.at)} is not a place on ${m.id}.`)
  const key = EXTREME[a.of]
  const course = courseOf(solution, action, best.member)
  const { left, right } = sidesAt(course, x)
  const there = [left, right].map((t) => (key === 'relative' ? offChord(course, t.v, x) : t[key]))
  const isNear = (v: number) => Math.abs(v - best.value) <= NEAR_EXTREME * Math.abs(best.value)
  return { ok: true, value: best.value, placeMatches: there.some(isNear) }
}
