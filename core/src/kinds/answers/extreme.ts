import * as D from '../../quantity/dimension.js'
import { oneOf, quantity, reference, type Form, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { fromOtherEnd, placeOnHalf } from '../loads/kind.js'
import { LETTER } from './along-member.js'
import { answerRecord, type AnswerKind } from './kind.js'

const dimension: AnswerKind<unknown>['dimension'] = (a) =>
  a.of === 'moment' ? D.moment : a.of === 'deflection' ? D.length : D.force
const keys = {
  'of!': oneOf('axial', 'shear', 'moment', 'deflection'),
  member: reference('member'),
  at: quantity(D.length, { percent: true }),
}
const forms = {
  maximum: answerRecord('maximum', dimension, keys),
  minimum: answerRecord('minimum', dimension, keys),
}
type Largest = TypeOf<typeof forms.maximum>
type Least = TypeOf<typeof forms.minimum>
type Extreme = Largest | Least

/** An extreme whose signs are reversed: the largest value becomes the least one. */
const opposite = <A extends Extreme>(a: A): A => ({
  ...a,
  value: scaled(a.value, -1),
  quantity: a.quantity === 'maximum' ? 'minimum' : 'maximum',
})

/** The largest or the least value of a member, or of the whole structure. */
const extreme = <A extends Extreme>(form: Form<A>, title: string, which: 'max' | 'min'): AnswerKind<A> => ({
  title,
  form,
  dimension,
  name: (a) =>
    [
      `${title} `,
      LETTER[a.of],
      a.member ? ` in ${a.member}` : '',
      a.at === undefined ? '' : ` at ${a.at}`,
    ].join(''),
  step: () => 'diagrams',
  value: (a, results) => results.extreme(a.of, which, a.member, a.at),
  reversed(a, { m, L }) {
    const out = a.at === undefined ? a : { ...a, at: fromOtherEnd(a.at, m, L) }
    return a.of === 'moment' || a.of === 'deflection' ? opposite(out) : out
  },
  mirrored: (a) => (a.of === 'axial' ? a : opposite(a)),
  split(a, cut) {
    if (a.member !== cut.whole) return a
    return a.at === undefined || a.of === 'deflection' ? undefined : { ...a, ...placeOnHalf(cut, a.at) }
  },
})

export const maximum = extreme(forms.maximum, 'largest', 'max')
export const minimum = extreme(forms.minimum, 'least', 'min')
