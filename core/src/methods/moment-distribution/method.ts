import * as D from '../../quantity/dimension.js'
import { coherentUnitName, siPerCoherent } from '../../quantity/units.js'
import type { Block, Passage, StepContent } from '../blocks.js'
import { addressOf } from '../address.js'
import { number, sum, times } from '../expression.js'
import { comparison, momentValues, noteSolver } from '../frames/comparison.js'
import { fixedMoments, swayWords, words } from '../frames/common-steps.js'
import { fitsRigidFrame } from '../frames/fits.js'
import { noteFixedMoments } from '../frames/fixed-moments.js'
import { actionsOf } from '../acting-loads.js'
import { rigidFrame, type RigidFrame } from '../frames/model.js'
import { at, ENDS, noteMembers } from '../frames/names.js'
import { fixedMomentNames, storeySways } from '../frames/named.js'
import { noteMoments } from '../frames/results.js'
import type { Ledger } from '../ledger.js'
import type { NamedValue, Task } from '../method.js'
import { Notes } from '../notes.js'
import { notedMethod } from '../noted-method.js'
import { actingOf } from '../numbers.js'
import { carryOver } from './distribute.js'
import { distributings, noteDistributions, noteFactors } from './notes.js'
import { OUTLINE } from './outline.js'
import { distributionTables } from './table.js'
import { distributed, type Distributed } from './work.js'

/** A problem as this method works it out. */
interface Work {
  frame: RigidFrame
  notes: Notes
  d: Distributed
  /** The chosen limit that carried moments fall below in the last written round, N·m. */
  digit?: number
}

function workOf(task: Task): Work {
  const { structure, problem } = task
  const actions = actionsOf(structure, actingOf(structure, task.action)!)
  const frame = rigidFrame(structure, actions)!
  const d = distributed(frame)!
  const notes = new Notes()
  const coherent = (si: number, dimension: D.Dimension) => si / siPerCoherent(problem.units, dimension)
  noteMembers(notes, frame)
  noteFixedMoments(notes, frame, actions, problem.units)
  noteMoments(notes, frame, d.moments, () => () => number(0))
  noteFactors(notes, frame, d)
  const { digit: typed } = task.options ?? {}
  const digit = typed === undefined ? undefined : typed * siPerCoherent(problem.units, D.moment)
  noteDistributions(notes, frame, d, coherent, digit)
  noteSolver(notes, frame, task.solved().action)
  return { frame, notes, d, digit }
}

const endsOf = (f: RigidFrame, ends: readonly number[]): [string, (typeof ENDS)[number]][] =>
  ends.map((k) => [f.structure.members[f.beams[k >> 1].member].id, ENDS[k & 1]])

function factors({ frame: f, d }: Work): StepContent {
  const passages = d.joints.map((j): Passage => {
    const ends = endsOf(f, j.ends)
    return {
      title: `Joint ${f.structure.nodes[j.node].id}`,
      blocks: [
        { kind: 'lines', addresses: ends.map(([id, e]) => addressOf('stiffness', id, e)) },
        { kind: 'lines', addresses: ends.map(([id, e]) => addressOf('factor', id, e)) },
        {
          kind: 'lines',
          title: 'Carried over',
          addresses: ends.map(([id, e]) => addressOf('carried', id, e)),
        },
      ],
    }
  })
  return {
    why:
      'A joint that is out of balance turns until its members take the rest, each in proportion to ' +
      'its stiffness: ' +
      '4EI/L, or 3EI/L where the far end has a known moment. An overhang takes nothing.',
    passages: passages.length
      ? passages
      : [{ blocks: [words('No joint is free to turn: nothing is distributed.')] }],
  }
}

function distribution({ frame: f, d, digit }: Work, book: Ledger): StepContent {
  const unit = coherentUnitName(book.context.units, D.moment)
  const [held, ...sways] = distributings(f, d, digit)
  const passages: Passage[] = [
    {
      ...(sways.length ? { title: 'The loads, every joint held against displacement' } : {}),
      blocks: distributionTables(held, unit),
    },
    ...sways.map((w, t): Passage => ({
      title: `Sway case ${t + 1}: ${swayWords(f, f.sways[t])}, every other joint held`,
      blocks: [
        words('The size of the displacement is assumed; it is corrected in the next step.'),
        ...distributionTables(w, unit),
      ],
    })),
  ]
  return {
    why:
      'All joints are balanced at once: what is out of balance, with its sign changed, is shared by ' +
      'the factors. Half ' +
      'of each is carried over to the far end, and the next round begins.',
    passages,
  }
}

