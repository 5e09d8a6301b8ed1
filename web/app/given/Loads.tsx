import { dimension, edit, type Load, type LoadCase, type Quantity } from '@viga/core'
import { useMemo, useState } from 'react'
import { structureOf, useDisplay, useSheet, useSheetStore } from '../sheet/context'
import { loadWords } from '../figure/words'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { EntryInput, Refusal } from '../widgets/OneLine'
import { QuantityField } from '../widgets/QuantityField'
import { TextField } from '../widgets/TextField'
import { entryOf, loadOf, WAYS, waysFor, withSort, type Entry, type Sort, type Way } from './load-entry'
import { newLoad } from './new-load'
import { useRow } from '../widgets/rows'

export function Loads() {
  const store = useSheetStore()
  const cases = useSheet((s) => s.problem.loadCases) ?? []
  const actionId = useSheet((s) => s.actionId)
  const combination = useSheet((s) => s.problem.combinations?.find((c) => c.id === s.actionId))
  const current = cases.find((c) => c.id === actionId) ?? (combination ? undefined : cases[0])
  return (
    <Block title="Loads">
      <div className="cases">
        {cases.map((c) => (
          <button key={c.id} type="button" aria-pressed={c.id === current?.id} title={c.title} onClick={() => store.getState().chooseAction(c.id)}>
            {c.title ?? c.id}
          </button>
        ))}
        <button type="button" className="another" onClick={() => store.getState().edit('load case', edit.addCase) === null && store.getState().chooseAction(store.getState().problem.loadCases!.at(-1)!.id)}>
          another case
        </button>
      </div>
      {current ? <CaseLoads c={current} many={cases.length > 1} /> : <p className="quiet note">{combination ? `The Figure shows the combination ${combination.id}; choose a case to change its loads.` : 'No load case yet.'}</p>}
    </Block>
  )
}

function CaseLoads({ c, many }: { c: LoadCase; many: boolean }) {
  const store = useSheetStore()
  return (
    <table className="t" onKeyDown={onGridKeys} style={{ tableLayout: 'fixed' }}>
      <thead>
        <tr>
          <th style={{ width: 54 }}>On</th>
          <th style={{ width: 70 }}>Sort</th>
          <th style={{ width: 38 }}>Acts</th>
          <th>Amount</th>
          <th style={{ width: 84 }}>At</th>
          <th style={{ width: 24 }} />
        </tr>
      </thead>
      <tbody>
        {c.loads.map((load, i) => (
          <LoadRow key={i} caseId={c.id} index={i} load={load} />
        ))}
        <NewLoad caseId={c.id} />
        <tr>
          <td colSpan={6} className="ro">
            <span className="case-line">
              case <TextField name="title of this case" value={c.title ?? c.id} onCommit={(t) => (t === '' ? 'A case needs a name.' : (store.getState().edit('title of the case', (p) => edit.setCase(p, c.id, { title: t }), { shown: true })?.message ?? null))} />
              <label>
                <input type="checkbox" checked={(c.selfWeight ?? 0) !== 0} onChange={(e) => store.getState().edit('own weight', (p) => edit.setCase(p, c.id, { selfWeight: e.target.checked ? 1 : 0 }))} /> with own weight
              </label>
              {many && (
                <button type="button" className="quiet link" onClick={() => store.getState().edit(`take out case ${c.id}`, (p) => edit.removeCase(p, c.id))}>
                  take out this case
                </button>
              )}
            </span>
          </td>
        </tr>
      </tbody>
    </table>
  )
}

const SORTS: Record<Sort, string> = { force: 'force', moment: 'moment', uniform: 'uniform' }

const DIMENSION = { force: dimension.force, moment: dimension.moment, uniform: dimension.forcePerLength }

