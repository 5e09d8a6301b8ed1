import { dimension, edit, makeReader, type Category, type LoadCase } from '@viga/core'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore, useEdit, useTypedEdit } from '../sheet/context'
import { TextField } from '../fields/TextField'

export const CATEGORIES: Record<Category, string> = {
  dead: 'dead',
  live: 'live',
  'roof-live': 'roof live',
  snow: 'snow',
  wind: 'wind',
  seismic: 'earthquake',
  temperature: 'temperature',
  other: 'other',
}

/** A plain number typed with arithmetic; a sentence when it is none. */
export function plainNumber(text: string): number | { message: string } {
  const r = makeReader({ length: 'm', force: 'kN' }).reader.read(edit.typed(text), dimension.none)
  return r.ok ? r.si : { message: r.message }
}

/** The foot of a case: its label, title, category and own weight. */
export function CaseLine({ c, many }: { c: LoadCase; many: boolean }) {
  const store = useSheetStore()
  const apply = useEdit()
  const typed = useTypedEdit()
  const taken = useSheet((s) => s.problem.combinations)
  const rename = (to: string) => {
    const { problem } = store.getState()
    if ([...(problem.loadCases ?? []), ...(taken ?? [])].some((o) => o.id === to))
      return `There is a case or combination ${to} already.`
    const error = apply(`rename case ${c.id}`, (p) => edit.renameCase(p, c.id, to), { shown: true })
    if (!error) store.getState().chooseAction(to)
    return error?.message ?? null
  }
  const weigh = (text: string) => {
    const factor = text === '' ? 0 : plainNumber(text)
    return typeof factor === 'object'
      ? factor.message
      : typed('own weight', (p) => edit.setCase(p, c.id, { selfWeight: factor }))
  }
  return (
    <tr>
      <td colSpan={6} className="ro">
        <span className="case-line">
          <label className="short">
            case <TextField className="letter" name="label of this case" value={c.id} onCommit={rename} />
          </label>
          <TextField
            name="title of this case"
            placeholder="title"
            value={c.title ?? ''}
            onCommit={(t) =>
              typed('title of the case', (p) => edit.setCase(p, c.id, { title: t || undefined }))
            }
          />
          <CategoryOf c={c} />
          <label className="short">
            own weight ×{' '}
            <TextField
              name="own weight in this case"
              placeholder="0"
              value={c.selfWeight ? String(c.selfWeight) : ''}
              onCommit={weigh}
            />
          </label>
          {many && (
            <Press
              className="quiet link"
              onClick={() => apply(`take out case ${c.id}`, (p) => edit.removeCase(p, c.id))}
            >
              take out
            </Press>
          )}
        </span>
      </td>
    </tr>
  )
}

/** What the loads of a case come from, which the published lists of combinations ask for. */
function CategoryOf({ c }: { c: LoadCase }) {
  const apply = useEdit()
  return (
    <label className="middle">
      of
      <Pick
        className="cell-select"
        aria-label="category of this case"
        value={c.category ?? 'other'}
        onChange={(e) =>
          apply('category of the case', (p) =>
            edit.setCase(p, c.id, { category: e.target.value as Category }),
          )
        }
      >
        {Object.entries(CATEGORIES).map(([key, label]) => (
          <option key={key} value={key}>
            {label}
          </option>
        ))}
      </Pick>
    </label>
  )
}
