import { assembleFree } from '../analysis/assemble.js'
import { factor } from '../analysis/factor.js'
import { rigidSystem } from '../analysis/rigid.js'
import type { SystemParts } from '../analysis/state.js'
import { samePattern } from '../analysis/symbolic.js'
import type { System } from '../analysis/system.js'
import type { SolveError, Structure } from '../structure/types.js'
import { bentElements, type AxialForces } from './bent-element.js'
import type { Chain } from './chain.js'

/**
 * Relative tolerance: near a critical load pivots pass through zero, and a pivot below this fraction of its
 * diagonal has no reliable sign.
 */
const SINGULAR = 1e-15

/** A structure on its bent shape under given axial forces, factored. */
export interface BentSystem extends SystemParts {
  chains: (Chain | undefined)[]
  /** How many critical loads lie below these axial forces, the members' own ones included. */
  passed: number
  /** The matrix is singular: some motion has no resistance. */
  singular: boolean
  /** The natural logarithm of the size of the determinant over all places, eliminated ones included. */
  logDeterminant: number
}

/**
 * Assembles and factors a structure under axial forces. The count of negative pivots, those of the members'
 * inner places included, is the number of critical loads below (Wittrick and Williams 1971; Sylvester's law
 * of inertia).
 * @param neighbour a system of nearly the same axial forces, whose factorisation serves for this one step by
 * step
 * @param s the structure, for loads and settlements; its stiffness is that of `base`
 */
export function bentSystem(
  s: Structure,
  base: System,
  axial: AxialForces,
  neighbour?: BentSystem,
): BentSystem | SolveError {
  const found = bentElements(s, base.elements, axial)
  if ('kind' in found) return found
  const { elements, chains, pivots } = found
  const { dofs } = base
  // rigid members are tied as their neighbour's, so only their own reduced matrix would have to be factored
  if (neighbour && !base.rigid) return { ...neighbour, structure: s, elements, chains, borrowed: true }
  const rigid = base.rigid ? rigidSystem(s, dofs, elements) : undefined
  const matrix = rigid ? rigid.matrix : assembleFree(s, dofs, elements)
  const known = samePattern(base.pattern.matrix, matrix) ? base.pattern.symbolic : undefined
  const factorisation = factor(matrix, known, SINGULAR)
  return {
    structure: s,
    dofs,
    elements,
    factorisation,
    pattern: { matrix, symbolic: factorisation.symbolic },
    ...(rigid && { rigid }),
    chains,
    passed: pivots.negative + factorisation.negative.length,
    singular: factorisation.singular.length > 0,
    logDeterminant: pivots.logDeterminant + factorisation.logDeterminant,
  }
}
