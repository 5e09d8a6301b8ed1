import type { Dimension } from '../../quantity/dimension.js'
import { choice, type TypeOf } from '../../document/form.js'
import type { Cut, Mirror } from '../loads/kind.js'
import { axial, deflection, moment, shear } from './along-member.js'
import { displacement } from './displacement.js'
import { maximum, minimum } from './extreme.js'
import { fixedEnd } from './fixed-end.js'
import type { AnswerKind, Computed, Loose, ResultsOfCase, Reversal, SolutionStep } from './kind.js'
import { loadFactor } from './load-factor.js'
import { loadVector } from './load-vector.js'
import { reaction } from './reaction.js'
import { stiffness } from './stiffness.js'

export type {
  AlongMember,
  Component,
  Computed,
  ResultsOfCase,
  Reversal,
  SolutionStep,
  UnknownPlace,
} from './kind.js'

/**
 * The quantities that a hand answer may have, in the order in which they are offered. The one list a new
 * quantity is added to.
 */
export const ANSWER_KINDS = {
  reaction,
  displacement,
  axial,
  shear,
  moment,
  deflection,
  maximum,
  minimum,
  'fixed-end': fixedEnd,
  'load-vector': loadVector,
  stiffness,
  'load-factor': loadFactor,
}

export type AnswerQuantity = keyof typeof ANSWER_KINDS
type Stated<Q extends AnswerQuantity> = TypeOf<(typeof ANSWER_KINDS)[Q]['form']>
type KeysOf<U> = U extends unknown ? keyof U : never
type EveryKey = KeysOf<{ [Q in AnswerQuantity]: Stated<Q> }[AnswerQuantity]>

/** An answer of one quantity; the keys of other quantities are known to be absent. */
export type AnswerOf<Q extends AnswerQuantity> = Stated<Q> & {
  [K in Exclude<EveryKey, keyof Stated<Q>>]?: undefined
}

/** A hand answer: its quantity, the keys that say where it belongs, and its value. */
export type Answer = { [Q in AnswerQuantity]: AnswerOf<Q> }[AnswerQuantity]

type Without<U, K extends PropertyKey> = U extends unknown ? Omit<U, K> : never

/** The place of a hand value: an answer without its label and its value. */
export type Place = Without<Answer, 'id' | 'value'>

/** An answer that has no label yet. */
export type NewAnswer = Without<Answer, 'id'>

/** Some keys of an answer of any quantity. */
export type AnswerKeys = { [K in EveryKey]?: Answer[K] }

/** The place of a hand value while it is being chosen: some keys may be missing or left from another one. */
export type PlaceDraft = Omit<AnswerKeys, 'id' | 'value'> & { quantity: AnswerQuantity }

/** A hand value at a place; the sense of an axial force where its value has no sign. */
export const answerAt = (
  place: Place,
  { value, sense }: { value: number | string; sense?: AnswerKeys['sense'] },
): NewAnswer => ({ ...place, value, ...(sense ? { sense } : {}) }) as NewAnswer

/** An answer or a place with some other keys; the caller sees to it that they fit its quantity. */
export const withKeys = <A extends Answer | NewAnswer | Place>(a: A, keys: AnswerKeys): A => ({
  ...a,
  ...keys,
})

/** A quantity of a problem that is asked for: a place without what is said about a hand value of it. */
export type Asked = Without<Answer, 'id' | 'value' | 'tolerance' | 'note'>

// each kind is typed by its own entry; looked up by its quantity, all have one shape
const kindOf = (quantity: AnswerQuantity) => ANSWER_KINDS[quantity] as unknown as AnswerKind<Place>

type Forms = { [Q in AnswerQuantity]: (typeof ANSWER_KINDS)[Q]['form'] }

/** The form of an answer in a document. */
export const answerForm = choice(
  'quantity',
  Object.fromEntries(Object.entries(ANSWER_KINDS).map(([key, { form }]) => [key, form])) as Forms,
)

/** The dimension of the value of an answer. */
export const answerDimension = (a: { quantity: AnswerQuantity } & Loose): Dimension =>
  kindOf(a.quantity).dimension(a)

/** The name of a hand value: "A y", "M of AB at 100%", "largest M". */
export const answerName = (a: Place): string => kindOf(a.quantity).name(a)

/** The step of the stiffness method in which a hand value is found. */
export const stepOfAnswer = (a: Place, atEnd: boolean): SolutionStep => kindOf(a.quantity).step(a, atEnd)

/** The value where an answer points, SI, or why there is none. */
export const valueOfAnswer = (a: Place, results: ResultsOfCase): Computed =>
  kindOf(a.quantity).value(a, results)

/** The hand value after the start and the end of its member have changed places. */
export const reversedAnswer = (a: Answer, reversal: Reversal): Answer =>
  kindOf(a.quantity).reversed(a, reversal) as Answer

/** The hand value of a structure's mirror image. */
export const mirroredAnswer = (a: Answer, mirror: Mirror): Answer =>
  kindOf(a.quantity).mirrored(a, mirror) as Answer

/**
 * The hand values after a member has been split. One that has no place in the new structure is left out.
 * @param ends the joints at the ends of the whole member
 */
export const splitAnswers = (answers: readonly Answer[], cut: Cut, ends: readonly string[]): Answer[] =>
  answers.flatMap((a) => (kindOf(a.quantity).split(a, cut, ends) as Answer | undefined) ?? [])

/** True for the largest or the least value of a member or of the structure. */
export const isExtreme = <A extends { quantity: AnswerQuantity }>(
  a: A,
): a is Extract<A, { quantity: 'maximum' | 'minimum' }> =>
  a.quantity === 'maximum' || a.quantity === 'minimum'
