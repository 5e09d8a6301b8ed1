import { working } from '@viga/core'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useLocation, useParams, useSearchParams } from 'react-router'
import { useSheet, useSolved } from '../sheet/context'
import { stepAddress } from '../sheet/figure-keys'
import { CaseChoice } from '../fields/CaseChoice'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { Unsolved } from '../fields/Unsolved'
import { loadTypesetter, setBeforehand } from '../widgets/Formula'
import { fetchAhead } from '../widgets/later'
import { quietly } from '../widgets/quietly'
import { Matrix } from './Matrix'
import { MethodChoice, NotFitting } from './MethodChoice'
import { WorkingContext, useBefore, useLedger, type WorkingView, type Pinned } from './working-view'
import { ByHand } from './by-hand-view'
import { Derivation, MethodQuestions, OWN_VIEWS, ReadingMenu } from './own-views'
import { firstFormulas } from './page'
import { StepView } from './StepView'
import './working.css'
import './matrix.css'
import './large.css'
import './derivation.css'

/** The name of a step among the others. */
const labelOf = (s: working.StepOutline) => s.label ?? s.title

/** Whole workings are printed up to this many members. */
const PRINTED = 150

/** The solution by a method of the course, line by line; any of its numbers can be opened. */
export function Working() {
  const params = useParams()
  const { method, step } = stepAddress(params.method, params.step)
  const solved = useSolved()
  const { ledger, pinned, outside, inside } = useViews(method, step)
  // formulas, and what single steps show, come with the next step
  useEffect(() => {
    void loadTypesetter()
    return quietly(() => fetchAhead(...OWN_VIEWS, ByHand))
  }, [])
  const steps = useSteps(method, ledger)
  const found = steps.findIndex((s) => s.key === step)
  const at = Math.max(0, found)
  const base = `/problems/${params.problemId}/working`
  const small = useSheet((s) => s.problem.members.length <= PRINTED)
  const search = useSearchWithout('open')
  // the steps of a large structure take longer to make than a quiet moment lasts
  const ahead = useAhead(small ? outside : null, steps[at + 1]?.key)
  const whole = (form: string) =>
    `${base}-as/${form}?method=${method}&case=${encodeURIComponent(solved?.action.id ?? '')}`
  const links = { base: `${base}/${method}`, search }
  return (
    <>
      <Steps steps={steps} at={at} {...links} onIntent={ahead} />
      <div className="sheet-body working" key={steps[at].key}>
        <LastReadable />
        <OwnValues />
        {solved && outside ? (
          <WorkingContext value={outside}>
            <MethodChoice method={method} base={base} />
            <CaseChoice />
            <ReadingMenu />
            <MethodQuestions method={method} solution={solved.solution} />
            <StepView step={steps[at].key} solution={solved.solution} />
          </WorkingContext>
        ) : solved ? (
          <NotFitting method={method} base={base} />
        ) : (
          <Unsolved />
        )}
      </div>
      {outside && inside && <Opened pinned={pinned} outside={outside} inside={inside} />}
      <Foot
        before={steps[at - 1]}
        after={steps[at + 1]}
        {...links}
        whole={ledger && small ? whole : undefined}
        short={ledger?.short !== undefined}
      />
    </>
  )
}

/**
 * The working and how it is read: as the step shows it, where an opened number begins a new trail, and within
 * that trail.
 */
function useViews(method: string, step: string) {
  const ledger = useLedger(method)
  const [params] = useSearchParams()
  const { trail, open, fresh } = useTrail(`${method}.${step}`, params.get('open'))
  const [pinned, pin] = useState<Pinned | null>(null)
  const before = useBefore(ledger)
  const problem = useSheet((s) => s.problem)
  const reading = useMemo(() => working.readingOf(problem), [problem])
  const outside = useMemo(
    (): WorkingView | null => (ledger ? { ledger, reading, before, pinned, pin, trail, open: fresh } : null),
    [ledger, reading, before, pinned, trail, fresh],
  )
  const inside = useMemo(() => outside && { ...outside, open }, [outside, open])
  return { ledger, pinned, outside, inside }
}

