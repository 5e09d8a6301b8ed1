import {
  coherentUnitName,
  dimension,
  edit,
  formatNumber,
  shapeSides,
  siPerCoherent,
  type Dimension,
  type Section,
  type ShapeType,
} from '@viga/core'
import { lazy, Suspense, useMemo, useState } from 'react'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { structureOf, useSheet, useSheetStore } from '../sheet/context'
import { onGridKeys, RemoveButton } from '../widgets/Block'
import { QuantityField } from '../fields/QuantityField'
import { TextField } from '../fields/TextField'
import { outline, sectionShape } from './cross-section'
import { byRigidity, withRigidity } from '@viga/core/statement/rigidities'

// the catalogue and its list come when a section asks for them
const Rolled = lazy(() => import('./Rolled'))

const SHAPES: Record<ShapeType, string> = {
  rectangle: 'rectangle',
  circle: 'circle',
  tube: 'tube',
  box: 'box',
  I: 'I shape',
  T: 'T shape',
  channel: 'channel',
  angle: 'angle',
}

/** Sides a shape begins with, so that it is whole at once. */
const FIRST: Record<string, string> = {
  b: '100 mm',
  h: '200 mm',
  d: '100 mm',
  t: '5 mm',
  tf: '10 mm',
  tw: '6 mm',
}

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

type By = 'AI' | 'EI' | 'catalogue' | ShapeType

function SectionRow({ s }: { s: Section }) {
  const store = useSheetStore()
  const problem = useSheet((x) => x.problem)
  const [open, setOpen] = useState(false)
  const put = (change: Partial<Section>, merge?: string) =>
    store.getState().edit(`section ${s.id}`, (p) => edit.setSection(p, s.id, change), { merge })
  const rename = (id: string) =>
    problem.sections?.some((o) => o.id === id)
      ? `There is a section ${id} already.`
      : (put({ id })?.message ?? null)
  const by: By = s.shape
    ? s.shape.type
    : s.catalogue !== undefined
      ? 'catalogue'
      : byRigidity(s)
        ? 'EI'
        : 'AI'
  const become = (kind: By) => {
    const none = {
      A: undefined,
      I: undefined,
      EA: undefined,
      EI: undefined,
      shape: undefined,
      catalogue: undefined,
      depth: undefined,
      yTop: undefined,
      yBottom: undefined,
    }
    if (kind === 'AI') put({ ...none, A: '0.01 m^2', I: '1e-4 m^4' })
    else if (kind === 'EI')
      store
        .getState()
        .edit(`section ${s.id}`, (p) =>
          withRigidity(edit.setSection(p, s.id, { ...none, A: s.A ?? '0.01 m^2' }), s.id, 'EI', 'EI'),
        )
    else if (kind === 'catalogue')
      put({
        ...none,
        catalogue: problem.units.length === 'ft' || problem.units.length === 'in' ? 'W12x26' : 'IPE 200',
      })
    else
      put({
        ...none,
        shape: Object.fromEntries([
          ['type', kind],
          ...shapeSides[kind].map((k) => [k, FIRST[k]]),
        ]) as Section['shape'],
      })
  }
  const shape = useMemo(() => sectionShape(s, problem), [s, problem])
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
            onChange={(e) => become(e.target.value as By)}
          >
            <option value="AI">A and I</option>
            <option value="EI">EI and EA</option>
            <option value="catalogue">rolled shape</option>
            {Object.entries(SHAPES).map(([k, label]) => (
              <option key={k} value={k}>
                {label}
              </option>
            ))}
          </Pick>
          {shape && <CrossSection shape={shape} />}
        </td>
        <td>
          <Values s={s} by={by} put={put} />
          <span className="computed-line">
            <Computed s={s} A={shape?.properties.A} I={shape?.properties.I} />
          </span>
        </td>
        <td>
          <Press
            className="quiet link"
            aria-expanded={open}
            aria-label={`more of section ${s.id}`}
            onClick={() => setOpen(!open)}
          >
            {open ? 'less' : 'more'}
          </Press>
        </td>
        <td>
          <RemoveButton
            what={`section ${s.id}`}
            onClick={() => store.getState().edit(`section ${s.id}`, (p) => edit.removeSection(p, s.id))}
          />
        </td>
      </tr>
      {open && (
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
      )}
    </>
  )
}

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

