import { useCallback, useEffect, useRef, useState } from 'react'
import { useBrowserLayout } from '../widgets/after-paint'
import { fitting, LARGEST_CELL, LEFT, rescrolled, TOP, widthOf, WRITTEN, ZOOM, type Viewport } from './large'

/** The window is never higher than this, px. */
const TALLEST = 430
/** Up to so many rows it begins with the numbers; beyond, with the whole pattern. */
const NUMBERS_FIRST = 60

/**
 * The window on a large matrix: how large its cells are, where it is scrolled to, and how to zoom it about a
 * point. Ctrl and the wheel zoom too, as does a pinch.
 */
export function useLargeWindow(rows: number, columns: number) {
  const scroller = useRef<HTMLDivElement>(null)
  const [width, setWidth] = useState(500)
  const [chosen, setChosen] = useState<number | null>(null)
  const innerWidth = Math.max(60, width - LEFT - 6)
  const fit = fitting(rows, columns, innerWidth, TALLEST - TOP)
  const h = chosen ?? (rows <= NUMBERS_FIRST ? LARGEST_CELL : fit)
  const w = widthOf(h)
  const height = Math.min(TALLEST, TOP + rows * h + 4)
  const viewport = useCallback(
    (): Viewport => ({
      w,
      h,
      x: scroller.current?.scrollLeft ?? 0,
      y: scroller.current?.scrollTop ?? 0,
      width: innerWidth,
      height: height - TOP,
    }),
    [w, h, innerWidth, height],
  )

  useBrowserLayout(() => {
    const element = scroller.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(element.clientWidth))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])

  /** Where to scroll once the cells have their new size. */
  const then = useRef<{ x: number; y: number } | null>(null)
  const zoom = useCallback(
    (to: number, px = LEFT + innerWidth / 2, py = TOP + (height - TOP) / 2) => {
      const next = Math.max(fit, Math.min(LARGEST_CELL, to >= WRITTEN - 1.5 && to > h ? LARGEST_CELL : to))
      const { x, y } = viewport()
      then.current = { x: rescrolled(x, px - LEFT, w, widthOf(next)), y: rescrolled(y, py - TOP, h, next) }
      setChosen(next)
    },
    [innerWidth, height, fit, h, w, viewport],
  )
  useBrowserLayout(() => {
    if (then.current) scroller.current?.scrollTo(then.current.x, then.current.y)
    then.current = null
  }, [h])
  useEffect(() => {
    const element = scroller.current
    const onWheel = (e: WheelEvent) => {
      if (!e.ctrlKey || !element) return
      e.preventDefault()
      const box = element.getBoundingClientRect()
      zoom(e.deltaY < 0 ? h * ZOOM : h / ZOOM, e.clientX - box.left, e.clientY - box.top)
    }
    // the page must not be zoomed instead, so the listener is not a passive one
    element?.addEventListener('wheel', onWheel, { passive: false })
    return () => element?.removeEventListener('wheel', onWheel)
  }, [zoom, h])

  /** Scrolls as far as it takes to see a cell. */
  const reveal = (row: number, column: number) => {
    const within = (scroll: number, at: number, cell: number, room: number) =>
      at * cell < scroll ? at * cell : (at + 1) * cell > scroll + room ? (at + 1) * cell - room : scroll
    const { x, y } = viewport()
    scroller.current?.scrollTo(within(x, column, w, innerWidth), within(y, row, h, height - TOP))
  }
  return { scroller, width, height, w, h, fit, viewport, zoom, reveal, written: h >= WRITTEN }
}
