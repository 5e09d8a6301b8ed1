import { thing, working, type Solution } from '@viga/core'
import { memo, useEffect, useMemo, useRef } from 'react'
import { useSheet, useSolved } from '../sheet/context'
import { Blocks } from './Blocks'
import { MemberName } from '../fields/MemberName'
import { SameStep } from './SameStep'
import { useWorkingView } from './working-view'
import { FactorProposal } from './FactorProposal'
import { beginning, useRoom } from './gradual'
import { MemberChoice, useMember } from './MemberChoice'
import { pageOf, passagesOf } from './page'
import { ByHand } from './by-hand-view'
import { AssemblyView, NumberingChoice } from './own-views'

/** One step as the page shows it: what it says of all, then of one member at a time. */
export const StepView = memo(function StepView({
  step: key,
  solution,
}: {
  step: string
  solution: Solution
}) {
  const { ledger } = useWorkingView()
  const step = useMemo(() => working.stepOf(ledger, key)!, [ledger, key])
  const [chosen, choose] = useMember(solution)
  const page = useMemo(() => pageOf(step, chosen), [step, chosen])
  const { members: ofMembers } = page
  useClickedMember(solution, ofMembers, choose)
  const at = page.ofOne?.member
  const name = at === undefined ? undefined : solution.structure.members[at].id
  const all = useMemo(() => passagesOf(page), [page])
  const end = useRef<HTMLDivElement>(null)
  const room = useRoom(all, end)
  const { passages: there, left } = beginning(all, room, ledger)
  const before = there.slice(0, page.before.length)
  const ofOne = page.ofOne && there[page.before.length]
  const after = there.slice(page.before.length + (page.ofOne ? 1 : 0))
  /** All it says is of one member, whose name then stands in its title. */
  const oneOnly = at !== undefined && page.before.length + page.after.length === 0
  return (
    <div className={room === Infinity ? 'whole-step' : undefined}>
      <h1>
        {step.title}
        {oneOnly && (
          <>
            {' of '}
            <MemberName id={name!} />
          </>
        )}
      </h1>
      <p className="prose">{step.why}</p>
      <SameStep step={step.key} />
      {ledger.method.key === 'stiffness' && step.key === 'unknowns' && (
        <NumberingChoice solution={solution} />
      )}
      {ledger.method.key === 'stiffness' && <FactorProposal step={step.key} />}
      <Passages all={before} step={step.key} solution={solution} />
      {at !== undefined && (
        <>
          {!oneOnly && <h2 className="sub">Member by member</h2>}
          <MemberChoice
            solution={solution}
            at={at}
            onChoose={choose}
            among={ofMembers.length === solution.structure.members.length ? undefined : ofMembers}
          />
          {ofOne && <Blocks key={at} blocks={ofOne.blocks} within={name} />}
        </>
      )}
      <Passages all={after} step={step.key} solution={solution} />
      <div ref={end} style={{ height: left }} />
    </div>
  )
})

/** A member clicked on the Figure is the one written out, where the step speaks of it. */
function useClickedMember(solution: Solution, ofMembers: readonly number[], choose: (index: number) => void) {
  const selection = useSheet((s) => s.selection)
  const clicked = useRef(selection)
  useEffect(() => {
    if (selection === clicked.current) return
    clicked.current = selection
    const index = solution.structure.members.findIndex((m) => selection === thing.member(m.id))
    if (ofMembers.includes(index)) choose(index)
  }, [selection, solution, ofMembers, choose])
}

/** Where K stands among the parts of the assembly: the page shows it growing. */
const whole = (p: working.Passage) => p.blocks.findIndex((b) => b.kind === 'matrix')

function Passages({
  all,
  step,
  solution,
}: {
  all: readonly working.Passage[]
  step: string
  solution: Solution
}) {
  const { ledger } = useWorkingView()
  const solved = useSolved()!
  const { units } = ledger.context
  return all.map((p, i) => (
    <section key={i}>
      {p.title && <h2 className="sub">{p.title}</h2>}
      {ledger.method.key === 'stiffness' && step === 'assembly' && whole(p) >= 0 ? (
        <>
          <Blocks blocks={p.blocks.slice(0, whole(p))} />
          <AssemblyView solution={solution} action={solved.action} units={units} />
          <Blocks blocks={p.blocks.slice(whole(p) + 1)} />
        </>
      ) : p.byHand ? (
        <ByHand blocks={p.blocks} solution={solution} action={solved.action} units={units} />
      ) : (
        <Blocks blocks={p.blocks} />
      )}
    </section>
  ))
}
