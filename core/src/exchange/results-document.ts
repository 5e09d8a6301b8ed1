import * as D from '../quantity/dimension.js'
import { siPerCoherent } from '../quantity/units.js'
import { wholeStiffness } from '../analysis/assemble.js'
import type { Course } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { checkAnswers, type AnswerVerdict } from '../checking/answers.js'
import type { Problem } from '../document/types.js'
import { resultsInLetters, type ResultsInLetters } from '../letters/results.js'
import { determinacy } from '../statics/determinacy.js'
import { openNotice } from '../analysis/rigid.js'
import { displacementAt, reactionAt } from '../results/at-node.js'
import { equilibrium } from '../results/equilibrium.js'
import { extremes, type Range } from '../results/extremes.js'
import { coursesOf, stations } from '../results/courses.js'

export interface ResultsOptions {
  /** Evenly spaced stations per member, ends included. */
  stations?: number
  /** Adds the whole stiffness matrix. */
  matrices?: boolean
  /** Adds to each result of first order the same in letters. */
  letters?: boolean
}

export const DEFAULT_STATIONS = 21

/** The results document the command line prints (docs/results.md), in the problem's coherent units. */
export function resultsDocument(
  problem: Problem,
  solution: Solution,
  notices: readonly string[],
  options: ResultsOptions = {},
) {
  const per = (d: D.Dimension) => 1 / siPerCoherent(problem.units, d)
  const scale = {
    length: per(D.length),
    force: per(D.force),
    moment: per(D.moment),
    stiffness: per(D.forcePerLength),
  }
  const isOpen = Object.keys(problem.symbols ?? {}).length > 0
  const letters = options.letters && isOpen ? resultsInLetters(problem, solution) : undefined
  const count = determinacy(solution.structure, solution.dofs)
  return {
    format: 'viga-results',
    version: 1,
    units: { length: problem.units.length, force: problem.units.force },
    determinacy: { degree: count.degree, stable: true },
    ...(options.matrices && !solution.structure.members.some((m) => m.axiallyRigid)
      ? { stiffness: stiffness(solution, scale) }
      : {}),
    results: Object.fromEntries(
      [...solution.cases, ...solution.combinations].map((a): [string, ResultDocument] => {
        const document = actionDocument(solution, a, scale, options.stations ?? DEFAULT_STATIONS)
        if (!options.letters || a.bent) return [a.id, document]
        const inLetters = letters ? letters.results.get(a.id)! : numbersAsLetters(document)
        const missing = letters?.missing
        return [a.id, { ...document, letters: inLetters, ...(missing && { lettersMissing: missing }) }]
      }),
    ),
    answers: checkAnswers(problem, solution).map((v) => answerDocument(v)),
    notices: [...notices, ...[openNotice(solution.structure, solution.open)].filter((n) => n !== undefined)],
  }
}

/** One result, of first order with the same in letters where that was asked for. */
type ResultDocument = ReturnType<typeof actionDocument> & {
  letters?: ResultsInLetters
  lettersMissing?: string
}

type Scale = { length: number; force: number; moment: number; stiffness: number }

function actionDocument(solution: Solution, a: ActionSolution, scale: Scale, count: number) {
  const balance = equilibrium(solution, a)
  return {
    kind: a.kind,
    order: a.bent ? 2 : 1,
    nodes: nodesDocument(solution, a, scale),
    reactions: reactionsDocument(solution, a, scale),
    members: membersDocument(solution, a, scale, count),
    equilibrium: {
      fx: balance.residual.fx * scale.force,
      fy: balance.residual.fy * scale.force,
      m: balance.residual.m * scale.moment,
      energy: a.bent ? null : balance.energy * scale.moment,
    },
    ...(a.bent ? { loadFactor: a.bent.loadFactor } : {}),
  }
}

