import * as D from '../../quantity/dimension.js'
import type { Block, Cell, Passage, StepContent } from '../blocks.js'
import { actionsOf } from '../acting-loads.js'
import type { Ledger } from '../ledger.js'
import type { NamedValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { fitsTruss } from './fits.js'
import { cutBody, jointBody, jointPolygon, knownBefore, wholeBody } from './drawn.js'
import { forceAt, foundBlocks, noteForces, noteSolver, solverAt } from './notes.js'
import { orderOf, type Passing } from './order.js'
import { OUTLINE } from './outline.js'
import { aboutOf, pointName, pointOf } from './points.js'
import { trussOf, type Truss } from './truss.js'

/** A problem as this method works it out. */
interface Work {
  t: Truss
  order: Passing[]
  /** The forces known before each step of the order. */
  before: ReadonlyMap<Passing, ReadonlyMap<number, number>>
  notes: Notes
}

function workOf(task: Task): Work {
  const { structure, problem } = task
  const t = trussOf(structure, actionsOf(structure, actingOf(structure, task.action)!))
  const order = orderOf(t)
  const notes = new Notes()
  noteForces(notes, t, order, problem.units)
  noteSolver(notes, t, task.solved().action)
  return { t, order, before: knownBefore(order), notes }
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const named = (t: Truss, node: number) => t.structure.nodes[node].id
const barName = (t: Truss, unknown: number) => t.structure.members[t.unknowns[unknown].bar!].id
const lines = (t: Truss, found: readonly { unknown: number }[]): Block => ({
  kind: 'lines',
  addresses: found.map((f) => forceAt(t, f.unknown)),
})

/** Tension, compression or no force of the bars that were found. */
function tensionWords(w: Work, found: readonly { unknown: number; value: number }[]): string {
  const bars = found.filter((f) => w.t.unknowns[f.unknown].bar !== undefined)
  return bars
    .map((f) => {
      const what =
        f.value === 0 ? 'carries no force' : f.value > 0 ? 'is in tension (T)' : 'is in compression (C)'
      return `${barName(w.t, f.unknown)} ${what}`
    })
    .join(', ')
}

function zero(w: Work): StepContent | undefined {
  const rules = w.order.flatMap((p) => (p.kind === 'zero' ? [p] : []))
  if (rules.length === 0) return undefined
  return {
    why: 'Some bars carry no force, which a look at their joint shows before anything is found.',
    passages: [
      {
        blocks: rules.map((p) => {
          const bars = p.found.map((f) => barName(w.t, f.unknown)).join(' and ')
          const joint = named(w.t, p.node)
          return words(
            p.rule === 'two'
              ? `${bars}: two bars that are not in line meet at ${joint}, and nothing else acts there.`
              : `${bars}: at ${joint} all other forces are in one line, and none balances a force across it.`,
          )
        }),
      },
    ],
  }
}

function reactions(w: Work, book: Ledger): StepContent | undefined {
  const whole = w.order.find((p) => p.kind === 'whole')
  if (whole?.kind !== 'whole') return undefined
  return {
    why:
      'The truss as one body: each reaction from the sum of moments about the point where the other ' +
      'two meet, or from ' +
      'the sum of forces across them where they are parallel.',
    passages: [{ blocks: [wholeBody(w.t, w.before.get(whole)!), ...foundBlocks(w.t, book, whole.found)] }],
  }
}

function joints(w: Work, book: Ledger): StepContent {
  const passages = w.order.flatMap((p): Passage[] => {
    if (p.kind === 'joint')
      return [
        {
          title: `Joint ${named(w.t, p.node)}`,
          blocks: [
            jointBody(w.t, p, w.before.get(p)!),
            words(
              p.found.length === 2
                ? 'Two forces are unknown: two equations.'
                : 'One force is found, from the sum of forces across the line of the others.',
            ),
            ...foundBlocks(w.t, book, p.found),
            ...said(tensionWords(w, p.found)),
            ...some(jointPolygon(w.t, p, w.before.get(p)!)),
          ],
        },
      ]
    const about = p.kind === 'cut' ? aboutOf(p.found) : undefined
    if (p.kind === 'cut')
      return [
        {
          title: `Cut through ${p.cut.map((u) => barName(w.t, u)).join(', ')}`,
          blocks: [
            cutBody(w.t, p, w.before.get(p)!),
            words(
              'No joint has less than three unknown forces. A cut divides the truss: ' +
                (about
                  ? `moments about ${pointName(w.t, about)}, where the other unknown bars meet.`
                  : 'forces across the other unknown bars, which are parallel.'),
            ),
            ...foundBlocks(w.t, book, [p.found]),
            ...said(tensionWords(w, [p.found])),
          ],
        },
      ]
    if (p.kind === 'together')
      return [
        {
          title: 'The remaining joints',
          blocks: [
            words(
              'Neither a joint nor a cut gives one force by itself: the equations of the joints are ' +
                'solved together.',
            ),
            lines(w.t, p.found),
            ...said(tensionWords(w, p.found)),
          ],
        },
      ]
    return []
  })
  return {
    why:
      'Every bar pulls on its joint in thought; a negative force is compression. Joint after ' +
      'joint with at most two unknowns.',
    passages,
  }
}

const some = (block: Block | undefined): Block[] => (block ? [block] : [])
const said = (text: string): Block[] => (text ? [words(`${text}.`)] : [])

const forces = ({ t, notes }: Work): StepContent => ({
  why: 'All bars. Positive is tension (T), negative compression (C).',
  passages: [
    {
      blocks: [
        {
          kind: 'table',
          head: ['Bar', 'N', ''],
          rows: t.structure.members.map((m, i): Cell[] => {
            const si = notes.si(forceAt(t, i))
            return [m.id, { at: forceAt(t, i) }, si > 0 ? 'T' : si < 0 ? 'C' : 'no force']
          }),
        },
      ],
    },
  ],
})

const comparison = ({ t }: Work): StepContent => ({
  why: 'The bar forces of both methods. Nothing else is taken from there.',
  passages: [
    {
      blocks: [
        {
          kind: 'table',
          head: ['Bar', 'Method of joints', 'Stiffness method'],
          rows: t.structure.members.map((m, i): Cell[] => [
            m.id,
            { at: forceAt(t, i) },
            { at: solverAt(m.id) },
          ]),
        },
      ],
    },
  ],
})

/** The joints and cuts in the order of the working. */
function namesOf({ t, order }: Work, coherent: (si: number, d: D.Dimension) => number): NamedValue[] {
  return order.flatMap((p): NamedValue[] => {
    if (p.kind === 'joint' || p.kind === 'zero') {
      const bars = p.found.filter((f) => t.unknowns[f.unknown].bar !== undefined)
      const members = bars.map((f) => barName(t, f.unknown))
      return members.length ? [{ name: 'joint', node: named(t, p.node), members }] : []
    }
    if (p.kind !== 'cut') return []
    const about = aboutOf(p.found)
    return [
      {
        name: 'cut',
        members: p.cut.map((u) => barName(t, u)),
        finds: barName(t, p.found.unknown),
        ...(about && { 'moment-about': pointOf(t, about, coherent) }),
      },
    ]
  })
}

type Maker = (w: Work, book: Ledger) => StepContent | undefined
const STEPS: Record<(typeof OUTLINE)['steps'][number]['key'], Maker> = {
  zero,
  reactions,
  joints,
  forces,
  comparison,
}

/** The method of joints. Source: Kassimali, Structural Analysis, ch. 4. */
export const JOINTS = notedMethod<Work>({
  outline: OUTLINE,
  fits: fitsTruss,
  work: workOf,
  steps: STEPS,
  has: { zero: (w) => zero(w) !== undefined, reactions: (w) => w.order.some((p) => p.kind === 'whole') },
  values: ({ t, notes }, coherent) =>
    t.structure.members.map((m, i) => ({
      quantity: 'axial' as const,
      member: m.id,
      at: '50%',
      value: coherent(notes.si(forceAt(t, i)), D.force),
    })),
  named: namesOf,
})