function LoadRow({ caseId, index, load }: { caseId: string; index: number; load: Load }) {
  const store = useSheetStore()
  const target = `load:${caseId}:${index}`
  const row = useRow(target)
  const entry = useMemo(() => entryOf(load), [load])
  const on = load.type === 'nodal' ? load.node : load.member
  const onMember = load.type !== 'nodal'
  const put = (e: Entry, merge?: string) => store.getState().edit(`load on ${on}`, (p) => edit.setLoad(p, caseId, index, loadOf(load.type === 'nodal' ? { node: on } : { member: on }, e)), { merge })
  return (
    <tr {...row}>
      <td>
        <i>{on}</i>
      </td>
      {entry ? (
        <>
          <td>
            <select className="cell-select" aria-label={`sort of load ${index + 1}`} value={entry.sort} onChange={(e) => put(withSort(entry, e.target.value as Sort, onMember))}>
              {(onMember ? (['force', 'moment', 'uniform'] as const) : (['force', 'moment'] as const)).map((s) => (
                <option key={s} value={s}>
                  {SORTS[s]}
                </option>
              ))}
            </select>
          </td>
          <td className="way">
            <WayChoice name={`direction of load ${index + 1}`} entry={entry} onMember={onMember} onChange={(way) => put({ ...entry, way, angle: way === 'angle' ? (entry.angle ?? '-90 deg') : undefined })} />
          </td>
          <td>
            <QuantityField key={entry.sort} name={`amount of load ${index + 1} of ${caseId}`} value={entry.amount} dimension={DIMENSION[entry.sort]} unit onChange={(v, merge) => put({ ...entry, amount: v }, merge)} />
          </td>
          <td>
            {entry.way === 'angle' && <QuantityField name={`angle of load ${index + 1} of ${caseId}`} value={entry.angle} dimension={dimension.angle} onChange={(v, merge) => put({ ...entry, angle: v }, merge)} />}
            {entry.at !== undefined && entry.way !== 'angle' && <QuantityField name={`place of load ${index + 1} of ${caseId}`} value={entry.at} dimension={dimension.length} percent unit onChange={(v, merge) => put({ ...entry, at: v }, merge)} />}
            {entry.sort === 'uniform' && (
              <select className="cell-select" aria-label={`measured along, load ${index + 1}`} value={entry.per ?? 'length'} disabled={/[xy]/.test(entry.way)} onChange={(e) => put({ ...entry, per: e.target.value as 'length' | 'projection' })}>
                <option value="length">along it</option>
                <option value="projection">{entry.way === 'left' || entry.way === 'right' ? 'on the vertical' : 'on the horizontal'}</option>
              </select>
            )}
          </td>
        </>
      ) : (
        <RichLoad caseId={caseId} index={index} load={load} />
      )}
      <td>
        <RemoveButton what={`load ${index + 1}`} onClick={() => store.getState().edit(`load on ${on}`, (p) => edit.removeLoad(p, caseId, index))} />
      </td>
    </tr>
  )
}

export function WayChoice({ name, entry, onMember, onChange }: { name: string; entry: { sort: Sort; way: Way }; onMember: boolean; onChange: (w: Way) => void }) {
  return (
    <>
      <span aria-hidden="true">{WAYS[entry.way].sign}</span>
      <select className="cell-select over" aria-label={name} value={entry.way} title={WAYS[entry.way].label} onChange={(e) => onChange(e.target.value as Way)}>
        {waysFor(entry.sort, onMember).map((w) => (
          <option key={w} value={w}>
            {WAYS[w].label} {WAYS[w].sign}
          </option>
        ))}
      </select>
    </>
  )
}

/** Loads that take more than a row: their values one after another, each a field where it is a plain component or point. */
function RichLoad({ caseId, index, load }: { caseId: string; index: number; load: Load }) {
  const store = useSheetStore()
  const outcome = useSheet((s) => s.outcome)
  const display = useDisplay()
  const set = (change: (l: Load) => Load, merge: string) => store.getState().edit('load', (p) => edit.setLoad(p, caseId, index, change(p.loadCases!.find((c) => c.id === caseId)!.loads[index])), { merge })
  const stated = structureOf(outcome)?.cases.find((c) => c.id === caseId)?.loads[index]
  const fields = fieldsOf(load)
  const sort = { nodal: 'force', point: 'force', distributed: 'varying', couple: 'couples', temperature: 'heat', misfit: 'misfit' }[load.type]
  return (
    <>
      <td>{sort}</td>
      <td colSpan={3}>
        <span className="rich">
          {fields.map((f) => (
            <span key={f.name} className="rich-field">
              <span className="quiet">{f.label}</span>
              <QuantityField name={`${f.name} of load ${index + 1} of ${caseId}`} value={f.value} dimension={f.dimension} percent={f.percent} onChange={(v, merge) => set((l) => f.set(l, v), merge)} />
            </span>
          ))}
          {fields.length === 0 && stated && loadWords(stated, display).main}
        </span>
      </td>
    </>
  )
}

