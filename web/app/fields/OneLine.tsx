import { useState, useRef, type KeyboardEvent } from 'react'
import { Line } from '../widgets/Line'
import { useNewRow } from '../sheet/new-row'
import { useSheet, useSheetStore, useTypedEdit } from '../sheet/context'
import type { Problem } from '@viga/core'
import { Refusal, useRepairKey } from './FieldSentence'
import './fields.css'

/** What a line says: an edit with its name, or why it says nothing and which part of it is meant. */
export type ReadLine = { name: string; change: (p: Problem) => Problem } | { message: string; rest?: string }

interface Props {
  name: string
  placeholder: string
  /** Reads the line in the problem as it stands. */
  read: (problem: Problem, text: string) => ReadLine
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
  /** A key before it means anything else; true where it was used. */
  onKey?: (e: KeyboardEvent<HTMLInputElement>) => boolean
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
  onKey,
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
        if (onKey?.(e) || e.key !== 'Enter') return
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

/**
 * The last row of a table: one line that states a new entry. A refused line stays, with its sentence, which
 * goes when the problem has changed so that the line can be read.
 */
export function OneLine({ name, placeholder, read, columns, className = '' }: Props) {
  const store = useSheetStore()
  const typed = useTypedEdit()
  const [{ text }, keep] = useNewRow(name, { text: '' })
  const [refused, setRefused] = useState<{ by: Problem; message: string; rest?: string } | null>(null)
  // an edit concerns this line only while it is refused
  const problem = useSheet((s) => (refused ? s.problem : null))
  const cell = useRef<HTMLTableCellElement>(null)
  const setText = (t: string) => {
    keep({ text: t })
    setRefused(null)
  }
  const add = () => {
    if (text.trim() === '') return
    const { problem: now } = store.getState()
    const line = read(now, text.trim())
    if ('message' in line) {
      setRefused({ by: now, ...line })
      mark(cell.current?.querySelector('input'), line.rest)
      return
    }
    const message = typed(line.name, line.change)
    if (message === null) setText('')
    else setRefused({ by: now, message })
  }
  const standing = refused && problem && stillRefused(refused, problem, () => read(problem, text.trim()))
  const mend = standing ? { text, rest: standing.rest, take: setText } : undefined
  const repair = useRepairKey()
  return (
    <tr className="new-row">
      <td colSpan={columns} ref={cell}>
        <EntryInput
          name={name}
          placeholder={placeholder}
          className={className}
          wrong={standing !== null}
          value={text}
          onChange={setText}
          onBlur={add}
          onEnter={add}
          onKey={(e) => {
            if (e.key === 'Escape' && text !== '') {
              e.stopPropagation()
              setText('')
              return true
            }
            return repair(e, mend)
          }}
        />
        <Refusal mend={mend}>{standing?.message}</Refusal>
      </td>
    </tr>
  )
}

/** The refusal of a line as it is now: another one, or none, when the problem has changed since. */
export function stillRefused(
  refused: { by: Problem; message: string; rest?: string },
  now: Problem,
  read: () => object,
): { message: string; rest?: string } | null {
  if (refused.by === now) return refused
  const again = read()
  return 'message' in again ? (again as { message: string; rest?: string }) : null
}
