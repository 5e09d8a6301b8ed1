import * as D from '../../quantity/dimension.js'
import type { Block, Passage, StepContent } from '../blocks.js'
import { minus, number, sum, times, type Formula, type Letter } from '../expression.js'
import { comparison, momentValues, noteSolver } from '../frames/comparison.js'
import { fixedMoments, SIGNS, swayWords, words } from '../frames/common-steps.js'
import { fitsRigidFrame } from '../frames/fits.js'
import { noteFixedMoments } from '../frames/fixed-moments.js'
import { frameEquations, movedOf, momentsOf } from '../frames/equations.js'
import { actionsOf } from '../acting-loads.js'
import { rigidFrame, type RigidFrame } from '../frames/model.js'
import { at, noteMembers } from '../frames/names.js'
import { frameNames } from '../frames/named.js'
import { noteMoments, noteMoved } from '../frames/results.js'
import type { Ledger } from '../ledger.js'
import type { Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { slopeDeflection } from './formulas.js'
import { OUTLINE } from './outline.js'

type Letters = (address: string) => Letter

/** A problem as this method works it out. */
interface Work {
  frame: RigidFrame
  notes: Notes
}

const lettersIn = (book: Ledger): Letters => book.context.letterAt

function workOf(task: Task): Work {
  const { structure, problem } = task
  const acting = actingOf(structure, task.action)!
  const actions = actionsOf(structure, acting)
  const frame = rigidFrame(structure, actions)!
  const moved = movedOf(frame)!
  const notes = new Notes()
  noteMembers(notes, frame)
  noteFixedMoments(notes, frame, actions, problem.units)
  noteMoved(notes, frame, moved)
  noteMoments(notes, frame, momentsOf(frame, moved), (b, e) => (l) => slopeDeflection(frame, b, e, l))
  noteSolver(notes, frame, task.solved().action)
  return { frame, notes }
}

function unknowns({ frame: f }: Work): StepContent {
  const { nodes } = f.structure
  const rotations = f.joints.map((n) => nodes[n].id)
  const said = [
    rotations.length === 0
      ? 'No joint is free to turn: all moments are known.'
      : `Sought are the rotations of ${rotations.join(', ')}.`,
    f.sways.length === 0
      ? 'No joint is displaced by the loads.'
      : `The members keep their length, and still ${f.sways.map((s) => swayWords(f, s)).join('; ')}: ` +
        `${f.sways.length === 1 ? 'one displacement is' : `${f.sways.length} displacements are`} sought too.`,
    'An end that is hinged, or alone at a joint that is free to turn, has a known moment: its ' +
      'rotation is not sought.',
    SIGNS,
  ]
  return {
    why: 'Which rotations and displacements the moments depend on.',
    passages: [{ blocks: said.map(words) }],
  }
}

function equations({ frame: f }: Work, book: Ledger): StepContent {
  const l = lettersIn(book)
  return {
    why:
      'Each end moment in the rotations of the joints and of the chord: 2EI/L·(2θ + θ of the far ' +
      'end − 3ψ) and the ' +
      'fixed-end moment; 3EI/L·(θ − ψ) where the far end has a known moment.',
    passages: f.beams.flatMap((b): Passage[] => {
      const { id } = f.structure.members[b.member]
      const ends = ([0, 1] as const).filter((e) => b.ends[e].known === undefined)
      if (ends.length === 0) return []
      return [
        {
          title: id,
          member: b.member,
          blocks: ends.map((e): Block => ({
            kind: 'equation',
            left: l(at.moment(id, e)),
            right: slopeDeflection(f, b, e, l),
          })),
        },
      ]
    }),
  }
}

/** A sum with signs, in which a factor of 1 is not written. */
const weighted = (parts: readonly [number, Formula][]): Formula =>
  sum(...parts.map(([k, f]) => (k < 0 ? minus(times(number(-k), f)) : times(number(k), f))))

function equilibrium({ frame: f }: Work, book: Ledger): StepContent {
  const l = lettersIn(book)
  const { coherent } = book.context
  const joints = f.joints.map((node): Passage => {
    const ends = f.beams.flatMap((b) =>
      ([0, 1] as const)
        .filter((e) => b.nodes[e] === node && b.ends[e].known === undefined)
        .map((e): Formula => l(at.moment(f.structure.members[b.member].id, e))),
    )
    const spring = f.springs.get(node)
    const turned = spring
      ? [times(number(coherent(spring, D.moment)), l(at.rotation(f.structure.nodes[node].id)))]
      : []
    return {
      title: `Joint ${f.structure.nodes[node].id}`,
      blocks: [
        {
          kind: 'equation',
          left: sum(...ends, ...turned),
          right: number(coherent(f.couples[node], D.moment)),
        },
      ],
    }
  })
  const sways = f.sways.map((s, t): Passage => {
    const parts = f.beams.flatMap((b): [number, Formula][] => {
      const psi = s.chords[b.member]
      if (psi === 0) return []
      const { id } = f.structure.members[b.member]
      const sumOfEnds = sum(l(at.moment(id, 0)), l(at.moment(id, 1)))
      return [[1 / coherent(1 / psi, D.length), sumOfEnds]]
    })
    return {
      title: `Sway: ${swayWords(f, s)}`,
      blocks: [
        words(
          'The joints are hinged in thought and displaced by 1: the end moments times the rotations ' +
            'of their chords, ' +
            'and the loads times their displacements, do no work together.',
        ),
        {
          kind: 'equation',
          left: sum(weighted(parts), number(coherent(f.work[t], D.force))),
          right: springsOf(f, t, l, coherent),
        },
      ],
    }
  })
  const unknowns = inUnknowns(f, book)
  return {
    why: 'As many equations as unknowns: each joint against turning, each sway by virtual work.',
    passages: [...joints, ...sways, ...unknowns],
  }
}

/** The same equations with the end moments put in: one row for each unknown. */
function inUnknowns(f: RigidFrame, book: Ledger): Passage[] {
  const { rows, right } = frameEquations(f)
  if (rows.length === 0) return []
  const { coherent, letterAt } = book.context
  const joints = f.joints.length
  const letters = [
    ...f.joints.map((n) => letterAt(at.rotation(f.structure.nodes[n].id))),
    ...f.sways.map((_, t) => letterAt(at.sway(t))),
  ]
  const dimension = (i: number, j: number) => {
    if (i < joints) return j < joints ? D.moment : D.force
    return j < joints ? D.force : D.forcePerLength
  }
  const blocks = rows.map((row, i): Block => ({
    kind: 'equation',
    left: weighted(
      row.flatMap((v, j): [number, Formula][] =>
        v === 0 ? [] : [[coherent(v, dimension(i, j)), letters[j]]],
      ),
    ),
    right: number(coherent(right[i], i < joints ? D.moment : D.force)),
  }))
  return [{ title: 'With the end moments put in', blocks }]
}

/** What springs of supports add to the equation of a sway. */
const springsOf = (
  f: RigidFrame,
  t: number,
  l: Letters,
  coherent: (si: number, d: D.Dimension) => number,
): Formula =>
  sum(
    ...f.springWork[t].flatMap((v, u): Formula[] =>
      v === 0 ? [] : [times(number(coherent(v, D.forcePerLength)), l(at.sway(u)))],
    ),
  )

function solution({ frame: f }: Work): StepContent {
  const { nodes } = f.structure
  return {
    why: 'The equations are solved for the rotations and displacements.',
    passages: [
      {
        blocks: [
          {
            kind: 'table',
            head: ['Unknown', 'value'],
            rows: [
              ...f.joints.map((n) => [`rotation of ${nodes[n].id}`, { at: at.rotation(nodes[n].id) }]),
              ...f.sways.map((s, t) => [swayWords(f, s), { at: at.sway(t) }]),
            ],
          },
          ...chords(f),
        ],
      },
    ],
  }
}

/** The chord rotations that follow from sways and settlements. */
function chords(f: RigidFrame): Block[] {
  const turning = f.beams.filter(
    (b) => f.given[b.member] !== 0 || f.sways.some((s) => s.chords[b.member] !== 0),
  )
  if (turning.length === 0) return []
  const addresses = turning.map((b) => at.chord(f.structure.members[b.member].id))
  return [{ kind: 'lines', title: 'Rotations of the chords', addresses }]
}

const moments = ({ frame: f }: Work): StepContent => ({
  why: 'The rotations are put back into the equations.',
  passages: f.beams.map((b): Passage => {
    const { id } = f.structure.members[b.member]
    return {
      title: id,
      member: b.member,
      blocks: [{ kind: 'lines', addresses: ([0, 1] as const).map((e) => at.moment(id, e)) }],
    }
  }),
})

const STEPS: Record<(typeof OUTLINE)['steps'][number]['key'], (w: Work, book: Ledger) => StepContent> = {
  unknowns,
  'fixed-end': ({ frame, notes }) => fixedMoments(frame, notes),
  equations,
  equilibrium,
  solution,
  moments,
  comparison: ({ frame }) => comparison(frame, OUTLINE.title),
}

/**
 * Slope–deflection: moments of member ends in the rotations of joints and chords. Source: Kassimali,
 * Structural Analysis, ch. 15.
 */
export const SLOPE_DEFLECTION = notedMethod<Work>({
  outline: OUTLINE,
  fits: fitsRigidFrame,
  work: workOf,
  steps: STEPS,
  values: ({ frame, notes }, coherent) => momentValues(frame, notes, coherent),
  named: ({ frame, notes }, coherent) => frameNames(frame, notes, coherent),
})
