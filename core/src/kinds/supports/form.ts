import * as D from '../../quantity/dimension.js'
import { oneOf, quantity, record, reference } from '../../document/form.js'
import { SUPPORT_TYPES } from './types.js'

/** The form of a support: at a joint, by its type or by what it does in each direction of its own axes. */
export const supportForm = record({
  'node!': reference('node'),
  type: oneOf(...SUPPORT_TYPES),
  restrain: record({
    x: quantity(D.forcePerLength),
    y: quantity(D.forcePerLength),
    rotation: quantity(D.moment),
  }),
  angle: quantity(D.angle),
  settlement: record({ x: quantity(D.length), y: quantity(D.length), rotation: quantity(D.angle) }),
  settlementCase: reference('case', ['settlement', 'settlementCase']),
})
