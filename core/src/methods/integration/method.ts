import * as D from '../../quantity/dimension.js'
import { siPerCoherent } from '../../quantity/units.js'
import { evaluatePolynomial, rootsInside, derivative, type Polynomial } from '../../analysis/polynomial.js'
import { thing } from '../../document/thing.js'
import type { Problem } from '../../document/types.js'
import { displacementAt } from '../../results/at-node.js'
import type { Actions } from '../../structure/actions.js'
import { caseActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import { actionsOf } from '../acting-loads.js'
import { addressOf } from '../address.js'
import type { Block, Cell, Passage, StepContent } from '../blocks.js'
import { beyondCourse } from '../course.js'
import { matrixLetter, minus, number, PLACE, power, sum, times, type Formula } from '../expression.js'
import type { Fit, FoundValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod, type Coherent } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { reactionName } from '../../document/reaction-name.js'
import { beamOrder, integrateBeam, type IntegratedBeam, type Part } from './beam.js'
import { momentAreaStep, noteMomentArea, type MomentArea } from './moment-area.js'
import { OUTLINE } from './outline.js'

/** A problem as this method works it out. */
interface Work {
  beam: IntegratedBeam
  task: Task
  notes: Notes
  coherent: Coherent
}

const SLOPE = D.bendingStiffness
const CURVE = D.multiply(D.force, D.power(D.length, 3))

const at = {
  reaction: (node: string, component: string) => addressOf('reaction', node, component),
  constant: (part: number, which: 1 | 2) => addressOf(`C${which}`, part + 1),
  moved: (node: string, component: string) => addressOf('moved', node, component),
  solver: (node: string, component: string) => addressOf('solver', node, component),
}

/** A polynomial of t = x − x0 as one of x. */
function inX(p: Polynomial, x0: number): number[] {
  const out = p.map(() => 0)
  p.forEach((c, n) => {
    let binomial = 1
    for (let k = n; k >= 0; k--) {
      out[k] += c * binomial * (-x0) ** (n - k)
      binomial = (binomial * k) / (n - k + 1)
    }
  })
  return out
}

function workOf(task: Task): Work {
  const { structure: s, problem } = task
  const coherent: Coherent = (si, d) => si / siPerCoherent(problem.units, d)
  const beam = integrateBeam(s, actionsOf(s, actingOf(s, task.action)!))!
  const w: Work = { beam, task, notes: new Notes(), coherent }
  noteConstants(w)
  noteDisplacements(w)
  noteMomentArea(momentArea(w))
  return w
}

/** The beam as the moment–area theorems see it. */
const momentArea = (w: Work): MomentArea => ({
  ...w,
  s: w.task.structure,
  moment: (part) => written(w, inX(part.M, part.x0), D.moment),
  moved: (node) => movedAt(w, node),
})

function noteConstants({ beam, task, notes }: Work): void {
  beam.reactions.forEach((r, i) => {
    const { id } = task.structure.nodes[r.support.node]
    const isMoment = r.component === 'rotation'
    notes.put(['reaction', id, r.component], {
      symbol: reactionName(id, isMoment ? 'rotation' : 'y'),
      si: beam.values[i],
      dimension: isMoment ? D.moment : D.force,
      of: [thing.support(id)],
      from: 'The conditions together give it.',
    })
  })
  beam.parts.forEach((part, k) => {
    const of = [thing.member(task.structure.members[part.member].id)]
    const put = (which: 1 | 2, si: number, dimension: D.Dimension) =>
      notes.put([`C${which}`, k + 1], {
        symbol: { letter: 'C', sub: `${which},${k + 1}` },
        si,
        dimension,
        of,
        from: 'The conditions together give it.',
      })
    put(1, part.EI * inX(part.slope, part.x0)[0], SLOPE)
    put(2, part.EI * inX(part.v, part.x0)[0], CURVE)
  })
}

/** The deflection and the slope at a joint, from the part that begins or ends there. */
function movedAt({ beam, task }: Work, node: number): { y: number; rotation: number } {
  const x = task.structure.nodes[node].x - beam.left
  const part = beam.parts.find((p) => x >= p.x0 - 1e-9 && x <= p.x1 + 1e-9)!
  const reach = (p: Polynomial) => Math.max(...p.map((c, k) => Math.abs(c) * (part.x1 - part.x0) ** k))
  const value = (p: Polynomial) => {
    const v = evaluatePolynomial(p, x - part.x0)
    return Math.abs(v) <= 1e-13 * reach(p) ? 0 : v
  }
  return { y: value(part.v), rotation: value(part.slope) }
}

const WAYS = [
  ['y', 'v', D.length],
  ['rotation', 'v′', D.angle],
] as const

function noteDisplacements(w: Work): void {
  const { solution, action } = w.task.solved()
  w.task.structure.nodes.forEach((n, node) => {
    const moved = movedAt(w, node)
    const solver = displacementAt(solution, action, node)
    for (const [component, letter, dimension] of WAYS) {
      const common = { symbol: { letter, sub: n.id }, dimension, of: [thing.node(n.id)] }
      w.notes.put(['moved', n.id, component], { ...common, si: moved[component], from: 'From the curve.' })
      const from = 'The stiffness method finds this.'
      w.notes.put(['solver', n.id, component], { ...common, si: solver[component] ?? NaN, from })
    }
  })
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })

