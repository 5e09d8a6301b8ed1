import { siPerCoherent } from '../quantity/units.js'
import * as D from '../quantity/dimension.js'
import type { Solved } from '../analysis/solve.js'
import { checkAnswer } from '../checking/answers.js'
import { consistency } from '../checking/consistency.js'
import { underOpposite } from '../checking/conventions.js'
import { explainSheet } from '../checking/explain.js'
import { judgedAnswers } from '../checking/judged.js'
import { computedValues } from '../checking/slips/values.js'
import type { Answer, Problem } from '../document/types.js'

/** The value of an answer under the opposite sign convention, SI. */
const oppositeOf = (problem: Problem, solved: Solved) => (a: Answer) => {
  const turned: Answer =
    a.quantity === 'maximum'
      ? { ...a, quantity: 'minimum' }
      : a.quantity === 'minimum'
        ? { ...a, quantity: 'maximum' }
        : a
  return computedValues(problem, solved.solution, turned)?.map((v) => -v)
}

/** What `viga check` prints: a verdict for each answer, consistency of the hand values, explanations. */
export function checkDocument(problem: Problem, solved: Solved) {
  const { solution } = solved
  const judged = judgedAnswers(problem, solution)
  const opposite = underOpposite(judged, oppositeOf(problem, solved))
  const answers = (problem.answers ?? []).map((a) => {
    const v = checkAnswer(problem, solution, a)
    const flipped = v.verdict === 'differs' && opposite.has(a.id)
    return {
      id: v.id,
      given: v.given,
      computed: v.computed,
      apart: v.apart,
      verdict: flipped ? 'convention' : v.verdict,
      ...(v.reason ? { reason: v.reason } : {}),
      ...(v.verdict === 'differs' && !flipped && v.diagnosis ? { diagnosis: v.diagnosis } : {}),
    }
  })
  const count = (...verdicts: string[]) => answers.filter((a) => verdicts.includes(a.verdict)).length
  const per = (d: D.Dimension) => 1 / siPerCoherent(problem.units, d)
  return {
    format: 'viga-check',
    version: 1,
    score: { agree: count('agrees', 'convention'), differ: count('differs'), unknown: count('unknown') },
    answers,
    consistency: consistency(problem, solution, judged).map(({ residual, dimension, ...rest }) => ({
      ...rest,
      residual: residual * per(dimension),
    })),
    explanations: explainSheet(problem, solved, opposite),
  }
}
