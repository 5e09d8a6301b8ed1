import * as D from '../../quantity/dimension.js'
import { oneOf, reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { answerRecord, component, type AnswerKind } from './kind.js'

const dimension: AnswerKind<unknown>['dimension'] = (a) => (a.component === 'rotation' ? D.moment : D.force)
const form = answerRecord('fixed-end', dimension, {
  'member!': reference('member'),
  'end!': oneOf('start', 'end'),
  'component!': component,
})

/** The abbreviations of hand solutions for the parts of a fixed-end force, in the axes of the member. */
const ABBREVIATION = { x: 'FEN', y: 'FEV', rotation: 'FEM' } as const

/** A force on the member held at both ends, in its own axes; its moment counter-clockwise. */
export const fixedEnd: AnswerKind<TypeOf<typeof form>> = {
  title: 'fixed-end force',
  form,
  dimension,
  name: (a) => `${ABBREVIATION[a.component]} of ${a.member} at ${a.end}`,
  step: () => 'loads',
  value: (a, results) => results.fixedEnd(a.member, a.end, a.component),
  reversed(a) {
    const out = { ...a, end: a.end === 'end' ? ('start' as const) : ('end' as const) }
    // forces in member axes turn with the axes, a moment does not
    return a.component === 'rotation' ? out : { ...out, value: scaled(a.value, -1) }
  },
  mirrored: (a) => (a.component === 'x' ? a : { ...a, value: scaled(a.value, -1) }),
  split: (a, cut) => (a.member === cut.whole ? undefined : a),
}
