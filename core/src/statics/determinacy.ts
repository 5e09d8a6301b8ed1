import type { Dofs } from '../analysis/dofs.js'
import type { Structure } from '../structure/types.js'

/** The count of statical determinacy, term by term, and its sum. */
export interface Determinacy {
  /** Reaction components, springs included. */
  reactions: number
  /** Internal forces of the members: three each, one for a bar. */
  memberForces: number
  /** Conditions from full releases. */
  releases: number
  /** Equations of equilibrium: the degrees of freedom. */
  equations: number
  degree: number
}

/**
 * Degree of static indeterminacy, r + 3m − releases − equations (m + r − 2j for a truss). For a stable
 * structure the equations are independent, so this is the number of redundants by rank. A joint's rotation
 * that nothing holds is no equation, so its last hinge is no condition either.
 */
export function determinacy(s: Structure, dofs: Dofs): Determinacy {
  let reactions = 0
  for (const p of s.supports)
    for (const [c, hold] of [p.hold.x, p.hold.y, p.hold.rotation].entries())
      if (hold !== false && dofs.of[3 * p.node + c] >= 0) reactions++
  let memberForces = 0
  let releases = 0
  for (const m of s.members) {
    const full = m.releases.map((r) => r === true)
    const axial = full[0] || full[3] ? 1 : 0
    memberForces += m.bar ? 1 : 3
    // shear and end moments of a member are two independent forces, so at most two of these count
    releases +=
      axial + (m.bar ? 0 : Math.min(2, (full[2] ? 1 : 0) + (full[5] ? 1 : 0) + (full[1] || full[4] ? 1 : 0)))
  }
  const equations = dofs.list.length
  return {
    reactions,
    memberForces,
    releases,
    equations,
    degree: reactions + memberForces - releases - equations,
  }
}