/** Figures of a coefficient that are written at most: those beyond are rounding. */
const DIGITS = 12

/** A polynomial of x with its numbers, where the first coefficient has a dimension. */
function written({ coherent, beam }: Work, p: Polynomial, dimension: D.Dimension): Formula {
  const reach = p.map((c, k) => Math.abs(c) * beam.length ** k)
  const largest = Math.max(...reach)
  let of = dimension
  return sum(
    ...p.flatMap((c, k): Formula[] => {
      if (k > 0) of = D.divide(of, D.length)
      if (reach[k] <= 1e-12 * largest || c === 0) return []
      const value = Number(coherent(c, of).toPrecision(DIGITS))
      const size = number(Math.abs(value))
      const term = k === 0 ? size : times(size, k === 1 ? PLACE : power(PLACE, k))
      return [value < 0 ? minus(term) : term]
    }),
  )
}

const equation = (left: string, right: Formula): Block => ({
  kind: 'equation',
  left: matrixLetter(left),
  right,
})

function partTitle({ task, coherent }: Work, part: Part): string {
  const length = (x: number) => Number(coherent(x, D.length).toPrecision(6))
  const { id } = task.structure.members[part.member]
  return `${id}, from x = ${length(part.x0)} to ${length(part.x1)}`
}

const partPassages = (w: Work, blocks: (part: Part, k: number) => Block[]): Passage[] =>
  w.beam.parts.map((part, k) => ({ title: partTitle(w, part), blocks: blocks(part, k) }))

const scaled = (p: Polynomial, by: number) => p.map((c) => c * by)

const STEPS: Readonly<Record<string, (w: Work) => StepContent>> = {
  moments: (w) => ({
    why:
      'The bending moment of each stretch as a function of x from the left end of the beam, sagging ' +
      'positive: what stands to the left of the place, reactions included.',
    passages: [
      { title: 'Reactions', blocks: [lines(w.beam.reactions.map((r) => reactionAt(w, r)))] },
      ...partPassages(w, (part) => [equation('M', written(w, inX(part.M, part.x0), D.moment))]),
    ],
  }),
  integration: (w) => ({
    why: 'EI v″ = M is integrated twice, stretch by stretch; each integration brings one constant.',
    passages: partPassages(w, (part) => [
      equation('EI v′', written(w, scaled(inX(part.slope, part.x0), part.EI), SLOPE)),
      equation('EI v', written(w, scaled(inX(part.v, part.x0), part.EI), CURVE)),
    ]),
  }),
  conditions: (w) => ({
    why: 'As many conditions as there are constants and reactions.',
    passages: [
      { blocks: conditionsOf(w).map(words) },
      {
        title: 'Constants',
        blocks: [lines(w.beam.parts.flatMap((_, k) => [at.constant(k, 1), at.constant(k, 2)]))],
      },
    ],
  }),
  curve: (w) => ({
    why: 'The deflection v is positive upward, the slope counter-clockwise.',
    passages: [{ blocks: [jointTable(w, ['Joint', 'v', 'v′'], ['moved'])] }],
  }),
  'moment-area': (w) => momentAreaStep({ s: w.task.structure, beam: w.beam }),
  comparison: (w) => ({
    why: 'The displacements of both methods. Nothing else is taken from there.',
    passages: [
      { blocks: [jointTable(w, ['Joint', 'v', 'v, stiffness', 'v′', 'v′, stiffness'], ['moved', 'solver'])] },
    ],
  }),
}

