import { thing, edit, type LoadCase } from '@viga/core'
import { useRef, useState } from 'react'
import { undoInRow } from '../widgets/typed-steps'
import { later } from '../widgets/later'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { Tick } from '../widgets/Tick'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { useNewRow } from '../sheet/new-row'
import { Block, onGridKeys } from '../widgets/Block'
import { useWindowed } from '../fields/windowed'
import { OfThing } from '../fields/of-thing'
import { EntryInput, mark, Refusal } from '../fields/OneLine'
import { CaseLine } from './CaseLine'
import { WAYS, type Way } from '@viga/core/statement/load-entry'
import { LoadRow } from './LoadRow'
import { readLoads } from '@viga/core/statement/read-load'

// the table of factors stands below all loads, and comes after they can be stated
const Combinations = later(async () => (await import('./Combinations')).Combinations)
if (import.meta.env.SSR) await Combinations.fetch()

export function Loads() {
  const store = useSheetStore()
  const apply = useEdit()
  const cases = useSheet((s) => s.problem.loadCases) ?? []
  const actionId = useSheet((s) => s.actionId)
  const together = useSheet((s) => s.together)
  const combination = useSheet((s) => s.problem.combinations?.find((c) => c.id === s.actionId))
  const current = cases.find((c) => c.id === actionId) ?? (combination ? undefined : cases[0])
  return (
    <Block title="Loads">
      <div className="cases">
        {cases.map((c) => (
          <Press
            key={c.id}
            type="button"
            aria-pressed={c.id === current?.id}
            title={c.title}
            onClick={() => store.getState().chooseAction(c.id)}
          >
            {c.title ?? c.id}
          </Press>
        ))}
        {cases.length > 1 && (
          <label className="together">
            <Tick checked={together} onChange={(e) => store.setState({ together: e.target.checked })} /> draw
            all
          </label>
        )}
        <Press
          className="another"
          onClick={() =>
            apply('load case', edit.addCase) === null &&
            store.getState().chooseAction(store.getState().problem.loadCases!.at(-1)!.id)
          }
        >
          another case
        </Press>
      </div>
      {current ? (
        <CaseLoads c={current} many={cases.length > 1} />
      ) : (
        <p className="quiet note">
          {combination
            ? `The Figure shows the combination ${combination.id}; choose a case to change its loads.`
            : 'No load case yet.'}
        </p>
      )}
      <Combinations />
    </Block>
  )
}

function CaseLoads({ c, many }: { c: LoadCase; many: boolean }) {
  const { rows, others } = useWindowed(c.loads, (_, i) => thing.load(c.id, i), 6)
  return (
    <table
      className="t"
      data-rows="loads"
      data-case={c.id}
      onKeyDown={onGridKeys}
      style={{ tableLayout: 'fixed' }}
    >
      <thead>
        <tr>
          <th style={{ width: 54 }}>On</th>
          <th style={{ width: 70 }}>Sort</th>
          <th style={{ width: 38 }}>Acts</th>
          <th>Amount</th>
          <th style={{ width: 84 }}>At</th>
          <td style={{ width: 24 }} />
        </tr>
      </thead>
      <tbody>
        {rows.map(({ item: load, i }) => (
          <OfThing key={i} thing={thing.load(c.id, i)}>
            <LoadRow caseId={c.id} index={i} load={load} />
          </OfThing>
        ))}
        {others}
        <NewLoad caseId={c.id} />
        <CaseLine c={c} many={many} />
      </tbody>
    </table>
  )
}

/**
 * `AB` and `6 kN/m`: what it is follows from the unit; a plain number is a force on a joint, a uniform load
 * on a member.
 */
function NewLoad({ caseId }: { caseId: string }) {
  const store = useSheetStore()
  const apply = useEdit()
  const [fields, setFields] = useNewRow(`load in ${caseId}`, { on: '', amount: '', at: '' })
  const [way, setWay] = useState<Way>('down')
  const [refusal, setRefusal] = useState<{ at: 'on' | 'amount' | 'at'; message: string } | null>(null)
  const row = useRef<HTMLTableRowElement>(null)
  const add = (from: HTMLElement | null) => {
    // a name alone waits for its amount; a whole line may stand in the first field
    if (fields.on.trim() === '' || (fields.amount.trim() === '' && !/\s/.test(fields.on.trim()))) return
    const made = readLoads(store.getState().problem, fields.on, fields.amount, way, fields.at)
    if (!made.ok) {
      setRefusal(made)
      return mark(row.current?.querySelector<HTMLInputElement>(`[data-part=${made.at}] input`), made.rest)
    }
    const error = apply(
      `load on ${fields.on}`,
      (p) => made.loads.reduce((q, load) => edit.addLoad(q, caseId, load), p),
      { shown: true },
    )
    if (error) return setRefusal({ at: 'amount', message: error.message })
    setFields({ on: '', amount: '', at: '' })
    // the next load says its own direction
    setWay('down')
    setRefusal(null)
    from?.closest('tr')?.querySelector('input')?.focus()
  }
  const input = (key: 'on' | 'amount' | 'at', name: string, placeholder: string) => (
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
