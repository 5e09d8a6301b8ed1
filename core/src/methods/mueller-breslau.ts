import type { Asked } from '../document/types.js'
import type { EndRelease, Structure, StructureMember } from '../structure/types.js'
import type { BodyArrow, BodyBlock } from './bodies.js'

/** The quantity that a structure is released for, and its place on its member, m from the start. */
export interface ReleasedFor {
  asked: Asked
  at?: number
}

/** A member in two pieces at a place, hinged there to each other where `hinged`. */
function cutAt(s: Structure, member: number, x: number, hinged: boolean): Structure {
  const m = s.members[member]
  const from = s.nodes[m.start]
  const node = s.nodes.length
  const release = (k: number): EndRelease => (hinged && k === 5 ? true : k < 3 ? m.releases[k] : false)
  const pieces: StructureMember[] = [
    { ...m, end: node, length: x, releases: [0, 1, 2, 3, 4, 5].map(release) },
    {
      ...m,
      start: node,
      length: m.length - x,
      releases: m.releases.map((r, k) => (k < 3 ? false : r)),
    },
  ]
  return {
    ...s,
    nodes: [...s.nodes, { id: '', x: from.x + m.cos * x, y: from.y + m.sin * x }],
    members: s.members.flatMap((o, i) => (i === member ? pieces : [o])),
  }
}

const ONE = { letter: '1' }

/** The two faces of a member at a place, with the pair of a quantity in its positive sense. */
function pairAt(
  m: StructureMember,
  { x, y }: { x: number; y: number },
  quantity: 'moment' | 'shear',
): BodyArrow[] {
  return ([1, -1] as const).map((way): BodyArrow => {
    // the face of the part at the start looks along the member
    const outward = { x: way * m.cos, y: way * m.sin }
    const common = { x, y, kind: 'cut' as const, name: ONE, bare: true }
    // sagging: the part at the start is turned counter-clockwise at its face, the other one clockwise
    if (quantity === 'moment')
      return { ...common, dir: 'turn', value: way, outward: { x: -outward.x, y: -outward.y } }
    // V positive: down on the part at the start, up on the other
    const across = { x: way * m.sin, y: -way * m.cos }
    return { ...common, dir: across, value: 1, outward }
  })
}

/**
 * The structure released for a quantity, with the unit displacement that makes its deflected shape the
 * influence line, by the theorem of Müller-Breslau. Undefined for quantities that are no forces.
 */
export function releasedFor(s: Structure, { asked, at }: ReleasedFor): BodyBlock | undefined {
  const bare = { ...s, cases: [], combinations: [] }
  const block = (structure: Structure, forces: BodyArrow[]): BodyBlock => ({
    kind: 'body',
    caption: 'The released structure, with the displacement of one in the sense of the quantity.',
    structure,
    forces,
  })
  if (asked.quantity === 'reaction') {
    const node = s.nodes.findIndex((n) => n.id === asked.node)
    const support = s.supports.find((p) => p.node === node)
    const component = asked.component ?? 'y'
    if (!support) return undefined
    const { x, y } = s.nodes[node]
    const [c, d] = [Math.cos(support.angle), Math.sin(support.angle)]
    const dir =
      component === 'rotation' ? ('turn' as const) : component === 'x' ? { x: c, y: d } : { x: -d, y: c }
    const supports = s.supports
      .map((p) => (p === support ? { ...p, hold: { ...p.hold, [component]: false } } : p))
      .filter((p) => Object.values(p.hold).some((h) => h !== false))
    return block({ ...bare, supports }, [{ x, y, dir, kind: 'reaction', value: 'sought', name: ONE }])
  }
  const member = s.members.findIndex((m) => m.id === asked.member)
  const m = s.members[member]
  if (!m || m.bar || at === undefined || at <= 0 || at >= m.length) return undefined
  if (asked.quantity !== 'moment' && asked.quantity !== 'shear') return undefined
  const cut = cutAt(bare, member, at, asked.quantity === 'moment')
  return block(cut, pairAt(m, cut.nodes[cut.nodes.length - 1], asked.quantity))
}
