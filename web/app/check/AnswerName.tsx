import type { Answer } from '@viga/core'
import { answerName } from '@viga/core/statement/answer-words'

type Named = Omit<Answer, 'id' | 'value'>

/** The name of a hand value; a reaction as the book writes it, the joint with its direction below. */
export function AnswerName({ a }: { a: Named }) {
  if (a.quantity !== 'reaction' || a.component === 'rotation')
    return <>{answerName({ ...a, id: '', value: 0, sense: undefined })}</>
  return (
    <>
      <i>{a.node}</i>
      <sub>{a.component}</sub>
      {a.axes === 'own' && ' along its own axes'}
    </>
  )
}
