import type { Actions } from '../structure/actions.js'
import type { Structure } from '../structure/types.js'
import { apply, springs } from './assemble.js'
import { COMPONENTS, type Dofs } from './dofs.js'
import { releasedByLoad, type Element } from './element.js'
import type { LoadVectors } from './load-vectors.js'
import type { RigidSystem } from './rigid.js'
import { sprungRigidLoad } from './sprung-rigid.js'
import type { SystemParts } from './state.js'
import { cancelled, cleanTurned } from './true-zero.js'

/**
 * Back-calculation from D: the end displacements and end forces of every member in member axes (m, rad, N,
 * N·m), then the reactions from the equilibrium of the supported joints.
 */
export function recover(
  { structure: s, dofs, elements, rigid }: SystemParts,
  actions: Actions,
  { fixed, fixedOwn }: LoadVectors,
  D: Float64Array,
) {
  const ends = new Float64Array(6 * s.members.length)
  const forces = new Float64Array(6 * s.members.length)
  const sums = new Float64Array(dofs.list.length)
  const sizes = new Float64Array(dofs.list.length)
  const at = new Float64Array(6)
  const d = new Float64Array(6)
  const q = new Float64Array(6)
  const turned = new Float64Array(6)
  elements.forEach((e, i) => {
    const m = s.members[i]
    for (let j = 0; j < 6; j++) at[j] = e.dofs[j] < 0 ? 0 : D[e.dofs[j]]
    apply(e.T, at, false, d)
    cleanTurned(e.T, at, d)
    endForces(e.k, d, fixed.get(i), q)
    const own = e.P ? product(e.P, d) : d // copied below, so d may be used again
    const free = fixedOwn.get(i)
    if (e.P && free) releasedByLoad(e, free).forEach((v, j) => (own[j] += v))
    if (e.loose) own[0] = d[0]
    if (m.axiallyRigid) carryAlong(m, e, own, free, actions.members.get(i)?.axialStrain ?? 0)
    if (m.bar && s.order === 1) for (const j of [1, 2, 4, 5]) q[j] = 0
    for (let j = 0; j < 6; j++) {
      ends[6 * i + j] = own[j]
      forces[6 * i + j] = q[j]
    }
    apply(e.T, q, true, turned)
    for (let j = 0; j < 6; j++)
      if (e.dofs[j] >= 0) {
        sums[e.dofs[j]] += turned[j]
        sizes[e.dofs[j]] += Math.abs(turned[j])
      }
  })
  if (rigid) addTensions(dofs, actions, D, rigid, sums, forces)
  return { ends, forces, reactions: reactionsOf(s, dofs, actions, D, sums, sizes) }
}

/**
 * End forces q = k·d + f in member axes, N and N·m. A sum that is rounding error against its terms becomes 0.
 */
function endForces(k: Float64Array, d: Float64Array, f: Float64Array | undefined, q: Float64Array) {
  for (let r = 0, row = 0; r < 6; r++, row += 6) {
    const held = f ? f[r] : 0
    const a = k[row] * d[0]
    const b = k[row + 1] * d[1]
    const c = k[row + 2] * d[2]
    const u = k[row + 3] * d[3]
    const v = k[row + 4] * d[4]
    const w = k[row + 5] * d[5]
    const terms =
      Math.abs(held) + Math.abs(a) + Math.abs(b) + Math.abs(c) + Math.abs(u) + Math.abs(v) + Math.abs(w)
    q[r] = cancelled(held + a + b + c + u + v + w, terms)
  }
}

/**
 * Reactions by degree of freedom in the axes of the supports, N and N·m: the force that the equilibrium of a
 * restrained joint asks for, or the force of a spring.
 * @param sums,sizes the forces of the members on each degree of freedom, and their amounts added up
 */
function reactionsOf(
  s: Structure,
  dofs: Dofs,
  actions: Actions,
  D: Float64Array,
  sums: Float64Array,
  sizes: Float64Array,
): Float64Array {
  const reactions = new Float64Array(dofs.list.length)
  for (const p of s.supports) {
    const c = Math.cos(p.angle)
    const n = Math.sin(p.angle)
    const [fx, fy, m] = actions.nodal.subarray(3 * p.node, 3 * p.node + 3)
    const load = [c * fx + n * fy, -n * fx + c * fy, m]
    COMPONENTS.forEach((component, j) => {
      const d = dofs.of[3 * p.node + j]
      if (d < 0) return
      const hold = p.hold[component]
      if (hold === true) reactions[d] = cancelled(sums[d] - load[j], sizes[d] + Math.abs(load[j]))
      else if (typeof hold === 'number') reactions[d] = -hold * D[d]
    })
  }
  return reactions
}

/** Moves the sliding end of a rigid member along with its other end. */
function carryAlong(
  m: Structure['members'][number],
  e: Element,
  own: Float64Array,
  free: Float64Array | undefined,
  strain: number,
) {
  if (e.sprung) {
    if (free) own[0] += sprungRigidLoad(m, -free[0] - free[3], strain * m.length).d
    own[3] = own[0] + strain * m.length
  } else if (m.releases[3] === true) own[3] = own[0] + strain * m.length
  else if (m.releases[0] === true) own[0] = own[3] - strain * m.length
}

/**
 * Adds the axial forces of rigid members, found from the forces that the equilibrium of their joints still
 * lacks.
 */
function addTensions(
  dofs: Dofs,
  actions: Actions,
  D: Float64Array,
  rigid: RigidSystem,
  sums: Float64Array,
  forces: Float64Array,
) {
  const lacking = new Float64Array(dofs.list.length)
  dofs.list.forEach(({ node, component }, d) => {
    const turn = dofs.angle[node]
    const fx = actions.nodal[3 * node]
    const fy = actions.nodal[3 * node + 1]
    const load =
      component === 'x'
        ? Math.cos(turn) * fx + Math.sin(turn) * fy
        : component === 'y'
          ? Math.cos(turn) * fy - Math.sin(turn) * fx
          : actions.nodal[3 * node + 2]
    lacking[d] = load - sums[d]
  })
  for (const { dof, k } of springs(dofs)) lacking[dof] -= k * D[dof]
  const tensions = rigid.tensions(lacking)
  for (const { member, N } of tensions) {
    forces[6 * member] -= N
    forces[6 * member + 3] += N
  }
  rigid.pull(tensions, sums)
}

function product(P: Float64Array, d: Float64Array): Float64Array {
  const out = new Float64Array(6)
  for (let r = 0; r < 6; r++) for (let c = 0; c < 6; c++) out[r] += P[6 * r + c] * d[c]
  return out
}
