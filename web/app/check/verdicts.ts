import {
  explainedVerdicts,
  judgeSheet,
  type Answer,
  type Explanation,
  type Outcome,
  type Problem,
  type SheetVerdict,
} from '@viga/core'
import { useMemo } from 'react'
import { useSheet } from '../sheet/context'
import type { Sign } from '../widgets/VerdictSign'

/** A hand value with its verdict. */
export interface JudgedAnswer {
  answer: Answer
  verdict: SheetVerdict
}

/** Every hand value with its verdict; recomputed with the solution. */
export function useVerdicts(): JudgedAnswer[] {
  const problem = useSheet((s) => s.problem)
  const outcome = useSheet((s) => s.outcome)
  const explanation = useSheet((s) =>
    s.checked?.problem === s.problem ? s.checked.found?.explanations[0] : undefined,
  )
  return useMemo(() => verdictsOf(problem, outcome, explanation), [problem, outcome, explanation])
}

export function verdictsOf(problem: Problem, outcome: Outcome, explanation?: Explanation): JudgedAnswer[] {
  if (outcome.stage !== 'solved' || !problem.answers) return []
  const verdicts = explainedVerdicts(judgeSheet(problem, outcome.solution), explanation)
  return problem.answers.map((answer, i) => ({ answer, verdict: verdicts[i] }))
}

const SIGNS: Record<SheetVerdict['verdict'], Sign> = {
  agrees: '=',
  convention: '±',
  differs: '≠',
  follows: '→',
  unknown: '?',
}
export const signOf = (v: Pick<SheetVerdict, 'verdict'>): Sign => SIGNS[v.verdict]

export const WORDS: Record<Sign, string> = {
  '=': 'agrees',
  '±': 'agrees, other sign convention',
  '≠': 'differs',
  '→': 'follows',
  '?': 'cannot tell',
}
