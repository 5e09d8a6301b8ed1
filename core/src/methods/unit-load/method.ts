import * as D from '../../quantity/dimension.js'
import { siPerCoherent } from '../../quantity/units.js'
import { thing } from '../../document/thing.js'
import type { Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import { addressOf } from '../address.js'
import type { Block, Cell, StepContent } from '../blocks.js'
import { beyondCourse } from '../course.js'
import { sum } from '../expression.js'
import type { Ledger } from '../ledger.js'
import type { Fit, NamedValue, Options, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod, type Coherent } from '../noted-method.js'
import type { Reaction } from '../statics/equilibrium.js'
import { isDeterminate } from '../statics/fits.js'
import { noteContributions, noteRigidities, rigidityAt } from '../virtual-work/notes.js'
import {
  contributionsOf,
  courseIn,
  type Contribution,
  type ForceState,
} from '../virtual-work/virtual-work.js'
import { OUTLINE } from './outline.js'
import { realBody, unitBody } from './drawn.js'
import { solverValue, soughtOf, statesOf, type Sought } from './states.js'

/** A problem as this method works it out. */
interface Work {
  task: Task
  sought: Sought
  real: ForceState
  unit: ForceState
  reactions: Reaction[]
  parts: Contribution[]
  addresses: string[]
  notes: Notes
  coherent: Coherent
}

const TOTAL = addressOf('displacement')
const SOLVER = addressOf('solver')

const ofDisplacement = ({ component }: Sought) => (component === 'rotation' ? D.angle : D.length)

function workOf(task: Task): Work {
  const { structure: s, problem } = task
  const coherent: Coherent = (si, d) => si / siPerCoherent(problem.units, d)
  const sought = soughtOf(problem, s, task.options?.of)!
  const states = statesOf(task, sought)
  const notes = new Notes()
  const w = { task, sought, ...states, notes, coherent }
  const parts = contributionsOf(s, states.reactions, states.unit, states.real)
  noteRigidities(notes, s)
  noteStates(w)
  const dimension = ofDisplacement(sought)
  const addresses = noteContributions(notes, 'part', parts, s, states.reactions, dimension, coherent)
  const node = s.nodes[sought.node].id
  const symbol = { letter: sought.component === 'rotation' ? 'θ' : 'δ', sub: node }
  const common = { symbol, dimension, of: [thing.node(node)] }
  notes.put(['displacement'], {
    ...common,
    si: parts.reduce((total, c) => total + c.value, 0),
    from: (letter) => sum(...addresses.map((a) => letter(a))),
  })
  notes.put(['solver'], {
    ...common,
    si: solverValue(task, sought),
    from: 'The stiffness method finds this.',
  })
  return { ...w, parts, addresses }
}

const forceAt = (state: 'real' | 'unit', id: string, key: string): string => addressOf(state, id, key)

/** Notes the end values of both states member by member. */
function noteStates({ task, real, unit, notes, sought }: Omit<Work, 'parts' | 'addresses'>): void {
  const { structure: s, options } = task
  const from = options?.given === 'results' ? 'As the results have it.' : 'By equilibrium.'
  s.members.forEach((m, i) => {
    for (const [name, state] of [
      ['real', real],
      ['unit', unit],
    ] as const) {
      const course = courseIn(s, state, i)
      const per = name === 'unit' ? D.multiply(D.force, D.divide(D.length, ofDisplacement(sought))) : D.none
      const put = (key: string, letter: string, si: number, dimension: D.Dimension) =>
        notes.put([name, m.id, key], {
          symbol: { letter: name === 'unit' ? letter.toLowerCase() : letter, of: m.id },
          si,
          dimension: name === 'unit' ? D.divide(dimension, per) : dimension,
          from,
          of: [thing.member(m.id)],
        })
      put('N', 'N', course.start.N, D.force)
      put('M-start', 'M', course.start.M, D.moment)
      put('M-end', 'M', course.end.M, D.moment)
    }
  })
}

const words = (text: string): Block => ({ kind: 'words', words: text })

/** A table of one state: axial forces, and the moments at both ends where members bend. */
function stateTable({ task }: Work, name: 'real' | 'unit'): Block {
  const { structure: s } = task
  const bends = s.members.some((m) => !m.bar) && s.kind !== 'truss'
  const [N, M] = name === 'real' ? ['N', 'M'] : ['n', 'm']
  return {
    kind: 'table',
    head: ['Member', N, ...(bends ? [`${M} at its start`, `${M} at its end`] : [])],
    rows: s.members.map((m): Cell[] => [
      m.id,
      { at: forceAt(name, m.id, 'N') },
      ...(bends ? [{ at: forceAt(name, m.id, 'M-start') }, { at: forceAt(name, m.id, 'M-end') }] : []),
    ]),
  }
}

/** The sum as it is tabulated by hand: n·N·L/EA bar by bar. */
function barTable({ task, parts, addresses }: Work): Block {
  return {
    kind: 'table',
    head: ['Bar', 'EA', 'N', 'n', 'n·N·L/EA'],
    rows: parts.flatMap((c, k): Cell[][] => {
      const m = c.kind === 'axial' ? task.structure.members[c.member!] : undefined
      if (!m) return []
      const at = (state: 'real' | 'unit') => ({ at: forceAt(state, m.id, 'N') })
      return [[m.id, { at: rigidityAt(m.id, 'EA') }, at('real'), at('unit'), { at: addresses[k] }]]
    }),
  }
}

const soughtWords = ({ task, sought }: Work): string => {
  const node = task.structure.nodes[sought.node].id
  if (sought.component === 'rotation') return `the rotation of ${node}, counter-clockwise`
  return `the displacement of ${node} ${sought.component === 'x' ? 'to the right' : 'upward'}`
}

const STEPS: Readonly<Record<string, (w: Work, book: Ledger) => StepContent>> = {
  real: (w) => ({
    why:
      w.task.options?.given === 'results'
        ? 'The forces under the real loads are taken from the results: equilibrium alone does not give them.'
        : 'The forces under the real loads, by equilibrium.',
    passages: [
      { blocks: [words(`Sought is ${soughtWords(w)}.`), realBody(w.task.structure), stateTable(w, 'real')] },
    ],
  }),
  unit: (w) => ({
    why:
      `A unit ${w.sought.component === 'rotation' ? 'moment' : 'force'} is put where the displacement is ` +
      'sought, in its sense; its forces are written small.',
    passages: [{ blocks: [unitBody(w.task.structure, w.sought), stateTable(w, 'unit')] }],
  }),
  sum: (w) => ({
    why:
      'The work of the unit load on the sought displacement is that of its forces on the real strains: ' +
      'n·N·L/EA of bars, ∫m·M/EI along members that bend, forces of springs and supports times what ' +
      'they give.',
    passages: [
      ...(w.task.structure.kind === 'truss' ? [{ blocks: [barTable(w)] }] : []),
      ...w.task.structure.members.flatMap((m, i) => {
        const here = w.addresses.filter((_, k) => w.parts[k].member === i)
        return here.length > 0 ? [{ title: m.id, member: i, blocks: [lines(here)] }] : []
      }),
      ...(w.parts.some((c) => c.member === undefined)
        ? [
            {
              title: 'Supports',
              blocks: [lines(w.addresses.filter((_, k) => w.parts[k].member === undefined))],
            },
          ]
        : []),
      { title: 'The sum', blocks: [lines([TOTAL])] },
    ],
  }),
  comparison: () => ({
    why: 'The displacement by both methods.',
    passages: [
      {
        blocks: [
          {
            kind: 'table',
            head: ['', 'Unit load', 'Stiffness method'],
            rows: [['displacement', { at: TOTAL }, { at: SOLVER }]],
          },
        ],
      },
    ],
  }),
}

const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })

