import { edit, scoreOf, thing, type Answer } from '@viga/core'
import { answerName } from '@viga/core'
import type { ListOptions } from '@viga/core/statement/answer-lists'
import { useMemo, useState } from 'react'
import { useParams } from 'react-router'
import { useSheet, useSolved, useEdit } from '../sheet/context'
import { LastReadable } from '../fields/LastReadable'
import { OwnValues } from '../fields/OwnValues'
import { TextField } from '../fields/TextField'
import { Unsolved } from '../fields/Unsolved'
import { onGridKeys } from '../widgets/Block'
import { fetchAll, later } from '../widgets/later'
import { ShowsChoice } from './Covered'
import { EndSigns } from './EndSigns'
import { ListChoice } from './ListChoice'
import { listed, offered } from './lists'
import { NewAnswer } from './NewAnswer'
import { PasteValues } from './PasteValues'
import { reaches, useShows } from './shows'
import { Told } from './Told'
import { useCaseWithValues } from './use-case-with-values'
import { ValueRow } from './ValueRow'
import { useVerdicts, type JudgedAnswer } from './verdicts'
import './check.css'

// what explains a sheet, and what reads a drawn diagram, come after the table can be used
const Explained = later(async () => (await import('./Explained')).Explained)
const DrawnByHand = later(async () => (await import('./DrawnByHand')).DrawnByHand)
if (import.meta.env.SSR) await fetchAll(Explained, DrawnByHand)

/** Hand values against Viga's: a verdict beside each and on the Figure, and, where it differs, why. */
export function Check() {
  const solved = useSolved()
  const answers = useSheet((s) => s.problem.answers)
  const rows = useVerdicts()
  useCaseWithValues()
  const [open, setOpen] = useState<string | null>(null)
  const told = rows.find((r) => r.answer.id === open) ?? rows.find((r) => r.verdict.verdict === 'differs')
  return (
    <>
      <div className="sheet-body">
        {!solved && <Unsolved />}
        <LastReadable />
        <OwnValues />
        <div className="check-head">
          <span>Values of your hand solution</span>
          {rows.length > 0 && <Score rows={rows} />}
        </div>
        {solved ? (
          <Values rows={rows} told={told?.answer.id} onOpen={setOpen} />
        ) : (
          <table className="t check-table">
            <tbody>
              {(answers ?? []).map((a) => (
                <WaitingRow key={a.id} a={a} />
              ))}
            </tbody>
          </table>
        )}
        <NewAnswer />
        <PasteValues />
        <DrawnByHand />
        <EndSigns />
        <ShowsChoice />
        {solved && <Explained rows={rows} />}
        {told && <Told {...told} />}
      </div>
      <CheckFoot answered={rows.length > 0} />
    </>
  )
}

/** How the sheet stands, and within what its values agree. */
function Score({ rows }: { rows: readonly JudgedAnswer[] }) {
  const { agree, differ, unknown } = scoreOf(rows.map((r) => r.verdict))
  const rest = [differ > 0 && `${differ} differ`, unknown > 0 && `${unknown} cannot be told`].filter(Boolean)
  return (
    <span className="quiet">
      <span role="status">
        {agree} of {rows.length} agree{rest.length > 0 && `; ${rest.join(', ')}`}
      </span>
      <SheetTolerance answers={rows.map((r) => r.answer)} />
    </span>
  )
}

/** One tolerance for all values of the sheet; each row may have its own. */
function SheetTolerance({ answers }: { answers: readonly Answer[] }) {
  const apply = useEdit()
  const all = new Set(answers.map((a) => (a.tolerance === undefined ? '' : String(a.tolerance))))
  const set = (text: string): string | null => {
    if (text !== '' && text !== 'digits' && !/^[\d.]+\s*%$/.test(text))
      return 'A percentage, or “digits”: half a unit of the last digit given.'
    const tolerance = text === '' ? undefined : text
    return (
      apply('tolerance of all values', (p) =>
        answers.reduce((q, a) => edit.setAnswer(q, a.id, { tolerance }), p),
      )?.message ?? null
    )
  }
  return (
    <label className="sheet-tolerance">
      within
      <TextField
        name="tolerance of all values"
        value={all.size === 1 ? [...all][0] : ''}
        placeholder={all.size === 1 ? '1%' : 'each its own'}
        onCommit={set}
      />
    </label>
  )
}

interface ValuesProps {
  rows: readonly JudgedAnswer[]
  told: string | undefined
  onOpen: (id: string | null) => void
}

/** The values by rows; those of a prepared list stand together, also where nothing is filled in yet. */
function Values({ rows, told, onOpen }: ValuesProps) {
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const shows = useShows()
  const lists = useMemo(() => offered(problem), [problem])
  const [key, setKey] = useState('')
  const [options, setOptions] = useState<ListOptions>({})
  const list = lists.find((l) => l.key === key)
  const { places, rest } = useMemo(
    () => listed(problem, list, options, actionId, rows),
    [problem, list, options, actionId, rows],
  )
  return (
    <>
      <table className="t check-table" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th>Quantity</th>
            <th style={{ width: 104 }}>yours</th>
            {reaches(shows, 'value') && <th className="n">Viga</th>}
            <td />
            <th style={{ width: 58 }}>within</th>
            <td />
            <td style={{ width: 22 }} />
          </tr>
        </thead>
        <tbody>
          {rest.map((j) => (
            <ValueRow
              key={j.answer.id}
              place={j.answer}
              judged={j}
              on={told === j.answer.id}
              onOpen={onOpen}
            />
          ))}
        </tbody>
        {list && <ListedRows title={list.title} places={places} told={told} onOpen={onOpen} />}
      </table>
      <ListChoice lists={lists} chosen={list} onChoose={setKey} options={options} onOptions={setOptions} />
    </>
  )
}

/** The places of a prepared list, each with the value that stands there or a field for it. */
function ListedRows({
  title,
  places,
  told,
  onOpen,
}: Omit<ValuesProps, 'rows'> & { title: string; places: ReturnType<typeof listed>['places'] }) {
  const filled = places.filter((p) => p.judged).length
  return (
    <tbody aria-label={title}>
      <tr>
        <th colSpan={7} className="list-head">
          {title}: {filled} of {places.length} filled in
        </th>
      </tr>
      {places.map(({ place, judged }) => (
        <ValueRow
          key={answerName(place)}
          listed
          place={place}
          judged={judged}
          on={judged !== undefined && told === judged.answer.id}
          onOpen={onOpen}
        />
      ))}
    </tbody>
  )
}

function WaitingRow({ a }: { a: Answer }) {
  return (
    <tr data-thing={thing.answer(a.id)}>
      <td>{answerName(a)}</td>
      <td className="hand">{String(a.value)}</td>
      <td className="ro">waits for a solution</td>
    </tr>
  )
}

function CheckFoot({ answered }: { answered: boolean }) {
  const { problemId } = useParams()
  const shows = useShows()
  return (
    <footer className="sheet-foot">
      <span>press the Figure to give a value there</span>
      {answered && reaches(shows, 'value') && (
        <a className="link end" href={`/problems/${problemId}/marked`} download>
          The marked sheet as PDF
        </a>
      )}
    </footer>
  )
}
