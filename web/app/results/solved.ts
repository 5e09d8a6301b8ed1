import { useMemo } from 'react'
import { signsOf, type ActionSolution, type Signs, type Solution } from '@viga/core'
import { useSheet, useSheetStore } from '../sheet/context'

/** What a view of the Results is handed: the solution and the case or combination that is shown. */
export interface Solved {
  solution: Solution
  action: ActionSolution
}

/** Every case and combination of a solution. */
export const actionsOf = ({ cases, combinations }: Solution): ActionSolution[] => [...cases, ...combinations]

/** Members times cases up to which an envelope is made at once: about 10 ms of work. */
const AT_ONCE = 500

export const isQuick = ({ structure }: Solution, actions: readonly ActionSolution[]): boolean =>
  structure.members.length * actions.length <= AT_ONCE

export function useSigns(): Signs {
  const view = useSheet((s) => s.problem.view)
  return useMemo(() => signsOf({ view }), [view])
}

/** The member a view is about: that of the address, else the one selected on the Figure, else the first. */
export function useMemberIndex(solution: Solution, id: string | undefined): number {
  const store = useSheetStore()
  const { members } = solution.structure
  const named = members.findIndex((m) => m.id === id)
  if (named >= 0) return named
  const probe = store.getState().probe
  return Math.max(
    0,
    members.findIndex((m) => m.id === probe?.member),
  )
}
