import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import type { Problem } from '../../document/types.js'
import { caseActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import { actionsOf } from '../acting-loads.js'
import { addressOf } from '../address.js'
import type { Block, Cell, Passage, StepContent } from '../blocks.js'
import { minus, number, over, sum, times, type Formula, type Letter } from '../expression.js'
import type { Ledger } from '../ledger.js'
import { beyondCourse } from '../course.js'
import type { Fit, FoundValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { actsByLoads, continuousBeam } from './beam.js'
import { OUTLINE } from './outline.js'
import { threeMoments, type ThreeMoments } from './work.js'

/** A problem as this method works it out. */
interface Work {
  t: ThreeMoments
  notes: Notes
  task: Task
}

type Letters = (address: string) => Letter

const at = {
  length: (k: number) => addressOf('L', k + 1),
  rigidity: (k: number) => addressOf('EI', k + 1),
  term: (side: 'left' | 'right', k: number) => addressOf(`term-${side}`, k + 1),
  chord: (k: number) => addressOf('psi', k + 1),
  before: (node: string) => addressOf('before', node),
  after: (node: string) => addressOf('after', node),
  solver: (node: string) => addressOf('solver', node),
}

const nodeOf = ({ t, task }: Work, k: number) => task.structure.nodes[t.beam.supports[k].node].id
const spanName = (w: Work, k: number) => `${nodeOf(w, k)}–${nodeOf(w, k + 1)}`

/** The member at a support whose moment is given, and its end there: that to the left where there is one. */
function memberAt({ t, task }: Work, k: number): { member: number; start: boolean } {
  const { members, nodes } = task.structure
  const left = t.beam.spans[k - 1]?.members.at(-1)
  const member = left ?? t.beam.spans[k].members[0]
  return { member, start: nodes[members[member].start].id === nodes[t.beam.supports[k].node].id }
}

function workOf(task: Task): Work {
  const { structure: s } = task
  const beam = continuousBeam(s)!
  const t = threeMoments(s, beam, actionsOf(s, actingOf(s, task.action)!))!
  const w: Work = { t, notes: new Notes(), task }
  noteSpans(w)
  noteMoments(w)
  return w
}

function noteSpans({ t, notes, task }: Work): void {
  t.spans.forEach((span, k) => {
    const of = t.beam.spans[k].members.map((i) => thing.member(task.structure.members[i].id))
    const sub = String(k + 1)
    const put = (kind: string, letter: string, si: number, dimension: D.Dimension, from: string) => {
      // the load terms of both ends are told apart by l and r
      const end = kind === 'term-left' ? 'l' : kind === 'term-right' ? 'r' : ''
      notes.put([kind, k + 1], { symbol: { letter, sub: sub + end }, si, dimension, from, of })
    }
    put('L', 'L', span.length, D.length, 'The span.')
    put('EI', 'EI', span.EI, D.bendingStiffness, 'As the problem states it.')
    const area = D.multiply(D.moment, D.multiply(D.length, D.length))
    const term = (end: string) =>
      `6EI times the rotation of its ${end} end on simple supports: 6 times the area of its moment ` +
      'diagram, times the distance of its centroid from the other end, over L.'
    put('term-left', 'T', span.left, D.divide(area, D.length), term('left'))
    put('term-right', 'T', span.right, D.divide(area, D.length), term('right'))
    put('psi', 'ψ', span.psi, D.angle, 'The rotation of its chord by the settlements.')
  })
}

function noteMoments(w: Work): void {
  const { t, notes } = w
  const { solution, action } = w.task.solved()
  t.beam.supports.forEach((_, k) => {
    const id = nodeOf(w, k)
    const of = [thing.node(id)]
    const isSought = t.sought.includes(k)
    const from = isSought ? 'The equations together give it.' : 'From statics: the overhang, or none.'
    const symbol = { letter: 'M', sub: id }
    notes.put(['before', id], { symbol, si: t.before[k], dimension: D.moment, from, of })
    notes.put(['after', id], {
      symbol: { letter: 'M′', sub: id },
      si: t.after[k],
      dimension: D.moment,
      of,
      from: 'To the right of the couple on the joint.',
    })
    const { member, start } = memberAt(w, k)
    const m = solution.structure.members[member]
    const own = start ? -action.forces[6 * member + 2] : action.forces[6 * member + 5]
    notes.put(['solver', id], {
      symbol,
      si: Math.sign(m.cos) * own,
      dimension: D.moment,
      from: 'The stiffness method finds this.',
      of,
    })
  })
}

/** The moment just left of a support for the span there, or just right of it. */
function moment(w: Work, k: number, side: 'before' | 'after', l: Letters): Formula {
  const isOne = w.t.before[k] === w.t.after[k] || (k === 0 && w.t.sought.includes(0))
  return l(side === 'before' || isOne ? at.before(nodeOf(w, k)) : at.after(nodeOf(w, k)))
}

/** One equation: M·L/EI of the spans on both sides of a support, and their load terms. */
function equation(w: Work, k: number, l: Letters): Block {
  const { t } = w
  const left: Formula[] = []
  const right: Formula[] = []
  const ratio = (span: number) => over(l(at.length(span)), l(at.rigidity(span)))
  if (t.spans[k - 1]) {
    left.push(
      times(moment(w, k - 1, 'after', l), ratio(k - 1)),
      times(number(2), moment(w, k, 'before', l), ratio(k - 1)),
    )
    right.push(minus(over(l(at.term('right', k - 1)), l(at.rigidity(k - 1)))))
    if (t.spans[k - 1].psi !== 0) right.push(minus(times(number(6), l(at.chord(k - 1)))))
  }
  if (t.spans[k]) {
    left.push(
      times(number(2), moment(w, k, 'after', l), ratio(k)),
      times(moment(w, k + 1, 'before', l), ratio(k)),
    )
    right.push(minus(over(l(at.term('left', k)), l(at.rigidity(k)))))
    if (t.spans[k].psi !== 0) right.push(times(number(6), l(at.chord(k))))
  }
  return { kind: 'equation', left: sum(...left), right: sum(...right) }
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })

const STEPS: Record<(typeof OUTLINE)['steps'][number]['key'], (w: Work, book: Ledger) => StepContent> = {
  beam: (w) => ({
    why:
      'The moments over the supports are sought; sagging is positive. Each span is simply ' +
      'supported in thought.',
    passages: [
      ...w.t.spans.map((_, k): Passage => ({
        title: `Span ${k + 1}, ${spanName(w, k)}`,
        blocks: [lines([at.length(k), at.rigidity(k), ...(w.t.spans[k].psi !== 0 ? [at.chord(k)] : [])])],
      })),
      {
        title: 'Known moments',
        blocks: [
          lines(
            w.t.beam.supports.flatMap((_, k) => (w.t.sought.includes(k) ? [] : [at.before(nodeOf(w, k))])),
          ),
        ],
      },
    ].filter((p) => p.blocks.some((b) => b.kind !== 'lines' || b.addresses.length > 0)),
  }),
  loads: (w) => ({
    why:
      'What the loads of each span contribute at its two ends, from tables or from the area of ' +
      'its moment diagram.',
    passages: w.t.spans.map((_, k): Passage => ({
      title: `Span ${k + 1}, ${spanName(w, k)}`,
      blocks: [lines([at.term('left', k), at.term('right', k)])],
    })),
  }),
  equations: (w, book) => ({
    why: 'At each inner support the two spans turn alike; at a fixed end the span does not turn.',
    passages: w.t.sought.map((k): Passage => ({
      title: `At ${nodeOf(w, k)}`,
      blocks: [equation(w, k, book.context.letterAt)],
    })),
  }),
  moments: (w) => ({
    why: 'The equations are solved for the moments.',
    passages: [
      {
        blocks: [
          lines(w.t.sought.map((k) => at.before(nodeOf(w, k)))),
          words(
            'Shears and reactions follow from the equilibrium of each span with these moments at its ends.',
          ),
        ],
      },
    ],
  }),
  comparison: (w) => ({
    why: 'The moments of both methods. Nothing else is taken from there.',
    passages: [
      {
        blocks: [
          {
            kind: 'table',
            head: ['', 'Three moments', 'Stiffness method'],
            rows: w.t.sought.map((k): Cell[] => {
              const id = nodeOf(w, k)
              return [`M at ${id}`, { at: at.before(id) }, { at: at.solver(id) }]
            }),
          },
        ],
      },
    ],
  }),
}

function fits(problem: Problem, s: Structure): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (s.kind === 'truss' || !continuousBeam(s))
    return {
      fits: false,
      why:
        'The three-moment equation is for level continuous beams of two spans and more, each with ' +
        'one EI, on supports ' +
        'that do not give way, without inner hinges.',
    }
  if (!s.cases.every((_, i) => actsByLoads(caseActions(s, i))))
    return {
      fits: false,
      why: 'The three-moment equation has load terms for loads, not for temperature or misfit.',
    }
  return { fits: true }
}

function values(w: Work, coherent: (si: number, d: D.Dimension) => number): FoundValue[] {
  const { members } = w.task.structure
  return w.t.sought.map((k): FoundValue => {
    const { member, start } = memberAt(w, k)
    const m = members[member]
    const value = Math.sign(m.cos) * coherent(w.t.before[k], D.moment)
    return { quantity: 'moment', member: m.id, at: start ? '0%' : '100%', value }
  })
}

/** The three-moment equation. Source: Kassimali, Structural Analysis, ch. 13. */
export const THREE_MOMENTS = notedMethod<Work>({
  outline: OUTLINE,
  fits,
  work: workOf,
  steps: STEPS,
  values,
})
