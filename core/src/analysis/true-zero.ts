import type { Dofs } from './dofs.js'

/**
 * What is left of a sum by rounding alone is zero, and is made so where the sum is formed: against the terms
 * that entered, whose sizes are known nowhere else. Forces far smaller than the largest stay, unless their
 * own terms cancelled to the last digits.
 */

/** Below this share of its terms a sum is what rounding left of them. */
const SHARE_OF_TERMS = 1e-13

/** A sum, or 0 where it is rounding against the sizes of its terms together. */
export const cancelled = (sum: number, terms: number): number =>
  Math.abs(sum) <= SHARE_OF_TERMS * terms ? 0 : sum

/** Below this share of the largest of its kind a displacement is rounding of the equations. */
const SHARE_OF_LARGEST = 1e-14

/**
 * Displacements and rotations that are zero but for rounding against the largest of theirs, made zero; a
 * rotation also against the largest displacement over the size of the structure, should nothing turn at all.
 * @param extent the size of the structure, m
 */
export function cleanDisplacements(dofs: Dofs, D: Float64Array, extent: number): void {
  const most = [0, 0]
  const turns = (d: number) => (dofs.list[d].component === 'rotation' ? 1 : 0)
  for (let d = 0; d < D.length; d++) most[turns(d)] = Math.max(most[turns(d)], Math.abs(D[d]))
  if (extent > 0) most[1] = Math.max(most[1], most[0] / extent)
  for (let d = 0; d < dofs.free; d++) if (Math.abs(D[d]) <= SHARE_OF_LARGEST * most[turns(d)]) D[d] = 0
}
