import { readThing } from '@viga/core'
import { dot, plus, type Vec } from '@viga/drawing/marks'
import { inPlane, memberLine } from '@viga/drawing/view'
import type { PointerEvent } from 'react'
import { targetAt, type Hand, type Press } from './hand'

/** Nearer to an end than this, the end is meant; px. */
const END_PX = 6

/** Puts the probe where the pointer is along the member it is on, or takes it away. */
export function probeAt({ store, structure, view }: Hand, target: string | null, at: Vec) {
  const it = readThing(target ?? '')
  const m = it?.kind === 'member' ? structure?.members.find((o) => o.id === it.id) : undefined
  const { probe } = store.getState()
  if (!m) {
    if (probe) store.setState({ probe: null })
    return
  }
  const l = memberLine(structure!, view, m)
  const px = dot(plus(at, l.a, -1), l.dir)
  const x = px < END_PX ? 0 : px > l.px - END_PX ? m.length : px / view.scale
  store.setState({ probe: { member: m.id, x } })
}

/** What a press on a diagram began with. */
export function diagramUnder(hand: Hand, e: PointerEvent): Press['diagram'] {
  if (!(e.target as Element).closest('[data-diagram]')) return undefined
  const { store } = hand
  const it = readThing(targetAt(hand, e) ?? '')
  return it?.kind === 'member' ? { member: it.id, size: store.getState().diagramSize } : undefined
}

/** Diagrams are at least and at the most so many times as tall as usual. */
const [LEAST, MOST] = [0.1, 12]

/**
 * Makes diagrams as tall as they are pulled: in the measure in which the pointer is farther from the member.
 */
export function pulledDiagram({ store, structure, view }: Hand, p: Press, at: Vec) {
  const m = structure?.members.find((o) => o.id === p.diagram!.member)
  if (!m) return
  const l = memberLine(structure!, view, m)
  const away = (q: Vec) => Math.abs(dot(plus(q, l.a, -1), l.up))
  const size = (p.diagram!.size * Math.max(4, away(at))) / Math.max(4, away(p.at))
  store.setState({ diagramSize: Math.min(MOST, Math.max(LEAST, size)), probe: null })
}

/** A press that drew a line in the plane, or chose a point of it; false where none is asked for. */
export function onPlane({ plane, view }: Hand, p: Press, at: Vec, done: boolean): boolean {
  if (p.moved && plane?.onLine) {
    plane.onLine(inPlane(view, p.at), inPlane(view, at), done)
    return true
  }
  if (!p.moved && done && plane?.onPoint) {
    plane.onPoint(inPlane(view, at), p.target)
    return true
  }
  return false
}
