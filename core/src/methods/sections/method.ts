import * as D from '../../quantity/dimension.js'
import { caseActions } from '../../structure/case-actions.js'
import { actionsOf } from '../acting-loads.js'
import type { Block, Cell, Passage, StepContent } from '../blocks.js'
import { cutBody, wholeBody } from '../joints/drawn.js'
import { fitsTruss } from '../joints/fits.js'
import type { Found } from '../joints/bodies.js'
import { forceAt, foundBlocks, noteForces, noteSolver, solverAt } from '../joints/notes.js'
import { aboutOf, pointName, pointOf } from '../joints/points.js'
import { trussOf, type Truss } from '../joints/truss.js'
import type { Ledger } from '../ledger.js'
import type { Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod, type Coherent } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { sectionsOf, type Cut, type Sections } from './cuts.js'
import { OUTLINE } from './outline.js'

/** A problem as this method works it out. */
interface Work extends Sections {
  t: Truss
  notes: Notes
}

function workOf(task: Task): Work {
  const { structure, problem } = task
  const t = trussOf(structure, actionsOf(structure, actingOf(structure, task.action)!))
  const sections = sectionsOf(t)
  const notes = new Notes()
  noteForces(notes, t, [sections.reactions, ...sections.cuts], problem.units)
  noteSolver(notes, t, task.solved().action)
  return { ...sections, t, notes }
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const barName = (t: Truss, unknown: number) => t.structure.members[t.unknowns[unknown].bar!].id

/** The point of a cut's moments, as a document names it. */
function aboutName(t: Truss, found: Found, coherent: Coherent) {
  const about = aboutOf(found)
  return about && { 'moment-about': pointOf(t, about, coherent) }
}

const reactions = ({ t, reactions: r }: Work, book: Ledger): StepContent => ({
  why:
    r.kind === 'whole'
      ? 'The truss as one body: each reaction from the sum of moments about the point where the ' +
        'other two meet, or ' +
        'from the sum of forces across them where they are parallel.'
      : 'More than three reactions: the equilibrium of the joints gives them.',
  passages: [
    {
      blocks: [
        wholeBody(t, new Map()),
        ...(r.kind === 'whole'
          ? foundBlocks(t, book, r.found)
          : [{ kind: 'lines' as const, addresses: r.found.map((f) => forceAt(t, f.unknown)) }]),
      ],
    },
  ],
})

/** A cut in words: the joints on the side that is looked at, and the equation that gives the force. */
function cutWords({ t }: Work, { cut, nodes, found }: Cut): string {
  const about = aboutOf(found)
  const others = cut.filter((u) => u !== found.unknown).map((u) => barName(t, u))
  const side = nodes.map((n) => t.structure.nodes[n].id)
  const bars = others.join(' and ')
  const by = about
    ? `Moments about ${pointName(t, about)}, where ${bars} ${others.length > 1 ? 'meet' : 'passes'}`
    : `Forces across ${bars}, which are parallel`
  return `The part with ${side.join(', ')}. ${by}.`
}

function cuts(w: Work, book: Ledger): StepContent {
  const known = new Map(w.reactions.found.map((f) => [f.unknown, f.value]))
  return {
    why:
      'A cut divides the truss through at most three bars. Each cut bar pulls on the part that is ' +
      'looked at; a ' +
      'negative force is compression.',
    passages: w.cuts.map((c): Passage => {
      const { value, unknown } = c.found
      const what =
        value === 0 ? 'carries no force' : value > 0 ? 'is in tension (T)' : 'is in compression (C)'
      return {
        title: `${barName(w.t, unknown)}: cut through ${c.cut.map((u) => barName(w.t, u)).join(', ')}`,
        member: w.t.unknowns[unknown].bar,
        blocks: [
          cutBody(w.t, c, known),
          words(cutWords(w, c)),
          ...foundBlocks(w.t, book, [c.found]),
          words(`${barName(w.t, unknown)} ${what}.`),
        ],
      }
    }),
  }
}

const comparison = ({ t, cuts: all }: Work): StepContent => ({
  why: 'The bar forces of both methods. Nothing else is taken from there.',
  passages: [
    {
      blocks: [
        {
          kind: 'table',
          head: ['Bar', 'Method of sections', 'Stiffness method'],
          rows: all.map(({ found }): Cell[] => [
            barName(t, found.unknown),
            { at: forceAt(t, found.unknown) },
            { at: solverAt(barName(t, found.unknown)) },
          ]),
        },
      ],
    },
  ],
})

const STEPS: Record<(typeof OUTLINE)['steps'][number]['key'], (w: Work, book: Ledger) => StepContent> = {
  reactions,
  cuts,
  comparison,
}

/** The method of sections. Source: Kassimali, Structural Analysis, ch. 4. */
export const SECTIONS = notedMethod<Work>({
  outline: OUTLINE,
  fits: (problem, s) => {
    const fit = fitsTruss(problem, s)
    if (!fit.fits || s.cases.length === 0) return fit
    return sectionsOf(trussOf(s, caseActions(s, 0))).cuts.length > 0
      ? fit
      : { fits: false, why: 'No cut through three bars divides this truss: it is taken apart by its joints.' }
  },
  work: workOf,
  steps: STEPS,
  values: ({ t, cuts: all }, coherent) =>
    all.map(({ found }) => ({
      quantity: 'axial' as const,
      member: barName(t, found.unknown),
      at: '50%',
      value: coherent(found.value, D.force),
    })),
  named: ({ t, cuts: all }, coherent) =>
    all.map(({ cut, found }) => ({
      name: 'cut',
      members: cut.map((u) => barName(t, u)),
      finds: barName(t, found.unknown),
      ...aboutName(t, found, coherent),
    })),
})
