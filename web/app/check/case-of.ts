import type { Answer, Problem } from '@viga/core'

/** The case or combination a hand value is of: where it names none, the first; a stiffness is of none. */
export const caseOf = (problem: Problem, a: Pick<Answer, 'case' | 'quantity'>): string | undefined =>
  a.quantity === 'stiffness' ? undefined : (a.case ?? problem.loadCases?.[0]?.id)
