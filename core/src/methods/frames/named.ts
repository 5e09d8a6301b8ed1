import * as D from '../../quantity/dimension.js'
import type { NamedValue } from '../method.js'
import type { Notes } from '../notes.js'
import type { RigidFrame } from './model.js'
import { at, ENDS } from './names.js'

type Coherent = (si: number, d: D.Dimension) => number

/** Fixed-end moments of loads and of settlements, rotations and sways by storey, in coherent units. */
export function frameNames(f: RigidFrame, notes: Notes, coherent: Coherent): NamedValue[] {
  const { nodes } = f.structure
  const rotations = f.joints.map((n): NamedValue => ({
    name: 'rotation',
    node: nodes[n].id,
    value: notes.si(at.rotation(nodes[n].id)),
  }))
  const sways = storeySways(f).map((t, k, all): NamedValue => ({
    name: 'sway',
    storey: k + 1,
    value: coherent(notes.si(at.sway(t)) - (k > 0 ? notes.si(at.sway(all[k - 1])) : 0), D.length),
  }))
  return [...fixedMomentNames(f, coherent), ...rotations, ...sways]
}

/** Fixed-end moments by their causes: loads, those modified by a known moment, settlements, overhangs. */
export function fixedMomentNames(f: RigidFrame, coherent: Coherent): NamedValue[] {
  const { members } = f.structure
  const name = (member: number, e: 0 | 1, si: number, more: object = {}): NamedValue => ({
    name: 'fixed-end-moment',
    member: members[member].id,
    end: ENDS[e],
    value: coherent(si, D.moment),
    ...more,
  })
  const both = [0, 1] as const
  const beams = f.beams.flatMap((b) => {
    const loaded = b.heldBoth[0] !== 0 || b.heldBoth[1] !== 0
    const open = both.filter((e) => b.ends[e].known === undefined)
    const psi = f.given[b.member]
    return [
      ...(loaded ? both.map((e) => name(b.member, e, b.heldBoth[e])) : []),
      ...(b.modified && !b.sprung && open.length && b.fixed[open[0]] !== 0
        ? open.map((e) => name(b.member, e, b.fixed[e], { modified: true }))
        : []),
      ...(psi !== 0 && !b.sprung ? settlementNames(f, b.member, b.modified, open, psi, name) : []),
    ]
  })
  const overhangs = f.overhangs.map((o) => {
    const e = members[o.member].start === o.held ? 0 : 1
    return name(o.member, e, o.moments[e])
  })
  return [...beams, ...overhangs]
}

/** −6EIψ/L at both ends, or −3EIψ/L at the one that turns with its joint. */
function settlementNames(
  f: RigidFrame,
  member: number,
  modified: boolean,
  open: readonly (0 | 1)[],
  psi: number,
  name: (member: number, e: 0 | 1, si: number, more?: object) => NamedValue,
): NamedValue[] {
  const m = f.structure.members[member]
  const k = m.EI / m.length
  const more = { cause: 'settlement', ...(modified ? { modified: true } : {}) }
  return open.map((e) => name(member, e, (modified ? -3 : -6) * k * psi, more))
}

/** The sways of the storeys from the bottom, by index; none where the sways are not one of each floor. */
export function storeySways(f: RigidFrame): number[] {
  const { nodes } = f.structure
  if (f.sways.length === 0 || f.sways.some((s) => s.component !== 'x')) return []
  const order = f.sways.map((_, t) => t).sort((a, b) => nodes[f.sways[a].node].y - nodes[f.sways[b].node].y)
  const levels = new Set(order.map((t) => nodes[f.sways[t].node].y.toPrecision(9)))
  return levels.size === order.length ? order : []
}
