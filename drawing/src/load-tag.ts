import type { Structure } from '@viga/core'
import { loadLabel } from './load-label'
import type { DrawnLoad, LoadDrawing, LoadHand } from './loads'
import { line, plus, polyline, textWidth, type Mark } from './marks'
import { memberLine, type View } from './view'

/**
 * Draws a temperature change or a lack of fit, which have no arrow: words on a short hairline at the member.
 */
export function drawTag(
  s: Structure,
  view: View,
  d: DrawnLoad,
  member: number,
  x: number | undefined,
  hand: LoadHand,
  out: LoadDrawing,
) {
  const m = s.members[member]
  const l = memberLine(s, view, m)
  const c = plus(l.a, l.dir, (x ?? 0.5 * m.length) * view.scale)
  const half = hand.small ? 7 : 13
  const marks: Mark[] = [
    line(
      plus(plus(c, l.dir, -half), l.up, hand.gap - 3),
      plus(plus(c, l.dir, half), l.up, hand.gap - 3),
      'load',
      1.3,
      { dash: '4 2.5' },
    ),
  ]
  if (x !== undefined) marks.push(line(plus(c, l.up, -8), plus(c, l.up, 8), 'load', 1.3))
  out.groups.push({
    key: d.target,
    target: d.target,
    marks,
    hit: { d: polyline([plus(c, l.dir, -half), plus(c, l.dir, half)]), width: 20 },
  })
  if (hand.small) return
  const w = textWidth(d.words.main, 12.5) / 2
  const beside = (k: number, along = 0) =>
    plus(plus(c, l.up, k + Math.sign(k) * Math.abs(l.up.x) * w), l.dir, along)
  out.labelRequests.push({
    key: `v${d.target}`,
    target: d.target,
    mark: loadLabel(d.words.main),
    candidates: [beside(19), beside(19, 40), beside(19, -40), beside(30), beside(-19), beside(44)],
  })
}
