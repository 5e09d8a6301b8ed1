import { endNumber, type Context } from '../origins/kind.js'
import { addressOf } from '../../address.js'
import { BY_HAND } from '../elimination.js'
import { matrixLetter, sum, times } from '../../expression.js'
import { inOrder, partingOf, shownRows, unknowns } from '../matrices.js'
import { isHinged } from '../origins/hinged.js'
import { sharers, structureRows } from '../origins/condensed.js'
import type { StructureMember } from '../../../structure/types.js'
import { readingOf } from '../../reading.js'
import type { Block, Mark, MatrixBlock, Passage, Unknown } from '../../blocks.js'
import type { Book, StepMaker } from './maker.js'
import { titleOfMember } from '../../../structure/member-title.js'

const words = (text: string): Block => ({ kind: 'words', words: text })
export const units = (c: Context) => `${c.units.force}, ${c.units.length}, rad`

/**
 * Rows and columns a member's matrices are shown with, and their marks: plain numbers, or the unknowns they
 * belong to.
 */
function margins(c: Context, i: number): { shown: number[]; plain: Mark[]; global: Mark[] } {
  const all = unknowns(c)
  const shown = shownRows(c.numbering, c.solution.structure.members[i].bar)
  const { dofs } = c.solution.elements[i]
  return {
    shown,
    plain: shown.map((r) => ({ words: String(endNumber(c, c.solution.structure.members[i], r)) })),
    global: shown.map((r) => (dofs[r] < 0 ? { words: '·' } : { unknown: all[dofs[r]] })),
  }
}

/** What is taken out of the stiffness matrices of a member, or of the whole structure where none is named. */
function takenOut(
  c: Context,
  id?: string,
): { factor?: string; behind: (at: string) => string; unit: string } {
  const { factor } = readingOf(c.problem)
  const own = factor === 'own' && id !== undefined && c.entry('factor', id)
  const common = factor === 'common' && c.entry('common')
  // of a bar only cosines and sines are left
  if (own)
    return {
      factor: own.address,
      behind: (at) => `${addressOf('per-own', id)}/${at}`,
      unit: c.solution.structure.members[c.member(id)].bar ? '' : `lengths, ${c.units.length}`,
    }
  if (common)
    return { factor: common.address, behind: (at) => `per-common/${at}`, unit: `lengths, ${c.units.length}` }
  return { behind: (at) => at, unit: units(c) }
}

const matrix = (
  c: Context,
  letter: string,
  title: string,
  marks: Mark[],
  at: (i: number, j: number) => string,
  more: Partial<MatrixBlock> = {},
): MatrixBlock => ({
  kind: 'matrix',
  letter,
  title,
  rows: marks,
  columns: marks,
  at,
  unit: units(c),
  ...more,
})

/** Whether a transformation changes nothing, but for rounding. */
const isUnit = (T: Float64Array) => T.every((v, i) => Math.abs(v - (i % 7 === 0 ? 1 : 0)) < 1e-12)

/** What a member is, and the numbers its matrices are made of. */
function opening(c: Context, m: StructureMember, factor: string | undefined): Block[] {
  const [start, end] = [c.solution.structure.nodes[m.start].id, c.solution.structure.nodes[m.end].id]
  return [
    words(
      (m.bar
        ? 'It carries axial force alone: its ends resist only being drawn apart along it. '
        : 'The forces at its two ends when one end displacement is 1 and the others are 0, ' +
          'column by column. ') + `It joins ${start} to ${end}; its x runs that way.`,
    ),
    {
      kind: 'lines',
      addresses: [
        ...(c.numbering.bendingOnly ? ['L'] : ['L', 'c', 's', 'EA']).map((k) => addressOf(k, m.id)),
        ...(m.bar ? [] : [addressOf('EI', m.id)]),
        ...(m.GAs > 0 ? [addressOf('phi', m.id)] : []),
        ...(factor && factor !== 'common' ? [factor] : []),
      ],
    },
    ...(m.axiallyRigid
      ? [
          words(
            'It keeps its length: no EA/L enters its stiffness. Unknowns at its two ends follow from ' +
              'one another, and its axial force is what the equilibrium of the joints asks for.',
          ),
        ]
      : []),
  ]
}

/** What a released end does to the matrix: static condensation, in words. */
function releaseWords(c: Context, m: StructureMember, r: number): Block {
  const spring = typeof m.releases[r] === 'number'
  const what = ['axial force', 'shear', 'moment'][r % 3]
  return words(
    `${c.solution.structure.nodes[r < 3 ? m.start : m.end].id} ` +
      `${spring ? `passes the ${what} through a spring` : `transfers no ${what}`}. That end ` +
      'follows freely, so its equation is solved for it and put into the others (static ' +
      `condensation): each entry kᵢⱼ gives up kᵢᵣ·kᵣⱼ / ${spring ? '(kᵣᵣ + s)' : 'kᵣᵣ'}, with r ` +
      `= ${endNumber(c, m, r)}.`,
  )
}

/**
 * One member written out: its numbers, k in its own axes, what a release changes, T, and K under the numbers
 * of its unknowns.
 */
