import * as D from '../../quantity/dimension.js'
import { coherentUnitName, siPerCoherent } from '../../quantity/units.js'
import type { Problem } from '../../document/types.js'
import { combineActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import { actionsOf } from '../acting-loads.js'
import type { Block, Cell, StepContent } from '../blocks.js'
import { beyondCourse } from '../course.js'
import { sum, times } from '../expression.js'
import type { Ledger } from '../ledger.js'
import type { Fit, NamedValue, Options, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod, type Coherent } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { isDeterminate } from '../statics/fits.js'
import { reactionValues } from '../statics/found.js'
import { releasedBody, unitBody } from './drawn.js'
import { at, noteCompatibility, noteStates, stateName } from './notes.js'
import { OUTLINE } from './outline.js'
import { quantityWords } from './redundants.js'
import { forceMethod, releasedBy, total, type ForceMethod } from './work.js'

/** A problem as this method works it out. */
interface Work {
  f: ForceMethod
  notes: Notes
  task: Task
}

/** Redundants that are written out; more would be no hand solution. */
const MOST = 40

function workOf(task: Task): Work {
  const { structure: s, problem, options } = task
  const coherent: Coherent = (si, d) => si / siPerCoherent(problem.units, d)
  const f = forceMethod(problem, s, actionsOf(s, actingOf(s, task.action)!), options?.redundants)!
  const notes = new Notes()
  noteCompatibility(notes, f, coherent)
  noteStates(notes, f, task, coherent)
  return { f, notes, task }
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })

/** A table of the forces of one state. */
function stateTable({ f }: Work, state: string): Block {
  const { members, kind } = f.structure
  const bends = kind !== 'truss' && members.some((m) => !m.bar)
  return {
    kind: 'table',
    head: ['Member', 'N', ...(bends ? ['M at its start', 'M at its end'] : [])],
    rows: members.map((m): Cell[] => [
      m.id,
      ...['N', ...(bends ? ['M-start', 'M-end'] : [])].map((key) => ({ at: at.force(state, m.id, key) })),
    ]),
  }
}

const reactionName = ({ f }: Work, k: number) => {
  const { node, component } = f.reactions[k]
  return `${f.structure.nodes[node].id}, ${component === 'rotation' ? 'moment' : component}`
}

const reactionCell = ({ f }: Work, state: string, k: number): Cell => {
  const { node, component } = f.reactions[k]
  return { at: at.reaction(state, f.structure.nodes[node].id, component) }
}

/** The unit of the flexibilities, where all redundants are of one kind. */
function flexibilityUnit({ f, task }: Work): string {
  const { units } = task.problem
  if (f.redundants.some((r) => r.isMoment !== f.redundants[0].isMoment)) return ''
  const [way, force] = f.redundants[0].isMoment ? [D.angle, D.moment] : [D.length, D.force]
  return coherentUnitName(units, D.divide(way, force))
}

/** A line of compatibility: the displacements at a redundant add up to what is prescribed there. */
const equation = ({ f }: Work, i: number, book: Ledger): Block => {
  const l = book.context.letterAt
  return {
    kind: 'equation',
    left: sum(
      ...f.redundants.map((_, j) => times(l(at.flexibility(i, j)), l(at.redundant(j)))),
      l(at.released(i)),
    ),
    right: l(at.prescribed(i)),
  }
}

