import type { Block, Passage, StepContent } from '../blocks.js'
import { titleOfMember } from '../../structure/member-title.js'
import type { Notes } from '../notes.js'
import type { RigidFrame, Sway } from './model.js'
import { at, endLetters } from './names.js'

export const words = (text: string): Block => ({ kind: 'words', words: text })

/** Signs, once for every frame method. */
export const SIGNS =
  'Moments on the ends of members, rotations of joints and chords are positive counter-clockwise, ' +
  'displacements ' +
  'to the right and upward.'

/** A sway in words: `B moves to the right`. */
export const swayWords = ({ structure }: RigidFrame, s: Sway): string =>
  `${structure.nodes[s.node].id} moves ${s.component === 'x' ? 'to the right' : 'up'}`

const isLoaded = (notes: Notes, id: string) =>
  notes.si(at.fixed(id, 0)) !== 0 || notes.si(at.fixed(id, 1)) !== 0

/** Fixed-end moments of the loaded beams, those changed by a known moment, and the moments of overhangs. */
export function fixedMoments(f: RigidFrame, notes: Notes): StepContent {
  const { structure: s } = f
  const passages: Passage[] = f.overhangs.map((o) => ({
    title: titleOfMember(s, o.member),
    member: o.member,
    blocks: [
      words(`An overhang: its moment at ${s.nodes[o.held].id} follows from statics, whatever the others do.`),
      {
        kind: 'lines',
        addresses: [at.moment(s.members[o.member].id, s.members[o.member].start === o.held ? 0 : 1)],
      },
    ],
  }))
  for (const b of f.beams) {
    const { id } = s.members[b.member]
    if (!isLoaded(notes, id) && b.fixed.every((v) => v === 0)) continue
    const changed = ([0, 1] as const).filter((e) => b.ends[e].known === undefined && b.modified)
    const known = ([0, 1] as const).filter((e) => b.ends[e].known !== undefined)
    const blocks: Block[] = [{ kind: 'lines', addresses: ([0, 1] as const).map((e) => at.fixed(id, e)) }]
    for (const e of known)
      blocks.push(
        words(
          `M ${endLetters(s, b.member, e)} is known: ` +
            (b.ends[e].known === 0
              ? 'that end is free to turn, so it is 0.'
              : 'the joint has no other member that turns with it.'),
        ),
      )
    if (changed.length) blocks.push({ kind: 'lines', addresses: changed.map((e) => at.modified(id, e)) })
    passages.push({ title: titleOfMember(s, b.member), member: b.member, blocks })
  }
  if (passages.length === 0) passages.push({ blocks: [words('No member is loaded between its ends.')] })
  return { why: `Each member by itself, both ends held. ${SIGNS}`, passages }
}
