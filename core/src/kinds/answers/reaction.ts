import * as D from '../../quantity/dimension.js'
import { oneOf, reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { answerRecord, component, isReversedBy, SUFFIX, type AnswerKind } from './kind.js'

const dimension: AnswerKind<unknown>['dimension'] = (a) => (a.component === 'rotation' ? D.moment : D.force)
const form = answerRecord('reaction', dimension, {
  'node!': reference('node'),
  'component!': component,
  axes: oneOf('own', 'global'),
})

/** A component of a reaction, in global axes or in those of a turned support. */
export const reaction: AnswerKind<TypeOf<typeof form>> = {
  title: 'reaction',
  form,
  dimension,
  name: (a) =>
    a.component === 'rotation'
      ? `M at support ${a.node}`
      : `${a.node}${SUFFIX[a.component]}${a.axes === 'own' ? ' own axes' : ''}`,
  step: () => 'reactions',
  value: (a, results) => results.reaction(a.node, a.axes ?? 'global', a.component),
  reversed: (a) => a,
  // the image of a support at the angle α stands at −α: its own components turn as the global ones do
  mirrored: (a, mirror) => (isReversedBy(mirror, a.component) ? { ...a, value: scaled(a.value, -1) } : a),
  split: (a) => a,
}
