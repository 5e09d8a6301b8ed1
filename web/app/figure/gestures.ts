import {
  isThing,
  readThing,
  thing,
  edit,
  siPerCoherent,
  dimension,
  measure,
  readStep,
  type Problem,
  type Structure,
} from '@viga/core'
import { useEffect, useRef, useState, type PointerEvent, type WheelEvent } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { pinched } from './pinch'
import { useChain } from './chain'
import { targetOf, targetsOf, toggled } from '../sheet/targets'
import { connect, dropped, type End } from './drawing'
import { snapTo, type Grid } from '@viga/core/statement/grid'
import { dragAlong, dragGrip } from './load-drags'
import type { Grip } from '@viga/drawing/loads'
import { niceBelow } from '@viga/drawing/nice'
import { vec, type Vec } from '@viga/drawing/marks'
import { inPlane, onScreen, zoomAt, type View } from '@viga/drawing/view'

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
  /** The view fits itself to the structure; it stands still while a joint is dragged. */
  fitting: boolean
  grips: readonly Grip[]
  /** The person's own grid, while drawing. */
  grid: Grid | undefined
}

type Press = {
  at: Vec
  target: string | null
  view: View
  moved: boolean
  from: string | null
  fromPoint: { x: number; y: number } | null
  box: boolean
  grip?: Grip
}

/** Closer than this to a joint, the joint is meant; px. */
const NEAR = 13
/** A press that moves less than this is a click; px. */
const STILL = 4

