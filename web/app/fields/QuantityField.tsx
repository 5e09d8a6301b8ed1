import {
  ExpressionError,
  coherentUnitName,
  dimension as dimensions,
  edit,
  formatPlain,
  makeReader,
  shownAngle,
  siPerCoherent,
  typedAngle,
  withCommonUnits,
  type Dimension,
  type ProblemError,
  type Quantity,
} from '@viga/core'
import { useCallback, useId, useMemo, useState } from 'react'
import { Line } from '../widgets/Line'
import { useSheet, useSheetStore } from '../sheet/context'
import { draftKey } from '../sheet/drafts'
import { useThing } from './of-thing'
import './fields.css'

interface Props {
  /** What the field is, for assistive technology and for its draft: "x of C". */
  name: string
  value: Quantity | undefined
  dimension: Dimension
  /** Takes the text as typed; returns why it was refused. */
  onChange: (value: Quantity, merge: string) => ProblemError | string | null
  /** Called with nothing typed, where a value may be absent. */
  onClear?: () => void
  placeholder?: string
  /** Percentages are places along a member too. */
  percent?: boolean
  /** A direction: a number without a unit is in degrees, and is shown so. */
  direction?: boolean
  autoFocus?: boolean
  /** Shown when the text says no more than its value: "m". */
  unit?: boolean
  className?: string
}

/** One number with its unit: 160 mm, 4.1 in^2, 12 kip*ft, 6.5e-6/degF. */
const SAYS_ITSELF = /^\s*[-−]?[\d.]+(e[-+]?\d+)?\s*[/a-zA-Zµ°][a-zA-Z0-9^*/·²³⁴µ°-]*\s*$/