const reactionAt = ({ task }: Work, { support, component }: Work['beam']['reactions'][number]) =>
  at.reaction(task.structure.nodes[support.node].id, component)

const jointTable = ({ task }: Work, head: string[], sorts: ('moved' | 'solver')[]): Block => ({
  kind: 'table',
  head,
  rows: task.structure.nodes.map(({ id }): Cell[] => [
    id,
    ...WAYS.flatMap(([component]) => sorts.map((sort) => ({ at: at[sort](id, component) }))),
  ]),
})

/** The conditions in words: equilibrium, supports, and what is the same on both sides of a place. */
function conditionsOf({ beam, task }: Work): string[] {
  const supports = beam.reactions.map((r) => {
    const { id } = task.structure.nodes[r.support.node]
    const what = r.component === 'y' ? 'v' : 'v′'
    const hold = r.support.hold[r.component]
    if (typeof hold === 'number') return `${what} at ${id} is what its spring yields under its reaction.`
    return r.support.settlement[r.component] === 0
      ? `${what} = 0 at ${id}.`
      : `${what} at ${id} is its settlement where that acts, else 0.`
  })
  return [
    'The reactions hold the loads: the sum of the forces is 0, and that of the moments.',
    ...supports,
    ...(beam.parts.length > 1 ? ['Where two stretches meet, v and v′ are the same on both sides.'] : []),
  ]
}

/** Loads across the beam alone: nothing along it, no temperature, no misfit. */
function actsAcross(s: Structure, { nodal, members }: Actions): boolean {
  const along = s.nodes.some((_, i) => nodal[3 * i] !== 0)
  return (
    !along &&
    [...members.values()].every(
      (a) =>
        a.axialStrain === 0 &&
        a.curvature === 0 &&
        a.jumps.length === 0 &&
        a.spans.every((t) => t.p[0] === 0 && t.p[1] === 0) &&
        a.points.every((p) => p.fx === 0),
    )
  )
}

function fits(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (s.members.length === 0 || !beamOrder(s))
    return {
      fits: false,
      why:
        'Double integration is for one straight level beam without inner hinges, on upright supports, that ' +
        'gives way by bending alone.',
    }
  if (!s.cases.every((_, i) => actsAcross(s, caseActions(s, i))))
    return {
      fits: false,
      why: 'Double integration is for loads across the beam; here something else acts, too.',
    }
  return { fits: true }
}

/** The largest and the least deflection of a member from its chord, in its own y, and the joints. */
function values(w: Work): FoundValue[] {
  const { beam, task, coherent } = w
  const { members, nodes } = task.structure
  const joints = nodes.flatMap((n, node): FoundValue[] => {
    const moved = movedAt(w, node)
    return WAYS.map(([component, , dimension]) => ({
      quantity: 'displacement',
      node: n.id,
      component,
      value: coherent(moved[component], dimension),
    }))
  })
  const bent = members.flatMap((m, i): FoundValue[] => {
    const parts = beam.parts.filter((p) => p.member === i)
    const [a, b] = [parts[0], parts[parts.length - 1]]
    const from = a.v[0]
    const rise = (evaluatePolynomial(b.v, b.x1 - b.x0) - from) / m.length
    const found = parts.flatMap((p) => {
      const off = p.v.map((c, k) => c - (k === 0 ? from + rise * (p.x0 - a.x0) : k === 1 ? rise : 0))
      const h = p.x1 - p.x0
      return [0, ...rootsInside(derivative(off), h), h].map((t) => evaluatePolynomial(off, t))
    })
    // a member drawn from right to left has its y downward
    const own = found.map((v) => Math.sign(m.cos) * v)
    const put = (quantity: 'maximum' | 'minimum', value: number): FoundValue => ({
      quantity,
      of: 'deflection',
      member: m.id,
      value: coherent(value, D.length),
    })
    return [put('maximum', Math.max(...own)), put('minimum', Math.min(...own))]
  })
  return [...joints, ...bent]
}

/** Double integration. Source: Hibbeler, Structural Analysis, ch. 8. */
export const INTEGRATION = notedMethod<Work>({ outline: OUTLINE, fits, work: workOf, steps: STEPS, values })
