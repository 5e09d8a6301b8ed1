import { dimension, type ProblemError, type Quantity } from '@viga/core'
import { Press } from '../widgets/Press'
import { QuantityField } from '../fields/QuantityField'
import { Compass } from './Compass'
import type { Entry, Way } from '@viga/core/statement/load-entry'

const DEGREES: Partial<Record<Way, number>> = { right: 0, up: 90, left: 180, down: -90 }

/** Degrees of an entry's direction; null for one in member axes. */
export function degreesOf(e: Entry): number | null {
  if (e.way !== 'angle') return DEGREES[e.way] ?? null
  const m = /^(-?[\d.]+) deg$/.exec(String(e.angle))
  return m ? Number(m[1]) : null
}

/** The entry turned to an angle; the four main directions by their names. */
export function turned(e: Entry, degrees: number): Entry {
  const d = degrees === -180 ? 180 : degrees
  const way = (Object.keys(DEGREES) as Way[]).find((w) => DEGREES[w] === d)
  return way ? { ...e, way, angle: undefined } : { ...e, way: 'angle', angle: `${d} deg` }
}

/** One step up or down of a typed magnitude; a text that is more than a number with a unit is left alone. */
export function stepped(q: Quantity, by: number): Quantity | undefined {
  if (typeof q === 'number') return Math.max(0, round(q + by))
  const m = /^\s*([\d.]+)(\s*[^\d\s*+-].*)?$/.exec(q)
  return m
    ? m[2]
      ? `${Math.max(0, round(Number(m[1]) + by))}${m[2]}`
      : Math.max(0, round(Number(m[1]) + by))
    : undefined
}

/** Steps grow with the amount: 1 up to 20, 5 up to 100, then 10. */
const stepSize = (amount: number, sign: number) =>
  amount + 0.5 * sign >= 100 ? 10 : amount + 0.5 * sign >= 20 ? 5 : 1

const round = (v: number) => Number(v.toPrecision(12))

const DIMENSION = { force: dimension.force, moment: dimension.moment, uniform: dimension.forcePerLength }

interface AmountProps {
  name: string
  sort: Entry['sort']
  value: Quantity | undefined
  onChange: (v: Quantity, merge: string) => ProblemError | string | null
  onClear?: () => void
}

/** A magnitude typed, or stepped with the mouse. */
export function Amount({ name, sort, value, onChange, onClear }: AmountProps) {
  const step = (sign: number) => {
    const size = Math.abs(typeof value === 'number' ? value : parseFloat(value ?? '0')) || 0
    const next = stepped(value || 0, sign * stepSize(size, sign))
    if (next !== undefined) onChange(next, `${name} step`)
  }
  return (
    <div className="editor-field">
      <QuantityField
        name={name}
        value={value}
        dimension={DIMENSION[sort]}
        unit
        placeholder={sort === 'moment' ? 'moment' : sort === 'uniform' ? 'per length' : 'force'}
        onChange={onChange}
        onClear={onClear}
      />
      <span className="stepper">
        {[-1, 1].map((sign) => (
          <Press
            key={sign}
            type="button"
            tabIndex={-1}
            aria-label={`${name} ${sign > 0 ? 'more' : 'less'}`}
            onClick={() => step(sign)}
          >
            {sign > 0 ? '+' : '−'}
          </Press>
        ))}
      </span>
    </div>
  )
}

/** Direction and amount of a force, side by side as on the Figure. */
export function ForceFields({
  entry,
  name,
  onChange,
  onClear,
}: {
  entry: Entry
  name: string
  onChange: (e: Entry, merge?: string) => ProblemError | string | null
  onClear?: () => void
}) {
  return (
    <div className="editor-load">
      {entry.sort !== 'moment' && (
        <Compass
          name={`direction of ${name}`}
          degrees={entry.amount === '' ? null : degreesOf(entry)}
          onChange={(d) => onChange(turned(entry, d))}
        />
      )}
      <div className="fields">
        <Amount
          name={`amount of ${name}`}
          sort={entry.sort}
          value={entry.amount}
          onChange={(v, merge) => onChange({ ...entry, amount: v }, merge)}
          onClear={onClear}
        />
        {entry.way === 'angle' && (
          <div className="editor-field">
            <QuantityField
              name={`angle of ${name}`}
              value={entry.angle}
              dimension={dimension.angle}
              direction
              onChange={(v, merge) => onChange({ ...entry, angle: v }, merge)}
            />
          </div>
        )}
        {entry.at !== undefined && (
          <div className="editor-field">
            <span className="quiet">at&nbsp;</span>
            <QuantityField
              name={`place of ${name}`}
              value={entry.at}
              dimension={dimension.length}
              percent
              unit
              onChange={(v, merge) => onChange({ ...entry, at: v }, merge)}
            />
          </div>
        )}
      </div>
    </div>
  )
}
