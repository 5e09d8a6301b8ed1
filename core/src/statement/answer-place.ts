import type { AnswerKeys, AnswerQuantity, Component, Problem, StiffnessPlace } from '../document/types.js'
import { ANSWER_KINDS, withKeys, type Place, type PlaceDraft } from '../kinds/answers/index.js'

export type { Place, PlaceDraft }

export const QUANTITIES: readonly (readonly [AnswerQuantity, string])[] = (
  Object.keys(ANSWER_KINDS) as AnswerQuantity[]
).map((quantity) => [quantity, ANSWER_KINDS[quantity].title])

const ALONG: readonly AnswerQuantity[] = ['axial', 'shear', 'moment', 'deflection']
export const isAlong = (q: AnswerQuantity) => ALONG.includes(q)
export const isExtreme = (q: AnswerQuantity) => q === 'maximum' || q === 'minimum'

/** The quantities a problem has: a truss knows neither shear nor moment. */
export const quantitiesOf = (p: Problem) =>
  p.kind === 'truss'
    ? QUANTITIES.filter(
        ([q]) => !['shear', 'moment', 'deflection', 'maximum', 'minimum', 'fixed-end'].includes(q),
      )
    : QUANTITIES

/** Joints that can stand in an answer: those with a support for a reaction, else all. */
export const jointsFor = (p: Problem, q: AnswerQuantity): string[] =>
  q === 'reaction' ? (p.supports ?? []).map((s) => s.node) : p.nodes.map((n) => n.id)

export const componentsOf = (p: Problem): readonly Component[] =>
  p.kind === 'truss' ? ['x', 'y'] : ['x', 'y', 'rotation']

/** Whether a member carries axial force alone, the same all along. */
export const isAlone = (p: Problem, member: string | undefined) =>
  p.kind === 'truss' || p.members.find((m) => m.id === member)?.type === 'bar'

const turned = (p: Problem, node: string | undefined) =>
  p.supports?.some((s) => s.node === node && s.angle !== undefined && s.angle !== 0) === true

/** Whether a reaction there can be meant along axes of the support's own. */
export const mayBeOwn = (p: Problem, d: PlaceDraft) =>
  d.quantity === 'reaction' && d.component !== 'rotation' && turned(p, d.node)

/** The keys that say something about a hand value without saying where it stands. */
type About = Pick<AnswerKeys, 'case' | 'note' | 'tolerance'>

/**
 * A place fitted to its quantity and to what the problem has: what does not belong is left out, what is
 * missing takes the first there is. Undefined where the problem has nothing of the sort (no support, no
 * member).
 */
export function fitted(p: Problem, d: PlaceDraft): Place | undefined {
  const { quantity } = d
  const about: About = {}
  for (const key of ['case', 'note', 'tolerance'] as const)
    if (d[key] !== undefined && d[key] !== '') Object.assign(about, { [key]: d[key] })
  const joints = jointsFor(p, quantity)
  const node = joints.includes(d.node ?? '') ? d.node : joints[0]
  const members = p.members.map((m) => m.id)
  const component = componentsOf(p).includes(d.component ?? 'y') ? (d.component ?? 'y') : 'y'
  const named = members.includes(d.member ?? '') ? d.member : undefined
  if (quantity === 'load-factor') return { quantity, ...about }
  if (quantity === 'stiffness') return stiffnessPlace(p, d, named, about)
  if (quantity === 'reaction' || quantity === 'displacement' || quantity === 'load-vector') {
    if (node === undefined) return undefined
    const place: Place = { quantity, node, component, ...about }
    return d.axes === 'own' && mayBeOwn(p, place) ? withKeys(place, { axes: 'own' }) : place
  }
  if (quantity === 'fixed-end') {
    const bends = (id: string | undefined) => id !== undefined && !isAlone(p, id)
    const member = bends(named) ? named : members.find(bends)
    const turning = componentsOf(p).includes(d.component ?? 'rotation') ? (d.component ?? 'rotation') : 'y'
    return member === undefined
      ? undefined
      : { quantity, member, end: d.end ?? 'start', component: turning, ...about }
  }
  if (isExtreme(quantity))
    return {
      quantity: quantity as 'maximum',
      of: d.of ?? 'moment',
      ...(named ? { member: named } : {}),
      ...(filled(d.at) ? { at: d.at } : {}),
      ...about,
    }
  const member = named ?? members[0]
  if (member === undefined) return undefined
  if (quantity === 'axial' && isAlone(p, member))
    return { quantity, member, ...(d.sense ? { sense: d.sense } : {}), ...about }
  const at = filled(d.at) ? d.at : '0%'
  return { quantity: quantity as 'moment', member, at, ...(d.side ? { side: d.side } : {}), ...about }
}

const filled = (v: unknown) => v !== undefined && v !== ''

function stiffnessPlace(
  p: Problem,
  d: PlaceDraft,
  member: string | undefined,
  about: About,
): Place | undefined {
  if (member !== undefined) {
    const number = (v: PlaceDraft['row']) => (typeof v === 'number' && [1, 2, 3, 4, 5, 6].includes(v) ? v : 1)
    return {
      quantity: 'stiffness',
      member,
      axes: d.axes === 'member' ? 'member' : 'global',
      row: number(d.row),
      column: number(d.column),
      ...about,
    }
  }
  if (p.nodes.length === 0) return undefined
  const held = (v: PlaceDraft['row']): StiffnessPlace => {
    const q = typeof v === 'object' ? v : undefined
    return {
      node: p.nodes.some((n) => n.id === q?.node) ? q!.node : p.nodes[0].id,
      component: componentsOf(p).includes(q?.component ?? 'x') ? (q?.component ?? 'x') : 'x',
    }
  }
  return { quantity: 'stiffness', row: held(d.row), column: held(d.column), ...about }
}

const PLACE_KEYS = [
  'quantity',
  'node',
  'component',
  'axes',
  'member',
  'at',
  'side',
  'end',
  'sense',
  'of',
  'row',
  'column',
  'case',
  'note',
  'tolerance',
] as const

/** The change that makes an answer stand at another place: what the new one lacks is taken out. */
export const changeTo = (place: Place): AnswerKeys => Object.fromEntries(PLACE_KEYS.map((k) => [k, place[k]]))