const STEPS: Readonly<Record<string, (w: Work, book: Ledger) => StepContent>> = {
  redundants: (w) => ({
    why:
      `The problem is ${timesWords(w.f.redundants.length)} statically indeterminate: so many forces are ` +
      'taken away, and what is left is determinate.',
    passages: [
      {
        blocks: [
          ...w.f.redundants.map((r, i) => words(`X${subscript(i + 1)} is ${quantityWords(r.quantity)}.`)),
          releasedBody(w.f),
        ],
      },
    ],
  }),
  released: (w) => ({
    why: 'The structure without its redundants, under the loads: by equilibrium.',
    passages: [{ blocks: [stateTable(w, 'released')] }],
  }),
  unit: (w) => ({
    why: 'The same under each redundant of one, without loads.',
    passages: w.f.redundants.map((r, i) => ({
      title: `X${subscript(i + 1)} = 1, ${quantityWords(r.quantity)}`,
      blocks: [unitBody(w.f, i), stateTable(w, stateName(i))],
    })),
  }),
  displacements: ({ f }) => ({
    why:
      'By unit loads: the forces of one redundant work on the strains of the loads, and on those of each ' +
      'redundant. What members bend or stretch by is integrated along them.',
    passages: [
      { title: 'Under the loads', blocks: [lines(f.redundants.map((_, i) => at.released(i)))] },
      {
        title: 'Under the redundants',
        blocks: [
          lines(
            f.redundants.flatMap((_, i) => f.redundants.slice(i).map((_q, j) => at.flexibility(i, i + j))),
          ),
        ],
      },
    ],
  }),
  compatibility: (w, book) => ({
    why: 'At each redundant the displacements add up to what its support or its member allows.',
    passages: [
      { blocks: w.f.redundants.map((_, i) => equation(w, i, book)) },
      {
        title: 'With numbers',
        blocks: [
          {
            kind: 'matrix',
            letter: 'f',
            title: 'Flexibility',
            rows: w.f.redundants.map((_, i) => ({ words: String(i + 1) })),
            columns: w.f.redundants.map((_, i) => ({ words: String(i + 1) })),
            at: at.flexibility,
            unit: flexibilityUnit(w),
          },
          lines(w.f.redundants.map((_, i) => at.prescribed(i))),
          lines(w.f.redundants.map((_, i) => at.redundant(i))),
        ],
      },
    ],
  }),
  superposition: (w) => ({
    why: 'Every force is that of the released structure, and so many times that of each redundant.',
    passages: [
      {
        title: 'Reactions',
        blocks: [
          lines(
            w.f.reactions.map(({ node, component }) =>
              at.reaction('final', w.f.structure.nodes[node].id, component),
            ),
          ),
        ],
      },
      { title: 'Members', blocks: [stateTable(w, 'final')] },
    ],
  }),
  comparison: (w) => ({
    why: 'The reactions of both methods. Nothing else is taken from there.',
    passages: [
      {
        blocks: [
          {
            kind: 'table',
            head: ['', 'Force method', 'Stiffness method'],
            rows: w.f.reactions.map((r, k): Cell[] => [
              reactionName(w, k),
              reactionCell(w, 'final', k),
              { at: at.solver(w.f.structure.nodes[r.node].id, r.component) },
            ]),
          },
        ],
      },
    ],
  }),
}

const timesWords = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`)
const subscript = (n: number) => [...String(n)].map((d) => '₀₁₂₃₄₅₆₇₈₉'[Number(d)]).join('')

function fits(problem: Problem, s: Structure, options?: Options): Fit {
  const beyond = beyondCourse(problem, s)
  if (beyond) return beyond
  if (isDeterminate(s))
    return {
      fits: false,
      why: 'The problem is statically determinate: equilibrium gives its forces, and nothing is redundant.',
    }
  const released = releasedBy(problem, s, combineActions(s, []), options?.redundants)
  if (!released.ok)
    return {
      fits: false,
      why: released.message,
      ...(options?.redundants && { repair: 'proposed-redundants' as const }),
    }
  if (released.redundants.length > MOST)
    return { fits: false, why: `The force method is written out for up to ${MOST} redundants.` }
  const f = forceMethod(problem, s, combineActions(s, []), options?.redundants)!
  return f.flexibility.every((row, i) => total(row[i]) > 0)
    ? { fits: true }
    : { fits: false, why: 'Members that keep their length leave a redundant without any flexibility.' }
}

function named({ f }: Work, coherent: Coherent): NamedValue[] {
  const force = (i: number) => (f.redundants[i].isMoment ? D.moment : D.force)
  const way = (i: number) => (f.redundants[i].isMoment ? D.angle : D.length)
  return f.redundants.flatMap((r, i): NamedValue[] => [
    { name: 'redundant', ...r.quantity, value: coherent(f.values[i], force(i)) },
    { name: 'released-displacement', row: i + 1, value: coherent(total(f.displacements[i]), way(i)) },
    ...f.redundants.map((_, j) => ({
      name: 'flexibility',
      row: i + 1,
      column: j + 1,
      value: coherent(total(f.flexibility[i][j]), D.divide(way(i), force(j))),
    })),
  ])
}

/** The force method. Source: Kassimali, Structural Analysis, ch. 13. */
export const FORCES = notedMethod<Work>({
  outline: OUTLINE,
  fits,
  work: workOf,
  steps: STEPS,
  values: ({ f }, coherent) => {
    const reactions = reactionValues(f.structure, f.reactions, f.final.reactions, coherent)
    const others = f.redundants.flatMap((r, i) =>
      r.quantity.quantity === 'reaction'
        ? []
        : [{ ...r.quantity, value: coherent(f.values[i], r.isMoment ? D.moment : D.force) }],
    )
    return [...others, ...reactions]
  },
  named,
})
