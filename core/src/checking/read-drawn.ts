import { makeReader } from '../quantity/reader.js'
import type { DrawnDiagram, StretchKind } from '../document/drawn-diagrams.js'
import type { Problem } from '../document/types.js'
import type { CourseKey } from '../analysis/course.js'
import { answerDimension } from '../kinds/answers/index.js'
import { readPlace } from '../results/place.js'

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
