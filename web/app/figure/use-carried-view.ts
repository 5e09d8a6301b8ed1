import type { View } from '@viga/drawing/view'
import { useCallback, useEffect, useRef, type RefObject } from 'react'
import { useBrowserLayout } from '../widgets/after-paint'

/** Structures of more members than this are carried along as they are while the view moves. */
export const CARRIED = 400
/** The view has come to rest when it has not moved for so long, ms. */
const AT_REST = 220

export type SetView = (next: View | ((v: View) => View)) => void

/** How a drawing that was made for one view has to be moved to lie as in another: a CSS transform. */
export function carriedTo(drawn: View, to: View): string {
  const k = to.scale / drawn.scale
  if (k === 1 && to.ox === drawn.ox && to.oy === drawn.oy) return ''
  return `translate(${to.ox - k * drawn.ox}px, ${to.oy - k * drawn.oy}px) scale(${k})`
}

/** Carries the drawing along as a picture: only the whole element can be scaled without painting it anew. */
function carry(plane: SVGSVGElement | null, transform: string) {
  if (plane) plane.style.transform = transform
}

/**
 * Moves the view. A large drawing takes too long to be made anew for each frame: it is carried along as a
 * whole, and made anew for the new view when that has come to rest.
 * @param drawn the view that the drawing was made for
 * @param setDrawn asks for a drawing for another view
 * @param plane what is carried along
 */
export function useCarriedView(
  drawn: View,
  setDrawn: (v: View) => void,
  large: boolean,
  plane: RefObject<SVGSVGElement | null>,
): SetView {
  const moved = useRef<View | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef({ drawn, setDrawn, large })
  useBrowserLayout(() => {
    latest.current = { drawn, setDrawn, large }
    carry(plane.current, moved.current ? carriedTo(drawn, moved.current) : '')
  }, [drawn, setDrawn, large, plane])
  useEffect(() => () => clearTimeout(timer.current), [])
  return useCallback(
    (next) => {
      const { drawn: from, setDrawn: draw, large: carries } = latest.current
      const to = typeof next === 'function' ? next(moved.current ?? from) : next
      if (!carries) return draw(to)
      moved.current = to
      carry(plane.current, carriedTo(from, to))
      clearTimeout(timer.current)
      timer.current = setTimeout(() => {
        moved.current = null
        draw(to)
      }, AT_REST)
    },
    [plane],
  )
}
