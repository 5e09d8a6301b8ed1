import type { Structure, StructureMember, StructureNode } from '../../structure/types.js'
import type { BodyArrow, BodyBlock } from '../bodies.js'
import type { StoreyForces } from './forces.js'
import type { StoreyGrid } from './grid.js'

/** A frame with its grid, its level loads at the joints (N, three a joint) and its forces. */
interface Drawn {
  s: Structure
  g: StoreyGrid
  nodal: Float64Array
  f: StoreyForces
}

/** The point of inflection of a member: its middle, or its pinned foot. */
function inflectionOf({ s, g }: Drawn, member: number) {
  const m = s.members[member]
  const [a, b] = [s.nodes[m.start], s.nodes[m.end]]
  const isFoot = g.pinned && g.columns.some((line) => line[0] === member)
  if (isFoot) return a.y < b.y ? a : b
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
}

/** The frame with its loads and its assumed points of inflection. */
export const assumedBody = (d: Drawn): BodyBlock => ({
  kind: 'body',
  caption: 'The points of inflection that are assumed.',
  structure: d.s,
  loads: true,
  forces: [],
  points: d.s.members.map((_, i) => {
    const { x, y } = inflectionOf(d, i)
    return { x, y, kind: 'inflection' }
  }),
})

/** A structure that grows member by member: whole members, or pieces up to their points of inflection. */
class Pieces {
  readonly nodes: StructureNode[] = []
  readonly members: StructureMember[] = []
  private readonly at = new Map<string, number>()

  private node(id: string, { x, y }: { x: number; y: number }): number {
    const key = `${x} ${y}`
    const known = this.at.get(key)
    if (known !== undefined) return known
    this.nodes.push({ id, x, y })
    this.at.set(key, this.nodes.length - 1)
    return this.nodes.length - 1
  }

  add(m: StructureMember, from: StructureNode, to: { x: number; y: number; id?: string }): void {
    const length = Math.hypot(to.x - from.x, to.y - from.y)
    if (length === 0) return
    const [cos, sin] = [(to.x - from.x) / length, (to.y - from.y) / length]
    const [start, end] = [this.node(from.id, from), this.node(to.id ?? '', to)]
    this.members.push({ ...m, start, end, length, cos, sin })
  }

  structure(s: Structure): Structure {
    return { ...s, nodes: this.nodes, members: this.members, supports: [], cases: [] }
  }
}

/** The level load on a joint. */
function loadOn({ s, nodal }: Drawn, node: number): BodyArrow[] {
  const value = nodal[3 * node]
  const { x, y } = s.nodes[node]
  return value === 0 ? [] : [{ x, y, dir: { x: 1, y: 0 }, kind: 'load', value }]
}

/** The two forces on the face of a piece that runs from a joint to its cut: axial and shear. */
function faceOf(d: Drawn, member: number, node: number, known: boolean): BodyArrow[] {
  const { s, f } = d
  const m = s.members[member]
  const joint = s.nodes[node]
  const cut = inflectionOf(d, member)
  const length = Math.hypot(cut.x - joint.x, cut.y - joint.y)
  const outward = { x: (cut.x - joint.x) / length, y: (cut.y - joint.y) / length }
  // the shear of a member acts on its start across it, +y of the member, and the other way on its end
  const way = node === m.start ? -1 : 1
  const across = { x: -m.sin * way, y: m.cos * way }
  const arrow = (dir: { x: number; y: number }, letter: string, value: number): BodyArrow[] =>
    known && value === 0
      ? []
      : [
          {
            ...cut,
            dir,
            kind: 'cut',
            outward,
            ...(known ? { value } : { value: 'sought', name: { letter, sub: m.id } }),
          },
        ]
  return [...arrow(outward, 'N', f.axial[member]), ...arrow(across, 'V', f.shear[member])]
}

/** The frame above the points of inflection of a storey, with the forces of its columns. */
export function storeyBody(d: Drawn, k: number): BodyBlock {
  const { s, g } = d
  const pieces = new Pieces()
  const forces: BodyArrow[] = []
  g.columns.forEach((line, i) => {
    const top = g.joints[i][k + 1]
    pieces.add(s.members[line[k]], s.nodes[top], inflectionOf(d, line[k]))
    forces.push(...faceOf(d, line[k], top, false))
    for (const [n, above] of line.entries())
      if (n > k) pieces.add(s.members[above], s.nodes[g.joints[i][n]], s.nodes[g.joints[i][n + 1]])
    for (const node of g.joints[i].slice(k + 1)) forces.push(...loadOn(d, node))
  })
  g.beams.forEach((bay, i) =>
    bay.forEach((beam, n) => {
      if (n > k) pieces.add(s.members[beam], s.nodes[g.joints[i][n]], s.nodes[g.joints[i + 1][n]])
    }),
  )
  return {
    kind: 'body',
    caption: `The frame above the points of inflection of storey ${k + 1}.`,
    structure: pieces.structure(s),
    forces,
  }
}

/** The joints of a floor from the left, each cut at the points of inflection round it. */
export function jointBodies(d: Drawn, level: number): BodyBlock[] {
  const { s, g } = d
  return g.joints.map((line, i) => {
    const node = line[level]
    const pieces = new Pieces()
    const here = [
      g.columns[i][level - 1],
      g.columns[i][level],
      ...(i > 0 ? [g.beams[i - 1][level]] : []),
      ...(i < g.beams.length ? [g.beams[i][level]] : []),
    ].filter((m) => m !== undefined)
    for (const m of here) pieces.add(s.members[m], s.nodes[node], inflectionOf(d, m))
    return {
      kind: 'body',
      caption: `Joint ${s.nodes[node].id}, cut at the points of inflection round it.`,
      structure: pieces.structure(s),
      forces: [...loadOn(d, node), ...here.flatMap((m) => faceOf(d, m, node, true))],
    }
  })
}
