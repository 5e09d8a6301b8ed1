import {
  dimension,
  edit,
  LETTER_CHOICES,
  lettersOf,
  makeReader,
  renameSymbol,
  symbolInUse,
  symbolNameRefusal,
  type Problem,
  type Quantity,
} from '@viga/core'
import { useState } from 'react'
import { EXAMPLES } from '../fields/examples'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { Refusal } from '../fields/FieldSentence'
import { OneLine, type ReadLine } from '../fields/OneLine'
import { TextField } from '../fields/TextField'
import { LiveField } from '../fields/LiveField'
import { Choice } from '../widgets/Choice'

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
      {entries.length > 0 && <OnFigure />}
    </Block>
  )
}

/** How values that are stated in symbols stand on the Figure; kept with the problem. */
function OnFigure() {
  const choice = useSheet((s) => lettersOf(s.problem))
  const apply = useEdit()
  return (
    <Choice
      className="on-figure"
      label="Symbols on the Figure"
      lead="On the Figure"
      options={LETTER_CHOICES.map((c) => [c, c] as const)}
      value={choice}
      onChange={(c) =>
        apply('symbols on the Figure', (p) => edit.setView(p, 'letters', c === 'numbers' ? undefined : c))
      }
    />
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
  const rename = (to: string) => {
    const refused = symbolNameRefusal(store.getState().problem, to)
    if (refused) return refused
    return apply(`rename ${name}`, (p) => renameSymbol(p, name, to), { shown: true })?.message ?? null
  }
  return (
    <tr>
      <td style={{ width: 62 }}>
        <TextField className="letter" name={`name of symbol ${name}`} value={name} onCommit={rename} />
      </td>
      <td>
        <LiveField name={field} value={String(value)} onChange={set} />
        <Refusal>{refusal}</Refusal>
      </td>
      <td style={{ width: 24 }}>
        <RemoveButton
          what={`symbol ${name}`}
          onClick={() => {
            const used = symbolInUse(store.getState().problem, name)
            setRefusal(used ?? null)
            if (used) return
            apply(`symbol ${name}`, (p) => edit.setSymbol(p, name, undefined))
            store.getState().draft(field, null)
          }}
        />
      </td>
    </tr>
  )
}

/** `w = 12 kN/m` */
function NewSymbol() {
  const read = (problem: Problem, text: string): ReadLine => {
    const [name, ...rest] = text.split('=').map((t) => t.trim())
    const value = rest.join('=')
    if (value === '') return { message: 'Write it as w = 12 kN/m.' }
    if (Object.hasOwn(problem.symbols ?? {}, name)) return { message: `${name} is there already.` }
    const r = makeReader(problem.units, problem.symbols).reader.read(value, dimension.none)
    if (!r.ok && r.repairs) return { message: r.message, rest: value }
    return { name: 'symbol', change: (p) => edit.setSymbol(p, name, edit.typed(value)) }
  }
  return <OneLine name="a new symbol" placeholder={EXAMPLES.symbol} columns={3} read={read} />
}
