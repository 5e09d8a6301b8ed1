import { element, fixedEndForces, type ReleasedPivots } from '../analysis/element.js'
import type { HeldForces } from '../analysis/load-vectors.js'
import { slab, type Take } from '../analysis/slab.js'
import { placed, type SolvedElement } from '../analysis/system.js'
import type { Actions, MemberActions } from '../structure/actions.js'
import type { SolveError, Structure, StructureMember } from '../structure/types.js'
import { chainOf, type Chain } from './chain.js'
import { stabilityFunctions } from './uniform.js'

/** Axial forces of all members, from the starts of which they run on with what acts along the members. */
export interface AxialForces {
  /** At the start of each member, tension positive, N. */
  starts: Float64Array
  /** What acts along the members. */
  actions: Actions
  /** The factor on all axial forces. */
  factor: number
  /** The largest factor that the pieces of the members must be short enough for; `factor` where left out. */
  finest?: number
  /** Only the stiffness is asked for, not what the actions do between the ends. */
  stiffnessAlone?: boolean
}

/** The elements of a structure under axial forces, and what their inner pivots tell. */
export interface BentElements {
  elements: SolvedElement[]
  chains: (Chain | undefined)[]
  pivots: ReleasedPivots
}

const PLACES = [1, 2, 4, 5] as const
/** Up to this φ² = |N|·L²/EI a member in compression is taken in one piece. */
const MOST_IN_ONE = 16

/** What a member resists across its axis at its ends, v and slope at the start and at the end, 4 × 4. */
interface Across {
  k: ArrayLike<number>
  negative: number
  logDeterminant: number
  /** With what acts between its ends, where that was asked for. */
  chain?: Chain
}

/** A bar stays straight: its axial force turns with its chord, N/L square to it. */
function ofBar(m: StructureMember, N: number): Across {
  const a = N / m.length
  return { k: [a, 0, -a, 0, 0, 0, 0, 0, -a, 0, a, 0, 0, 0, 0, 0], negative: 0, logDeterminant: 0 }
}

/** A member of constant axial force that does not deform in shear, in closed form. */
function ofUniform({ length: L, EI }: StructureMember, N: number): Across {
  const { near, far, corner, across, passed, logDeterminant } = stabilityFunctions((N * L * L) / EI)
  const stiff = EI / L
  const [n, f, c, a] = [near * stiff, far * stiff, (corner * stiff) / L, (across * stiff) / (L * L)]
  return { k: [a, c, -a, c, c, n, -c, f, -a, -c, a, -c, c, f, -c, n], negative: passed, logDeterminant }
}

const isUniform = (m: StructureMember, actions: MemberActions | undefined): boolean =>
  m.GAs === 0 &&
  (actions === undefined ||
    (actions.spans.every(({ p }) => p[0] === 0 && p[1] === 0) && actions.points.every(({ fx }) => fx === 0)))

function acrossOf(s: Structure, i: number, axial: AxialForces): Across {
  const m = s.members[i]
  const { starts, factor, finest = factor, stiffnessAlone } = axial
  const N = starts[i] * factor
  const actions = axial.actions.members.get(i)
  if (m.bar) return ofBar(m, N)
  // near its own critical loads, φ = 2π and on, the closed form loses digits that short pieces keep;
  // determinants of several factors are compared with the same pieces
  const slender = starts[i] * finest * m.length * m.length < -MOST_IN_ONE * m.EI
  if (!slender && isUniform(m, actions) && (stiffnessAlone || actions === undefined)) return ofUniform(m, N)
  const chain = chainOf(m, actions, { start: starts[i], factor }, finest)
  return { ...chain, chain }
}

/**
 * The elements under axial forces.
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
    const { k, negative, logDeterminant, chain } = acrossOf(s, i, axial)
    pivots.negative += negative
    pivots.logDeterminant += logDeterminant
    const e = element(m, take, withAcross(m, k, take), pivots)
    if ('kind' in e) return e
    const { T, dofs } = first[i]
    elements.push(placed(e, T, dofs, take))
    chains.push(chain)
  }
  return { elements, chains, pivots }
}

/** The stiffness of a member, 6 × 6 in its undeformed axes: along it that of first order. */
function withAcross(m: StructureMember, k: ArrayLike<number>, take: Take): Float64Array {
  const own = take(36)
  const axial = m.axiallyRigid ? 0 : m.EA / m.length
  own[0] = own[21] = axial
  own[3] = own[18] = -axial
  for (let i = 0; i < 4; i++) for (let j = 0; j < 4; j++) own[6 * PLACES[i] + PLACES[j]] = k[4 * i + j]
  return own
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
