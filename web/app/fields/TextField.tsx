import { useState } from 'react'
import { Line } from '../widgets/Line'
import { Refusal } from './FieldSentence'
import './fields.css'

interface Props {
  name: string
  value: string
  /** Takes the text when the field is left or enter is pressed; returns why it was refused. */
  onCommit: (text: string) => string | null
  className?: string
  placeholder?: string
}

/**
 * A label or word edited in place. A refused text stays, with its sentence, until it is mended or escape
 * gives it up.
 */
export function TextField({ name, value, onCommit, className, placeholder }: Props) {
  const [text, setText] = useState<string | null>(null)
  const [refusal, setRefusal] = useState<string | null>(null)
  const commit = () => {
    if (text === null) return
    const t = text.trim()
    const message = t === value ? null : onCommit(t)
    setRefusal(message)
    if (message === null) setText(null)
  }
  const giveUp = () => {
    setText(null)
    setRefusal(null)
  }
  return (
    <span className={`qf${refusal ? ' wrong' : ''}`}>
      <Line
        className={className}
        value={text ?? value}
        aria-label={name}
        aria-invalid={refusal !== null}
        typing={text === null ? undefined : giveUp}
        placeholder={placeholder}
        spellCheck={false}
        autoComplete="off"
        onChange={(e) => setText(e.target.value)}
        onFocus={(e) => e.target.select()}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') commit()
          if (e.key === 'Escape') giveUp()
        }}
      />
      <Refusal>{refusal}</Refusal>
    </span>
  )
}
