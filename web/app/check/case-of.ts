import type { Answer, Problem } from '@viga/core'
import { useEffect } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'

/** The case or combination a hand value is of: where it names none, the first; a stiffness is of none. */
export const caseOf = (problem: Problem, a: Pick<Answer, 'case' | 'quantity'>): string | undefined =>
  a.quantity === 'stiffness' ? undefined : (a.case ?? problem.loadCases?.[0]?.id)

/** When the Check opens while a case is shown that no hand value is of, shows the case of the first value. */
export function useCaseOfValues() {
  const store = useSheetStore()
  const id = useSheet((s) => s.id)
  useEffect(() => {
    const { problem, actionId, chooseAction } = store.getState()
    const cases = (problem.answers ?? []).map((a) => caseOf(problem, a)).filter((c) => c !== undefined)
    if (cases.length > 0 && !cases.some((c) => c === actionId)) chooseAction(cases[0])
  }, [store, id])
}
