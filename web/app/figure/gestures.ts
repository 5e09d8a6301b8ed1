import { dimension, isThing, siPerCoherent, thing } from '@viga/core'
import type { Vec } from '@viga/drawing/marks'
import { niceBelow } from '@viga/drawing/nice'
import { onScreen, zoomAt } from '@viga/drawing/view'
import { useEffect, useRef, useState, type PointerEvent, type WheelEvent } from 'react'
import { useSheet, useSheetStore } from '../sheet/context'
import { toggled } from '../sheet/targets'
import { afterPaint } from '../widgets/after-paint'
import { fetchAhead } from '../widgets/later'
import { useChain } from './chain'
import type * as HandEdits from './hand-edits'
import {
  jointNear,
  local,
  NO_GHOST,
  snap,
  targetAt,
  type GestureArgs,
  type GhostState,
  type Hand,
  type Press,
} from './hand'
import { MovingView, TypedStep } from './parts-later'
import { pinched } from './pinch'
import { diagramUnder, onPlane, probeAt, pulledDiagram } from './read-members'
import { endMember, selectInside } from './select-things'

type Pointer = PointerEvent<HTMLDivElement>

/** What changes the problem by hand. It comes with the Given, the one part where a hand does. */
let edits: typeof HandEdits | undefined

export function takeEdits(those: typeof HandEdits) {
  edits = those
}

/** A press that moves less than this is a click; px. */
const STILL_PX = 4

