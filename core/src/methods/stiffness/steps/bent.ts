import { addressOf } from '../../address.js'
import type { Block, Cell, Passage } from '../../blocks.js'
import { criticalCourseOf } from '../../../stability/bent-state.js'
import { inOrder, unknowns } from '../matrices.js'
import { bentMember } from '../origins/bent.js'
import type { Book, StepMaker } from './maker.js'

const words = (text: string): Block => ({ kind: 'words', words: text })

/** A matrix of more rows than this is not printed. */
const LARGEST = 30

/** More members than this are not written out one by one. */
const MOST = 12
const NUMBERS = [2, 3, 5, 6]
const marks = NUMBERS.map((n) => ({ words: String(n) }))

function ofMember(book: Book, i: number): Passage {
  const { id } = book.context.solution.structure.members[i]
  const of = (...names: string[]) => names.map((n) => addressOf(n, id))
  const matrix = (kind: string, letter: string, title: string): Block => ({
    kind: 'matrix',
    letter,
    title,
    rows: marks,
    columns: marks,
    at: (r, k) => addressOf(kind, id, NUMBERS[r], NUMBERS[k]),
    letters: true,
    unit: '',
  })
  return {
    title: id,
    member: i,
    blocks: [
      {
        kind: 'lines',
        title: 'Its axial force and what follows from it',
        addresses: of('bent-N', 'bent-phi', 'bent-D'),
      },
      {
        kind: 'lines',
        title: 'The stability functions; without an axial force they are 4, 2, 6 and 12',
        addresses: of('bent-near', 'bent-far', 'bent-corner', 'bent-across'),
      },
      matrix(
        'bent-k',
        'k',
        'Its stiffness across its axis on the bent shape: displacements and turns 2, 3 at the start, 5, ' +
          '6 at the end',
      ),
      matrix(
        'geometric',
        'kG',
        'The geometric stiffness, the first term of the series in N: k is near to the k of first order ' +
          'with it added',
      ),
      ...(book.context.bent!.fixedOwn.has(i)
        ? [
            {
              kind: 'lines' as const,
              title:
                'Its fixed-end forces: held at both ends it bends under its loads, and its axial force ' +
                'with it',
              addresses: NUMBERS.map((n) => addressOf('bent-fixed', id, n)),
            },
          ]
        : []),
    ],
  }
}

/** The equations of the last round, what they yield beside first order, and the end forces that follow. */
function lastRoundOf(book: Book): Passage[] {
  const c = book.context
  const all = inOrder(unknowns(c))
  const free = all.filter((u) => u.free)
  if (c.solution.rigid || free.length === 0) return []
  const marks = free.map((unknown) => ({ unknown }))
  const equations: Block[] =
    free.length > LARGEST
      ? [
          words(
            `The matrix of the last round has ${free.length} rows; it is solved like that of first order.`,
          ),
        ]
      : [
          {
            kind: 'matrix',
            letter: 'K',
            title: 'K of the last round, the free unknowns',
            rows: marks,
            columns: marks,
            at: (i, j) => addressOf('bent-K', free[i].index + 1, free[j].index + 1),
            unit: `${c.units.force}, ${c.units.length}, rad`,
          },
        ]
  return [
    {
      title: 'The last round in full',
      blocks: [
        words(
          'The stiffnesses and fixed-end forces above are gathered as in first order. The equations K·D ' +
            '= P of the last round leave the axial forces as they are, so its displacements are those of ' +
            'the structure.',
        ),
        ...equations,
        {
          kind: 'table',
          title: 'Right-hand side and displacements',
          head: ['', 'P', 'D in first order', 'D on the bent shape'],
          rows: free
            .slice(0, MOST_ROWS)
            .map((unknown): Cell[] => [
              { unknown },
              { at: addressOf('bent-P', unknown.index + 1) },
              { at: addressOf('D', unknown.index + 1) },
              { at: addressOf('bent-u', unknown.index + 1) },
            ]),
        },
      ],
    },
    endForces(book),
  ]
}