function sway({ frame: f, d }: Work, book: Ledger): StepContent | undefined {
  if (d.sways.length === 0) return undefined
  const l = book.context.letterAt
  const passages = f.sways.map((s, t): Passage => {
    const all = [0, ...d.sways.map((_, u) => u + 1)].map((u) => addressOf('holding', t + 1, u))
    const equation: Block = {
      kind: 'equation',
      left: sum(l(all[0]), ...d.sways.map((_, u) => times(l(addressOf('correction', u + 1)), l(all[u + 1])))),
      right: number(0),
    }
    return {
      title: `Sway: ${swayWords(f, s)}`,
      blocks: [{ kind: 'lines', addresses: all }, equation],
    }
  })
  return {
    why:
      'What holds the frame in each case, by virtual work: the end moments times the rotations of ' +
      'their chords for a ' +
      'displacement of 1, and the loads times theirs. The sway cases are taken so many times that ' +
      'nothing holds it.',
    passages: [
      ...passages,
      {
        title: 'Correction factors',
        blocks: [{ kind: 'lines', addresses: d.sways.map((_, t) => addressOf('correction', t + 1)) }],
      },
    ],
  }
}

const moments = ({ frame: f, d }: Work): StepContent => ({
  why: d.sways.length
    ? 'The moments of the loads, and those of each sway case times its factor.'
    : 'The sums of the distribution.',
  passages: f.beams.map((b): Passage => {
    const { id } = f.structure.members[b.member]
    return {
      title: id,
      member: b.member,
      blocks: [{ kind: 'lines', addresses: ([0, 1] as const).map((e) => at.moment(id, e)) }],
    }
  }),
})

/** Stiffness, factors, fixed-end moments of all causes and correction factors. */
function named(
  { frame: f, d }: Work,
  coherent: (si: number, dimension: D.Dimension) => number,
): NamedValue[] {
  const { members, nodes } = f.structure
  const out: NamedValue[] = fixedMomentNames(f, coherent)
  for (const j of d.joints)
    j.ends.forEach((k, n) => {
      const b = f.beams[k >> 1]
      const [[member, end]] = endsOf(f, [k])
      const value = coherent(b.stiffness[k & 1][k & 1], D.moment)
      out.push({ name: 'stiffness', member, end, value, ...(b.modified ? { modified: true } : {}) })
      if (j.spring === 0)
        out.push({ name: 'distribution-factor', node: nodes[j.node].id, member, value: j.factors[n] })
      out.push({ name: 'carry-over-factor', member, end, value: carryOver(f, k) })
    })
  for (const o of f.overhangs) {
    const end = ENDS[members[o.member].start === o.held ? 0 : 1]
    out.push({ name: 'stiffness', member: members[o.member].id, end, value: 0 })
  }
  storeySways(f).forEach((t, s) => {
    const c = d.sways[t]
    c.distribution.fixed.forEach((si, k) => {
      if (si === 0 || f.beams[k >> 1].ends[k & 1].known !== undefined) return
      const [[member, end]] = endsOf(f, [k])
      const more = f.beams[k >> 1].modified ? { modified: true } : {}
      const value = coherent(si, D.moment)
      out.push({ name: 'fixed-end-moment', member, end, value, cause: 'sway', storey: s + 1, ...more })
    })
    out.push({ name: 'correction-factor', storey: s + 1, value: c.factor })
  })
  return out
}

type Maker = (w: Work, book: Ledger) => StepContent | undefined
const STEPS: Record<(typeof OUTLINE)['steps'][number]['key'], Maker> = {
  factors,
  'fixed-end': ({ frame, notes }) => fixedMoments(frame, notes),
  distribution,
  sway,
  moments,
  comparison: ({ frame }): StepContent => comparison(frame, OUTLINE.title),
}

/**
 * Moment distribution, with sway by superposed sway cases. Source: Kassimali, Structural Analysis, ch. 16.
 */
export const MOMENT_DISTRIBUTION = notedMethod<Work>({
  outline: OUTLINE,
  fits: fitsRigidFrame,
  work: workOf,
  steps: STEPS,
  has: { sway: ({ d }) => d.sways.length > 0 },
  values: ({ frame, notes }, coherent) => momentValues(frame, notes, coherent),
  named,
})
