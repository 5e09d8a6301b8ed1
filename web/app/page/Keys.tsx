import { Suspense, lazy, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import type { Part } from '@viga/drawing/caption'
import { PAGE_COMMANDS } from '../commands/page'
import { useCommands } from '../commands/use-commands'
import { PARTS, useSheetStore } from '../sheet/context'
import { ROW } from '../sheet/rows-kept'
import type { SheetStore } from '../sheet/store'
import { afterPaint } from '../widgets/after-paint'
import { useEver } from '../widgets/use-ever'
import { showNotes } from './first-notes'
import type { EntryWords, Example } from './entry-words'

// the list comes when it is first asked for
const PageKeysHelp = lazy(() => import('./PageKeysHelp'))

/** The case whose loads are in view. */
function shownCase(store: SheetStore): string {
  const { problem, actionId } = store.getState()
  const cases = problem.loadCases ?? []
  return cases.find((c) => c.id === actionId)?.id ?? cases[0]?.id ?? '1'
}

/** Keys of the whole page, and the list of all keys that `?` opens. */
export function Keys({ project }: { project: () => void }) {
  const store = useSheetStore()
  const navigate = useNavigate()
  const [open, setOpen] = useState(false)
  const go = (part: Part) => {
    const base = window.location.pathname.split('/').slice(0, 3).join('/')
    void navigate(`${base}/${part}`)
  }
  useCommands(PAGE_COMMANDS, { store, go, help: () => setOpen(true), project })
  const { pathname } = useLocation()
  const part = PARTS.find((p) => p.key === pathname.split('/')[3])?.key ?? 'given'
  /** Puts an example into its entry, to be changed there. */
  const insert = ({ row, field, empty }: EntryWords, { fields }: Example) => {
    setOpen(false)
    store.getState().draft(ROW + row, { text: JSON.stringify({ ...empty, ...fields }) })
    afterPaint(() => {
      const input = document.querySelector<HTMLInputElement>(`input[aria-label="${field}"]`)
      input?.focus()
      input?.scrollIntoView({ block: 'center' })
    })
  }
  const asked = useEver(open)
  return (
    asked && (
      <Suspense>
        <PageKeysHelp
          open={open}
          onClose={() => setOpen(false)}
          part={part}
          caseId={shownCase(store)}
          onInsert={insert}
          onNotes={() => (setOpen(false), showNotes())}
        />
      </Suspense>
    )
  )
}
