import { render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Problem } from '@viga/core'
import type { ReactElement } from 'react'
import { SheetContext } from '../app/sheet/context'
import { createSheet, type SheetStore } from '../app/sheet/store'

/** Shows a part of the interface within a problem; returns its store and a person to use it. */
export function inSheet(problem: Problem, part: ReactElement) {
  const store: SheetStore = createSheet({ id: 'p', problem, revision: 1, changedAt: '2026-01-01T00:00:00Z' })
  const user = userEvent.setup()
  const view = render(<SheetContext value={store}>{part}</SheetContext>)
  return { store, user, ...view, problem: () => store.getState().problem }
}