/** Turns pointer and wheel into view changes, selections and edits. */
export function useGestures(args: GestureArgs) {
  const { view, setView, drawing, refit } = args
  const store = useSheetStore()
  const press = useRef<Press | null>(null)
  const fingers = useRef(new Map<number, Vec>())
  const refits = useRef(false)
  const [chain, setChain] = useChain()
  const [busy, setBusy] = useState(false)
  const [moving, setMoving] = useState(false)
  const [box, setBox] = useState<{ a: Vec; b: Vec } | null>(null)
  const [ghost, setGhost] = useState<GhostState>(NO_GHOST)
  // escape, or putting the pencil down, ends a chain of members
  useEffect(() => {
    if (!drawing) setChain(null)
    const onKey = (e: KeyboardEvent) =>
      e.key === 'Escape' && (setChain(null), setGhost((g) => ({ ...g, from: null, refusal: null })))
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [drawing, setChain])
  const changes = drawing || args.movable
  useEffect(() => {
    if (changes) return afterPaint(() => fetchAhead(MovingView, TypedStep))
  }, [changes])
  const units = useSheet((s) => s.problem.units)
  const si = siPerCoherent(units, dimension.length)
  const step = niceBelow((40 / view.scale / si) * 1.0001) // in length units, 16 to 40 px
  const state = { press, fingers, refits, chain, setChain, moving, setMoving, setBusy, setBox, setGhost }
  const hand: Hand = { ...args, ...state, store, si, step }

  const handlers = {
    onPointerDown: (e: Pointer) => down(hand, e),
    onPointerMove: (e: Pointer) => move(hand, e),
    onPointerUp: (e: Pointer) => up(hand, e),
    onPointerCancel: (e: Pointer) => {
      end(hand, e)
      setMoving(false)
    },
    onPointerLeave: () => {
      store.getState().point(null)
      store.setState({ probe: null })
      setGhost((g) => ({ ...g, point: null }))
    },
    onWheel: (e: WheelEvent<HTMLDivElement>) => {
      const at = local(e)
      setView((v) => zoomAt(v, at, Math.exp(-e.deltaY * 0.0015)))
    },
    onDoubleClick: () => !drawing && !store.getState().selection && refit(),
  }
  const onPlace = (text: string) => edits!.placeTyped(hand, ghost, text)
  return { handlers, ghost, step: step * si, busy, box, moving, chain, placeTyped: onPlace }
}

function down(hand: Hand, e: Pointer) {
  const { drawing, structure, view, grips, press, fingers } = hand
  if (e.button > 1) return
  e.currentTarget.setPointerCapture(e.pointerId)
  const at = local(e)
  if (e.pointerType === 'touch') fingers.current.set(e.pointerId, at)
  if (fingers.current.size > 1) {
    // a second finger: what the first one began is given up
    press.current = null
    hand.setBusy(true)
    return
  }
  leaveField()
  if (drawing && !structure?.nodes.length && e.button === 0) return firstJoint(hand, at)
  const still = { at, view, moved: false, from: null, fromPoint: null, box: false }
  const hit = targetAt(hand, e)
  const grip = isThing(hit, 'grip') ? grips.find((g) => g.target === hit) : undefined
  // what is pulled or pressed at a ring is meant, not the joint it stands near
  if (grip || isThing(hit, 'ring')) {
    press.current = { ...still, target: hit, grip }
    return
  }
  const joint = jointNear(hand, at)
  press.current = {
    ...still,
    target: joint ? thing.node(joint) : hit,
    from: joint,
    fromPoint: joint ? null : snap(hand, at),
    box: !drawing && e.shiftKey,
    diagram: hand.reads && !joint ? diagramUnder(hand, e) : undefined,
  }
}

/** A press on the Figure leaves the field that was being typed in, so that its text is taken. */
function leaveField() {
  const active = document.activeElement
  if (active instanceof HTMLElement && active.closest('input, select, textarea')) active.blur()
}

/** The first joint is the origin: the paper is laid so that it stands where it was pressed. */
function firstJoint(hand: Hand, at: Vec) {
  const { grid, view, si, press, setView } = hand
  const here = snap(hand, at)
  const p = grid ? at : onScreen(view, here.x * si, here.y * si)
  const laid = grid ? view : { ...view, ox: p.x, oy: p.y }
  setView(laid)
  const fromPoint = grid ? here : { x: 0, y: 0 }
  press.current = { at, target: null, view: laid, moved: false, from: null, fromPoint, box: false }
}

function move(hand: Hand, e: Pointer) {
  const { drawing, movable, structure, setView, press, fingers, store } = hand
  const at = local(e)
  if (fingers.current.size === 2 && fingers.current.has(e.pointerId)) {
    const before = new Map(fingers.current)
    fingers.current.set(e.pointerId, at)
    return setView((v) => pinched(v, before, fingers.current))
  }
  const p = press.current
  if (p && !p.moved && Math.hypot(at.x - p.at.x, at.y - p.at.y) > STILL_PX) {
    p.moved = true
    hand.setBusy(true)
  }
  if (drawing && (!p || e.buttons === 1)) return edits?.showGhost(hand, at)
  if (!p) {
    const near = jointNear(hand, at)
    const target = near ? thing.node(near) : targetAt(hand, e)
    if (hand.reads) probeAt(hand, targetAt(hand, e), at)
    return store.getState().point(target)
  }
  if (!p.moved) return
  if (onPlane(hand, p, at, false)) return
  if (p.diagram) return pulledDiagram(hand, p, at)
  if (p.box) return hand.setBox({ a: p.at, b: at })
  const pulling = movable && e.buttons === 1
  if (pulling && structure && edits?.pulledLoad(hand, p, at)) return
  if (pulling && p.from) return edits?.movedJoint(hand, p, at)
  setView((now) => {
    // a large drawing may still be carried along from before the press
    const { ox, oy, ...rest } = (p.pannedFrom ??= now)
    return { ...rest, ox: ox + at.x - p.at.x, oy: oy + at.y - p.at.y }
  })
}

/** What ends with a press, however it ends. */
function end({ press, fingers, setBusy, setBox, store }: Hand, e: Pointer) {
  fingers.current.delete(e.pointerId)
  press.current = null
  setBusy(false)
  setBox(null)
  store.setState({ dragging: false })
}

function up(hand: Hand, e: Pointer) {
  const { drawing, moving, press } = hand
  const p = press.current
  end(hand, e)
  if (!p) return
  const at = local(e)
  if (drawing) return edits?.drawnTo(hand, p, at)
  if (onPlane(hand, p, at, true)) return
  if (p.moved && p.box) selectInside(hand, p, at)
  else if (p.moved && moving && p.from) {
    edits?.letGo(hand, p.from)
    if (hand.refits.current) hand.refit()
  } else if (!p.moved) clicked(hand, p, e.shiftKey)
  hand.setMoving(false)
}

/** A press that did not move: it selects, adds to the selection, or turns the end of a member. */
function clicked(hand: Hand, p: Press, adding: boolean) {
  const { store } = hand
  if (adding && p.target)
    store.setState({ selection: toggled(store.getState().selection, endMember(p.target)) })
  else if (isThing(p.target, 'ring')) edits?.turnEnd(hand, p.target)
  else if (!p.grip) store.getState().select(isThing(p.target, 'end') ? lifted(hand, p.target) : p.target)
}

/** The member of a hinge that was clicked; in the Given the click lifts the hinge. */
const lifted = (hand: Hand, hinge: string) => (edits ? edits.endClicked(hand, hinge) : endMember(hinge))
