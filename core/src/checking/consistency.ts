import * as D from '../quantity/dimension.js'
import { formatNumber } from '../quantity/format.js'
import { coherentUnitName, siPerCoherent } from '../quantity/units.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { integrate } from '../analysis/polynomial-course.js'
import type { Answer, Component, Problem } from '../document/types.js'
import { equilibrium } from '../results/equilibrium.js'
import { extremes } from '../results/extremes.js'
import type { Judged } from './judged.js'
import { endOf } from '../structure/place.js'

/** A condition of equilibrium that the hand values break among themselves, whatever the right solution is. */
export interface Inconsistency {
  kind: 'forces-x' | 'forces-y' | 'moments' | 'joint' | 'span'
  about?: string
  scope: string
  /** The residual of the condition, SI. */
  residual: number
  dimension: D.Dimension
  answers: string[]
  sentence: string
}

/** The hand values of one case, found by what they are of. */
interface Values {
  action: ActionSolution
  find(match: (a: Answer) => boolean): Judged | undefined
}

/** The problem with its geometry and loads. No computed force or displacement enters. */
interface Sheet {
  problem: Problem
  solution: Solution
}

/** The conditions that the hand values break, case by case: no computed force enters. */
export function consistency(
  problem: Problem,
  solution: Solution,
  judged: readonly Judged[],
): Inconsistency[] {
  const sheet = { problem, solution }
  return [...solution.cases, ...solution.combinations].flatMap((action) => {
    const own = judged.filter((j) => (j.answer.case ?? solution.cases[0]?.id) === action.id)
    const values: Values = { action, find: (match) => own.find((j) => match(j.answer)) }
    return [...whole(sheet, values), ...joints(sheet, values), ...spans(sheet, values)]
  })
}

/**
 * A sum of hand values, each times its lever arm, with the amount by which rounding of the values may move it
 * from zero.
 */
class Sum {
  total = 0
  slack = 0
  readonly ids: string[] = []
  add(j: Judged, by: number) {
    this.total += by * j.given
    this.slack += Math.abs(by) * j.allowed(j.given)
    if (!this.ids.includes(j.answer.id)) this.ids.push(j.answer.id)
  }
  isBroken(scale: number) {
    return Math.abs(this.total) > this.slack + 1e-9 * scale
  }
}

function amount({ problem }: Sheet, si: number, d: D.Dimension): string {
  return (
    `${formatNumber(Math.abs(si) / siPerCoherent(problem.units, d), { figures: 3 })} ` +
    `${coherentUnitName(problem.units, d)}`
  )
}

/** The whole structure, where every reaction of the case is given. */
function whole(sheet: Sheet, { action, find }: Values): Inconsistency[] {
  const { structure: s } = sheet.solution
  const ways: Component[] = s.kind === 'truss' ? ['x', 'y'] : ['x', 'y', 'rotation']
  const [x, y, m] = [new Sum(), new Sum(), new Sum()]
  const first = s.supports[0] && s.nodes[s.supports[0].node]
  if (!first) return []
  for (const p of s.supports) {
    const n = s.nodes[p.node]
    for (const way of ways) {
      // a turned support pushes in both global directions
      const holds =
        p.angle !== 0 && way !== 'rotation' ? p.hold.x !== false || p.hold.y !== false : p.hold[way] !== false
      if (!holds) continue
      const j = find(
        (a) => a.quantity === 'reaction' && a.node === n.id && a.component === way && a.axes !== 'own',
      )
      if (!j) return []
      if (way === 'x') {
        x.add(j, 1)
        m.add(j, -(n.y - first.y))
      } else if (way === 'y') {
        y.add(j, 1)
        m.add(j, n.x - first.x)
      } else m.add(j, 1)
    }
  }
  const { loads } = equilibrium(sheet.solution, action)
  x.total += loads.fx
  y.total += loads.fy
  m.total += loads.m - first.x * loads.fy + first.y * loads.fx
  const scale = Math.hypot(loads.fx, loads.fy)
  const out: Inconsistency[] = []
  const report = (
    sum: Sum,
    kind: 'forces-x' | 'forces-y' | 'moments',
    d: D.Dimension,
    size: number,
    words: string,
  ) => {
    if (!sum.isBroken(size) || sum.ids.length === 0) return
    out.push({
      kind,
      ...(kind === 'moments' ? { about: first.id } : {}),
      scope: 'structure',
      residual: sum.total,
      dimension: d,
      answers: sum.ids,
      sentence: `Your reactions do not balance: ${words} leave ${amount(sheet, sum.total, d)}.`,
    })
  }
  report(x, 'forces-x', D.force, scale, 'the forces in x')
  report(y, 'forces-y', D.force, scale, 'the forces in y')
  report(m, 'moments', D.moment, Math.abs(m.total), `the moments about ${first.id}`)
  return out
}

/** Each joint, where all bar forces (truss) or all end moments (frame) there are given. */
function joints(sheet: Sheet, values: Values): Inconsistency[] {
  const { structure: s } = sheet.solution
  return s.nodes.flatMap((_, node): Inconsistency[] => {
    const ends = s.members.flatMap((m) =>
      (['start', 'end'] as const).filter((e) => m[e] === node).map((e) => ({ m, e })),
    )
    if (ends.length === 0) return []
    const found =
      s.kind === 'truss' ? barForces(sheet, values, node, ends) : endMoments(sheet, values, node, ends)
    return found ? [found] : []
  })
}

