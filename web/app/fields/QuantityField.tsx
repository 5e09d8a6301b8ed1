import type { Dimension, ProblemError, Quantity } from '@viga/core'
import { useId, useState } from 'react'
import { Line } from '../widgets/Line'
import { FieldSentence, useRepairKey } from './FieldSentence'
import { useQuantityText } from './use-quantity-text'
import './fields.css'

export interface QuantityFieldProps {
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

/**
 * A number with a dimension: takes arithmetic, units and symbols, keeps what was typed, shows what it
 * understood. Each readable keystroke takes effect; an unreadable text stays in the field, with a sentence,
 * until it is mended.
 */
export function QuantityField(props: QuantityFieldProps) {
  const { name, placeholder, autoFocus, className } = props
  const [focused, setFocused] = useState(false)
  const { text, understood, wrong, unread, change, begin, leave, giveUp } = useQuantityText(props, focused)
  const messageId = useId()
  const mend = wrong === null ? undefined : { text, take: change }
  const repair = useRepairKey()
  return (
    <span
      className={`qf${focused ? ' focused' : ''}${wrong ? ' wrong' : ''}${className ? ` ${className}` : ''}`}
    >
      <Line
        value={text}
        aria-label={name}
        aria-invalid={wrong !== null}
        typing={unread ? giveUp : undefined}
        aria-describedby={wrong ? messageId : undefined}
        placeholder={placeholder}
        autoFocus={autoFocus}
        spellCheck={false}
        autoComplete="off"
        onChange={(e) => change(e.target.value)}
        onFocus={(e) => {
          setFocused(true)
          begin()
          e.target.select()
        }}
        onBlur={() => {
          setFocused(false)
          leave()
        }}
        onKeyDown={(e) => {
          if (repair(e, mend)) return
          if (e.key === 'Escape' && giveUp()) e.stopPropagation()
        }}
      />
      {understood && <span className="understood">{understood}</span>}
      {wrong && (
        <FieldSentence id={messageId} aloud={!focused} mend={mend}>
          {wrong}
        </FieldSentence>
      )}
    </span>
  )
}
