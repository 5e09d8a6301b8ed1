import { dimension, edit, materialsFor, type Material } from '@viga/core'
import { useState } from 'react'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore } from '../sheet/context'
import { Block, onGridKeys, RemoveButton } from '../widgets/Block'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { SectionTable } from './SectionTable'

/** Materials and sections. A new sheet has one of each, so that a determinate problem never asks for them. */
export function Properties() {
  const store = useSheetStore()
  const materials = useSheet((s) => s.problem.materials) ?? []
  const sections = useSheet((s) => s.problem.sections) ?? []
  const length = useSheet((s) => s.problem.units.length)
  return (
    <Block
      title="Properties"
      note={
        <p className="note">
          <Press className="quiet link" onClick={() => store.getState().edit('section', edit.addSection)}>
            another section
          </Press>
          <Pick
            className="cell-select quiet another-material"
            aria-label="another material"
            value=""
            onChange={(e) =>
              store
                .getState()
                .edit('material', (p) => edit.addMaterial(p, materialsFor(length)[Number(e.target.value)]))
            }
          >
            <option value="">another material</option>
            {materialsFor(length).map((c, i) => (
              <option key={i} value={i}>
                {c.name}, {c.material.E}
              </option>
            ))}
            <option value="-1">one of your own</option>
          </Pick>
          {sections.some((s) => s.id === 'default') && (
            <span className="quiet">The section “default” is Viga’s own, for problems that state none.</span>
          )}
        </p>
      }
    >
      <table className="t" onKeyDown={onGridKeys}>
        <thead>
          <tr>
            <th style={{ width: 88 }}>Material</th>
            <th style={{ width: 86 }}>E</th>
            <th>Unit weight</th>
            <th>Expansion</th>
            <td style={{ width: 36 }} />
            <td style={{ width: 24 }} />
          </tr>
        </thead>
        <tbody>
          {materials.map((m) => (
            <MaterialRow key={m.id} m={m} />
          ))}
        </tbody>
      </table>
      <SectionTable />
    </Block>
  )
}

function MaterialRow({ m }: { m: Material }) {
  const store = useSheetStore()
  const length = useSheet((s) => s.problem.units.length)
  const [open, setOpen] = useState(false)
  const put = (change: Partial<Material>, merge?: string) =>
    store.getState().edit(`material ${m.id}`, (p) => edit.setMaterial(p, m.id, change), { merge })
  const rename = (id: string) =>
    store.getState().problem.materials?.some((o) => o.id === id)
      ? `There is a material ${id} already.`
      : (put({ id })?.message ?? null)
  const field = (
    key: 'unitWeight' | 'alpha' | 'G' | 'nu' | 'yield',
    name: string,
    d: typeof dimension.stress,
  ) => (
    <QuantityField
      name={`${name} of ${m.id}`}
      value={m[key]}
      dimension={d}
      placeholder="none"
      onClear={() => put({ [key]: undefined })}
      onChange={(v, merge) => put({ [key]: v }, merge)}
    />
  )
  return (
    <>
      <tr>
        <td>
          <TextField name={`name of material ${m.id}`} value={m.id} onCommit={rename} />
        </td>
        <td>
          <QuantityField
            name={`E of ${m.id}`}
            value={m.E}
            dimension={dimension.stress}
            unit
            onChange={(v, merge) => put({ E: v }, merge)}
          />
        </td>
        <td>{field('unitWeight', 'unit weight', dimension.unitWeight)}</td>
        <td>{field('alpha', 'expansion', dimension.perTemperature)}</td>
        <td>
          <Press
            className="quiet link"
            aria-expanded={open}
            aria-label={`more of material ${m.id}`}
            onClick={() => setOpen(!open)}
          >
            {open ? 'less' : 'more'}
          </Press>
        </td>
        <td>
          <RemoveButton
            what={`material ${m.id}`}
            onClick={() => store.getState().edit(`material ${m.id}`, (p) => edit.removeMaterial(p, m.id))}
          />
        </td>
      </tr>
      {open && (
        <tr className="detail-row">
          <td colSpan={6}>
            <span className="rich">
              <label className="rich-field">
                <span className="quiet">as usual for</span>
                <Pick
                  className="cell-select common"
                  aria-label={`usual values for ${m.id}`}
                  value=""
                  onChange={(e) => put(materialsFor(length)[Number(e.target.value)].material)}
                >
                  <option value="">choose</option>
                  {materialsFor(length).map((c, i) => (
                    <option key={i} value={i}>
                      {c.name}, {c.material.E}
                    </option>
                  ))}
                </Pick>
              </label>
              <span className="rich-field">
                <span className="quiet italic">ν</span>
                {field('nu', 'ν', dimension.none)}
              </span>
              <span className="rich-field">
                <span className="quiet italic">G</span>
                {field('G', 'G', dimension.stress)}
              </span>
              <span className="rich-field">
                <span className="quiet">yield</span>
                {field('yield', 'yield', dimension.stress)}
              </span>
            </span>
          </td>
        </tr>
      )}
    </>
  )
}
