import { Suspense, lazy, memo, startTransition, useEffect, useMemo, useState } from 'react'
import { Link, NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { determinacy, type Outcome } from '@viga/core'
import type { Part } from '@viga/drawing/caption'
import { Press } from '../widgets/Press'
import { PAGE_COMMANDS } from '../commands/page'
import { useCommands } from '../commands/use-commands'
import { useCheckNotes } from '../check/notes'
import { Figure } from '../figure/Figure'
import type { GroupEditor as Many } from '../given/GroupEditor'
import type { SelectedEditor as One } from '../given/SelectedEditor'
import type { StoredProblem } from '../server/problems.server'
import { afterPaint } from '../widgets/after-paint'
import { warmTypesetter } from '../widgets/Formula'
import { quietly } from '../widgets/quietly'
import { TopLine } from '../widgets/TopLine'
import { calmed } from '../sheet/calm'
import { Conflict } from './Conflict'
import { PARTS, SheetContext, useSheet, useSheetStore } from '../sheet/context'
import { keepHistory } from '../sheet/history'
import { keepSaved } from '../sheet/saving'
import { plateOf } from '../sheet/plates'
import { ROW } from '../sheet/rows-kept'
import { createSheet, type SheetStore } from '../sheet/store'
import { Divide } from './Divide'
import { entryWords, type EntryWords, type Example } from './entry-words'
import { TitleField } from './TitleField'
import { UnitsMenu } from './UnitsMenu'
import './sheet.css'
import './narrow.css'

/** The other parts, ahead of their opening; what does not arrive now is asked for again then. */
const fetchParts = () =>
  void Promise.all([
    import('../working/Working'),
    import('../results/Results'),
    import('../check/Check'),
    loadOne(),
    loadMany(),
  ]).catch(() => {})

/** One problem: the Figure left, the Sheet right, each part of the Sheet at its own address. */
export const ProblemPage = memo(function ProblemPage({ stored }: { stored: StoredProblem }) {
  const [store] = useState(() => createSheet(stored))
  const calm = useMemo(() => calmed(store), [store])
  useEffect(() => keepSaved(store), [store])
  useEffect(() => keepHistory(store), [store])
  useEffect(warmTypesetter, [])
  useEffect(() => quietly(fetchParts), [])
  return (
    <SheetContext value={store}>
      <TopLine
        middle={<Tools />}
        right={
          <a href={`/problems/${stored.id}/file`} download className="link">
            Save as a file
          </a>
        }
      >
        <Link to="/" className="top-way link">
          Shelf
        </Link>
        <span className="top-way" style={{ color: 'var(--hair-2)' }}>
          /
        </span>
        <h1 className="top-heading">
          <TitleField />
        </h1>
      </TopLine>
      <main className="problem">
        <FigureBeside />
        <Divide />
        <section className="sheet" aria-label="Sheet">
          <Conflict />
          <RunningHead />
          <SheetContext value={calm}>
            <Outlet />
          </SheetContext>
        </section>
      </main>
      <Keys />
      <Told />
    </SheetContext>
  )
})

/**
 * The Figure beside the part of the Sheet that is open; its drawing follows as soon as another part is on the
 * page.
 */
const loadOne = () => import('../given/SelectedEditor')
const loadMany = () => import('../given/GroupEditor')
const SelectedEditor = lazy(() => loadOne().then((m) => ({ default: m.SelectedEditor })))
const GroupEditor = lazy(() => loadMany().then((m) => ({ default: m.GroupEditor })))

/** The forms beside the Figure; their script is fetched in a quiet moment after the page is there. */
const PANELS = {
  one: (panel: Parameters<typeof One>[0]) => (
    <Suspense>
      <SelectedEditor key={panel.selection} {...panel} />
    </Suspense>
  ),
  many: (panel: Parameters<typeof Many>[0]) => (
    <Suspense>
      <GroupEditor {...panel} />
    </Suspense>
  ),
}

function FigureBeside() {
  const { pathname } = useLocation()
  const [, , , name, step] = pathname.split('/')
  const part = PARTS.find((p) => p.key === name)?.key ?? 'given'
  const plate = plateOf(part, step)
  const [shown, show] = useState({ part, plate })
  useEffect(
    () =>
      shown.plate === plate ? undefined : afterPaint(() => startTransition(() => show({ part, plate }))),
    [shown, part, plate],
  )
  const notesOn = useCheckNotes(shown.part === 'check')
  return <Figure {...shown} panels={PANELS} notesOn={notesOn} />
}

function Tools() {
  const store = useSheetStore()
  const undoing = useSheet((s) => s.past[s.past.length - 1]?.name)
  const redoing = useSheet((s) => s.future[s.future.length - 1]?.name)
  return (
    <>
      <UnitsMenu />
      <span className="tool-pair">
        <Press
          disabled={!undoing}
          title={undoing ? `Undo: ${undoing}` : 'Nothing to undo'}
          aria-label="Undo"
          onClick={() => store.getState().undo()}
        >
          <svg
            width="16"
            height="14"
            viewBox="0 0 16 14"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.2"
            aria-hidden="true"
          >
            <path d="M2 5h8a3.5 3.5 0 0 1 0 7H6" />
            <path d="M5 2L2 5l3 3" />
          </svg>
        </Press>
        <Press
          disabled={!redoing}
          title={redoing ? `Redo: ${redoing}` : 'Nothing to redo'}
          aria-label="Redo"
          onClick={() => store.getState().redo()}
        >
          <svg
            width="16"
            height="14"
            viewBox="0 0 16 14"
            fill="none"
            stroke="currentColor"
            strokeWidth="1.2"
            aria-hidden="true"
          >
            <path d="M14 5H6a3.5 3.5 0 0 0 0 7h4" />
            <path d="M11 2l3 3-3 3" />
          </svg>
        </Press>
      </span>
      <SaveWord />
    </>
  )
}

function SaveWord() {
  const save = useSheet((s) => s.save)
  const [mounted, setMounted] = useState(false)
  useEffect(() => setMounted(true), [])
  // the time of day is the reader's own, which the server does not know
  const time =
    save.kind === 'saved' && mounted
      ? new Date(save.at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })
      : ''
  const words = {
    saved: `saved ${time}`,
    unsaved: 'saving …',
    saving: 'saving …',
    offline: 'kept in this browser',
    conflict: 'two versions',
  }[save.kind]
  return (
    <span
      className={save.kind === 'offline' || save.kind === 'conflict' ? 'pencil' : 'quiet'}
      role="status"
      title={save.kind === 'offline' ? save.message : undefined}
    >
      {words}
    </span>
  )
}

