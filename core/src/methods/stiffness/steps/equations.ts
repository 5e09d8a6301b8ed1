import type { Display } from '../../../document/display.js'
import { formatNumber } from '../../../quantity/format.js'
import type { Context } from '../origins/kind.js'
import { addressOf } from '../../address.js'
import { BY_HAND } from '../elimination.js'
import { tiedOf } from '../tied.js'
import { MANY } from './model.js'
import { symbolText } from '../../formula-text.js'
import { readingOf } from '../../reading.js'
import { inOrder, unknowns } from '../matrices.js'
import { eliminationOf } from '../origins/eliminated.js'
import { loadsOn, selfWeightOf } from '../origins/loads.js'
import type { Block, Cell, Passage, Unknown } from '../../blocks.js'
import { byHand, gathered } from './by-hand.js'
import type { Book, StepMaker } from './maker.js'
import { titleOfMember } from '../../../structure/member-title.js'

const words = (text: string): Block => ({ kind: 'words', words: text })
const SIX = [1, 2, 3, 4, 5, 6]
/** End forces a member has: all six, or those along it. */
export const endsOf = (c: Context, i: number) =>
  c.solution.structure.members[i].bar ? [1, 4] : c.numbering.bendingOnly ? [2, 3, 5, 6] : SIX

/**
 * The fixed-end forces of a loaded member: its loads along and across it, then the forces at its held ends,
 * then turned.
 */
function fixedEndsOf(book: Book, i: number): Passage {
  const { context: c } = book
  const m = c.solution.structure.members[i]
  const e = c.solution.elements[i]
  const parts = loadsOn(c, i).flatMap(({ n, load }): string[] => {
    const slanted =
      (load.type === 'distributed' && load.direction !== 'x' && load.direction !== 'y') ||
      (load.type === 'point' && load.axes === 'global')
    if (!slanted) return []
    if (load.type === 'point') return [addressOf('force-along', n), addressOf('force-across', n)]
    return load.type === 'distributed'
      ? load.points.flatMap((_, p) =>
          p > 0 && load.points.every((o) => o.q === load.points[0].q)
            ? []
            : [addressOf('load-along', n, p), addressOf('load-across', n, p)],
        )
      : []
  })
  const turned = parts.filter((a) => book.entry(a)!.value !== 0)
  const lines = (kind: string) => endsOf(c, i).map((r) => addressOf(kind, m.id, r))
  const condensed = e.released.length > 0 || e.sprung !== undefined
  const blocks: Block[] = [
    {
      kind: 'drawing',
      member: i,
      forces: endsOf(c, i).map((end) => ({ end, at: addressOf('fixed', m.id, end) })),
    },
  ]
  if (turned.length)
    blocks.push({ kind: 'lines', title: 'The load along and across the member', addresses: turned })
  if (selfWeightOf(c) !== 0 && !m.bar && m.weight > 0)
    blocks.push(words(`Its own weight acts with the factor ${selfWeightOf(c)}.`))
  blocks.push({
    kind: 'lines',
    title: condensed ? 'Both ends held and rigid' : 'Fixed-end forces, both ends held',
    addresses: lines(condensed ? 'fixed-own' : 'fixed'),
  })
  if (condensed)
    blocks.push({ kind: 'lines', title: 'With its released ends free to follow', addresses: lines('fixed') })
  blocks.push({
    kind: 'lines',
    title: 'Turned to the axes of its joints: F = Tᵀ·f',
    addresses: lines('fixed-global').filter((_, k) => e.dofs[endsOf(c, i)[k] - 1] >= 0),
  })
  return { title: titleOfMember(c.solution.structure, i), member: i, blocks }
}

export const loads: StepMaker = (book) => {
  const { context: c } = book
  const all = inOrder(unknowns(c))
  const loaded = [...c.action.fixed.keys()].sort((a, b) => a - b)
  const passages: Passage[] = loaded.map((i) => fixedEndsOf(book, i))
  const acting = all.filter((u) => c.value('joint-load', u.index + 1) !== 0)
  if (acting.length)
    passages.unshift({
      title: 'On the joints',
      blocks: [{ kind: 'lines', addresses: acting.map((u) => addressOf('joint-load', u.index + 1)) }],
    })
  passages.push({
    title: 'The right-hand side',
    blocks: [
      words('Taken off the loads on the joints, the fixed-end forces make the right-hand side P.'),
      {
        kind: 'table',
        head: ['', 'Unknown', 'P'],
        rows: all.map((u): Cell[] => [{ unknown: u }, meaning(u), { at: addressOf('P', u.index + 1) }]),
      },
    ],
  })
  return {
    why: 'With every unknown held, a loaded member presses on its joints with its fixed-end forces.',
    passages,
  }
}

