import { STRETCH_KINDS, type DrawnDiagram, type StretchKind } from '../document/drawn-diagrams.js'
import type { Problem } from '../document/types.js'
import type { Course } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { courseOf } from '../results/courses.js'
import { checkAnswer, type AnswerVerdict } from './answers.js'
import { COURSE_KEY, readDrawn, valueOnRun, type DrawnRun } from './read-drawn.js'

/** Points of a stretch at which its kind is told. */
const PROBES = 9
const SAME_CURVE = 1e-7

/**
 * How a computed course runs between two places: the simplest kind that it is, or `several` where it is none
 * of them or breaks in between.
 */
export function kindBetween(
  course: Course,
  key: 'M' | 'V' | 'N',
  x0: number,
  x1: number,
): StretchKind | 'several' {
  const stretch = course.stretches.find(
    (t) => t.x0 <= x0 + 1e-9 * course.length && t.x1 >= x1 - 1e-9 * course.length,
  )
  if (!stretch) return 'several'
  const xs = Array.from({ length: PROBES }, (_, i) => x0 + ((x1 - x0) * i) / (PROBES - 1))
  const values = xs.map((x) => stretch.value(key, Math.min(stretch.x1, Math.max(stretch.x0, x))))
  const size = Math.max(...values.map(Math.abs))
  const fits = (kind: StretchKind, degree: number) => {
    const at = Array.from({ length: degree + 1 }, (_, i) =>
      Math.round((i * (PROBES - 1)) / Math.max(1, degree)),
    )
    const run: DrawnRun = { kind, from: 0, xs: at.map((i) => xs[i]), values: at.map((i) => values[i]) }
    return xs.every((x, i) => Math.abs(valueOnRun(run, x) - values[i]) <= SAME_CURVE * size)
  }
  return STRETCH_KINDS.find((kind, degree) => fits(kind, degree)) ?? 'several'
}

/** An ordinate drawn by hand against the computed diagram. */
export interface JudgedOrdinate {
  verdict: AnswerVerdict
  /** How the computed diagram runs on from there, where it does so otherwise than it was drawn. */
  runsOn?: StretchKind | 'several'
}

/**
 * Each ordinate of a diagram with its verdict; how the diagram runs on is judged where an ordinate says it.
 */
export function judgeDrawn(
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
  diagram: DrawnDiagram,
): JudgedOrdinate[] {
  const { quantity, member, ordinates } = diagram
  const index = solution.structure.members.findIndex((m) => m.id === member)
  const read = index < 0 ? undefined : readDrawn(problem, diagram, solution.structure.members[index].length)
  const runs = read?.ok ? read.runs : []
  return ordinates.map(({ at, value, kind }, i) => {
    const answer = { id: '', quantity, member, at, value, case: action.id }
    // an ordinate of a diagram is an internal force, whatever sign the values at members' ends have
    const verdict = checkAnswer(problem, solution, answer, 1)
    const run = kind === undefined ? undefined : runs.find((r) => r.from === i)
    if (!run) return { verdict }
    const [x0, x1] = [run.xs[0], run.xs[run.xs.length - 1]]
    const runsOn = kindBetween(courseOf(solution, action, index), COURSE_KEY[quantity], x0, x1)
    return runsOn === kind ? { verdict } : { verdict, runsOn }
  })
}