/** A matrix that is kept in view, and where an opened number came from. */
const Opened = ({
  pinned,
  outside,
  inside,
}: {
  pinned: Pinned | null
  outside: WorkingView
  inside: WorkingView
}) => (
  <WorkingContext value={inside}>
    {pinned && (
      <WorkingContext value={outside}>
        <section className="pinned" aria-label="Pinned matrix">
          <Matrix block={pinned.block} within={pinned.within} />
        </section>
      </WorkingContext>
    )}
    {inside.trail.length > 0 && <Derivation />}
  </WorkingContext>
)

/** The search part of the page's address without one of its entries. */
function useSearchWithout(part: string): string {
  const { search } = useLocation()
  return useMemo(() => {
    const params = new URLSearchParams(search)
    params.delete(part)
    return params.size > 0 ? `?${params}` : ''
  }, [search, part])
}

/**
 * The numbers that were opened one from another; another step is another reading, and what was opened closes,
 * but for a number that the address of the step opens.
 */
function useTrail(step: string, first: string | null) {
  const [trail, setTrail] = useState<readonly string[]>(first === null ? [] : [first])
  const open = useCallback(
    (address: string | null) =>
      setTrail((t) =>
        address === null ? [] : t.includes(address) ? t.slice(0, t.indexOf(address) + 1) : [...t, address],
      ),
    [],
  )
  const fresh = useCallback((address: string | null) => setTrail(address === null ? [] : [address]), [])
  useEffect(() => setTrail((t) => (first !== null ? [first] : t.length > 0 ? [] : t)), [step, first])
  return { trail, open, fresh }
}

/** The steps of the method that the problem has something for; all of them while it has no solution. */
function useSteps(method: string, ledger: working.Ledger | undefined): readonly working.StepOutline[] {
  // the same list after an edit that changes no step, so that the row of steps is not drawn anew
  const outline = working.OUTLINES.find((m) => m.key === method)!
  const there = outline.steps.map((s) => ledger?.steps.find((o) => o.key === s.key)?.has() ?? false)
  const shown = ledger ? there.join() : there.map(() => true).join()
  return useMemo(() => outline.steps.filter((_, i) => shown.split(',')[i] === 'true'), [outline, shown])
}

/** What a first view has room for, px as estimated. */
const FIRST_VIEW = 600

/** Sets the first formulas of the next step in quiet moments, and of one whose name is pointed at. */
function useAhead(workingView: WorkingView | null, next: string | undefined): (key: string) => void {
  const [params] = useSearchParams()
  const member = params.get('member')
  const prepare = (key: string) =>
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
  steps,
  at,
  base,
  search,
  onIntent,
}: StepLinks & { steps: readonly working.StepOutline[]; at: number; onIntent: (key: string) => void }) {
  return (
    <nav className="steps" aria-label="Steps of the working">
      {steps.map((s, i) => (
        <Link
          key={s.key}
          to={{ pathname: `${base}/${s.key}`, search }}
          aria-current={i === at ? 'step' : undefined}
          onPointerEnter={() => onIntent(s.key)}
          onFocus={() => onIntent(s.key)}
        >
          <span>{i + 1}</span> {labelOf(s)}
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
  whole,
  short,
}: StepLinks & {
  before?: working.StepOutline
  after?: working.StepOutline
  /** The address of the whole working in a form; undefined where it is too large to be printed. */
  whole?: (form: string) => string
  /** The method has a short form. */
  short: boolean
}) {
  return (
    <footer className="sheet-foot">
      {before && (
        <Link to={{ pathname: `${base}/${before.key}`, search }} className="link" rel="prev">
          ⟵ {labelOf(before)}
        </Link>
      )}
      {whole && <WholeWorking to={whole} short={short} />}
      {after && (
        <Link to={{ pathname: `${base}/${after.key}`, search }} className="link end" rel="next">
          {labelOf(after)} ⟶
        </Link>
      )}
    </footer>
  )
})

/** The whole working of the shown case as a file, in one click. */
function WholeWorking({ to, short }: { to: (form: string) => string; short: boolean }) {
  const several = useSheet(
    (s) => (s.problem.loadCases?.length ?? 0) + (s.problem.combinations?.length ?? 0) > 1,
  )
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
      {short && (
        <>
          ;{' '}
          <a className="link" href={to('short')} download title="The working on two to four pages, as a PDF">
            in short
          </a>
        </>
      )}
      {several && (
        <>
          ,{' '}
          <a className="link" href={to('all')} download title="Every case and combination in one PDF">
            all cases
          </a>
        </>
      )}
    </span>
  )
}
