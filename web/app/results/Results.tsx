import { lazy, Suspense, useState, type ComponentType } from 'react'
import { Link, useParams } from 'react-router'
import { CaseChoice } from '../fields/CaseChoice'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { Unsolved } from '../fields/Unsolved'
import { useSheet, useSolved } from '../sheet/context'
import { Press } from '../widgets/Press'
import { asCells } from './cells'
import { Overview } from './Overview'
import { SignsLine } from './SignsLine'
import type { Solved } from './solved'
import { RESULT_VIEWS, viewOf, type ResultViewKey } from './views'
import './results.css'

type View = ComponentType<Solved>

/** Fetches a view; the views besides the first come with their scripts when they are asked for. */
const LOADERS: Record<Exclude<ResultViewKey, 'overview'>, () => Promise<{ default: View }>> = {
  member: () => import('./member/MemberPage'),
  tables: () => import('./tables/Tables'),
  envelope: () => import('./envelope/Envelope'),
  'free-body': () => import('./free-body/FreeBody'),
  stress: () => import('./stress/Stress'),
  compare: () => import('./compare/Compare'),
  buckling: () => import('./buckling/Buckling'),
  growth: () => import('./growth/Growth'),
  export: () => import('./export/Export'),
}
const LATER = Object.keys(LOADERS) as (keyof typeof LOADERS)[]

const fetched: Partial<Record<ResultViewKey, View>> = { overview: Overview }

async function fetchView(key: ResultViewKey) {
  if (key !== 'overview') fetched[key] ??= (await LOADERS[key]()).default
}

// The server has them all at once: a part that it sent later would bring its styles where the browser does
// not expect them.
if (import.meta.env.SSR) await Promise.all(LATER.map(fetchView))

/** Stands in for a view whose script has not come yet. */
const AWAITED = Object.fromEntries(LATER.map((key) => [key, lazy(LOADERS[key])]))

/** A view; one whose script is there already is shown without a pause, which `lazy` would make. */
function ShownView({ view, ...solved }: Solved & { view: ResultViewKey }) {
  const [Shown] = useState(() => fetched[view] ?? AWAITED[view])
  return <Shown {...solved} />
}

/** The shape of a structure that buckles under its loads; fetched when one does. */
const Buckled = import.meta.env.SSR ? () => null : lazy(() => import('./buckling/Buckled'))

/** Views that are of all cases together: the choice of one would say nothing. */
const OF_ALL: readonly ResultViewKey[] = ['envelope']

/** What comes out, reactions first; every number with unit and sign convention in reach. */
export function Results() {
  const solved = useSolved()
  const { view: name, problemId } = useParams()
  const view = viewOf(name)
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
            {!OF_ALL.includes(view) && <CaseChoice />}
            {view === 'overview' ? (
              // what is there at once answers at once: a part that may wait is brought to life later
              <Overview {...solved} />
            ) : (
              <Suspense fallback={<p className="quiet">…</p>}>
                <ShownView view={view} {...solved} />
              </Suspense>
            )}
          </>
        )}
      </div>
      <footer className="sheet-foot">
        <span>point at a row to see it on the Figure, at a member to read values there</span>
        {solved && view === 'overview' && <CopyAll {...solved} />}
      </footer>
    </>
  )
}

function ResultViews({ at, base }: { at: ResultViewKey; base: string }) {
  return (
    <nav className="steps views" aria-label="Views of the results">
      {RESULT_VIEWS.map(({ key, label }) => (
        <Link
          key={key}
          to={key === 'overview' ? base : `${base}/${key}`}
          aria-current={key === at ? 'page' : undefined}
          // the script is on its way before the press
          onPointerEnter={() => void fetchView(key)}
          onFocus={() => void fetchView(key)}
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
