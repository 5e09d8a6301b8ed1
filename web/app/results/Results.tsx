import type { Solution } from '@viga/core'
import { lazy, Suspense, useEffect, useState } from 'react'
import { Link, useParams } from 'react-router'
import { CaseChoice } from '../fields/CaseChoice'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { Unsolved } from '../fields/Unsolved'
import { useSheet, useSheetStore, useSolved } from '../sheet/context'
import type { SheetStore } from '../sheet/store'
import { fetchAhead, fetchAll, later } from '../widgets/later'
import { Press } from '../widgets/Press'
import { quietly } from '../widgets/quietly'
import { asCells } from './cells'
import { Overview } from './Overview'
import { SignsLine } from './SignsLine'
import { actionsOf, isQuick, type Solved } from './solved'
import { RESULT_VIEWS, viewOf, type ResultViewKey } from './views'
import './results.css'

const meanwhile = <p className="quiet">…</p>

/** The views besides the first come with their scripts when they are asked for. */
const VIEWS = {
  member: later<Solved>(async () => (await import('./member/MemberPage')).default, meanwhile),
  tables: later<Solved>(async () => (await import('./tables/Tables')).default, meanwhile),
  letters: later<Solved>(async () => (await import('./letters/Letters')).default, meanwhile),
  envelope: later<Solved>(async () => (await import('./envelope/Envelope')).default, meanwhile),
  'free-body': later<Solved>(async () => (await import('./free-body/FreeBody')).default, meanwhile),
  stress: later<Solved>(async () => (await import('./stress/Stress')).default, meanwhile),
  compare: later<Solved>(async () => (await import('./compare/Compare')).default, meanwhile),
  buckling: later<Solved>(async () => (await import('./buckling/Buckling')).default, meanwhile),
  growth: later<Solved>(async () => (await import('./growth/Growth')).default, meanwhile),
  influence: later<Solved>(async () => (await import('./influence/Influence')).default, meanwhile),
  export: later<Solved>(async () => (await import('./export/Export')).default, meanwhile),
}
/** What the Figure draws an envelope from, whatever view stands beside it; fetched when one is asked for. */
const Curves = later<{ solution: Solution }>(async () => (await import('./envelope/Curves')).default)
if (import.meta.env.SSR) await fetchAll(Curves, ...Object.values(VIEWS))

const ShownView = ({ view, ...solved }: Solved & { view: keyof typeof VIEWS }) => {
  const Shown = VIEWS[view]
  return <Shown {...solved} />
}

/** The shape of a structure that buckles under its loads; fetched when one does. */
const Buckled = import.meta.env.SSR ? () => null : lazy(() => import('./buckling/Buckled'))

/** Views that are of all cases together: the choice of one would say nothing. */
const OF_ALL: readonly ResultViewKey[] = ['envelope', 'influence']

/** What comes out, reactions first; every number with unit and sign convention in reach. */
export function Results() {
  const solved = useSolved()
  const { view: name, problemId } = useParams()
  const view = viewOf(name)
  const store = useSheetStore()
  const solution = solved?.solution
  const enveloped = useSheet((s) => s.shown.results.envelope ?? false)
  useEffect(() => {
    if (solution && !isQuick(solution, actionsOf(solution)))
      return quietly(() => makeReady('envelope', store))
  }, [solution, store])
  return (
    <>
      <ResultViews at={view} base={`/problems/${problemId}/results`} />
      <div className="sheet-body" key={view}>
        <LastReadable />
        <OwnValues />
        {!solved ? (
          <>
            <Unsolved />
            <Suspense>
              <Buckled />
            </Suspense>
          </>
        ) : (
          <>
            <SignsLine />
            {enveloped && <Curves solution={solved.solution} />}
            {!OF_ALL.includes(view) && <CaseChoice />}
            {view === 'overview' ? (
              // what is there at once answers at once: a part that may wait is brought to life later
              <Overview {...solved} />
            ) : (
              <ShownView view={view} {...solved} />
            )}
          </>
        )}
      </div>
      <footer className="sheet-foot">
        <span>choose a row to see it on the Figure, a member to read values there</span>
        {solved && view === 'overview' && <CopyAll {...solved} />}
      </footer>
    </>
  )
}

/** What a view needs is on its way before the press: its script, and what takes long to make. */
function makeReady(key: ResultViewKey, store: SheetStore) {
  if (key !== 'overview') fetchAhead(VIEWS[key])
  if (key !== 'envelope') return
  fetchAhead(Curves)
  void import('./envelope/ask').then(
    ({ askAhead }) => askAhead(store),
    () => {}, // the view fetches it again
  )
}

function ResultViews({ at, base }: { at: ResultViewKey; base: string }) {
  const store = useSheetStore()
  return (
    <nav className="steps views" aria-label="Views of the results">
      {RESULT_VIEWS.map(({ key, label }) => (
        <Link
          key={key}
          to={key === 'overview' ? base : `${base}/${key}`}
          aria-current={key === at ? 'page' : undefined}
          onPointerEnter={() => makeReady(key, store)}
          onFocus={() => makeReady(key, store)}
        >
          {label}
        </Link>
      ))}
    </nav>
  )
}

/** Every number of the shown case to the clipboard, as cells of a spreadsheet. */
function CopyAll({ solution, action }: Solved) {
  const problem = useSheet((s) => s.problem)
  const [copied, setCopied] = useState(false)
  const copy = () =>
    void navigator.clipboard.writeText(asCells(problem, solution, action)).then(() => setCopied(true))
  return (
    <Press className="link end" onClick={copy}>
      {copied ? 'Copied' : 'Copy the numbers'}
    </Press>
  )
}
