import * as D from '../../../quantity/dimension.js'
import { addressOf } from '../../address.js'
import { inOrder, unknowns } from '../matrices.js'
import { courseIn } from '../origins/diagrams.js'
import { zerosOfShear } from '../origins/peaks.js'
import type { Block, Cell, Passage } from '../../blocks.js'
import { endsOf } from './equations.js'
import { MANY } from './model.js'
import type { Book, StepMaker } from './maker.js'
import { titleOfMember } from '../../../structure/member-title.js'

const words = (text: string): Block => ({ kind: 'words', words: text })

/**
 * The end forces of one member: its joints' displacements in its own axes, times its stiffness, and its
 * fixed-end forces.
 */
function endForcesOf({ context: c }: Book, i: number): Passage {
  const m = c.solution.structure.members[i]
  const lines = (kind: string) => endsOf(c, i).map((r) => addressOf(kind, m.id, r))
  return {
    title: titleOfMember(c.solution.structure, i),
    member: i,
    blocks: [
      { kind: 'lines', title: 'Its ends displaced, in its own axes: d = T·D', addresses: lines('d') },
      { kind: 'lines', title: 'The forces on its ends: q = k·d + f', addresses: lines('q') },
    ],
  }
}

export const endForces: StepMaker = (book) => ({
  why:
    'The displacements of its joints, turned to the axes of a member, times its stiffness, and its ' +
    'fixed-end forces on top. Forces act on the member; x runs along it, y a quarter turn ' +
    'counter-clockwise from it.',
  passages: book.context.solution.structure.members.map((_, i) => endForcesOf(book, i)),
})

/** Held unknowns and support springs, whose reactions are sought. */
const reacting = ({ context: c }: Book) =>
  inOrder(unknowns(c)).filter(
    (u) => !u.free || (c.solution.dofs.supportAt.get(c.node(u.node))?.hold[u.component] ?? false) !== false,
  )

export const reactions: StepMaker = (book) => {
  const { context: c } = book
  const turned = c.solution.structure.supports.some((p) => p.angle !== 0)
  const held = reacting(book)
  return {
    why:
      'The held rows of K·D = P + R give what the supports must add. Positive to the right, upward ' +
      `and counter-clockwise${turned ? '; at a turned support, along its own axes' : ''}.`,
    passages: [
      {
        blocks: [
          { kind: 'lines', addresses: held.map((u) => addressOf('R', u.index + 1)) },
          {
            kind: 'table',
            title: 'Reactions',
            head: ['', 'at', 'R'],
            rows: held.map((u): Cell[] => [
              { unknown: u },
              `${u.node} ${u.component === 'rotation' ? 'moment' : u.component}`,
              { at: addressOf('R', u.index + 1) },
            ]),
          },
        ],
      },
    ],
  }
}

export const checks: StepMaker = ({ context: c }) => {
  const { structure: s, open } = c.solution
  const blocks: Block[] = [
    words(
      'Loads and reactions together: what the supports give must balance what acts. Each of these ' +
        'sums is 0, but for rounding.',
    ),
    {
      kind: 'lines',
      title: 'The whole structure',
      addresses: ['x', 'y', 'moment']
        .filter((k) => k !== 'moment' || s.nodes.length > 0)
        .map((k) => addressOf('whole', k)),
    },
  ]
  if (open.length === 0)
    blocks.push({
      kind: 'lines',
      title: 'Each joint: the forces of its members, less its load and reaction',
      addresses: inOrder(unknowns(c)).map((u) => addressOf('joint', u.index + 1)),
    })
  if (!s.members.some((m) => m.axiallyRigid))
    blocks.push(words('The work of the loads on the joints is the energy in the members and springs:'), {
      kind: 'lines',
      addresses: [
        addressOf('work'),
        ...(s.members.length > MANY ? [] : s.members.map((m) => addressOf('energy-of', m.id))),
        addressOf('energy'),
      ],
    })
  return {
    why: 'Nothing here was used to find the results: it tells whether they are right.',
    passages: [{ blocks }],
  }
}

/** What acts along a stretch and where it begins, where anything does. */
function actingOn(book: Book, id: string, s: number, forces: readonly ('N' | 'V' | 'M')[]): Block[] {
  const all = forces.flatMap((force) => [
    ...(s > 0 ? [addressOf('jump', id, s, force)] : []),
    ...[0, 1].map((k) => addressOf('intensity', id, s, { N: 'p', V: 'q', M: 'c' }[force], k)),
  ])
  const addresses = all.filter((a) => book.entry(a)!.value !== 0)
  return addresses.length ? [{ kind: 'lines', title: 'What acts there', addresses }] : []
}

/** The peaks of the moment within a stretch, each with the place where the shear is zero. */
function peaksOf({ context: c }: Book, member: number, s: number): Block[] {
  const { id } = c.solution.structure.members[member]
  const addresses = zerosOfShear(c, member, s).flatMap((_, n) => [
    addressOf('zero-shear', id, s, n),
    addressOf('peak-moment', id, s, n),
  ])
  return addresses.length ? [{ kind: 'lines', title: 'The peak of the moment, where V = 0', addresses }] : []
}

/** From end forces to N(x), V(x) and M(x), stretch by stretch between the places of load. */
function diagramsOf(book: Book, i: number): Passage {
  const { context: c } = book
  const m = c.solution.structure.members[i]
  const { stretches } = courseIn(c, i)
  const forces = m.bar
    ? (['N'] as const)
    : c.numbering.bendingOnly
      ? (['V', 'M'] as const)
      : (['N', 'V', 'M'] as const)
  const blocks = stretches.flatMap((g, s): Block[] => [
    ...actingOn(book, m.id, s, forces),
    ...forces.map((force): Block => ({
      kind: 'polynomial',
      force,
      member: m.id,
      coefficients: [0, 1, 2, 3]
        .slice(0, g.coefficients[force].length)
        .map((p) => addressOf('diagram', m.id, s, force, p)),
      from: c.coherent(g.x0, D.length),
      to: c.coherent(g.x1, D.length),
    })),
    ...peaksOf(book, i, s),
  ])
  return { title: titleOfMember(c.solution.structure, i), member: i, blocks }
}

export const diagrams: StepMaker = (book) => ({
  why:
    'From the end forces along the member: N = −q₁, V = q₂, M = −q₃ at the start, then N′ = −p, V′ = ' +
    'q, M′ = V. With t measured from where a stretch begins.',
  passages: book.context.solution.structure.members.map((_, i) => diagramsOf(book, i)),
})