/** Longer tables are cut; the Results have them whole. */
const MOST_ROWS = 60

/** End forces of every member beside those of first order. */
function endForces({ context: c }: Book): Passage {
  const { members } = c.solution.structure
  const rows = members
    .slice(0, MOST_ROWS / 2)
    .flatMap((m) =>
      (m.bar ? [1, 4] : [1, 2, 3, 4, 5, 6]).map((n): Cell[] => [
        m.id,
        `${END[n - 1]}`,
        { at: addressOf('q', m.id, n) },
        { at: addressOf('bent-q', m.id, n) },
      ]),
    )
  return {
    blocks: [
      {
        kind: 'table',
        title: 'End forces q = k·d + f in the axes of the members',
        head: ['member', '', 'in first order', 'on the bent shape'],
        rows,
      },
    ],
  }
}

const END = [
  'x at its start',
  'y at its start',
  'moment at its start',
  'x at its end',
  'y at its end',
  'moment at its end',
]

function rounds(book: Book): Passage {
  const all = book.context.bent!.bent!.rounds
  return {
    title: 'Rounds',
    blocks: [
      words(
        'The axial forces of first order give the first stiffness; its solution gives other axial ' +
          'forces, and so on, until they stay the same.',
      ),
      {
        kind: 'table',
        head: ['round', 'largest N', 'largest change'],
        rows: all.map((_, k): Cell[] => [
          String(k + 1),
          { at: addressOf('round-largest', k + 1) },
          { at: addressOf('round-change', k + 1) },
        ]),
      },
    ],
  }
}

function critical(book: Book): Passage {
  const { solution, bent } = book.context
  const course = criticalCourseOf(solution, bent!)
  if (!course)
    return {
      title: 'The critical load',
      blocks: [words('No factor on the loads makes det K zero: the structure never buckles under them.')],
    }
  const { factors, points } = course
  return {
    title: 'The critical load',
    blocks: [
      words(
        'All axial forces grow together with a factor λ. Where det K(λ) becomes zero the structure holds ' +
          'itself in a bent shape without any other load: it buckles. Each negative pivot of the ' +
          'elimination is a critical load that has been passed, so that none is missed.',
      ),
      { kind: 'lines', addresses: ['load-factor'] },
      {
        kind: 'chart',
        title: 'det K(λ) / det K(0), drawn by its cube root so that small and large values are seen alike',
        x: 'λ',
        points: points.map(({ factor, ratio }) => [factor, Math.cbrt(ratio)]),
        roots: factors.map((factor, i) => ({ x: factor, at: addressOf('critical', i + 1) })),
      },
      {
        kind: 'table',
        head: ['root', 'λ', 'negative pivots below it', 'above it'],
        rows: factors.map((_, i): Cell[] => [
          String(i + 1),
          { at: addressOf('critical', i + 1) },
          String(i),
          String(i + 1),
        ]),
      },
    ],
  }
}

/** Equilibrium on the bent shape, where the problem asks for it. */
export const secondOrder: StepMaker = (book) => {
  const { context: c } = book
  if (!c.bent) return undefined
  const { members } = c.solution.structure
  const bending = members.flatMap((m, i) => (bentMember(c, m.id) ? [i] : []))
  return {
    why:
      'Up to here equilibrium was that of the undeformed structure. On the bent shape an axial force has ' +
      'a lever arm: ' +
      'it turns members further when it presses and less when it pulls. The stiffness of a member then ' +
      'depends on its ' +
      'own axial force, and the steps above are gone through again with it.',
    passages: [
      rounds(book),
      ...bending.slice(0, MOST).map((i) => ofMember(book, i)),
      ...(bending.length > MOST
        ? [{ blocks: [words(`${bending.length - MOST} more members are treated in the same way.`)] }]
        : []),
      ...lastRoundOf(book),
      critical(book),
    ],
  }
}
