import type { Context } from '../origins/kind.js'
import { addressOf } from '../../address.js'
import { byHandOf } from '../by-hand.js'
import { equationAddress, isGathered } from '../elimination.js'
import { eliminationOf } from '../origins/eliminated.js'
import { factoredOf } from '../origins/factored.js'
import type { Block, Mark, Unknown } from '../../blocks.js'
import { units } from './matrices.js'

const words = (text: string): Block => ({ kind: 'words', words: text })

/** K = L·D·Lᵀ, then down through L, across the pivots and back up. */
function takenApart(c: Context, n: number, marks: Mark[]): Block[] {
  const { L } = factoredOf(c)!
  const all = Array.from({ length: n }, (_, i) => i + 1)
  const lines = (kind: string, title: string, order = all): Block => ({
    kind: 'lines',
    title,
    addresses: order.map((i) => addressOf(kind, i)),
  })
  const below = all.flatMap((i) =>
    all.slice(0, i - 1).flatMap((j) => (L[i - 1][j - 1] === 0 ? [] : [addressOf('ldl-l', i, j)])),
  )
  return [
    words(
      'K is taken apart into L·D·Lᵀ, L with ones on its diagonal and nothing above it, D the ' +
        'pivots, each greater than 0 where nothing moves by itself. Then three easy systems are ' +
        'solved: L·z = P downward, D·y = z across, Lᵀ·D = y upward.',
    ),
    lines('ldl-d', 'The pivots'),
    ...(below.length ? [{ kind: 'lines' as const, title: 'Below the diagonal of L', addresses: below }] : []),
    {
      kind: 'matrix',
      letter: 'L',
      title: 'L',
      rows: marks,
      columns: marks,
      at: (i, j) => addressOf('ldl-l', i + 1, j + 1),
      unit: '',
    },
    lines('ldl-z', 'Down: L·z = P'),
    lines('ldl-y', 'Across: y = z / d'),
    lines('ldl-x', 'Up: Lᵀ·D = y', [...all].reverse()),
  ]
}

/** Numbers whose formulas are written out line by line, where they are few. */
const FEW = 6

/**
 * What the equations are gathered from where unknowns are tied, and what stands on their right-hand sides.
 */
export function gathered(c: Context, sought: readonly Unknown[]): Block[] {
  if (!eliminationOf(c) || !isGathered(c.solution, c.action)) return []
  const start = (i: number, j?: number) =>
    equationAddress(c.solution, c.action, sought[i].index, j === undefined ? undefined : sought[j].index)
  const pairs = sought.flatMap((_, i) => sought.slice(i).map((__, k) => start(i, i + k)))
  return [
    ...(c.solution.rigid && sought.length <= FEW
      ? [
          {
            kind: 'lines' as const,
            title: 'The entries of all that move along with the two, added up',
            addresses: pairs,
          },
        ]
      : []),
    {
      kind: 'lines',
      title: c.solution.rigid
        ? 'The right-hand sides, gathered likewise'
        : 'The right-hand sides, with the settlements on them',
      addresses: sought.map((_, i) => start(i)),
    },
  ]
}

/** The equations themselves, then their solution by hand. */
export function byHand(c: Context, sought: readonly Unknown[]): Block[] {
  if (!eliminationOf(c)) return []
  const n = sought.length
  const marks: Mark[] = sought.map((unknown) => ({ unknown }))
  const start = (i: number, j?: number) =>
    equationAddress(c.solution, c.action, sought[i].index, j === undefined ? undefined : sought[j].index)
  const equations: Block = {
    kind: 'matrix',
    letter: 'K|P',
    title: 'The equations, their right-hand sides last',
    rows: marks,
    columns: [...marks, { words: 'P' }],
    at: (i, j) => (j === n ? start(i) : start(i, j)),
    unit: units(c),
  }
  return [
    equations,
    ...(byHandOf(c.problem) === 'ldl' ? takenApart(c, n, marks) : rowByRow(c, sought, marks)),
  ]
}

/** Gauss: the equations after each pivot, and back from the last. */
function rowByRow(c: Context, sought: readonly Unknown[], marks: Mark[]): Block[] {
  const steps = eliminationOf(c)!.steps.flatMap((s, k): Block[] =>
    s.factors.length === 0
      ? []
      : [
          {
            kind: 'matrix',
            letter: 'K|P',
            title: `After step ${k + 1}: column ${sought[k].number} is cleared below its pivot`,
            rows: marks,
            columns: [...marks, { words: 'P' }],
            at: (i, j) => addressOf('row', k + 1, i + 1, j + 1),
            unit: units(c),
          },
        ],
  )
  return [
    ...steps,
    {
      kind: 'lines',
      title: 'Back, from the last equation to the first',
      addresses: [...sought].reverse().map((u) => addressOf('D', u.index + 1)),
    },
  ]
}
