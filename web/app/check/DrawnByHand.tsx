import {
  drawnDiagram,
  edit,
  formatNumber,
  judgeDrawn,
  readDrawn,
  setDrawnDiagram,
  STRETCH_KINDS,
  type DrawnDiagram,
  type DrawnOrdinate,
  type JudgedOrdinate,
  type Problem,
  type StretchKind,
} from '@viga/core'
import { isAlone } from '@viga/core/statement/answer-place'
import { useMemo, useState } from 'react'
import { EXAMPLES } from '../fields/examples'
import { LiveField } from '../fields/LiveField'
import { OneLine, type ReadLine } from '../fields/OneLine'
import { useSheet, useSolved, useEdit } from '../sheet/context'
import { onGridKeys, RemoveButton } from '../widgets/Block'
import { Pick } from '../widgets/Pick'
import { VerdictSign } from '../widgets/VerdictSign'
import { reaches, useShows } from './shows'

const QUANTITIES = { moment: 'M', shear: 'V', axial: 'N' } as const

/**
 * A diagram that was drawn by hand: its ordinates and how it runs between them, laid over the computed one.
 */
export function DrawnByHand() {
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const members = problem.members.filter((m) => !isAlone(problem, m.id))
  const [quantity, setQuantity] = useState<DrawnDiagram['quantity']>('moment')
  const [chosen, setMember] = useState<string>()
  const member = members.find((m) => m.id === chosen)?.id ?? members[0]?.id
  if (member === undefined) return null
  const first = problem.loadCases?.[0]?.id
  const of = {
    quantity,
    member,
    ...(actionId !== null && actionId !== first ? { case: actionId } : {}),
  }
  return (
    <details className="drawn-by-hand">
      <summary>A diagram drawn by hand</summary>
      <div className="list-choice">
        <Pick
          className="cell-select"
          aria-label="quantity of the diagram"
          value={quantity}
          onChange={(e) => setQuantity(e.target.value as 'moment')}
        >
          {Object.entries(QUANTITIES).map(([key, letter]) => (
            <option key={key} value={key}>
              {letter}
            </option>
          ))}
        </Pick>
        <Pick
          className="cell-select"
          aria-label="member of the diagram"
          value={member}
          onChange={(e) => setMember(e.target.value)}
        >
          {members.map((m) => (
            <option key={m.id} value={m.id}>
              of {m.id}
            </option>
          ))}
        </Pick>
        <span className="quiet">in pencil on the Figure while {QUANTITIES[quantity]} is shown</span>
      </div>
      <Ordinates key={`${quantity} ${member} ${of.case ?? ''}`} diagram={drawnDiagram(problem, of)} />
    </details>
  )
}

/** `2.4 m: 18.5 parabola`. */
const ORDINATE = new RegExp(
  `^(.+?)\\s*(?::|\\t|\\s(?=[-−+(\\d]))\\s*(.+?)(?:\\s+(${STRETCH_KINDS.join('|')}))?$`,
)

/** What changes the ordinates of a diagram; each function returns why it was refused. */
function useOrdinates(diagram: DrawnDiagram, length: number | undefined) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const { ordinates } = diagram
  const changed = (next: DrawnOrdinate[]): ReadLine => {
    const drawn = { ...diagram, ordinates: next }
    const reading = length === undefined ? undefined : readDrawn(problem, drawn, length)
    // unreadable text is refused; a diagram that lacks an ordinate is kept and the gap is named below
    if (reading && !reading.ok && !reading.message.startsWith('A ')) return reading
    const name = `${QUANTITIES[diagram.quantity]} of ${diagram.member} by hand`
    return { name, change: (p) => setDrawnDiagram(p, drawn) }
  }
  const put = (next: DrawnOrdinate[], merge?: string): string | null => {
    const line = changed(next)
    if ('message' in line) return line.message
    return apply(line.name, line.change, { merge, shown: true })?.message ?? null
  }
  const change = (i: number, by: Partial<DrawnOrdinate>, merge?: string) =>
    put(
      ordinates.map((o, j) => (j === i ? { ...o, ...by } : o)),
      merge,
    )
  const read = (_: Problem, text: string): ReadLine => {
    const parts = ORDINATE.exec(text)
    if (!parts)
      return { message: 'Write the place and the ordinate: 2.4 m: 18.5, and how it runs on, parabola.' }
    const [, at, value, kind] = parts
    const more = {
      at: edit.typed(at),
      value: edit.typed(value),
      ...(kind ? { kind: kind as StretchKind } : {}),
    }
    return changed([...ordinates, more])
  }
  const remove = (i: number) => put(ordinates.filter((_, j) => j !== i))
  return { change, read, remove }
}

