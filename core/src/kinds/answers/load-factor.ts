import * as D from '../../quantity/dimension.js'
import type { TypeOf } from '../../document/form.js'
import { answerRecord, type AnswerKind } from './kind.js'

const form = answerRecord('load-factor', () => D.none, {})

/** The factor of all loads under which the structure buckles. */
export const loadFactor: AnswerKind<TypeOf<typeof form>> = {
  title: 'critical load factor',
  form,
  dimension: () => D.none,
  name: () => 'critical load factor',
  step: () => 'diagrams',
  value: (_, results) => results.loadFactor(),
  reversed: (a) => a,
  mirrored: (a) => a,
  split: (a) => a,
}
