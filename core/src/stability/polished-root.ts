/** How many critical factors lie below one, and the logarithm of the size of the determinant there. */
export interface Count {
  factor: number
  passed: number
  logDeterminant: number
}

/** Places about the root, as shares of `REACH`: none so near that the determinant loses its digits. */
const PLACES = [-1, -0.75, -0.5, -0.3, 0.3, 0.5, 0.75, 1]
const REACH = 2e-3
/** A root that this moves by less was exact before; one that it moves by more is not the same root. */
const [EXACT, OTHER] = [1e-11, 1e-6]

/**
 * A root of the determinant from its values on both sides, by inverse interpolation (Neville). Where a member
 * alone, held at its ends, buckles at the same factor, the determinant right beside the root is a small
 * difference of large numbers and half its digits are lost; a little further off it has them all.
 * @param at the count at a factor
 * @param root as it was found by halving
 * @returns the root itself where others lie near, or where nothing is to be gained
 */
export function polishedRoot(at: (factor: number) => Count, root: number): number {
  const places = PLACES.map((p) => p * REACH)
  const counts = places.map((p) => at(root * (1 + p)))
  const [before] = counts
  const alone = counts.every((c, i) => c.passed === before.passed + (places[i] > 0 ? 1 : 0))
  if (!alone || counts.some((c) => !Number.isFinite(c.logDeterminant))) return root
  const values = counts.map(
    (c, i) => (places[i] < 0 ? 1 : -1) * Math.exp(c.logDeterminant - before.logDeterminant),
  )
  const x = [...places]
  for (let k = 1; k < x.length; k++)
    for (let i = 0; i + k < x.length; i++)
      x[i] = (values[i] * x[i + 1] - values[i + k] * x[i]) / (values[i] - values[i + k])
  const [moved] = x
  return Math.abs(moved) > EXACT && Math.abs(moved) < OTHER ? root * (1 + moved) : root
}
