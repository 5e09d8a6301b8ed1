import {
  addShape,
  beamShape,
  dimension,
  edit,
  frameShape,
  gableShape,
  measure,
  readBays,
  resolve,
  siPerCoherent,
  trussShape,
  type Problem,
  type StartingShape,
  type TrussForm,
} from '@viga/core'
import { useMemo, useState } from 'react'
import { Pick } from '../widgets/Pick'
import { Press } from '../widgets/Press'
import { MiniFigure } from '../figure/MiniFigure'
import { miniScene } from '@viga/drawing/card-figure'
import { useEdit, useSheet } from '../sheet/context'
import { Block } from '../widgets/Block'
import { EntryInput } from '../fields/OneLine'

type Kind = 'beam' | 'frame' | 'gable' | TrussForm

const KINDS: Record<Kind, string> = {
  beam: 'beam',
  frame: 'portal or storeys',
  gable: 'pitched portal',
  pratt: 'Pratt truss',
  howe: 'Howe truss',
  warren: 'Warren truss',
  'warren with verticals': 'Warren truss with verticals',
  fink: 'Fink roof truss',
  k: 'K truss',
}

const FIELDS: Record<Kind, readonly Field[]> = {
  beam: ['spans', 'ends'],
  frame: ['bays', 'storeys', 'feet'],
  gable: ['span', 'height', 'rise', 'feet'],
  pratt: ['span', 'height', 'panels'],
  howe: ['span', 'height', 'panels'],
  warren: ['span', 'height', 'panels'],
  'warren with verticals': ['span', 'height', 'panels'],
  fink: ['span', 'height'],
  k: ['span', 'height', 'panels'],
}

const PREVIEW = { width: 160, height: 112 }

type Field = 'spans' | 'bays' | 'storeys' | 'span' | 'height' | 'rise' | 'panels' | 'ends' | 'feet'
type Values = Record<Field, string>

const LABELS: Record<Field, string> = {
  spans: 'spans',
  bays: 'bays',
  storeys: 'storeys',
  span: 'span',
  height: 'height',
  rise: 'rise',
  panels: 'panels',
  ends: 'ends',
  feet: 'feet',
}
const FIRST: Values = {
  spans: '6, 2@4',
  bays: '2@6',
  storeys: '4, 3',
  span: '12',
  height: '3',
  rise: '2',
  panels: '6',
  ends: 'simple',
  feet: 'fixed',
}
const OPTIONS: Partial<Record<Field, readonly string[]>> = {
  ends: ['simple', 'fixed', 'cantilever'],
  feet: ['fixed', 'pin'],
}

/** The shape the fields state, or a sentence on which of them is not understood. */
function shapeOf(p: Problem, kind: Kind, v: Values): StartingShape | { message: string } {
  const { reader } = measure(p)
  const wrong: string[] = []
  const length = (key: Field) => {
    const r = reader.read(edit.typed(v[key]), dimension.length)
    if (!r.ok || r.si <= 0) wrong.push(`${LABELS[key]}: ${r.ok ? 'greater than zero.' : r.message}`)
    return r.ok ? r.si / siPerCoherent(p.units, dimension.length) : 1
  }
  const bays = (key: Field) => {
    const b = readBays(v[key], reader)
    if (Array.isArray(b)) return b
    wrong.push(`${LABELS[key]}: ${b.message}`)
    return [1]
  }
  const panels = Number(v.panels)
  if (FIELDS[kind].includes('panels') && !(Number.isInteger(panels) && panels > 0 && panels <= 60))
    return { message: 'panels: a whole number from 1 to 60.' }
  const shape =
    kind === 'beam'
      ? beamShape(bays('spans'), v.ends as 'simple')
      : kind === 'frame'
        ? frameShape(bays('bays'), bays('storeys'), v.feet as 'fixed')
        : kind === 'gable'
          ? gableShape(length('span'), length('height'), length('rise'), v.feet as 'fixed')
          : trussShape(kind, length('span'), length('height'), panels)
  return wrong.length ? { message: wrong[0] } : shape
}

