import type { Actions } from '../structure/actions.js'
import type { SolveError, Structure } from '../structure/types.js'
import { springs } from './assemble.js'
import { COMPONENTS, type Dofs } from './dofs.js'
import { loadVectors, type HeldForces, type LoadVectors } from './load-vectors.js'
import { recover } from './recover.js'
import { cleanDisplacements } from './true-zero.js'
import type { SolvedElement, System } from './system.js'
import { unheldLoad } from './unheld.js'

/** The result of one state of loading, SI. Vectors over degrees of freedom are in the nodes' own axes. */
export interface State extends LoadVectors {
  /** Displacements of all degrees of freedom, prescribed ones included. */
  D: Float64Array
  /**
   * With axially rigid members: the constant part of each dependent degree of freedom, from imposed
   * elongations and settlements alone, m.
   */
  imposed?: Float64Array
  /** Six own end displacements of each member, member axes. */
  ends: Float64Array
  /** Six end forces on each member, member axes. */
  forces: Float64Array
  /** Reactions over degrees of freedom: restrained ones and springs; zero elsewhere. */
  reactions: Float64Array
}

/** The parts of a system that `stateUnder` needs. */
export type SystemParts = Omit<System, 'solve'> & {
  /** The factorisation belongs to a neighbouring system. Iterative refinement corrects the difference. */
  borrowed?: boolean
}

/**
 * The error of a system with a borrowed factorisation whose refinement does not converge: it needs a
 * factorisation of its own.
 */
export const NOT_SETTLED: SolveError = { kind: 'diverged', message: 'The refinement does not settle.' }

/**
 * The state of a system under given actions, or the error of actions that it cannot carry.
 * @param heldForces of members in second order; those of first order where it is left out
 * @param alter what a hand solution with a slip makes of the fixed-end forces and the joint loads
 */
export function stateUnder(
  system: SystemParts,
  actions: Actions,
  alter: (vectors: LoadVectors) => LoadVectors = (v) => v,
  heldForces?: HeldForces,
): State | SolveError {
  const { structure: s, dofs, elements, rigid } = system
  const unheld = unheldLoad(s, dofs, actions)
  if (unheld) return unheld
  const found = loadVectors(s, dofs, elements, actions, heldForces)
  if ('kind' in found) return found
  const vectors = alter(found)
  const D = settlements(s, dofs, actions)
  let imposed: Float64Array | undefined
  if (rigid) {
    const constants = rigid.impose(actions, D)
    if ('kind' in constants) return constants
    imposed = constants
    for (let d = 0; d < dofs.free; d++) D[d] = imposed[d]
  }
  if (!displace(system, vectors.load, D)) return NOT_SETTLED
  cleanDisplacements(dofs, D, extentOf(s))
  const recovered = recover(system, actions, vectors, D)
  const state = { ...vectors, D, ...(imposed && { imposed }), ...recovered }
  return isFinite(state, rigid !== undefined) ? state : TOO_LARGE
}

/** The width or height of a structure, whichever is larger, m. */
function extentOf({ nodes }: Structure): number {
  let extent = 0
  for (const n of nodes) extent = Math.max(extent, Math.abs(n.x - nodes[0].x), Math.abs(n.y - nodes[0].y))
  return extent
}

const TOO_LARGE: SolveError = {
  kind: 'diverged',
  message:
    'The numbers of this problem are so large or so small that no result can be computed. Check the ' +
    'units of E, A, I, of the coordinates and of the loads.',
}

/**
 * Whether every displacement and force is a finite number; where rigid members leave some open, NaN is one.
 */
function isFinite(
  { D, forces, reactions }: Pick<State, 'D' | 'forces' | 'reactions'>,
  open: boolean,
): boolean {
  for (const values of [D, forces, reactions])
    for (let i = 0; i < values.length; i++)
      if (!Number.isFinite(values[i]) && !(open && values !== D && Number.isNaN(values[i]))) return false
  return true
}

/** The prescribed displacements of the supports, over all degrees of freedom; zero elsewhere. */
function settlements(s: Structure, dofs: Dofs, actions: Actions): Float64Array {
  const D = new Float64Array(dofs.list.length)
  s.supports.forEach((p, i) => {
    COMPONENTS.forEach((c, j) => {
      const d = dofs.of[3 * p.node + j]
      if (d >= dofs.free) D[d] = actions.settlement[i] * p.settlement[c]
    })
  })
  return D
}

/**
 * Relative tolerance of iterative refinement: it ends when a step changes less than this fraction of the
 * largest displacement.
 */
const REFINED = 1e-14
const MOST_REFINEMENTS = 12

/**
 * Fills the free part of D: K_ff·D_f = P_f − K_fr·D_r, with one step of iterative refinement, or several
 * where the factorisation belongs to a neighbouring system (`borrowed`). False when the refinement does not
 * converge.
 */
function displace(system: SystemParts, load: Float64Array, D: Float64Array): boolean {
  const { dofs, elements, factorisation, rigid, borrowed } = system
  const held = springs(dofs)
  const most = borrowed ? MOST_REFINEMENTS : 2
  for (let step = 0; step < most; step++) {
    const residual = load.slice()
    // in the first step D is zero unless a support settles
    if (step > 0 || hasMoved(D)) subtractForces(elements, dofs.free, D, residual)
    for (const { dof, k } of held) residual[dof] -= k * D[dof]
    const change = rigid
      ? rigid.reduced(residual, (b) => factorisation.solve(b))
      : factorisation.solve(residual.subarray(0, dofs.free))
    let [moved, largest] = [0, 0]
    for (let d = 0; d < dofs.free; d++) {
      D[d] += change[d]
      moved = Math.max(moved, Math.abs(change[d]))
      largest = Math.max(largest, Math.abs(D[d]))
    }
    if (borrowed && moved <= REFINED * largest) return true
  }
  return !borrowed
}

const hasMoved = (D: Float64Array): boolean => {
  for (let d = 0; d < D.length; d++) if (D[d] !== 0) return true
  return false
}

/** Subtracts K·D of the members from the residual of the free equations. */
function subtractForces(
  elements: readonly SolvedElement[],
  free: number,
  D: Float64Array,
  residual: Float64Array,
) {
  const at = (dof: number) => (dof < 0 ? 0 : D[dof])
  for (const { global, dofs } of elements) {
    const [a, b, c, d, e, f] = [at(dofs[0]), at(dofs[1]), at(dofs[2]), at(dofs[3]), at(dofs[4]), at(dofs[5])]
    for (let i = 0; i < 6; i++) {
      if (dofs[i] < 0 || dofs[i] >= free) continue
      const row = 6 * i
      const near = global[row] * a + global[row + 1] * b + global[row + 2] * c
      const far = global[row + 3] * d + global[row + 4] * e + global[row + 5] * f
      residual[dofs[i]] -= near + far
    }
  }
}
