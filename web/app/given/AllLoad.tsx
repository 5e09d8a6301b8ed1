import { edit } from '@viga/core'
import { WAYS, type Way } from '@viga/core/statement/load-entry'
import { readLoads } from '@viga/core/statement/read-load'
import { useState } from 'react'
import { EXAMPLES } from '../fields/examples'
import { Refusal } from '../fields/FieldSentence'
import { EntryInput } from '../fields/OneLine'
import { useSheet, useTypedEdit } from '../sheet/context'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'

/** The same load on every joint or member of the selection, each named with what it is. */
export function AllLoad({ on }: { on: string[] }) {
  const apply = useTypedEdit()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const [amount, setAmount] = useState('')
  const [way, setWay] = useState<Way>('down')
  const [refusal, setRefusal] = useState<string | null>(null)
  const c = problem.loadCases?.find((o) => o.id === actionId) ?? problem.loadCases?.[0]
  const add = () => {
    if (amount.trim() === '') return
    const made = on.map((name) => readLoads(problem, name, amount, way, ''))
    const wrong = made.find((m) => !m.ok)
    if (wrong && !wrong.ok) return setRefusal(wrong.message)
    const all = made.flatMap((m) => (m.ok ? m.loads : []))
    const refused = apply('load on the selection', (p) =>
      all.reduce((q, load) => edit.addLoad(q, c?.id ?? '1', load), p),
    )
    setRefusal(refused)
    if (refused === null) setAmount('')
  }
  return (
    <div className="editor-row">
      <span className="label">Load</span>
      <div className="body split-line">
        <Pick
          className="cell-select"
          aria-label="direction of the load on all"
          style={{ width: 92 }}
          value={way}
          onChange={(e) => setWay(e.target.value as Way)}
        >
          {(['down', 'up', 'right', 'left', '-y', '+y'] as const).map((w) => (
            <option key={w} value={w}>
              {WAYS[w].sign} {WAYS[w].label}
            </option>
          ))}
        </Pick>
        <span className="grow">
          <EntryInput
            name="amount of a load on all"
            placeholder={EXAMPLES.loadOnAll}
            value={amount}
            onChange={(t) => (setAmount(t), setRefusal(null))}
            onEnter={add}
          />
          <Refusal>{refusal}</Refusal>
        </span>
        <Press className="plain-button" disabled={amount.trim() === ''} onClick={add}>
          apply
        </Press>
      </div>
    </div>
  )
}