interface StartChooserProps {
  onDone: () => void
  closable: boolean
}

/** The shapes with their measures, and the drawing of the one that would be put in. */
export default function StartChooser({ onDone, closable }: StartChooserProps) {
  const apply = useEdit()
  const problem = useSheet((s) => s.problem)
  const [kind, setKind] = useState<Kind>('beam')
  const [values, setValues] = useState(FIRST)
  const shape = useMemo(() => shapeOf(problem, kind, values), [problem, kind, values])
  const insert = () => {
    if ('message' in shape) return
    const at = besideOf(problem)
    if (apply('put in a shape', (p) => addShape(p, shape, at, 0), { select: null }) !== null) return
    onDone()
    // the structure stands: its loads come next
    document.querySelector<HTMLElement>('[aria-label="joint or member of a new load"]')?.focus()
  }
  return (
    <Block title="Begin with">
      <div className="start">
        <div className="start-fields">
          <Pick
            className="cell-select"
            aria-label="starting shape"
            value={kind}
            onChange={(e) => setKind(e.target.value as Kind)}
          >
            {Object.entries(KINDS).map(([key, label]) => (
              <option key={key} value={key}>
                {label}
              </option>
            ))}
          </Pick>
          {FIELDS[kind].map((key) => (
            <StartField
              key={key}
              of={key}
              value={values[key]}
              onChange={(t) => setValues({ ...values, [key]: t })}
              onEnter={insert}
            />
          ))}
          <span className="start-do">
            <Press className="plain-button" disabled={'message' in shape} onClick={insert}>
              insert
            </Press>
            {closable && (
              <Press className="quiet link" onClick={onDone}>
                close
              </Press>
            )}
          </span>
          {'message' in shape && <p className="pencil">{shape.message}</p>}
        </div>
        <Preview shape={shape} />
      </div>
    </Block>
  )
}

/** Where a shape stands free to the right of what is there, in the problem's unit. */
function besideOf(problem: Problem): number {
  const m = measure(problem)
  const xs = [...m.at.values()].map((q) => q.x)
  return xs.length ? Number((Math.max(...xs) + Math.max(1, 0.15 * m.extent)).toPrecision(3)) : 0
}

interface StartFieldProps {
  of: keyof typeof FIRST
  value: string
  onChange: (text: string) => void
  onEnter: () => void
}

/** One measure of the shape: chosen from a list, or typed. */
function StartField({ of, value, onChange, onEnter }: StartFieldProps) {
  return (
    <label>
      <span className="quiet">{LABELS[of]}</span>
      {OPTIONS[of] ? (
        <Pick
          className="cell-select"
          aria-label={LABELS[of]}
          value={value}
          onChange={(e) => onChange(e.target.value)}
        >
          {OPTIONS[of].map((o) => (
            <option key={o}>{o}</option>
          ))}
        </Pick>
      ) : (
        <EntryInput
          name={LABELS[of]}
          placeholder={FIRST[of]}
          value={value}
          onChange={onChange}
          onEnter={onEnter}
        />
      )}
    </label>
  )
}

/** The shape as it would stand, drawn small. */
function Preview({ shape }: { shape: ReturnType<typeof shapeOf> }) {
  const problem = useSheet((s) => s.problem)
  const drawn = useMemo(() => {
    if ('message' in shape) return undefined
    const alone = addShape(
      { ...problem, nodes: [], members: [], supports: [], loadCases: [], combinations: [], answers: [] },
      shape,
    )
    const r = resolve(alone)
    return r.ok ? miniScene(r.structure, [], PREVIEW.width, PREVIEW.height) : undefined
  }, [problem, shape])
  return (
    <div className="start-preview">
      {drawn && <MiniFigure groups={drawn} width={PREVIEW.width} height={PREVIEW.height} />}
    </div>
  )
}
