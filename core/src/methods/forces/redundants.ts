import type { Structure } from '../../structure/types.js'
import { PLACE_OF } from '../../document/ends.js'
import type { Asked, Problem } from '../../document/types.js'
import { endOf } from '../../structure/place.js'
import type { EquilibriumSystem } from '../statics/equilibrium.js'

/** A redundant: the unknown of equilibrium that it is, and its sign against it. */
export interface Redundant {
  unknown: number
  /** The unknown is so many times the redundant: −1 of a sagging moment at a member's start. */
  sign: 1 | -1
  /** Its keys, as of a hand value. */
  quantity: Asked
  /** True of a moment, which goes with a rotation. */
  isMoment: boolean
}

/** An unknown of equilibrium as a redundant. */
export function redundantOf(
  s: Structure,
  { reactions, within }: EquilibriumSystem,
  unknown: number,
): Redundant {
  const r = reactions[unknown]
  if (r) {
    const own = s.supports[r.support].angle !== 0 && r.component !== 'rotation'
    const quantity: Asked = {
      quantity: 'reaction',
      node: s.nodes[r.node].id,
      component: r.component,
      ...(own ? { axes: 'own' as const } : {}),
    }
    return { unknown, sign: 1, quantity, isMoment: r.component === 'rotation' }
  }
  const { member, force } = within[unknown - reactions.length]
  const { id } = s.members[member]
  if (force === 'N') return { unknown, sign: 1, quantity: { quantity: 'axial', member: id }, isMoment: false }
  const at = PLACE_OF[force]
  return {
    unknown,
    sign: force === 'start' ? -1 : 1,
    quantity: { quantity: 'moment', member: id, at },
    isMoment: true,
  }
}

/** The unknowns in the order in which they are liked as redundants, the best first. */
export function likedRedundants(s: Structure, { reactions, within }: EquilibriumSystem): number[] {
  const membersAt = (node: number) => s.members.filter((m) => m.start === node || m.end === node).length
  const supportCost = (i: number): number => {
    const r = reactions[i]
    const held = reactions.filter((o) => o.support === r.support).length
    const inner = membersAt(r.node) > 1 ? 0 : 10
    // the support that holds most is let go last, and of those that hold alike the first
    return inner + 3 * held - r.support / (s.supports.length + 1)
  }
  const memberCost = (i: number): number => {
    const { member, force } = within[i]
    const m = s.members[member]
    const slanted = Math.abs(m.sin * m.cos) > 1e-9
    if (force === 'N') return m.bar || s.kind === 'truss' ? 100 + (slanted ? 0 : 1) : 300
    return 200
  }
  const order = (n: number, cost: (i: number) => number, from: number) =>
    Array.from({ length: n }, (_, i) => ({ unknown: from + i, cost: cost(i) }))
  return [...order(reactions.length, supportCost, 0), ...order(within.length, memberCost, reactions.length)]
    .sort((a, b) => a.cost - b.cost || a.unknown - b.unknown)
    .map((o) => o.unknown)
}

/** The unknown that a stated redundant is; undefined where equilibrium has no such unknown. */
export function unknownOf(p: Problem, s: Structure, system: EquilibriumSystem, q: Asked): number | undefined {
  const all = [...system.reactions, ...system.within]
  const same = (unknown: number): boolean => {
    const { quantity: own } = redundantOf(s, system, unknown)
    if (own.quantity !== q.quantity || own.node !== q.node || own.member !== q.member) return false
    if (own.quantity === 'reaction')
      return own.component === q.component && (own.axes ?? 'own') === (q.axes ?? own.axes ?? 'own')
    const m = s.members.find((o) => o.id === q.member)!
    return own.quantity === 'axial' || endOf(p, own, m) === endOf(p, q, m)
  }
  const found = all.findIndex((_, unknown) => same(unknown))
  return found < 0 ? undefined : found
}

/** A quantity that may be a redundant, in words. */
export function quantityWords(q: Asked): string {
  if (q.quantity === 'reaction')
    return q.component === 'rotation'
      ? `the fixing moment of ${q.node}, counter-clockwise`
      : `the reaction of ${q.node} in ${q.component}`
  if (q.quantity === 'axial') return `the axial force of ${q.member}, tension`
  return `the moment of ${q.member} at its ${q.at === PLACE_OF.start ? 'start' : 'end'}, sagging`
}
