import { lowestFactor, type ActionSolution } from '@viga/core'
import { useEffect, useState } from 'react'
import { useSolved } from '../../sheet/context'
import { quietly } from '../../widgets/quietly'
import { warningOf } from './words'

/** Of a larger structure the factor is looked for only where it is asked for, under Buckling. */
const MOST_MEMBERS = 60

/** What the caption warns of: loads so near to the critical ones that second order matters. */
export function useWarning(on: boolean): string | undefined {
  const solved = useSolved()
  const [found, setFound] = useState<{ action: ActionSolution; words: string | undefined }>()
  const action = solved?.action
  const solution = solved?.solution
  useEffect(() => {
    if (!on || !solution || !action || solution.structure.members.length > MOST_MEMBERS) return
    // an edit is painted first
    return quietly(() => setFound({ action, words: warningOf(lowestFactor(solution, action)) }))
  }, [on, solution, action])
  return on && found?.action === action ? found?.words : undefined
}
