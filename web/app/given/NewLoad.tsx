import { edit, type Load, type Problem, type ProblemError } from '@viga/core'
import { WAYS, type Way } from '@viga/core/statement/load-entry'
import { readLoads } from '@viga/core/statement/read-load'
import { useRef, useState } from 'react'
import { EXAMPLES } from '../fields/examples'
import { mark, stillRefused } from '../fields/OneLine'
import { RowCell } from '../fields/RowCell'
import { useEdit, useSheet, useSheetStore } from '../sheet/context'
import { useNewRow } from '../sheet/new-row'
import { Pick } from '../widgets/Pick'
import { undoInRow } from '../widgets/typed-steps'

type Part = 'on' | 'amount' | 'at'

/** The field of a new load that is refused, why, and what of its text is meant. */
interface RefusedAt {
  at: Part
  message: string
  rest?: string
}

/**
 * A refused edit, at the field that says what it is about: the place where one is refused, else the amount.
 * @param before how many loads the case had, since paths count all of them
 */
function refusedAt(
  { path, message }: ProblemError,
  loads: readonly Load[],
  before: number,
  typed: Record<Part, string>,
): RefusedAt {
  const line = typed.amount.trim() === '' ? 'on' : 'amount'
  const load = loads[Number(/loads\[(\d+)\]\.at$/.exec(path)?.[1]) - before]
  if (!load || !('at' in load)) return { at: line, message }
  return typed.at.trim() === ''
    ? { at: line, message, rest: String(load.at) }
    : { at: 'at', message, rest: typed.at }
}

/** Adds the loads that a row says to a case; returns why it was refused. */
function useLoadsOf(caseId: string) {
  const store = useSheetStore()
  const apply = useEdit()
  return (typed: Record<Part, string>, way: Way): RefusedAt | null => {
    const { problem } = store.getState()
    const before = problem.loadCases?.find((c) => c.id === caseId)?.loads.length ?? 0
    const made = readLoads(problem, typed.on, typed.amount, way, typed.at)
    if (!made.ok) return made
    const error = apply(
      `load on ${typed.on}`,
      (p) => made.loads.reduce((q, load) => edit.addLoad(q, caseId, load), p),
      { shown: true },
    )
    return error && refusedAt(error, made.loads, before, typed)
  }
}

const EMPTY = { on: '', amount: '', at: '' }

/** The refusal of a row, which goes when the problem has changed so that the row can be read. */
function useRefusal(fields: Record<Part, string>, way: Way) {
  const store = useSheetStore()
  const [refused, setRefused] = useState<(RefusedAt & { by: Problem }) | null>(null)
  // an edit concerns this row only while it is refused
  const problem = useSheet((s) => (refused ? s.problem : null))
  const standing =
    refused &&
    problem &&
    stillRefused(refused, problem, () => readLoads(problem, fields.on, fields.amount, way, fields.at))
  const refusal = standing && { ...standing, at: 'at' in standing ? (standing.at as Part) : refused.at }
  const refuse = (why: RefusedAt | null) => setRefused(why && { ...why, by: store.getState().problem })
  return [refusal, refuse] as const
}

/**
 * `AB` and `6 kN/m`: what it is follows from the unit; a plain number is a force on a joint, a uniform load
 * on a member.
 */
export function NewLoad({ caseId }: { caseId: string }) {
  const state = useLoadsOf(caseId)
  const [fields, setFields] = useNewRow(`load in ${caseId}`, EMPTY)
  const [way, setWay] = useState<Way>('down')
  const [refusal, refuse] = useRefusal(fields, way)
  const row = useRef<HTMLTableRowElement>(null)
  const add = (from: HTMLElement | null) => {
    // a name alone waits for its amount; a whole line may stand in the first field
    if (fields.on.trim() === '' || (fields.amount.trim() === '' && !/\s/.test(fields.on.trim()))) return
    const refused = state(fields, way)
    refuse(refused)
    if (refused)
      return mark(
        row.current?.querySelector<HTMLInputElement>(`[data-part=${refused.at}] input`),
        refused.rest,
      )
    setFields(EMPTY)
    // the next load says its own direction
    setWay('down')
    from?.closest('tr')?.querySelector('input')?.focus()
  }
  const input = (key: Part, name: string, placeholder: string) => (
    <td data-part={key}>
      <RowCell
        name={name}
        placeholder={placeholder}
        className={key === 'on' ? 'letter' : ''}
        value={fields[key]}
        refusal={refusal?.at === key ? refusal : undefined}
        onChange={(text) => {
          setFields({ ...fields, [key]: text })
          refuse(null)
        }}
        onEscape={() => {
          if (fields.on + fields.amount + fields.at === '') return false
          setFields(EMPTY)
          refuse(null)
          return true
        }}
        onEnter={add}
      />
    </td>
  )
  return (
    <tr
      ref={row}
      className="new-row"
      onKeyDown={undoInRow}
      onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && add(null)}
    >
      {input('on', 'joint or member of a new load', 'on')}
      <td className="quiet">new</td>
      <td className="way">
        <NewWay way={way} onChange={setWay} />
      </td>
      {input('amount', 'amount of a new load', EXAMPLES.loadAmount)}
      {input('at', 'place of a new load', EXAMPLES.loadPlace)}
      <td />
    </tr>
  )
}

/** The direction that a new load acts in. */
function NewWay({ way, onChange }: { way: Way; onChange: (way: Way) => void }) {
  return (
    <>
      <span aria-hidden="true">{WAYS[way].sign}</span>
      <Pick
        className="cell-select over"
        aria-label="direction of a new load"
        value={way}
        onChange={(e) => onChange(e.target.value as Way)}
      >
        {(['down', 'up', 'right', 'left', 'ccw', 'cw', '-y', '+y'] as const).map((w) => (
          <option key={w} value={w}>
            {WAYS[w].label} {WAYS[w].sign}
          </option>
        ))}
      </Pick>
    </>
  )
}
