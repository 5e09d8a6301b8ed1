import * as D from '../../quantity/dimension.js'
import { siPerCoherent } from '../../quantity/units.js'
import { reactionAt as solvedReaction } from '../../results/at-node.js'
import { extremesOf } from '../../results/extremes.js'
import { actionsOf } from '../acting-loads.js'
import type { Block, Cell, Passage, StepContent } from '../blocks.js'
import { number } from '../expression.js'
import type { Ledger } from '../ledger.js'
import type { FoundValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod, type Coherent } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { leftSide } from '../solved-for.js'
import { sideBodies, wholeBody } from './drawn.js'
import { equilibriumOf, type Statics } from './equilibrium.js'
import { fitsStatics } from './fits.js'
import { reactionValues } from './found.js'
import { noteReactions, reactionAt, solverAt, termsOf } from './notes.js'
import { OUTLINE } from './outline.js'
import { findings, type Equation, type Finding } from './reactions.js'
import { coefficientAt, courseOf, extremeAt, FORCES, noteSections, startAt } from './sections.js'

/** A problem as this method works it out. */
interface Work {
  st: Statics
  found: Finding[]
  notes: Notes
  task: Task
  coherent: Coherent
}

function workOf(task: Task): Work {
  const { structure: s, problem } = task
  const coherent: Coherent = (si, d) => si / siPerCoherent(problem.units, d)
  const st = equilibriumOf(s, actionsOf(s, actingOf(s, task.action)!))
  const found = findings(st)
  const notes = new Notes()
  const { solution, action } = task.solved()
  noteReactions(notes, st, found, coherent, (r) => {
    const { node, component, x, y } = st.reactions[r]
    const all = solvedReaction(solution, action, node)
    return component === 'rotation' ? all.rotation : all.x * x + all.y * y
  })
  if (s.kind !== 'truss')
    s.members.forEach((_, i) => noteSections(notes, st, i, coherent, problem.units.length))
  return { st, found, notes, task, coherent }
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })
const nodeName = ({ st }: Work, node: number) => st.structure.nodes[node].id

/** A point in a sentence: the joint there, or its place. */
function pointName({ st, coherent }: Work, { x, y }: { x: number; y: number }): string {
  const here = st.structure.nodes.find((n) => Math.hypot(n.x - x, n.y - y) < 1e-9)
  const at = (v: number) => Number(coherent(v, D.length).toPrecision(6))
  return here?.id ?? `the point (${at(x)}, ${at(y)})`
}

/** The subject of an equation, as a heading says it. */
function equationTitle(w: Work, e: Equation): string {
  if (e.along) return `Forces on the whole, ${e.along === 'x' ? 'level' : 'upright'}`
  const about = pointName(w, e.about!)
  return 'hinge' in e.part
    ? `Moments about the hinge ${about}, of one side`
    : `Moments about ${about}, of the whole`
}

/** Why this equation was chosen. */
function equationWords(w: Work, e: Equation): string {
  if ('hinge' in e.part) {
    const members = [...e.part.members].map((i) => w.st.structure.members[i].id)
    return `The side with ${members.join(', ')}: the hinge passes no moment on, and its forces have no arm.`
  }
  return e.about
    ? 'The other unknown reactions pass through this point.'
    : 'One reaction is unknown in this direction.'
}

const equationBlock = (w: Work, e: Equation, book: Ledger): Block => ({
  kind: 'equation',
  left: leftSide(termsOf(w.st, e, w.coherent), book.context.letterAt),
  right: number(0),
})

/** The reactions that are found before a step of the order. */
const knownBefore = ({ found }: Work, f: Finding): ReadonlySet<number> =>
  new Set(found.slice(0, found.indexOf(f)).flatMap((before) => before.found))

function reactionPassage(w: Work, f: Finding, book: Ledger): Passage {
  const found = lines(f.found.map((r) => reactionAt(w.st, r)))
  if (f.equations.length === 0)
    return {
      title: 'The rest together',
      blocks: [
        words('No equation has one or two of them alone: the equations of all joints are solved.'),
        found,
      ],
    }
  return {
    title: f.equations.map((e) => equationTitle(w, e)).join('; '),
    blocks: [
      ...sideBodies(w.st, f.equations, knownBefore(w, f)),
      ...(f.equations.length === 1
        ? [words(equationWords(w, f.equations[0]))]
        : [words('Two equations with the same two unknowns.')]),
      ...f.equations.map((e) => equationBlock(w, e, book)),
      found,
    ],
  }
}

