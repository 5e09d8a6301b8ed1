import { chordAt, sidesAt } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { Display } from '../document/display.js'
import { signFactors, signsOf } from '../document/signs.js'
import type { Problem } from '../document/types.js'
import { formatNumber } from '../quantity/format.js'
import { courseOf } from './courses.js'

export type ReadKey = 'N' | 'V' | 'M' | 'u' | 'v' | 'deflection' | 'max' | 'min'

/** One quantity at a place of a member: as it is written, left and right of a jump. */
export interface ReadValue {
  key: ReadKey
  text: string
  unit: string
  /** Tension or compression, where the quantity is an axial force; 0 where there is none. */
  pull: number
}

/** Below this part of the largest of its kind along the member, a value is rounding error and reads 0. */
const ROUNDING = 1e-9

/**
 * N, V, M and the displacements at a place of a member, in the units shown and the signs chosen; two values
 * with a bar between them where the quantity jumps. Deflection is measured from the straight chord.
 */
export function readAt(
  problem: Pick<Problem, 'view'>,
  solution: Solution,
  action: ActionSolution,
  member: number,
  x: number,
  display: Display,
): ReadValue[] {
  const course = courseOf(solution, action, member)
  const { left, right } = sidesAt(course, x)
  const sign = signFactors(signsOf(problem))
  const end = x <= 0 ? 'right' : x >= course.length ? 'left' : 'both'
  const value = (
    key: ReadKey,
    at: (s: typeof left) => number,
    { perSI, unit }: { perSI: number; unit: string },
  ): ReadValue => {
    const scale = most(at)
    const text = (s: typeof left) => (Math.abs(at(s)) <= ROUNDING * scale ? '0' : formatNumber(at(s) * perSI))
    const [l, r] = [text(left), text(right)]
    const both = l === r ? l : end === 'right' ? r : end === 'left' ? l : `${l} | ${r}`
    const pulls = at(end === 'right' ? right : left) * (key === 'N' ? sign.N : 0)
    return { key, text: both, unit, pull: both === '0' ? 0 : Math.sign(pulls) }
  }
  const most = (at: (s: typeof left) => number) =>
    Math.max(
      ...course.stretches.flatMap((s) => [s.x0, (s.x0 + s.x1) / 2, s.x1].map((p) => Math.abs(at(s.at(p))))),
    )
  const chord = chordAt(course, x)
  const truss = solution.structure.kind === 'truss'
  return [
    value('N', (s) => s.N * sign.N, display.force),
    ...(truss
      ? []
      : [value('V', (s) => s.V * sign.V, display.force), value('M', (s) => s.M * sign.M, display.moment)]),
    value('u', (s) => s.u, display.displacement),
    value('v', (s) => s.v, display.displacement),
    ...(truss ? [] : [value('deflection', (s) => s.v - chord, display.displacement)]),
  ]
}

/** The largest and the smallest N, V or M at a place over the cases of an envelope, each with its case. */
export function readEnvelope(
  problem: Pick<Problem, 'view'>,
  solution: Solution,
  /** Labels of the cases and combinations; all of them when null. */
  chosen: readonly string[] | null,
  member: number,
  x: number,
  key: 'N' | 'V' | 'M',
  display: Display,
): ReadValue[] {
  const actions = [...solution.cases, ...solution.combinations].filter(
    (a) => chosen === null || chosen.includes(a.id),
  )
  const sign = signFactors(signsOf(problem))[key]
  const { perSI, unit } = key === 'M' ? display.moment : display.force
  const values = actions.flatMap((a) => {
    const { left, right } = sidesAt(courseOf(solution, a, member), x)
    return [left, right].map((s) => ({ value: s[key] * sign, by: a.id }))
  })
  if (values.length === 0) return []
  const scale = Math.max(...values.map((v) => Math.abs(v.value)))
  return ([1, -1] as const).map((side): ReadValue => {
    const best = values.reduce((a, b) => (side * b.value > side * a.value ? b : a))
    const text = Math.abs(best.value) <= ROUNDING * scale ? '0' : formatNumber(best.value * perSI)
    return { key: side > 0 ? 'max' : 'min', text: `${best.by}  ${text}`, unit, pull: 0 }
  })
}
