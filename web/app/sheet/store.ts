import {
  checkProblem,
  problemErrors,
  createSolver,
  resolve,
  type Outcome,
  type Problem,
  type ProblemError,
} from '@viga/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Layers } from '@viga/drawing/scene'
import { firstLayers, type FigureKey } from './figure-keys'
import { solveNewest } from './solver'
import { labelAfter, type Draft, type Drafts } from './drafts'
import { FIRST_RESULTS_VIEW, type ResultsView } from './results-view'
import { stepping, type Become } from './steps'

/** One step of the undo list: the problem as it was, what was done to it, and what was selected. */
export interface Step {
  problem: Problem
  name: string
  selection: string | null
  merge?: string
  at: number
}

export type SaveState =
  | { kind: 'saved'; at: string }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  /** Could not be reached; tried again by itself. Everything stays in this browser meanwhile. */
  | { kind: 'offline'; message: string }
  /** Somebody saved a newer revision; both are here until the person chooses. */
  | { kind: 'conflict'; newer: { problem: Problem; revision: number; changedAt: string } }
  /** Taken off the Shelf while it is open here; it can be put back. */
  | { kind: 'gone' }

export interface SheetState extends ResultsView {
  id: string
  problem: Problem
  /** Revision in the database that the next save starts from. */
  revision: number
  outcome: Outcome
  /** A large structure is being solved in a worker: `outcome` has it drawn, and no results yet. */
  solving: boolean
  /** While `solving`: the last outcome with results, of the structure as it was before the edit. */
  earlier: Outcome | null
  past: Step[]
  future: Step[]
  /** What is pointed at and what is selected: `node:A`, `member:AB`, `support:A`, `load:D:0`, `dof:3` … */
  hover: string | null
  selection: string | null
  /** The case or combination whose results are shown. */
  actionId: string | null
  /** The person chose the case that is shown; otherwise a view may open on another one. */
  caseChosen: boolean
  shown: Record<FigureKey, Layers>
  enlarge: number
  /** Under Given, the loads of all cases are drawn at once. */
  together: boolean
  /** Something on the Figure is being dragged. */
  dragging: boolean
  /** Why the last press of a button or choice changed nothing; fields say theirs at their own place. */
  refused: string | null
  /** A remark on the last edit, where its name does not describe everything it did. */
  said: string | null
  /** The remark is of the last edit, so that Undo stands beside it. */
  saidOfEdit: boolean
  /** The units that results are shown in are being chosen. */
  showing: boolean
  /** The form of the selected thing takes the focus as soon as it stands on the Figure. */
  entering: boolean
  /** Texts that cannot be read yet, by field; they outlive a reload. */
  drafts: Drafts
  save: SaveState
  /** What is not saved yet is on the disk of this browser. */
  draftKept: boolean
  /** What earlier pages of this browser left has been looked for. */
  restored: boolean
  /** The person may save over this problem; otherwise a change becomes a copy of their own. */
  mayWrite: boolean
  /** The problem of one's own that a change to another's has become: the page goes there. */
  movedTo: string | null
}

export interface EditOptions {
  /** Edits of one field in one go are one step of undo. */
  merge?: string
  select?: string | null
  /** The caller shows a refusal itself, at the place where it is. */
  shown?: boolean
}

export interface SheetActions {
  /**
   * Applies an edit. A result that breaks the contract is refused: nothing changes and the error comes back.
   */
  edit(name: string, change: (p: Problem) => Problem, options?: EditOptions): ProblemError | null
  undo(): void
  redo(): void
  point(target: string | null): void
  select(target: string | null): void
  chooseAction(id: string): void
  show(figureKey: FigureKey, change: Partial<Layers>): void
  setEnlarge(factor: number): void
  draft(key: string, draft: Draft | null): void
}

export type Sheet = SheetState & SheetActions
export type SheetStore = StoreApi<Sheet>

/** Beyond this many members the solution is found in a worker, so that typing never waits. */
export const SOLVED_AT_ONCE = 250

export interface Opened {
  id: string
  problem: Problem
  revision: number
  changedAt: string
  mayWrite?: boolean
}

export type Set = SheetStore['setState']
export type Get = SheetStore['getState']

