import { addressOf } from '../../address.js'
import type { Block, Cell, Passage, StepMaker } from '../../blocks.js'
import type { Ledger } from '../../ledger.js'
import { bentMember } from '../origins/bent.js'

const words = (text: string): Block => ({ kind: 'words', words: text })

/** More members than this are not written out one by one. */
const MOST = 12
const NUMBERS = [2, 3, 5, 6]
const marks = NUMBERS.map((n) => ({ words: String(n) }))

function ofMember(book: Ledger, i: number): Passage {
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
        'Its stiffness across its axis on the bent shape: displacements and turns 2, 3 at the start, 5, 6 at the end',
      ),
      matrix(
        'geometric',
        'kG',
        'The geometric stiffness, the first term of the series in N: k is near to the k of first order with it added',
      ),
    ],
  }
}

function rounds(book: Ledger): Passage {
  const all = book.context.bent!.bent!.rounds
  return {
    title: 'Rounds',
    blocks: [
      words(
        'The axial forces of first order give the first stiffness; its solution gives other axial forces, and so on, until they stay the same.',
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

function critical(book: Ledger): Passage {
  return {
    title: 'The critical load',
    blocks: book.entry('load-factor')
      ? [
          words(
            'All axial forces grow together with a factor. Where det K becomes zero the structure holds itself in a bent shape without any other load: it buckles. Each negative pivot of the elimination is a critical load that has been passed, so that none is missed.',
          ),
          { kind: 'lines', addresses: ['load-factor'] },
        ]
      : [words('No factor on the loads makes det K zero: the structure never buckles under them.')],
  }
}

/** Equilibrium on the bent shape, where the problem asks for it. */
export const secondOrder: StepMaker = (book) => {
  const { context: c } = book
  if (!c.bent) return undefined
  const { members } = c.solution.structure
  const bending = members.flatMap((m, i) => (bentMember(c, m.id) ? [i] : []))
  return {
    key: 'second-order',
    title: 'Second order',
    why:
      'Up to here equilibrium was that of the undeformed structure. On the bent shape an axial force has a lever arm: ' +
      'it turns members further when it presses and less when it pulls. The stiffness of a member then depends on its ' +
      'own axial force, and the steps above are gone through again with it.',
    passages: [
      rounds(book),
      ...bending.slice(0, MOST).map((i) => ofMember(book, i)),
      ...(bending.length > MOST
        ? [{ blocks: [words(`${bending.length - MOST} more members are treated in the same way.`)] }]
        : []),
      critical(book),
    ],
  }
}
