import {
  answerDimension,
  answerName,
  coherentUnitName,
  edit,
  formatNumber,
  type Answer,
  type AnswerKeys,
  type PlaceDraft,
  type SheetVerdict,
} from '@viga/core'
import { changeTo, fitted } from '@viga/core/statement/answer-place'
import { useState } from 'react'
import { TextField } from '../fields/TextField'
import { useSheet, useEdit } from '../sheet/context'
import { PlaceFields } from '../fields/PlaceFields'
import { AnswerName } from './AnswerName'
import { reaches, useShows, type Shows } from './shows'
import type { JudgedAnswer } from './verdicts'

/** The report on the selected value, with as much detail as the student has chosen. */
export function Told({ answer: a, verdict: v }: JudgedAnswer) {
  const shows = useShows()
  const explained = useSheet(
    (s) =>
      s.checked?.problem === s.problem &&
      !s.checked.found?.explanations[0]?.wrong &&
      s.checked.found?.explanations[0]?.explains.includes(a.id),
  )
  const right = v.verdict === 'agrees' || v.verdict === 'convention'
  return (
    <section className={`told${right ? ' fine' : ''}`} aria-label="The value looked at" aria-live="polite">
      <h2>
        <AnswerName a={a} />: {headOf(v, shows)}
      </h2>
      <p className="prose">
        {explained && !v.diagnosis
          ? reaches(shows, 'slip') && 'The slip above explains it.'
          : sentenceOf(v, shows)}
        {reaches(shows, 'value') && <Both a={a} v={v} />}
      </p>
      <PlaceEditor a={a} />
    </section>
  )
}

function headOf(v: SheetVerdict, shows: Shows): string {
  switch (v.verdict) {
    case 'agrees':
      return 'your value agrees'
    case 'convention':
      return 'your value agrees under another sign convention'
    case 'follows':
      return 'your value follows from a wrong one'
    case 'unknown':
      return 'there is nothing to compare with'
    default:
      return v.diagnosis && reaches(shows, 'slip') ? 'a reason can be seen' : 'your value differs'
  }
}

function sentenceOf(v: SheetVerdict, shows: Shows): string {
  if (v.verdict === 'unknown') return v.reason ?? ''
  if (v.verdict === 'convention')
    return 'All values of its kind fit another sign convention, and each is right under it.'
  if (v.verdict === 'follows')
    return 'It is what the wrong value gives by equilibrium and by the equations of the members.'
  if (v.verdict === 'agrees' || !reaches(shows, 'slip')) return ''
  return v.diagnosis?.sentence ?? 'No slip of sign, unit or place explains this value by itself.'
}

/** Both values and how far apart they are. */
function Both({ a, v }: { a: Answer; v: SheetVerdict }) {
  const units = useSheet((s) => s.problem.units)
  const unit = coherentUnitName(units, answerDimension(a))
  if (v.given === null || v.computed === null) return null
  const sign = v.verdict === 'convention' || v.diagnosis?.kind === 'opposite-sign'
  const apart =
    v.apart === null || v.apart === 0 || sign || v.apart >= 10
      ? ''
      : ` They are ${formatNumber(v.apart * 100, { figures: 2 })} % apart.`
  return (
    <>
      {' '}
      Yours is {formatNumber(v.given)} {unit}, Viga finds {formatNumber(v.computed)} {unit}.{apart}
    </>
  )
}

/** Where the value stands and its note, to be changed in place. */
function PlaceEditor({ a }: { a: Answer }) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const [refusal, setRefusal] = useState<string | null>(null)
  const put = (change: AnswerKeys) =>
    apply(`answer ${answerName(a)}`, (p) => edit.setAnswer(p, a.id, change), { shown: true })
  const move = (place: PlaceDraft) => {
    const fit = fitted(problem, place)
    setRefusal((fit ? put(changeTo(fit))?.message : 'There is no place for such a value.') ?? null)
  }
  return (
    <div className="new-answer" role="group" aria-label={`place of ${answerName(a)}`}>
      <span className="quiet">stands for</span>
      <PlaceFields problem={problem} place={a} onChange={move} />
      <span className="note-field">
        <TextField
          name={`note to ${answerName(a)} (${a.id})`}
          value={a.note ?? ''}
          placeholder="a note, if you like"
          onCommit={(t) => put({ note: t === '' ? undefined : t })?.message ?? null}
        />
      </span>
      {refusal && <p className="pencil">{refusal}</p>}
    </div>
  )
}
