import {
  coherentUnitName,
  dimension,
  edit,
  formatNumber,
  siPerCoherent,
  type Dimension,
  type Section,
} from '@viga/core'
import { memo, useMemo, useState } from 'react'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { structureOf, useEdit, useSheet, useSheetStore } from '../sheet/context'
import { onGridKeys, MoreOrLess, RemoveButton } from '../widgets/Block'
import { later } from '../widgets/later'
import { Pick } from '../widgets/Pick'
import { sectionShape, type SectionShape } from './cross-section'
import { SectionValues, Sides, type PutSection } from './SectionValues'
import { WAY_WORDS, wayOf, withWay, type By } from './section-ways'

/** It comes after the page can be used, into the room that is kept for it. */
const SectionDrawing = later(
  async () => (await import('./SectionDrawing')).SectionDrawing,
  <svg className="section-drawing" width="34" height="30" />,
)
if (import.meta.env.SSR) await SectionDrawing.fetch()

export function SectionTable() {
  const sections = useSheet((s) => s.problem.sections) ?? []
  return (
    <table className="t sections" onKeyDown={onGridKeys}>
      <thead>
        <tr>
          <th style={{ width: 72 }}>Section</th>
          <th style={{ width: 80 }}>By</th>
          <th>Values</th>
          <td style={{ width: 36 }} />
          <td style={{ width: 24 }} />
        </tr>
      </thead>
      <tbody>
        {sections.map((s) => (
          <SectionRow key={s.id} s={s} />
        ))}
      </tbody>
    </table>
  )
}

/** A section: its name, how it is stated, its values and what follows from them. */
const SectionRow = memo(function SectionRow({ s }: { s: Section }) {
  const apply = useEdit()
  const store = useSheetStore()
  const units = useSheet((x) => x.problem.units)
  const symbols = useSheet((x) => x.problem.symbols)
  const [open, setOpen] = useState(false)
  const name = `section ${s.id}`
  const put: PutSection = (change, merge) => apply(name, (p) => edit.setSection(p, s.id, change), { merge })
  const rename = (id: string) =>
    store.getState().problem.sections?.some((o) => o.id === id)
      ? `There is a section ${id} already.`
      : (put({ id })?.message ?? null)
  const by = wayOf(s)
  const shape = useMemo(() => sectionShape(s, { units, symbols }), [s, units, symbols])
  return (
    <>
      <tr>
        <td>
          <TextField name={`name of section ${s.id}`} value={s.id} onCommit={rename} />
        </td>
        <td>
          <Pick
            className="cell-select"
            aria-label={`shape of section ${s.id}`}
            value={by}
            onChange={(e) => apply(name, (p) => withWay(p, s, e.target.value as By))}
          >
            {Object.entries(WAY_WORDS).map(([k, label]) => (
              <option key={k} value={k}>
                {label}
              </option>
            ))}
          </Pick>
          {shape && <SectionDrawing shape={shape} />}
        </td>
        <td>
          <SectionValues s={s} by={by} put={put} />
          <span className="computed-line">
            <Computed s={s} A={shape?.properties.A} I={shape?.properties.I} />
          </span>
        </td>
        <td>
          <MoreOrLess open={open} what={`more of section ${s.id}`} onToggle={setOpen} />
        </td>
        <td>
          <RemoveButton
            what={`section ${s.id}`}
            onClick={() => apply(name, (p) => edit.removeSection(p, s.id))}
          />
        </td>
      </tr>
      {open && <MoreOfSection s={s} shape={shape} put={put} />}
    </>
  )
})

const MORE: readonly {
  key: 'shearArea' | 'depth' | 'yTop' | 'yBottom'
  label: string
  dimension: Dimension
}[] = [
  { key: 'shearArea', label: 'area in shear', dimension: dimension.area },
  { key: 'depth', label: 'depth', dimension: dimension.length },
  { key: 'yTop', label: 'centroid to top', dimension: dimension.length },
  { key: 'yBottom', label: 'to bottom', dimension: dimension.length },
]

/** What a section is seldom asked for: its area in shear, and the depths that no shape says. */
function MoreOfSection({ s, shape, put }: { s: Section; shape: SectionShape | undefined; put: PutSection }) {
  return (
    <tr className="detail-row">
      <td colSpan={5}>
        <span className="rich">
          {s.shape?.type === 'I' && (
            <Sides
              s={s}
              keys={['r', 'bBottom', 'tfBottom'].filter((k) => s.shape![k] === undefined)}
              put={put}
            />
          )}
          {(shape ? MORE.filter((f) => f.key === 'shearArea') : MORE).map((f) => (
            <span key={f.key} className="rich-field">
              <span className="quiet">{f.label}</span>
              <QuantityField
                name={`${f.key} of ${s.id}`}
                value={s[f.key]}
                dimension={f.dimension}
                placeholder="none"
                onClear={() => put({ [f.key]: undefined })}
                onChange={(v, merge) => put({ [f.key]: v }, merge)}
              />
            </span>
          ))}
        </span>
      </td>
    </tr>
  )
}

/** A and I of a shape, and EI where the material is known. */
function Computed({ s, A, I }: { s: Section; A?: number; I?: number }) {
  const units = useSheet((x) => x.problem.units)
  const outcome = useSheet((x) => x.outcome)
  const members = useSheet((x) => x.problem.members)
  const said = (v: number, d: Dimension, u = units) =>
    `${formatNumber(v / siPerCoherent(u, d))} ${coherentUnitName(u, d)}`
  // as handbooks print them: cm² and cm⁴, in² and in⁴
  const handbook = { ...units, length: { m: 'cm', ft: 'in' }[units.length] ?? units.length }
  const user = members.find((m) => m.section === s.id)
  const m = user && structureOf(outcome)?.members.find((o) => o.id === user.id)
  const EI = m && m.EI > 0 ? said(m.EI, dimension.bendingStiffness) : ''
  return (
    <>
      {A !== undefined && <span>A {said(A, dimension.area, handbook)}</span>}
      {I !== undefined && <span>I {said(I, dimension.secondMoment, handbook)}</span>}
      {EI && <span>EI {EI}</span>}
    </>
  )
}
