import type { Solution } from '../analysis/solve.js'
import type { Part, Piece, Place } from './free-body.js'

/** Where a cut crosses a member, m from its start. */
export interface Crossing {
  member: number
  x: number
}

export type Cut =
  | { ok: true; crossings: Crossing[]; left: Part; right: Part }
  | { ok: false; crossings: Crossing[]; message: string }

/**
 * A cut nearer to a member's end than this part of its length goes past the joint, not through the member.
 */
const AT_END = 1e-6

/** The members that the line from a to b crosses between their ends. */
export function crossingsOf({ structure: s }: Solution, a: Place, b: Place): Crossing[] {
  return s.members.flatMap((m, member) => {
    const p = s.nodes[m.start]
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const across = m.cos * dy - m.sin * dx
    if (Math.abs(across) <= 1e-12 * Math.hypot(dx, dy)) return []
    const x = ((a.x - p.x) * dy - (a.y - p.y) * dx) / across
    const along = ((a.x - p.x) * m.sin - (a.y - p.y) * m.cos) / across
    return x > AT_END * m.length && x < (1 - AT_END) * m.length && along >= 0 && along <= 1
      ? [{ member, x }]
      : []
  })
}

/**
 * Cuts a structure along the line from a to b: the part to the left of the line (looking from a to b) and the
 * part to its right. A cut that leaves a way round, or crosses nothing, is no cut.
 */
export function cutAlong(solution: Solution, a: Place, b: Place): Cut {
  const { members, nodes } = solution.structure
  const crossings = crossingsOf(solution, a, b)
  if (crossings.length === 0)
    return { ok: false, crossings, message: 'This line crosses no member. Draw it across those to be cut.' }
  const at = new Map(crossings.map((c) => [c.member, c.x]))
  const group = components(nodes.length, members, at)
  // the piece of each cut member that lies left of the line tells which component is on the left
  const left = new Set<number>()
  const right = new Set<number>()
  for (const { member } of crossings) {
    const m = members[member]
    const before = m.cos * (b.y - a.y) - m.sin * (b.x - a.x) > 0
    const [onLeft, onRight] = before ? [m.start, m.end] : [m.end, m.start]
    left.add(group[onLeft])
    right.add(group[onRight])
  }
  if ([...left].some((g) => right.has(g)))
    return {
      ok: false,
      crossings,
      message: 'The two sides of this line still hang together. Draw it across all members between them.',
    }
  const part = (groups: ReadonlySet<number>): Part => ({
    joints: new Set(nodes.flatMap((_, n) => (groups.has(group[n]) ? [n] : []))),
    pieces: members.flatMap((m, member): Piece[] => {
      const x = at.get(member)
      if (x === undefined) return groups.has(group[m.start]) ? [{ member, x0: 0, x1: m.length }] : []
      return groups.has(group[m.start])
        ? [{ member, x0: 0, x1: x }]
        : groups.has(group[m.end])
          ? [{ member, x0: x, x1: m.length }]
          : []
    }),
  })
  return { ok: true, crossings, left: part(left), right: part(right) }
}

/** The number of the component of each joint, once the cut members are gone. */
function components(
  count: number,
  members: Solution['structure']['members'],
  cut: ReadonlyMap<number, number>,
): number[] {
  const parent = Array.from({ length: count }, (_, i) => i)
  const root = (i: number): number => {
    while (parent[i] !== i) i = parent[i] = parent[parent[i]]
    return i
  }
  members.forEach((m, i) => {
    if (!cut.has(i)) parent[root(m.start)] = root(m.end)
  })
  return parent.map((_, i) => root(i))
}
