import { makeReader } from '../quantity/reader.js'
import { STRETCH_KINDS, type DrawnDiagram, type StretchKind } from '../document/drawn-diagrams.js'
import type { Problem } from '../document/types.js'
import type { Course, CourseKey } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { answerDimension } from '../kinds/answers/form.js'
import { courseOf } from '../results/courses.js'
import { readPlace } from '../results/place.js'
import { checkAnswer, type AnswerVerdict } from './answers.js'

/** A part of a diagram drawn by hand that runs as one curve through its ordinates, SI. */
export interface DrawnRun {
  kind: StretchKind
  /** The ordinate it begins at, by its place in the diagram. */
  from: number
  /** Places, m from the start of the member, ascending. */
  xs: number[]
  /** Ordinates at the places, N or N·m. */
  values: number[]
}

export type ReadDrawn = { ok: true; runs: DrawnRun[] } | { ok: false; ordinate: number; message: string }

/** How many ordinates determine a curve. */
const NEEDED: Record<StretchKind, number> = { constant: 2, linear: 2, parabola: 3, cubic: 4 }

export const COURSE_KEY = { moment: 'M', shear: 'V', axial: 'N' } as const satisfies Record<
  DrawnDiagram['quantity'],
  CourseKey
>

/**
 * The curves of a diagram drawn by hand. Each begins at an ordinate that says how the diagram runs from
 * there, and goes through the following ones to the next that says it anew; a straight line where none says
 * anything.
 * @param length of the member, m
 */
export function readDrawn(problem: Problem, diagram: DrawnDiagram, length: number): ReadDrawn {
  const { reader } = makeReader(problem.units, problem.symbols)
  const xs: number[] = []
  const values: number[] = []
  for (const [ordinate, { at, value }] of diagram.ordinates.entries()) {
    const place = readPlace(problem, length, String(at))
    if (!place.ok) return { ok: false, ordinate, message: place.message }
    const read = reader.read(value, answerDimension(diagram))
    if (!read.ok) return { ok: false, ordinate, message: read.message }
    if (ordinate > 0 && place.x < xs[ordinate - 1])
      return { ok: false, ordinate, message: 'Ordinates go from the start of the member to its end.' }
    xs.push(place.x)
    values.push(read.si)
  }
  const runs: DrawnRun[] = []
  for (let from = 0; from < xs.length - 1;) {
    const kind = diagram.ordinates[from].kind ?? 'linear'
    const next = diagram.ordinates.findIndex((o, i) => i > from && o.kind !== undefined)
    // a straight line goes from ordinate to ordinate
    const to = NEEDED[kind] === 2 ? from + 1 : next < 0 ? xs.length - 1 : next
    if (to - from + 1 < NEEDED[kind])
      return {
        ok: false,
        ordinate: from,
        message: `A ${kind} needs ${NEEDED[kind]} ordinates: give ${NEEDED[kind] - 2} between its ends.`,
      }
    runs.push({ kind, from, xs: xs.slice(from, to + 1), values: values.slice(from, to + 1) })
    from = to
  }
  return { ok: true, runs }
}

/**
 * The curve of a run at x, by Lagrange's interpolation through its ordinates; a jump where two stand at one
 * place.
 */
export function valueOnRun({ kind, xs, values }: DrawnRun, x: number): number {
  if (kind === 'constant') return values[0]
  return values.reduce(
    (sum, v, i) => sum + v * xs.reduce((f, xj, j) => (j === i ? f : f * ratio(x - xj, xs[i] - xj)), 1),
    0,
  )
}
const ratio = (a: number, b: number) => (b === 0 ? 1 : a / b)

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
    const verdict = checkAnswer(problem, solution, { id: '', quantity, member, at, value, case: action.id })
    const run = kind === undefined ? undefined : runs.find((r) => r.from === i)
    if (!run) return { verdict }
    const [x0, x1] = [run.xs[0], run.xs[run.xs.length - 1]]
    const runsOn = kindBetween(courseOf(solution, action, index), COURSE_KEY[quantity], x0, x1)
    return runsOn === kind ? { verdict } : { verdict, runsOn }
  })
}
