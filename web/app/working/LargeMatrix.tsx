import { working, type Solution, type Unknown } from '@viga/core'
import { useCallback, useEffect, useId, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type WheelEvent } from 'react'
import { useSheetStore } from '../sheet/context'
import { targetOf } from '../sheet/targets'
import { NumberMark } from './NumberMark'
import { Num } from './Num'
import { targetsOfNumber, useBook } from './book'
import { cellUnder, fitting, LARGEST_CELL, LEFT, paintLarge, rescrolled, TOP, widthOf, WRITTEN, ZOOM, type Look } from './large'

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

const TALLEST = 430
const ARROWS: Record<string, readonly [number, number]> = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }
const clamp = (v: number, n: number) => Math.max(0, Math.min(n - 1, v))

/** A matrix too large for a page: its pattern in a window that zooms down to the numbers, margins staying in view, any row written out below. */
export function LargeMatrix({ label, solution, rows, columns, address, power, lit, onPick }: Props) {
  const store = useSheetStore()
  const { ledger, reading, open } = useBook()
  const scroller = useRef<HTMLDivElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const [width, setWidth] = useState(500)
  /** The height of a cell chosen by the person; otherwise numbers are written where they nearly have room. */
  const [chosen, setChosen] = useState<number | null>(null)
  const [cursor, setCursor] = useState<At | null>(null)
  const said = useId()

  const innerWidth = Math.max(60, width - LEFT - 6)
  const fit = fitting(rows.length, columns.length, innerWidth, TALLEST - TOP)
  const h = chosen ?? (rows.length <= 60 ? LARGEST_CELL : fit)
  const w = widthOf(h)
  const height = Math.min(TALLEST, TOP + rows.length * h + 4)
  const entries = useMemo(() => entriesOf(solution, columns), [solution, columns])

  const scrolled = () => ({ x: scroller.current?.scrollLeft ?? 0, y: scroller.current?.scrollTop ?? 0 })
  const lie = useCallback(() => ({ w, h, ...scrolled(), width: innerWidth, height: height - TOP }), [w, h, innerWidth, height])
  const paint = useCallback(() => {
    const element = canvas.current
    const c = element?.getContext('2d')
    if (!element || !c) return
    const dense = window.devicePixelRatio || 1
    if (element.width !== Math.round(width * dense) || element.height !== Math.round(height * dense)) {
      element.width = Math.round(width * dense)
      element.height = Math.round(height * dense)
    }
    c.setTransform(dense, 0, 0, dense, 0, 0)
    const valueAt = (row: number) => entries(rows[row].index).map((e) => ({ column: e.column, value: ledger.entry(address(rows[row].index, columns[e.column].index))!.value }))
    // as a pattern the values themselves are not needed
    paintLarge(c, lie(), { rows, columns, entries: h >= WRITTEN ? valueAt : (row) => entries(rows[row].index), words: (v) => working.entryWords(v, power, reading), lit, cursor }, look(element))
  }, [width, height, entries, rows, columns, ledger, address, lie, h, power, reading, lit, cursor])

  useLayoutEffect(() => {
    const element = scroller.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  useLayoutEffect(paint, [paint])
  // light and dark have other colours
  useEffect(() => {
    const observer = new MutationObserver(paint)
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-scheme'] })
    return () => observer.disconnect()
  }, [paint])

  /** Enlarges about a point of the window; the cells there stay under it once they have their new size. */
  const then = useRef<{ x: number; y: number } | null>(null)
  const zoom = (to: number, px = LEFT + innerWidth / 2, py = TOP + (height - TOP) / 2) => {
    const next = Math.max(fit, Math.min(LARGEST_CELL, to >= WRITTEN - 1.5 && to > h ? LARGEST_CELL : to))
    const { x, y } = scrolled()
    then.current = { x: rescrolled(x, px - LEFT, w, widthOf(next)), y: rescrolled(y, py - TOP, h, next) }
    setChosen(next)
  }
  useLayoutEffect(() => {
    if (!then.current || !scroller.current) return
    scroller.current.scrollTo(then.current.x, then.current.y)
    then.current = null
    paint()
  }, [h]) // eslint-disable-line react-hooks/exhaustive-deps -- once, when the cells have their new size

  const pointAt = (at: At | null) => store.getState().point(at && (targetOf(targetsOfNumber(address(rows[at.row].index, columns[at.column].index), ledger)) || null))
  const go = (to: At, follow = true) => {
    setCursor(to)
    pointAt(to)
    onPick?.({ row: rows[to.row].index, column: columns[to.column].index })
    const element = scroller.current
    if (!element || !follow) return
    const within = (scroll: number, at: number, cell: number, room: number) => (at * cell < scroll ? at * cell : (at + 1) * cell > scroll + room ? (at + 1) * cell - room : scroll)
    element.scrollTo(within(element.scrollLeft, to.column, w, innerWidth), within(element.scrollTop, to.row, h, height - TOP))
  }
  const under = (e: PointerEvent | WheelEvent) => {
    const box = e.currentTarget.getBoundingClientRect()
    return { px: e.clientX - box.left, py: e.clientY - box.top }
  }
  const onKeyDown = (e: KeyboardEvent) => {
    const step = ARROWS[e.key]
    const far = e.ctrlKey || e.metaKey ? Infinity : 1
    const from = cursor ?? { row: 0, column: 0 }
    if (step) go(cursor ? { row: clamp(from.row + (step[0] && step[0] * far), rows.length), column: clamp(from.column + (step[1] && step[1] * far), columns.length) } : from)
    else if (e.key === 'PageDown' || e.key === 'PageUp') go({ ...from, row: clamp(from.row + (e.key === 'PageDown' ? 1 : -1) * Math.max(1, Math.floor((height - TOP) / h)), rows.length) })
    else if (e.key === '+' || e.key === '=') zoom(h * ZOOM)
    else if (e.key === '-') zoom(h / ZOOM)
    else if (e.key === 'Enter' && cursor) open(address(rows[cursor.row].index, columns[cursor.column].index))
    else return
    e.preventDefault()
  }
  const written = h >= WRITTEN
  return (
    <div className="large">
      <div className="large-tools">
        <span className="step-buttons">
          <button type="button" className="link" disabled={h <= fit * 1.001} onClick={() => zoom(fit)}>
            the whole
          </button>
          <button type="button" className="link" aria-label="smaller" disabled={h <= fit * 1.001} onClick={() => zoom(h / ZOOM)}>
            −
          </button>
          <button type="button" className="link" aria-label="larger" disabled={written} onClick={() => zoom(h * ZOOM)}>
            +
          </button>
          <button type="button" className="link" disabled={written} onClick={() => zoom(LARGEST_CELL)}>
            numbers
          </button>
        </span>
        <label className="quiet">
          row{' '}
          <input type="number" className="row-number" min={rows[0]?.number} max={rows[rows.length - 1]?.number} value={cursor ? rows[cursor.row].number : ''} aria-label={`row of ${label}`} onChange={(e) => goToRow(Number(e.target.value))} />
        </label>
      </div>
      <div className="large-window" style={{ height }}>
        <div
          ref={scroller}
          className="large-scroll"
          tabIndex={0}
          role="application"
          aria-label={`${label}: ${rows.length} rows, ${columns.length} columns. Arrows walk, enter opens, plus and minus zoom.`}
          aria-describedby={said}
          onScroll={paint}
          onKeyDown={onKeyDown}
          onPointerMove={(e) => {
            const { px, py } = under(e)
            pointAt(cellUnder(lie(), rows.length, columns.length, px, py) ?? null)
          }}
          onPointerLeave={() => pointAt(null)}
          onClick={(e) => {
            const box = e.currentTarget.getBoundingClientRect()
            const at = cellUnder(lie(), rows.length, columns.length, e.clientX - box.left, e.clientY - box.top)
            if (!at) return
            go(at, false)
            if (written) open(address(rows[at.row].index, columns[at.column].index))
          }}
          onDoubleClick={(e) => {
            const box = e.currentTarget.getBoundingClientRect()
            zoom(LARGEST_CELL, e.clientX - box.left, e.clientY - box.top)
          }}
        >
          <div style={{ width: LEFT + columns.length * w + 4, height: TOP + rows.length * h + 4 }} />
        </div>
        <canvas ref={canvas} style={{ width, height }} aria-hidden="true" />
      </div>
      <div id={said} role="status" className="row-entries">
        {cursor ? <RowOut row={rows[cursor.row]} columns={columns} entries={entries} address={address} /> : <span className="quiet">{written ? 'An entry opens where it comes from.' : 'Every dark point is an entry that is not 0. One that is clicked writes out its row; a double click goes to its numbers.'}</span>}
      </div>
    </div>
  )

  function goToRow(number: number) {
    const row = rows.findIndex((u) => u.number === number)
    if (row >= 0) go({ row, column: clamp(columns.findIndex((u) => u.index === rows[row].index), columns.length) })
  }
}

/** Entries of a row that are not 0 but for cancellation, in the order of the columns. */
function entriesOf(solution: Solution, columns: readonly Unknown[]) {
  const K = working.structureRows(solution)
  const placeOf = new Map(columns.map((u, j) => [u.index, j]))
  const kept = new Map<number, { column: number; value: number }[]>()
  return (dof: number) => {
    let row = kept.get(dof)
    if (!row) {
      const most = Math.max(0, ...[...K[dof].values()].map(Math.abs))
      row = [...K[dof]].flatMap(([j, value]) => (placeOf.has(j) && Math.abs(value) > 1e-12 * most ? [{ column: placeOf.get(j)!, value }] : [])).sort((a, b) => a.column - b.column)
      kept.set(dof, row)
    }
    return row
  }
}

/** One row in numbers, each to be opened. */
function RowOut({ row, columns, entries, address }: { row: Unknown; columns: readonly Unknown[]; entries: (dof: number) => { column: number }[]; address: Props['address'] }) {
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
  const read = (name: string) => known.get(name) ?? (known.set(name, style.getPropertyValue(`--${name}`).trim()), known.get(name)!)
  return { colour: read, cond: read('cond'), sans: read('sans') }
}