const meaning = (u: Unknown) => `${u.node} ${u.component === 'rotation' ? 'turn' : u.component}`

/** What a displacement means, with its amount in a handy unit: "C moves 3.2 mm down". `value` in SI. */
export function displacementWords(
  u: Unknown,
  value: number,
  { displacement, rotation }: Display,
  negligible = 0,
): string {
  const turns = u.component === 'rotation'
  if (Math.abs(value) <= negligible)
    return turns ? `${u.node} does not turn` : `${u.node} stays where it is along ${u.component}`
  const { unit, perSI } = turns ? rotation : displacement
  const amount = `${formatNumber(Math.abs(value) * perSI)}${unit.startsWith('10') ? '·' : ' '}${unit}`
  return turns
    ? `${u.node} turns ${amount} ${value > 0 ? 'counter-clockwise' : 'clockwise'}`
    : `${u.node} moves ${amount} ` +
        `${u.component === 'x' ? (value > 0 ? 'right' : 'left') : value > 0 ? 'up' : 'down'}`
}

/** At a turned support the axes are its own. */
const alongOwn = (u: Unknown, c: Context): string => {
  const { unit, perSI } = c.display.displacement
  return `${u.node} moves ${formatNumber(c.action.D[u.index] * perSI)} ${unit} along its own ${u.component}`
}

/** How many equations there are, what stands on their known side, and how they are solved. */
function solvedHow(c: Context, sought: number): string {
  const settles = c.solution.dofs.list.some((d, i) => !d.free && c.action.D[i] !== 0)
  const count = `${sought} ${sought === 1 ? 'equation for one unknown' : `equations for ${sought} unknowns`}`
  const what = c.solution.rigid
    ? `With what follows from other unknowns put in, the free rows of K·D = P are gathered into ${count}`
    : `The free rows of K·D = P are ${count}`
  const byHand = eliminationOf(c)
    ? '; the same by hand, row by row, follows'
    : sought > BY_HAND
      ? `; by hand they are written out for up to ${BY_HAND} unknowns`
      : ''
  const known = settles ? ', with the settlements on the known side' : ''
  return `${what}${known}. They are solved by LDLᵀ${byHand}.`
}

export const solution: StepMaker = ({ context: c }) => {
  const all = inOrder(unknowns(c))
  const free = all.filter((u) => u.free)
  const tied = tiedOf(c.solution)
  const sought = tied ? free.filter((u) => tied.independent.has(u.index)) : free
  const following = tied ? free.filter((u) => !tied.independent.has(u.index)) : []
  const walked = byHand(c, sought)
  const blocks: Block[] = []
  if (following.length && following.length <= MANY)
    blocks.push({
      kind: 'lines',
      title: 'What follows from them',
      addresses: following.map((u) => addressOf('D', u.index + 1)),
    })
  const most = (turns: boolean) =>
    Math.max(
      0,
      ...free.map((u) => ((u.component === 'rotation') === turns ? Math.abs(c.action.D[u.index]) : 0)),
    )
  const told = (u: Unknown) =>
    c.solution.dofs.angle[c.node(u.node)] !== 0 && u.component !== 'rotation'
      ? alongOwn(u, c)
      : displacementWords(u, c.action.D[u.index], c.display, 1e-9 * most(u.component === 'rotation'))
  // with the EI of all taken out of K, displacements are found as so many over EI
  const common = readingOf(c.problem).factor === 'common' ? c.entry('common') : undefined
  const times = common ? [`D·${symbolText(common.symbol)}`] : []
  blocks.push({
    kind: 'table',
    title: 'Displacements',
    head: ['', ...times, 'D', 'meaning'],
    rows: all
      .filter((u) => u.free || c.action.D[u.index] !== 0)
      .map((u): Cell[] => [
        { unknown: u },
        ...times.map((): Cell => ({ at: addressOf('times-common', 'D', u.index + 1) })),
        { at: addressOf('D', u.index + 1) },
        told(u),
      ]),
  })
  return {
    why: 'The free equations have as many unknowns as rows: they are solved for the displacements.',
    passages: [
      { blocks: [words(solvedHow(c, sought.length)), ...gathered(c, sought)] },
      ...(walked.length ? [{ byHand: true, blocks: walked }] : []),
      { blocks },
    ],
  }
}
