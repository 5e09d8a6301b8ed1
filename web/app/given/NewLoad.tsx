import { edit, type Load, type ProblemError } from '@viga/core'
import { WAYS, type Way } from '@viga/core/statement/load-entry'
import { readLoads } from '@viga/core/statement/read-load'
import { useRef, useState } from 'react'
import { EntryInput, mark, Refusal } from '../fields/OneLine'
import { useEdit, useSheetStore } from '../sheet/context'
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

/**
 * `AB` and `6 kN/m`: what it is follows from the unit; a plain number is a force on a joint, a uniform load
 * on a member.
 */
export function NewLoad({ caseId }: { caseId: string }) {
  const state = useLoadsOf(caseId)
  const [fields, setFields] = useNewRow(`load in ${caseId}`, { on: '', amount: '', at: '' })
  const [way, setWay] = useState<Way>('down')
  const [refusal, setRefusal] = useState<RefusedAt | null>(null)
  const row = useRef<HTMLTableRowElement>(null)
  const refuse = (why: RefusedAt) => {
    setRefusal(why)
    mark(row.current?.querySelector<HTMLInputElement>(`[data-part=${why.at}] input`), why.rest)
  }
  const add = (from: HTMLElement | null) => {
    // a name alone waits for its amount; a whole line may stand in the first field
    if (fields.on.trim() === '' || (fields.amount.trim() === '' && !/\s/.test(fields.on.trim()))) return
    const refused = state(fields, way)
    if (refused) return refuse(refused)
    setFields({ on: '', amount: '', at: '' })
    // the next load says its own direction
    setWay('down')
    setRefusal(null)
    from?.closest('tr')?.querySelector('input')?.focus()
  }
  const input = (key: Part, name: string, placeholder: string) => (
    <>
      <EntryInput
        name={name}
        placeholder={placeholder}
        className={key === 'on' ? 'letter' : ''}
        value={fields[key]}
        onChange={(t) => {
          setFields({ ...fields, [key]: t })
          setRefusal(null)
        }}
        onEnter={add}
      />
      <Refusal>{refusal?.at === key ? refusal.message : null}</Refusal>
    </>
  )
  return (
    <tr
      ref={row}
      className="new-row"
      onKeyDown={undoInRow}
      onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && add(null)}
    >
      <td data-part="on">{input('on', 'joint or member of a new load', 'on')}</td>
      <td className="quiet">new</td>
      <td className="way">
        <NewWay way={way} onChange={setWay} />
      </td>
      <td data-part="amount">{input('amount', 'amount of a new load', '5 kN, 0 to 4 kN/m')}</td>
      <td data-part="at">{input('at', 'place of a new load', 'middle')}</td>
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