function Values({
  s,
  by,
  put,
}: {
  s: Section
  by: By
  put: (
    change: Partial<Section>,
    merge?: string,
  ) => ReturnType<Parameters<typeof QuantityField>[0]['onChange']>
}) {
  const field = (key: 'A' | 'I') => (
    <span key={key} className="rich-field">
      <span className="quiet italic">{key}</span>
      <QuantityField
        name={`${key} of ${s.id}`}
        value={s[key]}
        dimension={key === 'A' ? dimension.area : dimension.secondMoment}
        placeholder="none"
        onClear={() => put({ [key]: undefined })}
        onChange={(v, merge) => put({ [key]: v }, merge)}
      />
    </span>
  )
  if (by === 'AI') return <span className="rich">{(['A', 'I'] as const).map(field)}</span>
  if (by === 'catalogue')
    return (
      <Suspense fallback={<span className="rich-field wide">{s.catalogue}</span>}>
        <Rolled key={s.catalogue} s={s} put={put} />
      </Suspense>
    )
  if (by === 'EI')
    return (
      <span className="rich rigidities">
        <RigidityField s={s} of="EI" />
        <RigidityField s={s} of="EA" />
        {field('A')}
      </span>
    )
  const stated = Object.keys(s.shape ?? {}).filter((k) => k !== 'type')
  return (
    <span className="rich">
      <Sides s={s} keys={[...new Set([...shapeSides[by], ...stated])]} put={put} />
    </span>
  )
}

/** A rigidity as it is said: a number with its unit, a symbol, or so many times a symbol. */
function RigidityField({ s, of }: { s: Section; of: 'EI' | 'EA' }) {
  const store = useSheetStore()
  return (
    <span className="rich-field">
      <span className="quiet italic">{of}</span>
      <TextField
        name={`${of} of ${s.id}`}
        value={String(s[of] ?? '')}
        placeholder={of === 'EA' ? 'E·A' : 'E·I'}
        onCommit={(t) =>
          store.getState().edit(`${of} of ${s.id}`, (p) => withRigidity(p, s.id, of, t), { shown: true })
            ?.message ?? null
        }
      />
    </span>
  )
}

/** Sides of a shape; those it can do without may be cleared. */
function Sides({
  s,
  keys,
  put,
}: {
  s: Section
  keys: readonly string[]
  put: (
    change: Partial<Section>,
    merge?: string,
  ) => ReturnType<Parameters<typeof QuantityField>[0]['onChange']>
}) {
  const needed = shapeSides[s.shape!.type]
  return (
    <>
      {keys.map((k) => {
        const optional = !needed.includes(k)
        const set = (v: Section['A'] | undefined, merge?: string) => {
          const shape = { ...s.shape!, [k]: v } as NonNullable<Section['shape']>
          if (v === undefined) delete (shape as Record<string, unknown>)[k]
          return put({ shape }, merge)
        }
        return (
          <span key={k} className="rich-field">
            <span className="quiet italic">{SIDE_WORDS[k] ?? k}</span>
            <QuantityField
              name={`${k} of ${s.id}`}
              value={s.shape?.[k]}
              dimension={dimension.length}
              placeholder={optional ? (k === 'r' ? '0' : 'same') : undefined}
              onClear={optional ? () => set(undefined) : undefined}
              onChange={set}
            />
          </span>
        )
      })}
    </>
  )
}

const SIDE_WORDS: Record<string, string> = { bBottom: 'b below', tfBottom: 'tf below' }

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

/** The cross-section, drawn to fit. */
function CrossSection({ shape }: { shape: NonNullable<ReturnType<typeof sectionShape>> }) {
  const { sides, properties } = shape
  const scale = 26 / Math.max(properties.depth, sides.b ?? 0, sides.bBottom ?? 0, sides.d ?? 0)
  const axis = (properties.depth / 2 - properties.yBottom) * scale
  return (
    <svg
      className="section-drawing"
      width="34"
      height="30"
      viewBox="-17 -15 34 30"
      role="img"
      aria-label="cross-section"
    >
      <path
        d={outline(shape, scale)}
        fill="var(--hair-2)"
        fillRule="evenodd"
        stroke="var(--ink)"
        strokeWidth="0.9"
      />
      <path d={`M-16 ${axis}H16`} stroke="var(--cedar)" strokeWidth="0.8" strokeDasharray="4 2 1 2" />
    </svg>
  )
}
