import { working } from '@viga/core'
import { createContext, useContext, useMemo, useState } from 'react'
import { useSheet, useSolved } from '../sheet/context'

/** The numbers of the working as it is shown, and which of them is opened. */
export interface WorkingView {
  ledger: working.Ledger
  reading: working.Reading
  /** The same before the last edit, to tell which numbers it changed. */
  before: working.Ledger | undefined
  /** A matrix kept in view while reading on. */
  pinned: Pinned | null
  pin: (p: Pinned | null) => void
  /** The trail of opened numbers, the last one shown. */
  trail: readonly string[]
  open: (address: string | null) => void
}

export interface Pinned {
  block: working.MatrixBlock
  within?: string
}

export const WorkingContext = createContext<WorkingView | null>(null)

export function useWorkingView(): WorkingView {
  const workingView = useContext(WorkingContext)
  if (!workingView) throw new Error('This part of the page stands outside a working.')
  return workingView
}

/** The ledger of the shown case; made anew with each solution. */
export function useLedger(): working.Ledger | undefined {
  const solved = useSolved()
  const problem = useSheet((s) => s.problem)
  return useMemo(
    () =>
      solved &&
      working.ledger(
        solved.solution,
        problem.units as { length: string; force: string },
        solved.action,
        problem,
      ),
    [solved, problem],
  )
}

/** The ledger before the last edit of the same case, while the same working is read. */
export function useBefore(ledger: working.Ledger | undefined): working.Ledger | undefined {
  const [[now, before], remember] = useState<[working.Ledger | undefined, working.Ledger | undefined]>([
    ledger,
    undefined,
  ])
  if (now === ledger) return before
  const same =
    now &&
    ledger &&
    now.context.action.id === ledger.context.action.id &&
    now.context.problem !== ledger.context.problem
  remember([ledger, same ? now : undefined])
  return same ? now : undefined
}

/** Whether an edit has changed a number, more than by rounding. */
export function hasChanged(
  address: string,
  ledger: working.Ledger,
  before: working.Ledger | undefined,
): boolean {
  if (!before) return false
  const [a, b] = [ledger.entry(address)?.value, before.entry(address)?.value]
  return (
    a !== b &&
    (a === undefined || b === undefined || Math.abs(a - b) > 1e-9 * Math.max(Math.abs(a), Math.abs(b)))
  )
}
