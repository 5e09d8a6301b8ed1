import {
  thing,
  formatNumber,
  reactionAt,
  type ActionSolution,
  type Solution,
  type Structure,
  type working,
} from '@viga/core'
import {
  arrow,
  circle,
  line,
  plus,
  polyline,
  textWidth,
  times,
  turn,
  vec,
  type Group,
  type Ink,
  type Mark,
  type Vec,
} from './marks'
import type { Box, Obstacle, Wish } from './label-placement'
import { endsAtNodes, FULL_HAND } from './members'
import { poseOf } from './supports'
import { memberLine, onScreen, type View } from './view'

/** Reactions as they act: arrows beyond the support, arcs for moments, magnitudes positive. */
export function drawReactions(
  solution: Solution,
  view: View,
  action: ActionSolution,
  shown: { force: number; moment: number },
  timber: boolean,
): { groups: Group[]; wishes: Wish[]; boxes: Box[] } {
  const { structure: s } = solution
  const out = { groups: [] as Group[], wishes: [] as Wish[], boxes: [] as Box[] }
  const ends = endsAtNodes(s)
  const all = s.supports.map((p) => reactionAt(solution, action, p.node))
  const most = Math.max(0, ...all.flatMap((r) => [Math.abs(r.x), Math.abs(r.y)]))
  const mostM = Math.max(0, ...all.map((r) => Math.abs(r.rotation)), most * 1e-6)
  s.supports.forEach((p, i) => {
    const n = s.nodes[p.node]
    const c = onScreen(view, n.x, n.y)
    const pose = poseOf(s, view, p, FULL_HAND, ends, timber)
    const marks: Mark[] = []
    const target = thing.support(n.id)
    const say = (key: string, value: number, at: Vec[]) =>
      out.wishes.push({
        key: `r${n.id}${key}`,
        target,
        mark: {
          t: 'text',
          text: formatNumber(Math.abs(value)),
          size: 12.5,
          weight: 600,
          fill: 'reaction',
          halo: true,
        },
        candidates: at,
      })
    // a turned support pushes along its own axes, and is shown so
    const turned = all[i].angle !== 0
    for (const [key, value, axis] of [
      ['x', turned ? all[i].own.x : all[i].x, vec(Math.cos(all[i].angle), -Math.sin(all[i].angle))],
      ['y', turned ? all[i].own.y : all[i].y, vec(-Math.sin(all[i].angle), -Math.cos(all[i].angle))],
    ] as const) {
      if (Math.abs(value) <= 1e-9 * most) continue
      const dir = times(axis, Math.sign(value))
      // an arrow stands on the side of the ground, or on the side free of members
      const alongGround = Math.abs(pose.ground.x * axis.x + pose.ground.y * axis.y) > 0.7
      const free = freeSide(s, view, p.node, axis, ends)
      // beyond the symbol, and beyond the arc of a moment that stands on the same side
      const beyond = alongGround ? pose.reach : Math.abs(all[i].rotation) > 1e-9 * mostM ? 34 : 18
      const start = plus(c, alongGround ? pose.ground : free, beyond + 6)
      const outer = plus(start, alongGround ? pose.ground : free, 44)
      const pushes =
        (alongGround ? pose.ground : free).x * dir.x + (alongGround ? pose.ground : free).y * dir.y < 0
      const [tail, tip] = pushes ? [outer, start] : [start, outer]
      marks.push(...arrow(tail, tip, 'reaction'))
      out.boxes.push({
        x: (tail.x + tip.x) / 2,
        y: (tail.y + tip.y) / 2,
        w: Math.abs(tip.x - tail.x) + 8,
        h: Math.abs(tip.y - tail.y) + 8,
      })
      const shownValue = value * shown.force
      const w = textWidth(formatNumber(Math.abs(shownValue)), 12.5) / 2
      const mid = plus(times(tail, 0.5), tip, 0.5)
      say(
        key,
        shownValue,
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
            ],
      )
    }
    if (Math.abs(all[i].rotation) > 1e-9 * mostM) {
      const value = all[i].rotation * shown.moment
      const left = freeSide(s, view, p.node, vec(1, 0), ends).x > 0 ? 1 : -1
      marks.push(...turn(c, 26, value > 0, 'reaction', { from: left > 0 ? -50 : 130, sweep: 100 }))
      const w = textWidth(formatNumber(Math.abs(value)), 12.5) / 2
      say('m', value, [
        vec(c.x + left * (30 + w), c.y - 22),
        vec(c.x + left * (30 + w), c.y + 26),
        vec(c.x - left * (34 + w), c.y),
      ])
      out.boxes.push({ x: c.x + left * 22, y: c.y, w: 16, h: 44 })
    }
    if (marks.length) out.groups.push({ key: `r${n.id}`, target, marks })
  })
  return out
}

const middles = new WeakMap<Structure, number>()

/** The middle of the structure between its left and its right, m; found once. */
function middleOf(s: Structure): number {
  let middle = middles.get(s)
  if (middle === undefined) {
    let [left, right] = [Infinity, -Infinity]
    for (const { x } of s.nodes) [left, right] = [Math.min(left, x), Math.max(right, x)]
    middles.set(s, (middle = (left + right) / 2))
  }
  return middle
}

