import { useVirtualizer } from '@tanstack/react-virtual'
import type { TableRow } from '@viga/core'
import { useEffect, useRef, useState } from 'react'
import { flushSync } from 'react-dom'
import { useSheet } from '../../sheet/context'
import { targetsOf } from '../../sheet/targets'

/** Tables with more rows than this have their own window, and only the rows in it are on the page. */
const MANY = 150
/** Height of a row as the style sheet has it, px. */
const ROW = 25
/** The window before the browser has measured it. */
const FIRST_WINDOW = { width: 520, height: 600 }

/**
 * The rows of a table that are on the page: all of a short one, of a long one those in its window. The window
 * follows what is selected on the Figure; on paper all rows are there.
 * @returns the places of the rows, the empty room above and below them in px, and the window to be
 */
export function useRowsInSight(rows: readonly TableRow[]) {
  const printing = usePrinting()
  const long = rows.length > MANY && !printing
  const frame = useRef<HTMLDivElement>(null)
  const window = useVirtualizer({
    count: rows.length,
    enabled: long,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 24,
    initialRect: FIRST_WINDOW,
  })
  useSelectedRow(long, rows, (at) => window.scrollToIndex(at, { align: 'center' }))
  if (!long) return { frame, long, places: rows.map((_, i) => i), above: 0, below: 0 }
  const items = window.getVirtualItems()
  const last = items[items.length - 1]
  return {
    frame,
    long,
    places: items.map((item) => item.index),
    above: items[0]?.start ?? 0,
    below: last ? window.getTotalSize() - last.end : 0,
  }
}

/** Leads to the row of what was selected on the Figure. */
function useSelectedRow(long: boolean, rows: readonly TableRow[], go: (at: number) => void) {
  const selection = useSheet((s) => s.selection)
  useEffect(() => {
    if (!long || selection === null) return
    const [chosen] = targetsOf(selection)
    const at = rows.findIndex((r) => r.target === chosen)
    if (at >= 0) go(at)
    // A new selection leads to its row; another order of the rows does not lead away.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selection])
}

/** Whether the page is being printed. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    // the browser lays the paper out as soon as this has returned
    const before = () => flushSync(() => setPrinting(true))
    const after = () => setPrinting(false)
    addEventListener('beforeprint', before)
    addEventListener('afterprint', after)
    return () => {
      removeEventListener('beforeprint', before)
      removeEventListener('afterprint', after)
    }
  }, [])
  return printing
}
