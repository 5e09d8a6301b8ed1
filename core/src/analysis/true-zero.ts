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
