import { dimension, edit, type Support, type SupportType } from '@viga/core'
import { useSheet, useSheetStore } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { OneLine } from '../widgets/OneLine'
import { QuantityField } from '../widgets/QuantityField'
import { useRow } from '../widgets/rows'
import { SupportSymbol } from './drawn-symbols'
import { holdsWords, supportKind, SUPPORT_WORDS, TYPES } from './support-words'

export function Supports() {
  const supports = useSheet((s) => s.problem.supports) ?? []
  return (
    <Block title="Supports">
      <table className="t" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th style={{ width: 46 }}>Joint</th>
            <th style={{ width: 38 }} />
            <th style={{ width: 66 }}>Support</th>
            <th style={{ width: 96 }}>Turned by</th>
            <th>Holds</th>
            <th style={{ width: 24 }} />
          </tr>
        </thead>
        <tbody>
          {supports.map((s) => (
            <SupportRow key={s.node} s={s} />
          ))}
          <NewSupport />
        </tbody>
      </table>
    </Block>
  )
}

function SupportRow({ s }: { s: Support }) {
  const store = useSheetStore()
  const row = useRow(`support:${s.node}`)
  const set = (change: Partial<Support>, name: string, merge?: string) => {
    const { node, ...rest } = { ...s, ...change }
    return store.getState().edit(name, (p) => edit.setSupport(p, node, Object.fromEntries(Object.entries(rest).filter(([, v]) => v !== undefined))), { merge })
  }
  return (
    <tr {...row}>
      <td>
        <i>{s.node}</i>
      </td>
      <td className="symbol-cell">
        <SupportSymbol type={supportKind(s)} />
      </td>
      <td>
        {s.type ? (
          <select className="cell-select" aria-label={`support of ${s.node}`} value={s.type} onChange={(e) => set({ type: e.target.value as SupportType, settlement: undefined, settlementCase: undefined }, `support of ${s.node}`)}>
            {TYPES.map((t) => (
              <option key={t} value={t}>
                {SUPPORT_WORDS[t]}
              </option>
            ))}
          </select>
        ) : (
          'general'
        )}
      </td>
      <td>
        <QuantityField name={`turn of the support at ${s.node}`} value={s.angle} dimension={dimension.angle} placeholder="0" onClear={() => set({ angle: undefined }, `turn of ${s.node}`)} onChange={(v, merge) => set({ angle: v }, `turn of ${s.node}`, merge)} />
      </td>
      <td className="ro holds">{holdsWords(s)}</td>
      <td>
        <RemoveButton what={`the support of ${s.node}`} onClick={() => store.getState().edit(`support of ${s.node}`, (p) => edit.setSupport(p, s.node, undefined))} />
      </td>
    </tr>
  )
}

/** Joint and support in one line: `A fixed`, `D pin`; a letter is enough. */
function NewSupport() {
  const store = useSheetStore()
  const add = (text: string) => {
    const [joint, word = 'pin'] = text.split(/[\s,]+/)
    const { nodes, supports } = store.getState().problem
    const node = nodes.find((n) => n.id === joint) ?? nodes.find((n) => n.id === joint.toUpperCase())
    if (!node) return `There is no joint ${joint}.`
    if (supports?.some((s) => s.node === node.id)) return `${node.id} has a support already.`
    const type = TYPES.find((t) => t.startsWith(word.toLowerCase()))
    if (!type) return `${word} is not a support; it is one of ${TYPES.join(', ')}.`
    return store.getState().edit(`support of ${node.id}`, (p) => edit.setSupport(p, node.id, { type }), { shown: true })?.message ?? null
  }
  return <OneLine name="joint and kind of a new support" placeholder="A fixed, D pin, B roller" columns={6} onAdd={add} />
}
