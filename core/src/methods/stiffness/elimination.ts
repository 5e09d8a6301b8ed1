import type { ProblemUnits } from '../../quantity/units.js'
import type { ActionSolution, Solution } from '../../analysis/solve.js'
import { addressOf } from '../address.js'
import { structureRows } from './origins/condensed.js'
import type { NumberedSolution } from './numbering.js'
import { prescribed, rightSide, tiedOf, tiedStiffness } from './tied.js'
import type { Unknown } from '../blocks.js'
import { entryScale, inOrder, unknowns, forceScale } from './matrices.js'

/** The equations K_ff·D_f = P_f − K_fr·D_r, as numbered, in coherent units. */
export interface Equations {
  unknowns: Unknown[]
  K: number[][]
  right: number[]
}

/** One step of elimination: a pivot clears its column below it. */
export interface EliminationStep {
  /** Row of the pivot, from 0, and its value. */
  pivot: number
  value: number
  /** What each lower row gives up: row i − factor × pivot row. */
  factors: { row: number; factor: number }[]
  /** Matrix and right-hand side after the step. */
  K: number[][]
  right: number[]
}

/** One line of back-substitution, from the last unknown to the first. */
export interface BackLine {
  row: number
  right: number
  terms: { column: number; coefficient: number; value: number }[]
  pivot: number
  value: number
}

export interface Elimination {
  start: Equations
  steps: EliminationStep[]
  back: BackLine[]
}

/** More unknowns than this are not written out by hand. */
export const BY_HAND = 12

/** Values this much smaller than what they were made of are cancellation. */
const CANCELLED = 1e-13

/**
 * The free equations of a case, prescribed displacements on the known side; with axially rigid members those
 * of the unknowns that the others follow from.
 */
export function equations(shown: NumberedSolution, units: ProblemUnits, action: ActionSolution): Equations {
  const { solution } = shown
  const tied = tiedOf(solution)
  const free = inOrder(unknowns(shown).filter((u) => u.free && (!tied || tied.independent.has(u.index))))
  const scale = entryScale(units)
  const rows = structureRows(solution)
  const value = (r: Unknown, c: Unknown) =>
    (tied ? tiedStiffness(solution, r.index, c.index) : (rows[r.index].get(c.index) ?? 0)) *
    scale(r.component === 'rotation', c.component === 'rotation')
  const force = forceScale(units)
  return {
    unknowns: free,
    K: free.map((r) => free.map((c) => value(r, c))),
    right: free.map((r) => rightSide(solution, action, r.index) * force(r.component === 'rotation')),
  }
}

/**
 * Whether anything is prescribed, or unknowns are tied together: then the right-hand side is not P itself.
 */
export const isGathered = (solution: Solution, action: ActionSolution): boolean =>
  solution.rigid !== undefined || prescribed(solution, action).size > 0

/**
 * The address of an entry of the equations as they are begun with, by degree of freedom; without a column
 * that of the right-hand side.
 */
export function equationAddress(
  solution: Solution,
  action: ActionSolution,
  row: number,
  column?: number,
): string {
  if (column === undefined) return addressOf(isGathered(solution, action) ? 'P-free' : 'P', row + 1)
  return addressOf(solution.rigid ? 'K-tied' : 'K', row + 1, column + 1)
}

/**
 * Gauss elimination of the free equations, step by step, in the order of the numbers and without exchange: K
 * is positive
 * definite, so every pivot is greater than zero. Source: Kassimali, Matrix Analysis of Structures, §2.4.
 * @returns undefined for more than BY_HAND unknowns, or for none
 */
export function gaussElimination(
  shown: NumberedSolution,
  units: ProblemUnits,
  action: ActionSolution,
): Elimination | undefined {
  const start =
    (tiedOf(shown.solution)?.independent.size ?? shown.solution.dofs.free) > 2 * BY_HAND
      ? undefined
      : equations(shown, units, action)
  if (!start || start.right.length === 0 || start.right.length > BY_HAND) return undefined
  const n = start.right.length
  let K = start.K.map((r) => [...r])
  let right = [...start.right]
  const steps: EliminationStep[] = []
  for (let k = 0; k < n - 1; k++) {
    const factors: EliminationStep['factors'] = []
    const before = K
    const held = right
    K = before.map((r) => [...r])
    right = [...held]
    for (let i = k + 1; i < n; i++) {
      const factor = before[i][k] / before[k][k]
      if (factor === 0) continue
      factors.push({ row: i, factor })
      for (let j = k; j < n; j++) K[i][j] = less(before[i][j], factor * before[k][j])
      K[i][k] = 0
      right[i] = less(held[i], factor * held[k])
    }
    steps.push({ pivot: k, value: before[k][k], factors, K, right })
  }
  const x = new Array<number>(n).fill(0)
  const back: BackLine[] = []
  for (let i = n - 1; i >= 0; i--) {
    const terms = K[i].flatMap((coefficient, column) =>
      column > i && coefficient !== 0 ? [{ column, coefficient, value: x[column] }] : [],
    )
    x[i] = terms.reduce((sum, t) => sum - t.coefficient * t.value, right[i]) / K[i][i]
    back.push({ row: i, right: right[i], terms, pivot: K[i][i], value: x[i] })
  }
  return { start, steps, back }
}

/** a − b, an exact zero where nothing but rounding is left. */
export function less(a: number, b: number): number {
  const d = a - b
  return Math.abs(d) <= CANCELLED * Math.max(Math.abs(a), Math.abs(b)) ? 0 : d
}
