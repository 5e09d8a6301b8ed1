import { edit, isThing, readThing, thing } from '@viga/core'
import type { Vec } from '@viga/drawing/marks'
import { onScreen } from '@viga/drawing/view'
import { dropped } from './drawing'
import { snap, type Hand, type Press } from './hand'
import { dragAlong, dragGrip } from './load-drags'

/** Pulls a load by its grip, or along its member; false when this load does not move so. */
export function pulledLoad({ store, structure, view, step }: Hand, p: Press, at: Vec): boolean {
  if (!p.grip && !isThing(p.target, 'load')) return false
  const target = p.grip ? p.grip.target.replace('grip', 'load').replace(/:\d+$/, '') : p.target!
  const pointLoad = store
    .getState()
    .problem.loadCases?.some((c) =>
      c.loads.some((l, i) => l.type === 'point' && thing.load(c.id, i) === target),
    )
  if (!p.grip && !pointLoad) return false
  store.setState({ dragging: true })
  store
    .getState()
    .edit(
      'pull a load',
      (q) =>
        p.grip
          ? dragGrip(q, structure!, view, p.grip, p.at, at, step)
          : dragAlong(q, structure!, view, target, at, step),
      {
        merge: `pull ${p.grip?.target ?? target} ${p.at.x} ${p.at.y}`,
        select: target,
        shown: true,
      },
    )
  return true
}

/** Moves the joint that the press began at to the crossing of the grid under the pointer. */
export function movedJoint(hand: Hand, p: Press, at: Vec) {
  const { store, view, si, moving, fitting } = hand
  const id = p.from!
  const to = snap(hand, at)
  store
    .getState()
    .edit(`move ${id}`, (q) => edit.setNode(q, id, to), { merge: `move ${id}`, select: thing.node(id) })
  if (!moving) {
    hand.setMoving(true)
    store.setState({ dragging: true })
    hand.refits.current = fitting
    hand.setView(p.view)
  }
  const point = onScreen(view, to.x * si, to.y * si)
  hand.setGhost(() => ({ point, ...to, joint: null, from: null, refusal: null }))
}

/** Lets a dragged joint go: it merges with a joint it stands on and splits a member it lies on. */
export function letGo({ store }: Hand, id: string) {
  const after = dropped(store.getState().problem, id)
  if (!after) return
  store.getState().edit(`move ${id}`, () => after.problem, { merge: `move ${id}`, select: null })
  store.setState({ refused: after.words })
}

/** A ring at a member's end turns it from rigid to hinged and back. */
export function turnEnd({ store }: Hand, target: string) {
  const ring = readThing(target)
  if (ring?.kind !== 'ring') return
  const { id, end } = ring
  store
    .getState()
    .edit(`hinge of ${id}`, (q) =>
      edit.setHinge(q, id, end, q.members.find((m) => m.id === id)?.releases?.[end]?.M !== true),
    )
}

/** A click on a hinge lifts it: what was set on the Figure is unset there. Returns the member it was on. */
export function endClicked({ store, movable }: Hand, target: string): string {
  const hinge = readThing(target)
  if (hinge?.kind !== 'end') return target
  const { id: member, end } = hinge
  const m = store.getState().problem.members.find((o) => o.id === member)
  if (movable && m && m.type !== 'bar' && store.getState().problem.kind === 'frame')
    store.getState().edit(`hinge of ${member}`, (q) => edit.setHinge(q, member, end, false))
  return thing.member(member)
}
