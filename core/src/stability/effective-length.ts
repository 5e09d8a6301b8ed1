import type { Structure } from '../structure/types.js'

/** The effective length of a member in compression, from the critical load of the whole structure. */
export interface EffectiveLength {
  /** The member, by index. */
  member: number
  /** Its axial force at the critical load, tension positive, N. */
  N: number
  /** K·L: a column hinged at both ends would be so long to buckle at that force, m. */
  length: number
  /** K: the same over the length of the member. */
  K: number
}

/**
 * K·L = π·√(EI/N꜀ᵣ) of every member in compression, N꜀ᵣ its axial force at the critical load. A member that
 * has little part in the mode gets a long one: it says that the structure buckles before this member would.
 * Source: Timoshenko & Gere, Theory of Elastic Stability, §2.4.
 * @param starts axial forces at the starts of the members, N
 */
export const effectiveLengths = (s: Structure, starts: Float64Array, factor: number): EffectiveLength[] =>
  s.members.flatMap((m, member): EffectiveLength[] => {
    const N = factor * starts[member]
    if (m.bar || !(N < 0)) return []
    const length = Math.PI * Math.sqrt(m.EI / -N)
    return [{ member, N, length, K: length / m.length }]
  })
