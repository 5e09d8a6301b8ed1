import * as D from '../../quantity/dimension.js'
import {
  choice,
  label,
  numberOr,
  oneOf,
  quantity,
  record,
  reference,
  text,
  type RecordOf,
  type TypeOf,
} from '../../document/form.js'

/** The form of a hand answer: a value, and where in the results it belongs. */

const component = oneOf('x', 'y', 'rotation')
/** The row or column of a stiffness matrix: an unknown of the structure, or a number of a member's own. */
const place = numberOr(
  oneOf(1, 2, 3, 4, 5, 6),
  record({ 'node!': reference('node'), 'component!': component }),
)

/** The dimension of the value that an answer states, from its own keys. */
export function answerDimension(a: {
  quantity?: unknown
  component?: unknown
  of?: unknown
  row?: unknown
  column?: unknown
}): D.Dimension {
  switch (a.quantity) {
    case 'reaction':
      return a.component === 'rotation' ? D.moment : D.force
    case 'displacement':
      return a.component === 'rotation' ? D.angle : D.length
    case 'moment':
      return D.moment
    case 'fixed-end':
    case 'load-vector':
      return a.component === 'rotation' ? D.moment : D.force
    case 'deflection':
      return D.length
    case 'maximum':
    case 'minimum':
      return a.of === 'moment' ? D.moment : a.of === 'deflection' ? D.length : D.force
    case 'stiffness': {
      const turns = [a.row, a.column].filter(isRotation).length
      return turns === 2 ? D.moment : turns === 1 ? D.force : D.forcePerLength
    }
    case 'load-factor':
      return D.none
    default:
      return D.force
  }
}

const isRotation = (p: unknown): boolean =>
  typeof p === 'number' ? p % 3 === 0 : (p as { component?: unknown } | undefined)?.component === 'rotation'

const common = {
  'id!': label,
  'value!': quantity(answerDimension),
  /** A percentage, an absolute quantity, or "digits": half a unit of the last digit given. */
  tolerance: quantity(answerDimension, { percent: true }),
  case: reference(['case', 'combination']),
  note: text(),
}
const answer = <const Q extends string, K extends Parameters<typeof record>[0]>(name: Q, keys: K) =>
  record({ 'quantity!': oneOf(name), ...common, ...keys })
const alongMember = {
  'member!': reference('member'),
  at: quantity(D.length, { percent: true }),
  side: oneOf('left', 'right'),
}
const extreme = {
  'of!': oneOf('axial', 'shear', 'moment', 'deflection'),
  member: reference('member'),
  at: quantity(D.length, { percent: true }),
}

const KINDS = {
  reaction: answer('reaction', {
    'node!': reference('node'),
    'component!': component,
    axes: oneOf('own', 'global'),
  }),
  displacement: answer('displacement', { 'node!': reference('node'), 'component!': component }),
  axial: answer('axial', { ...alongMember, sense: oneOf('tension', 'compression') }),
  shear: answer('shear', alongMember),
  moment: answer('moment', alongMember),
  deflection: answer('deflection', alongMember),
  maximum: answer('maximum', extreme),
  minimum: answer('minimum', extreme),
  stiffness: answer('stiffness', {
    member: reference('member'),
    axes: oneOf('member', 'global'),
    'row!': place,
    'column!': place,
  }),
  /** A force on the member held at both ends, in its own axes; its moment counter-clockwise. */
  'fixed-end': answer('fixed-end', {
    'member!': reference('member'),
    'end!': oneOf('start', 'end'),
    'component!': component,
  }),
  /** An entry of P: the load on the joint less the fixed-end forces that meet there. */
  'load-vector': answer('load-vector', { 'node!': reference('node'), 'component!': component }),
  'load-factor': answer('load-factor', {}),
}

export const answerForm = choice('quantity', KINDS)

export type AnswerQuantity = keyof typeof KINDS
type Every = TypeOf<(typeof KINDS)[AnswerQuantity]>
type KeysOf<U> = U extends unknown ? keyof U : never
type ValueOf<U, K extends PropertyKey> = U extends unknown ? (K extends keyof U ? U[K] : never) : never

/** An answer of any kind, with the keys that some kind has. */
export type Answer = RecordOf<typeof common> & { quantity: AnswerQuantity } & {
  [K in Exclude<KeysOf<Every>, 'quantity'>]?: ValueOf<Every, K>
}
