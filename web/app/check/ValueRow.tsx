import {
  answerAt,
  answerDimension,
  answerName,
  coherentUnitName,
  DEFAULT_TOLERANCE,
  edit,
  formatNumber,
  thing,
  withKeys,
  type Answer,
  type SheetVerdict,
} from '@viga/core'
import type { Place } from '@viga/core/statement/answer-place'
import { answerValueText, readAnswerValue } from '@viga/core/statement/answer-value'
import { LiveField } from '../fields/LiveField'
import { OfThing } from '../fields/of-thing'
import { useRow } from '../fields/rows'
import { TextField } from '../fields/TextField'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { RemoveButton } from '../widgets/Block'
import { VerdictSign } from '../widgets/VerdictSign'
import { AnswerName } from './AnswerName'
import { caseOf } from './case-of'
import { reaches, useShows } from './shows'
import { signOf, WORDS, type JudgedAnswer } from './verdicts'

interface Props {
  place: Place
  /** The hand value that stands there, once there is one. */
  judged?: JudgedAnswer
  /** A row of a prepared list: it is there without a value, and stays when its value is taken out. */
  listed?: boolean
  on: boolean
  onOpen: (id: string | null) => void
}

/** One place and the value a hand solution has there, with its verdict. */
export function ValueRow({ place, judged, listed, on, onOpen }: Props) {
  const store = useSheetStore()
  const apply = useEdit()
  const many = useSheet((s) => (s.problem.loadCases?.length ?? 0) + (s.problem.combinations?.length ?? 0) > 1)
  const answer = judged?.answer
  const about = place.node ? [thing.node(place.node)] : place.member ? [thing.member(place.member)] : []
  const row = useRow(targetOf([...about, ...(answer ? [thing.answer(answer.id)] : [])]))
  const named = answerName(withKeys(place, { sense: undefined }))
  const field = `your value of ${named}${answer && !listed ? ` (${answer.id})` : ''}`
  const cells = (
    <tr
      {...row}
      className={on ? 'lit' : row.className}
      data-answer={answer?.id}
      onClick={() => onOpen(answer?.id ?? null)}
      onFocus={() => {
        onOpen(answer?.id ?? null)
        row.onFocus()
        const { problem, chooseAction } = store.getState()
        const shown = caseOf(problem, place)
        if (shown !== undefined) chooseAction(shown)
      }}
    >
      <td title={answer?.note}>
        <AnswerName a={place} />{' '}
        {many && place.case !== undefined && <span className="quiet">{place.case}</span>}
      </td>
      <td className={`hand${judged?.verdict.verdict === 'differs' ? ' pencil' : ''}`}>
        <ValueField name={field} place={place} answer={answer} clears={listed} />
      </td>
      {judged ? <Verdict {...judged} /> : <Blank place={place} />}
      <td>
        {answer && (
          <RemoveButton
            what={`the value of ${named}`}
            onClick={() => apply('take out an answer', (p) => edit.removeAnswer(p, answer.id))}
          />
        )}
      </td>
    </tr>
  )
  return answer && !listed ? <OfThing thing={thing.answer(answer.id)}>{cells}</OfThing> : cells
}

/** The field of a value: a number with unit and direction, or T and C; every readable key takes effect. */
function ValueField({
  name,
  place,
  answer,
  clears,
}: {
  name: string
  place: Place
  answer?: Answer
  clears?: boolean
}) {
  const store = useSheetStore()
  const put = (text: string, merge: string): string | null => {
    const { problem, edit: change } = store.getState()
    const what = `answer ${answerName(place)}`
    if (text === '') {
      if (answer && clears) change(what, (p) => edit.removeAnswer(p, answer.id), { merge })
      return null
    }
    const read = readAnswerValue(problem, place, text)
    if (!read.ok) return read.message
    const { value } = read
    const sense = place.quantity === 'axial' ? { sense: read.sense } : {}
    const refusal = answer
      ? change(what, (p) => edit.setAnswer(p, answer.id, { value, ...sense }), { merge, shown: true })
      : change(what, (p) => edit.addAnswer(p, answerAt(place, read)), { merge, shown: true })
    return refusal?.message ?? null
  }
  return <LiveField aside name={name} value={answer ? answerValueText(answer) : ''} onChange={put} />
}

function Unit({ place, verdict }: { place: Place; verdict?: SheetVerdict }) {
  const units = useSheet((s) => s.problem.units)
  return <td className="ro">{coherentUnitName(units, verdict?.dimension ?? answerDimension(place))}</td>
}

function Blank({ place }: { place: Place }) {
  const shows = useShows()
  return (
    <>
      {reaches(shows, 'value') && <td />}
      <Unit place={place} />
      <td />
      <td className="quiet">not yet</td>
    </>
  )
}

function Verdict({ answer: a, verdict: v }: JudgedAnswer) {
  const apply = useEdit()
  const shows = useShows()
  const sign = signOf(v)
  const put = (tolerance: string) =>
    apply(`answer ${answerName(a)}`, (p) =>
      edit.setAnswer(p, a.id, { tolerance: tolerance === '' ? undefined : edit.typed(tolerance) }),
    )?.message ?? null
  return (
    <>
      {reaches(shows, 'value') && (
        <td className="n strong">{v.computed === null ? '' : formatNumber(v.computed)}</td>
      )}
      <Unit place={a} verdict={v} />
      <td>
        <TextField
          name={`tolerance of ${answerName(a)} (${a.id})`}
          value={a.tolerance === undefined ? '' : String(a.tolerance)}
          placeholder={`${DEFAULT_TOLERANCE * 100}%`}
          onCommit={put}
        />
      </td>
      <td className={sign === '≠' ? 'pencil' : sign === '±' ? 'opposite' : ''}>
        <span className="verdict">
          <VerdictSign sign={sign} />{' '}
          <span className="verdict-words">
            {WORDS[sign]}
            {v.diagnosis?.kind === 'opposite-sign' && reaches(shows, 'slip') && ', opposite sign'}
          </span>
        </span>
      </td>
    </>
  )
}
