import { dimension, edit, nextNodeLabel, type Quantity } from '@viga/core'
import { memo, useRef, useState } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { EntryInput, Refusal } from '../widgets/OneLine'
import { QuantityField } from '../widgets/QuantityField'
import { TextField } from '../widgets/TextField'
import { useRow } from '../widgets/rows'

export function Joints() {
  const nodes = useSheet((s) => s.problem.nodes)
  const length = useSheet((s) => s.problem.units.length)
  return (
    <Block title="Joints">
      <table className="t" onKeyDown={onGridKeys} style={{ tableLayout: 'fixed' }}>
        <colgroup>
          <col style={{ width: 62 }} />
          <col />
          <col />
          <col style={{ width: 24 }} />
        </colgroup>
        <thead>
          <tr>
            <th>Joint</th>
            <th>x, {length}</th>
            <th>y, {length}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {nodes.map((n) => (
            <JointRow key={n.id} id={n.id} x={n.x} y={n.y} />
          ))}
          <NewJoint />
        </tbody>
      </table>
    </Block>
  )
}

const JointRow = memo(function JointRow({ id, x, y }: { id: string; x: Quantity; y: Quantity }) {
  const store = useSheetStore()
  const row = useRow(`node:${id}`)
  const rename = (to: string) => {
    if (store.getState().problem.nodes.some((n) => n.id === to)) return `There is a joint ${to} already.`
    return store.getState().edit(`rename ${id}`, (p) => edit.renameNode(p, id, to), { select: `node:${to}`, shown: true })?.message ?? null
  }
  return (
    <tr {...row}>
      <td>
        <TextField className="letter" name={`label of joint ${id}`} value={id} onCommit={rename} />
      </td>
      {(['x', 'y'] as const).map((key) => (
        <td key={key}>
          <QuantityField name={`${key} of ${id}`} value={key === 'x' ? x : y} dimension={dimension.length} onChange={(v, merge) => store.getState().edit(`${key} of ${id}`, (p) => edit.setNode(p, id, { [key]: v }), { merge })} />
        </td>
      ))}
      <td>
        <RemoveButton what={`joint ${id}`} onClick={() => store.getState().edit(`take out ${id}`, (p) => edit.removeNodes(p, [id]))} />
      </td>
    </tr>
  )
})

/** The empty row: x, tab, y, enter makes a joint under the next free letter. */
function NewJoint() {
  const store = useSheetStore()
  const label = useSheet((s) => nextNodeLabel(s.problem))
  const [fields, setFields] = useState({ id: '', x: '', y: '' })
  const [refusal, setRefusal] = useState<string | null>(null)
  const row = useRef<HTMLTableRowElement>(null)
  const add = () => {
    if (fields.x.trim() === '' || fields.y.trim() === '') return false
    const error = store.getState().edit('joint', (p) => edit.addNode(p, edit.typed(fields.x), edit.typed(fields.y), fields.id.trim() || label), { shown: true })
    setRefusal(error?.message ?? null)
    if (error) return false
    setFields({ id: '', x: '', y: '' })
    return true
  }
  const input = (key: 'id' | 'x' | 'y', name: string, placeholder: string) => (
    <EntryInput
      name={name}
      placeholder={placeholder}
      className={key === 'id' ? 'letter' : ''}
      value={fields[key]}
      onChange={(t) => {
        setFields({ ...fields, [key]: t })
        setRefusal(null)
      }}
      onEnter={() => {
        const inputs = row.current?.querySelectorAll('input')
        inputs?.[add() || fields.x.trim() === '' ? 1 : 2].focus()
      }}
    />
  )
  return (
    <tr ref={row} className="new-row" onBlur={(e) => !row.current?.contains(e.relatedTarget) && add()}>
      <td>{input('id', 'label of a new joint', label)}</td>
      <td>{input('x', 'x of a new joint', 'x')}</td>
      <td>
        {input('y', 'y of a new joint', 'y')}
        <Refusal>{refusal}</Refusal>
      </td>
      <td />
    </tr>
  )
}
