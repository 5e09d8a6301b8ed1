import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import type { Structure } from '../../structure/types.js'
import { addressOf } from '../address.js'
import type { LetterName } from '../expression.js'
import type { Notes } from '../notes.js'
import type { RigidFrame } from './model.js'

export const ENDS = ['start', 'end'] as const

/** The letters of a member's end, near joint first: `AB`, or `10,11` where names are longer. */
export function endLetters({ nodes, members }: Structure, member: number, e: 0 | 1): string {
  const m = members[member]
  const [near, far] = (e === 0 ? [m.start, m.end] : [m.end, m.start]).map((n) => nodes[n].id)
  return near.length + far.length === 2 ? near + far : `${near},${far}`
}

export const momentName = (s: Structure, member: number, e: 0 | 1): LetterName => ({
  letter: 'M',
  sub: endLetters(s, member, e),
})

/** Addresses of the numbers of a frame. */
export const at = {
  length: (id: string) => addressOf('L', id),
  rigidity: (id: string) => addressOf('EI', id),
  fixed: (id: string, e: 0 | 1) => addressOf('fixed', id, ENDS[e]),
  modified: (id: string, e: 0 | 1) => addressOf('fixed-modified', id, ENDS[e]),
  rotation: (node: string) => addressOf('rotation', node),
  sway: (t: number) => addressOf('sway', t + 1),
  chord: (id: string) => addressOf('chord', id),
  moment: (id: string, e: 0 | 1) => addressOf('moment', id, ENDS[e]),
  solver: (id: string, e: 0 | 1) => addressOf('solver-moment', id, ENDS[e]),
}

/** Notes lengths and rigidities of the members that bend. */
export function noteMembers(notes: Notes, f: RigidFrame): void {
  for (const { member } of f.beams) {
    const m = f.structure.members[member]
    const of = [thing.member(m.id)]
    const from = 'As the problem states it.'
    notes.put(['L', m.id], { symbol: { letter: 'L', of: m.id }, si: m.length, dimension: D.length, from, of })
    notes.put(['EI', m.id], {
      symbol: { letter: 'EI', of: m.id },
      si: m.EI,
      dimension: D.bendingStiffness,
      from,
      of,
    })
  }
}
