import { working, type Solution, type Unknown } from '@viga/core'
import {
  useCallback,
  useEffect,
  useId,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent,
} from 'react'
import { Line } from '../widgets/Line'
import { Press } from '../widgets/Press'
import { useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { NumberMark } from './NumberMark'
import { Num } from './Num'
import { useBook } from './book'
import { cellUnder, LARGEST_CELL, LEFT, paintLarge, TOP, ZOOM, type Look } from './large'
import { useLargeWindow } from './large-window'

interface Props {
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

interface At {
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
export function LargeMatrix({ label, solution, rows, columns, address, power, lit, onPick }: Props) {
  const store = useSheetStore()
  const { ledger, open } = useBook()
  const said = useId()
  const view = useLargeWindow(rows.length, columns.length)
  const { scroller, width, height, w, h, lie, zoom, written } = view
  const [cursor, setCursor] = useState<At | null>(null)
  const entries = useMemo(() => entriesOf(solution, columns), [solution, columns])
  const { canvas, paint } = usePaint({ rows, columns, address, power, lit }, entries, view, cursor)

  const addressAt = ({ row, column }: At) => address(rows[row].index, columns[column].index)
  const pointAt = (at: At | undefined) =>
    store.getState().point((at && targetOf(ledger.belongs(addressAt(at)))) || null)
  const go = (to: At) => {
    setCursor(to)
    pointAt(to)
    onPick?.({ row: rows[to.row].index, column: columns[to.column].index })
  }
  const walk = (to: At) => (go(to), view.reveal(to.row, to.column))
  const goToRow = (number: number) => {
    const row = rows.findIndex((u) => u.number === number)
    if (row >= 0)
      walk({
        row,
        column: clamp(
          columns.findIndex((u) => u.index === rows[row].index),
          columns.length,
        ),
      })
  }
  const under = (e: MouseEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    const [px, py] = [e.clientX - box.left, e.clientY - box.top]
    return { px, py, at: cellUnder(lie(), rows.length, columns.length, px, py) }
  }
  const onKeyDown = (e: KeyboardEvent) => {
    const step = ARROWS[e.key]
    // with ctrl to the very edge
    const far = e.ctrlKey || e.metaKey ? rows.length + columns.length : 1
    const from = cursor ?? { row: 0, column: 0 }
    const page = Math.max(1, Math.floor((height - TOP) / h))
    if (step)
      walk(
        cursor
          ? {
              row: clamp(from.row + step[0] * far, rows.length),
              column: clamp(from.column + step[1] * far, columns.length),
            }
          : from,
      )
    else if (e.key === 'PageDown' || e.key === 'PageUp')
      walk({ ...from, row: clamp(from.row + (e.key === 'PageDown' ? page : -page), rows.length) })
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
          onKeyDown={onKeyDown}
          onMouseMove={(e) => pointAt(under(e).at)}
          onMouseLeave={() => pointAt(undefined)}
          onClick={onClick}
          onDoubleClick={(e) => zoom(LARGEST_CELL, under(e).px, under(e).py)}
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

/**
 * The canvas and what paints it: when it is scrolled or zoomed, when numbers change, and when the page turns
 * dark or light.
 */
function usePaint(
  { rows, columns, address, power, lit }: Pick<Props, 'rows' | 'columns' | 'address' | 'power' | 'lit'>,
  entries: EntriesOf,
  {
    width,
    height,
    written,
    lie,
  }: Pick<ReturnType<typeof useLargeWindow>, 'width' | 'height' | 'written' | 'lie'>,
  cursor: At | null,
) {
  const { ledger, reading } = useBook()
  const canvas = useRef<HTMLCanvasElement>(null)
  const paint = useCallback(() => {
    const element = canvas.current
    const c = element?.getContext('2d')
    if (!element || !c) return
    const dense = window.devicePixelRatio || 1
    const [across, down] = [Math.round(width * dense), Math.round(height * dense)]
    if (element.width !== across) element.width = across
    if (element.height !== down) element.height = down
    c.setTransform(dense, 0, 0, dense, 0, 0)
    const valued = (row: number) =>
      entries(rows[row].index).map((e) => ({
        column: e.column,
        value: ledger.entry(address(rows[row].index, columns[e.column].index))!.value,
      }))
    // as a pattern the values themselves are not needed
    paintLarge(
      c,
      lie(),
      {
        rows,
        columns,
        entries: written ? valued : (row) => entries(rows[row].index),
        words: (v) => working.shownEntry(v, power, reading),
        lit,
        cursor,
      },
      look(element),
    )
  }, [width, height, entries, rows, columns, ledger, address, lie, written, power, reading, lit, cursor])
  useLayoutEffect(paint, [paint])
  useEffect(() => {
    const observer = new MutationObserver(paint)
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-scheme'] })
    return () => observer.disconnect()
  }, [paint])
  return { canvas, paint }
}

type EntriesOf = (dof: number) => readonly { column: number; value: number }[]

/** Entries of a row that are not 0 but for cancellation, in the order of the columns. */
function entriesOf(solution: Solution, columns: readonly Unknown[]): EntriesOf {
  const K = working.structureRows(solution)
  const placeOf = new Map(columns.map((u, j) => [u.index, j]))
  const kept = new Map<number, { column: number; value: number }[]>()
  return (dof) => {
    let row = kept.get(dof)
    if (!row) {
      const most = Math.max(0, ...[...K[dof].values()].map(Math.abs))
      row = [...K[dof]]
        .flatMap(([j, value]) =>
          placeOf.has(j) && !working.isZeroEntry(value, most) ? [{ column: placeOf.get(j)!, value }] : [],
        )
        .sort((a, b) => a.column - b.column)
      kept.set(dof, row)
    }
    return row
  }
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
  address: Props['address']
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

const look = (element: Element): Look => {
  const style = getComputedStyle(element)
  const known = new Map<string, string>()
  const read = (name: string) =>
    known.get(name) ?? (known.set(name, style.getPropertyValue(`--${name}`).trim()), known.get(name)!)
  return { colour: read, cond: read('cond'), sans: read('sans') }
}
