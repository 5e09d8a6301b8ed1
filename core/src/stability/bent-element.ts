import { globalStiffness } from '../analysis/assemble.js'
import { element, fixedEndForces, memberStiffness, type ReleasedPivots } from '../analysis/element.js'
import type { HeldForces } from '../analysis/load-vectors.js'
import { slab } from '../analysis/slab.js'
import type { SolvedElement } from '../analysis/system.js'
import type { Actions } from '../structure/actions.js'
import type { SolveError, Structure, StructureMember } from '../structure/types.js'
import { chainOf, type AxialForce, type Chain } from './chain.js'

/** Axial forces of all members, from the starts of which they run on with what acts along the members. */
export interface AxialForces {
  /** At the start of each member, tension positive, N. */
  starts: Float64Array
  /** What acts along the members. */
  actions: Actions
  /** Every axial force times this. */
  factor: number
  /** The largest factor that the pieces of the members must be short enough for; `factor` where left out. */
  finest?: number
}

/** The elements of a structure under axial forces, and what their inner pivots tell. */
export interface BentElements {
  elements: SolvedElement[]
  chains: (Chain | undefined)[]
  pivots: ReleasedPivots
}

const PLACES = [1, 2, 4, 5] as const

/**
 * The stiffness of a member on its bent shape, 6 × 6 in its undeformed axes. A bar stays straight: its axial force
 * turns with its chord, N/L square to it. Any other member is solved exactly between its ends.
 */
function bentStiffness(
  m: StructureMember,
  chain: Chain | undefined,
  N: number,
  k: Float64Array,
): Float64Array {
  if (!chain) {
    const across = N / m.length
    k[7] = k[28] = across
    k[10] = k[25] = -across
    return k
  }
  PLACES.forEach((r, i) => PLACES.forEach((c, j) => (k[6 * r + c] = chain.k[4 * i + j])))
  return k
}

/** The chain of a member; a bar has none. */
export function memberChain(
  m: StructureMember,
  i: number,
  { starts, actions, factor, finest }: AxialForces,
): Chain | undefined {
  if (m.bar) return undefined
  const axial: AxialForce = { start: starts[i], factor }
  return chainOf(m, actions.members.get(i), axial, finest ?? factor)
}

/**
 * The elements under axial forces. Those without any, and with nothing that acts between their ends, are the
 * first-order ones.
 * @param first the elements of first order, whose axes and unknowns stay
 */
export function bentElements(
  s: Structure,
  first: readonly SolvedElement[],
  axial: AxialForces,
): BentElements | SolveError {
  const pivots: ReleasedPivots = { negative: 0, logDeterminant: 0 }
  const elements: SolvedElement[] = []
  const chains: (Chain | undefined)[] = []
  const take = slab()
  for (let i = 0; i < s.members.length; i++) {
    const m = s.members[i]
    const chain = memberChain(m, i, axial)
    if (chain) {
      pivots.negative += chain.negative
      pivots.logDeterminant += chain.logDeterminant
    }
    const own = bentStiffness(m, chain, axial.starts[i] * axial.factor, memberStiffness(m, take))
    const e = element(m, take, own, pivots)
    if ('kind' in e) return e
    const { T, dofs } = first[i]
    elements.push({ ...e, T, dofs, global: globalStiffness(e.k, T, take) })
    chains.push(chain)
  }
  return { elements, chains, pivots }
}

/** Held forces on the bent shape: along the member those of first order, across it those of its chain. */
export const bentHeldForces =
  (chains: readonly (Chain | undefined)[]): HeldForces =>
  (m, e, actions, i) => {
    const chain = chains[i]
    const f = fixedEndForces(m, e.own, actions)
    if (chain) PLACES.forEach((r, j) => (f[r] = chain.f[j]))
    return f
  }
