import { Press } from '../widgets/Press'
import type { Structure } from '@viga/core'
import { vec, type Vec } from '@viga/drawing/marks'
import { onScreen, type View } from '@viga/drawing/view'
import { useEffect, useLayoutEffect, useRef, useState, type ReactNode, type RefObject } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import './beside.css'

/**
 * Escape, anywhere on the page. The listener stays one and the same: one set anew by another key handler
 * would miss this key.
 */
export function useEscape(then: () => void) {
  const latest = useRef(then)
  useEffect(() => {
    latest.current = then
  })
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && latest.current()
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}

const WIDTH = 288

/** A form on the Figure beside what it belongs to, where it hides least. */
export function Floating({
  at,
  rest,
  view,
  title,
  note,
  width = WIDTH,
  onClose,
  children,
}: {
  at: Vec[]
  rest: Vec[]
  view: View
  title: string
  note: string
  width?: number
  onClose: () => void
  children: ReactNode
}) {
  const box = useRef<HTMLDivElement>(null)
  const [height, setHeight] = useState(220)
  useLayoutEffect(() => {
    const element = box.current!
    const measure = () => setHeight(element.offsetHeight)
    measure()
    // measuring at each keystroke would lay the page out twice; the observer reports the size after layout
    const observer = new ResizeObserver(measure)
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  useFocus(box)
  const place = placeBeside(at, rest, view, width, height)
  return (
    <div
      ref={box}
      className="beside"
      role="dialog"
      aria-label={`${title}, ${note}`}
      style={{ left: place.x, top: place.y, width }}
    >
      <header>
        <i>{title}</i>
        <span className="quiet">{note}</span>
        <Press className="quiet" aria-label="Close" onClick={onClose}>
          esc
        </Press>
      </header>
      {children}
    </div>
  )
}

/** Takes the focus where a key asked for the form, and gives it back when the form goes. */
function useFocus(box: RefObject<HTMLDivElement | null>) {
  const store = useSheetStore()
  const entering = useSheet((s) => s.entering)
  const back = useRef<Element | null>(null)
  useEffect(() => {
    if (!entering) return
    back.current = document.activeElement
    box.current?.querySelector<HTMLElement>('input, select, .choices button')?.focus()
    store.setState({ entering: false })
  }, [entering, box, store])
  useLayoutEffect(() => {
    const form = box.current
    return () => {
      const from = back.current
      if (form?.contains(document.activeElement) && from instanceof HTMLElement && from.isConnected)
        from.focus()
    }
  }, [box])
}

/**
 * The place that hides least: none of the thing itself, as little as can be of the rest of the structure, and
 * not far away.
 */
export function placeBeside(
  at: readonly Vec[],
  rest: readonly Vec[],
  view: { width: number; height: number },
  w: number,
  h: number,
): Vec {
  const along =
    at.length !== 2
      ? at
      : Array.from({ length: 9 }, (_, i) =>
          vec(at[0].x + ((at[1].x - at[0].x) * i) / 8, at[0].y + ((at[1].y - at[0].y) * i) / 8),
        )
  const c = vec(at.reduce((t, p) => t + p.x, 0) / at.length, at.reduce((t, p) => t + p.y, 0) / at.length)
  const hidden = (points: readonly Vec[], p: Vec, clear: number) =>
    points.filter(
      (q) => q.x > p.x - clear && q.x < p.x + w + clear && q.y > p.y - clear && q.y < p.y + h + clear,
    ).length
  let best = { cost: Infinity, p: vec(8, 8) }
  const [right, low] = [Math.max(8, view.width - w - 8), Math.max(8, view.height - h - 8)]
  for (let i = 0; i <= 12; i++)
    for (let j = 0; j <= 12; j++) {
      const p = vec(8 + ((right - 8) * i) / 12, 8 + ((low - 8) * j) / 12)
      const far = Math.hypot(p.x + w / 2 - c.x, p.y + h / 2 - c.y)
      const cost = 60 * hidden(along, p, 24) + 4 * hidden(rest, p, 4) + far / 40
      if (cost < best.cost) best = { cost, p }
    }
  return best.p
}

/** Points along every member, close enough together that a form over one is noticed. */
export function pointsOf(s: Structure, view: View): Vec[] {
  return s.members.flatMap((m) => {
    const [a, b] = [m.start, m.end].map((i) => onScreen(view, s.nodes[i].x, s.nodes[i].y))
    const n = Math.max(2, Math.min(12, Math.round(Math.hypot(b.x - a.x, b.y - a.y) / 30)))
    return Array.from({ length: n + 1 }, (_, k) =>
      vec(a.x + ((b.x - a.x) * k) / n, a.y + ((b.y - a.y) * k) / n),
    )
  })
}
