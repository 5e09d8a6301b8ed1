import { membersBetween, partOf, type BodyArrow, type BodyBlock, type PolygonBlock } from '../bodies.js'
import { reactionName } from '../../document/reaction-name.js'
import type { Passing, PassingOf } from './order.js'
import { dot, type Truss, type Vec } from './truss.js'

/** A force below this part of the largest one is not drawn. */
const NOTHING = 1e-12

/** The forces that are known when a step of the order begins. */
type Known = ReadonlyMap<number, number>

/** The forces that are known before each step of the order. */
export function knownBefore(order: readonly Passing[]): Map<Passing, Known> {
  const known = new Map<number, number>()
  return new Map(
    order.map((p) => {
      const before = new Map(known)
      for (const f of p.kind === 'cut' ? [p.found] : p.found) known.set(f.unknown, f.value)
      return [p, before]
    }),
  )
}

const nameOf = (t: Truss, unknown: number) => {
  const u = t.unknowns[unknown]
  return u.bar === undefined
    ? reactionName(t.structure.nodes[u.on[0].node].id, u.component!)
    : { letter: 'N', sub: t.structure.members[u.bar].id }
}

/** A bar's force or a reaction on a joint: with its letter while it is sought, else as it acts. */
function arrowOf(t: Truss, unknown: number, node: number, known: Known): BodyArrow[] {
  const u = t.unknowns[unknown]
  const { dir } = u.on.find((o) => o.node === node)!
  const value = known.get(unknown)
  if (value === 0) return []
  const isBar = u.bar !== undefined
  return [
    {
      x: t.structure.nodes[node].x,
      y: t.structure.nodes[node].y,
      dir,
      kind: isBar ? 'cut' : 'reaction',
      value: value ?? 'sought',
      ...(value === undefined && { name: nameOf(t, unknown) }),
      ...(isBar && { outward: dir }),
      ...(isBar && value !== undefined && { sense: value > 0 ? ('T' as const) : ('C' as const) }),
    },
  ]
}

/** The load on a joint. */
function loadOn(t: Truss, node: number): BodyArrow[] {
  const { x, y } = t.loads[node]
  const size = Math.hypot(x, y)
  if (size === 0) return []
  const at = t.structure.nodes[node]
  return [{ x: at.x, y: at.y, dir: { x: x / size, y: y / size }, kind: 'load', value: size }]
}

/** A joint cut out of the truss, with the forces of its bars on it. */
export function jointBody(t: Truss, { node }: PassingOf<'joint'>, known: Known): BodyBlock {
  const { id } = t.structure.nodes[node]
  return {
    kind: 'body',
    caption: `Joint ${id}: what is sought pulls, what is known acts as it does.`,
    structure: partOf(t.structure, [node], []),
    forces: [...loadOn(t, node), ...t.at[node].flatMap((u) => arrowOf(t, u, node, known))],
  }
}

/** The part of the truss on one side of a cut, with the forces of the bars that are cut. */
export function cutBody(t: Truss, { nodes, found, cut }: PassingOf<'cut'>, known: Known): BodyBlock {
  return partBody(t, nodes, known, {
    caption: `The part beside the cut through ${barNames(t, cut)}.`,
    ...('about' in found.by && found.by),
  })
}

const barNames = (t: Truss, cut: readonly number[]) =>
  cut.map((u) => t.structure.members[t.unknowns[u].bar!].id).join(', ')

/** Some joints of the truss with the bars between them, and the forces on them from outside. */
export function partBody(
  t: Truss,
  nodes: readonly number[],
  known: Known,
  { caption, about }: { caption: string; about?: Vec },
): BodyBlock {
  const { structure: s } = t
  const inside = new Set(nodes)
  const outer = t.unknowns.flatMap((u, i) => {
    const on = u.on.filter((o) => inside.has(o.node))
    return on.length === 1 ? [{ unknown: i, node: on[0].node }] : []
  })
  return {
    kind: 'body',
    caption,
    structure: partOf(s, nodes, membersBetween(s, inside)),
    forces: [
      ...nodes.flatMap((n) => loadOn(t, n)),
      ...outer.flatMap(({ unknown, node }) => arrowOf(t, unknown, node, known)),
    ],
    ...(about && { points: [{ ...about, kind: 'about' as const, name: outsideName(t, about, inside) }] }),
  }
}

/** The joint at a point, where the part that is drawn does not name it itself. */
function outsideName(t: Truss, { x, y }: Vec, inside: ReadonlySet<number>): string | undefined {
  const node = t.structure.nodes.findIndex((n) => Math.hypot(n.x - x, n.y - y) < 1e-9)
  return inside.has(node) ? undefined : t.structure.nodes[node]?.id
}

/** The whole truss off its supports, with the reactions that are sought. */
export const wholeBody = (t: Truss, known: Known): BodyBlock =>
  partBody(t, [...t.structure.nodes.keys()], known, {
    caption: 'The truss off its supports, with its loads and reactions.',
  })

/** The forces on a joint head to tail, in the order in which they stand round it. */
export function jointPolygon(
  t: Truss,
  { node, found }: PassingOf<'joint'>,
  known: Known,
): PolygonBlock | undefined {
  const value = (u: number) => found.find((f) => f.unknown === u)?.value ?? known.get(u)!
  const load = t.loads[node]
  const { id } = t.structure.nodes[node]
  const all: PolygonBlock['forces'] = t.at[node].map((u) => {
    const { dir } = t.unknowns[u].on.find((o) => o.node === node)!
    const { bar } = t.unknowns[u]
    const { letter, sub } = nameOf(t, u)
    return {
      name: bar === undefined ? `${letter}${sub}` : t.structure.members[bar].id,
      x: dir.x * value(u),
      y: dir.y * value(u),
      of: bar === undefined ? 'reaction' : 'cut',
    }
  })
  if (load.x !== 0 || load.y !== 0) all.push({ name: '', ...load, of: 'load' })
  const most = Math.max(...all.map((f) => Math.hypot(f.x, f.y)))
  const forces = all.filter((f) => Math.hypot(f.x, f.y) > NOTHING * most)
  if (forces.length < 3) return undefined
  forces.sort((a, b) => turnOf(a) - turnOf(b))
  return {
    kind: 'polygon',
    caption: `The forces on joint ${id} head to tail: they close, so the joint is in equilibrium.`,
    forces,
  }
}

/** The turn of a direction from the right, rad. */
const turnOf = (f: Vec) => (dot(f, f) === 0 ? 0 : Math.atan2(f.y, f.x))
