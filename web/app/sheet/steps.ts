import { goneWith, type Problem, type ProblemError } from '@viga/core'
import { carriedOver } from './drafts'
import { rowsOf } from './rows-kept'
import type { EditOptions, Get, Set, SheetActions, SheetState, Step } from './store'
import { stillThere } from './targets'

/** Edits of the same thing within this time are one step of undo, ms. */
const GROUPING = 500

/**
 * Takes over a problem and whatever follows from it, with a further change of the state that is asked for
 * once the problem is accepted. One that breaks the contract is refused: nothing changes and the error comes
 * back.
 */
export type Become = (problem: Problem, rest: () => Partial<SheetState>) => ProblemError | null

/** Whether an edit goes on from the last step: the same field, shortly after, nothing undone between. */
const continues = (last: Step | undefined, merge: string | undefined, now: number, undone: boolean) =>
  merge !== undefined && last?.merge === merge && Math.abs(now - last.at) < GROUPING && !undone

/** The edits of a problem as steps that can be taken back and made again, without end. */
export const stepping = (
  set: Set,
  get: Get,
  become: Become,
): Pick<SheetActions, 'edit' | 'undo' | 'redo'> => ({
  edit(name: string, change: (p: Problem) => Problem, options: EditOptions = {}) {
    const { problem, past, selection } = get()
    const next = change(problem)
    if (next === problem) {
      if (options.select !== undefined) set({ selection: options.select })
      return null
    }
    const refusal = become(next, () => {
      const last = past[past.length - 1]
      // the time of day, since the steps outlive the page
      const now = Date.now()
      const grouped = continues(last, options.merge, now, get().future.length > 0)
      const step: Step = grouped
        ? { ...last, at: now }
        : { problem, name, selection, merge: options.merge, at: now }
      return {
        past: [...(grouped ? past.slice(0, -1) : past), step],
        future: [],
        refused: null,
        said: options.merge === undefined ? (goneWith(problem, next) ?? null) : null,
        saidOfEdit: true,
        selection: options.select === undefined ? stillThere(next, selection) : options.select,
        drafts: carriedOver(get().drafts, problem, next),
      }
    })
    if (refusal && options.merge === undefined && !options.shown) set({ refused: refusal.message })
    return refusal
  },
  undo() {
    const { past, future, problem, selection } = get()
    const step = past[past.length - 1]
    if (!step) return
    become(step.problem, () => ({
      past: past.slice(0, -1),
      future: [...future, { ...step, problem, selection }],
      said: null,
      selection: step.selection,
      drafts: rowsOf(get().drafts),
    }))
  },
  redo() {
    const { past, future, problem, selection } = get()
    const step = future[future.length - 1]
    if (!step) return
    become(step.problem, () => ({
      future: future.slice(0, -1),
      past: [...past, { ...step, problem, selection, merge: undefined }],
      selection: step.selection,
      drafts: rowsOf(get().drafts),
    }))
  },
})
