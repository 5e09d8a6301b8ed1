import type { Actions, MemberActions } from '../structure/actions.js'
import type { SolveError, Structure, StructureMember } from '../structure/types.js'
import { apply } from './assemble.js'
import type { Dofs } from './dofs.js'
import { condensedFixedEnd, fixedEndForces } from './element.js'
import type { SolvedElement } from './system.js'

/** The load vectors of the stiffness method, SI. */
export interface LoadVectors {
  /** Fixed-end forces of loaded members, before and after released ends are condensed, member axes. */
  fixedOwn: Map<number, Float64Array>
  fixed: Map<number, Float64Array>
  /** Equivalent joint loads P − Σ Tᵀf, over all degrees of freedom, in the nodes' own axes. */
  load: Float64Array
}

/** Returns the six fixed-end forces of a member in member axes, N and N·m. */
export type HeldForces = (
  m: StructureMember,
  e: SolvedElement,
  actions: MemberActions,
  member: number,
) => Float64Array

/**
 * Fixed-end forces and equivalent joint loads of some actions, or the error of a member that they make slide
 * along itself.
 * @param heldForces of a member; those of first order where it is left out
 */
export function loadVectors(
  s: Structure,
  dofs: Dofs,
  elements: readonly SolvedElement[],
  actions: Actions,
  heldForces: HeldForces = (m, e, a) => fixedEndForces(m, e.own, a),
): LoadVectors | SolveError {
  const fixedOwn = new Map<number, Float64Array>()
  const fixed = new Map<number, Float64Array>()
  const load = new Float64Array(dofs.list.length)
  addJointLoads(s, dofs, actions, load)
  const turned = new Float64Array(6)
  for (const [i, a] of actions.members) {
    const m = s.members[i]
    const e = elements[i]
    const own = heldForces(m, e, a, i)
    if (e.loose && Math.abs(own[0] + own[3]) > 1e-12 * (Math.abs(own[0]) + Math.abs(own[3])))
      return {
        kind: 'mechanism',
        message:
          `${m.id} slides along itself: N is released at both its ends and it is loaded along its ` +
          'length.',
        members: [m.id],
        nodes: [],
      }
    const f = condensedFixedEnd(m, e, own, a.axialStrain)
    fixedOwn.set(i, own)
    fixed.set(i, f)
    apply(e.T, f, true, turned)
    for (let j = 0; j < 6; j++) if (e.dofs[j] >= 0) load[e.dofs[j]] -= turned[j]
  }
  return { fixedOwn, fixed, load }
}

/** Adds the forces and moments at the joints, turned to the axes of their supports. */
function addJointLoads(s: Structure, dofs: Dofs, actions: Actions, load: Float64Array) {
  for (let node = 0; node < s.nodes.length; node++) {
    const fx = actions.nodal[3 * node]
    const fy = actions.nodal[3 * node + 1]
    const m = actions.nodal[3 * node + 2]
    if (fx === 0 && fy === 0 && m === 0) continue
    const turn = dofs.angle[node]
    const own =
      turn === 0
        ? [fx, fy, m]
        : [Math.cos(turn) * fx + Math.sin(turn) * fy, -Math.sin(turn) * fx + Math.cos(turn) * fy, m]
    own.forEach((v, c) => {
      const d = dofs.of[3 * node + c]
      if (d >= 0) load[d] += v
    })
  }
}
