import { edit, type Quantity } from '@viga/core'
import { useState } from 'react'
import { useSheet, useSheetStore, useEdit, useTypedEdit } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { OneLine, Refusal } from '../fields/OneLine'
import { LiveField } from '../fields/LiveField'

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
  const apply = useEdit()
  const [refusal, setRefusal] = useState<string | null>(null)
  const field = `value of ${name}`
  const set = (text: string, merge: string) =>
    text === ''
      ? 'A symbol needs a value.'
      : (apply(`symbol ${name}`, (p) => edit.setSymbol(p, name, edit.typed(text)), { merge, shown: true })
          ?.message ?? null)
  return (
    <tr>
      <td style={{ width: 62 }}>
        <i>{name}</i>
      </td>
      <td>
        <LiveField name={field} value={String(value)} onChange={set} />
        <Refusal>{refusal}</Refusal>
      </td>
      <td style={{ width: 24 }}>
        <RemoveButton
          what={`symbol ${name}`}
          onClick={() => {
            const error = apply(`symbol ${name}`, (p) => edit.setSymbol(p, name, undefined), { shown: true })
            setRefusal(error ? `${name} is still used at ${error.path}.` : null)
            if (!error) store.getState().draft(field, null)
          }}
        />
      </td>
    </tr>
  )
}

/** `w = 12 kN/m` */
function NewSymbol() {
  const store = useSheetStore()
  const typed = useTypedEdit()
  const add = (text: string) => {
    const [name, ...rest] = text.split('=').map((t) => t.trim())
    const value = rest.join('=')
    if (value === '') return 'Write it as w = 12 kN/m.'
    if (Object.hasOwn(store.getState().problem.symbols ?? {}, name)) return `${name} is there already.`
    return typed('symbol', (p) => edit.setSymbol(p, name, edit.typed(value)))
  }
  return <OneLine name="a new symbol" placeholder="w = 12 kN/m" columns={3} onAdd={add} />
}
