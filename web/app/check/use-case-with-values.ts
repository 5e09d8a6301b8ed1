import { useEffect } from 'react'
import { useSheetStore } from '../sheet/context'
import { caseOf } from './case-of'

/**
 * Opens the Check on the case that has hand values, where one case alone has some and the person has not
 * chosen another one.
 */
export function useCaseWithValues() {
  const store = useSheetStore()
  useEffect(() => {
    const { problem, actionId, caseChosen } = store.getState()
    const cases = new Set((problem.answers ?? []).flatMap((a) => caseOf(problem, a) ?? []))
    const [only] = cases
    if (!caseChosen && cases.size === 1 && only !== actionId) store.setState({ actionId: only })
  }, [store])
}
