import {
  thing,
  answerDimension,
  DEFAULT_TOLERANCE,
  coherentUnitName,
  edit,
  formatNumber,
  type Answer,
  type AnswerVerdict,
} from '@viga/core'
import { useState } from 'react'
import { useSheet, useSheetStore, useSolved } from '../sheet/context'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { Unsolved } from '../fields/Unsolved'
import { useRow } from '../fields/rows'
import { onGridKeys, RemoveButton } from '../widgets/Block'
import { OfThing } from '../fields/of-thing'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { VerdictSign } from '../widgets/VerdictSign'
import { AnswerFields } from './AnswerFields'
import { changeTo, fitted, type Place } from '@viga/core/statement/answer-place'
import { answerName } from '@viga/core/statement/answer-words'
import { Explained } from './Explained'
import { NewAnswer } from './NewAnswer'
import { useVerdicts } from './notes'
import { targetOf } from '../sheet/targets'
import './check.css'

/** Hand values against Viga's: a verdict beside each and on the Figure, and, where it differs, why. */
export function Check() {
  const solved = useSolved()
  const answers = useSheet((s) => s.problem.answers)
  const rows = useVerdicts()
  const [open, setOpen] = useState<string | null>(null)
  const agree = rows.filter((r) => r.verdict.verdict === 'agrees').length
  const told = rows.find((r) => r.answer.id === open) ?? rows.find((r) => r.verdict.verdict === 'differs')
  return (
    <>
      <div className="sheet-body">
        {!solved && <Unsolved />}
        <LastReadable />
        <OwnValues />
        <div className="check-head">
          <span>Values of your hand solution</span>
          <span className="quiet">
            {rows.length > 0 &&
              `${agree} of ${rows.length} agree; within ${DEFAULT_TOLERANCE * 100}% unless said otherwise`}
          </span>
        </div>
        <table className="t check-table" onKeyDown={onGridKeys}>
          <thead>
            <tr>
              <th>Quantity</th>
              <th style={{ width: 96 }}>yours</th>
              <th className="n">Viga</th>
              <td />
              <th style={{ width: 58 }}>within</th>
              <td />
              <td style={{ width: 22 }} />
            </tr>
          </thead>
          <tbody>
            {solved
              ? rows.map(({ answer, verdict }) => (
                  <OfThing key={answer.id} thing={thing.answer(answer.id)}>
                    <AnswerRow
                      a={answer}
                      v={verdict}
                      on={told?.answer.id === answer.id}
                      onOpen={() => setOpen(answer.id)}
                    />
                  </OfThing>
                ))
              : (answers ?? []).map((a) => <WaitingRow key={a.id} a={a} />)}
          </tbody>
        </table>
        <NewAnswer />
        {told && <Told a={told.answer} v={told.verdict} />}
        {solved && <Explained differs={rows.filter((r) => r.verdict.verdict === 'differs').length} />}
      </div>
      <footer className="sheet-foot">
        <span>enter: next value</span>
        <span>a tolerance is a percentage or a quantity</span>
      </footer>
    </>
  )
}

export const signOf = (v: AnswerVerdict) =>
  v.verdict === 'agrees'
    ? '='
    : v.verdict === 'unknown'
      ? '?'
      : v.diagnosis?.kind === 'opposite-sign'
        ? '±'
        : '≠'
const WORDS = { '=': 'agrees', '±': 'agrees, opposite sign', '≠': 'differs', '?': 'not found' }

