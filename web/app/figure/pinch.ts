import { zoomAt, type View } from '@viga/drawing/view'
import { vec, type Vec } from '@viga/drawing/marks'

/** Two fingers on the Figure: where they were last, in its own coordinates. */
export type Fingers = ReadonlyMap<number, Vec>

const middle = (a: Vec, b: Vec) => vec((a.x + b.x) / 2, (a.y + b.y) / 2)
const apart = (a: Vec, b: Vec) => Math.max(1, Math.hypot(a.x - b.x, a.y - b.y))

/**
 * The view after one of two fingers has moved: what lay between them stays between them, nearer or farther as
 * they are.
 */
export function pinched(view: View, before: Fingers, after: Fingers): View {
  const [a0, b0] = [...before.values()]
  const [a1, b1] = [...after.values()]
  const [from, to] = [middle(a0, b0), middle(a1, b1)]
  const zoomed = zoomAt(view, from, apart(a1, b1) / apart(a0, b0))
  return { ...zoomed, ox: zoomed.ox + to.x - from.x, oy: zoomed.oy + to.y - from.y }
}