export const createSheet = (initial: Opened): SheetStore =>
  createStore<Sheet>((set, get) => {
    const solve = createSolver()
    const solveLater = solveNewest((problem, outcome) => {
      if (get().problem === problem) set({ outcome, solving: false, earlier: null })
    })
    const large = isLarge(initial.problem)
    // on the server a large problem is not solved at all: the page draws it and solves it in its worker
    if (large && typeof window !== 'undefined') solveLater(initial.problem)
    const become: Become = (problem, rest) => {
      const form = checkProblem(problem)
      if (!form.ok) return form.errors[0]
      const next = isLarge(problem) ? drawnOnly(problem, get()) : solvedNow(solve(problem))
      if (next.outcome.stage === 'invalid') return next.outcome.errors[0]
      const { problem: before, save } = get()
      set({
        problem,
        save: ['conflict', 'gone', 'offline'].includes(save.kind) ? save : { kind: 'unsaved' },
        ...rest(),
        ...next,
      })
      if (isLarge(problem)) solveLater(problem)
      followAction(set, get, before)
      followKind(set, get, before)
      return null
    }
    return {
      ...opened(initial),
      ...(large ? drawnOnly(initial.problem) : solvedNow(solve(initial.problem))),
      ...stepping(set, get, become),
      point: (target) => get().hover !== target && set({ hover: target }),
      select: (target) => set({ selection: target }),
      chooseAction: (id) => set({ actionId: id, caseChosen: true }),
      show: (figureKey, change) =>
        set({ shown: { ...get().shown, [figureKey]: { ...get().shown[figureKey], ...change } } }),
      setEnlarge: (factor) => set({ enlarge: factor }),
      draft(key, draft) {
        const { [key]: before, ...rest } = get().drafts
        if (draft === null) {
          if (before !== undefined) set({ drafts: rest })
        } else set({ drafts: { ...rest, [key]: draft } })
      },
    }
  })

const isLarge = (p: Problem) => p.members.length > SOLVED_AT_ONCE
const solvedNow = (outcome: Outcome) => ({ outcome, solving: false, earlier: null })

/** The state of a problem that was just opened, but for its outcome. */
const opened = (initial: Opened): Omit<SheetState, 'outcome' | 'solving' | 'earlier'> => ({
  id: initial.id,
  problem: initial.problem,
  revision: initial.revision,
  mayWrite: initial.mayWrite ?? true,
  draftKept: false,
  restored: false,
  movedTo: null,
  past: [],
  future: [],
  hover: null,
  selection: null,
  actionId: initial.problem.loadCases?.[0]?.id ?? null,
  caseChosen: false,
  shown: firstLayers(initial.problem.kind === 'truss' ? 'N' : 'M'),
  enlarge: 0,
  together: false,
  dragging: false,
  refused: null,
  said: null,
  saidOfEdit: false,
  showing: false,
  entering: false,
  ...FIRST_RESULTS_VIEW,
  drafts: {},
  save: { kind: 'saved', at: initial.changedAt },
})

/**
 * After an edit of its cases and combinations, what is shown stays shown under its new label; where it is
 * gone, the first one is.
 */
function followAction(set: Set, get: Get, before: Problem) {
  const { problem, actionId } = get()
  const lists = (['loadCases', 'combinations'] as const).map(
    (k) => [before[k] ?? [], problem[k] ?? []] as const,
  )
  const of = lists.find(([was]) => was.some((c) => c.id === actionId))
  const label = actionId !== null && of ? labelAfter(actionId, ...of) : actionId
  const ids = lists.flatMap(([, is]) => is.map((c) => c.id))
  const now = label !== null && ids.includes(label) ? label : (ids[0] ?? null)
  if (now !== actionId) set({ actionId: now })
}

/** A frame that becomes a truss shows the forces of its bars, a truss that becomes a frame its moments. */
function followKind(set: Set, get: Get, before: Problem) {
  const { problem, shown } = get()
  if (problem.kind === before.kind) return
  const [was, is] = problem.kind === 'truss' ? (['M', 'N'] as const) : (['N', 'M'] as const)
  const changed = Object.entries(shown).map(([key, layers]) => [
    key,
    layers.diagram === was ? { ...layers, diagram: is } : layers,
  ])
  set({ shown: Object.fromEntries(changed) as typeof shown })
}

/** A large problem between edit and solution: drawn anew at once; its results are still to come. */
function drawnOnly(
  problem: Problem,
  before?: Pick<SheetState, 'outcome' | 'earlier'>,
): Pick<SheetState, 'outcome' | 'solving' | 'earlier'> {
  const resolved = resolve(problem)
  if (!resolved.ok)
    return { outcome: { stage: 'invalid', errors: resolved.errors }, solving: false, earlier: null }
  const { structure, obstacles, notices } = resolved
  const error = { kind: 'missing' as const, message: 'The structure is being solved.' }
  return {
    outcome: { stage: 'unsolved', error, structure, obstacles, notices },
    solving: true,
    earlier: before ? (before.outcome.stage === 'solved' ? before.outcome : before.earlier) : null,
  }
}

/** A document from outside this page, read once more before it is trusted. */
export const trusted = (value: unknown): Problem | undefined => {
  const read = checkProblem(value)
  return read.ok && problemErrors(read.problem).length === 0 ? read.problem : undefined
}
