import type { SolveError, Structure } from '../structure/types.js'
import type { Actions } from '../structure/actions.js'
import { assembleFree, globalStiffness, memberDofs, transformation } from './assemble.js'
import { numberDofs, type Dofs } from './dofs.js'
import { element, type Element } from './element.js'
import { factor, type Factorisation } from './factor.js'
import { mechanismError } from './mechanism.js'
import { rigidSystem, type RigidSystem } from './rigid.js'
import { slab, type Take } from './slab.js'
import type { SparseSymmetric } from './sparse.js'
import { stateUnder, type State } from './state.js'
import { samePattern, type Symbolic } from './symbolic.js'

/** The element of a member with its transformation and its stiffness in the axes of its nodes. */
export interface SolvedElement extends Element {
  T: Float64Array
  /** Stiffness in the axes of its nodes, Tᵀ·k·T. */
  global: Float64Array
  /** Degree of freedom of each of its six end displacements, −1 where there is none. */
  dofs: number[]
}

/**
 * A structure made ready to be solved for any actions: unknowns, elements and the factored stiffness matrix.
 * Nothing in it belongs to a state of loading.
 */
export interface System {
  structure: Structure
  dofs: Dofs
  elements: SolvedElement[]
  factorisation: Factorisation
  /** The constraints of axially rigid members; absent when there are none. */
  rigid?: RigidSystem
  /**
   * The state under these actions (SI); costs no factorisation. An error when they cannot be carried.
   * @param structure one that differs from the system's own in loads, settlements and labels alone
   */
  solve(actions: Actions, structure?: Structure): State | SolveError
  /** The matrix that was factored and the form of its factor, for the next system of the same pattern. */
  pattern: { matrix: SparseSymmetric; symbolic: Symbolic }
}

export type Prepared = { ok: true; system: System } | { ok: false; error: SolveError }

/**
 * Numbers the unknowns, makes the elements, assembles and factors the stiffness matrix.
 * Source: Kassimali, Matrix Analysis of Structures, ch. 6 and 7.
 * @param before a system of a structure that was much the same: where the pattern of its matrix is the same,
 *   its order of elimination is used again
 * @returns the system, or the error of a mechanism, named with the nodes that move
 */
export function prepare(s: Structure, before?: System): Prepared {
  const dofs = numberDofs(s)
  const elements = elementsOf(s, dofs)
  if ('kind' in elements) return { ok: false, error: elements }
  const rigid = rigidSystem(s, dofs, elements)
  const matrix = rigid ? rigid.matrix : assembleFree(s, dofs, elements)
  const known = before && samePattern(before.pattern.matrix, matrix) ? before.pattern.symbolic : undefined
  const factorisation = factor(matrix, known)
  // the stiffness of a structure is positive semi-definite: a pivot that is not positive tells a mechanism
  if (factorisation.singular.length + factorisation.negative.length > 0)
    return {
      ok: false,
      error: mechanismError(s, dofs, factorisation, rigid ? (x) => rigid.expand(x) : (x) => x),
    }
  const pattern = { matrix, symbolic: factorisation.symbolic }
  const parts = { structure: s, dofs, elements, factorisation, pattern, ...(rigid && { rigid }) }
  return {
    ok: true,
    system: { ...parts, solve: (actions, structure = s) => stateUnder({ ...parts, structure }, actions) },
  }
}

/** The elements of all members, or the error of one that moves by itself. */
function elementsOf(s: Structure, dofs: Dofs): SolvedElement[] | SolveError {
  const out: SolvedElement[] = []
  const take = slab()
  for (let i = 0; i < s.members.length; i++) {
    const e = element(s.members[i], take)
    if ('kind' in e) return e
    const T = transformation(s, dofs, i, take)
    out.push(placed(e, T, memberDofs(s, dofs, i), take))
  }
  return out
}

/**
 * An element with its axes and unknowns. The keys are written out because ten thousand objects made by
 * spreading cost as much time as their numbers.
 */
export const placed = (e: Element, T: Float64Array, dofs: number[], take: Take): SolvedElement => ({
  own: e.own,
  k: e.k,
  P: e.P,
  released: e.released,
  G: e.G,
  loose: e.loose,
  sprung: e.sprung,
  T,
  global: globalStiffness(e.k, T, take),
  dofs,
})