function RunningHead() {
  return (
    <nav className="running" aria-label="Parts of the Sheet">
      {PARTS.map((p, i) => (
        <NavLink
          key={p.key}
          to={p.key}
          className={({ isActive }) => (isActive ? 'on' : '')}
          prefetch="intent"
        >
          {p.label}
          <kbd>{i + 1}</kbd>
        </NavLink>
      ))}
      <StateNote />
    </nav>
  )
}

function StateNote() {
  const words = useSheet((s) => (s.solving ? 'solving …' : stateWords(s.outcome)))
  return <span className="running-note">{words}</span>
}

const TIMES = ['', 'once', 'twice', 'three times', 'four times', 'five times', 'six times']

function stateWords(outcome: Outcome): string {
  if (outcome.stage === 'invalid') return 'not readable'
  if (outcome.structure.members.length === 0) return ''
  if (outcome.stage === 'unsolved') return outcome.error.kind === 'mechanism' ? 'not stable' : 'not solved'
  const { degree } = determinacy(outcome.solution.structure, outcome.solution.dofs)
  return degree <= 0 ? 'stable, determinate' : `stable, ${TIMES[degree] ?? `${degree} times`} indeterminate`
}

/** Why a press changed nothing, or what an edit did beyond its name: for a while, or until the next edit. */
function Told() {
  const store = useSheetStore()
  const refused = useSheet((s) => s.refused)
  const said = useSheet((s) => s.said)
  const words = refused ?? said
  const [needed, setNeeded] = useState(false)
  if (words !== null && !needed) setNeeded(true)
  return (
    needed && (
      <Suspense>
        <Snackbar
          open={words !== null}
          message={words}
          autoHideDuration={10_000}
          onClose={(_, reason) => reason !== 'clickaway' && store.setState({ refused: null, said: null })}
        />
      </Suspense>
    )
  )
}

// the strip of words and the list come when they are first asked for
const Snackbar = lazy(() => import('@mui/material/Snackbar'))
const KeysHelp = lazy(() => import('./KeysHelp').then((m) => ({ default: m.KeysHelp })))

/** The case whose loads are in view. */
function shownCase(store: SheetStore): string {
  const { problem, actionId } = store.getState()
  const cases = problem.loadCases ?? []
  return cases.find((c) => c.id === actionId)?.id ?? cases[0]?.id ?? '1'
}

/** Keys of the whole page, and the list of all keys that `?` opens. */
function Keys() {
  const store = useSheetStore()
  const navigate = useNavigate()
  const [open, setOpen] = useState(false)
  const go = (part: Part) => {
    const base = window.location.pathname.split('/').slice(0, 3).join('/')
    void navigate(`${base}/${part}`)
  }
  useCommands(PAGE_COMMANDS, { store, go, help: () => setOpen(true) })
  const { pathname } = useLocation()
  const part = PARTS.find((p) => p.key === pathname.split('/')[3])?.key ?? 'given'
  const entries = open ? entryWords(part, shownCase(store)) : []
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
  const [asked, setAsked] = useState(false)
  if (open && !asked) setAsked(true)
  return (
    asked && (
      <Suspense>
        <KeysHelp open={open} onClose={() => setOpen(false)} entries={entries} onInsert={insert} />
      </Suspense>
    )
  )
}