function sectionPassage(w: Work, member: number): Passage {
  const { st, coherent } = w
  const m = st.structure.members[member]
  const course = courseOf(st, member)
  if (!course)
    return {
      title: m.id,
      member,
      blocks: [words('Equilibrium leaves the forces in this member open.')],
    }
  return {
    title: `${m.id}, from ${nodeName(w, m.start)} to ${nodeName(w, m.end)}`,
    member,
    blocks: [
      lines(FORCES.map((f) => startAt(m.id, f))),
      ...course.stretches.flatMap((stretch, i) =>
        FORCES.map((f): Block => ({
          kind: 'polynomial',
          force: f,
          member: m.id,
          coefficients: stretch.coefficients[f].map((_, k) => coefficientAt(m.id, f, i, k)),
          from: coherent(stretch.x0, D.length),
          to: coherent(stretch.x1, D.length),
        })),
      ),
    ],
  }
}

/** The members whose internal forces are found, each with its course. */
const drawnMembers = ({ st }: Work) =>
  st.structure.members.flatMap((m, i) => {
    const course = courseOf(st, i)
    return course ? [{ m, course }] : []
  })

/** True where members bend and their forces are found: bars of a truss have methods of their own. */
const hasSections = (w: Work) => w.st.structure.kind !== 'truss' && drawnMembers(w).length > 0

const STEPS: Record<
  (typeof OUTLINE)['steps'][number]['key'],
  (w: Work, book: Ledger) => StepContent | undefined
> = {
  count: (w) => ({
    why: 'Three equations hold for the whole, and one more for each hinge that parts it.',
    passages: [{ blocks: [words(countWords(w))] }],
  }),
  reactions: (w, book) => ({
    why:
      'Each equation is chosen so that it has one unknown. Forces are positive to the right and up, ' +
      'moments counter-clockwise.',
    passages: [{ blocks: [wholeBody(w.st)] }, ...w.found.map((f) => reactionPassage(w, f, book))],
  }),
  sections: (w) => {
    if (!hasSections(w)) return undefined
    return {
      why:
        'Each member is cut at its start: what acts on the part there gives N, V and M. Along the member V ' +
        'changes by the load, M by V. N + tension, V + up on the left part, M + sagging.',
      passages: w.st.structure.members.map((_, i) => sectionPassage(w, i)),
    }
  },
  diagrams: (w) => {
    if (!hasSections(w)) return undefined
    return {
      why: 'Where V passes through 0, M is largest; the slope of M is V, the slope of V is the load.',
      passages: [
        {
          blocks: [
            {
              kind: 'table',
              head: ['Member', 'largest V', 'least V', 'largest M', 'least M'],
              rows: drawnMembers(w).map(({ m }): Cell[] => [
                m.id,
                ...(['V', 'M'] as const).flatMap((f) =>
                  (['max', 'min'] as const).map((side) => ({ at: extremeAt(m.id, f, side) })),
                ),
              ]),
            },
          ],
        },
      ],
    }
  },
  comparison: (w) => ({
    why: 'The reactions of both methods. Nothing else is taken from there.',
    passages: [
      {
        blocks: [
          {
            kind: 'table',
            head: ['', 'Equilibrium', 'Stiffness method'],
            rows: w.found
              .flatMap((f) => f.found)
              .map((r): Cell[] => [
                reactionName(w, r),
                { at: reactionAt(w.st, r) },
                { at: solverAt(w.st, r) },
              ]),
          },
        ],
      },
    ],
  }),
}

function reactionName(w: Work, r: number): string {
  const { node, component } = w.st.reactions[r]
  return `${nodeName(w, node)}, ${component === 'rotation' ? 'moment' : component}`
}

function countWords({ st, found }: Work): string {
  const all = st.reactions.length
  const known = found.reduce((n, f) => n + f.found.length, 0)
  const count = `The supports give ${all} reaction${all === 1 ? '' : 's'}.`
  if (st.isDeterminate)
    return `${count} The problem is statically determinate: equilibrium gives them and every internal force.`
  return known === all
    ? `${count} Equilibrium gives all of them; some internal forces stay open.`
    : `${count} The problem is statically indeterminate: equilibrium gives ${known} of them.`
}

function values({ st, coherent }: Work): FoundValue[] {
  const { structure: s } = st
  const out = reactionValues(s, st.reactions, st.values, coherent)
  if (!st.isDeterminate || s.kind === 'truss') return out
  s.members.forEach((m, i) => {
    const course = courseOf(st, i)
    if (!course) return
    for (const [of, f, dimension] of [
      ['shear', 'V', D.force],
      ['moment', 'M', D.moment],
    ] as const)
      for (const [quantity, side] of [
        ['maximum', 'max'],
        ['minimum', 'min'],
      ] as const)
        out.push({
          quantity,
          of,
          member: m.id,
          value: coherent(extremesOf(course, f)[side].value, dimension),
        })
  })
  return out
}

/** Equilibrium equations and sections. Source: Hibbeler, Structural Analysis, ch. 2 and 4. */
export const STATICS = notedMethod<Work>({
  outline: OUTLINE,
  fits: fitsStatics,
  work: workOf,
  steps: STEPS,
  has: {
    sections: hasSections,
    diagrams: hasSections,
  },
  values,
})
