import { judgeSheet, type Answer, type Outcome, type Problem, type SheetVerdict } from '@viga/core'
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
  return useMemo(() => verdictsOf(problem, outcome), [problem, outcome])
}

export function verdictsOf(problem: Problem, outcome: Outcome): JudgedAnswer[] {
  if (outcome.stage !== 'solved' || !problem.answers) return []
  const verdicts = judgeSheet(problem, outcome.solution)
  return problem.answers.map((answer, i) => ({ answer, verdict: verdicts[i] }))
}

const SIGNS: Record<SheetVerdict['verdict'], Sign> = {
  agrees: '=',
  convention: '±',
  differs: '≠',
  unknown: '?',
}
export const signOf = (v: Pick<SheetVerdict, 'verdict'>): Sign => SIGNS[v.verdict]

export const WORDS: Record<Sign, string> = {
  '=': 'agrees',
  '±': 'agrees, opposite sign',
  '≠': 'differs',
  '?': 'cannot tell',
}