/** Turns pointer and wheel into view changes, selections and edits. */
export function useGestures({
  view,
  setView,
  drawing,
  movable,
  structure,
  refit,
  fitting,
  grips,
  grid,
}: Args) {
  const store = useSheetStore()
  const press = useRef<Press | null>(null)
  /** Fingers on the Figure; two of them enlarge and move it. */
  const fingers = useRef(new Map<number, Vec>())
  const [chain, setChain] = useChain()
  const [busy, setBusy] = useState(false)
  const [moving, setMoving] = useState(false)
  const refits = useRef(false)
  const [box, setBox] = useState<{ a: Vec; b: Vec } | null>(null)
  const [ghost, setGhost] = useState<GhostState>({
    point: null,
    x: 0,
    y: 0,
    joint: null,
    from: null,
    refusal: null,
  })
  // escape, or putting the pencil down, ends a chain of members
  useEffect(() => {
    if (!drawing) setChain(null)
    const onKey = (e: KeyboardEvent) =>
      e.key === 'Escape' && (setChain(null), setGhost((g) => ({ ...g, from: null, refusal: null })))
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [drawing, setChain])
  const problem = useSheet((s) => s.problem)
  const si = siPerCoherent(problem.units, dimension.length)
  const step = niceBelow((40 / view.scale / si) * 1.0001) // in length units, 16 to 40 px

  const local = (e: { currentTarget: Element; clientX: number; clientY: number }): Vec => {
    const frame = e.currentTarget.getBoundingClientRect()
    return vec(e.clientX - frame.left, e.clientY - frame.top)
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
    return { x: snapTo(grid?.xs, w.x / si, step), y: snapTo(grid?.ys, w.y / si, step) }
  }
  const screenOf = (id: string): Vec => {
    const n = structure!.nodes.find((m) => m.id === id)!
    return onScreen(view, n.x, n.y)
  }
  const targetAt = (e: PointerEvent): string | null =>
    (e.target as Element).closest('[data-target]')?.getAttribute('data-target') ?? null

  /** Where the member being drawn begins, while a press or a chain draws one. */
  const start = (): End | null => {
    const p = press.current
    if (p?.moved) return p.from ? { id: p.from } : p.fromPoint
    return chain !== null && structure?.nodes.some((n) => n.id === chain) ? { id: chain } : null
  }
  const hoverGhost = (p: Vec) => {
    const joint = jointNear(p)
    const at = snap(p)
    const from = start()
    setGhost((g) => ({
      point: joint ? screenOf(joint) : onScreen(view, at.x * si, at.y * si),
      ...at,
      joint,
      from: from && ('id' in from ? screenOf(from.id) : onScreen(view, from.x * si, from.y * si)),
      refusal: g.refusal,
    }))
  }

  const run = (name: string, change: (p: Problem) => Problem) => {
    const error = store.getState().edit(name, change, { select: null, shown: true })
    setGhost((g) => ({ ...g, refusal: error?.message ?? null }))
    return !error
  }

  /** Draws a member; returns the joint it ends at. */
  const draw = (from: End, to: End): string | null => {
    let end: string | null = null
    const done = run('member', (p) => {
      const made = connect(p, from, to)
      end = made.end
      return made.problem
    })
    return done ? end : null
  }

  /** Places the end of the member being drawn, or the next joint, by what was typed. */
  const placeTyped = (text: string): string | null => {
    const p = store.getState().problem
    const m = measure(p)
    const from = chain === null ? undefined : m.at.get(chain)
    const base = from ?? { x: 0, y: 0 }
    const pointed = { x: ghost.x - base.x, y: ghost.y - base.y }
    const by = readStep(text, p, pointed)
    if ('message' in by) return by.message
    const to = { x: Number((base.x + by.x).toPrecision(12)), y: Number((base.y + by.y).toPrecision(12)) }
    let end = chain
    const error = store.getState().edit(
      from ? 'member' : 'joint',
      (q) => {
        const made = from ? connect(q, { id: chain! }, to) : connect(q, to, to)
        end = made.end
        return made.problem
      },
      { select: null, shown: true },
    )
    if (error) return error.message
    setChain(end)
    return null
  }

  /** Pulls a load by its grip, or along its member; false when this load does not move so. */
  const pulled = (p: Press, at: Vec): boolean => {
    const target = p.grip ? p.grip.target.replace('grip', 'load').replace(/:\d+$/, '') : p.target!
    const change = (q: Problem) =>
      p.grip
        ? dragGrip(q, structure!, view, p.grip, p.at, at, step)
        : dragAlong(q, structure!, view, target, at, step)
    const { problem: now } = store.getState()
    if (
      !p.grip &&
      now.loadCases?.every((c) =>
        c.loads.every((l, i) => thing.load(c.id, i) !== target || l.type !== 'point'),
      )
    )
      return false
    store.setState({ dragging: true })
    store.getState().edit('pull a load', change, {
      merge: `pull ${p.grip?.target ?? target} ${p.at.x} ${p.at.y}`,
      select: target,
      shown: true,
    })
    return true
  }

  const endBox = (p: Press, at: Vec) => {
    const [x0, x1] = [Math.min(p.at.x, at.x), Math.max(p.at.x, at.x)]
    const [y0, y1] = [Math.min(p.at.y, at.y), Math.max(p.at.y, at.y)]
    const inside = new Set(
      (structure?.nodes ?? [])
        .filter((n) => {
          const q = onScreen(view, n.x, n.y)
          return q.x >= x0 && q.x <= x1 && q.y >= y0 && q.y <= y1
        })
        .map((n) => n.id),
    )
    const { nodes, members } = store.getState().problem
    const found = [
      ...nodes.filter((n) => inside.has(n.id)).map((n) => thing.node(n.id)),
      ...members.filter((m) => inside.has(m.start) && inside.has(m.end)).map((m) => thing.member(m.id)),
    ]
    store
      .getState()
      .select(targetOf([...new Set([...targetsOf(store.getState().selection), ...found])]) || null)
  }

  const letGo = (id: string) => {
    const after = dropped(store.getState().problem, id)
    if (after) store.getState().edit(`move ${id}`, () => after.problem, { merge: `move ${id}`, select: null })
    if (after) store.setState({ refused: after.words })
  }

  const handlers = {
    onPointerDown: (e: PointerEvent<SVGSVGElement>) => {
      if (e.button > 1) return
      e.currentTarget.setPointerCapture(e.pointerId)
      const at = local(e)
      if (e.pointerType === 'touch') fingers.current.set(e.pointerId, at)
      if (fingers.current.size > 1) {
        // a second finger: what the first one began is given up
        press.current = null
        setBusy(true)
        return
      }
      const joint = jointNear(at)
      if (
        document.activeElement instanceof HTMLElement &&
        document.activeElement.closest('input, select, textarea')
      )
        document.activeElement.blur()
      if (drawing && !structure?.nodes.length && e.button === 0) {
        // the first joint is the origin: the paper is laid so that it stands where it was pressed
        const here = grid ? { x: 0, y: 0 } : snap(at)
        const p = grid ? at : onScreen(view, here.x * si, here.y * si)
        const laid = grid ? view : { ...view, ox: p.x, oy: p.y }
        setView(laid)
        press.current = {
          at,
          target: null,
          view: laid,
          moved: false,
          from: null,
          fromPoint: grid ? snap(at) : { x: 0, y: 0 },
          box: false,
        }
        return
      }
      const hit = targetAt(e)
      const grip = isThing(hit, 'grip') ? grips.find((g) => g.target === hit) : undefined
      // what is pulled or pressed at a ring is meant, not the joint it stands near
      if (grip || isThing(hit, 'ring')) {
        press.current = { at, target: hit, view, moved: false, from: null, fromPoint: null, box: false, grip }
        return
      }
      press.current = {
        at,
        target: joint ? thing.node(joint) : hit,
        view,
        moved: false,
        from: joint,
        fromPoint: joint ? null : snap(at),
        box: !drawing && e.shiftKey,
      }
    },
    onPointerMove: (e: PointerEvent<SVGSVGElement>) => {
      const at = local(e)
      if (fingers.current.size === 2 && fingers.current.has(e.pointerId)) {
        const before = new Map(fingers.current)
        fingers.current.set(e.pointerId, at)
        return setView(pinched(view, before, fingers.current))
      }
      const p = press.current
      if (p && !p.moved && Math.hypot(at.x - p.at.x, at.y - p.at.y) > STILL) {
        p.moved = true
        setBusy(true)
      }
      if (drawing && (!p || e.buttons === 1)) return hoverGhost(at)
      const near = p ? null : jointNear(at)
      if (!p) return store.getState().point(near ? thing.node(near) : targetAt(e))
      if (!p.moved) return
      if (p.box) return setBox({ a: p.at, b: at })
      if (movable && structure && e.buttons === 1 && (p.grip || isThing(p.target, 'load')) && pulled(p, at))
        return
      if (movable && p.from && e.buttons === 1) {
        const to = snap(at)
        store.getState().edit(`move ${p.from}`, (q) => edit.setNode(q, p.from!, to), {
          merge: `move ${p.from}`,
          select: thing.node(p.from),
        })
        if (!moving) {
          setMoving(true)
          store.setState({ dragging: true })
          refits.current = fitting
          setView(p.view)
        }
        setGhost((g) => ({
          ...g,
          point: onScreen(view, to.x * si, to.y * si),
          ...to,
          joint: null,
          from: null,
          refusal: null,
        }))
      } else setView({ ...p.view, ox: p.view.ox + at.x - p.at.x, oy: p.view.oy + at.y - p.at.y })
    },
    onPointerUp: (e: PointerEvent<SVGSVGElement>) => {
      fingers.current.delete(e.pointerId)
      const p = press.current
      press.current = null
      setBusy(false)
      store.setState({ dragging: false })
      setBox(null)
      if (!p) return
      const at = local(e)
      if (!drawing) {
        if (p.moved && p.box) endBox(p, at)
        else if (p.moved && moving && p.from) {
          letGo(p.from)
          if (refits.current) refit()
        } else if (!p.moved && e.shiftKey && p.target)
          store.setState({ selection: toggled(store.getState().selection, endMember(p.target)) })
        else if (!p.moved && isThing(p.target, 'ring')) turnEnd(p.target)
        else if (!p.moved && !p.grip)
          store.getState().select(isThing(p.target, 'end') ? endClicked(p.target) : p.target)
        setMoving(false)
        return
      }
      const joint = jointNear(at)
      const place = joint ? { id: joint } : snap(at)
      if (p.moved) {
        draw(p.from ? { id: p.from } : p.fromPoint!, place)
        setChain(null)
      } else if (chain && joint !== chain) setChain(draw({ id: chain }, place))
      else if (joint) setChain(chain === joint ? null : joint)
      else if (p.fromPoint) draw(p.fromPoint, p.fromPoint)
      hoverGhost(at)
    },
    onPointerCancel: (e: PointerEvent<SVGSVGElement>) => {
      fingers.current.delete(e.pointerId)
      press.current = null
      setBusy(false)
      setMoving(false)
      setBox(null)
      store.setState({ dragging: false })
    },
    onPointerLeave: () => {
      store.getState().point(null)
      setGhost((g) => ({ ...g, point: null }))
    },
    onWheel: (e: WheelEvent<SVGSVGElement>) => setView(zoomAt(view, local(e), Math.exp(-e.deltaY * 0.0015))),
    onDoubleClick: () => !drawing && !store.getState().selection && refit(),
  }

  /** A ring at a member's end turns it from rigid to hinged and back. */
  const turnEnd = (target: string) => {
    const ring = readThing(target)
    if (ring?.kind !== 'ring') return
    const { id, end } = ring
    store
      .getState()
      .edit(`hinge of ${id}`, (q) =>
        edit.setHinge(q, id, end, q.members.find((m) => m.id === id)?.releases?.[end]?.M !== true),
      )
  }

  /** A click on a hinge lifts it: what was set on the Figure is unset there. */
  const endClicked = (target: string): string => {
    const hinge = readThing(target)
    if (hinge?.kind !== 'end') return target
    const { id: member, end } = hinge
    const m = store.getState().problem.members.find((o) => o.id === member)
    if (movable && m && m.type !== 'bar' && store.getState().problem.kind === 'frame')
      store.getState().edit(`hinge of ${member}`, (q) => edit.setHinge(q, member, end, false))
    return thing.member(member)
  }
  return { handlers, ghost, step: step * si, busy, box, moving, chain, placeTyped }
}

/** The end of a member counts as the member when several things are selected. */
const endMember = (target: string): string => {
  const it = readThing(target)
  return it?.kind === 'end' ? thing.member(it.id) : target
}
