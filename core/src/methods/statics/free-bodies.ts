import type { Structure } from '../../structure/types.js'
import type { Vec } from '../joints/truss.js'
import { resultantOf } from '../frames/loads.js'
import type { Statics } from './equilibrium.js'

/** A part of the structure that is looked at by itself. */
export interface Part {
  nodes: ReadonlySet<number>
  members: ReadonlySet<number>
}

/** The part on one side of a hinge: about the hinge nothing turns it but its own loads and reactions. */
export interface Side extends Part {
  hinge: number
}

export const wholeOf = (s: Structure): Part => ({
  nodes: new Set(s.nodes.keys()),
  members: new Set(s.members.keys()),
})

/** Everything that hangs together with a member without passing through a joint. */
function reached(s: Structure, from: number, without: number): Part {
  const members = new Set([from])
  const nodes = new Set<number>()
  const open = [from]
  while (open.length > 0) {
    const m = s.members[open.pop()!]
    for (const node of [m.start, m.end]) {
      if (node === without || nodes.has(node)) continue
      nodes.add(node)
      s.members.forEach((o, i) => {
        if (members.has(i) || (o.start !== node && o.end !== node)) return
        members.add(i)
        open.push(i)
      })
    }
  }
  return { nodes, members }
}

/** True where a member is hinged to a joint. */
const isHinged = (s: Structure, member: number, node: number): boolean => {
  const m = s.members[member]
  return s.kind === 'truss' || m.bar || m.releases[m.start === node ? 2 : 5] === true
}

/** The sides of every hinge that parts the structure in two. */
export function sidesOf(s: Structure): Side[] {
  return s.nodes.flatMap((_, hinge) => {
    const here = [...s.members.keys()].filter(
      (i) => s.members[i].start === hinge || s.members[i].end === hinge,
    )
    const seen = new Set<number>()
    const parts: Side[] = []
    for (const member of here) {
      if (seen.has(member)) continue
      const part = reached(s, member, hinge)
      here.filter((i) => part.members.has(i)).forEach((i) => seen.add(i))
      parts.push({ ...part, hinge })
    }
    if (parts.length < 2) return []
    // what is rigid with the joint takes the moments that act there; the others are free of them
    return parts.filter((part) => here.every((i) => !part.members.has(i) || isHinged(s, i, hinge)))
  })
}

/** The part at the start of a member, if a cut through the member parts the structure there. */
export function partAtStart(s: Structure, member: number): Part | undefined {
  const { start, end } = s.members[member]
  const nodes = new Set([start])
  const members = new Set<number>()
  const open = [start]
  while (open.length > 0) {
    const node = open.pop()!
    if (node === end) return undefined
    s.members.forEach((o, i) => {
      if (i === member || members.has(i) || (o.start !== node && o.end !== node)) return
      members.add(i)
      const far = o.start === node ? o.end : o.start
      if (!nodes.has(far)) open.push(far)
      nodes.add(far)
    })
  }
  return { nodes, members }
}

const KEYS = ['x', 'y', 'moment'] as const
/** A sum smaller than this part of what it is made of is rounding. */
const ROUNDING = 1e-13

/** The sum of the loads on a part: forces, N, and their moment about a point, N·m. */
export function loadsOn(
  { structure: s, actions }: Statics,
  part: Part,
  about: Vec,
): Vec & { moment: number } {
  const out = { x: 0, y: 0, moment: 0 }
  const size = { x: 0, y: 0, moment: 0 }
  const add = (at: Vec, x: number, y: number, couple: number) => {
    const turns = [couple, (at.x - about.x) * y, -(at.y - about.y) * x]
    const parts = { x: [x], y: [y], moment: turns } as const
    for (const key of KEYS)
      for (const v of parts[key]) {
        out[key] += v
        size[key] += Math.abs(v)
      }
  }
  for (const node of part.nodes) {
    const [x, y, moment] = actions.nodal.subarray(3 * node, 3 * node + 3)
    add(s.nodes[node], x, y, moment)
  }
  for (const i of part.members) {
    const m = s.members[i]
    const { along, across, moment } = resultantOf(actions.members.get(i))
    // a load across a slanted member is upright or level by its two parts, of which one may cancel
    add(s.nodes[m.start], along * m.cos, along * m.sin, moment)
    add(s.nodes[m.start], -across * m.sin, across * m.cos, 0)
  }
  // loads that balance each other leave nothing
  for (const key of KEYS) if (Math.abs(out[key]) <= ROUNDING * size[key]) out[key] = 0
  return out
}
