import { across, acrossOf, cross, dot, IN_LINE, type Truss, type Vec } from './truss.js'

/**
 * A force found from one equation: the sum of the forces on something across a line, or about a point, is
 * 0.
 */
export interface Found {
  unknown: number
  value: number
  /** Coefficients of the known forces in the equation, of the force itself, and the loads in it. */
  parts: { unknown: number; factor: number }[]
  own: number
  loads: number
  /** The point its moments are taken about, or the unit vector along which its forces are summed. */
  by: { about: Vec } | { along: Vec }
}

/** The three reactions of the whole. */
export interface Whole {
  kind: 'whole'
  found: Found[]
}

/** The force that brings a sum of known forces and loads to 0. */
export function solved(
  unknown: number,
  parts: Found['parts'],
  own: number,
  loads: number,
  known: ReadonlyMap<number, number>,
  by: Found['by'],
): Found {
  const sum = parts.reduce((s, p) => s + p.factor * known.get(p.unknown)!, loads)
  return { unknown, value: 0 - sum / own, parts, own, loads, by }
}

const place = (t: Truss, node: number): Vec => t.structure.nodes[node]

/** The moment of a force on a joint about a point. */
const momentOf = (t: Truss, node: number, f: Vec, about: Vec) =>
  cross({ x: place(t, node).x - about.x, y: place(t, node).y - about.y }, f)

/** Three reactions from the equilibrium of the whole: each about the point where the other two meet. */
export function wholeOf(t: Truss, known: ReadonlyMap<number, number>): Whole | undefined {
  const all = [...t.unknowns.keys()].filter((u) => t.unknowns[u].bar === undefined)
  const open = all.filter((u) => !known.has(u))
  if (all.length !== 3 || open.length !== 3) return undefined
  const nodes = [...t.structure.nodes.keys()]
  const found = open.map((u) => fromBody(t, nodes, u, open, known))
  return found.every((f) => f !== undefined) ? { kind: 'whole', found } : undefined
}

/**
 * One of up to three forces on a body: about the meeting point of the others, or across them where they are
 * parallel.
 */
export function fromBody(
  t: Truss,
  nodes: readonly number[],
  unknown: number,
  open: readonly number[],
  known: ReadonlyMap<number, number>,
): Found | undefined {
  const on = (u: number) => t.unknowns[u].on.find((o) => nodes.includes(o.node))!
  const others = open.filter((u) => u !== unknown)
  const about =
    others.length === 2
      ? meeting(t, on(others[0]), on(others[1]))
      : others.length === 1
        ? place(t, on(others[0]).node)
        : undefined
  const line = others.length === 0 ? across(on(unknown).dir) : on(others[0]).dir
  const weigh = (node: number, f: Vec) => (about ? momentOf(t, node, f, about) : dot(f, acrossOf(line)))
  const own = weigh(on(unknown).node, on(unknown).dir)
  const size = about ? Math.max(...t.structure.members.map((m) => m.length)) : 1
  if (Math.abs(own) <= IN_LINE * size) return undefined
  const crossing = [...known.keys()].filter(
    (u) => t.unknowns[u].on.filter((o) => nodes.includes(o.node)).length === 1,
  )
  const parts = crossing.flatMap((u) => {
    const factor = weigh(on(u).node, on(u).dir)
    return Math.abs(factor) > IN_LINE * size ? [{ unknown: u, factor }] : []
  })
  const loads = nodes.reduce((s, node) => s + weigh(node, t.loads[node]), 0)
  return solved(unknown, parts, own, loads, known, about ? { about } : { along: acrossOf(line) })
}

/** Where the lines of two forces meet; undefined where they are parallel. */
function meeting(t: Truss, a: { node: number; dir: Vec }, b: { node: number; dir: Vec }): Vec | undefined {
  const d = cross(a.dir, b.dir)
  if (Math.abs(d) <= IN_LINE) return undefined
  const [p, q] = [place(t, a.node), place(t, b.node)]
  const s = cross({ x: q.x - p.x, y: q.y - p.y }, b.dir) / d
  return { x: p.x + s * a.dir.x, y: p.y + s * a.dir.y }
}

/**
 * The joints on one side of a cut, where each of its bars crosses; undefined where it does not divide the
 * truss.
 */
export function sideOf(t: Truss, open: readonly number[], cut: readonly number[]): number[] | undefined {
  const left = open.filter((u) => !cut.includes(u))
  const side = new Set([t.unknowns[cut[0]].on[0].node])
  for (let grew = true; grew;) {
    grew = false
    for (const u of left) {
      const [a, b] = t.unknowns[u].on.map((o) => o.node)
      if (side.has(a) === side.has(b)) continue
      side.add(a).add(b)
      grew = true
    }
  }
  const crossing = cut.every((u) => t.unknowns[u].on.filter((o) => side.has(o.node)).length === 1)
  return crossing ? [...side] : undefined
}
