import { thing } from '@viga/core'
import { useSheet, useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'

/** Why there are no numbers, in one sentence, with the place lit on the Figure. */
export function Unsolved() {
  const store = useSheetStore()
  const outcome = useSheet((s) => s.outcome)
  if (outcome.stage !== 'invalid' && outcome.structure.members.length === 0)
    return <p className="prose">Nothing is stated yet. Joints, members, supports and loads go under Given.</p>
  if (outcome.stage === 'solved')
    return <p className="prose">There is no load case yet: add one under Given.</p>
  const error =
    outcome.stage === 'invalid'
      ? { message: outcome.errors[0].message, nodes: [], members: [] }
      : outcome.error
  const target =
    targetOf([
      ...(error.members ?? []).map((m) => thing.member(m)),
      ...(error.nodes ?? []).map((n) => thing.node(n)),
    ]) || null
  return (
    <div
      className="unsolved"
      role="alert"
      onMouseEnter={() => store.getState().point(target)}
      onMouseLeave={() => store.getState().point(null)}
    >
      <h2>
        {outcome.stage === 'unsolved' && outcome.error.kind === 'mechanism'
          ? 'This structure is not stable'
          : outcome.stage === 'unsolved' && outcome.error.kind === 'buckled'
            ? 'This structure buckles under its loads'
            : 'This cannot be solved yet'}
      </h2>
      <p className="prose">{error.message}</p>
    </div>
  )
}