function fits(problem: Problem, s: Structure, options?: Options): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (options?.given !== 'results' && !isDeterminate(s))
    return {
      fits: false,
      why:
        'The problem is statically indeterminate: equilibrium does not give the forces that the unit load ' +
        'works on, and they would have to be taken from the results.',
      repair: 'given-results',
    }
  if (!soughtOf(problem, s, options?.of)) return { fits: false, why: 'There is no joint that can move.' }
  return { fits: true }
}

/** The lines of the sum, each of a member, a spring or a settlement. */
function named(w: Work, coherent: Coherent): NamedValue[] {
  const { structure: s } = w.task
  return w.parts.map((c): NamedValue => {
    const m = c.member === undefined ? undefined : s.members[c.member]
    const value = coherent(c.value, ofDisplacement(w.sought))
    if (!m) return { name: 'contribution', value }
    if (!m.bar || c.kind !== 'axial') return { name: 'contribution', member: m.id, value }
    const at = (state: ForceState) => courseIn(s, state, c.member!).start.N
    // a unit force is 1 of any unit; a unit moment works over a length
    const unit =
      w.sought.component === 'rotation' ? at(w.unit) * coherent(1, D.divide(D.none, D.length)) : at(w.unit)
    return { name: 'contribution', member: m.id, real: coherent(at(w.real), D.force), unit, value }
  })
}

/** The unit-load method. Source: Kassimali, Structural Analysis, ch. 7. */
export const UNIT_LOAD = notedMethod<Work>({
  outline: OUTLINE,
  fits,
  work: workOf,
  steps: STEPS,
  values: ({ task, sought, parts }, coherent) => [
    {
      quantity: 'displacement',
      node: task.structure.nodes[sought.node].id,
      component: sought.component,
      value: coherent(
        parts.reduce((total, c) => total + c.value, 0),
        ofDisplacement(sought),
      ),
    },
  ],
  named,
})
