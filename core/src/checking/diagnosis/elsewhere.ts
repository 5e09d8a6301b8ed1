import { PLACE_OF } from '../../document/ends.js'
import { endOf } from '../../structure/place.js'
import type { Component } from '../../document/types.js'
import type { AnswerKeys } from '../../kinds/answers/index.js'
import { isValueOf, type Diagnosis, type Differing, type Near, type Rule } from './rule.js'

/** The value is that of another place, another case or another quantity. */

const found = (where: string, place: AnswerKeys): Diagnosis => ({
  kind: 'other-place',
  sentence: `This is the value ${where}.`,
  place,
})

export const otherPlace: Rule = {
  kind: 'other-place',
  tried: ['digits', 'near'],
  ofZero: true,
  find: (v, near) =>
    v.answer.quantity === 'reaction' || v.answer.quantity === 'displacement'
      ? atAnotherJoint(v, near)
      : ['axial', 'shear', 'moment'].includes(v.answer.quantity)
        ? atAnotherEnd(v, near)
        : null,
}

function atAnotherJoint(v: Differing, near: Near): Diagnosis | null {
  const { answer: a, solution } = v
  for (const component of ['x', 'y', 'rotation'] as Component[])
    if (component !== a.component && isValueOf(v, near, { component }))
      return found(`of ${a.node} in ${component}`, { component })
  for (const { id: node } of solution.structure.nodes)
    if (node !== a.node && isValueOf(v, near, { node })) return found(`at ${node}`, { node })
  return null
}

const ENDS = ['start', 'end'] as const

function atAnotherEnd(v: Differing, near: Near): Diagnosis | null {
  const { answer: a, solution, problem } = v
  if (a.member === undefined) return null
  const { members, nodes } = solution.structure
  const own = members.find((m) => m.id === a.member)
  const stated = own && endOf(problem, a, own)
  for (const end of ENDS)
    if (own && end !== stated && isValueOf(v, near, { at: PLACE_OF[end], side: undefined }))
      return found(`at ${nodes[own[end]].id}`, { at: PLACE_OF[end] })
  for (const m of members.filter((o) => o !== own))
    for (const end of ENDS) {
      const place = { member: m.id, at: PLACE_OF[end] }
      if (isValueOf(v, near, { ...place, side: undefined }))
        return found(`in ${m.id} at ${nodes[m[end]].id}`, place)
    }
  return null
}

export const otherCase: Rule = {
  kind: 'other-case',
  tried: ['digits', 'near'],
  ofZero: true,
  find: (v, near) => {
    const { solution, action } = v
    const other = [...solution.cases, ...solution.combinations].find(
      (o) => o.id !== action.id && isValueOf(v, near, {}, o),
    )
    return other
      ? {
          kind: 'other-case',
          case: other.id,
          sentence: `This is the value of ${other.id}${other.title !== other.id ? ` (${other.title})` : ''}.`,
        }
      : null
  },
}

/** Shear for axial force at the same place, and the reverse. */
export const otherQuantity: Rule = {
  kind: 'other-quantity',
  tried: ['digits', 'near'],
  ofZero: true,
  find: (v, near) => {
    const { quantity: asked } = v.answer
    if (asked !== 'axial' && asked !== 'shear') return null
    const quantity = asked === 'axial' ? 'shear' : 'axial'
    return isValueOf(v, near, { quantity, sense: undefined })
      ? {
          kind: 'other-quantity',
          quantity,
          sentence: `This is the ${quantity === 'axial' ? 'axial force' : 'shear'} at this place.`,
        }
      : null
  },
}
