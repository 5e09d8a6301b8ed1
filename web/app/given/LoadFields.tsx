import { dimension, type Dimension, type Load, type ProblemError, type Quantity } from '@viga/core'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { Tick } from '../widgets/Tick'
import { QuantityField } from '../fields/QuantityField'
import { WAYS, type Way } from '@viga/core/statement/load-entry'
import {
  lineOf,
  LINE_WAYS,
  STRAIN_FIELDS,
  withLine,
  withoutPoint,
  withPoint,
  withStrain,
} from '@viga/core/statement/load-sorts'

interface Props {
  /** What the fields belong to, for their names: "load 2 of 1". */
  name: string
  load: Load
  onChange: (l: Load, merge?: string) => ProblemError | null
}

/** The quantities of a load that takes more than one amount: components, points, temperature, lack of fit. */
export function LoadFields({ name, load, onChange }: Props) {
  if (load.type === 'nodal' || load.type === 'point')
    return <Components name={name} load={load} onChange={onChange} />
  if (load.type === 'temperature' || load.type === 'misfit') {
    const values = load as unknown as Record<string, Quantity | undefined>
    return (
      <span className="rich">
        {STRAIN_FIELDS[load.type]
          .filter((f) => f.key !== 'at' || values.slip !== undefined || values.kink !== undefined)
          .map((f) => (
            <Field
              key={f.key}
              name={`${f.key} of ${name}`}
              label={f.label}
              value={values[f.key]}
              dimension={f.dimension}
              percent={f.percent}
              onClear={() => onChange(withStrain(load, f.key, undefined))}
              onChange={(v, merge) => onChange(withStrain(load, f.key, v), merge)}
            />
          ))}
      </span>
    )
  }
  return <Points name={name} load={load} onChange={onChange} />
}

interface FieldProps {
  name: string
  label: string
  value: Quantity | undefined
  dimension: Dimension
  percent?: boolean
  direction?: boolean
  onChange: (v: Quantity, merge: string) => ProblemError | null
  onClear?: () => void
}

function Field({ label, ...rest }: FieldProps) {
  return (
    <span className="rich-field">
      <span className="quiet">{label}</span>
      <QuantityField {...rest} placeholder="none" />
    </span>
  )
}

type ForceKey = 'fx' | 'fy' | 'm' | 'force' | 'angle'
type ForceField = { key: ForceKey; label: string; dimension: Dimension; direction?: true }
const MOMENT: ForceField = { key: 'm', label: '↺', dimension: dimension.moment }
const components = (x: string, y: string): ForceField[] => [
  { key: 'fx', label: x, dimension: dimension.force },
  { key: 'fy', label: y, dimension: dimension.force },
  MOMENT,
]
const GLOBAL = components('→', '↑')
const OWN = components('⇢ x', '⊤ y')
const POLAR: ForceField[] = [
  { key: 'force', label: 'force', dimension: dimension.force },
  { key: 'angle', label: 'at', dimension: dimension.angle, direction: true },
  MOMENT,
]

function Components({ name, load, onChange }: Props & { load: Extract<Load, { type: 'nodal' | 'point' }> }) {
  const put = (key: string, v: Quantity | undefined, merge?: string) => {
    const out = { ...load } as unknown as Record<string, unknown>
    if (v === undefined) delete out[key]
    else out[key] = v
    return onChange(out as unknown as Load, merge)
  }
  const own = load.type === 'point' && load.axes === 'member'
  const fields = load.force === undefined ? (own ? OWN : GLOBAL) : POLAR
  return (
    <span className="rich">
      {fields.map(({ key, label, dimension: d, direction }) => (
        <Field
          key={key}
          name={`${key} of ${name}`}
          label={label}
          value={load[key]}
          dimension={d}
          direction={direction}
          onClear={key === 'force' || key === 'angle' ? undefined : () => put(key, undefined)}
          onChange={(v, merge) => put(key, v, merge)}
        />
      ))}
      {load.type === 'point' && (
        <>
          <Field
            name={`place of ${name}`}
            label="at"
            value={load.at}
            dimension={dimension.length}
            percent
            onChange={(v, merge) => put('at', v, merge)}
          />
          <Pick
            className="cell-select narrow"
            aria-label={`axes of ${name}`}
            value={load.axes ?? 'global'}
            onChange={(e) => onChange({ ...load, axes: e.target.value as 'global' | 'member' })}
          >
            <option value="global">global axes</option>
            <option value="member">member axes</option>
          </Pick>
        </>
      )}
    </span>
  )
}

type LineLoad = Extract<Load, { type: 'distributed' | 'couple' }>

/** A line of values: each with its place, points added and taken out, the way it acts. */
function Points({ name, load, onChange }: Props & { load: LineLoad }) {
  const line = lineOf(load)
  const change = (i: number, part: object, merge: string) => {
    const points = line.points.map((p, k) => (k === i ? { ...p, ...part } : p))
    return onChange(withLine(load, { ...line, points }), merge)
  }
  return (
    <span className="rich">
      <LineWay name={name} load={load} onChange={onChange} />
      {line.points.map((p, i) => (
        <span key={i} className="rich-field point">
          <QuantityField
            name={`value ${i + 1} of ${name}`}
            value={p.q}
            dimension={load.type === 'couple' ? dimension.force : dimension.forcePerLength}
            onChange={(v, merge) => change(i, { q: v }, merge)}
          />
          <span className="quiet">at</span>
          <QuantityField
            name={`place ${i + 1} of ${name}`}
            value={p.at}
            dimension={dimension.length}
            percent
            onChange={(v, merge) => change(i, { at: v }, merge)}
          />
          {line.points.length > 2 && (
            <Press
              className="quiet small-remove"
              aria-label={`Take out point ${i + 1} of ${name}`}
              onClick={() => onChange(withLine(load, withoutPoint(line, i)))}
            >
              ×
            </Press>
          )}
        </span>
      ))}
      <Press
        className="quiet link"
        aria-label={`One more point of ${name}`}
        onClick={() => onChange(withLine(load, withPoint(line)))}
      >
        + point
      </Press>
      <OnProjection load={load} onChange={onChange} />
    </span>
  )
}

/** The way a line of values acts, as its sign with the choice over it. */
function LineWay({ name, load, onChange }: Props & { load: LineLoad }) {
  const line = lineOf(load)
  const ways: readonly Way[] = load.type === 'couple' ? ['ccw', 'cw'] : LINE_WAYS
  return (
    <span className="rich-way">
      <span aria-hidden="true">{WAYS[line.way].sign}</span>
      <Pick
        className="cell-select over"
        aria-label={`direction of ${name}`}
        value={line.way}
        title={WAYS[line.way].label}
        onChange={(e) => onChange(withLine(load, { ...line, way: e.target.value as Way }))}
      >
        {ways.map((w) => (
          <option key={w} value={w}>
            {WAYS[w].label} {WAYS[w].sign}
          </option>
        ))}
      </Pick>
    </span>
  )
}

/** Whether a load along X or Y is measured on the projection of its member. */
function OnProjection({ load, onChange }: Pick<Props, 'onChange'> & { load: LineLoad }) {
  if (load.type !== 'distributed' || (load.direction !== 'X' && load.direction !== 'Y')) return null
  return (
    <label className="quiet rich-check">
      <Tick
        checked={load.per === 'projection'}
        onChange={(e) => {
          const out = { ...load }
          if (e.target.checked) out.per = 'projection'
          else delete out.per
          onChange(out)
        }}
      />
      on the {load.direction === 'Y' ? 'level' : 'upright'} projection
    </label>
  )
}
