import { addressOf } from '../address.js'
import type { Cell, MatrixBlock, Passage, Step } from '../blocks.js'
import { titleOfMember } from '../../structure/member-title.js'
import { inOrder, unknowns } from './matrices.js'
import type { Book } from './steps/maker.js'
import { partition, stiffnessOf } from './steps/matrices.js'
import { endsOf } from './steps/equations.js'
import { reactions } from './steps/results.js'

/**
 * The working on two to four pages: the stiffness in letters once for each kind of member, then K with P
 * and D, end forces and reactions as tables, without the formulas between them.
 */
export const shortForm = (book: Book): Step[] => [
  {
    key: 'stiffness',
    title: 'Stiffness',
    why: 'The stiffness of each kind of member in its own axes; K under the numbers of the unknowns.',
    passages: [{ blocks: [members(book)] }, ...inLetters(book), ...assembled(book)],
  },
  {
    key: 'solution',
    title: 'Displacements',
    why: 'K·D = P for the free displacements.',
    passages: [{ blocks: [equations(book)] }],
  },
  {
    key: 'end-forces',
    title: 'End forces',
    why: 'Forces on the ends of the members, in their own axes.',
    passages: [{ blocks: [endForces(book)] }],
  },
  {
    key: 'reactions',
    title: 'Reactions',
    why: 'What the supports add.',
    passages: (reactions(book)?.passages ?? []).map((p) => ({
      ...p,
      blocks: p.blocks.filter((b) => b.kind === 'table').map((b) => ({ ...b, title: undefined })),
    })),
  },
]

/** Length, direction and rigidities of every member. */
function members({ context: c }: Book): Passage['blocks'][number] {
  const { structure } = c.solution
  const kinds = c.numbering.bendingOnly ? ['L', 'EI'] : ['L', 'c', 's', 'EA', 'EI']
  const bending = structure.members.some((m) => !m.bar)
  const shown = kinds.filter((k) => k !== 'EI' || bending)
  return {
    kind: 'table',
    head: ['Member', ...shown],
    rows: structure.members.map((m, i): Cell[] => [
      titleOfMember(structure, i),
      ...shown.map((k): Cell => (k === 'EI' && m.bar ? '' : { at: addressOf(k, m.id) })),
    ]),
  }
}

/**
 * The matrices in letters, of the first member of each kind: as stiff as it is, or with what its ends
 * release.
 */
function inLetters(book: Book): Passage[] {
  const { structure, elements } = book.context.solution
  const seen = new Set<string>()
  return structure.members.flatMap((m, i): Passage[] => {
    const kind = JSON.stringify([m.bar, m.GAs > 0, m.axiallyRigid, elements[i].released])
    if (seen.has(kind)) return []
    seen.add(kind)
    const matrices = stiffnessOf(book, i).blocks.filter(
      (b): b is MatrixBlock => b.kind === 'matrix' && b.letters !== undefined,
    )
    const last = matrices.at(-1)
    return last
      ? [{ title: titleOfMember(structure, i), member: i, blocks: [{ ...last, letters: 'alone' }] }]
      : []
  })
}

/** K of the free unknowns. */
const assembled = (book: Book): Passage[] =>
  (partition(book)?.passages ?? []).map((p) => ({
    ...p,
    blocks: p.blocks.filter((b) => b.kind === 'matrix' && b.letter === 'K_ff'),
  }))

/** The right-hand side and the displacement of each free unknown. */
function equations({ context: c }: Book): Passage['blocks'][number] {
  const free = inOrder(unknowns(c)).filter((u) => u.free)
  return {
    kind: 'table',
    head: ['', 'Unknown', 'P', 'D'],
    rows: free.map((unknown): Cell[] => [
      { unknown },
      `${unknown.node} ${unknown.component}`,
      { at: addressOf('P', unknown.index + 1) },
      { at: addressOf('D', unknown.index + 1) },
    ]),
  }
}

/** The forces on the ends of every member. */
function endForces({ context: c }: Book): Passage['blocks'][number] {
  const { structure } = c.solution
  const shown = [...new Set(structure.members.flatMap((_, i) => endsOf(c, i)))].sort((a, b) => a - b)
  return {
    kind: 'table',
    head: ['Member', ...shown.map(String)],
    rows: structure.members.map((m, i): Cell[] => [
      titleOfMember(structure, i),
      ...shown.map((r): Cell => (endsOf(c, i).includes(r) ? { at: addressOf('q', m.id, r) } : '')),
    ]),
  }
}
