import * as D from '../../quantity/dimension.js'
import { reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { answerRecord, component, isReversedBy, SUFFIX, type AnswerKind } from './kind.js'

const dimension: AnswerKind<unknown>['dimension'] = (a) => (a.component === 'rotation' ? D.moment : D.force)
const form = answerRecord('load-vector', dimension, { 'node!': reference('node'), 'component!': component })

/** An entry of P: the load on the joint less the fixed-end forces that meet there. */
export const loadVector: AnswerKind<TypeOf<typeof form>> = {
  title: 'entry of P',
  form,
  dimension,
  name: (a) => `P at ${a.node}${SUFFIX[a.component] || ' turn'}`,
  step: () => 'loads',
  value: (a, results) => results.loadVector(a.node, a.component),
  reversed: (a) => a,
  mirrored: (a, mirror) => (isReversedBy(mirror, a.component) ? { ...a, value: scaled(a.value, -1) } : a),
  split: (a, _, ends) => (ends.includes(a.node) ? undefined : a),
}
