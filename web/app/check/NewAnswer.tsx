import { edit, type Answer } from '@viga/core'
import { useEffect, useRef, useState } from 'react'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore } from '../sheet/context'
import { useNewRow } from '../sheet/new-row'
import { PlaceFields } from '../fields/PlaceFields'
import { fitted, type Place } from '@viga/core/statement/answer-place'
import { readAnswerValue } from '@viga/core/statement/answer-value'
import { answerName } from '@viga/core/statement/answer-words'

/** One more hand value: which quantity, where, what was found, and a note if one is wished. */
export function NewAnswer() {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const [draft, setDraft] = useState<Place>({ quantity: problem.kind === 'truss' ? 'axial' : 'reaction' })
  const [{ value, note }, setTyped] = useNewRow('answer', { value: '', note: '' })
  const [refusal, setRefusal] = useState<string | null>(null)
  const field = useRef<HTMLInputElement>(null)
  const asked = useSheet((s) => s.asked)
  // a press on the Figure says where: the value is all that is left to be typed
  const [answered, setAnswered] = useState(asked)
  if (asked !== answered) {
    setAnswered(asked)
    if (asked) setDraft(asked)
  }
  useEffect(() => {
    if (asked) field.current?.focus()
  }, [asked])
  const many = (problem.loadCases?.length ?? 0) + (problem.combinations?.length ?? 0) > 1
  const shown = {
    ...draft,
    ...(many && draft.case === undefined && actionId !== null ? { case: actionId } : {}),
  }
  const place = fitted(problem, shown)
  if (problem.members.length === 0) return null

  const add = () => {
    if (!place) return setRefusal('There is no place for such a value yet.')
    if (value.trim() === '') return setRefusal('Type the value you found.')
    const read = readAnswerValue(problem, place, value)
    if (!read.ok) return setRefusal(read.message)
    const answer: Omit<Answer, 'id'> = {
      ...place,
      value: read.value,
      ...(read.sense ? { sense: read.sense } : {}),
      ...(note.trim() ? { note: note.trim() } : {}),
    }
    if (!many || place.quantity === 'stiffness' || place.quantity === 'load-factor') delete answer.case
    const error = store
      .getState()
      .edit(`answer ${answerName({ id: '', ...answer })}`, (p) => edit.addAnswer(p, answer), { shown: true })
    if (error) return setRefusal(error.message)
    setRefusal(null)
    setTyped({ value: '', note: '' })
    // tension or compression is said of each value anew
    setDraft({ ...draft, sense: undefined })
  }
  return (
    <form
      className="new-answer"
      onSubmit={(e) => {
        e.preventDefault()
        add()
      }}
    >
      <PlaceFields
        problem={problem}
        place={place ?? shown}
        onChange={(d) => (setDraft(d), setRefusal(null))}
      />
      <Line
        ref={field}
        className="cell-input hand"
        aria-label="your value"
        placeholder="your value"
        value={value}
        spellCheck={false}
        autoComplete="off"
        onChange={(e) => (setTyped({ value: e.target.value, note }), setRefusal(null))}
      />
      <Line
        className="cell-input note"
        aria-label="note to your value"
        placeholder="a note, if you like"
        value={note}
        onChange={(e) => setTyped({ value, note: e.target.value })}
      />
      <Press type="submit" className="plain-button">
        Check it
      </Press>
      {refusal && (
        <p className="pencil" role="alert">
          {refusal}
        </p>
      )}
    </form>
  )
}
