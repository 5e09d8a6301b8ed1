import { useCallback, useEffect, useRef, useState } from 'react'
import { useSheet } from '../sheet/context'

/** Steps of undo that drawing by hand makes. */
const DRAWN = new Set(['member', 'joint'])

const isTyping = (target: EventTarget | Element | null) =>
  (target as Element | null)?.closest?.('.sheet') != null

/**
 * Whether the Figure is drawn on: after it was asked for, or while the sheet is empty. Typing into the
 * tables, or putting in something ready, ends it.
 */
export function useDrawing(): [boolean, (on: boolean) => void] {
  const empty = useSheet((s) => s.problem.nodes.length === 0)
  const last = useSheet((s) => s.past[s.past.length - 1]?.name)
  const [on, setOn] = useState(empty)
  const [asked, setAsked] = useState(false)
  const putIn = on && !asked && !empty && last !== undefined && !DRAWN.has(last)
  if (putIn) setOn(false)
  // the first joint was typed: the field it was typed in still has the focus
  const wasEmpty = useRef(empty)
  useEffect(() => {
    if (wasEmpty.current && !empty && isTyping(document.activeElement)) setOn(false)
    wasEmpty.current = empty
  }, [empty])
  useEffect(() => {
    if (!on || empty) return
    const end = (e: Event) => {
      if (!isTyping(e.target)) return
      setOn(false)
      setAsked(false)
    }
    document.addEventListener('input', end)
    return () => document.removeEventListener('input', end)
  }, [on, empty])
  const ask = useCallback((to: boolean) => {
    setOn(to)
    setAsked(to)
  }, [])
  return [on && !putIn, ask]
}
