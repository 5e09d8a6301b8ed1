import * as D from '../../quantity/dimension.js'
import { formatNumber } from '../../quantity/format.js'
import { actionsOf } from '../acting-loads.js'
import type { Block, Cell, Passage, StepContent } from '../blocks.js'
import { endLetters } from '../frames/names.js'

import type { FoundValue, NamedValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import type { Outline } from '../outline.js'
import { assumedBody, jointBodies, storeyBody } from './drawn.js'
import { levelLoads, overturning, type StoreyForces } from './forces.js'
import { fitsStoreyed, storeyGrid, type StoreyGrid } from './grid.js'
import { at, noteStoreyed, type Origins } from './notes.js'
import type { Storeyed } from './origins.js'

/** What one of the approximate methods is made of. */
export interface StoreyedMethod {
  outline: Outline
  assumption: string
  forces: (s: Storeyed['s'], g: StoreyGrid, nodal: Float64Array) => StoreyForces
  origins: (w: Storeyed) => Origins
}

interface Work extends Storeyed {
  f: StoreyForces
  notes: Notes
  assumption: string
}

function workOf({ forces, origins, assumption }: StoreyedMethod, task: Task): Work {
  const { structure: s, problem } = task
  const g = storeyGrid(s)!
  const { nodal } = actionsOf(s, actingOf(s, task.action)!)
  const f = forces(s, g, nodal)
  const w: Storeyed = { s, g, nodal, units: problem.units }
  const notes = new Notes()
  noteStoreyed(notes, s, g, f, origins(w), task.solved().action)
  g.columns[0].forEach((_, k) =>
    notes.put(['overturning', k + 1], {
      symbol: { letter: 'M', sub: `o${k + 1}` },
      si: overturning(g, levelLoads(g, nodal), k),
      dimension: D.moment,
      from: `The moment of the loads above about the points of inflection of storey ${k + 1}.`,
    }),
  )
  return { ...w, f, notes, assumption }
}

const words = (text: string): Block => ({ kind: 'words', words: text })
const lines = (addresses: string[]): Block => ({ kind: 'lines', addresses })
const storeys = ({ g }: Work) => g.columns[0].map((_, k) => k)
const idsOf = ({ s }: Work, members: readonly number[]) => members.map((i) => s.members[i].id)
const columnsOf = (w: Work, k: number) =>
  idsOf(
    w,
    w.g.columns.map((line) => line[k]),
  )
const beamsOf = (w: Work, level: number) =>
  idsOf(
    w,
    w.g.beams.map((bay) => bay[level]),
  )

/** What is said of each storey, of its columns or of the beams of its floor. */
const byStorey = (w: Work, why: string, of: (k: number) => Block[]): StepContent => ({
  why,
  passages: storeys(w).map((k): Passage => ({ title: `Storey ${k + 1}`, blocks: of(k) })),
})

type Maker = (w: Work) => StepContent

const STEPS: Record<string, Maker> = {
  assumptions: (w) => ({
    why: 'An indeterminate frame is made determinate by what is known of its deflected shape.',
    passages: [
      {
        blocks: [
          assumedBody(w),
          words(
            `Points of inflection are at the middle of every beam and of every column${
              w.g.pinned ? ', and at the pinned feet' : ''
            }.`,
          ),
          words(w.assumption),
          lines(storeys(w).map((k) => at.storey(k))),
        ],
      },
    ],
  }),
  'column-shears': (w) =>
    byStorey(
      w,
      'The shear of a storey is shared by its columns; times the distance to inflection it is their moment.',
      (k) => [
        storeyBody(w, k),
        lines(columnsOf(w, k).flatMap((id) => [at.shear(id), at.moment(id, 0), at.moment(id, 1)])),
      ],
    ),
  'beam-moments': (w) =>
    byStorey(w, 'Joint by joint from the left: what the columns bring, the beams take.', (k) => [
      ...jointBodies(w, k + 1),
      lines(beamsOf(w, k + 1).flatMap((id) => [at.moment(id, 0), at.shear(id)])),
    ]),
  'column-forces': (w) =>
    byStorey(
      w,
      'The moment of the loads about the points of inflection is carried by the axial forces of the columns.',
      (k) => [storeyBody(w, k), lines([at.overturning(k), ...columnsOf(w, k).map((id) => at.axial(id))])],
    ),
  'beam-shears': (w) =>
    byStorey(
      w,
      'Joint by joint from the left: the axial forces of the columns above and below give the shear ' +
        'of the beam.',
      (k) => [
        ...jointBodies(w, k + 1),
        lines(beamsOf(w, k + 1).flatMap((id) => [at.shear(id), at.moment(id, 0)])),
      ],
    ),
  'column-moments': (w) =>
    byStorey(w, 'What the beams bring to a joint, the columns take.', (k) => [
      lines(columnsOf(w, k).flatMap((id) => [at.moment(id, 0), at.moment(id, 1), at.shear(id)])),
    ]),
  axial: (w) =>
    byStorey(w, 'Equilibrium of the joints along their members.', (k) => [
      lines([...beamsOf(w, k + 1), ...columnsOf(w, k)].map((id) => at.axial(id))),
    ]),
  comparison: (w) => ({
    why: 'The end moments beside the exact ones, counter-clockwise on the member positive.',
    passages: [
      {
        blocks: [
          {
            kind: 'table',
            head: ['End', 'approximate', 'exact', 'apart'],
            rows: w.s.members.flatMap((m, i) =>
              ([0, 1] as const).map((e): Cell[] => {
                const [a, b] = [w.notes.si(at.moment(m.id, e)), w.notes.si(at.solver(m.id, e))]
                const apart = b === 0 ? '–' : `${formatNumber(100 * (a / b - 1), { figures: 2 })} %`
                return [
                  `M ${endLetters(w.s, i, e)}`,
                  { at: at.moment(m.id, e) },
                  { at: at.solver(m.id, e) },
                  apart,
                ]
              }),
            ),
          },
        ],
      },
    ],
  }),
}

function values(w: Work, coherent: (si: number, d: D.Dimension) => number): FoundValue[] {
  return w.s.members.flatMap((m, i): FoundValue[] => [
    { quantity: 'moment', member: m.id, at: '0%', value: coherent(-w.f.start[i], D.moment) },
    { quantity: 'moment', member: m.id, at: '100%', value: coherent(w.f.end[i], D.moment) },
    { quantity: 'axial', member: m.id, at: '50%', value: coherent(w.f.axial[i], D.force) },
    { quantity: 'shear', member: m.id, at: '50%', value: coherent(w.f.shear[i], D.force) },
  ])
}

/** The assumed points of inflection. */
const inflections = ({ s, g }: Work): NamedValue[] =>
  s.members.map((m, i) => {
    const line = g.columns.findIndex((of) => of[0] === i)
    const foot = g.pinned && line >= 0
    const place = m.start === g.joints[Math.max(0, line)][0] ? '0%' : '100%'
    return { name: 'inflection', member: m.id, at: foot ? place : '50%' }
  })

/** An approximate method for storeyed frames. Source: Kassimali, Structural Analysis, ch. 12. */
export const storeyedMethod = (of: StoreyedMethod) =>
  notedMethod<Work>({
    outline: of.outline,
    approximate: true,
    fits: fitsStoreyed,
    work: (task) => workOf(of, task),
    steps: STEPS,
    values,
    named: inflections,
  })
