import { thing, type Problem, type Structure } from '@viga/core'
import { snapTo, type Grid } from '@viga/core/statement/grid'
import type { Grip } from '@viga/drawing/loads'
import { dot, plus, size, vec, type Vec } from '@viga/drawing/marks'
import { inPlane, memberLine, onScreen, type View } from '@viga/drawing/view'
import type { SetView } from './use-carried-view'
import type { PointerEvent } from 'react'
import type { SheetStore } from '../sheet/store'

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

export const NO_GHOST: GhostState = { point: null, x: 0, y: 0, joint: null, from: null, refusal: null }

/** A pointer that is down: where it went down, on what, and under which view. */
export interface Press {
  at: Vec
  target: string | null
  view: View
  /** The view that the plane is moved from, once it is. */
  pannedFrom?: View
  moved: boolean
  /** The joint it went down on, or the crossing of the grid where there is none. */
  from: string | null
  fromPoint: { x: number; y: number } | null
  /** It draws a rectangle that selects what is inside. */
  box: boolean
  grip?: Grip
  /** It began on a diagram: pulling away from the member makes diagrams taller. */
  diagram?: { member: string; size: number }
}

/**
 * Presses and drags that mean something in the plane of the structure, in m: a cut is drawn, a point chosen.
 */
export interface PlaneGestures {
  /** A line while it is drawn, and when it is done. */
  onLine?: (a: { x: number; y: number }, b: { x: number; y: number }, done: boolean) => void
  /** A press that does not move, and what it was on. */
  onPoint?: (p: { x: number; y: number }, target: string | null) => void
}

export interface GestureArgs {
  view: View
  setView: SetView
  drawing: boolean
  movable: boolean
  structure: Structure | undefined
  refit: () => void
  /** The view fits itself to the structure; it stands still while a joint is dragged. */
  fitting: boolean
  grips: readonly Grip[]
  /** The person's own grid, while drawing. */
  grid: Grid | undefined
  /** Values are read where the pointer is on a member, and diagrams are pulled taller. */
  reads: boolean
  plane?: PlaneGestures
}

/** Everything that a gesture reads and writes: the Figure's arguments, its state and the open problem. */
export interface Hand extends GestureArgs {
  store: SheetStore
  /** Metres per length unit of the problem. */
  si: number
  /** Distance of the crossings that the pointer snaps to, in length units. */
  step: number
  press: { current: Press | null }
  /** Fingers on the Figure; two of them enlarge and move it. */
  fingers: { current: Map<number, Vec> }
  /** The view fitted itself before a joint was dragged, and is to do so again afterwards. */
  refits: { current: boolean }
  chain: string | null
  setChain: (joint: string | null) => void
  moving: boolean
  setMoving: (on: boolean) => void
  setBusy: (on: boolean) => void
  setBox: (box: { a: Vec; b: Vec } | null) => void
  setGhost: (change: (g: GhostState) => GhostState) => void
}

/** Closer than this to a joint, the joint is meant; px. */
const NEAR_PX = 13

/** The place of a pointer event in the Figure's own px, which the projector's view enlarges. */
export function local(e: { currentTarget: Element; clientX: number; clientY: number }): Vec {
  const frame = e.currentTarget.getBoundingClientRect()
  const scale = frame.width / (e.currentTarget.clientWidth || frame.width || 1)
  return vec((e.clientX - frame.left) / scale, (e.clientY - frame.top) / scale)
}

/** What is drawn under the pointer, as the text form of a thing. */
export function targetAt(hand: Pick<Hand, 'structure' | 'view'>, e: PointerEvent): string | null {
  const element = e.target as Element
  const own = element.closest('[data-target]')?.getAttribute('data-target')
  if (own != null || !element.closest('[data-diagram]')) return own ?? null
  // the diagrams of a large structure are drawn as one
  const near = memberNear(hand, local(e))
  return near === null ? null : thing.member(near)
}

/** The member whose line is nearest to a place on the screen. */
function memberNear({ structure, view }: Pick<Hand, 'structure' | 'view'>, p: Vec): string | null {
  let best: string | null = null
  let least = Infinity
  for (const m of structure?.members ?? []) {
    const l = memberLine(structure!, view, m)
    const along = Math.min(l.px, Math.max(0, dot(plus(p, l.a, -1), l.dir)))
    const away = size(plus(p, plus(l.a, l.dir, along), -1))
    if (away < least) [best, least] = [m.id, away]
  }
  return best
}

/** The nearest joint within `NEAR_PX` of a place on the screen. */
export function jointNear({ structure, view }: Hand, p: Vec): string | null {
  let best: string | null = null
  let least = NEAR_PX
  for (const n of structure?.nodes ?? []) {
    const q = onScreen(view, n.x, n.y)
    const d = Math.hypot(q.x - p.x, q.y - p.y)
    if (d < least) [best, least] = [n.id, d]
  }
  return best
}

/** The nearest crossing of the grid, in length units. */
export function snap({ view, grid, si, step }: Hand, p: Vec): { x: number; y: number } {
  const w = inPlane(view, p)
  return { x: snapTo(grid?.xs, w.x / si, step), y: snapTo(grid?.ys, w.y / si, step) }
}

/** Where a joint of the structure, or a place in length units, stands on the screen. */
export function screenOf({ structure, view, si }: Hand, end: { id: string } | { x: number; y: number }): Vec {
  if (!('id' in end)) return onScreen(view, end.x * si, end.y * si)
  const n = structure!.nodes.find((m) => m.id === end.id)!
  return onScreen(view, n.x, n.y)
}

/** Applies an edit made by hand; its refusal is said at the pointer. Returns whether it was accepted. */
export function apply({ store, setGhost }: Hand, name: string, change: (p: Problem) => Problem): boolean {
  const error = store.getState().edit(name, change, { select: null, shown: true })
  setGhost((g) => ({ ...g, refusal: error?.message ?? null }))
  return !error
}
