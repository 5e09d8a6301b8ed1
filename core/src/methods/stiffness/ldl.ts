import type { ProblemUnits } from '../../quantity/units.js'
import type { ActionSolution } from '../../analysis/solve.js'
import type { NumberedSolution } from './numbering.js'
import { tiedOf } from './tied.js'
import { BY_HAND, equations, less, type Equations } from './elimination.js'

/**
 * K = L·D·Lᵀ of the free equations, with what a right-hand side becomes on its way through: rows and columns
 * as numbered.
 */
export interface Factored {
  start: Equations
  /** Unit lower triangle, row by row. */
  L: number[][]
  pivots: number[]
  /** L·z = P, then y = z/d. */
  z: number[]
  y: number[]
}

/**
 * The factorisation the solver makes, written out: lᵢⱼ = (Kᵢⱼ − Σ lᵢₖ·lⱼₖ·dₖ)/dⱼ, dⱼ = Kⱼⱼ − Σ lⱼₖ²·dₖ.
 * Source: Bathe, Finite Element Procedures, §8.2.
 * @returns undefined for more than BY_HAND unknowns, or for none
 */
export function factored(
  shown: NumberedSolution,
  units: ProblemUnits,
  action: ActionSolution,
): Factored | undefined {
  const start =
    (tiedOf(shown.solution)?.independent.size ?? shown.solution.dofs.free) > 2 * BY_HAND
      ? undefined
      : equations(shown, units, action)
  if (!start || start.right.length === 0 || start.right.length > BY_HAND) return undefined
  const n = start.right.length
  const L: number[][] = start.K.map((_, i) => start.K.map((__, j) => (i === j ? 1 : 0)))
  const pivots: number[] = []
  for (let j = 0; j < n; j++) {
    pivots.push(start.K[j][j])
    for (let k = 0; k < j; k++) pivots[j] -= L[j][k] ** 2 * pivots[k]
    for (let i = j + 1; i < n; i++) {
      let v = start.K[i][j]
      for (let k = 0; k < j; k++) v = less(v, L[i][k] * L[j][k] * pivots[k])
      L[i][j] = v / pivots[j]
    }
  }
  const z: number[] = []
  for (let i = 0; i < n; i++) z.push(L[i].slice(0, i).reduce((v, l, k) => less(v, l * z[k]), start.right[i]))
  return { start, L, pivots, z, y: z.map((v, i) => v / pivots[i]) }
}
