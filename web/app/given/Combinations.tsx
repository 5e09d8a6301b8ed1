import { edit, type Combination, type LoadCase } from '@viga/core'
import { lazy, Suspense } from 'react'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore, useEdit, useTypedEdit } from '../sheet/context'
import { onGridKeys, RemoveButton } from '../widgets/Block'
import { TextField } from '../fields/TextField'
import { plainNumber } from './CaseLine'

// the published lists are long: their script follows the table
const CombinationLists = lazy(() => import('./CombinationLists'))

/**
 * Combinations as a table of factors, a column a case. A blank is asked for: it counts as nothing until a 0
 * says so.
 */
export function Combinations() {
  const apply = useEdit()
  const cases = useSheet((s) => s.problem.loadCases) ?? []
  const combinations = useSheet((s) => s.problem.combinations) ?? []
  if (cases.length < 2 && combinations.length === 0) return null
  // a label is read whole: 1.2D+1.6L+0.5S
  const widest = Math.max(0, ...combinations.map((c) => c.id.length))
  const blanks = combinations.filter((c) => cases.some((o) => c.factors[o.id] === undefined))
  return (
    <div className="combinations">
      {combinations.length > 0 && (
        <table className="t" aria-label="Combinations" onKeyDown={onGridKeys}>
          <thead>
            <tr>
              <th style={{ width: Math.min(160, Math.max(78, 18 + 8.5 * widest)) }}>Comb.</th>
              {cases.map((c) => (
                <th key={c.id} title={c.title}>
                  {c.id}
                </th>
              ))}
              <th>Title</th>
              <th style={{ width: 74 }}>For</th>
              <td style={{ width: 24 }} />
            </tr>
          </thead>
          <tbody>
            {combinations.map((c) => (
              <CombinationRow key={c.id} c={c} cases={cases} />
            ))}
          </tbody>
        </table>
      )}
      {blanks.length > 0 && (
        <p className="note quiet">
          {blanks.length === 1
            ? `${blanks[0].id} has a factor blank, which counts as 0`
            : `${blanks.length} combinations have factors blank, which count as 0`}
          . Write 0 to say so.
        </p>
      )}
      <div className="note">
        <Press className="quiet link" onClick={() => apply('combination', edit.addCombination)}>
          {combinations.length ? 'another combination' : 'combine cases'}
        </Press>
        <Lists />
        {combinations.length > 1 && (
          <Press
            className="quiet link"
            onClick={() =>
              apply('take out all combinations', (p) =>
                combinations.reduce((q, c) => edit.removeCombination(q, c.id), p),
              )
            }
          >
            take all out
          </Press>
        )}
      </div>
    </div>
  )
}

function CombinationRow({ c, cases }: { c: Combination; cases: LoadCase[] }) {
  const store = useSheetStore()
  const apply = useEdit()
  const typed = useTypedEdit()
  const rename = (to: string) => {
    const { problem } = store.getState()
    if ([...(problem.loadCases ?? []), ...(problem.combinations ?? [])].some((o) => o.id === to))
      return `There is a case or combination ${to} already.`
    return typed(`rename ${c.id}`, (p) => edit.renameCombination(p, c.id, to))
  }
  const factor = (id: string, text: string) => {
    const value = text === '' ? undefined : plainNumber(text)
    if (typeof value === 'object') return value.message
    return typed(`factor of ${id} in ${c.id}`, (p) => edit.setFactor(p, c.id, id, value))
  }
  return (
    <tr title={c.title}>
      <td>
        <TextField className="letter" name={`label of combination ${c.id}`} value={c.id} onCommit={rename} />
      </td>
      {cases.map((o) => (
        <td
          key={o.id}
          className={c.factors[o.id] === undefined ? 'asked' : c.factors[o.id] === 0 ? 'nought' : undefined}
        >
          <TextField
            name={`factor of ${o.id} in ${c.id}`}
            placeholder="?"
            value={c.factors[o.id] === undefined ? '' : String(c.factors[o.id])}
            onCommit={(t) => factor(o.id, t)}
          />
        </td>
      ))}
      <td>
        <TextField
          name={`title of ${c.id}`}
          placeholder="none"
          value={c.title ?? ''}
          onCommit={(t) =>
            typed(`title of ${c.id}`, (p) => edit.setCombination(p, c.id, { title: t || undefined }))
          }
        />
      </td>
      <td>
        <Purpose c={c} />
      </td>
      <td>
        <RemoveButton
          what={`combination ${c.id}`}
          onClick={() => apply(`take out ${c.id}`, (p) => edit.removeCombination(p, c.id))}
        />
      </td>
    </tr>
  )
}

/** Which checks a combination is for. */
function Purpose({ c }: { c: Combination }) {
  const apply = useEdit()
  return (
    <Pick
      className="cell-select"
      aria-label={`purpose of ${c.id}`}
      value={c.purpose ?? ''}
      onChange={(e) => {
        const purpose = (e.target.value || undefined) as Combination['purpose']
        apply(`purpose of ${c.id}`, (p) => edit.setCombination(p, c.id, { purpose }))
      }}
    >
      <option value="">any</option>
      <option value="strength">strength</option>
      <option value="service">service</option>
    </Pick>
  )
}

const Lists = () => (
  <Suspense>
    <CombinationLists />
  </Suspense>
)
