import { useMemo } from 'react'
import type { Overlay } from '../figure/Figure'
import { useSheet } from '../sheet/context'
import { useFetched } from '../widgets/use-fetched'

const fetchOverlay = () => import('./overlay').then((m) => m.checkOverlay)

/** What the Check writes and draws on the Figure, while it is open; its script comes with the first time. */
export function useCheckOverlay(on: boolean): Overlay | undefined {
  const problem = useSheet((s) => s.problem)
  const outcome = useSheet((s) => s.outcome)
  const actionId = useSheet((s) => s.actionId)
  const explanation = useSheet((s) =>
    s.checked?.problem === s.problem ? s.checked.found?.explanations[0] : undefined,
  )
  const overlay = useFetched(on, fetchOverlay)
  return useMemo(
    () => (on ? overlay?.(problem, outcome, actionId, explanation) : undefined),
    [on, overlay, problem, outcome, actionId, explanation],
  )
}