/** Of the two senses of an axis, the one farther from the members at the joint. */
function freeSide(
  s: Structure,
  view: View,
  node: number,
  axis: Vec,
  ends: ReturnType<typeof endsAtNodes>,
): Vec {
  const crowd = (d: Vec) =>
    Math.max(
      -1,
      ...ends[node].map(({ member, end }) => {
        const { dir } = memberLine(s, view, s.members[member])
        return (end === 0 ? 1 : -1) * (dir.x * d.x + dir.y * d.y)
      }),
    )
  const middle = middleOf(s)
  const outside = s.nodes[node].x > middle ? 1 : -1
  const prefer = axis.x !== 0 ? times(axis, outside) : times(axis, -1)
  return crowd(times(prefer, -1)) < crowd(prefer) - 0.2 ? times(prefer, -1) : prefer
}

/** How far beside its member an arrow along it may stand, px: the side liked most first. */
const ASIDE = [15, -15, 37, -37]

/**
 * Numbered degrees of freedom: arrows and arcs ending in a circle (free, tinted) or a square (held, hatched).
 */
export function drawUnknowns(
  { solution, numbering }: working.NumberedSolution,
  view: View,
): { groups: Group[]; boxes: Box[]; obstacles: Obstacle[] } {
  const { structure: s, dofs } = solution
  const groups: Group[] = []
  const boxes: Box[] = []
  const obstacles: Obstacle[] = []
  const ends = endsAtNodes(s)
  const away = (node: number) =>
    ends[node].map(({ member, end }) => times(memberLine(s, view, s.members[member]).dir, end === 0 ? 1 : -1))
  dofs.list.forEach((d, i) => {
    if (numbering.numbers[i] === 0) return
    const n = s.nodes[d.node]
    const c = onScreen(view, n.x, n.y)
    const turnBy = dofs.angle[d.node]
    const target = thing.dof(i)
    const ink: Ink = d.free ? 'cedar' : 'held'
    const marks: Mark[] = []
    let mark: Vec
    if (d.component === 'rotation') {
      const away = freeSide(s, view, d.node, vec(1, 0), ends).x > 0 ? 1 : -1
      marks.push(...turn(c, 28, true, ink, { from: away > 0 ? 25 : 105, sweep: 62, width: 1.5, small: true }))
      mark = plus(c, vec(away * 38, -26))
      boxes.push({ x: c.x + away * 21, y: c.y - 19, w: 20, h: 26 })
    } else {
      const axis =
        d.component === 'x'
          ? vec(Math.cos(turnBy), -Math.sin(turnBy))
          : vec(-Math.sin(turnBy), -Math.cos(turnBy))
      // arrows point in the positive sense; held ones come from outside so that they stay clear of the frame
      const support = dofs.supportAt.get(d.node)
      const pose = support && poseOf(s, view, support, FULL_HAND, ends)
      const clear = pose && axis.x * pose.ground.x + axis.y * pose.ground.y < -0.7 ? pose.reach + 4 : 24
      const [from, to] = d.free ? [12, 46] : [-clear - 32, -clear]
      // where a member leaves in the arrow's own direction, the arrow stands beside it
      const along = away(d.node).some((v) => (d.free ? 1 : -1) * (v.x * axis.x + v.y * axis.y) > 0.9)
      const asides = along ? ASIDE.map((k) => times(vec(-axis.y, axis.x), k)) : [vec(0, 0)]
      const ways = asides.map((aside) => {
        const [tail, tip] = [from, to].map((t) => plus(plus(c, axis, t), aside))
        return { tail, tip, mark: d.free ? plus(tip, axis, 13) : plus(tail, axis, -12) }
      })
      // on a short member the marks of both ends would meet: the later one gives way
      const way =
        ways.find((w) =>
          boxes.every(
            (b) => Math.abs(b.x - w.mark.x) >= (b.w + 20) / 2 || Math.abs(b.y - w.mark.y) >= (b.h + 20) / 2,
          ),
        ) ?? ways[0]
      obstacles.push({ a: way.tail, b: way.tip, half: 3 })
      marks.push(...arrow(way.tail, way.tip, ink, { small: true, width: 1.4 }))
      mark = way.mark
    }
    marks.push(...numberMark(mark, numbering.numbers[i], d.free))
    groups.push({
      key: `u${i}`,
      target,
      marks,
      hit: { d: polyline([mark, plus(mark, vec(0.1, 0))]), width: 24 },
    })
    boxes.push({ x: mark.x, y: mark.y, w: 20, h: 20 })
  })
  return { groups, boxes, obstacles }
}

export function numberMark(c: Vec, number: number, free: boolean): Mark[] {
  const r = number > 99 ? 11 : 9
  const shape: Mark[] = free
    ? [circle(c, r, { stroke: 'cedar', width: 1.2, fill: 'cedar-tint', cls: 'dot' })]
    : [
        {
          t: 'path',
          d: `M${c.x - r + 1} ${c.y - r + 1}h${2 * r - 2}v${2 * r - 2}h${2 - 2 * r}Z`,
          stroke: 'held',
          width: 1,
          fill: 'paper',
          cls: 'dot',
        },
        line(plus(c, vec(-r + 1, 2)), plus(c, vec(-2, -r + 1)), 'held-hatch', 0.8),
        line(plus(c, vec(-r + 1, r - 1)), plus(c, vec(r - 1, -r + 1)), 'held-hatch', 0.8),
        line(plus(c, vec(2, r - 1)), plus(c, vec(r - 1, -2)), 'held-hatch', 0.8),
      ]
  return [
    ...shape,
    {
      t: 'text',
      x: c.x,
      y: c.y,
      text: String(number),
      size: number > 99 ? 9 : 10.5,
      weight: 600,
      fill: free ? 'cedar-deep' : 'ink-2',
      anchor: 'middle',
      cls: 'on-dot',
    },
  ]
}
