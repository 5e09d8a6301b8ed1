import { createContext, useContext, useMemo } from 'react'
import { useStore } from 'zustand'
import {
  displayOf,
  type ActionSolution,
  type Display,
  type Outcome,
  type Problem,
  type Structure,
} from '@viga/core'
import { numbered, type NumberedSolution } from '@viga/core/methods/stiffness/numbering'
import type { Part } from '@viga/drawing/caption'
import type { Sheet, SheetStore } from './store'

export const SheetContext = createContext<SheetStore | null>(null)

/** The store of the open problem. */
export function useSheetStore(): SheetStore {
  const store = useContext(SheetContext)
  if (!store) throw new Error('This part of the page stands outside a problem.')
  return store
}

/** Makes an edit of the open problem, as the store's `edit` does. */
export const useEdit = (): Sheet['edit'] => useSheetStore().getState().edit

/**
 * Makes an edit that was typed into a field, which shows a refusal at its own place.
 * @returns a function that makes the edit and returns the sentence it was refused with, or null
 */
export function useTypedEdit(): (name: string, change: (p: Problem) => Problem) => string | null {
  const apply = useEdit()
  return (name, change) => apply(name, change, { shown: true })?.message ?? null
}

export const useSheet = <T,>(pick: (s: Sheet) => T): T => useStore(useSheetStore(), pick)

export function useDisplay(): Display {
  const problem = useSheet((s) => s.problem)
  return useMemo(() => displayOf(problem), [problem])
}

export const structureOf = (outcome: Outcome): Structure | undefined =>
  outcome.stage === 'invalid' ? undefined : outcome.structure

/** The solution, how its unknowns are numbered, and the chosen case or combination, when there is one. */
export function useSolved(): (NumberedSolution & { action: ActionSolution }) | undefined {
  // while a large structure is solved anew, the results before the edit stay, with their own structure
  const outcome = useSheet((s) => (s.solving ? (s.earlier ?? s.outcome) : s.outcome))
  const actionId = useSheet((s) => s.actionId)
  const view = useSheet((s) => s.problem.view)
  return useMemo(() => {
    // without a member there is nothing that could be worked out
    if (outcome.stage !== 'solved' || outcome.structure.members.length === 0) return undefined
    const all = [...outcome.solution.cases, ...outcome.solution.combinations]
    const action = all.find((a) => a.id === actionId) ?? all[0]
    return action && { ...numbered(outcome.solution, { view }), action }
  }, [outcome, actionId, view])
}

export const PARTS: readonly { key: Part; label: string }[] = [
  { key: 'given', label: 'Given' },
  { key: 'working', label: 'Working' },
  { key: 'results', label: 'Results' },
  { key: 'check', label: 'Check' },
]