const usesSymbol = (text: string, symbols: Record<string, Quantity> | undefined) =>
  (text.match(/\p{L}[\p{L}\p{Nd}_']*/gu) ?? []).some(
    (w) => symbols !== undefined && Object.hasOwn(symbols, w),
  )

const IMPERIAL = /(?<![a-zA-Z])(?:in|ft|lbf|kip|psi|ksi|psf|pcf|plf|klf)(?![a-zA-Z])/
/** Lengths, forces, moments and loads per length are answered in the problem's own unit. */
const MEASURED = [dimensions.length, dimensions.force, dimensions.moment, dimensions.forcePerLength]

/**
 * Whether a number with a unit needs no answer: it is in the problem's own unit, or, where it is a property such
 * as a modulus or an area, in another unit of the same system.
 */
function saysOwnUnit(text: string, units: { length: string; force: string }, d: Dimension): boolean {
  const unit = text.replace(/^[-−\s\d.]+(?:e[-+]?\d+)?/i, '').trim()
  const plain = (u: string) =>
    u
      .replace(/\s|\*|·/g, '')
      .replace(/²/g, '^2')
      .replace(/³/g, '^3')
      .replace(/⁴/g, '^4')
  if (plain(unit) === plain(coherentUnitName(units, d))) return true
  const [mass, length] = d
  if (mass === 0 && length === 0) return true
  const same = IMPERIAL.test(unit) === IMPERIAL.test(`${units.length} ${units.force}`)
  return same && !MEASURED.some((o) => dimensions.equal(o, d))
}

/** Quantities that a tonne or a degree Celsius may stand in. */
const isForceOrHeat = ([mass, , , temperature]: Dimension) => mass !== 0 || temperature !== 0

const PERCENT = /^\s*[-+]?[\d.]+\s*%\s*$/

/**
 * A number with a dimension: takes arithmetic, units and symbols, keeps what was typed, shows what it
 * understood.
 * Each readable keystroke takes effect; an unreadable text stays in the field, with a sentence, until it is
 * mended.
 */
export function QuantityField({
  name,
  value,
  dimension,
  onChange,
  onClear,
  placeholder,
  percent,
  direction,
  autoFocus,
  unit,
  className,
}: Props) {
  const store = useSheetStore()
  const key = draftKey(name, useThing())
  const kept = useSheet((s) => s.drafts[key])
  const draft = kept?.text
  const units = useSheet((s) => s.problem.units)
  const symbols = useSheet((s) => s.problem.symbols)
  const [focused, setFocused] = useState(false)
  const [refusal, setRefusal] = useState<string | null>(null)
  const [session, setSession] = useState(0)
  const messageId = useId()
  const reader = useMemo(() => makeReader(units, symbols).reader, [units, symbols])
  const shownAs = (q: Quantity) => (direction ? shownAngle(q) : String(q))
  const stated = value === undefined ? '' : shownAs(value)
  const text = draft ?? stated

  const written = useCallback(
    (t: string): Quantity =>
      direction
        ? typedAngle(t, reader)
        : edit.typed(isForceOrHeat(dimension) ? withCommonUnits(t, symbols) : t),
    [direction, dimension, reader, symbols],
  )
  const read = (t: string) => (percent && PERCENT.test(t) ? null : reader.read(written(t), dimension))
  const understood = useMemo(() => {
    if (text.trim() === '' || (percent && PERCENT.test(text))) return ''
    try {
      const r = reader.read(written(text), dimension)
      if (!r.ok) return ''
      const name = coherentUnitName(units, dimension)
      const plain = /^\s*-?[\d.]+\s*$/.test(text)
      if (plain) return unit ? name : ''
      // "6 kN" says itself; anything else is answered with its value
      if (SAYS_ITSELF.test(text) && !usesSymbol(text, symbols) && saysOwnUnit(text, units, dimension))
        return ''
      if (name === 'rad') return `${formatPlain((r.si * 180) / Math.PI, 4)}°`
      const value = formatPlain(r.si / siPerCoherent(units, dimension), 5)
      // one klf is one kip/ft: the number says itself
      if (SAYS_ITSELF.test(text) && text.trim().startsWith(`${value} `)) return ''
      return `${value} ${name}`.trim()
    } catch (error) {
      if (error instanceof ExpressionError) return ''
      throw error
    }
  }, [text, reader, written, dimension, units, symbols, unit, percent])

  const change = (t: string) => {
    if (t.trim() === '') {
      setRefusal(null)
      if (onClear) {
        store.getState().draft(key, null)
        onClear()
      } else store.getState().draft(key, { text: '' })
      return
    }
    const r = read(t)
    const problem = r && !r.ok ? r.message : onChange(written(t), `${name} ${session}`)
    const message = problem === null ? null : typeof problem === 'string' ? problem : problem.message
    setRefusal(message)
    // what was typed keeps its spaces while it is being typed; on leaving, a readable text is the document's
    // own
    store
      .getState()
      .draft(
        key,
        message !== null ? { text: t, message, field: name } : shownAs(written(t)) === t ? null : { text: t },
      )
  }
  const leave = () => {
    setFocused(false)
    if (refusal === null && draft !== undefined && draft.trim() !== '') store.getState().draft(key, null)
    if (draft === '' && stated !== '') {
      store.getState().draft(key, null)
      setRefusal(null)
    }
  }
  const wrong =
    refusal ?? (draft !== undefined && draft.trim() !== '' && !focused ? unreadable(read(draft)) : null)
  return (
    <span
      className={`qf${focused ? ' focused' : ''}${wrong ? ' wrong' : ''}${className ? ` ${className}` : ''}`}
    >
      <Line
        value={text}
        aria-label={name}
        aria-invalid={wrong !== null}
        data-typing={kept?.message === undefined ? undefined : ''}
        aria-describedby={wrong ? messageId : undefined}
        placeholder={placeholder}
        autoFocus={autoFocus}
        spellCheck={false}
        autoComplete="off"
        onChange={(e) => change(e.target.value)}
        onFocus={(e) => {
          setFocused(true)
          setSession((n) => n + 1)
          e.target.select()
        }}
        onBlur={leave}
        onKeyDown={(e) => {
          if (e.key === 'Escape' && draft !== undefined) {
            e.stopPropagation()
            store.getState().draft(key, null)
            setRefusal(null)
          }
        }}
      />
      {understood && <span className="understood">{understood}</span>}
      {wrong && (
        <span className="refusal" id={messageId} role={focused ? undefined : 'alert'}>
          {wrong}
        </span>
      )}
    </span>
  )
}

const unreadable = (r: ReturnType<ReturnType<typeof makeReader>['reader']['read']> | null) =>
  r && !r.ok ? r.message : null
