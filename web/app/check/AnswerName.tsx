import { answerName, endOf, withKeys, type AnswerPlace, type Outcome, type Problem } from '@viga/core'
import { endName } from '@viga/core/statement/end-names'
import { useSheet } from '../sheet/context'

/** The end of its member at which a value stands, where the structure can be read. */
function endStated(problem: Problem, outcome: Outcome, a: AnswerPlace) {
  if (outcome.stage === 'invalid' || a.member === undefined) return undefined
  const m = outcome.structure.members.find((o) => o.id === a.member)
  return m && endOf(problem, a, m)
}

/**
 * The name of a hand value as hand solutions write it: a reaction with its direction below the joint, an end
 * moment with the near and the far joint below the M.
 */
export function AnswerName({ a }: { a: AnswerPlace }) {
  const problem = useSheet((s) => s.problem)
  const outcome = useSheet((s) => s.outcome)
  if (a.quantity === 'reaction' && a.component !== 'rotation')
    return (
      <>
        <i>{a.node}</i>
        <sub>{a.component}</sub>
        {a.axes === 'own' && ' along its own axes'}
      </>
    )
  const name = endName(problem, a, endStated(problem, outcome, a))
  if (!name) return <>{answerName(withKeys(a, { sense: undefined }))}</>
  return (
    <>
      <i>{name.letter}</i>
      <sub>{name.joints}</sub>
      {a.side && `, just ${a.side === 'left' ? 'before' : 'after'}`}
    </>
  )
}
