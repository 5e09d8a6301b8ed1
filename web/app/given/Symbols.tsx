import { edit, type Quantity } from '@viga/core'
import { useState } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { TextField } from '../widgets/TextField'

/** The letters of the book: `w = 12 kN/m`, `L = 6 m`; every field may use them. */
export function Symbols() {
  const symbols = useSheet((s) => s.problem.symbols) ?? {}
  const entries = Object.entries(symbols)
  return (
    <Block title="Symbols">
      <table className="t bare" onKeyDown={onGridKeys}>
        <tbody>
          {entries.map(([name, value]) => (
            <SymbolRow key={name} name={name} value={value} />
          ))}
          <NewSymbol />
        </tbody>
      </table>
    </Block>
  )
}

function SymbolRow({ name, value }: { name: string; value: Quantity }) {
  const store = useSheetStore()
  const [refusal, setRefusal] = useState<string | null>(null)
  const set = (text: string) => (text === '' ? 'A symbol needs a value.' : (store.getState().edit(`symbol ${name}`, (p) => edit.setSymbol(p, name, edit.typed(text)), { shown: true })?.message ?? null))
  return (
    <tr>
      <td style={{ width: 62 }}>
        <i>{name}</i>
      </td>
      <td>
        <TextField name={`value of ${name}`} value={String(value)} onCommit={set} />
        {refusal && (
          <span className="refusal open" role="alert">
            {refusal}
          </span>
        )}
      </td>
      <td style={{ width: 24 }}>
        <RemoveButton
          what={`symbol ${name}`}
          onClick={() => {
            const error = store.getState().edit(`symbol ${name}`, (p) => edit.setSymbol(p, name, undefined), { shown: true })
            setRefusal(error ? `${name} is still used at ${error.path}.` : null)
          }}
        />
      </td>
    </tr>
  )
}

function NewSymbol() {
  const store = useSheetStore()
  const [text, setText] = useState('')
  const [refusal, setRefusal] = useState<string | null>(null)
  const add = () => {
    if (text.trim() === '') return
    const [name, ...rest] = text.split('=')
    const value = rest.join('=').trim()
    if (value === '') return setRefusal('Write it as w = 12 kN/m.')
    if (Object.hasOwn(store.getState().problem.symbols ?? {}, name.trim())) return setRefusal(`${name.trim()} is there already.`)
    const error = store.getState().edit('symbol', (p) => edit.setSymbol(p, name.trim(), edit.typed(value)), { shown: true })
    if (error) return setRefusal(error.message)
    setText('')
    setRefusal(null)
  }
  return (
    <tr className="new-row">
      <td colSpan={3}>
        <input className="cell-input" aria-label="a new symbol" placeholder="w = 12 kN/m" value={text} spellCheck={false} autoComplete="off" onChange={(e) => (setText(e.target.value), setRefusal(null))} onBlur={add} onKeyDown={(e) => e.key === 'Enter' && (e.preventDefault(), e.stopPropagation(), add())} />
        {refusal && (
          <span className="refusal open" role="alert">
            {refusal}
          </span>
        )}
      </td>
    </tr>
  )
}
