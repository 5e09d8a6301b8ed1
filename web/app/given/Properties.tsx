import { coherentUnitName, dimension, edit, formatNumber, shapeSides, siPerCoherent, type Material, type Section, type ShapeType } from '@viga/core'
import { useMemo } from 'react'
import { structureOf, useSheet, useSheetStore } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { QuantityField } from '../widgets/QuantityField'
import { TextField } from '../widgets/TextField'

/** Materials and sections. A new sheet has one of each, so that a determinate problem never asks for them. */
export function Properties() {
  const store = useSheetStore()
  const materials = useSheet((s) => s.problem.materials) ?? []
  const sections = useSheet((s) => s.problem.sections) ?? []
  return (
    <Block
      title="Properties"
      note={
        <p className="note">
          <button type="button" className="quiet link" onClick={() => store.getState().edit('section', edit.addSection)}>
            another section
          </button>
          <button type="button" className="quiet link" onClick={() => store.getState().edit('material', edit.addMaterial)}>
            another material
          </button>
          {sections.some((s) => s.id === 'default') && <span className="quiet">The section “default” is Viga’s own, for problems that state none.</span>}
        </p>
      }
    >
      <table className="t" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th style={{ width: 88 }}>Material</th>
            <th>E</th>
            <th>Unit weight</th>
            <th>Expansion</th>
            <th style={{ width: 24 }} />
          </tr>
        </thead>
        <tbody>
          {materials.map((m) => (
            <MaterialRow key={m.id} m={m} />
          ))}
        </tbody>
      </table>
      <table className="t sections" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th style={{ width: 72 }}>Section</th>
            <th style={{ width: 70 }}>By</th>
            <th>Values</th>
            <th className="n">EI</th>
            <th style={{ width: 24 }} />
          </tr>
        </thead>
        <tbody>
          {sections.map((s) => (
            <SectionRow key={s.id} s={s} />
          ))}
        </tbody>
      </table>
    </Block>
  )
}

function MaterialRow({ m }: { m: Material }) {
  const store = useSheetStore()
  const put = (change: Partial<Material>, merge?: string) => store.getState().edit(`material ${m.id}`, (p) => edit.setMaterial(p, m.id, change), { merge })
  const rename = (id: string) => (store.getState().problem.materials?.some((o) => o.id === id) ? `There is a material ${id} already.` : (put({ id })?.message ?? null))
  return (
    <tr>
      <td>
        <TextField name={`name of material ${m.id}`} value={m.id} onCommit={rename} />
      </td>
      <td>
        <QuantityField name={`E of ${m.id}`} value={m.E} dimension={dimension.stress} unit onChange={(v, merge) => put({ E: v }, merge)} />
      </td>
      <td>
        <QuantityField name={`unit weight of ${m.id}`} value={m.unitWeight} dimension={dimension.unitWeight} placeholder="none" onClear={() => put({ unitWeight: undefined })} onChange={(v, merge) => put({ unitWeight: v }, merge)} />
      </td>
      <td>
        <QuantityField name={`expansion of ${m.id}`} value={m.alpha} dimension={dimension.perTemperature} placeholder="none" onClear={() => put({ alpha: undefined })} onChange={(v, merge) => put({ alpha: v }, merge)} />
      </td>
      <td>
        <RemoveButton what={`material ${m.id}`} onClick={() => store.getState().edit(`material ${m.id}`, (p) => edit.removeMaterial(p, m.id))} />
      </td>
    </tr>
  )
}

const SHAPES: Record<ShapeType, string> = { rectangle: 'rectangle', circle: 'circle', tube: 'tube', box: 'box', I: 'I shape', T: 'T shape', channel: 'channel', angle: 'angle' }

/** Sides a shape begins with, so that it is whole at once. */
const FIRST: Record<string, string> = { b: '100 mm', h: '200 mm', d: '100 mm', t: '5 mm', tf: '10 mm', tw: '6 mm' }

function SectionRow({ s }: { s: Section }) {
  const store = useSheetStore()
  const units = useSheet((x) => x.problem.units)
  const outcome = useSheet((x) => x.outcome)
  const members = useSheet((x) => x.problem.members)
  const put = (change: Partial<Section>, merge?: string) => store.getState().edit(`section ${s.id}`, (p) => edit.setSection(p, s.id, change), { merge })
  const rename = (id: string) => (store.getState().problem.sections?.some((o) => o.id === id) ? `There is a section ${id} already.` : (put({ id })?.message ?? null))
  const by = s.shape ? s.shape.type : s.catalogue !== undefined ? 'catalogue' : 'AI'
  const become = (kind: string) => {
    if (kind === 'AI') put({ shape: undefined, catalogue: undefined, A: '0.01 m^2', I: '1e-4 m^4' })
    else put({ A: undefined, I: undefined, depth: undefined, yTop: undefined, yBottom: undefined, catalogue: undefined, shape: Object.fromEntries([['type', kind], ...shapeSides[kind].map((k) => [k, FIRST[k]])]) as Section['shape'] })
  }
  const EI = useMemo(() => {
    const user = members.find((m) => m.section === s.id)
    const m = user && structureOf(outcome)?.members.find((o) => o.id === user.id)
    if (!m || !(m.E * m.I > 0)) return ''
    const d = dimension.multiply(dimension.stress, dimension.secondMoment)
    return `${formatNumber((m.E * m.I) / siPerCoherent(units, d))} ${coherentUnitName(units, d)}`
  }, [members, outcome, units, s.id])
  const sides = s.shape ? Object.keys(s.shape).filter((k) => k !== 'type') : []
  return (
    <tr>
      <td>
        <TextField name={`name of section ${s.id}`} value={s.id} onCommit={rename} />
      </td>
      <td>
        {by === 'catalogue' ? (
          s.catalogue
        ) : (
          <select className="cell-select" aria-label={`shape of section ${s.id}`} value={by} onChange={(e) => become(e.target.value)}>
            <option value="AI">A and I</option>
            {Object.entries(SHAPES).map(([k, label]) => (
              <option key={k} value={k}>
                {label}
              </option>
            ))}
          </select>
        )}
      </td>
      <td>
        <span className="rich">
          {by === 'AI' &&
            (['A', 'I'] as const).map((k) => (
              <span key={k} className="rich-field">
                <span className="quiet italic">{k}</span>
                <QuantityField name={`${k} of ${s.id}`} value={s[k]} dimension={k === 'A' ? dimension.area : dimension.secondMoment} placeholder="none" onClear={() => put({ [k]: undefined })} onChange={(v, merge) => put({ [k]: v }, merge)} />
              </span>
            ))}
          {sides.map((k) => (
            <span key={k} className="rich-field">
              <span className="quiet italic">{k}</span>
              <QuantityField name={`${k} of ${s.id}`} value={s.shape![k]} dimension={dimension.length} onChange={(v, merge) => put({ shape: { ...s.shape!, [k]: v } }, merge)} />
            </span>
          ))}
        </span>
      </td>
      <td className="ro n">{EI}</td>
      <td>
        <RemoveButton what={`section ${s.id}`} onClick={() => store.getState().edit(`section ${s.id}`, (p) => edit.removeSection(p, s.id))} />
      </td>
    </tr>
  )
}
