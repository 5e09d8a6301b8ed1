import type { ProblemUnits } from '../quantity/units.js'
import { wholeStiffness } from '../analysis/assemble.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { entryScale, inOrder, unknowns, vectorScale, type Unknown } from './matrices.js'

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
 * The free equations of a case, prescribed displacements on the known side. Undefined with axially rigid members, whose
 * unknowns follow from one another.
 */
export function equations(solution: Solution, units: ProblemUnits, action: ActionSolution): Equations | undefined {
  if (solution.structure.members.some((m) => m.axiallyRigid)) return undefined
  const all = unknowns(solution)
  const free = inOrder(all.filter((u) => u.free))
  const scale = entryScale(units)
  const K = wholeStiffness(solution.dofs, solution.elements)
  const value = (r: Unknown, c: Unknown) => K[r.index][c.index] * scale(r.component === 'rotation', c.component === 'rotation')
  const { force, displacement } = vectorScale(units)
  const right = free.map((r) => {
    let sum = action.load[r.index] * force(r.component === 'rotation')
    for (const c of all) if (!c.free) sum -= value(r, c) * action.D[c.index] * displacement(c.component === 'rotation')
    return sum
  })
  return { unknowns: free, K: free.map((r) => free.map((c) => value(r, c))), right }
}

/**
 * Gauss elimination of the free equations, step by step, in the order of the numbers and without exchange: K is positive
 * definite, so every pivot is greater than zero. Source: Kassimali, Matrix Analysis of Structures, §2.4.
 * @returns undefined for more than BY_HAND unknowns, for none, or with axially rigid members
 */
export function gaussElimination(solution: Solution, units: ProblemUnits, action: ActionSolution): Elimination | undefined {
  const start = solution.dofs.free > 2 * BY_HAND ? undefined : equations(solution, units, action)
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
    const terms = K[i].flatMap((coefficient, column) => (column > i && coefficient !== 0 ? [{ column, coefficient, value: x[column] }] : []))
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
