import { working } from '@viga/core'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useLocation, useParams, useSearchParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { Unsolved } from '../fields/Unsolved'
import { loadTypesetter, setBeforehand } from '../widgets/Formula'
import { fetchAhead } from '../widgets/later'
import { quietly } from '../widgets/quietly'
import { Matrix } from './Matrix'
import { WorkingContext, useBefore, useLedger, type WorkingView, type Pinned } from './working-view'
import { ByHand } from './by-hand-view'
import { Derivation, OWN_VIEWS, ReadingMenu } from './own-views'
import { firstFormulas } from './page'
import { StepView } from './StepView'
import './working.css'
import './matrix.css'
import './large.css'
import './derivation.css'

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
  'second-order': 'Second order',
}

/** Whole workings are printed up to this many members. */
const PRINTED = 150

/**
 * The solution by the stiffness method, line by line, with the solver's own numbers; any of them can be
 * opened.
 */
export function Working() {
  const { step = 'idealisation', problemId } = useParams()
  const solved = useSolved()
  const ledger = useLedger()
  const { trail, open, fresh } = useTrail(step)
  // formulas, and what single steps show, come with the next step
  useEffect(() => {
    void loadTypesetter()
    return quietly(() => fetchAhead(...OWN_VIEWS, ByHand))
  }, [])
  const keys = useStepKeys(ledger)
  const at = Math.max(0, keys.indexOf(step as working.StepKey))
  const base = `/problems/${problemId}/working`
  const [pinned, pin] = useState<Pinned | null>(null)
  const before = useBefore(ledger)
  const problem = useSheet((s) => s.problem)
  const reading = useMemo(() => working.readingOf(problem), [problem])
  const workingView = useMemo(
    (): WorkingView | null => (ledger ? { ledger, reading, before, pinned, pin, trail, open: fresh } : null),
    [ledger, reading, before, pinned, trail, fresh],
  )
  const inside = useMemo(() => workingView && { ...workingView, open }, [workingView, open])
  const { search } = useLocation()
  // the steps of a large structure take longer to make than a quiet moment lasts
  const ahead = useAhead(problem.members.length <= PRINTED ? workingView : null, keys[at + 1])
  return (
    <>
      <Steps keys={keys} at={at} base={base} search={search} onIntent={ahead} />
      <div className="sheet-body working" key={keys[at]}>
        <LastReadable />
        <OwnValues />
        {solved && workingView ? (
          <WorkingContext value={workingView}>
            <ReadingMenu />
            <StepView step={keys[at]} solution={solved.solution} />
          </WorkingContext>
        ) : (
          <Unsolved />
        )}
      </div>
      {workingView && inside && (
        <WorkingContext value={inside}>
          {pinned && (
            <WorkingContext value={workingView}>
              <section className="pinned" aria-label="Pinned matrix">
                <Matrix block={pinned.block} within={pinned.within} />
              </section>
            </WorkingContext>
          )}
          {trail.length > 0 && <Derivation />}
        </WorkingContext>
      )}
      <Foot
        before={keys[at - 1]}
        after={keys[at + 1]}
        base={base}
        search={search}
        printed={solved && problem.members.length <= PRINTED ? solved.action.id : undefined}
      />
    </>
  )
}

/**
 * The numbers that were opened one from another; another step is another reading, and what was opened closes.
 */
function useTrail(step: string) {
  const [trail, setTrail] = useState<readonly string[]>([])
  const open = useCallback(
    (address: string | null) =>
      setTrail((t) =>
        address === null ? [] : t.includes(address) ? t.slice(0, t.indexOf(address) + 1) : [...t, address],
      ),
    [],
  )
  const fresh = useCallback((address: string | null) => setTrail(address === null ? [] : [address]), [])
  useEffect(() => setTrail((t) => (t.length > 0 ? [] : t)), [step])
  return { trail, open, fresh }
}

/** The steps of this problem: inclined supports and second order have theirs only where there are any. */
function useStepKeys(ledger: working.Ledger | undefined): readonly working.StepKey[] {
  const own = useMemo(
    () => ledger !== undefined && working.stepOf(ledger, 'supports') !== undefined,
    [ledger],
  )
  const bent = ledger?.context.bent !== undefined
  return useMemo(
    () => working.STEP_KEYS.filter((k) => (k !== 'supports' || own) && (k !== 'second-order' || bent)),
    [own, bent],
  )
}

/** What a first view has room for, px as estimated. */
const FIRST_VIEW = 600

/** Sets the first formulas of the next step in quiet moments, and of one whose name is pointed at. */
function useAhead(
  workingView: WorkingView | null,
  next: working.StepKey | undefined,
): (key: working.StepKey) => void {
  const [params] = useSearchParams()
  const member = params.get('member')
  const prepare = (key: working.StepKey) =>
    workingView &&
    setBeforehand(
      firstFormulas(
        workingView.ledger,
        key,
        workingView.reading,
        Math.max(0, workingView.ledger.context.member(member ?? '')),
        FIRST_VIEW,
      ),
    )
  const latest = useRef(prepare)
  useEffect(() => {
    latest.current = prepare
  })
  const ledger = workingView?.ledger
  const reading = workingView?.reading
  useEffect(
    () => (ledger && next ? (latest.current(next) ?? undefined) : undefined),
    [ledger, reading, member, next],
  )
  return useCallback((key) => void latest.current(key), [])
}

interface StepLinks {
  base: string
  /** The member that is read stays the same from step to step. */
  search: string
}

/** The steps by name; an edit leaves them as they are. */
const Steps = memo(function Steps({
  keys,
  at,
  base,
  search,
  onIntent,
}: StepLinks & { keys: readonly working.StepKey[]; at: number; onIntent: (key: working.StepKey) => void }) {
  return (
    <nav className="steps" aria-label="Steps of the working">
      {keys.map((k, i) => (
        <Link
          key={k}
          to={{ pathname: `${base}/${k}`, search }}
          aria-current={i === at ? 'step' : undefined}
          onPointerEnter={() => onIntent(k)}
          onFocus={() => onIntent(k)}
        >
          <span>{i + 1}</span> {LABELS[k]}
        </Link>
      ))}
    </nav>
  )
})

/** Before and after the step, and the whole as a file. */
const Foot = memo(function Foot({
  before,
  after,
  base,
  search,
  printed,
}: StepLinks & { before?: working.StepKey; after?: working.StepKey; printed?: string }) {
  return (
    <footer className="sheet-foot">
      {before && (
        <Link to={{ pathname: `${base}/${before}`, search }} className="link" rel="prev">
          ⟵ {LABELS[before]}
        </Link>
      )}
      {printed !== undefined && <WholeWorking base={base} action={printed} />}
      {after && (
        <Link to={{ pathname: `${base}/${after}`, search }} className="link end" rel="next">
          {LABELS[after]} ⟶
        </Link>
      )}
    </footer>
  )
})

/** The whole working of the shown case as a file, in one click. */
function WholeWorking({ base, action }: { base: string; action: string }) {
  const to = (form: string) => `${base}-as/${form}?case=${encodeURIComponent(action)}`
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
