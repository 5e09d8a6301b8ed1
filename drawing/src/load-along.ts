import type { StatedLoad } from '@viga/core'
import { loadLabel } from './load-label'
import type { DrawnLoad, LoadDrawing, LoadHand } from './loads'
import {
  arrow,
  joinedByLook,
  plus,
  polyline,
  size,
  textWidth,
  times,
  vec,
  type PathMark,
  type Vec,
} from './marks'
import type { memberLine } from './view'

/** Draws a distributed load along its member: arrows in line with it, beside it. */
export function drawAlong(
  l: ReturnType<typeof memberLine>,
  at: (x: number) => Vec,
  load: Extract<StatedLoad, { type: 'distributed' }>,
  d: DrawnLoad,
  hand: LoadHand,
  lift: number,
  act: Vec,
  out: LoadDrawing,
) {
  const side = plus(vec(0, 0), l.up, hand.gap + 2 + lift / 2)
  const [a, b] = [plus(at(load.points[0].at), side), plus(at(load.points[load.points.length - 1].at), side)]
  const span = size(plus(b, a, -1))
  const count = Math.max(1, Math.round(span / (hand.apart * 1.5)))
  const marks: PathMark[] = []
  for (let k = 0; k < count; k++) {
    const p = plus(a, plus(b, a, -1), (k + 0.5) / count)
    const half = Math.min(hand.apart * 0.55, span / count / 2.4)
    marks.push(...arrow(plus(p, act, -half), plus(p, act, half), 'load', { small: true }))
  }
  out.groups.push({
    key: d.target,
    target: d.target,
    marks: joinedByLook(marks),
    hit: { d: polyline([a, b]), width: 14 },
  })
  out.obstacles.push({ a, b, half: 4 })
  if (hand.small) return
  const mid = plus(times(a, 0.5), b, 0.5)
  const w = textWidth(d.words.main, 12.5) / 2
  out.labelRequests.push({
    key: `v${d.target}`,
    target: d.target,
    mark: loadLabel(d.words.end ? `${d.words.main} to ${d.words.end}` : d.words.main),
    candidates: [1, 1.6, 2.2].map((k) => plus(mid, l.up, k * 13 + Math.abs(l.up.x) * w)),
  })
}
