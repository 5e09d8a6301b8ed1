import { edit, siPerCoherent, dimension, type Problem, type Structure } from '@viga/core'
import { useEffect, useRef, useState, type PointerEvent, type WheelEvent } from 'react'
import { useSheetStore } from '../sheet/context'
import { niceBelow } from './scene'
import { vec, type Vec } from './marks'
import { inPlane, onScreen, zoomAt, type View } from './view'

/** What the pointer would do: a joint here, a member from there. */
export interface GhostState {
  /** Snapped place on the screen and in length units. */
  point: Vec | null
  x: number
  y: number
  /** The joint under the pointer. */
  joint: string | null
  /** Where the member being drawn begins. */
  from: Vec | null
  /** Why the last gesture was refused. */
  refusal: string | null
}

interface Args {
  view: View
  setView: (v: View) => void
  drawing: boolean
  movable: boolean
  structure: Structure | undefined
  refit: () => void
}

type Press = { at: Vec; target: string | null; view: View; moved: boolean; from: string | null; fromPoint: { x: number; y: number } | null }

/** Closer than this to a joint, the joint is meant; px. */
const NEAR = 13
/** A press that moves less than this is a click; px. */
const STILL = 4

/** Turns pointer and wheel into view changes, selections and edits. */
export function useGestures({ view, setView, drawing, movable, structure, refit }: Args) {
  const store = useSheetStore()
  const press = useRef<Press | null>(null)
  const [chain, setChain] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [ghost, setGhost] = useState<GhostState>({ point: null, x: 0, y: 0, joint: null, from: null, refusal: null })
  // escape, or putting the pencil down, ends a chain of members
  useEffect(() => {
    if (!drawing) setChain(null)
    const onKey = (e: KeyboardEvent) => e.key === 'Escape' && (setChain(null), setGhost((g) => ({ ...g, from: null, refusal: null })))
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [drawing])
  const units = store.getState().problem.units
  const si = siPerCoherent(units, dimension.length)
  const step = niceBelow((40 / view.scale / si) * 1.0001) // in length units, 16 to 40 px

  const local = (e: { currentTarget: Element; clientX: number; clientY: number }): Vec => {
    const box = e.currentTarget.getBoundingClientRect()
    return vec(e.clientX - box.left, e.clientY - box.top)
  }
  const jointNear = (p: Vec): string | null => {
    let best: string | null = null
    let least = NEAR
    for (const n of structure?.nodes ?? []) {
      const q = onScreen(view, n.x, n.y)
      const d = Math.hypot(q.x - p.x, q.y - p.y)
      if (d < least) [best, least] = [n.id, d]
    }
    return best
  }
  /** The nearest crossing of the grid, in length units. */
  const snap = (p: Vec) => {
    const w = inPlane(view, p)
    const round = (v: number) => Number((Math.round(v / si / step) * step).toPrecision(12))
    return { x: round(w.x), y: round(w.y) }
  }
  const screenOf = (id: string): Vec => {
    const n = structure!.nodes.find((m) => m.id === id)!
    return onScreen(view, n.x, n.y)
  }
  const targetOf = (e: PointerEvent): string | null => (e.target as Element).closest('[data-target]')?.getAttribute('data-target') ?? null

  const hoverGhost = (p: Vec) => {
    const joint = jointNear(p)
    const at = snap(p)
    const from = press.current?.moved ? (press.current.from ? screenOf(press.current.from) : press.current.fromPoint && onScreen(view, press.current.fromPoint.x * si, press.current.fromPoint.y * si)) : chain && structure?.nodes.some((n) => n.id === chain) ? screenOf(chain) : null
    setGhost((g) => ({ point: joint ? screenOf(joint) : onScreen(view, at.x * si, at.y * si), ...at, joint, from, refusal: g.refusal }))
  }

  const run = (name: string, change: (p: Problem) => Problem, select?: string) => {
    const error = store.getState().edit(name, change, { select: select ?? null, shown: true })
    setGhost((g) => ({ ...g, refusal: error?.message ?? null }))
    return !error
  }

  /** Draws from a place to a place; either may be a joint or a bare crossing of the grid. */
  const connect = (from: { id: string } | { x: number; y: number }, to: { id: string } | { x: number; y: number }): string | null => {
    let endId: string | null = null
    const done = run('member', (p) => {
      let q = p
      const ids = [from, to].map((end) => {
        if ('id' in end) return end.id
        const there = q.nodes.find((n) => Number(n.x) === end.x && Number(n.y) === end.y)
        if (there) return there.id
        q = edit.addNode(q, end.x, end.y)
        return q.nodes[q.nodes.length - 1].id
      })
      endId = ids[1]
      return edit.addMembers(q, ids)
    })
    return done ? endId : null
  }

  const handlers = {
    onPointerDown: (e: PointerEvent<SVGSVGElement>) => {
      if (e.button > 1) return
      e.currentTarget.setPointerCapture(e.pointerId)
      const at = local(e)
      const joint = jointNear(at)
      if (drawing && !structure?.nodes.length && e.button === 0) {
        // the first joint is the origin: the paper is laid so that it stands where it was pressed
        const here = snap(at)
        const p = onScreen(view, here.x * si, here.y * si)
        const laid = { ...view, ox: p.x, oy: p.y }
        setView(laid)
        press.current = { at, target: null, view: laid, moved: false, from: null, fromPoint: { x: 0, y: 0 } }
        return
      }
      press.current = { at, target: joint ? `node:${joint}` : targetOf(e), view, moved: false, from: joint, fromPoint: joint ? null : snap(at) }
      if (document.activeElement instanceof HTMLElement && document.activeElement.closest('input, select, textarea')) document.activeElement.blur()
    },
    onPointerMove: (e: PointerEvent<SVGSVGElement>) => {
      const at = local(e)
      const p = press.current
      if (p && !p.moved && Math.hypot(at.x - p.at.x, at.y - p.at.y) > STILL) {
        p.moved = true
        setBusy(true)
      }
      if (drawing && (!p || e.buttons === 1)) return hoverGhost(at)
      if (!p) return store.getState().point(jointNear(at) ? `node:${jointNear(at)}` : targetOf(e))
      if (!p.moved) return
      if (movable && p.from && e.buttons === 1) {
        const to = snap(at)
        store.getState().edit(`move ${p.from}`, (q) => edit.setNode(q, p.from!, to), { merge: `move ${p.from}`, select: `node:${p.from}` })
      } else setView({ ...p.view, ox: p.view.ox + at.x - p.at.x, oy: p.view.oy + at.y - p.at.y })
    },
    onPointerUp: (e: PointerEvent<SVGSVGElement>) => {
      const p = press.current
      press.current = null
      setBusy(false)
      if (!p) return
      const at = local(e)
      if (!drawing) {
        if (!p.moved) store.getState().select(p.target?.startsWith('end:') ? endClicked(p.target) : p.target)
        return
      }
      const joint = jointNear(at)
      const place = joint ? { id: joint } : snap(at)
      if (p.moved) {
        connect(p.from ? { id: p.from } : p.fromPoint!, place)
        setChain(null)
      } else if (chain && joint !== chain) setChain(connect({ id: chain }, place))
      else if (joint) setChain(chain === joint ? null : joint)
      else if (p.fromPoint) run('joint', (q) => edit.addNode(q, p.fromPoint!.x, p.fromPoint!.y))
      hoverGhost(at)
    },
    onPointerLeave: () => {
      store.getState().point(null)
      setGhost((g) => ({ ...g, point: null }))
    },
    onWheel: (e: WheelEvent<SVGSVGElement>) => setView(zoomAt(view, local(e), Math.exp(-e.deltaY * 0.0015))),
    onDoubleClick: () => !drawing && !store.getState().selection && refit(),
  }

  /** A click on a hinge lifts it: what was set on the Figure is unset there. */
  const endClicked = (target: string): string => {
    const [, member, end] = target.split(':')
    const m = store.getState().problem.members.find((o) => o.id === member)
    if (movable && m && m.type !== 'bar' && store.getState().problem.kind === 'frame') store.getState().edit(`hinge of ${member}`, (q) => edit.setHinge(q, member, end as 'start' | 'end', false))
    return `member:${member}`
  }
  return { handlers, ghost, step: step * si, busy }
}
