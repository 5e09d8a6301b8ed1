import {
  firstOrderOf,
  firstOrderSolution,
  work,
  type ActionSolution,
  type Outcome,
  type Problem,
  type Solution,
} from '@viga/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useSheet } from './context'
import { solveNewest } from './solver'
import { SOLVED_AT_ONCE } from './store'

export type ComparedResult =
  | { stage: 'none' }
  | { stage: 'solving' }
  | { stage: 'failed'; title: string; message: string }
  | { stage: 'solved'; title: string; solution: Solution; action: ActionSolution }

/** The outcome of another problem: at once for a small one, from the worker for a large one. */
function useOutcomeOf(problem: Problem | undefined): Outcome | undefined {
  const small = problem !== undefined && problem.members.length <= SOLVED_AT_ONCE
  const now = useMemo(() => (small ? work(problem) : undefined), [small, problem])
  const [later, setLater] = useState<{ problem: Problem; outcome: Outcome }>()
  const solve = useRef<ReturnType<typeof solveNewest>>(undefined)
  useEffect(() => {
    if (small || !problem) return
    solve.current ??= solveNewest((p, outcome) => setLater({ problem: p, outcome }))
    solve.current(problem)
  }, [small, problem])
  return now ?? (later?.problem === problem ? later?.outcome : undefined)
}

/** The result that the shown one is compared with. */
export function useCompared(): ComparedResult {
  const comparison = useSheet((s) => s.comparison)
  const outcome = useSheet((s) => s.outcome)
  const actionId = useSheet((s) => s.actionId)
  const other = useOutcomeOf(comparison.kind === 'problem' ? comparison.problem : undefined)
  return useMemo((): ComparedResult => {
    if (comparison.kind === 'none' || outcome.stage !== 'solved') return { stage: 'none' }
    if (comparison.kind === 'action') {
      const action = actionOf(outcome.solution, comparison.id)
      return action
        ? { stage: 'solved', title: action.title, solution: outcome.solution, action }
        : { stage: 'failed', title: comparison.id, message: 'The case to compare with is no longer there.' }
    }
    if (comparison.kind === 'first-order') {
      const action = actionOf(outcome.solution, actionId) ?? outcome.solution.cases[0]
      return action?.bent
        ? {
            stage: 'solved',
            title: 'first order',
            solution: firstOrderSolution(outcome.solution),
            action: firstOrderOf(action),
          }
        : {
            stage: 'failed',
            title: 'first order',
            message: 'The problem is solved in first order already.',
          }
    }
    if (!other) return { stage: 'solving' }
    if (other.stage !== 'solved') {
      const { message } = other.stage === 'invalid' ? other.errors[0] : other.error
      return { stage: 'failed', title: comparison.title, message }
    }
    const action = actionOf(other.solution, actionId) ?? other.solution.cases[0]
    return action
      ? { stage: 'solved', title: comparison.title, solution: other.solution, action }
      : { stage: 'failed', title: comparison.title, message: 'There is no load case to compare.' }
  }, [comparison, outcome, other, actionId])
}

const actionOf = ({ cases, combinations }: Solution, id: string | null) =>
  [...cases, ...combinations].find((a) => a.id === id)
