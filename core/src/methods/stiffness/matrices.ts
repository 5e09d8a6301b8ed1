import * as D from '../../quantity/dimension.js'
import { siPerCoherent, type ProblemUnits } from '../../quantity/units.js'
import { springs, wholeStiffness } from '../../analysis/assemble.js'
import type { NumberedSolution, UnknownNumbering } from './numbering.js'
import type { Unknown } from '../blocks.js'

/**
 * The written solution as data: matrices and vectors of the solve itself, in the problem's coherent units,
 * each number with an address and the sum it came from. Nothing here is computed by another road than the
 * solver's.
 */

export interface Entries {
  rows: (Unknown | null)[]
  columns: (Unknown | null)[]
  values: number[][]
}

/** All degrees of freedom in the solver's order, with their numbers. */
export const unknowns = ({ solution: { dofs, structure }, numbering }: NumberedSolution): Unknown[] =>
  dofs.list.map((d, index) => ({
    index,
    number: numbering.numbers[index],
    node: structure.nodes[d.node].id,
    component: d.component,
    free: d.free,
  }))

/** Coherent units per SI unit of a stiffness entry, by whether its row and its column turn. */
export function entryScale(units: ProblemUnits) {
  const stiffness = 1 / siPerCoherent(units, D.forcePerLength)
  const force = 1 / siPerCoherent(units, D.force)
  const moment = 1 / siPerCoherent(units, D.moment)
  return (rowTurns: boolean, columnTurns: boolean) =>
    rowTurns && columnTurns ? moment : rowTurns || columnTurns ? force : stiffness
}

/** Coherent units per SI unit of a force, or of a moment. */
export function forceScale(units: ProblemUnits) {
  const force = 1 / siPerCoherent(units, D.force)
  const moment = 1 / siPerCoherent(units, D.moment)
  return (turns: boolean) => (turns ? moment : force)
}

/** Rows and columns a member's matrices are shown with: all six, or the four that are not nothing. */
export const shownRows = ({ bendingOnly }: UnknownNumbering, bar: boolean): number[] =>
  bar ? [0, 1, 3, 4] : bendingOnly ? [1, 2, 4, 5] : [0, 1, 2, 3, 4, 5]

/** A member's stiffness in the axes of its joints, under its unknowns, in coherent units. */
export interface MemberMatrix {
  id: string
  start: string
  end: string
  K: Entries
}

export function memberMatrix(
  numberedSolution: NumberedSolution,
  units: ProblemUnits,
  index: number,
): MemberMatrix {
  const { solution, numbering } = numberedSolution
  const m = solution.structure.members[index]
  const e = solution.elements[index]
  const all = unknowns(numberedSolution)
  const shown = shownRows(numbering, m.bar)
  const scale = entryScale(units)
  const labels = shown.map((i) => (e.dofs[i] < 0 ? null : all[e.dofs[i]]))
  return {
    id: m.id,
    start: solution.structure.nodes[m.start].id,
    end: solution.structure.nodes[m.end].id,
    K: {
      rows: labels,
      columns: labels,
      values: shown.map((i) => shown.map((j) => e.global[6 * i + j] * scale(i % 3 === 2, j % 3 === 2))),
    },
  }
}

/** The unknowns in the order of their numbers; those that are left out have none. */
export const inOrder = (all: readonly Unknown[]): Unknown[] =>
  all.filter((u) => u.number > 0).sort((a, b) => a.number - b.number)

/** Where free and held unknowns part, when all of the one kind come before all of the other. */
export function partingOf(all: readonly Unknown[]): number | undefined {
  const turns = all.flatMap((u, i) => (i > 0 && u.free !== all[i - 1].free ? [i] : []))
  return turns.length === 1 ? turns[0] : undefined
}

/**
 * The whole K, rows and columns in the order of their numbers; or what has been added up of it when so many
 * members, in their order, have been put in. Support springs come with the last.
 */
export function structureStiffness(
  shown: NumberedSolution,
  units: ProblemUnits,
  members = shown.solution.elements.length,
): Entries {
  const { solution } = shown
  const all = inOrder(unknowns(shown))
  const scale = entryScale(units)
  const part = members < solution.elements.length
  const K = wholeStiffness(
    part ? { ...solution.dofs, supportAt: new Map() } : solution.dofs,
    part ? solution.elements.slice(0, members) : solution.elements,
  )
  return {
    rows: all,
    columns: all,
    values: all.map((r) =>
      all.map((c) => K[r.index][c.index] * scale(r.component === 'rotation', c.component === 'rotation')),
    ),
  }
}

/** One member's or one spring's share of an entry of K. */
export interface Term {
  /** Member id, or undefined for a support spring. */
  member?: string
  /** Row and column of the member's own matrix as it is shown, from 1. */
  row: number
  column: number
  value: number
}

/** What an entry of K is the sum of. */
export function termsOf(
  { solution, numbering }: NumberedSolution,
  units: ProblemUnits,
  row: number,
  column: number,
): Term[] {
  const scale = entryScale(units)
  const turns = (i: number) => solution.dofs.list[i].component === 'rotation'
  const s = scale(turns(row), turns(column))
  const out: Term[] = []
  solution.elements.forEach((e, i) => {
    const r = e.dofs.indexOf(row)
    const c = e.dofs.indexOf(column)
    if (r >= 0 && c >= 0)
      out.push({
        member: solution.structure.members[i].id,
        row: shownRows(numbering, solution.structure.members[i].bar).indexOf(r) + 1,
        column: shownRows(numbering, solution.structure.members[i].bar).indexOf(c) + 1,
        value: e.global[6 * r + c] * s,
      })
  })
  if (row === column)
    for (const { dof, k } of springs(solution.dofs))
      if (dof === row) out.push({ row: row + 1, column: row + 1, value: k * s })
  return out
}
