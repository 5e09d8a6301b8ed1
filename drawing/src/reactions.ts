import {
  thing,
  formatNumber,
  reactionAt,
  type ActionSolution,
  type Solution,
  type StructureSupport,
} from '@viga/core'
import { arrow, plus, textWidth, times, turn, vec, type Group, type Mark, type Vec } from './marks'
import { freeSide } from './free-side'
import type { Box, LabelRequest } from './label-placement'
import { endsAtNodes, FULL_HAND } from './members'
import { poseOf } from './supports'
import { onScreen, type View } from './view'

/** What the reaction of one support is drawn by. */
interface Place {
  solution: Solution
  view: View
  support: StructureSupport
  reaction: ReturnType<typeof reactionAt>
  /** The joint on the screen. */
  c: Vec
  pose: ReturnType<typeof poseOf>
  ends: ReturnType<typeof endsAtNodes>
  /** Moments below this are rounding. */
  noMoment: number
}

/** A part of a reaction: its marks, the room they take, and where its amount may stand. */
interface Part {
  key: string
  marks: Mark[]
  box: Box
  words: string
  candidates: Vec[]
}

/** A force as an arrow that ends or begins at the support's symbol. */
function forceOf(place: Place, key: 'x' | 'y', value: number, axis: Vec, perSI: number): Part {
  const { solution, view, support, c, pose, ends } = place
  const dir = times(axis, Math.sign(value))
  // an arrow stands on the side of the ground, or on the side free of members
  const alongGround = Math.abs(pose.ground.x * axis.x + pose.ground.y * axis.y) > 0.7
  const way = alongGround ? pose.ground : freeSide(solution.structure, view, support.node, axis, ends)
  // beyond the symbol, and beyond the arc of a moment that stands on the same side
  const turns = Math.abs(place.reaction.rotation) > place.noMoment
  const start = plus(c, way, (alongGround ? pose.reach : turns ? 34 : 18) + 6)
  const outer = plus(start, way, 44)
  const [tail, tip] = way.x * dir.x + way.y * dir.y < 0 ? [outer, start] : [start, outer]
  const words = formatNumber(Math.abs(value * perSI))
  const w = textWidth(words, 12.5) / 2
  const mid = plus(times(tail, 0.5), tip, 0.5)
  const candidates =
    key === 'y'
      ? [
          vec(mid.x + w + 8, mid.y + 8),
          vec(mid.x - w - 8, mid.y + 8),
          vec(mid.x, Math.max(tail.y, tip.y) + 10),
        ]
      : [
          vec(mid.x, mid.y + 13),
          vec(mid.x, mid.y - 12),
          vec(outer.x + Math.sign(outer.x - c.x) * (w + 6), outer.y),
        ]
  const box = {
    x: (tail.x + tip.x) / 2,
    y: (tail.y + tip.y) / 2,
    w: Math.abs(tip.x - tail.x) + 8,
    h: Math.abs(tip.y - tail.y) + 8,
  }
  return { key, marks: arrow(tail, tip, 'reaction'), box, words, candidates }
}

/** A moment as an arc on the side that is free of members. */
function momentOf({ solution, view, support, reaction, c, ends }: Place, perSI: number): Part {
  const value = reaction.rotation * perSI
  const left = freeSide(solution.structure, view, support.node, vec(1, 0), ends).x > 0 ? 1 : -1
  const words = formatNumber(Math.abs(value))
  const w = textWidth(words, 12.5) / 2
  return {
    key: 'm',
    marks: turn(c, 26, value > 0, 'reaction', { from: left > 0 ? -50 : 130, sweep: 100 }),
    box: { x: c.x + left * 22, y: c.y, w: 16, h: 44 },
    words,
    candidates: [
      vec(c.x + left * (30 + w), c.y - 22),
      vec(c.x + left * (30 + w), c.y + 26),
      vec(c.x - left * (34 + w), c.y),
    ],
  }
}

/** Reactions as they act: arrows beyond the support, arcs for moments, magnitudes positive. */
export function drawReactions(
  solution: Solution,
  view: View,
  action: ActionSolution,
  shown: { force: number; moment: number },
  timber: boolean,
): { groups: Group[]; labelRequests: LabelRequest[]; boxes: Box[] } {
  const { structure: s } = solution
  const out = { groups: [] as Group[], labelRequests: [] as LabelRequest[], boxes: [] as Box[] }
  const ends = endsAtNodes(s)
  const all = s.supports.map((p) => reactionAt(solution, action, p.node))
  const most = Math.max(0, ...all.flatMap((r) => [Math.abs(r.x), Math.abs(r.y)]))
  const noMoment = 1e-9 * Math.max(0, ...all.map((r) => Math.abs(r.rotation)), most * 1e-6)
  s.supports.forEach((support, i) => {
    const n = s.nodes[support.node]
    const r = all[i]
    const pose = poseOf(s, view, support, FULL_HAND, ends, timber)
    const c = onScreen(view, n.x, n.y)
    const place: Place = { solution, view, support, reaction: r, c, pose, ends, noMoment }
    // a turned support pushes along its own axes, and is shown so
    const own = r.angle !== 0 ? r.own : r
    const axes = [
      ['x', own.x, vec(Math.cos(r.angle), -Math.sin(r.angle))],
      ['y', own.y, vec(-Math.sin(r.angle), -Math.cos(r.angle))],
    ] as const
    const parts = [
      ...axes
        .filter(([, value]) => Math.abs(value) > 1e-9 * most)
        .map(([key, value, axis]) => forceOf(place, key, value, axis, shown.force)),
      ...(Math.abs(r.rotation) > noMoment ? [momentOf(place, shown.moment)] : []),
    ]
    const target = thing.support(n.id)
    for (const { key, box, words, candidates } of parts) {
      out.boxes.push(box)
      out.labelRequests.push({
        key: `r${n.id}${key}`,
        target,
        mark: { t: 'text', text: words, size: 12.5, weight: 600, fill: 'reaction', halo: true },
        candidates,
      })
    }
    if (parts.length) out.groups.push({ key: `r${n.id}`, target, marks: parts.flatMap((q) => q.marks) })
  })
  return out
}
