import { firstOrderOf, firstOrderSolution } from '@viga/core'
import { useMemo } from 'react'
import type { Overlay } from '../figure/Figure'
import type { FigureKey } from '../sheet/figure-keys'
import { useSheet, useSolved } from '../sheet/context'

/**
 * Beside the steps of the Working the Figure shows what they find: that is of first order, until the step of
 * second order shows what becomes of it.
 */
export function useFirstOrder(on: boolean, step: FigureKey): Overlay | undefined {
  const solved = useSolved()
  const { reactions, diagram, deflected } = useSheet((s) => s.shown[step])
  const results = reactions || deflected || diagram !== null
  return useMemo(() => {
    if (!on || step === 'stiffness.second-order' || !solved?.action.bent) return undefined
    const { solution, action } = solved
    return {
      instead: { solution: firstOrderSolution(solution), action: firstOrderOf(action) },
      note: results ? 'Of first order, as this step is.' : undefined,
    }
  }, [on, step, solved, results])
}
