import { working, type Entries, type Unknown } from '@viga/core'
import { memo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react'
import { NumberMark } from './NumberMark'

interface Props {
  name: ReactNode
  /** A factor before the bracket. */
  before?: ReactNode
  entries: Entries
  power: number
  /** Free and held rows and columns part before this one: a dashed line stands there. */
  parting?: number
  /** The last column is the right-hand side: a dashed line stands before it. */
  augmented?: boolean
  /** Numbers under which rows and columns are shown when they are no degrees of freedom. */
  plainNumbers?: boolean
  /** What stands on both margins instead of 1, 2, 3 … */
  marks?: readonly string[]
  /** Rows and columns of a member's block, tinted. */
  block?: ReadonlySet<number>
  at?: { row: number; column: number } | null
  /** Whether the last edit changed an entry. */
  changed?: (row: number, column: number) => boolean
  onPoint?: (at: { row: number; column: number } | null) => void
  onPick?: (at: { row: number; column: number }) => void
  /** Figures, and whether the upper half of what is symmetric is dimmed. */
  reading?: working.Reading
  label: string
}

const STEPS: Record<string, readonly [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}
const USUAL = working.readingOf(undefined)

const symmetric = (values: readonly (readonly number[])[]) =>
  values.every((r, i) => r.every((v, j) => j <= i || Math.abs(v - values[j][i]) <= 1e-9 * Math.abs(v)))

const clamp = (v: number, n: number) => Math.max(0, Math.min(n - 1, v))

/** A matrix as in a book: square brackets, margins marked with the unknowns, the pointed-at entry framed. */
export const MatrixView = memo(function MatrixView({
  name,
  before,
  entries,
  power,
  parting,
  augmented,
  plainNumbers,
  marks,
  block,
  at,
  changed,
  onPoint,
  onPick,
  reading = USUAL,
  label,
}: Props) {
  const { rows, columns, values } = entries
  const body = useRef<HTMLTableSectionElement>(null)
  const dim = reading.dimmed && rows.length === columns.length && symmetric(values)
  const cut = augmented ? columns.length - 1 : parting
  const mark = (u: Unknown | null, i: number) =>
    plainNumbers || u === null ? (
      <span className="m-plain">{plainNumbers ? (marks?.[i] ?? i + 1) : augmented ? 'P' : '·'}</span>
    ) : (
      <NumberMark of={u} />
    )
  const biggest = Math.max(0, ...values.flatMap((r) => r.map(Math.abs)))
  const cls = (i: number, j: number) => {
    const c: string[] = []
    if (parting !== undefined && (rows[i]?.free === false || columns[j]?.free === false)) c.push('held')
    if (block && rows[i] && columns[j] && block.has(rows[i].index) && block.has(columns[j].index))
      c.push('in')
    if (at && (at.row === i || at.column === j)) c.push('line')
    if ((at && at.row === i && at.column === j) || (cursor && cursor.row === i && cursor.column === j))
      c.push('at')
    if (cut === j && j > 0) c.push('cut')
    if (changed?.(i, j)) c.push('changed')
    if (dim && j > i) c.push('half')
    return c.join(' ')
  }
  const [cursor, setCursor] = useState<{ row: number; column: number } | null>(null)
  // arrows walk through the entries, enter opens one
  const onKeyDown = (e: KeyboardEvent) => {
    const step = STEPS[e.key]
    if (e.key === 'Enter' && cursor && onPick) onPick(cursor)
    else if (step) {
      const to = {
        row: clamp((cursor?.row ?? 0) + (cursor ? step[0] : 0), values.length),
        column: clamp((cursor?.column ?? 0) + (cursor ? step[1] : 0), columns.length),
      }
      setCursor(to)
      onPoint?.(to)
      body.current?.rows[to.row]?.cells[to.column + 1]?.scrollIntoView({
        block: 'nearest',
        inline: 'nearest',
      })
    } else return
    e.preventDefault()
  }
  const leave = () => {
    if (cursor) onPoint?.(null)
    setCursor(null)
  }
  return (
    <div
      className={before ? 'matrix-scroll factored' : 'matrix-scroll'}
      tabIndex={0}
      role="group"
      aria-label={`${label}: arrows walk, enter opens`}
      onKeyDown={onKeyDown}
      onBlur={leave}
    >
      {before}
      <table
        className={columns.length > 12 ? 'matrix tight' : 'matrix'}
        aria-label={label}
        onMouseLeave={() => onPoint?.(null)}
      >
        <thead>
          <tr>
            <th className="m-name">{name}</th>
            {columns.map((u, j) => (
              <th key={j} className={cut === j && j > 0 ? 'cut' : undefined}>
                {mark(u, j)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody ref={body}>
          {values.map((row, i) => (
            <tr key={i} className={parting === i && i > 0 ? 'cut-row' : undefined}>
              <th>{mark(rows[i], i)}</th>
              {row.map((v, j) => {
                const zero = working.isZeroEntry(v, biggest)
                return (
                  <td
                    key={j}
                    data-open={onPick ? '' : undefined}
                    className={`${cls(i, j)}${zero ? ' zero' : ''}`}
                    title={zero ? undefined : String(v)}
                    onMouseEnter={onPoint && (() => onPoint({ row: i, column: j }))}
                    onClick={onPick && (() => onPick({ row: i, column: j }))}
                  >
                    {working.shownEntry(v, power, reading, biggest)}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
})