interface RichField {
  name: string
  label: string
  value: Quantity
  dimension: typeof dimension.force
  percent?: boolean
  set: (l: Load, v: Quantity) => Load
}

function fieldsOf(load: Load): RichField[] {
  const plain = (key: string, label: string, d: typeof dimension.force, percent = false): RichField[] => {
    const v = (load as unknown as Record<string, Quantity | undefined>)[key]
    return v === undefined ? [] : [{ name: key, label, value: v, dimension: d, percent, set: (l, q) => ({ ...l, [key]: q }) }]
  }
  switch (load.type) {
    case 'nodal':
    case 'point':
      return [...plain('fx', 'Fx', dimension.force), ...plain('fy', 'Fy', dimension.force), ...plain('m', 'M', dimension.moment), ...plain('at', 'at', dimension.length, true)]
    case 'distributed':
    case 'couple': {
      const d = load.type === 'couple' ? dimension.force : dimension.forcePerLength
      if (load.points === undefined) return plain('q', load.type === 'couple' ? 'c' : 'q', d)
      const change = (l: Load, i: number, part: object) => ({ ...l, points: (l as typeof load).points!.map((p, j) => (j === i ? { ...p, ...part } : p)) }) as Load
      return load.points.flatMap((p, i) => [
        { name: `value ${i + 1}`, label: i === 0 ? load.type === 'couple' ? 'c' : `q${load.direction}` : 'to', value: p.q, dimension: d, set: (l: Load, v: Quantity) => change(l, i, { q: v }) },
        { name: `place ${i + 1}`, label: 'at', value: p.at, dimension: dimension.length, percent: true, set: (l: Load, v: Quantity) => change(l, i, { at: v }) },
      ])
    }
    case 'temperature':
      return [...plain('uniform', 'warmer by', dimension.temperature), ...plain('gradient', 'top warmer by', dimension.temperature)]
    case 'misfit':
      return [...plain('elongation', 'too long by', dimension.length), ...plain('slip', 'slip', dimension.length), ...plain('kink', 'kink', dimension.angle), ...plain('at', 'at', dimension.length, true)]
  }
}

/** `AB` and `6 kN/m`: what it is follows from the unit; a plain number is a force on a joint, a uniform load on a member. */
function NewLoad({ caseId }: { caseId: string }) {
  const store = useSheetStore()
  const [fields, setFields] = useState({ on: '', amount: '', at: '' })
  const [way, setWay] = useState<Way>('down')
  const [refusal, setRefusal] = useState<{ at: 'on' | 'amount'; message: string } | null>(null)
  const add = (from: HTMLElement | null) => {
    if (fields.on.trim() === '' || fields.amount.trim() === '') return
    const made = newLoad(store.getState().problem, fields.on, fields.amount, way, fields.at)
    if (!made.ok) return setRefusal(made)
    const error = store.getState().edit(`load on ${fields.on}`, (p) => edit.addLoad(p, caseId, made.load), { shown: true })
    if (error) return setRefusal({ at: 'amount', message: error.message })
    setFields({ on: '', amount: '', at: '' })
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
    <tr className="new-row" onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && add(null)}>
      <td>{input('on', 'joint or member of a new load', 'on')}</td>
      <td className="quiet">new</td>
      <td className="way">
        <span aria-hidden="true">{WAYS[way].sign}</span>
        <select className="cell-select over" aria-label="direction of a new load" value={way} onChange={(e) => setWay(e.target.value as Way)}>
          {(['down', 'up', 'right', 'left', 'ccw', 'cw', '-y', '+y'] as const).map((w) => (
            <option key={w} value={w}>
              {WAYS[w].label} {WAYS[w].sign}
            </option>
          ))}
        </select>
      </td>
      <td>{input('amount', 'amount of a new load', '5 kN, or 6 kN/m')}</td>
      <td>{input('at', 'place of a new load', 'middle')}</td>
      <td />
    </tr>
  )
}
