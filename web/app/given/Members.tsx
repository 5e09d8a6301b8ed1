import { edit, formatPlain, readChain, type Member } from '@viga/core'
import { memo, useMemo, useState } from 'react'
import { structureOf, useDisplay, useSheet, useSheetStore } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { TextField } from '../widgets/TextField'
import { useRow } from './rows'
import { EndsSymbol } from './drawn-symbols'

export function Members() {
  const members = useSheet((s) => s.problem.members)
  const outcome = useSheet((s) => s.outcome)
  const truss = useSheet((s) => s.problem.kind === 'truss')
  const sections = useSheet((s) => s.problem.sections)
  const materials = useSheet((s) => s.problem.materials)
  const display = useDisplay()
  const lengths = useMemo(() => new Map(structureOf(outcome)?.members.map((m) => [m.id, m.length])), [outcome])
  const sectionIds = useMemo(() => sections?.map((s) => s.id) ?? [], [sections])
  const materialIds = useMemo(() => materials?.map((s) => s.id) ?? [], [materials])
  return (
    <Block title="Members">
      <table className="t" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th style={{ width: 92 }}>Member</th>
            <th>Length</th>
            <th>Section</th>
            {(materials?.length ?? 0) > 1 && <th>Material</th>}
            {!truss && <th>Ends</th>}
            <th style={{ width: 24 }} />
          </tr>
        </thead>
        <tbody>
          {members.map((m) => (
            <MemberRow key={m.id} m={m} length={lengths.has(m.id) ? `${formatPlain(lengths.get(m.id)! * display.length.perSI, 4)} ${display.length.unit}` : ''} truss={truss} sections={sectionIds} materials={materialIds} />
          ))}
          <NewMembers />
        </tbody>
      </table>
    </Block>
  )
}

const MemberRow = memo(function MemberRow({ m, length, truss, sections, materials }: { m: Member; length: string; truss: boolean; sections: string[]; materials: string[] }) {
  const store = useSheetStore()
  const row = useRow(`member:${m.id}`)
  const rename = (to: string) => {
    if (store.getState().problem.members.some((o) => o.id === to)) return `There is a member ${to} already.`
    return store.getState().edit(`rename ${m.id}`, (p) => edit.renameMember(p, m.id, to), { shown: true })?.message ?? null
  }
  const choose = (key: 'section' | 'material', value: string) => store.getState().edit(`${key} of ${m.id}`, (p) => edit.setMember(p, m.id, { [key]: value || undefined }))
  return (
    <tr {...row}>
      <td title={`from ${m.start} to ${m.end}`}>
        <TextField className="letter" name={`label of member ${m.id}`} value={m.id} onCommit={rename} />
      </td>
      <td className="ro">{length}</td>
      <td>
        <Choice name={`section of ${m.id}`} value={m.section} options={sections} onChange={(v) => choose('section', v)} />
      </td>
      {materials.length > 1 && (
        <td>
          <Choice name={`material of ${m.id}`} value={m.material} options={materials} onChange={(v) => choose('material', v)} />
        </td>
      )}
      {!truss && (
        <td>
          <EndsSymbol m={m} onToggle={(end) => store.getState().edit(`hinge of ${m.id}`, (p) => edit.setHinge(p, m.id, end, m.releases?.[end]?.M !== true))} />
        </td>
      )}
      <td>
        <RemoveButton what={`member ${m.id}`} onClick={() => store.getState().edit(`take out ${m.id}`, (p) => edit.removeMembers(p, [m.id]))} />
      </td>
    </tr>
  )
})

function Choice({ name, value, options, onChange }: { name: string; value: string | undefined; options: string[]; onChange: (v: string) => void }) {
  return (
    <select className="cell-select" aria-label={name} value={value ?? ''} onChange={(e) => onChange(e.target.value)}>
      {value === undefined && <option value="">choose</option>}
      {options.map((o) => (
        <option key={o} value={o}>
          {o}
        </option>
      ))}
    </select>
  )
}

/** Joints one after another make a chain of members: ABC, or 1 2 3. */
function NewMembers() {
  const store = useSheetStore()
  const [text, setText] = useState('')
  const [refusal, setRefusal] = useState<string | null>(null)
  const add = () => {
    if (text.trim() === '') return
    const { problem } = store.getState()
    const chain = readChain(problem, text)
    if (!Array.isArray(chain)) return setRefusal(`There is no joint ${chain.unknown}.`)
    if (chain.length < 2) return setRefusal('A member joins two joints: type both, such as AB.')
    const before = problem.members.length
    const error = store.getState().edit('members', (p) => edit.addMembers(p, chain), { shown: true })
    if (error) return setRefusal(error.message)
    if (store.getState().problem.members.length === before) return setRefusal('These joints are connected already.')
    setText('')
    setRefusal(null)
  }
  return (
    <tr className="new-row">
      <td colSpan={6}>
        <input
          className="cell-input letter"
          aria-label="joints of new members"
          placeholder="ABC connects A to B to C"
          value={text}
          spellCheck={false}
          autoComplete="off"
          onChange={(e) => (setText(e.target.value), setRefusal(null))}
          onBlur={add}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return
            e.preventDefault()
            e.stopPropagation()
            add()
          }}
        />
        {refusal && (
          <span className="refusal open" role="alert">
            {refusal}
          </span>
        )}
      </td>
    </tr>
  )
}
