import * as D from '../../quantity/dimension.js'
import { reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { answerRecord, component, isReversedBy, type AnswerKind } from './kind.js'

const dimension: AnswerKind<unknown>['dimension'] = (a) => (a.component === 'rotation' ? D.angle : D.length)
const form = answerRecord('displacement', dimension, { 'node!': reference('node'), 'component!': component })

/** A displacement or the rotation of a joint. */
export const displacement: AnswerKind<TypeOf<typeof form>> = {
  title: 'displacement',
  form,
  dimension,
  name: (a) =>
    a.component === 'rotation' ? `rotation of ${a.node}` : `${a.component} displacement of ${a.node}`,
  step: () => 'solution',
  value: (a, results) => results.displacement(a.node, a.component),
  reversed: (a) => a,
  mirrored: (a, mirror) => (isReversedBy(mirror, a.component) ? { ...a, value: scaled(a.value, -1) } : a),
  split: (a) => a,
}
