import type { StructureMember } from '../structure/types.js'

/**
 * An axially rigid member with a spring along it: the member keeps its length, the springs between its ends
 * and the nodes give. Its one axial unknown d, the place of its start, follows from its own equilibrium,
 * s₁(u₁ − d) + s₂(u₂ − d − e) + p = 0, with e the imposed elongation and p the load along it. Source: static
 * condensation, Weaver & Gere, Matrix Analysis of Framed Structures, ch. 6.
 */
export interface SprungRigid {
  /** Stiffness of the two springs in series, N/m. */
  k: number
  /** The factors of u₁ and u₂ in d. */
  start: number
  end: number
}

/** The axial behaviour of a rigid member with an N spring; undefined for any other member. */
export function sprungRigid({ axiallyRigid, releases }: StructureMember): SprungRigid | undefined {
  const [s1, s2] = [releases[0], releases[3]]
  if (!axiallyRigid || (typeof s1 !== 'number' && typeof s2 !== 'number')) return undefined
  if (typeof s1 === 'number' && typeof s2 === 'number')
    return { k: (s1 * s2) / (s1 + s2), start: s1 / (s1 + s2), end: s2 / (s1 + s2) }
  if (typeof s1 === 'number') return s2 === true ? { k: 0, start: 1, end: 0 } : { k: s1, start: 0, end: 1 }
  return s1 === true ? { k: 0, start: 0, end: 1 } : { k: s2 as number, start: 1, end: 0 }
}

/**
 * Axial forces on the member at its ends while the nodes stay, and where its start then stands; p in N,
 * elongation e in m.
 */
export function sprungRigidLoad(
  { releases }: StructureMember,
  p: number,
  e: number,
): { f1: number; f2: number; d: number } {
  const [s1, s2] = [releases[0], releases[3]]
  if (typeof s1 === 'number' && typeof s2 === 'number') {
    const d = (p - s2 * e) / (s1 + s2)
    return { f1: -s1 * d, f2: -s2 * (d + e), d }
  }
  if (typeof s1 === 'number')
    return s2 === true ? { f1: -p, f2: 0, d: p / s1 } : { f1: s1 * e, f2: -p - s1 * e, d: -e }
  const k = s2 as number
  return s1 === true ? { f1: 0, f2: -p, d: p / k - e } : { f1: k * e - p, f2: -k * e, d: 0 }
}
