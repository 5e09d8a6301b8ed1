import type { Structure, StructureMember } from '../structure/types.js'

/**
 * What acts on one member between its ends, in member axes (x along, y 90° counter-clockwise), SI.
 * Every load type of the document ends up as some of these four.
 */
export interface MemberActions {
  spans: Span[]
  points: PointAction[]
  /** Free strains over the whole member: axial (temperature, too long) and curvature (uneven temperature). */
  axialStrain: number
  curvature: number
  jumps: Jump[]
}

/** Linear intensities from a to b: p along x, q along y (N/m), c counter-clockwise couples (N·m/m). */
export interface Span {
  a: number
  b: number
  p: [number, number]
  q: [number, number]
  c: [number, number]
}

export interface PointAction {
  x: number
  fx: number
  fy: number
  m: number
}

/** A misfit at a place: a jump in member-y displacement and in slope. */
export interface Jump {
  x: number
  slip: number
  kink: number
}

/** All actions of one load case or combination. */
export interface Actions {
  /** Global fx, fy, m of each node, N and N·m. */
  nodal: Float64Array
  members: Map<number, MemberActions>
  /** Factor of each support's settlement, by support index. */
  settlement: Float64Array
}

const noActions = (): MemberActions => ({ spans: [], points: [], axialStrain: 0, curvature: 0, jumps: [] })

/** The actions of one case; loads at the same member add up. Own weight of bars goes half to each end. */
export function caseActions(s: Structure, caseIndex: number): Actions {
  const out: Actions = {
    nodal: new Float64Array(3 * s.nodes.length),
    members: new Map(),
    settlement: Float64Array.from(s.supports, (support) => (support.settlementCase === caseIndex ? 1 : 0)),
  }
  const on = (i: number) => {
    let a = out.members.get(i)
    if (!a) out.members.set(i, (a = noActions()))
    return a
  }
  const { loads, selfWeight } = s.cases[caseIndex]
  for (const load of loads) {
    if (load.type === 'nodal') {
      out.nodal[3 * load.node] += load.fx
      out.nodal[3 * load.node + 1] += load.fy
      out.nodal[3 * load.node + 2] += load.m
      continue
    }
    const m = s.members[load.member]
    const a = on(load.member)
    switch (load.type) {
      case 'point': {
        const [fx, fy] = load.axes === 'member' ? [load.fx, load.fy] : toMember(m, load.fx, load.fy)
        a.points.push({ x: load.at, fx, fy, m: load.m })
        break
      }
      case 'distributed': {
        const [px, py] = intensityDirection(m, load.direction, load.per)
        eachSpan(load.points, (x0, x1, q0, q1) => a.spans.push({ a: x0, b: x1, p: [px * q0, px * q1], q: [py * q0, py * q1], c: [0, 0] }))
        break
      }
      case 'couple':
        eachSpan(load.points, (x0, x1, q0, q1) => a.spans.push({ a: x0, b: x1, p: [0, 0], q: [0, 0], c: [q0, q1] }))
        break
      case 'temperature':
        if (load.uniform !== 0) a.axialStrain += m.alpha * load.uniform
        // the +y face grows longer: the member bends away from it, v″ < 0
        if (load.gradient !== 0) a.curvature -= (m.alpha * load.gradient) / m.depth
        break
      case 'misfit':
        a.axialStrain += load.elongation / m.length
        if (load.slip !== 0 || load.kink !== 0) a.jumps.push({ x: load.at, slip: load.slip, kink: load.kink })
        break
    }
  }
  if (selfWeight !== 0) addOwnWeight(s, selfWeight, out, on)
  return out
}

function addOwnWeight(s: Structure, factor: number, out: Actions, on: (i: number) => MemberActions) {
  s.members.forEach((m, i) => {
    if (!(m.weight > 0)) return
    const w = -factor * m.weight
    if (m.bar) {
      out.nodal[3 * m.start + 1] += (w * m.length) / 2
      out.nodal[3 * m.end + 1] += (w * m.length) / 2
    } else on(i).spans.push({ a: 0, b: m.length, p: [w * m.sin, w * m.sin], q: [w * m.cos, w * m.cos], c: [0, 0] })
  })
}

/** Actions multiplied and added: the actions of a combination. */
export function combineActions(s: Structure, parts: readonly { factor: number; actions: Actions }[]): Actions {
  const out: Actions = { nodal: new Float64Array(3 * s.nodes.length), members: new Map(), settlement: new Float64Array(s.supports.length) }
  for (const { factor: f, actions } of parts) {
    if (f === 0) continue
    actions.nodal.forEach((v, i) => (out.nodal[i] += f * v))
    actions.settlement.forEach((v, i) => (out.settlement[i] += f * v))
    const scale = (p: [number, number]): [number, number] => [f * p[0], f * p[1]]
    for (const [i, a] of actions.members) {
      let sum = out.members.get(i)
      if (!sum) out.members.set(i, (sum = noActions()))
      sum.spans.push(...a.spans.map((t) => ({ a: t.a, b: t.b, p: scale(t.p), q: scale(t.q), c: scale(t.c) })))
      sum.points.push(...a.points.map((t) => ({ x: t.x, fx: f * t.fx, fy: f * t.fy, m: f * t.m })))
      sum.jumps.push(...a.jumps.map((t) => ({ x: t.x, slip: f * t.slip, kink: f * t.kink })))
      sum.axialStrain += f * a.axialStrain
      sum.curvature += f * a.curvature
    }
  }
  return out
}

/** Components of a global vector in member axes. */
export const toMember = (m: StructureMember, X: number, Y: number): [number, number] => [m.cos * X + m.sin * Y, -m.sin * X + m.cos * Y]

/** Member-axis components (p, q) of a unit intensity; per projection it counts on the length seen square to the load. */
export function intensityDirection(m: StructureMember, direction: 'X' | 'Y' | 'x' | 'y', per: 'length' | 'projection'): [number, number] {
  if (direction === 'x') return [1, 0]
  if (direction === 'y') return [0, 1]
  const share = per === 'length' ? 1 : Math.abs(direction === 'Y' ? m.cos : m.sin)
  return toMember(m, direction === 'X' ? share : 0, direction === 'Y' ? share : 0)
}

function eachSpan(points: readonly { at: number; q: number }[], add: (x0: number, x1: number, q0: number, q1: number) => void) {
  for (let i = 1; i < points.length; i++) if (points[i].at > points[i - 1].at) add(points[i - 1].at, points[i].at, points[i - 1].q, points[i].q)
}
