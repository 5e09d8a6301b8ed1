import {
  displayOf,
  signsOf,
  type ActionSolution,
  type Display,
  type ResultTableKey,
  type Signs,
  type Solution,
} from '@viga/core'
import { envelopeLater } from '../../sheet/envelope-later'
import type { SheetStore } from '../../sheet/store'
import { actionsOf, isQuick } from '../solved'

const TABLES: readonly ResultTableKey[] = ['extremes', 'reactions']

/** What the view of the envelope asks for beside its curves. */
export const tablesAsked = (display: Display, signs: Signs) => ({ keys: TABLES, display, signs })

/** The cases and combinations an envelope is made of; all, where nothing was chosen. */
export function chosenOf(solution: Solution, chosen: readonly string[] | null): ActionSolution[] {
  const every = actionsOf(solution)
  return chosen === null ? every : every.filter((a) => chosen.includes(a.id))
}

/** Has the envelope of a large problem made before its view is open. */
export function askAhead(store: SheetStore): void {
  const { problem, outcome, enveloped, shown } = store.getState()
  if (outcome.stage !== 'solved') return
  const { solution } = outcome
  const actions = chosenOf(solution, enveloped)
  if (actions.length === 0 || isQuick(solution, actions)) return
  const quietly = (made: Promise<unknown>) => void made.catch(() => {})
  quietly(envelopeLater(problem, solution, 'curves', actions, { key: shown.results.diagram ?? 'M' }))
  const tables = tablesAsked(displayOf(problem), signsOf(problem))
  quietly(envelopeLater(problem, solution, 'tables', actions, tables))
}
