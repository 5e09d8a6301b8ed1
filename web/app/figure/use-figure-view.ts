import { dimension, siPerCoherent, type Structure } from '@viga/core'
import { gridOf } from '@viga/core/statement/grid'
import type { Layers } from '@viga/drawing/scene'
import { isLevelBeam } from '@viga/drawing/together'
import { fit, insetsFor, onScreen, type Insets, type View } from '@viga/drawing/view'
import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { useBrowserLayout } from '../widgets/after-paint'
import { CARRIED, useCarriedView } from './use-carried-view'

/** The size of the Figure before the browser has measured it, px: that of a page of 1280 × 800. */
const FIRST_SIZE = { width: 704, height: 664 }

/** The size of an element, measured before it is painted and followed as it changes. */
function useSize(frame: RefObject<HTMLDivElement | null>) {
  const [size, setSize] = useState(FIRST_SIZE)
  useBrowserLayout(() => {
    const element = frame.current
    if (!element) return
    const measure = () => setSize({ width: element.clientWidth, height: element.clientHeight })
    measure()
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [frame])
  return size
}

/** Diagrams below a beam need the room under it; elsewhere the structure stands in the middle. */
function insetsOf(s: Structure | undefined, shown: Layers, width: number, height: number): Insets {
  const insets = insetsFor(width, height)
  return shown.all && s && isLevelBeam(s) ? { ...insets, bottom: height - insets.top - 60 } : insets
}

/**
 * How the plane lies on the Figure: fitted to the structure, held while it is drawn by hand, or as it was
 * moved.
 */
export function useFigureView(
  frame: RefObject<HTMLDivElement | null>,
  structure: Structure | undefined,
  shown: Layers,
  /** The structure is being drawn by hand: the paper must not move under the pointer. */
  drawing: boolean,
) {
  const problem = useSheet((s) => s.problem)
  const size = useSize(frame)
  const [own, setOwn] = useState<View | null>(null)
  const [held, setHeld] = useState<View | null>(null)
  const nodes = structure?.nodes
  const ownGrid = useMemo(() => gridOf(problem), [problem])
  const grid = drawing ? ownGrid : undefined
  const si = siPerCoherent(problem.units, dimension.length)
  // while drawing, the grid is in view as well as what stands on it
  const fitted = useMemo(() => {
    const corners = grid
      ? [
          { x: 0, y: 0 },
          { x: si * Math.max(0, ...grid.xs), y: si * Math.max(0, ...grid.ys) },
        ]
      : []
    const { width, height } = size
    return fit([...(nodes ?? []), ...corners], width, height, insetsOf(structure, shown, width, height))
    // A structure of the same joints lies the same way.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [nodes, size, grid, si, shown.all])
  const gridWords = grid && `${grid.across}|${grid.up}`
  useEffect(() => {
    setHeld(drawing ? fitted : null)
    if (!drawing) setOwn(null)
    // The view of the moment when drawing begins, or the grid or the width changes. A caption of one line
    // more changes the height alone, and what was enlarged stays so.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [drawing, size.width, gridWords])
  // … until something stands outside it
  useEffect(() => {
    if (!drawing || own || !held || !nodes) return
    const out = nodes.some((n) => {
      const p = onScreen(held, n.x, n.y)
      return p.x < 30 || p.y < 30 || p.x > size.width - 30 || p.y > size.height - 30
    })
    if (out) setHeld(fitted)
  }, [nodes, drawing, own, held, fitted, size])
  const view = useMemo(() => ({ ...(own ?? held ?? fitted), ...size }), [own, held, fitted, size])

  // the bar below need not be drawn anew with each place a joint moves to
  const toFit = useRef({ drawing, fitted })
  useEffect(() => {
    toFit.current = { drawing, fitted }
  })
  const refit = useCallback(() => {
    setOwn(null)
    if (toFit.current.drawing) setHeld(toFit.current.fitted)
  }, [])
  const store = useSheetStore()
  useEffect(() => {
    const movedView = own ? view : null
    if (store.getState().movedView !== movedView) store.setState({ movedView })
  }, [store, own, view])
  const plane = useRef<SVGSVGElement>(null)
  const large = (structure?.members.length ?? 0) > CARRIED
  const setView = useCarriedView(view, setOwn, large, plane)
  return { view, size, grid, ownGrid, si, refit, setView, plane, large, fitting: own === null }
}
