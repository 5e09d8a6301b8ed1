import { dimension, edit, materialsFor, type Dimension, type Material, type ProblemError } from '@viga/core'
import { useState } from 'react'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { useSheet, useSheetStore, useEdit } from '../sheet/context'
import { Block, onGridKeys, MoreOrLess, RemoveButton } from '../widgets/Block'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { SectionTable } from './SectionTable'

/** Materials and sections. A new sheet has one of each, so that a determinate problem never asks for them. */
export function Properties() {
  const apply = useEdit()
  const materials = useSheet((s) => s.problem.materials) ?? []
  const sections = useSheet((s) => s.problem.sections) ?? []
  const length = useSheet((s) => s.problem.units.length)
  return (
    <Block
      title="Properties"
      note={
        <p className="note">
          <Press className="quiet link" onClick={() => apply('section', edit.addSection)}>
            another section
          </Press>
          <Pick
            className="cell-select quiet another-material"
            aria-label="another material"
            value=""
            onChange={(e) =>
              apply('material', (p) => edit.addMaterial(p, materialsFor(length)[Number(e.target.value)]))
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
            <span className="quiet">
              The section “default” is assumed by Viga, for problems that state none.
            </span>
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

type PutMaterial = (change: Partial<Material>, merge?: string) => ProblemError | null

function MaterialRow({ m }: { m: Material }) {
  const store = useSheetStore()
  const apply = useEdit()
  const [open, setOpen] = useState(false)
  const put: PutMaterial = (change, merge) =>
    apply(`material ${m.id}`, (p) => edit.setMaterial(p, m.id, change), { merge })
  const rename = (id: string) =>
    store.getState().problem.materials?.some((o) => o.id === id)
      ? `There is a material ${id} already.`
      : (put({ id })?.message ?? null)
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
        <td>
          <Optional m={m} put={put} of="unitWeight" name="unit weight" dimension={dimension.unitWeight} />
        </td>
        <td>
          <Optional m={m} put={put} of="alpha" name="expansion" dimension={dimension.perTemperature} />
        </td>
        <td>
          <MoreOrLess open={open} what={`more of material ${m.id}`} onToggle={setOpen} />
        </td>
        <td>
          <RemoveButton
            what={`material ${m.id}`}
            onClick={() => apply(`material ${m.id}`, (p) => edit.removeMaterial(p, m.id))}
          />
        </td>
      </tr>
      {open && (
        <tr className="detail-row">
          <td colSpan={6}>
            <MoreOfMaterial m={m} put={put} />
          </td>
        </tr>
      )}
    </>
  )
}

interface OptionalProps {
  m: Material
  put: PutMaterial
  of: 'unitWeight' | 'alpha' | 'G' | 'nu' | 'yield'
  name: string
  dimension: Dimension
}

/** A property that a material can do without. */
const Optional = ({ m, put, of, name, dimension: d }: OptionalProps) => (
  <QuantityField
    name={`${name} of ${m.id}`}
    value={m[of]}
    dimension={d}
    placeholder="none"
    onClear={() => put({ [of]: undefined })}
    onChange={(v, merge) => put({ [of]: v }, merge)}
  />
)

/** Usual values of a material, and the properties that are seldom asked for. */
function MoreOfMaterial({ m, put }: Pick<OptionalProps, 'm' | 'put'>) {
  const length = useSheet((s) => s.problem.units.length)
  return (
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
        <Optional m={m} put={put} of="nu" name="ν" dimension={dimension.none} />
      </span>
      <span className="rich-field">
        <span className="quiet italic">G</span>
        <Optional m={m} put={put} of="G" name="G" dimension={dimension.stress} />
      </span>
      <span className="rich-field">
        <span className="quiet">yield</span>
        <Optional m={m} put={put} of="yield" name="yield" dimension={dimension.stress} />
      </span>
    </span>
  )
}
