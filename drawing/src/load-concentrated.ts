import { loadLabel } from './load-label'
import type { DrawnLoad, LoadDrawing, LoadHand } from './loads'
import {
  across,
  arrow,
  head,
  line,
  plus,
  polyline,
  textWidth,
  turn,
  unit,
  vec,
  type Mark,
  type Vec,
} from './marks'

/** A force and a moment at a point, in px: the point, the way the force acts, and the moment's sign. */
interface Concentrated {
  d: DrawnLoad
  at: Vec
  force: Vec
  moment: number
  hand: LoadHand
  /** Distance of the arrow's tip from the point. */
  gap: number
  /**
   * The arrow begins at the point and points away from it, since a member stands where it would come from.
   */
  hangs: boolean
}

/** Draws a force as an arrow and a moment as an arc at a point of the structure, each with its value. */
export function drawConcentrated(load: Concentrated, out: LoadDrawing) {
  const { d, at, force: f, moment, hand, gap, hangs } = load
  const acts = f.x !== 0 || f.y !== 0
  const marks = [...(acts ? forceArrow(load, out) : []), ...(moment !== 0 ? momentArc(load, out) : [])]
  if (marks.length === 0) return
  const reach = acts ? (hangs ? 1 : -1) * (hand.point + gap) : 0
  out.groups.push({
    key: d.target,
    target: d.target,
    marks,
    hit: { d: polyline([at, plus(at, unit(f), reach)]), width: acts ? 16 : 40 },
  })
}

function forceArrow({ d, at, force, hand, gap, hangs }: Concentrated, out: LoadDrawing): Mark[] {
  const dir = unit(force)
  const tip = hangs ? plus(at, dir, gap + hand.point) : plus(at, dir, -gap)
  const tail = plus(tip, dir, -hand.point)
  out.obstacles.push({ a: tail, b: tip, half: 4 })
  if (hand.small) return [line(tail, plus(tip, dir, -5), 'load', 1.3), head(tip, dir, 8, 5, 'load')]
  const w = textWidth(d.words.main, 12.5) / 2
  const side = across(dir)
  const reach = Math.abs(side.x) * w + 7
  const beyond = 2 + w
  out.labelRequests.push({
    key: `v${d.target}`,
    target: d.target,
    mark: loadLabel(d.words.main),
    candidates: [
      hangs
        ? plus(tip, dir, 10 + Math.abs(dir.x) * beyond)
        : plus(tail, dir, -(9 + Math.abs(dir.x) * beyond)),
      ...[0.15, 0.5, 0.85].flatMap((t) => [
        plus(plus(tail, dir, t * hand.point), side, reach),
        plus(plus(tail, dir, t * hand.point), side, -reach),
      ]),
      plus(plus(tail, dir, -10), side, reach),
    ],
    clear: 2,
  })
  return arrow(tail, tip, 'load')
}

function momentArc({ d, at: c, moment, hand }: Concentrated, out: LoadDrawing): Mark[] {
  const r = hand.small ? 8 : 17
  out.boxes.push({ x: c.x, y: c.y - 2, w: 2 * r, h: 2 * r })
  if (!hand.small) {
    const words = d.words.couple ?? d.words.main
    const w = textWidth(words, 12.5) / 2
    out.labelRequests.push({
      key: `c${d.target}`,
      target: d.target,
      mark: loadLabel(words),
      candidates: [
        vec(c.x, c.y - r - 11),
        vec(c.x + r + w + 5, c.y - 10),
        vec(c.x - r - w - 5, c.y - 10),
        vec(c.x + r + w + 5, c.y + 12),
        vec(c.x - r - w - 5, c.y + 12),
        vec(c.x, c.y + r + 14),
      ],
    })
  }
  const width = hand.small ? 1 : 1.5
  return turn(c, r, moment > 0, 'load', { from: -50, sweep: 220, width, small: hand.small })
}