type Ends = { m: Sheet['solution']['structure']['members'][number]; e: 'start' | 'end' }[]

const reactionAt = ({ find }: Values, id: string, way: Component) =>
  find((a) => a.quantity === 'reaction' && a.node === id && a.component === way && a.axes !== 'own')

/** The forces on a joint of a truss: every bar, the load, and the reaction where there is a support. */
function barForces(sheet: Sheet, values: Values, node: number, ends: Ends): Inconsistency | undefined {
  const { structure: s } = sheet.solution
  const { id } = s.nodes[node]
  const sums = { x: new Sum(), y: new Sum() }
  for (const { m, e } of ends) {
    const j = values.find((a) => a.quantity === 'axial' && a.member === m.id)
    if (!j) return undefined
    const way = e === 'start' ? 1 : -1
    sums.x.add(j, way * m.cos)
    sums.y.add(j, way * m.sin)
  }
  const support = s.supports.find((p) => p.node === node)
  for (const way of ['x', 'y'] as const) {
    const holds = support && (support.angle !== 0 || support.hold[way] !== false)
    const j = reactionAt(values, id, way)
    if (holds && !j) return undefined
    if (j) sums[way].add(j, 1)
  }
  sums.x.total += values.action.actions.nodal[3 * node]
  sums.y.total += values.action.actions.nodal[3 * node + 1]
  const over = (sum: Sum) => Math.abs(sum.total) - sum.slack
  const way = over(sums.x) > over(sums.y) ? 'x' : 'y'
  const worst = sums[way]
  if (!worst.isBroken(1e-3 * Math.abs(worst.total))) return undefined
  const left = amount(sheet, worst.total, D.force)
  const sentence = `Your bar forces do not balance at ${id}: the forces in ${way} leave ${left}.`
  return broken(id, worst, D.force, sentence)
}

/** The moments on a joint of a frame: every member end that is not hinged, the load, and the reaction. */
function endMoments(sheet: Sheet, values: Values, node: number, ends: Ends): Inconsistency | undefined {
  const { problem, solution } = sheet
  const { id } = solution.structure.nodes[node]
  const sum = new Sum()
  let given = 0
  for (const { m, e } of ends) {
    if (m.bar || m.releases[e === 'start' ? 2 : 5] === true) continue
    const j = values.find((a) => a.quantity === 'moment' && a.member === m.id && endOf(problem, a, m) === e)
    if (!j) return undefined
    given++
    sum.add(j, e === 'start' ? 1 : -1)
  }
  if (given < 2) return undefined
  const support = solution.structure.supports.find((p) => p.node === node)
  if (support && support.hold.rotation !== false) {
    const j = reactionAt(values, id, 'rotation')
    if (!j) return undefined
    sum.add(j, 1)
  }
  sum.total += values.action.actions.nodal[3 * node + 2]
  if (!sum.isBroken(1e-3 * Math.abs(sum.total))) return undefined
  const left = amount(sheet, sum.total, D.moment)
  return broken(id, sum, D.moment, `Your end moments do not balance at ${id}: they leave ${left}.`)
}

const broken = (scope: string, sum: Sum, dimension: D.Dimension, sentence: string): Inconsistency => ({
  kind: 'joint',
  scope,
  residual: sum.total,
  dimension,
  answers: sum.ids,
  sentence,
})

/** Each member, where its two end moments and a shear at an end, or its largest moment, are given. */
function spans(sheet: Sheet, { action, find }: Values): Inconsistency[] {
  const { problem, solution } = sheet
  return solution.structure.members.flatMap((m, i): Inconsistency[] => {
    if (m.bar) return []
    const of = (quantity: string, e: 'start' | 'end') =>
      find((a) => a.quantity === quantity && a.member === m.id && endOf(problem, a, m) === e)
    const [m1, m2] = [of('moment', 'start'), of('moment', 'end')]
    if (!m1 || !m2) return []
    const actions = action.actions.members.get(i)
    const rest = { N: 0, slope: 0, v: 0, u: 0 }
    // with the moments given, the shear at the start follows from the moment at the end
    const without = integrate(m, actions, { ...rest, V: 0, M: m1.given })
    const V1 = (m2.given - without.end.M) / m.length
    const course = integrate(m, actions, { ...rest, V: V1, M: m1.given })
    const slackV = (m1.allowed(m1.given) + m2.allowed(m2.given)) / m.length
    const out: Inconsistency[] = []
    const check = (j: Judged | undefined, expected: number, slack: number, d: D.Dimension, words: string) => {
      if (!j) return
      const residual = j.given - expected
      if (Math.abs(residual) <= slack + j.allowed(j.given) + 1e-9 * Math.abs(expected)) return
      out.push({
        kind: 'span',
        scope: m.id,
        residual,
        dimension: d,
        answers: [m1.answer.id, m2.answer.id, j.answer.id],
        sentence:
          `Your end moments of ${m.id} and its load give ${words} of ${amount(sheet, expected, d)}; ` +
          `yours is off by ${amount(sheet, residual, d)}.`,
      })
    }
    check(of('shear', 'start'), V1, slackV, D.force, 'a shear at the start')
    check(of('shear', 'end'), course.end.V, slackV, D.force, 'a shear at the end')
    const most = find((a) => a.quantity === 'maximum' && a.of === 'moment' && a.member === m.id)
    const slackM = m1.allowed(m1.given) + m2.allowed(m2.given)
    check(most, extremes(course).M.max.value, slackM, D.moment, 'a largest moment')
    return out
  })
}
