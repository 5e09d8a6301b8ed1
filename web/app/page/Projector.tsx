import { useCallback, useEffect, useRef, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { PROJECTED, PROJECTOR_COMMANDS, nextAction, type Projected } from '../commands/projector'
import { useCommands } from '../commands/use-commands'
import { PARTS, useSheet, useSheetStore } from '../sheet/context'
import { Press } from '../widgets/Press'
import { Toggle } from '../widgets/Toggle'
import './projector.css'

/** One step of enlargement. */
const STEP = 1.12
/**
 * The width that the page is designed for, px: a wider screen is filled by larger type, not by more of it.
 */
const DESIGNED_PX = 1280

const NAMES: Record<Projected, string> = { both: 'Both', figure: 'Figure', sheet: 'Sheet' }

/** Type and lines grow with the screen; Figure or Sheet alone have room for more. */
const sizeFor = (shown: Projected, steps: number) =>
  Math.max(1.2, window.innerWidth / DESIGNED_PX) * (shown === 'both' ? 1 : 1.35) * STEP ** steps

/**
 * The view for a class: the whole screen, larger type and lines, Figure and Sheet together or alone, steps
 * and cases by arrow keys, and a spot that follows the pointer.
 */
export function Projector({ onLeave }: { onLeave: () => void }) {
  const store = useSheetStore()
  const [shown, show] = useState<Projected>('both')
  const [steps, setSteps] = useState(0)
  const step = useStep()
  const enlarge = useCallback((by: number) => setSteps((n) => Math.min(8, Math.max(-4, n + by))), [])
  useCommands(PROJECTOR_COMMANDS, { store, shown, show, enlarge, step })
  useFullScreen(onLeave)
  useEffect(() => {
    const root = document.documentElement
    const size = () => root.style.setProperty('--projector-size', String(sizeFor(shown, steps)))
    size()
    root.dataset.projector = shown
    window.addEventListener('resize', size)
    return () => {
      window.removeEventListener('resize', size)
      root.style.removeProperty('--projector-size')
      delete root.dataset.projector
    }
  }, [shown, steps])
  return (
    <>
      <Spot />
      <div className="projector" role="toolbar" aria-label="Projector">
        <Where />
        <span className="projector-choices" role="group" aria-label="What is shown">
          {PROJECTED.map((p) => (
            <Toggle key={p} on={p === shown} onClick={() => show(p)}>
              {NAMES[p]}
            </Toggle>
          ))}
        </span>
        <Press aria-label="Smaller" onClick={() => enlarge(-1)}>
          A−
        </Press>
        <Press aria-label="Larger" onClick={() => enlarge(1)}>
          A+
        </Press>
        <Press onClick={onLeave}>
          Leave<kbd>esc</kbd>
        </Press>
      </div>
    </>
  )
}

/** What is on the screen: the problem, and the load case with a way to the next. */
function Where() {
  const store = useSheetStore()
  const problem = useSheet((s) => s.problem)
  const actionId = useSheet((s) => s.actionId)
  const all = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])]
  const action = all.find((c) => c.id === actionId)
  const go = (by: 1 | -1) => store.getState().chooseAction(nextAction(store, by)!)
  return (
    <span className="projector-where">
      <b>{problem.title}</b>
      {all.length > 1 && action && (
        <>
          <Press aria-label="Previous load case" onClick={() => go(-1)}>
            ▲
          </Press>
          <Press aria-label="Next load case" onClick={() => go(1)}>
            ▼
          </Press>
          <span role="status">{action.title ?? action.id}</span>
        </>
      )}
    </span>
  )
}

/** Opens what the page names as next or previous; where it names nothing, the next or previous part. */
function useStep(): (by: 1 | -1) => void {
  const navigate = useNavigate()
  const { pathname } = useLocation()
  return (by) => {
    const link = document.querySelector<HTMLAnchorElement>(`.sheet a[rel="${by > 0 ? 'next' : 'prev'}"]`)
    if (link) return void navigate(link.pathname + link.search)
    const [, , id, part] = pathname.split('/')
    const to = PARTS[PARTS.findIndex((p) => p.key === part) + by]
    if (to) void navigate(`/problems/${id}/${to.key}`)
  }
}

/** Takes the whole screen where the browser allows it. Leaving that, or Escape, leaves the view. */
function useFullScreen(onLeave: () => void) {
  const leave = useRef(onLeave)
  useEffect(() => {
    leave.current = onLeave
  })
  useEffect(() => {
    const root = document.documentElement
    let entered = false
    const onChange = () => {
      if (document.fullscreenElement) entered = true
      else if (entered) leave.current()
    }
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && leave.current()
    document.addEventListener('fullscreenchange', onChange)
    window.addEventListener('keydown', onKey)
    // a browser that refuses shows the same view in its window
    root.requestFullscreen?.().catch(() => {})
    return () => {
      document.removeEventListener('fullscreenchange', onChange)
      window.removeEventListener('keydown', onKey)
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => {})
    }
  }, [])
}

/** A ring round the pointer, large enough for the last row. It moves without the page being made anew. */
function Spot() {
  const spot = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const onMove = (e: PointerEvent) => {
      spot.current!.style.transform = `translate(${e.clientX}px, ${e.clientY}px)`
      spot.current!.hidden = false
    }
    window.addEventListener('pointermove', onMove)
    return () => window.removeEventListener('pointermove', onMove)
  }, [])
  return <div ref={spot} className="projector-spot" hidden aria-hidden="true" />
}
