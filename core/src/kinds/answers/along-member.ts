import * as D from '../../quantity/dimension.js'
import { oneOf, quantity, reference, type TypeOf } from '../../document/form.js'
import { endOfStated } from '../../document/ends.js'
import { scaled } from '../../document/measure.js'
import type { Quantity } from '../../document/types.js'
import { fromOtherEnd, placeOnHalf, type Cut } from '../loads/kind.js'
import { answerRecord, type AlongMember, type AnswerKind, type Reversal } from './kind.js'

/** The letter or word of a value along a member. */
export const LETTER: Record<AlongMember, string> = {
  axial: 'N',
  shear: 'V',
  moment: 'M',
  deflection: 'deflection',
}

const keys = {
  'member!': reference('member'),
  at: quantity(D.length, { percent: true }),
  side: oneOf('left', 'right'),
}
const forms = {
  axial: answerRecord('axial', () => D.force, { ...keys, sense: oneOf('tension', 'compression') }),
  shear: answerRecord('shear', () => D.force, keys),
  moment: answerRecord('moment', () => D.moment, keys),
  deflection: answerRecord('deflection', () => D.length, keys),
}

interface Stated {
  value: Quantity
  member: string
  at?: Quantity
  side?: 'left' | 'right'
  sense?: 'tension' | 'compression'
}

const negative = <A extends Stated>(a: A): A => ({ ...a, value: scaled(a.value, -1) })

const otherSide = { left: 'right', right: 'left' } as const

/** The place measured from the other end of the member, and the other side of it. */
function fromOther<A extends Stated>(a: A, { m, L }: Reversal): A {
  const out = { ...a }
  if (a.at !== undefined) out.at = fromOtherEnd(a.at, m, L)
  if (a.side) out.side = otherSide[a.side]
  return out
}

/**
 * True for an end moment or end shear that a problem states as a force on the member. The direction of such a
 * force does not depend on which end is the start.
 */
const isEndForce = (a: Stated, r: Reversal) =>
  r.endForces && a.at !== undefined && endOfStated(r.m, a.at, r.L) !== undefined

/** A place on one of the halves. Just after the cut is the start of the second half. */
function onHalf<A extends Stated>(a: A, cut: Cut): A {
  if (a.member !== cut.whole) return a
  if (a.at === undefined) return { ...a, member: cut.first }
  const place = placeOnHalf(cut, a.at)
  const isCut = place.member === cut.first && Math.abs(cut.m.along(a.at, cut.L) - cut.cut) <= 1e-9 * cut.L
  if (!isCut) return { ...a, ...place }
  return a.side === 'right' ? { ...a, member: cut.second, at: 0 } : { ...a, ...place, at: '100%' }
}

/** The parts that the values along a member have in common. */
const shared = <A extends Stated>(of: AlongMember) => ({
  name: (a: A) =>
    [
      `${LETTER[of]} of ${a.member}`,
      a.at === undefined ? '' : ` at ${a.at}`,
      a.side ? `, just ${a.side === 'left' ? 'before' : 'after'}` : '',
      a.sense ? `, ${a.sense}` : '',
    ].join(''),
  step: (a: A, atEnd: boolean) =>
    of !== 'deflection' && (a.at === undefined || atEnd) ? ('end-forces' as const) : ('diagrams' as const),
  value: (a: A, results: Parameters<AnswerKind<A>['value']>[1]) => results.along(of, a.member, a.at, a.side),
  split: (a: A, cut: Cut) => onHalf(a, cut),
})

/** The axial force of a member, tension positive. */
export const axial: AnswerKind<TypeOf<typeof forms.axial>> = {
  ...shared('axial'),
  title: 'axial force N',
  form: forms.axial,
  dimension: () => D.force,
  reversed: fromOther,
  mirrored: (a) => a,
}

/** The shear at a place of a member. */
export const shear: AnswerKind<TypeOf<typeof forms.shear>> = {
  ...shared('shear'),
  title: 'shear V',
  form: forms.shear,
  dimension: () => D.force,
  // a shear on the member along its y changes sign with y, one within it keeps its sign
  reversed: (a, r) => (isEndForce(a, r) ? negative(fromOther(a, r)) : fromOther(a, r)),
  mirrored: negative,
}

/** The bending moment at a place of a member. */
export const moment: AnswerKind<TypeOf<typeof forms.moment>> = {
  ...shared('moment'),
  title: 'moment M',
  form: forms.moment,
  dimension: () => D.moment,
  // a moment on the member stays counter-clockwise, one within it changes sign with the member's y
  reversed: (a, r) => (isEndForce(a, r) ? fromOther(a, r) : negative(fromOther(a, r))),
  mirrored: negative,
}

/** The deflection at a place of a member, from its chord. */
export const deflection: AnswerKind<TypeOf<typeof forms.deflection>> = {
  ...shared('deflection'),
  title: 'deflection',
  form: forms.deflection,
  dimension: () => D.length,
  reversed: (a, r) => negative(fromOther(a, r)),
  mirrored: negative,
  // the chords of the halves are others
  split: (a, cut) => (a.member === cut.whole ? undefined : a),
}
