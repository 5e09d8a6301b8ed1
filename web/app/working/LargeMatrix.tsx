import type { Solution, Unknown } from '@viga/core'
import { useId, useMemo, useState, type KeyboardEvent, type MouseEvent } from 'react'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { NumberMark } from './NumberMark'
import { Num } from './Num'
import { useWorkingView } from './working-view'
import { cellUnder, LARGEST_CELL, LEFT, TOP, ZOOM } from './large'
import { entriesOf, usePaint, type EntriesOf } from './large-paint'
import { useLargeWindow } from './large-window'

export interface LargeMatrixProps {
  label: string
  solution: Solution
  /** In the order they stand in. */
  rows: readonly Unknown[]
  columns: readonly Unknown[]
  /** The address of an entry, by degree of freedom from 0. */
  address: (row: number, column: number) => string
  power: number
  /** Degrees of freedom of a member whose block is lit. */
  lit?: ReadonlySet<number>
  onPick?: (at: { row: number; column: number }) => void
}

export interface At {
  row: number
  column: number
}

const ARROWS: Record<string, readonly [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}
const clamp = (v: number, n: number) => Math.max(0, Math.min(n - 1, v))

/**
 * A matrix too large for a page: its pattern in a window that zooms down to the numbers, margins staying in
 * view, any row written out below.
 */
export function LargeMatrix(props: LargeMatrixProps) {
  const { label, solution, rows, columns, address } = props
  const said = useId()
  const view = useLargeWindow(rows.length, columns.length)
  const { scroller, width, height, w, h, written } = view
  const entries = useMemo(() => entriesOf(solution, columns), [solution, columns])
  const { cursor, goToRow, handlers } = useCursor(props, view)
  const { canvas, paint } = usePaint(props, entries, view, cursor)
  return (
    <div className="large">
      <div className="large-tools">
        <Zoom {...view} />
        <label className="quiet">
          row{' '}
          <Line
            type="number"
            className="row-number"
            min={rows[0]?.number}
            max={rows[rows.length - 1]?.number}
            value={cursor ? rows[cursor.row].number : ''}
            aria-label={`row of ${label}`}
            onChange={(e) => goToRow(Number(e.target.value))}
          />
        </label>
      </div>
      <div className="large-window" style={{ height }}>
        <div
          ref={scroller}
          className="large-scroll"
          tabIndex={0}
          role="application"
          aria-label={
            `${label}: ${rows.length} rows, ${columns.length} columns. Arrows walk, enter opens, ` +
            'plus and minus zoom.'
          }
          aria-describedby={said}
          onScroll={paint}
          {...handlers}
        >
          <div style={{ width: LEFT + columns.length * w + 4, height: TOP + rows.length * h + 4 }} />
        </div>
        <canvas ref={canvas} style={{ width, height }} aria-hidden="true" />
      </div>
      <div id={said} role="status" className="row-entries">
        {cursor ? (
          <RowOut row={rows[cursor.row]} columns={columns} entries={entries} address={address} />
        ) : (
          <span className="quiet">
            {written
              ? 'An entry opens where it comes from.'
              : 'Every dark point is an entry that is not 0. One that is clicked writes out its row; ' +
                'a double click goes to its numbers.'}
          </span>
        )}
      </div>
    </div>
  )
}

type LargeWindow = ReturnType<typeof useLargeWindow>

/** The entry that is walked to by keys, pressed, or named by its row; and what keys and pointer do. */
function useCursor({ rows, columns, address, onPick }: LargeMatrixProps, view: LargeWindow) {
  const store = useSheetStore()
  const { ledger, open } = useWorkingView()
  const { h, height, zoom, viewport, written } = view
  const [cursor, setCursor] = useState<At | null>(null)
  const addressAt = ({ row, column }: At) => address(rows[row].index, columns[column].index)
  const pointAt = (at: At | undefined) =>
    store.getState().point((at && targetOf(ledger.belongs(addressAt(at)))) || null)
  const go = (to: At) => {
    setCursor(to)
    pointAt(to)
    onPick?.({ row: rows[to.row].index, column: columns[to.column].index })
  }
  const walk = (to: At) => {
    const inside = { row: clamp(to.row, rows.length), column: clamp(to.column, columns.length) }
    go(inside)
    view.reveal(inside.row, inside.column)
  }
  const goToRow = (number: number) => {
    const row = rows.findIndex((u) => u.number === number)
    if (row >= 0) walk({ row, column: columns.findIndex((u) => u.index === rows[row].index) })
  }
  const under = (e: MouseEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    const [px, py] = [e.clientX - box.left, e.clientY - box.top]
    return { px, py, at: cellUnder(viewport(), rows.length, columns.length, px, py) }
  }
  const onKeyDown = (e: KeyboardEvent) => {
    const from = cursor ?? { row: 0, column: 0 }
    // with ctrl to the very edge
    const far = !cursor ? 0 : e.ctrlKey || e.metaKey ? rows.length + columns.length : 1
    const step = ARROWS[e.key]
    const page = Math.max(1, Math.floor((height - TOP) / h)) * (e.key === 'PageUp' ? -1 : 1)
    if (step) walk({ row: from.row + step[0] * far, column: from.column + step[1] * far })
    else if (e.key === 'PageDown' || e.key === 'PageUp') walk({ ...from, row: from.row + page })
    else if (e.key === '+' || e.key === '=') zoom(h * ZOOM)
    else if (e.key === '-') zoom(h / ZOOM)
    else if (e.key === 'Enter' && cursor) open(addressAt(cursor))
    else return
    e.preventDefault()
  }
  const onClick = (e: MouseEvent) => {
    const { at } = under(e)
    if (!at) return
    go(at)
    if (written) open(addressAt(at))
  }
  const handlers = {
    onKeyDown,
    onClick,
    onMouseMove: (e: MouseEvent) => pointAt(under(e).at),
    onMouseLeave: () => pointAt(undefined),
    onDoubleClick: (e: MouseEvent) => zoom(LARGEST_CELL, under(e).px, under(e).py),
  }
  return { cursor, goToRow, handlers }
}

function Zoom({
  h,
  fit,
  written,
  zoom,
}: Pick<ReturnType<typeof useLargeWindow>, 'h' | 'fit' | 'written' | 'zoom'>) {
  const whole = h <= fit * 1.001
  return (
    <span className="step-buttons">
      <Press className="link" disabled={whole} onClick={() => zoom(fit)}>
        the whole
      </Press>
      <Press className="link" aria-label="smaller" disabled={whole} onClick={() => zoom(h / ZOOM)}>
        −
      </Press>
      <Press className="link" aria-label="larger" disabled={written} onClick={() => zoom(h * ZOOM)}>
        +
      </Press>
      <Press className="link" disabled={written} onClick={() => zoom(LARGEST_CELL)}>
        numbers
      </Press>
    </span>
  )
}

/** One row in numbers, each to be opened. */
function RowOut({
  row,
  columns,
  entries,
  address,
}: {
  row: Unknown
  columns: readonly Unknown[]
  entries: EntriesOf
  address: LargeMatrixProps['address']
}) {
  return (
    <>
      <span className="quiet">
        Row <NumberMark of={row} /> reads
      </span>
      {entries(row.index).map(({ column }) => (
        <span key={column}>
          <NumberMark of={columns[column]} /> <Num at={address(row.index, columns[column].index)} />
        </span>
      ))}
    </>
  )
}
