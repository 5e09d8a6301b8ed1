import { Suspense, lazy, memo, startTransition, useEffect, useMemo, useState } from 'react'
import { Link, NavLink, Outlet, useLocation, useRouteLoaderData } from 'react-router'
import { determinacy, type Outcome } from '@viga/core'
import { Press } from '../widgets/Press'
import { useAsking } from '../check/asking'
import { useHeldBack, useKeptShows } from '../check/shows'
import { useCheckOverlay } from '../check/use-overlay'
import { Figure, type Overlay } from '../figure/Figure'
import type { GroupEditor as Many } from '../given/GroupEditor'
import type { SelectedEditor as One } from '../given/SelectedEditor'
import type { StoredProblem } from '../server/problems.server'
import { afterPaint } from '../widgets/after-paint'
import { quietly } from '../widgets/quietly'
import { useEver } from '../widgets/use-ever'
import { TopLine } from '../widgets/TopLine'
import { throttledStore } from '../sheet/throttled'
import { PARTS, SheetContext, useSheet, useSheetStore } from '../sheet/context'
import { useWarning } from '../results/buckling/use-warning'
import { useResultsOverlay } from '../results/overlay'
import { viewOf } from '../results/views'
import { keepHistory } from '../sheet/history'
import { keepSaved } from '../sheet/saving'
import { figureKeyOf } from '../sheet/figure-keys'
import { createSheet } from '../sheet/store'
import { useCutFree } from '../working/use-cut-free'
import { useFirstOrder } from '../working/use-first-order'
import { Divide } from './Divide'
import { SaveAsFile } from './SaveAsFile'
import { Gone, Unsent } from './Unkept'
import { useMoved } from './use-moved'
import { Keys } from './Keys'
import { TitleField } from './TitleField'
import { Tools } from './Tools'
import './sheet.css'
import './narrow.css'
import './print.css'

/**
 * The other parts and the typesetter, ahead of their opening. What does not arrive now is asked for again
 * then.
 */
const fetchParts = () =>
  void Promise.all([
    import('../widgets/Formula').then(({ warmTypesetter }) => void warmTypesetter()),
    import('../working/Working'),
    import('../results/Results'),
    import('../check/Check'),
    loadOne(),
    loadMany(),
    import('../figure/Ghost'),
    import('../figure/Handles'),
  ]).catch(() => {})

/** One problem: the Figure left, the Sheet right, each part of the Sheet at its own address. */
export const ProblemPage = memo(function ProblemPage({ stored }: { stored: StoredProblem }) {
  const [store] = useState(() => createSheet(stored))
  const throttled = useMemo(() => throttledStore(store), [store])
  useEffect(() => keepSaved(store), [store])
  useEffect(() => keepHistory(store), [store])
  useMoved(store)
  useEffect(() => quietly(fetchParts), [])
  const [projected, setProjected] = useState(false)
  return (
    <SheetContext value={store}>
      <TopLine
        middle={<Tools />}
        right={
          <>
            <Press title="The view for a class, on the whole screen: w" onClick={() => setProjected(true)}>
              Project
            </Press>
            <Share id={stored.id} />
            <SaveAsFile />
          </>
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
          <Conflicted />
          <Gone />
          <Unsent />
          <RunningHead />
          <SheetContext value={throttled}>
            <Outlet />
          </SheetContext>
          <Suspense>
            <FirstNotes />
          </Suspense>
        </section>
      </main>
      {projected && (
        <Suspense>
          <Projector onLeave={() => setProjected(false)} />
        </Suspense>
      )}
      <Keys project={() => setProjected(true)} />
      <Told />
    </SheetContext>
  )
})

/** The way to with whom the problem is shared, where there are others. */
function Share({ id }: { id: string }) {
  const many = useRouteLoaderData<{ who?: object | null }>('root')?.who
  const mayWrite = useSheet((s) => s.mayWrite)
  return many && mayWrite ? (
    <Link to={`/problems/${id}/sharing`} className="link">
      Share
    </Link>
  ) : null
}

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
  useKeptShows()
  const { pathname } = useLocation()
  const [, , , name, step, second] = pathname.split('/')
  const part = PARTS.find((p) => p.key === name)?.key ?? 'given'
  const figureKey = figureKeyOf(part, step, second)
  const [shown, show] = useState({ part, figureKey })
  useEffect(
    () =>
      shown.figureKey === figureKey
        ? undefined
        : afterPaint(() => startTransition(() => show({ part, figureKey }))),
    [shown, part, figureKey],
  )
  const results = useResultsOverlay(part === 'results' ? viewOf(step) : undefined)
  const redrawn = useRedrawn(part === 'check')
  const asking = useAsking(part === 'check')
  const check = useCheckOverlay(shown.part === 'check')
  const covered = useHeldBack()
  const warning = useWarning(part === 'results' && !covered)
  const firstOrder = useFirstOrder(shown.part === 'working', shown.figureKey)
  const cutFree = useCutFree(!covered && shown.figureKey === 'stiffness.end-forces')
  const overlay = useMemo(
    () => ({
      covered,
      note: warning,
      ...firstOrder,
      ...cutFree,
      ...check,
      ...asking,
      ...results,
      ...redrawn,
    }),
    [check, covered, warning, firstOrder, cutFree, asking, results, redrawn],
  )
  return <Figure {...shown} panels={PANELS} overlay={overlay} />
}

/** The diagram as the slip behind the hand values has it, in the shown case. */
function useRedrawn(on: boolean): Overlay | undefined {
  const redrawn = useSheet((s) => (on ? s.redrawn : null))
  const actionId = useSheet((s) => s.actionId)
  return useMemo(() => {
    const all = redrawn ? [...redrawn.cases, ...redrawn.combinations] : []
    const action = all.find((a) => a.id === actionId)
    return redrawn && action
      ? { compared: { solution: redrawn, action, hand: true }, note: 'Dashed: as your numbers have it.' }
      : undefined
  }, [redrawn, actionId])
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

/** What is asked when another version was saved meanwhile. */
function Conflicted() {
  const ever = useEver(useSheet((s) => s.save.kind === 'conflict'))
  return (
    ever && (
      <Suspense>
        <Conflict />
      </Suspense>
    )
  )
}

/** Why a press changed nothing, or what an edit did beyond its name: for a while, or until the next edit. */
function Told() {
  const store = useSheetStore()
  const refused = useSheet((s) => s.refused)
  const said = useSheet((s) => s.said)
  const ofEdit = useSheet((s) => s.saidOfEdit)
  const words = refused ?? said
  const needed = useEver(words !== null)
  return (
    needed && (
      <Suspense>
        <Snackbar
          open={words !== null}
          message={words}
          autoHideDuration={10_000}
          action={
            refused === null && ofEdit ? (
              <Press className="link" onClick={() => store.getState().undo()}>
                Undo
              </Press>
            ) : undefined
          }
          onClose={(_, reason) => reason !== 'clickaway' && store.setState({ refused: null, said: null })}
        />
      </Suspense>
    )
  )
}

// the strip of words, the question of a conflict and the view for a class come when they are first needed
const Conflict = lazy(() => import('./Conflict').then((m) => ({ default: m.Conflict })))
const FirstNotes = lazy(() => import('./FirstNotes').then((m) => ({ default: m.FirstNotes })))
const Projector = lazy(() => import('./Projector').then((m) => ({ default: m.Projector })))
const Snackbar = lazy(() => import('@mui/material/Snackbar'))
