import type { Dofs } from './dofs.js'

/**
 * A sum that consists of rounding error alone is set to zero where it is formed, because only there the sizes
 * of its terms are known. A force far smaller than the largest keeps its value unless its own terms cancelled
 * to the last digits.
 */

/** Relative tolerance: a sum below this fraction of the sum of the sizes of its terms is rounding error. */
const SHARE_OF_TERMS = 1e-13

/**
 * Returns the sum, or 0 where it is rounding error. `terms` is the sum of the absolute values of its terms.
 */
export const cancelled = (sum: number, terms: number): number =>
  Math.abs(sum) <= SHARE_OF_TERMS * terms ? 0 : sum

/**
 * Relative tolerance: a displacement along or across a member below this fraction of its parts is rounding
 * error of turning them into member axes.
 */
const SHARE_OF_PARTS = 1e-14

/** Translations in member axes, each the sum of two parts: places of a 6×6 matrix and of what it turns. */
const TURNED = [
  [0, 0],
  [1, 0],
  [3, 3],
  [4, 3],
] as const

/**
 * Sets end displacements in member axes to zero whose parts cancel: a bar that only swings gets no longer.
 * @param T the transformation, 6×6 row by row
 * @param at the end displacements before it, m and rad
 * @param d the same in member axes; changed
 */
export function cleanTurned(T: Float64Array, at: Float64Array, d: Float64Array): void {
  for (const [r, c] of TURNED) {
    const parts = Math.abs(T[6 * r + c] * at[c]) + Math.abs(T[6 * r + c + 1] * at[c + 1])
    if (Math.abs(d[r]) <= SHARE_OF_PARTS * parts) d[r] = 0
  }
}

/**
 * Relative tolerance: a displacement below this fraction of the largest of its kind is rounding error of the
 * equations.
 */
const SHARE_OF_LARGEST = 1e-14

/**
 * Sets displacements and rotations to zero that are rounding error against the largest of their kind.
 * Rotations are also compared with the largest displacement divided by the size of the structure, in case no
 * joint rotates.
 * @param extent the size of the structure, m
 */
export function cleanDisplacements(dofs: Dofs, D: Float64Array, extent: number): void {
  const most = [0, 0]
  const turns = (d: number) => (dofs.list[d].component === 'rotation' ? 1 : 0)
  for (let d = 0; d < D.length; d++) most[turns(d)] = Math.max(most[turns(d)], Math.abs(D[d]))
  if (extent > 0) most[1] = Math.max(most[1], most[0] / extent)
  for (let d = 0; d < dofs.free; d++) if (Math.abs(D[d]) <= SHARE_OF_LARGEST * most[turns(d)]) D[d] = 0
}
