import { NUMBERS } from '../quantity/arithmetic.js'
import { actOn } from '../kinds/loads/index.js'
import { noActions, type Actions, type MemberActions } from './actions.js'
import type { Structure } from './types.js'

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
  for (const load of loads) actOn(NUMBERS, load, s.members, { nodal: out.nodal, on })
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
    } else
      on(i).spans.push({ a: 0, b: m.length, p: [w * m.sin, w * m.sin], q: [w * m.cos, w * m.cos], c: [0, 0] })
  })
}

/** Actions multiplied and added: the actions of a combination. */
export function combineActions(
  s: Structure,
  parts: readonly { factor: number; actions: Actions }[],
): Actions {
  const out: Actions = {
    nodal: new Float64Array(3 * s.nodes.length),
    members: new Map(),
    settlement: new Float64Array(s.supports.length),
  }
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