export function stiffnessOf(book: Book, i: number): Passage {
  const { context: c } = book
  const m = c.solution.structure.members[i]
  const e = c.solution.elements[i]
  const { shown, plain, global } = margins(c, i)
  const out = takenOut(c, m.id)
  const of =
    (kind: string, ...step: number[]) =>
    (r: number, k: number) =>
      addressOf(kind, m.id, ...step, shown[r] + 1, shown[k] + 1)
  const stiff = (
    letter: string,
    title: string,
    kind: string,
    step: number[],
    marks = plain,
    more: Partial<MatrixBlock> = {},
  ) =>
    matrix(c, letter, title, marks, (r, k) => out.behind(of(kind, ...step)(r, k)), {
      unit: out.unit,
      ...(out.factor ? { factor: out.factor } : {}),
      ...more,
    })
  const blocks = opening(c, m, out.factor)
  const condensed = e.released.length > 0
  blocks.push(
    stiff(
      condensed ? 'k°' : 'k',
      condensed ? 'In member axes, both ends rigid' : 'In member axes',
      condensed ? 'own' : 'k',
      [],
      plain,
      { letters: true },
    ),
  )
  e.released.forEach((r, step) => {
    blocks.push(releaseWords(c, m, r))
    const last = step === e.released.length - 1
    // what it comes to is 3EI/L³, as books print it
    const closed: Partial<MatrixBlock> = isHinged(m)
      ? { letters: true, lettersAt: (r, k) => out.behind(of('hinged')(r, k)) }
      : {}
    blocks.push(
      last
        ? stiff('k', 'As its joints feel it', 'k', [], plain, closed)
        : stiff(`k${'′'.repeat(step + 1)}`, 'After this release', 'part', [step + 1]),
    )
  })
  if (isUnit(e.T)) {
    blocks.push(
      words('Its axes are those of its joints: T is the unit matrix, and K is k.'),
      stiff('K', 'K = k, under the numbers of its unknowns', 'global', [], global),
    )
  } else {
    blocks.push(matrix(c, 'T', 'From joint displacements to its own: d = T·D', plain, of('T'), { unit: '' }))
    blocks.push(stiff('K', 'K = Tᵀ·k·T, under the numbers of its unknowns', 'global', [], global))
  }
  return { title: titleOfMember(c.solution.structure, i), member: i, blocks }
}

export const stiffness: StepMaker = (book) => ({
  why:
    'Each member by itself: what its ends resist, first along its own axes, then along those of its ' +
    'joints.',
  passages: book.context.solution.structure.members.map((_, i) => stiffnessOf(book, i)),
})

/** K whole, and what its entries are sums of. */
export const assembly: StepMaker = ({ context: c }) => {
  const all = inOrder(unknowns(c))
  const marks: Mark[] = all.map((unknown) => ({ unknown }))
  const { free } = c.solution.dofs
  const out = takenOut(c)
  const sums: string[] = []
  const least = free <= BY_HAND ? free : 0
  for (let i = 0; i < least; i++)
    for (let j = i; j < least; j++) {
      const { members, spring } = sharers(c.solution, i, j)
      if (members.length + (spring ? 1 : 0) > 1 && (structureRows(c.solution)[i].get(j) ?? 0) !== 0)
        sums.push(out.behind(addressOf('K', i + 1, j + 1)))
    }
  const blocks: Block[] = [
    matrix(
      c,
      'K',
      'The whole',
      marks,
      (i, j) => out.behind(addressOf('K', all[i].index + 1, all[j].index + 1)),
      { parting: partingOf(all), unit: out.unit, ...(out.factor ? { factor: out.factor } : {}) },
    ),
  ]
  if (out.factor) blocks.unshift({ kind: 'lines', addresses: [out.factor] })
  if (sums.length)
    blocks.push({ kind: 'lines', title: 'Entries that several members share', addresses: sums })
  return {
    why: 'Each member’s matrix is added into K at the rows and columns of its own unknowns.',
    passages: [{ blocks }],
  }
}

/** The rows of one kind of K·D = P + R. */
const parted = (row: 'f' | 'r'): Block => {
  const K = (column: string) => times(matrixLetter('K', row + column), matrixLetter('D', column))
  const P = matrixLetter('P', row)
  return { kind: 'equation', left: sum(K('f'), K('r')), right: row === 'f' ? P : sum(P, matrixLetter('R')) }
}

/** K parted by what is free and what is held. */
export const partition: StepMaker = ({ context: c }) => {
  const all = inOrder(unknowns(c))
  const out = takenOut(c)
  const part = (letter: string, title: string, rows: Unknown[], columns: Unknown[]): MatrixBlock => ({
    kind: 'matrix',
    letter,
    title,
    rows: rows.map((unknown) => ({ unknown })),
    columns: columns.map((unknown) => ({ unknown })),
    at: (i, j) => out.behind(addressOf('K', rows[i].index + 1, columns[j].index + 1)),
    unit: out.unit,
    ...(out.factor ? { factor: out.factor } : {}),
  })
  const [f, r] = [all.filter((u) => u.free), all.filter((u) => !u.free)]
  const blocks: Block[] = [
    words(
      'K·D = P + R falls into two: the free rows, where no reaction acts and the displacements are sought,',
    ),
    parted('f'),
    words('and the held rows, where the displacements are known and the reactions are sought:'),
    parted('r'),
  ]
  if (f.length) blocks.push(part('K_ff', 'Free rows and columns: what is solved', f, f))
  if (f.length && r.length)
    blocks.push(
      part('K_fr', 'Forces in the free directions from held displacements', f, r),
      part('K_rf', 'Its mirror image: reactions from free displacements', r, f),
    )
  if (r.length) blocks.push(part('K_rr', 'Held rows and columns', r, r))
  return {
    why: 'Free and held unknowns ask for different things: displacements here, reactions there.',
    passages: [{ blocks }],
  }
}
