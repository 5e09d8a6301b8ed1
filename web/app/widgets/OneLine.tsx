import { useState } from 'react'
import './fields.css'

interface Props {
  name: string
  placeholder: string
  /** Adds what the line says; returns why it was refused. */
  onAdd: (text: string) => string | null
  columns: number
  className?: string
}

/** The last row of a table: one line that states a new entry. A refused line stays, with its sentence. */
export function OneLine({ name, placeholder, onAdd, columns, className = '' }: Props) {
  const [text, setText] = useState('')
  const [refusal, setRefusal] = useState<string | null>(null)
  const add = () => {
    if (text.trim() === '') return
    const message = onAdd(text.trim())
    setRefusal(message)
    if (message === null) setText('')
  }
  return (
    <tr className="new-row">
      <td colSpan={columns}>
        <input
          className={`cell-input ${className}`}
          aria-label={name}
          aria-invalid={refusal !== null}
          placeholder={placeholder}
          value={text}
          spellCheck={false}
          autoComplete="off"
          onChange={(e) => {
            setText(e.target.value)
            setRefusal(null)
          }}
          onBlur={add}
          onKeyDown={(e) => {
            if (e.key !== 'Enter') return
            e.preventDefault()
            e.stopPropagation()
            add()
          }}
        />
        <Refusal>{refusal}</Refusal>
      </td>
    </tr>
  )
}

/** A sentence that refuses, at the place where it is. */
export function Refusal({ children }: { children: string | null | undefined }) {
  return children ? (
    <span className="refusal open" role="alert">
      {children}
    </span>
  ) : null
}
