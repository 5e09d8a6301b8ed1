import { endOf, type Answer, type Outcome, type Problem } from '@viga/core'
import { answerName } from '@viga/core/statement/answer-words'
import { endName } from '@viga/core/statement/end-names'
import { useSheet } from '../sheet/context'

type Named = Omit<Answer, 'id' | 'value'>

/** The end of its member at which a value stands, where the structure can be read. */
function endStated(problem: Problem, outcome: Outcome, a: Named) {
  if (outcome.stage === 'invalid' || a.member === undefined) return undefined
  const m = outcome.structure.members.find((o) => o.id === a.member)
  return m && endOf(problem, a, m)
}

/**
 * The name of a hand value as hand solutions write it: a reaction with its direction below the joint, an end
 * moment with the near and the far joint below the M.
 */
export function AnswerName({ a }: { a: Named }) {
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
  if (!name) return <>{answerName({ ...a, id: '', value: 0, sense: undefined })}</>
  return (
    <>
      <i>{name.letter}</i>
      <sub>{name.joints}</sub>
      {a.side && `, just ${a.side === 'left' ? 'before' : 'after'}`}
    </>
  )
}
