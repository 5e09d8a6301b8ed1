import { readThing, thing } from '@viga/core'
import type { Vec } from '@viga/drawing/marks'
import { onScreen } from '@viga/drawing/view'
import { targetOf, targetsOf } from '../sheet/targets'
import type { Hand, Press } from './hand'

/** Adds the joints inside a rectangle, and the members that run between them, to the selection. */
export function selectInside({ store, structure, view }: Hand, p: Press, at: Vec) {
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

/** The end of a member counts as the member when several things are selected. */
export const endMember = (target: string): string => {
  const it = readThing(target)
  return it?.kind === 'end' ? thing.member(it.id) : target
}
