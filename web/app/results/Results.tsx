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

/**
 * The views besides the first come with their scripts when they are opened. The server has them all at once:
 * a part that it sent later would bring its styles where the browser does not expect them.
 */
const VIEWS: Record<ResultViewKey, View> = import.meta.env.SSR
  ? {
      overview: Overview,
      member: (await import('./member/MemberPage')).default,
      tables: (await import('./tables/Tables')).default,
      envelope: (await import('./envelope/Envelope')).default,
      'free-body': (await import('./free-body/FreeBody')).default,
      stress: (await import('./stress/Stress')).default,
      compare: (await import('./compare/Compare')).default,
      buckling: (await import('./buckling/Buckling')).default,
      growth: (await import('./growth/Growth')).default,
      export: (await import('./export/Export')).default,
    }
  : {
      overview: Overview,
      member: lazy(() => import('./member/MemberPage')),
      tables: lazy(() => import('./tables/Tables')),
      envelope: lazy(() => import('./envelope/Envelope')),
      'free-body': lazy(() => import('./free-body/FreeBody')),
      stress: lazy(() => import('./stress/Stress')),
      compare: lazy(() => import('./compare/Compare')),
      buckling: lazy(() => import('./buckling/Buckling')),
      growth: lazy(() => import('./growth/Growth')),
      export: lazy(() => import('./export/Export')),
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
  const Shown = VIEWS[view]
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
                <Shown {...solved} />
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