function Ordinates({ diagram }: { diagram: DrawnDiagram }) {
  const solved = useSolved()
  const problem = useSheet((s) => s.problem)
  const m = solved?.solution.structure.members.find((o) => o.id === diagram.member)
  const read = useMemo(() => m && readDrawn(problem, diagram, m.length), [problem, diagram, m])
  const judged = useMemo(
    () => solved && judgeDrawn(problem, solved.solution, solved.action, diagram),
    [problem, solved, diagram],
  )
  const { change, read: readOrdinate, remove } = useOrdinates(diagram, m?.length)
  const of = `${diagram.quantity} in ${diagram.member}`
  return (
    <table className="t drawn-table" onKeyDown={onGridKeys}>
      <thead>
        <tr>
          <th>at</th>
          <th>ordinate</th>
          <th>from there</th>
          <td colSpan={3} />
        </tr>
      </thead>
      <tbody>
        {diagram.ordinates.map((o, i) => (
          <OrdinateRow
            key={i}
            ordinate={o}
            name={(what) => `${what} of ordinate ${i + 1} of ${of}`}
            judged={judged?.[i]}
            onChange={(by, merge) => change(i, by, merge)}
            onRemove={() => remove(i)}
          />
        ))}
        <OneLine
          name={`a new ordinate of ${of}`}
          placeholder={EXAMPLES.ordinate}
          columns={6}
          read={readOrdinate}
        />
      </tbody>
      {read && !read.ok && (
        <tfoot>
          <tr>
            <td colSpan={6} className="pencil" role="status">
              {read.message}
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  )
}

interface OrdinateRowProps {
  ordinate: DrawnOrdinate
  name: (what: string) => string
  judged: JudgedOrdinate | undefined
  onChange: (by: Partial<DrawnOrdinate>, merge?: string) => string | null
  onRemove: () => void
}

/** One ordinate: its place, its value, how the diagram runs on from there, and the verdict. */
function OrdinateRow({ ordinate: o, name, judged, onChange, onRemove }: OrdinateRowProps) {
  return (
    <tr>
      <td>
        <LiveField
          aside
          name={name('place')}
          value={String(o.at)}
          onChange={(t, merge) => (t === '' ? null : onChange({ at: edit.typed(t) }, merge))}
        />
      </td>
      <td className="hand">
        <LiveField
          aside
          name={name('value')}
          value={String(o.value)}
          onChange={(t, merge) => (t === '' ? null : onChange({ value: edit.typed(t) }, merge))}
        />
      </td>
      <td>
        <Pick
          className="cell-select"
          aria-label={name('run')}
          value={o.kind ?? ''}
          onChange={(e) => onChange({ kind: (e.target.value || undefined) as StretchKind | undefined })}
        >
          <option value="">goes on</option>
          {STRETCH_KINDS.map((k) => (
            <option key={k} value={k}>
              {k}
            </option>
          ))}
        </Pick>
      </td>
      {judged ? <OrdinateVerdict {...judged} /> : <td colSpan={2} />}
      <td style={{ width: 22 }}>
        <RemoveButton what={name('place')} onClick={onRemove} />
      </td>
    </tr>
  )
}

/** Whether an ordinate is right, and whether the diagram runs on as it should. */
function OrdinateVerdict({ verdict: v, runsOn }: JudgedOrdinate) {
  const shows = useShows()
  const sign = v.verdict === 'agrees' ? '=' : v.verdict === 'differs' ? '≠' : '?'
  const otherwise = runsOn === 'several' ? 'in several curves' : `as a ${runsOn}`
  return (
    <>
      <td className="n strong">
        {reaches(shows, 'value') && v.computed !== null ? formatNumber(v.computed) : ''}
      </td>
      <td className={sign === '≠' || runsOn ? 'pencil' : ''}>
        <span className="verdict">
          <VerdictSign sign={sign} />{' '}
          {runsOn && `runs on ${reaches(shows, 'slip') ? otherwise : 'otherwise'}`}
        </span>
      </td>
    </>
  )
}
