import {
  thing,
  dimension,
  edit,
  type Problem,
  type Quantity,
  type Support,
  type SupportType,
} from '@viga/core'
import { lazy, Suspense, useState } from 'react'
import { Pick } from '../widgets/Pick'
import { EXAMPLES } from '../fields/examples'
import { useSheet, useEdit } from '../sheet/context'
import { Block, onGridKeys, MoreOrLess, RemoveButton } from '../widgets/Block'
import { OneLine, type ReadLine } from '../fields/OneLine'
import { OfThing } from '../fields/of-thing'
import { QuantityField } from '../fields/QuantityField'
import { useRow } from '../fields/rows'
import { LeftRows } from './LeftRows'
import { SupportSymbol } from './drawn-symbols'
import { readSupports } from '@viga/core/statement/read-support'
import { holdsWords, supportKind, SUPPORT_WORDS, TYPES, withType } from '@viga/core/statement/supports'

// what is seldom asked for of a row comes when it is first opened
const SupportDetail = lazy(() => import('./SupportDetail').then((m) => ({ default: m.SupportDetail })))

const NEW_SUPPORTS = { table: 'supports' } as const

export function Supports() {
  const supports = useSheet((s) => s.problem.supports) ?? []
  return (
    <Block title="Supports">
      <table className="t" data-rows="supports" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th style={{ width: 46 }}>Joint</th>
            <td style={{ width: 38 }} />
            <th style={{ width: 66 }}>Support</th>
            <th style={{ width: 96 }}>Turned by</th>
            <th>Holds</th>
            <td style={{ width: 36 }} />
            <td style={{ width: 24 }} />
          </tr>
        </thead>
        <tbody>
          {supports.map((s) => (
            <OfThing key={s.node} thing={thing.support(s.node)}>
              <SupportRow s={s} />
            </OfThing>
          ))}
          <LeftRows place={NEW_SUPPORTS} columns={7} />
          <NewSupport />
        </tbody>
      </table>
    </Block>
  )
}

function SupportRow({ s }: { s: Support }) {
  const apply = useEdit()
  const row = useRow(thing.support(s.node))
  const [open, setOpen] = useState(false)
  const { node, ...rest } = s
  const put = (next: Omit<Support, 'node'>, name: string, merge?: string) =>
    apply(name, (p) => edit.setSupport(p, node, next), { merge })
  const turn = (angle: Quantity | undefined, merge?: string) => {
    const next = { ...rest, angle }
    if (angle === undefined) delete next.angle
    return put(next, `turn of ${node}`, merge)
  }
  return (
    <>
      <tr {...row}>
        <td>
          <i>{node}</i>
        </td>
        <td className="symbol-cell">
          <SupportSymbol type={supportKind(s)} />
        </td>
        <td>
          <TypeChoice s={s} onChange={(type) => put(withType(rest, type), `support of ${node}`)} />
        </td>
        <td>
          <QuantityField
            name={`turn of the support at ${node}`}
            value={s.angle}
            dimension={dimension.angle}
            direction
            placeholder="0"
            onClear={() => turn(undefined)}
            onChange={turn}
          />
        </td>
        <td className="ro holds">{holdsWords(s)}</td>
        <td>
          <MoreOrLess open={open} what={`springs and settlement at ${node}`} onToggle={setOpen} />
        </td>
        <td>
          <RemoveButton
            what={`the support of ${node}`}
            onClick={() => apply(`support of ${node}`, (p) => edit.setSupport(p, node, undefined))}
          />
        </td>
      </tr>
      {open && (
        <tr className="detail-row">
          <td colSpan={7}>
            <Suspense>
              <SupportDetail s={s} />
            </Suspense>
          </td>
        </tr>
      )}
    </>
  )
}

function TypeChoice({ s, onChange }: { s: Support; onChange: (type: SupportType) => void }) {
  return (
    <Pick
      className="cell-select"
      aria-label={`support of ${s.node}`}
      value={s.type ?? ''}
      onChange={(e) => onChange(e.target.value as SupportType)}
    >
      {!s.type && <option value="">own</option>}
      {TYPES.map((t) => (
        <option key={t} value={t}>
          {SUPPORT_WORDS[t]}
        </option>
      ))}
    </Pick>
  )
}

/** Joint, support and its turn in one line: `A fixed`, `D pin`, `F roller 45`; a letter is enough. */
function NewSupport() {
  const read = (problem: Problem, text: string): ReadLine => {
    const made = readSupports(problem, text)
    if (!made.ok) return made
    return {
      name: `support of ${made.supports.map((s) => s.node).join(', ')}`,
      change: (p) => made.supports.reduce((q, { node, ...support }) => edit.setSupport(q, node, support), p),
    }
  }
  return (
    <OneLine name="joint and kind of a new support" placeholder={EXAMPLES.supports} columns={7} read={read} />
  )
}
