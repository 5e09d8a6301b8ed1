import { globalStiffness, springs } from '../../analysis/assemble.js'
import { prepare, type SolvedElement, type System } from '../../analysis/system.js'
import type { Structure, StructureMember } from '../../structure/types.js'
import { denseLu } from './dense-lu.js'

/**
 * Moment distribution with all rounds to rest, as equations. Balancing a joint turns it by θ until its
 * unbalanced moment is spread over its members by their stiffnesses S; what a member carries over to its far
 * end is c times what it took. At rest the end moments are therefore those of the slope–deflection equations
 * with c·S in place of 2EI/L, and a slip of the distribution is an altered column of a member's stiffness
 * matrix. End shears follow from the moments by equilibrium of the member; displacements of joints are found
 * from superposed motions, in each of which the distribution is done alike.
 * Source: Norris, Wilbur & Utku, Elementary Structural Analysis, ch. 14 (moment distribution).
 */

/** What a hand solution makes of the distribution, by joint and member end. */
export interface DistributionSlip {
  /** The factor carried over to the far end; 1/2 where it is left out of here. */
  carryOver?: number
  /**
   * By how much what a member takes at one of its ends is multiplied: by another factor of distribution in
   * place of its own.
   */
  taken?(member: number, end: 0 | 1): number
}

/** Rows and columns of the rotations of a member's matrix. */
const ROTATIONS = [2, 5] as const
/** Axial rigidity that stands for a rigid member here, against the largest bending stiffness. */
const RIGID = 1e8
/** More unknowns than this are not distributed by hand. */
const MOST_UNKNOWNS = 150

/** The joints that are free to turn, with the member ends rigidly joined there. */
export function turningJoints(s: Structure): { node: number; ends: { member: number; end: 0 | 1 }[] }[] {
  const held = new Set(s.supports.filter((p) => p.hold.rotation !== false).map((p) => p.node))
  const fixed = new Set(s.supports.filter((p) => p.hold.rotation === true).map((p) => p.node))
  return s.nodes.flatMap((_, node) => {
    if (fixed.has(node)) return []
    const ends = s.members.flatMap((m, member) =>
      m.bar
        ? []
        : ([0, 1] as const).flatMap((end) =>
            (end === 0 ? m.start : m.end) === node && m.releases[3 * end + 2] === false
              ? [{ member, end }]
              : [],
          ),
    )
    return ends.length > 1 || (held.has(node) && ends.length === 1) ? [{ node, ends }] : []
  })
}

/**
 * The structure as it is distributed: a far end that is alone at a joint free to turn is a hinge, and rigid
 * members are very stiff ones. Undefined where nothing can be distributed.
 */
export function distributed(s: Structure): System | undefined {
  if (s.kind === 'truss' || s.order === 2 || turningJoints(s).length === 0) return undefined
  const turning = new Set(turningJoints(s).flatMap((j) => j.ends.map((e) => `${e.member} ${e.end}`)))
  const fixed = new Set(s.supports.filter((p) => p.hold.rotation !== false).map((p) => p.node))
  const loaded = new Set(
    s.cases.flatMap((c) => c.loads.flatMap((l) => (l.type === 'nodal' && l.m !== 0 ? [l.node] : []))),
  )
  const alone = (member: number, end: 0 | 1, node: number) =>
    !turning.has(`${member} ${end}`) && !fixed.has(node) && !loaded.has(node)
  const stiffest = Math.max(...s.members.map((m) => (m.bar ? m.EA / m.length : m.EI / m.length ** 3)))
  const members = s.members.map((m, i): StructureMember => {
    const releases = [...m.releases]
    if (!m.bar && alone(i, 0, m.start)) releases[2] = true
    if (!m.bar && alone(i, 1, m.end)) releases[5] = true
    return m.axiallyRigid
      ? { ...m, releases, axiallyRigid: false, EA: RIGID * stiffest * m.length }
      : { ...m, releases }
  })
  const prepared = prepare({ ...s, members })
  return prepared.ok && prepared.system.dofs.free <= MOST_UNKNOWNS ? prepared.system : undefined
}

/** The stiffness at each end of a member against turning there, with the far end as it is, N·m/rad. */
export const endStiffness = (e: SolvedElement, end: 0 | 1): number => e.k[7 * ROTATIONS[end]]

/** The stiffness of the same end if the far end were not hinged, 4EI/L, N·m/rad. */
export const unmodifiedStiffness = (e: SolvedElement, end: 0 | 1): number => e.own[7 * ROTATIONS[end]]

/** The system with its rounds of distribution altered; undefined where they have no rest. */
export function altered(system: System, slip: DistributionSlip): System | undefined {
  const elements = system.elements.map((e, i) => alteredElement(e, system.structure.members[i], i, slip))
  const n = system.dofs.free
  const K = new Float64Array(n * n)
  for (const e of elements)
    for (let r = 0; r < 6; r++)
      for (let c = 0; c < 6; c++) {
        const [row, column] = [e.dofs[r], e.dofs[c]]
        if (row >= 0 && row < n && column >= 0 && column < n) K[row * n + column] += e.global[6 * r + c]
      }
  for (const { dof, k } of springs(system.dofs)) if (dof < n) K[dof * n + dof] += k
  const solve = denseLu(K, n)
  return solve && { ...system, elements, factorisation: { ...system.factorisation, solve } }
}

/** The element of a member of which the columns of its end rotations are altered. */
function alteredElement(
  e: SolvedElement,
  m: StructureMember,
  member: number,
  { carryOver, taken }: DistributionSlip,
): SolvedElement {
  if (m.bar) return e
  const k = e.k.slice()
  for (const end of [0, 1] as const) {
    const [own, far] = [ROTATIONS[end], ROTATIONS[1 - end]]
    const share = taken?.(member, end) ?? 1
    const carries = k[6 * far + own] !== 0
    const near = share * e.k[7 * own]
    const over = carries && carryOver !== undefined ? carryOver * near : share * e.k[6 * far + own]
    k[7 * own] = near
    k[6 * far + own] = over
    k[6 + own] = (near + over) / m.length
    k[24 + own] = -(near + over) / m.length
  }
  return { ...e, k, global: globalStiffness(k, e.T) }
}
