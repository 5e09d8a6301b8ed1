import type { Actions } from '../../structure/actions.js'
import type { Structure } from '../../structure/types.js'
import { resultantOf } from './loads.js'

/** A member that hangs on a joint and whose moments follow from statics. */
export interface Overhang {
  member: number
  /** The joint that holds it, and its free joint. */
  held: number
  free: number
  /** Moments on its two ends, counter-clockwise, N·m: start, end. */
  moments: [start: number, end: number]
}

/** Forces fx, fy, m on each joint once the overhangs are taken off, and the overhangs. */
export interface Stripped {
  nodal: Float64Array
  overhangs: Overhang[]
}

/**
 * Takes overhangs off, the outermost first: members whose far joint has no support and no other member.
 * What they carry acts on the joint that holds them.
 */
export function withoutOverhangs(s: Structure, actions: Actions): Stripped {
  const nodal = Float64Array.from(actions.nodal)
  const left = new Set(s.members.keys())
  const supported = new Set(s.supports.map((p) => p.node))
  const overhangs: Overhang[] = []
  for (;;) {
    const found = outermost(s, left, supported)
    if (!found) return { nodal, overhangs }
    const { member, held, free } = found
    const m = s.members[member]
    const r = resultantOf(actions.members.get(member))
    const [fx, fy, tip] = [0, 1, 2].map((k) => nodal[3 * free + k])
    // along and across the member, forces of the free joint included
    const along = r.along + m.cos * fx + m.sin * fy
    const across = r.across - m.sin * fx + m.cos * fy
    const aboutStart =
      free === m.end ? r.moment + tip + (-m.sin * fx + m.cos * fy) * m.length : r.moment + tip
    const aboutHeld = free === m.end ? aboutStart : aboutStart - across * m.length
    nodal[3 * held] += m.cos * along - m.sin * across
    nodal[3 * held + 1] += m.sin * along + m.cos * across
    nodal[3 * held + 2] += aboutHeld
    const moments: [number, number] = free === m.end ? [-aboutHeld, tip] : [tip, -aboutHeld]
    overhangs.push({ member, held, free, moments })
    left.delete(member)
  }
}

function outermost(s: Structure, left: ReadonlySet<number>, supported: ReadonlySet<number>) {
  const at = s.nodes.map((): number[] => [])
  for (const i of left) {
    at[s.members[i].start].push(i)
    at[s.members[i].end].push(i)
  }
  for (const [free, of] of at.entries()) {
    if (of.length !== 1 || supported.has(free)) continue
    const m = s.members[of[0]]
    if (m.bar || m.releases.some((r) => r !== false)) continue
    return { member: of[0], free, held: m.start === free ? m.end : m.start }
  }
  return undefined
}
