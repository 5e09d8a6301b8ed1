import { useRef, useState } from 'react'
import { Line } from '../widgets/Line'
import { useNewRow } from '../sheet/new-row'
import './fields.css'

interface Props {
  name: string
  placeholder: string
  /** Adds what the line says; returns why it was refused, and what of it is left over. */
  onAdd: (text: string) => string | { message: string; rest?: string } | null
  columns: number
  className?: string
}

interface InputProps {
  name: string
  placeholder: string
  value: string
  onChange: (text: string) => void
  /** Enter was pressed; the field it was pressed in. */
  onEnter: (field: HTMLInputElement) => void
  onBlur?: () => void
  className?: string
  wrong?: boolean
}

/** A cell of a row that is not there yet: enter adds the row instead of going on to the next. */
export function EntryInput({
  name,
  placeholder,
  value,
  onChange,
  onEnter,
  onBlur,
  className = '',
  wrong,
}: InputProps) {
  return (
    <Line
      className={`cell-input ${className}`}
      aria-label={name}
      aria-invalid={wrong}
      typing={value === '' ? true : () => onChange('')}
      placeholder={placeholder}
      value={value}
      spellCheck={false}
      autoComplete="off"
      onChange={(e) => onChange(e.target.value)}
      onBlur={onBlur}
      onKeyDown={(e) => {
        if (e.key !== 'Enter') return
        e.preventDefault()
        e.stopPropagation()
        onEnter(e.currentTarget)
      }}
    />
  )
}

/** Marks what of a refused line is left over, while its field is typed into. */
export function mark(field: HTMLInputElement | null | undefined, rest: string | undefined) {
  const at = rest ? (field?.value.lastIndexOf(rest) ?? -1) : -1
  if (field && rest && at >= 0 && document.activeElement === field)
    field.setSelectionRange(at, at + rest.length)
}

/** The last row of a table: one line that states a new entry. A refused line stays, with its sentence. */
export function OneLine({ name, placeholder, onAdd, columns, className = '' }: Props) {
  const [{ text }, keep] = useNewRow(name, { text: '' })
  const setText = (t: string) => keep({ text: t })
  const [refusal, setRefusal] = useState<string | null>(null)
  const field = useRef<HTMLTableCellElement>(null)
  const add = () => {
    if (text.trim() === '') return
    const refused = onAdd(text.trim())
    setRefusal(typeof refused === 'object' && refused !== null ? refused.message : refused)
    if (refused === null) setText('')
    else if (typeof refused === 'object') mark(field.current?.querySelector('input'), refused.rest)
  }
  return (
    <tr className="new-row">
      <td colSpan={columns} ref={field}>
        <EntryInput
          name={name}
          placeholder={placeholder}
          className={className}
          wrong={refusal !== null}
          value={text}
          onChange={(t) => {
            setText(t)
            setRefusal(null)
          }}
          onBlur={add}
          onEnter={add}
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
