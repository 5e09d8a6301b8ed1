import { useEffect, useState, type KeyboardEvent, type PointerEvent } from 'react'

/** The Figure's share of the page's width, percent: usual, least and most. */
const USUAL = 55
const [LEAST, MOST] = [30, 72]
const STEP = 2
const KEY = 'viga:figure-share'

const bounded = (share: number) => Math.min(MOST, Math.max(LEAST, share))

function kept(): number {
  try {
    const share = Number(localStorage.getItem(KEY))
    return share >= LEAST && share <= MOST ? share : USUAL
  } catch {
    return USUAL
  }
}

/**
 * The divide between Figure and Sheet: dragged, or moved by arrow keys; this browser remembers where it was.
 */
export function Divide() {
  const [share, setShare] = useState(USUAL)
  useEffect(() => setShare(kept()), [])
  useEffect(() => {
    document.documentElement.style.setProperty('--figure-share', `${share}%`)
    return () => void document.documentElement.style.removeProperty('--figure-share')
  }, [share])
  const put = (to: number) => {
    const next = bounded(to)
    setShare(next)
    try {
      localStorage.setItem(KEY, String(next))
    } catch {
      // the browser refuses to store it, so the position lasts as long as the page
    }
  }
  const onPointerMove = (e: PointerEvent<HTMLDivElement>) => {
    if (e.currentTarget.hasPointerCapture(e.pointerId)) put((100 * e.clientX) / window.innerWidth)
  }
  const onKeyDown = (e: KeyboardEvent) => {
    const to = { ArrowLeft: share - STEP, ArrowRight: share + STEP, Home: LEAST, End: MOST, Enter: USUAL }[
      e.key
    ]
    if (to === undefined) return
    e.preventDefault()
    put(to)
  }
  return (
    <div
      className="divide"
      role="separator"
      aria-orientation="vertical"
      aria-label="Divide between Figure and Sheet"
      aria-valuenow={Math.round(share)}
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      tabIndex={0}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={onPointerMove}
      onDoubleClick={() => put(USUAL)}
      onKeyDown={onKeyDown}
    />
  )
}
