import type { SheetStore } from '../sheet/store'
import type { Command, CommandGroup } from './command'

/** What of the page the projector shows. */
export const PROJECTED = ['both', 'figure', 'sheet'] as const
export type Projected = (typeof PROJECTED)[number]

/** What commands of the projector's view work on. */
export interface ProjectorContext {
  store: SheetStore
  shown: Projected
  show: (what: Projected) => void
  /** Makes everything larger or smaller by one step. */
  enlarge: (steps: 1 | -1) => void
  /** Opens the next or the previous step of the Working, or part of the Sheet where there are no steps. */
  step: (by: 1 | -1) => void
}

/** The case or combination after the one that is shown, or before it; the last is followed by the first. */
export function nextAction(store: SheetStore, by: 1 | -1): string | undefined {
  const { problem, actionId } = store.getState()
  const ids = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].map((c) => c.id)
  return ids[(ids.indexOf(actionId ?? '') + by + ids.length) % ids.length]
}

const key = (name: string, press: string, run: (c: ProjectorContext) => void): Command<ProjectorContext> => ({
  key: press,
  name,
  run,
})

const choose = (store: SheetStore, by: 1 | -1) => {
  const id = nextAction(store, by)
  if (id !== undefined) store.getState().chooseAction(id)
}

export const PROJECTOR_COMMANDS: readonly CommandGroup<ProjectorContext>[] = [
  {
    title: 'On the projector',
    commands: [
      key('Next step or part', 'arrowright', ({ step }) => step(1)),
      key('Previous step or part', 'arrowleft', ({ step }) => step(-1)),
      key('Next load case', 'arrowdown', ({ store }) => choose(store, 1)),
      key('Previous load case', 'arrowup', ({ store }) => choose(store, -1)),
      key('Figure, Sheet, or both', 'w', ({ shown, show }) =>
        show(PROJECTED[(PROJECTED.indexOf(shown) + 1) % PROJECTED.length]),
      ),
      key('Larger', ']', ({ enlarge }) => enlarge(1)),
      key('Smaller', '[', ({ enlarge }) => enlarge(-1)),
    ],
  },
]
