import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import type { Block, Cell } from '../blocks.js'
import { addressOf } from '../address.js'
import { minus, sum, times, type Formula } from '../expression.js'
import type { RigidFrame } from '../frames/model.js'
import { endLetters, ENDS } from '../frames/names.js'
import type { Notes } from '../notes.js'
import {
  carryOver,
  type Distribution,
  type DistributionJoint,
  type EndIndex,
  type Round,
} from './distribute.js'

/** Rounds are written until what is carried over is below this part of the largest moment, or as chosen. */
const DIGIT = 5e-4
/** No more rounds than this are written. */
const MOST_WRITTEN = 40
/** Ends beside each other in one table. */
const WIDE = 7

/** A distribution of a frame: 0 of the loads, 1 and on of the sways. */
export interface Distributing {
  f: RigidFrame
  joints: readonly DistributionJoint[]
  c: number
  d: Distribution
  /** Rounds are written until what is carried over is below this, N·m, where it was chosen. */
  digit?: number
}

const memberOf = ({ f }: Distributing, k: EndIndex) => f.structure.members[f.beams[k >> 1].member].id
const lettersOf = ({ f }: Distributing, k: EndIndex) =>
  endLetters(f.structure, f.beams[k >> 1].member, (k & 1) as 0 | 1)

/**
 * The address of a number of an end in a distribution: `sum`, `begin`, `rest`, or `balance`, `carry` of a
 * round.
 */
const endAt = (w: Distributing, kind: string, k: EndIndex, round?: number): string =>
  addressOf(kind, w.c, ...(round === undefined ? [] : [round]), memberOf(w, k), ENDS[k & 1])

export const sumAt = (w: Distributing, k: EndIndex): string => endAt(w, 'sum', k)
export const beginAt = (w: Distributing, k: EndIndex): string => endAt(w, 'begin', k)

/** How many rounds are written. */
export function writtenRounds({ d, digit }: Distributing): number {
  const most = Math.max(
    ...d.fixed.map(Math.abs),
    ...d.rounds.slice(0, 1).flatMap((r) => r.out.map(Math.abs)),
    0,
  )
  const least = digit ?? DIGIT * most
  const last = d.rounds.findIndex((r) => r.carried.every((v) => Math.abs(v) < least))
  return Math.min(MOST_WRITTEN, last < 0 ? d.rounds.length : last + 1)
}

/** Notes every number of the written rounds, the rest of the rounds, and the sums. */
export function noteDistribution(notes: Notes, w: Distributing): void {
  const { joints, d } = w
  const written = writtenRounds(w)
  const put: Put = (kind, k, si, letter, from, round) =>
    notes.put([kind, w.c, ...(round === undefined ? [] : [round]), memberOf(w, k), ENDS[k & 1]], {
      symbol: { letter, sub: lettersOf(w, k) },
      si,
      dimension: D.moment,
      from,
      of: [thing.member(memberOf(w, k))],
    })
  d.rounds.slice(0, written).forEach((round, r) => noteRound(notes, w, put, round, r))
  d.total.forEach((si, k) => {
    const rest = d.rounds.slice(written).reduce((t, r) => t + r.balanced[k] + r.carried[k], 0)
    put(
      'rest',
      k,
      rest,
      'r',
      'The rounds that follow, each smaller than the one before, until nothing is left.',
    )
    put('sum', k, si, `S${'′'.repeat(w.c)}`, (l) => {
      const rounds = d.rounds
        .slice(0, written)
        .flatMap((_, r): Formula[] => [
          ...(joints.some((j) => j.ends.includes(k)) ? [l(endAt(w, 'balance', k, r + 1))] : []),
          l(endAt(w, 'carry', k, r + 1)),
        ])
      return sum(l(beginAt(w, k)), ...rounds, l(endAt(w, 'rest', k)))
    })
  })
}

/** Notes a number of an end. */
type Put = (kind: string, end: EndIndex, si: number, letter: string, from: Noted, round?: number) => void

