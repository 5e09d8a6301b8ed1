import { edit, working, type Solution } from '@viga/core'
import { useEffect, useMemo, useRef, type ReactNode } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { AssemblyView } from './AssemblyView'
import { Blocks } from './Blocks'
import { useBook } from './book'
import { EliminationView } from './EliminationView'
import { NumberingChoice } from './NumberingChoice'
import { MemberChoice, useMember } from './MemberChoice'

/** One step as the page shows it: what it says of all, then of one member at a time. */
export function StepView({ step, solution }: { step: working.Step; solution: Solution }) {
  const ofMembers = useMemo(() => step.passages.flatMap((p) => (p.member === undefined ? [] : [p.member])), [step])
  const [chosen, choose] = useMember(solution)
  // a member clicked on the Figure is the one written out
  const selection = useSheet((s) => s.selection)
  const clicked = useRef(selection)
  useEffect(() => {
    if (selection === clicked.current) return
    clicked.current = selection
    const index = solution.structure.members.findIndex((m) => selection === `member:${m.id}`)
    if (ofMembers.includes(index)) choose(index)
  }, [selection, solution, ofMembers, choose])
  const at = ofMembers.includes(chosen) ? chosen : ofMembers[0]
  const passage = step.passages.find((p) => p.member === at)
  const name = at === undefined ? undefined : solution.structure.members[at].id
  const firstMember = step.passages.findIndex((p) => p.member !== undefined)
  const before = firstMember < 0 ? step.passages : step.passages.slice(0, firstMember)
  const after = firstMember < 0 ? [] : step.passages.filter((p, i) => i > firstMember && p.member === undefined)
  return (
    <>
      <h1>
        {step.title}
        {ofMembers.length > 0 && before.length + after.length === 0 && (
          <>
            {' of '}
            <i>{name}</i>
          </>
        )}
      </h1>
      <p className="prose">{step.why}</p>
      {step.key === 'unknowns' && <NumberingChoice solution={solution} />}
      <Passages all={before} step={step.key} solution={solution} />
      {ofMembers.length > 0 && at !== undefined && passage && (
        <>
          {before.length + after.length > 0 && <h2 className="sub">Member by member</h2>}
          <MemberChoice solution={solution} at={at} onChoose={choose} among={ofMembers.length === solution.structure.members.length ? undefined : ofMembers} />
          <Blocks key={at} blocks={passage.blocks} within={name} />
        </>
      )}
      <Passages all={after} step={step.key} solution={solution} />
    </>
  )
}

/** The equations solved by hand, in the way that is chosen: row by row, one pivot at a time, or taken apart. */
function ByHand({ blocks, children }: { blocks: readonly working.Block[]; children: ReactNode }) {
  const store = useSheetStore()
  const way = useSheet((s) => working.byHandOf(s.problem))
  return (
    <>
      <div className="numbering by-hand" role="radiogroup" aria-label="By hand">
        <span className="quiet">By hand: </span>
        {working.BY_HAND_WAYS.map(([key, label]) => (
          <label key={key} className="choice">
            <input type="radio" name="by-hand" checked={way === key} onChange={() => store.getState().edit('solve by hand', (q) => edit.setView(q, 'byHand', key === 'gauss' ? undefined : key))} /> {label}
          </label>
        ))}
      </div>
      {way === 'gauss' ? children : <Blocks blocks={blocks} />}
    </>
  )
}

/** Where K stands among the parts of the assembly: the page shows it growing. */
const whole = (p: working.Passage) => p.blocks.findIndex((b) => b.kind === 'matrix')

function Passages({ all, step, solution }: { all: readonly working.Passage[]; step: working.StepKey; solution: Solution }) {
  const { ledger } = useBook()
  const { action, units } = ledger.context
  // on the page what comes out stands before the way there
  const inOrder = [...all.filter((p) => !p.byHand), ...all.filter((p) => p.byHand)]
  return inOrder.map((p, i) => (
    <section key={i}>
      {p.title && <h2 className="sub">{p.title}</h2>}
      {step === 'assembly' ? (
        <>
          <Blocks blocks={p.blocks.slice(0, whole(p))} />
          <AssemblyView solution={solution} action={action} units={units} />
          <Blocks blocks={p.blocks.slice(whole(p) + 1)} />
        </>
      ) : p.byHand ? (
        <ByHand blocks={p.blocks}>
          <EliminationView solution={solution} action={action} units={units} />
        </ByHand>
      ) : (
        <Blocks blocks={p.blocks} />
      )}
    </section>
  ))
}
