import { fixedEndForces, memberStiffness } from '../../analysis/element.js'
import { noActions, type Actions, type MemberActions } from '../../structure/actions.js'
import type { Structure, StructureSupport } from '../../structure/types.js'
import { isLevel } from '../frames/model.js'

/** A stretch of the beam between two supports, or beyond the last one: its members from left to right. */
export interface Stretch {
  members: number[]
  from: number
  to: number
}

/** A level continuous beam: its supports from left to right, the spans between them, what overhangs. */
export interface ContinuousBeam {
  supports: StructureSupport[]
  spans: Stretch[]
  left?: Stretch
  right?: Stretch
}

const SAME = 1e-9

/** The members of a level beam from left to right; undefined where they are no chain. */
export function chainOf(s: Structure): number[] | undefined {
  const left = (i: number) => Math.min(s.nodes[s.members[i].start].x, s.nodes[s.members[i].end].x)
  const order = [...s.members.keys()].sort((a, b) => left(a) - left(b))
  const size = Math.max(0, ...s.members.map((m) => m.length))
  const joined = order.every(
    (i, k) =>
      k === 0 || Math.abs(left(i) - left(order[k - 1]) - s.members[order[k - 1]].length) <= SAME * size,
  )
  return joined && s.nodes.length === s.members.length + 1 ? order : undefined
}

/** The beam; undefined where it is not a level continuous one on supports that do not give way. */
export function continuousBeam(s: Structure): ContinuousBeam | undefined {
  if (!isLevel(s) || s.members.some((m) => m.bar || m.GAs > 0 || m.releases.some((r) => r !== false)))
    return undefined
  const order = chainOf(s)
  if (!order) return undefined
  const supports = s.supports
    .filter((p) => p.hold.y !== false || p.hold.rotation !== false)
    .sort((a, b) => s.nodes[a.node].x - s.nodes[b.node].x)
  const inner = supports.slice(1, -1)
  const stiff = supports.every(
    (p) => p.hold.y === true && typeof p.hold.rotation === 'boolean' && Math.abs(Math.sin(p.angle)) <= SAME,
  )
  if (supports.length < 3 || !stiff || inner.some((p) => p.hold.rotation !== false)) return undefined
  const at = supports.map((p) => s.nodes[p.node].x)
  const middle = (i: number) => (s.nodes[s.members[i].start].x + s.nodes[s.members[i].end].x) / 2
  const between = (from: number, to: number): Stretch => ({
    members: order.filter((i) => middle(i) > from && middle(i) < to),
    from,
    to,
  })
  const spans = at.slice(1).map((to, k) => between(at[k], to))
  const alike = spans.every(({ members: [first, ...rest] }) =>
    rest.every((i) => Math.abs(s.members[i].EI - s.members[first].EI) <= SAME * s.members[first].EI),
  )
  const [before, after] = [between(-Infinity, at[0]), between(at[at.length - 1], Infinity)]
  const held = (p: StructureSupport) => p.hold.rotation === true
  if (
    !alike ||
    (before.members.length && held(supports[0])) ||
    (after.members.length && held(supports[supports.length - 1]))
  )
    return undefined
  return {
    supports,
    spans,
    ...(before.members.length ? { left: before } : {}),
    ...(after.members.length ? { right: after } : {}),
  }
}

/** True where loads alone act, which the three-moment equation has terms for. */
export const actsByLoads = (actions: Actions): boolean =>
  [...actions.members.values()].every((a) => a.curvature === 0 && a.jumps.length === 0)

/**
 * What acts on a stretch, from its left end: upward and counter-clockwise positive, its inner joints
 * included.
 */
export function actionsOn(s: Structure, { members, from, to }: Stretch, actions: Actions): MemberActions {
  const out = noActions()
  const start = Number.isFinite(from) ? from : Math.min(...members.map((i) => leftOf(s, i)))
  for (const i of members) {
    const m = s.members[i]
    const x0 = leftOf(s, i) - start
    const way = Math.sign(m.cos)
    const place = (x: number) => x0 + (way > 0 ? x : m.length - x)
    const a = actions.members.get(i)
    for (const t of a?.spans ?? []) {
      const q: [number, number] = [way * t.q[0], way * t.q[1]]
      const ends =
        way > 0
          ? { a: place(t.a), b: place(t.b), q, c: t.c }
          : {
              a: place(t.b),
              b: place(t.a),
              q: [q[1], q[0]] as [number, number],
              c: [t.c[1], t.c[0]] as [number, number],
            }
      out.spans.push({ ...ends, p: [0, 0] })
    }
    for (const t of a?.points ?? []) out.points.push({ x: place(t.x), fx: 0, fy: way * t.fy, m: t.m })
  }
  s.nodes.forEach((n, k) => {
    const [fy, m] = [actions.nodal[3 * k + 1], actions.nodal[3 * k + 2]]
    if (n.x > from + SAME && n.x < to - SAME && (fy !== 0 || m !== 0))
      out.points.push({ x: n.x - start, fx: 0, fy, m })
  })
  return out
}

const leftOf = (s: Structure, i: number) =>
  Math.min(s.nodes[s.members[i].start].x, s.nodes[s.members[i].end].x)

/** 6EI times the rotation of each end of a span on simple supports: the load terms, 6Ab/L and 6Aa/L. */
export function loadTerms(
  s: Structure,
  span: Stretch,
  actions: MemberActions,
): { left: number; right: number } {
  const length = span.to - span.from
  const m = { ...s.members[span.members[0]], length, cos: 1, sin: 0, axiallyRigid: true }
  const held = fixedEndForces(m, memberStiffness(m), actions)
  const [start, end] = [held[2], held[5]]
  return { left: length * (2 * start - end), right: -length * (2 * end - start) }
}

/** The moment of an overhang at its support, sagging positive: from the part to its left or to its right. */
export function overhangMoment(
  s: Structure,
  stretch: Stretch,
  side: 'left' | 'right',
  actions: MemberActions,
): number {
  const length = stretch.members.reduce((t, i) => t + s.members[i].length, 0)
  const arm = (x: number) => (side === 'left' ? length - x : x)
  const turn = side === 'left' ? -1 : 1
  let M = 0
  for (const { x, fy, m } of actions.points) M += fy * arm(x) + turn * m
  for (const { a, b, q, c } of actions.spans) {
    const h = b - a
    const force = ((q[0] + q[1]) / 2) * h
    const about = ((q[0] + q[1]) / 2) * h * a + ((q[0] + 2 * q[1]) / 6) * h * h
    M += (side === 'left' ? force * length - about : about) + turn * ((c[0] + c[1]) / 2) * h
  }
  return M
}
