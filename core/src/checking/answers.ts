import { makeReader } from '../quantity/reader.js'
import { siPerCoherent } from '../quantity/units.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { Dimension } from '../quantity/dimension.js'
import type { Answer, Problem } from '../document/types.js'
import { answerDimension } from '../kinds/answers/index.js'
import { computedFor } from './quantities.js'
import { diagnose, type Diagnosis } from './diagnosis/index.js'
import { endSign } from './end-signs.js'
import { judgeNumber } from './tolerance.js'

export type Verdict = 'agrees' | 'differs' | 'unknown'

/** A hand value compared with the computed one. Values are in coherent units, null where there is none. */
export interface AnswerVerdict {
  id: string
  given: number | null
  computed: number | null
  dimension: Dimension
  verdict: Verdict
  /** |given − computed| as a share of |computed|; null when computed is 0. */
  apart: number | null
  diagnosis: Diagnosis | null
  reason?: string
}

/** The case or combination an answer speaks of; the first case when it names none. */
export function actionOf(solution: Solution, id: string | undefined): ActionSolution | undefined {
  return id === undefined
    ? solution.cases[0]
    : [...solution.cases, ...solution.combinations].find((a) => a.id === id)
}

/**
 * Checks every hand answer of the problem. A place that does not exist gives `unknown` with a reason, never
 * an error.
 */
export const checkAnswers = (problem: Problem, solution: Solution): AnswerVerdict[] =>
  (problem.answers ?? []).map((a) => checkAnswer(problem, solution, a))

/**
 * The verdict on one hand value. A place that does not exist gives `unknown` with a reason, never an error.
 * @param sign −1 where the value is given with the sign of the force on the member's end, else 1
 */
export function checkAnswer(
  problem: Problem,
  solution: Solution,
  a: Answer,
  sign = endSign(problem, solution, a),
): AnswerVerdict {
  const dimension = answerDimension(a)
  const { reader } = makeReader(problem.units, problem.symbols)
  const read = reader.read(a.value, dimension)
  const per = siPerCoherent(problem.units, dimension)
  let given = read.ok ? read.si : NaN
  if (a.sense) given = a.sense === 'compression' ? -Math.abs(given) : Math.abs(given)
  given *= sign
  const unknown = (reason: string): AnswerVerdict => ({
    id: a.id,
    given: Number.isNaN(given) ? null : (sign * given) / per,
    computed: null,
    dimension,
    verdict: 'unknown',
    apart: null,
    diagnosis: null,
    reason,
  })
  if (!read.ok) return unknown(read.message)
  const action = actionOf(solution, a.case)
  if (!action)
    return unknown(
      a.case === undefined
        ? 'The problem has no load case.'
        : `There is no load case or combination ${a.case}.`,
    )
  const computed = computedFor(problem, solution, action, a)
  if (!computed.ok) return unknown(computed.reason)
  const candidates = computed.candidates ?? [computed.value]
  const value = candidates.reduce((best, v) => (Math.abs(v - given) < Math.abs(best - given) ? v : best))
  const judged = judgeNumber(a, given, value, dimension, reader)
  if ('reason' in judged) return unknown(judged.reason)
  const agrees = judged.agrees && computed.placeMatches !== false
  return {
    id: a.id,
    given: (sign * given) / per,
    computed: (sign * value) / per,
    dimension,
    verdict: agrees ? 'agrees' : 'differs',
    apart: judged.apart,
    diagnosis: agrees
      ? null
      : computed.placeMatches === false && judged.agrees
        ? { kind: 'other-place', sentence: 'The value is right, but it does not occur at this place.' }
        : diagnose({ problem, solution, action, answer: a, given, value }, judged.allowed),
  }
}
