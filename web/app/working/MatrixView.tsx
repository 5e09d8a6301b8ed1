import { working, type Entries, type Unknown } from '@viga/core'
import { memo, useRef, useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react'
import { NumberMark } from './NumberMark'
import { WholeWidth } from './WholeWidth'

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

const isSymmetric = (values: readonly (readonly number[])[]) =>
  values.every((r) => r.length === values.length) &&
  values.every((r, i) => r.every((v, j) => j <= i || Math.abs(v - values[j][i]) <= 1e-9 * Math.abs(v)))

const clamp = (v: number, n: number) => Math.max(0, Math.min(n - 1, v))

/** Columns that fit the Sheet beside the Figure at a usual width. */
const FITTING = 9

/** A matrix as in a book, and where it is too wide for the Sheet a way to see it over the whole width. */
export const MatrixView = memo(function MatrixView(props: Props) {
  const { label, onPick } = props
  return (
    <>
      <MatrixTable {...props} />
      {props.entries.columns.length > FITTING && (
        <WholeWidth label={label}>
          {(close) => (
            <MatrixTable
              {...props}
              onPick={
                onPick &&
                ((at) => {
                  close()
                  onPick(at)
                })
              }
            />
          )}
        </WholeWidth>
      )}
    </>
  )
})

/** The matrix: square brackets, margins marked with the unknowns, the pointed-at entry framed. */
function MatrixTable(props: Props) {
  const { name, before, entries, parting, augmented, onPoint, label } = props
  const { rows, columns, values } = entries
  const body = useRef<HTMLTableSectionElement>(null)
  const { cursor, onKeyDown, leave } = useWalk(props, body)
  const cut = augmented ? columns.length - 1 : parting
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
                <Mark u={u} at={j} of={props} />
              </th>
            ))}
          </tr>
        </thead>
        <tbody ref={body}>
          {values.map((_, i) => (
            <tr key={i} className={parting === i && i > 0 ? 'cut-row' : undefined}>
              <th>
                <Mark u={rows[i]} at={i} of={props} />
              </th>
              {cellsOf(props, i, cursor, cut)}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** The mark of a row or column: its unknown with its number, or a plain number. */
function Mark({
  u,
  at,
  of: { plainNumbers, marks, augmented },
}: {
  u: Unknown | null
  at: number
  of: Props
}) {
  if (!plainNumbers && u !== null) return <NumberMark of={u} />
  return <span className="m-plain">{plainNumbers ? (marks?.[at] ?? at + 1) : augmented ? 'P' : '·'}</span>
}

type Place = { row: number; column: number } | null

/** The cells of a row, each with what its place means. */
function cellsOf(props: Props, i: number, cursor: Place, cut: number | undefined) {
  const { entries, power, reading = USUAL, block, parting, at, changed, onPoint, onPick } = props
  const { rows, columns, values } = entries
  const { biggest, symmetric } = sizesOf(values)
  const dim = reading.dimmed && symmetric
  const cls = (j: number) => {
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
  return values[i].map((v, j) => {
    const zero = working.isZeroEntry(v, biggest)
    return (
      <td
        key={j}
        data-open={onPick ? '' : undefined}
        className={`${cls(j)}${zero ? ' zero' : ''}`}
        title={zero ? undefined : String(v)}
        onMouseEnter={onPoint && (() => onPoint({ row: i, column: j }))}
        onClick={onPick && (() => onPick({ row: i, column: j }))}
      >
        {working.shownEntry(v, power, reading, biggest)}
      </td>
    )
  })
}

/** The largest entry by size, and whether the matrix is symmetric; found once for each matrix. */
const sizes = new WeakMap<Entries['values'], { biggest: number; symmetric: boolean }>()
function sizesOf(values: Entries['values']) {
  const known = sizes.get(values)
  if (known) return known
  const found = {
    biggest: Math.max(0, ...values.flatMap((r) => r.map(Math.abs))),
    symmetric: isSymmetric(values),
  }
  sizes.set(values, found)
  return found
}

/** Arrows walk through the entries, Enter opens one. */
function useWalk({ entries, onPoint, onPick }: Props, body: RefObject<HTMLTableSectionElement | null>) {
  const [cursor, setCursor] = useState<Place>(null)
  const onKeyDown = (e: KeyboardEvent) => {
    const step = STEPS[e.key]
    if (e.key === 'Enter' && cursor && onPick) onPick(cursor)
    else if (step) {
      const [down, right] = cursor ? step : [0, 0]
      const to = {
        row: clamp((cursor?.row ?? 0) + down, entries.values.length),
        column: clamp((cursor?.column ?? 0) + right, entries.columns.length),
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
  return { cursor, onKeyDown, leave }
}
