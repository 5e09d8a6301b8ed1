import type { StatedLoad, Structure } from '@viga/core'
import { loadLabel } from './load-label'
import type { DrawnLoad, LoadDrawing, LoadHand } from './loads'
import { joinedByLook, plus, polyline, size, turn, type PathMark } from './marks'
import { memberLine, type View } from './view'

/** Draws a distributed couple as arcs along the member, larger where it is larger. */
export function drawCouples(
  s: Structure,
  view: View,
  d: DrawnLoad,
  load: Extract<StatedLoad, { type: 'couple' }>,
  hand: LoadHand,
  out: LoadDrawing,
) {
  const l = memberLine(s, view, s.members[load.member])
  const marks: PathMark[] = []
  const [first, last] = [load.points[0], load.points[load.points.length - 1]]
  const a = plus(plus(l.a, l.dir, first.at * view.scale), l.up, hand.gap + 10)
  const b = plus(plus(l.a, l.dir, last.at * view.scale), l.up, hand.gap + 10)
  const span = size(plus(b, a, -1))
  const count = Math.max(1, Math.floor(span / (hand.small ? 16 : 34)))
  for (let k = 0; k <= count; k++) {
    const f = k / count
    const x = first.at + (last.at - first.at) * f
    const i = Math.max(
      1,
      load.points.findIndex((p) => p.at >= x - 1e-12),
    )
    const [p, q] = [load.points[i - 1], load.points[Math.min(i, load.points.length - 1)]]
    const value = q.at > p.at ? p.q + ((q.q - p.q) * (x - p.at)) / (q.at - p.at) : q.q
    const largest = Math.max(...load.points.map((o) => Math.abs(o.q)))
    if (Math.abs(value) > 0.04 * largest)
      marks.push(
        ...turn(
          plus(a, plus(b, a, -1), f),
          (hand.small ? 3 : 5) + (hand.small ? 2 : 4) * (Math.abs(value) / largest),
          value > 0,
          'load',
          { sweep: 250, small: true, width: 1 },
        ),
      )
  }
  out.groups.push({
    key: d.target,
    target: d.target,
    marks: joinedByLook(marks),
    hit: { d: polyline([a, b]), width: 20 },
  })
  out.obstacles.push({ a, b, half: 9 })
  if (!hand.small)
    out.labelRequests.push({
      key: `v${d.target}`,
      target: d.target,
      mark: loadLabel(d.words.end ? `${d.words.main} to ${d.words.end}` : d.words.main),
      candidates: [0.5, 0.3, 0.7].flatMap((f) => [
        plus(plus(a, plus(b, a, -1), f), l.up, 20),
        plus(plus(a, plus(b, a, -1), f), l.up, 32),
      ]),
    })
}
