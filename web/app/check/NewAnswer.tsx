import {
  answerAt,
  answerName,
  edit,
  withKeys,
  type NewAnswer as UnlabelledAnswer,
  type PlaceDraft,
  type Problem,
} from '@viga/core'
import { useEffect, useRef, useState, type FormEvent } from 'react'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { undoInRow } from '../widgets/typed-steps'
import { useSheet, useTypedEdit } from '../sheet/context'
import { useNewRow } from '../sheet/new-row'
import { PlaceFields } from '../fields/PlaceFields'
import { fitted, type Place } from '@viga/core/statement/answer-place'
import { readAnswerValue } from '@viga/core/statement/answer-value'

/**
 * The place that a new value is asked for; a press on the Figure says it, and the value is all that is left.
 */
function useAskedPlace() {
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const asked = useSheet((s) => s.asked)
  const [draft, setDraft] = useState<PlaceDraft>({ quantity: truss ? 'axial' : 'reaction' })
  const field = useRef<HTMLInputElement>(null)
  const [answered, setAnswered] = useState(asked)
  if (asked !== answered) {
    setAnswered(asked)
    if (asked) setDraft(asked)
  }
  useEffect(() => {
    if (asked) field.current?.focus()
  }, [asked])
  return { draft, setDraft, field }
}

type Made = { ok: true; answer: UnlabelledAnswer } | { ok: false; message: string }

/**
 * The answer that was typed, or why it is none. `many`: there are several cases, and the answer names its
 * own.
 */
function madeAnswer(
  problem: Problem,
  place: Place | undefined,
  typed: { value: string; note: string },
  many: boolean,
): Made {
  if (!place) return { ok: false, message: 'There is no place for such a value yet.' }
  if (typed.value.trim() === '') return { ok: false, message: 'Type the value you found.' }
  const read = readAnswerValue(problem, place, typed.value)
  if (!read.ok) return read
  const note = typed.note.trim()
  const answer = withKeys(answerAt(place, read), note ? { note } : {})
  if (!many || place.quantity === 'stiffness' || place.quantity === 'load-factor') delete answer.case
  return { ok: true, answer }
}

/** One more hand value: which quantity, where, what was found, and a note if one is wished. */
export function NewAnswer() {
  const apply = useTypedEdit()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const { draft, setDraft, field } = useAskedPlace()
  const [typed, setTyped] = useNewRow('answer', { value: '', note: '' })
  const [refusal, setRefusal] = useState<string | null>(null)
  const many = (problem.loadCases?.length ?? 0) + (problem.combinations?.length ?? 0) > 1
  const ofCase = many && draft.case === undefined && actionId !== null
  const shown = { ...draft, ...(ofCase ? { case: actionId } : {}) }
  const place = fitted(problem, shown)
  if (problem.members.length === 0) return null

  const add = (e: FormEvent) => {
    e.preventDefault()
    const made = madeAnswer(problem, place, typed, many)
    if (!made.ok) return setRefusal(made.message)
    const name = `answer ${answerName(made.answer)}`
    const refused = apply(name, (p) => edit.addAnswer(p, made.answer))
    setRefusal(refused)
    if (refused !== null) return
    setTyped({ value: '', note: '' })
    // tension or compression is said of each value anew
    setDraft({ ...draft, sense: undefined })
  }
  return (
    <form className="new-answer" onSubmit={add} onKeyDown={undoInRow}>
      <PlaceFields
        problem={problem}
        place={place ?? shown}
        onChange={(d) => (setDraft(d), setRefusal(null))}
      />
      <Line
        ref={field}
        className="cell-input hand"
        aria-label="your value"
        typing={typed.value === '' ? true : () => setTyped({ ...typed, value: '' })}
        placeholder="your value"
        value={typed.value}
        spellCheck={false}
        autoComplete="off"
        onChange={(e) => (setTyped({ ...typed, value: e.target.value }), setRefusal(null))}
      />
      <Line
        className="cell-input note"
        aria-label="note to your value"
        typing={typed.note === '' ? true : () => setTyped({ ...typed, note: '' })}
        placeholder="a note, if you like"
        value={typed.note}
        onChange={(e) => setTyped({ ...typed, note: e.target.value })}
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
