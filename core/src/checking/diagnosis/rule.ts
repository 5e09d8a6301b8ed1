import * as D from '../../quantity/dimension.js'
import type { ActionSolution, Solution } from '../../analysis/solve.js'
import type { Answer, Problem } from '../../document/types.js'
import { answerDimension, withKeys, type AnswerKeys } from '../../kinds/answers/index.js'
import { computedFor } from '../quantities.js'

/** Why a hand value differs, as far as it can be told from the numbers. */
export interface Diagnosis {
  kind:
    'opposite-sign' | 'unit-factor' | 'other-place' | 'other-case' | 'other-quantity' | 'rounded' | 'factor'
  sentence: string
  /** By how many times the value is too large. */
  factor?: number
  /** The place whose value it is: the keys of an answer that are others there. */
  place?: AnswerKeys
  case?: string
  quantity?: string
}

/** A hand value that differs, with what it is compared with; values in SI. */
export interface Differing {
  problem: Problem
  solution: Solution
  action: ActionSolution
  answer: Answer
  given: number
  value: number
}

/** True where the hand value counts as the value given, SI. */
export type Near = (v: number) => boolean

/** A rule that may tell why a single value differs. */
export interface Rule {
  kind: Diagnosis['kind']
  /** Tried to the digits of the value, near it, or both; a rule that meets the digits comes first. */
  tried: readonly ('digits' | 'near')[]
  /** The rule can tell why a value of zero was given. */
  ofZero?: boolean
  find: (value: Differing, near: Near) => Diagnosis | null
}

/** Relative difference at which a hand value counts as a certain other value: about three figures. */
export const SAME = 0.005

/** True where the value of an answer with some other keys, or of another case, is the hand value. */
export function isValueOf(
  { problem, solution, action, answer }: Differing,
  near: Near,
  other: AnswerKeys,
  of = action,
): boolean {
  const c = computedFor(problem, solution, of, withKeys(answer, other))
  return c.ok && D.equal(c.dimension, answerDimension(answer)) && c.value !== 0 && near(c.value)
}