function AnswerRow({ a, v, on, onOpen }: { a: Answer; v: AnswerVerdict; on: boolean; onOpen: () => void }) {
  const store = useSheetStore()
  const units = useSheet((s) => s.problem.units)
  const many = useSheet((s) => (s.problem.loadCases?.length ?? 0) + (s.problem.combinations?.length ?? 0) > 1)
  const place = a.node ? thing.node(a.node) : a.member ? thing.member(a.member) : thing.answer(a.id)
  const row = useRow(targetOf([...new Set([place, thing.answer(a.id)])]))
  const sign = signOf(v)
  const put = (change: Partial<Answer>, merge?: string) =>
    store.getState().edit(`answer ${answerName(a)}`, (p) => edit.setAnswer(p, a.id, change), { merge })
  return (
    <tr
      {...row}
      className={on ? 'lit' : row.className}
      data-answer={a.id}
      onClick={onOpen}
      onFocus={() => {
        onOpen()
        if (a.case !== undefined) store.getState().chooseAction(a.case)
      }}
    >
      <td title={a.note}>
        <AnswerName a={a} /> {many && a.case !== undefined && <span className="quiet">{a.case}</span>}
      </td>
      <td className={`hand${v.verdict === 'differs' && sign !== '±' ? ' pencil' : ''}`}>
        <QuantityField
          name={`your value of ${answerName(a)} (${a.id})`}
          value={a.value}
          dimension={v.dimension}
          onChange={(value, merge) => put({ value }, merge)}
        />
      </td>
      <td className="n strong">{v.computed === null ? '' : formatNumber(v.computed)}</td>
      <td className="ro">{coherentUnitName(units, v.dimension)}</td>
      <td>
        <TextField
          name={`tolerance of ${answerName(a)} (${a.id})`}
          value={a.tolerance === undefined ? '' : String(a.tolerance)}
          placeholder={`${DEFAULT_TOLERANCE * 100}%`}
          onCommit={(t) => put({ tolerance: t === '' ? undefined : edit.typed(t) })?.message ?? null}
        />
      </td>
      <td className={sign === '≠' ? 'pencil' : sign === '±' ? 'opposite' : ''}>
        <span className="verdict">
          <VerdictSign sign={sign} /> {WORDS[sign]}
        </span>
      </td>
      <td>
        <RemoveButton
          what={`the value of ${answerName(a)}`}
          onClick={() => store.getState().edit('take out an answer', (p) => edit.removeAnswer(p, a.id))}
        />
      </td>
    </tr>
  )
}

/** The name of a hand value; a reaction as the book writes it, the joint with its direction below. */
function AnswerName({ a }: { a: Answer }) {
  if (a.quantity !== 'reaction' || a.component === 'rotation') return <>{answerName(a)}</>
  return (
    <>
      <i>{a.node}</i>
      <sub>{a.component}</sub>
      {a.axes === 'own' && ' along its own axes'}
    </>
  )
}

function WaitingRow({ a }: { a: Answer }) {
  return (
    <tr>
      <td>{answerName(a)}</td>
      <td className="hand">{String(a.value)}</td>
      <td colSpan={5} className="ro">
        waits for a solution
      </td>
    </tr>
  )
}

/** What can be said of the value that differs. */
function Told({ a, v }: { a: Answer; v: AnswerVerdict }) {
  const units = useSheet((s) => s.problem.units)
  const unit = coherentUnitName(units, answerDimension(a))
  const apart =
    v.apart === null || v.diagnosis?.kind === 'opposite-sign'
      ? ''
      : v.apart < 10
        ? ` They are ${formatNumber(v.apart * 100, { figures: 2 })} % apart.`
        : ''
  const agrees = v.verdict === 'agrees'
  return (
    <section className={`told${agrees ? ' fine' : ''}`} aria-live="polite">
      <h2>
        <AnswerName a={a} />:{' '}
        {agrees
          ? 'your value agrees'
          : v.verdict === 'unknown'
            ? 'there is nothing to compare with'
            : v.diagnosis
              ? 'a reason can be seen'
              : 'your value differs'}
      </h2>
      <p className="prose">
        {v.reason ??
          v.diagnosis?.sentence ??
          (agrees ? '' : 'No single slip of sign, unit or place explains it.')}
        {v.given !== null && v.computed !== null && (
          <>
            {' '}
            Yours is {formatNumber(v.given)} {unit}, Viga finds {formatNumber(v.computed)} {unit}.{apart}
          </>
        )}
      </p>
      <PlaceEditor a={a} />
    </section>
  )
}

/** Where the value stands and its note, to be changed in place. */
function PlaceEditor({ a }: { a: Answer }) {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const [refusal, setRefusal] = useState<string | null>(null)
  const put = (change: Partial<Answer>) =>
    store.getState().edit(`answer ${answerName(a)}`, (p) => edit.setAnswer(p, a.id, change), { shown: true })
  const move = (place: Place) => {
    const fit = fitted(problem, place)
    setRefusal((fit ? put(changeTo(fit))?.message : 'There is no place for such a value.') ?? null)
  }
  return (
    <div className="new-answer" role="group" aria-label={`place of ${answerName(a)}`}>
      <span className="quiet">stands for</span>
      <AnswerFields problem={problem} place={a} onChange={move} />
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
