import { methodChoices, working } from '@viga/core'
import { createContext, useContext, useMemo, useState } from 'react'
import { useSheet, useSolved } from '../sheet/context'
import { useMethod } from './method-list'

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
export function useLedger(method: string): working.Ledger | undefined {
  const solved = useSolved()
  const problem = useSheet((s) => s.problem)
  const by = useMethod(method)
  return useMemo(() => {
    const structure = solved?.solution.structure
    const options = methodChoices(problem)
    if (!structure || !by?.fits(problem, structure, options).fits) return undefined
    return by.open({ problem, structure, options, action: solved.action.id, solved: () => solved })
  }, [solved, problem, by])
}

/** The methods that fit the problem as it is solved; asked for only while somebody looks: it takes time. */
export function useFits(
  asked: readonly working.Method[],
): { method: working.Method; fit: working.Fit }[] | undefined {
  const solved = useSolved()
  const problem = useSheet((s) => s.problem)
  const structure = solved?.solution.structure
  return useMemo(
    () =>
      structure &&
      asked.map((method) => ({ method, fit: method.fits(problem, structure, methodChoices(problem)) })),
    [structure, problem, asked],
  )
}

/** The working shown, where it is by the stiffness method: views of its matrices stand in no other one. */
export function useStiffnessBook(): working.StiffnessBook {
  const { ledger } = useWorkingView()
  if (ledger.method.key !== 'stiffness') throw new Error('This view stands outside the stiffness method.')
  return ledger as working.StiffnessBook
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
    now.method.key === ledger.method.key &&
    now.context.acting.id === ledger.context.acting.id &&
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