/** The results of a problem without symbols as expressions: its numbers. */
function numbersAsLetters({
  nodes,
  reactions,
  members,
}: ReturnType<typeof actionDocument>): ResultsInLetters {
  const say = (v: number | null) => (v === null || !Number.isFinite(v) ? null : String(v))
  const each = <K extends string, V, W>(record: Record<K, V>, of: (v: V) => W) =>
    Object.fromEntries(Object.entries<V>(record).map(([key, v]) => [key, of(v)])) as Record<K, W>
  const end = (v: Record<'fx' | 'fy' | 'm', number>) => each(v, say)
  return {
    nodes: each(nodes, (d) => each(d, say)),
    reactions: each(reactions, ({ x, y, rotation }) => each({ x, y, rotation }, say)),
    members: each(members, (m) => ({
      start: end(m.start),
      end: end(m.end),
      extremes: each(m.extremes, (r) => each(r, (e) => each({ value: e.value, x: e.x }, say))),
    })),
  }
}

function nodesDocument(solution: Solution, a: ActionSolution, scale: Scale) {
  const times = (v: number | null, k: number) => (v === null ? null : v * k)
  return Object.fromEntries(
    solution.structure.nodes.map((n, i) => {
      const d = displacementAt(solution, a, i)
      return [n.id, { x: times(d.x, scale.length), y: times(d.y, scale.length), rotation: d.rotation }]
    }),
  )
}

function reactionsDocument(solution: Solution, a: ActionSolution, scale: Scale) {
  const { structure: s } = solution
  const out = (v: { x: number; y: number; rotation: number }) => ({
    x: v.x * scale.force,
    y: v.y * scale.force,
    rotation: v.rotation * scale.moment,
  })
  return Object.fromEntries(
    s.supports.map((p) => {
      const r = reactionAt(solution, a, p.node)
      return [s.nodes[p.node].id, { ...out(r), angle: r.angle, own: out(r.own) }]
    }),
  )
}

function membersDocument(solution: Solution, a: ActionSolution, scale: Scale, count: number) {
  const courses = coursesOf(solution, a)
  return Object.fromEntries(
    solution.structure.members.map((m, i) => {
      const q = a.forces.subarray(6 * i, 6 * i + 6)
      const end = (at: number) => ({
        fx: q[at] * scale.force,
        fy: q[at + 1] * scale.force,
        m: q[at + 2] * scale.moment,
      })
      return [
        m.id,
        { length: m.length * scale.length, start: end(0), end: end(3), ...along(courses[i], scale, count) },
      ]
    }),
  )
}

/** What is found along a member: its stations and its exact extremes. */
function along(course: Course, scale: Scale, count: number) {
  const scaled = (r: Range, k: number): Range => ({
    max: { value: r.max.value * k, x: r.max.x * scale.length },
    min: { value: r.min.value * k, x: r.min.x * scale.length },
  })
  const e = extremes(course)
  return {
    stations: stations(course, count).map((t) => ({
      x: t.x * scale.length,
      N: t.N * scale.force,
      V: t.V * scale.force,
      M: t.M * scale.moment,
      u: t.u * scale.length,
      v: t.v * scale.length,
      relative: t.relative * scale.length,
    })),
    extremes: {
      N: scaled(e.N, scale.force),
      V: scaled(e.V, scale.force),
      M: scaled(e.M, scale.moment),
      relative: scaled(e.relative, scale.length),
    },
  }
}

function stiffness(solution: Solution, scale: Scale) {
  const { dofs, structure, elements } = solution
  const K = wholeStiffness(dofs, elements)
  const turning = dofs.list.map((d) => d.component === 'rotation')
  const dimension = (i: number, j: number) =>
    turning[i] && turning[j] ? scale.moment : turning[i] || turning[j] ? scale.force : scale.stiffness
  return {
    dofs: dofs.list.map((d, i) => ({
      number: i + 1,
      node: structure.nodes[d.node].id,
      component: d.component,
      free: d.free,
    })),
    K: K.map((row, i) => Array.from(row, (v, j) => v * dimension(i, j))),
  }
}

function answerDocument(v: AnswerVerdict) {
  return {
    id: v.id,
    given: v.given,
    computed: v.computed,
    verdict: v.verdict,
    diagnosis: v.diagnosis,
    ...(v.reason ? { reason: v.reason } : {}),
  }
}
