import type { EndRelease, Structure, StructureMember, StructureSupport } from '../../structure/types.js'
import { PLACE_OF } from '../../document/ends.js'
import { partOf, type BodyArrow, type BodyBlock } from '../bodies.js'
import type { Redundant } from './redundants.js'
import type { ForceMethod } from './work.js'

/** The end of a member at which a redundant moment stands, with the member's index. */
function endOfMoment(s: Structure, { quantity: q }: Redundant) {
  const member = s.members.findIndex((m) => m.id === q.member)
  return { member, end: q.at === PLACE_OF.start ? (0 as const) : (1 as const) }
}

/** The structure without its redundants: supports let go, hinges put in, bars cut. */
export function releasedStructure(s: Structure, redundants: readonly Redundant[]): Structure {
  const supports = s.supports.map((p): StructureSupport => {
    const id = s.nodes[p.node].id
    const gone = redundants.filter((r) => r.quantity.quantity === 'reaction' && r.quantity.node === id)
    return { ...p, hold: gone.reduce((h, r) => ({ ...h, [r.quantity.component!]: false }), p.hold) }
  })
  const hinged = redundants.filter((r) => r.quantity.quantity === 'moment').map((r) => endOfMoment(s, r))
  const cut = new Set(redundants.filter((r) => r.quantity.quantity === 'axial').map((r) => r.quantity.member))
  const members = s.members.map((m, i): StructureMember => {
    const ends: number[] = hinged.filter((h) => h.member === i).map((h) => (h.end === 0 ? 2 : 5))
    const releases = m.releases.map((r, k): EndRelease => (ends.includes(k) ? true : r))
    return { ...m, releases }
  })
  return withoutMembers({ ...s, supports: supports.filter(({ hold }) => isHeld(hold)), members }, cut)
}

const isHeld = (hold: StructureSupport['hold']) => Object.values(hold).some((h) => h !== false)

/** A bar that is cut is left out: the forces of its two faces act on its joints. */
function withoutMembers(s: Structure, cut: ReadonlySet<string | undefined>): Structure {
  if (cut.size === 0) return s
  const kept = s.members.flatMap((m, i) => (cut.has(m.id) ? [] : [i]))
  return { ...partOf(s, [...s.nodes.keys()], kept), supports: s.supports }
}

/** A redundant on the released structure, in its positive sense. */
function redundantArrows(f: ForceMethod, i: number, name: BodyArrow['name']): BodyArrow[] {
  const { structure: s, reactions, redundants } = f
  const r = redundants[i]
  const common = { value: 'sought' as const, name }
  const reaction = reactions[r.unknown]
  if (reaction) {
    const { x, y } = s.nodes[reaction.node]
    const dir = r.isMoment ? ('turn' as const) : { x: reaction.x, y: reaction.y }
    return [{ x, y, dir, kind: 'reaction', ...common }]
  }
  if (r.quantity.quantity === 'axial') {
    const m = s.members.find((o) => o.id === r.quantity.member)!
    return ([0, 1] as const).map((end) => {
      const { x, y } = s.nodes[end === 0 ? m.start : m.end]
      const way = end === 0 ? 1 : -1
      const dir = { x: way * m.cos, y: way * m.sin }
      return { x, y, dir, kind: 'cut', outward: dir, ...common }
    })
  }
  const { member, end } = endOfMoment(s, r)
  return momentPair(s, member, end, common)
}

/** A sagging moment on the end of a member, and the one on what it was rigid with. */
function momentPair(
  s: Structure,
  member: number,
  end: 0 | 1,
  common: Pick<BodyArrow, 'name'> & { value: 'sought' },
): BodyArrow[] {
  const m = s.members[member]
  const { x, y } = s.nodes[end === 0 ? m.start : m.end]
  const beside = (way: 1 | -1) => {
    const into = end === 0 ? way : -way
    return { x, y, outward: { x: into * m.cos, y: into * m.sin } }
  }
  // sagging turns the start of a member clockwise and its end counter-clockwise
  const sense = (counter: boolean) =>
    counter ? { dir: 'turn' as const, value: common.value } : { dir: 'turn' as const, value: -1 }
  return [
    { ...beside(1), kind: 'cut', ...sense(end === 1), name: common.name, bare: true },
    { ...beside(-1), kind: 'cut', ...sense(end === 0), name: common.name, bare: true },
  ]
}

/** The released structure under the loads, with its redundants as the forces that are sought. */
export const releasedBody = (f: ForceMethod): BodyBlock => ({
  kind: 'body',
  caption: 'The released structure with its loads, and the redundants in their positive sense.',
  structure: releasedStructure(f.structure, f.redundants),
  loads: true,
  forces: f.redundants.flatMap((_, i) => redundantArrows(f, i, { letter: 'X', sub: String(i + 1) })),
})

/** The released structure under one redundant of one. */
export const unitBody = (f: ForceMethod, i: number): BodyBlock => ({
  kind: 'body',
  caption: `The released structure under X${i + 1} = 1 alone.`,
  structure: { ...releasedStructure(f.structure, f.redundants), cases: [] },
  forces: redundantArrows(f, i, { letter: '1' }),
})
