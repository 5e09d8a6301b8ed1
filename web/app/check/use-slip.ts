import { solveWithSlip, workWithSystem, type Explanation, type Problem, type Solution } from '@viga/core'
import { useEffect, useMemo } from 'react'
import { reaches, useShows } from './shows'
import { useSheet, useSheetStore } from '../sheet/context'
import { SOLVED_AT_ONCE } from '../sheet/store'

/** The problem solved as the likeliest slip behind the hand values would have it. */
export interface Slipped {
  explanation: Explanation
  solution: Solution
  /** The values it has for an answer, SI. */
  read: NonNullable<ReturnType<typeof solveWithSlip>>['read']
}

/** The first explanation of the sheet, solved; undefined while there is none. */
export function useSlip(): Slipped | undefined {
  const problem = useSheet((s) => s.problem)
  const checked = useSheet((s) => s.checked)
  const explanation = checked?.problem === problem ? checked.found?.explanations[0] : undefined
  return useMemo(() => explanation && slipped(problem, explanation), [problem, explanation])
}

/** One solution is kept: the Sheet and the Figure ask for the same. */
let kept: { problem: Problem; explanation: Explanation; slip: Slipped | undefined } | undefined

function slipped(problem: Problem, explanation: Explanation): Slipped | undefined {
  if (kept?.problem !== problem || kept.explanation !== explanation) {
    const { solved } = problem.members.length <= SOLVED_AT_ONCE ? workWithSystem(problem) : {}
    const found = solved && solveWithSlip(problem, solved, explanation)
    kept = { problem, explanation, slip: found && { explanation, ...found } }
  }
  return kept.slip
}

/** While the Check is open and values are shown, the Figure draws the diagram as the slip has it, too. */
export function useRedrawn() {
  const store = useSheetStore()
  const slip = useSlip()
  const shows = useShows()
  useEffect(() => {
    store.setState({ redrawn: slip && reaches(shows, 'value') ? slip.solution : null })
    return () => store.setState({ redrawn: null })
  }, [store, slip, shows])
}