/** Notes one round: what is out of balance, its shares, and what is carried over. */
function noteRound(notes: Notes, w: Distributing, put: Put, round: Round, r: number): void {
  const { f, joints } = w
  joints.forEach((j, i) => {
    const { id } = f.structure.nodes[j.node]
    notes.put(['out', w.c, r + 1, id], {
      symbol: { letter: 'U', sub: id },
      si: round.out[i],
      dimension: D.moment,
      of: [thing.node(id)],
      from: (l) => {
        const ends = j.ends.map((k) => minus(l(r === 0 ? beginAt(w, k) : endAt(w, 'carry', k, r))))
        const couple = f.couples[j.node]
        return sum(...(r === 0 && couple !== 0 && w.c === 0 ? [l(addressOf('couple', id))] : []), ...ends)
      },
    })
    j.ends.forEach((k) =>
      put(
        'balance',
        k,
        round.balanced[k],
        'b',
        (l) =>
          times(l(addressOf('factor', memberOf(w, k), ENDS[k & 1])), l(addressOf('out', w.c, r + 1, id))),
        r + 1,
      ),
    )
  })
  round.carried.forEach((si, k) => {
    const far = k ^ 1
    const isBalanced = joints.some((j) => j.ends.includes(far)) && carryOver(f, far) !== 0
    const from: Noted = isBalanced
      ? (l) =>
          times(l(addressOf('carried', memberOf(w, far), ENDS[far & 1])), l(endAt(w, 'balance', far, r + 1)))
      : 'The far end is not balanced, so nothing is carried over from there.'
    put('carry', k, si, 'c', from, r + 1)
  })
}

type Noted = Parameters<Notes['put']>[1]['from']

/** The tables as they are written by hand: an end a column, the ends of a joint beside each other. */
export function distributionTables(w: Distributing, unit: string): Block[] {
  const { f, joints, d } = w
  const free = joints.flatMap((j) => j.ends)
  const others = [...d.total.keys()].filter((k) => !free.includes(k))
  const ends = [...free, ...others].sort((a, b) => nodeOf(f, a) - nodeOf(f, b) || a - b)
  const tables: EndIndex[][] = [[]]
  for (const k of ends) {
    const last = tables[tables.length - 1]
    const isNewJoint = last.length > 0 && nodeOf(f, last[last.length - 1]) !== nodeOf(f, k)
    const together = ends.filter((o) => nodeOf(f, o) === nodeOf(f, k)).length
    if (isNewJoint && last.length + together > WIDE) tables.push([k])
    else last.push(k)
  }
  return tables.filter((t) => t.length).map((t) => tableOf(w, t, unit))
}

const nodeOf = (f: RigidFrame, k: EndIndex): number => f.beams[k >> 1].nodes[k & 1]

function tableOf(w: Distributing, ends: readonly EndIndex[], unit: string): Block {
  const { joints } = w
  const isFree = (k: EndIndex) => joints.some((j) => j.ends.includes(k))
  const row = (title: string, cell: (k: EndIndex) => Cell): Cell[] => [title, ...ends.map(cell)]
  const bare = (at: string): Cell => ({ at, bare: true })
  const rounds = Array.from({ length: writtenRounds(w) }, (_, r) => [
    row('balance', (k) => (isFree(k) ? bare(endAt(w, 'balance', k, r + 1)) : '')),
    row('carry over', (k) => bare(endAt(w, 'carry', k, r + 1))),
  ]).flat()
  return {
    kind: 'table',
    title: `Moments on the ends, ${unit}`,
    head: ['End', ...ends.map((k) => lettersOf(w, k))],
    rows: [
      row('factor', (k) => (isFree(k) ? bare(addressOf('factor', memberOf(w, k), ENDS[k & 1])) : '')),
      row('fixed end', (k) => bare(beginAt(w, k))),
      ...rounds,
      row('further rounds', (k) => bare(endAt(w, 'rest', k))),
      row('sum', (k) => bare(sumAt(w, k))),
    ],
  }
}
