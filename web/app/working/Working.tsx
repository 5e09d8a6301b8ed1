import { working } from '@viga/core'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { Link, useParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'
import { ReadingMenu } from './ReadingMenu'
import { Unsolved } from '../sheet/Unsolved'
import { loadTypesetter } from '../widgets/Formula'
import { Matrix } from './Blocks'
import { BookContext, useBefore, useLedger, type Book, type Pinned } from './book'
import { Derivation } from './Derivation'
import { StepView } from './StepView'
import './working.css'

const LABELS: Record<working.StepKey, string> = {
  idealisation: 'Idealisation',
  unknowns: 'Unknowns',
  stiffness: 'Stiffness',
  supports: 'Supports',
  loads: 'Loads',
  assembly: 'Assembly',
  partition: 'Partition',
  solution: 'Solution',
  'end-forces': 'End forces',
  reactions: 'Reactions',
  checks: 'Checks',
  diagrams: 'Diagrams',
}

/** The solution by the stiffness method, line by line, with the solver's own numbers; any of them can be opened. */
export function Working() {
  const { step = 'idealisation', problemId } = useParams()
  const solved = useSolved()
  const ledger = useLedger()
  const [trail, setTrail] = useState<readonly string[]>([])
  const open = useCallback((address: string | null) => setTrail((t) => (address === null ? [] : t.includes(address) ? t.slice(0, t.indexOf(address) + 1) : [...t, address])), [])
  const fresh = useCallback((address: string | null) => setTrail(address === null ? [] : [address]), [])
  // formulas come with the next step
  useEffect(() => void loadTypesetter(), [])
  // another step is another reading: what was opened closes
  useEffect(() => setTrail([]), [step])
  const keys = useMemo(() => (ledger ? working.STEP_KEYS.filter((k) => k !== 'supports' || working.stepOf(ledger, k)) : working.STEP_KEYS.filter((k) => k !== 'supports')), [ledger])
  const at = Math.max(0, keys.indexOf(step as working.StepKey))
  const data = useMemo(() => ledger && working.stepOf(ledger, keys[at]), [ledger, keys, at])
  const base = `/problems/${problemId}/working`
  const [pinned, pin] = useState<Pinned | null>(null)
  const before = useBefore(ledger)
  const problem = useSheet((s) => s.problem)
  const reading = useMemo(() => working.readingOf(problem), [problem])
  const book = useMemo((): Book | null => (ledger ? { ledger, reading, before, pinned, pin, trail, open: fresh } : null), [ledger, reading, before, pinned, trail, fresh])
  const inside = useMemo(() => book && { ...book, open }, [book, open])
  return (
    <>
      <nav className="steps" aria-label="Steps of the working">
        {keys.map((k, i) => (
          <Link key={k} to={`${base}/${k}`} aria-current={i === at ? 'step' : undefined}>
            <span>{i + 1}</span> {LABELS[k]}
          </Link>
        ))}
      </nav>
      <div className="sheet-body working" key={keys[at]}>
        {solved && data && book ? (
          <BookContext value={book}>
            <ReadingMenu />
            <StepView step={data} solution={solved.solution} />
          </BookContext>
        ) : (
          <Unsolved />
        )}
      </div>
      {book && inside && (
        <BookContext value={inside}>
          {pinned && (
            <BookContext value={book}>
              <section className="pinned" aria-label="Pinned matrix">
                <Matrix block={pinned.block} within={pinned.within} />
              </section>
            </BookContext>
          )}
          <Derivation />
        </BookContext>
      )}
      <footer className="sheet-foot">
        {at > 0 && (
          <Link to={`${base}/${keys[at - 1]}`} className="link">
            ⟵ {LABELS[keys[at - 1]]}
          </Link>
        )}
        {solved && <WholeWorking id={problemId!} action={solved.action.id} members={solved.solution.structure.members.length} />}
        {at < keys.length - 1 && (
          <Link to={`${base}/${keys[at + 1]}`} className="link end">
            {LABELS[keys[at + 1]]} ⟶
          </Link>
        )}
      </footer>
    </>
  )
}

/** Whole workings are printed up to this many members. */
const PRINTED = 150

/** The whole working of the shown case as a file, in one click. */
function WholeWorking({ id, action, members }: { id: string; action: string; members: number }) {
  if (members > PRINTED) return null
  const to = (form: string) => `/problems/${id}/working-as/${form}?case=${encodeURIComponent(action)}`
  return (
    <span className="whole-working">
      the whole as{' '}
      <a className="link" href={to('pdf')} download>
        PDF
      </a>
      ,{' '}
      <a className="link" href={to('latex')} download>
        LaTeX
      </a>
      ,{' '}
      <a className="link" href={to('markdown')} download>
        Markdown
      </a>
    </span>
  )
}
