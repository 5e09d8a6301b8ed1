import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import { reactionAt } from '../../results/at-node.js'
import { actionsOf } from '../acting-loads.js'
import type { Block, Cell, StepContent } from '../blocks.js'
import { addressOf } from '../address.js'
import { minus, number, over, power, times, type Formula, type Letter } from '../expression.js'

import type { FoundValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { reactionName } from '../../document/reaction-name.js'
import { equalSpans, evenLoad, fitsEqualSpans, TABLE, type EqualSpans, type Fraction } from './equal-spans.js'
import { OUTLINE } from './outline.js'

/** A problem as this method works it out. */
interface Work {
  spans: EqualSpans
  notes: Notes
  task: Task
}

const at = {
  load: addressOf('w'),
  length: addressOf('L'),
  moment: (node: string) => addressOf('moment', node),
  reaction: (node: string) => addressOf('reaction', node),
  solver: (kind: string, node: string) => addressOf(`solver-${kind}`, node),
}

type Letters = (address: string) => Letter
const fraction = ([a, b]: Fraction, f: Formula): Formula => over(a === 1 ? f : times(number(a), f), number(b))

function workOf(task: Task): Work {
  const { structure: s } = task
  const spans = equalSpans(s)!
  const up = evenLoad(s, spans, actionsOf(s, actingOf(s, task.action)!))!
  const { moments, reactions } = TABLE[spans.members.length]
  const { solution, action } = task.solved()
  const notes = new Notes()
  const L = spans.length
  notes.put(['w'], {
    symbol: { letter: 'w' },
    si: -up,
    dimension: D.forcePerLength,
    from: 'The load on all spans, downward.',
  })
  notes.put(['L'], { symbol: { letter: 'L' }, si: L, dimension: D.length, from: 'The span.' })
  spans.nodes.forEach((node, i) => {
    const { id } = s.nodes[node]
    const of = [thing.node(id)]
    const inner = moments[i - 1]
    if (inner) {
      notes.put(['moment', id], {
        symbol: { letter: 'M', sub: id },
        si: (inner[0] / inner[1]) * up * L * L,
        dimension: D.moment,
        of,
        from: (l: Letters) => minus(fraction(inner, times(l(at.load), power(l(at.length), 2)))),
      })
      notes.put(['solver-moment', id], {
        symbol: { letter: 'M', sub: id },
        si: solverMoment(task, spans.members[i - 1], node),
        dimension: D.moment,
        of,
        from: 'The stiffness method finds this.',
      })
    }
    const r = reactions[i]
    notes.put(['reaction', id], {
      symbol: reactionName(id, 'y'),
      si: (-r[0] / r[1]) * up * L,
      dimension: D.force,
      of,
      from: (l: Letters) => fraction(r, times(l(at.load), l(at.length))),
    })
    notes.put(['solver-reaction', id], {
      symbol: reactionName(id, 'y'),
      si: reactionAt(solution, action, node).y ?? 0,
      dimension: D.force,
      of,
      from: 'The stiffness method finds this.',
    })
  })
  return { spans, notes, task }
}

/** The internal moment at a joint, at an end of a member there; sagging positive whichever way it runs. */
function solverMoment({ structure: s, solved }: Task, member: number, node: number): number {
  const { forces } = solved().action
  const m = s.members[member]
  return Math.sign(m.cos) * (m.end === node ? forces[6 * member + 5] : -forces[6 * member + 2])
}

const idsOf = ({ spans, task }: Work) => spans.nodes.map((n) => task.structure.nodes[n].id)
const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })

const beam = ({ spans }: Work): StepContent => ({
  why: 'Equal spans, the same EI, simple ends, one load on all: the table has the answer as fractions.',
  passages: [
    {
      blocks: [{ kind: 'words', words: `${spans.members.length} spans.` }, lines([at.length, at.load])],
    },
  ],
})

const moments = (w: Work): StepContent => ({
  why: 'Over each inner support so many parts of wL²; hogging, so negative. The ends carry no moment.',
  passages: [{ blocks: [lines(idsOf(w).slice(1, -1).map(at.moment))] }],
})

const reactions = (w: Work): StepContent => ({
  why: 'At each support so many parts of wL; together they are the whole load.',
  passages: [{ blocks: [lines(idsOf(w).map(at.reaction))] }],
})

const comparison = (w: Work): StepContent => ({
  why: 'Moments and reactions of both methods. Nothing else is taken from there.',
  passages: [
    {
      blocks: [
        {
          kind: 'table',
          head: ['', 'Coefficients', 'Stiffness method'],
          rows: [
            ...idsOf(w)
              .slice(1, -1)
              .map((id): Cell[] => [`M at ${id}`, { at: at.moment(id) }, { at: at.solver('moment', id) }]),
            ...idsOf(w).map((id): Cell[] => [
              `reaction of ${id}`,
              { at: at.reaction(id) },
              { at: at.solver('reaction', id) },
            ]),
          ],
        },
      ],
    },
  ],
})

const STEPS: Record<(typeof OUTLINE)['steps'][number]['key'], (w: Work) => StepContent> = {
  beam,
  moments,
  reactions,
  comparison,
}

function values(w: Work, coherent: (si: number, d: D.Dimension) => number): FoundValue[] {
  const ids = idsOf(w)
  const { members } = w.task.structure
  return [
    ...ids.slice(1, -1).map((id, i): FoundValue => {
      const m = members[w.spans.members[i]]
      const place = m.end === w.spans.nodes[i + 1] ? '100%' : '0%'
      // positive is sagging for somebody who looks along the member
      const value = Math.sign(m.cos) * coherent(w.notes.si(at.moment(id)), D.moment)
      return { quantity: 'moment', member: m.id, at: place, value }
    }),
    ...ids.map((id): FoundValue => ({
      quantity: 'reaction',
      node: id,
      component: 'y',
      value: coherent(w.notes.si(at.reaction(id)), D.force),
    })),
  ]
}

/** Coefficients for continuous beams of equal spans under one uniform load. */
export const COEFFICIENTS = notedMethod<Work>({
  outline: OUTLINE,
  fits: fitsEqualSpans,
  work: workOf,
  steps: STEPS,
  values,
})
