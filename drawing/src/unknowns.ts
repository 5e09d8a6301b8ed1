import { thing, type working } from '@viga/core'
import {
  arrow,
  circle,
  line,
  plus,
  polyline,
  times,
  turn,
  vec,
  type Group,
  type Ink,
  type Mark,
  type Vec,
} from './marks'
import { freeSide } from './free-side'
import type { Box, Obstacle } from './label-placement'
import { endsAtNodes, FULL_HAND } from './members'
import { poseOf } from './supports'
import { memberLine, onScreen, type View } from './view'

/** How far beside its member an arrow along it may stand, px: the side liked most first. */
const ASIDE = [15, -15, 37, -37]

interface Drawn {
  marks: Mark[]
  /** Where the number stands. */
  mark: Vec
  box?: Box
  obstacle?: Obstacle
}

/** The unknowns of a structure as they are being drawn: each sees the places that those before it took. */
interface Drawing {
  numbered: working.NumberedSolution
  view: View
  ends: ReturnType<typeof endsAtNodes>
  boxes: readonly Box[]
}

type Dof = working.NumberedSolution['solution']['dofs']['list'][number]

/** A rotation: an arc on the side that is free of members. */
function arcOf({ numbered, view, ends }: Drawing, d: Dof, c: Vec, ink: Ink): Drawn {
  const away = freeSide(numbered.solution.structure, view, d.node, vec(1, 0), ends).x > 0 ? 1 : -1
  return {
    marks: turn(c, 28, true, ink, { from: away > 0 ? 25 : 105, sweep: 62, width: 1.5, small: true }),
    mark: plus(c, vec(away * 38, -26)),
    box: { x: c.x + away * 21, y: c.y - 19, w: 20, h: 26 },
  }
}

/** A translation: an arrow in the positive sense; held ones come from outside, clear of the frame. */
function arrowOf({ numbered, view, ends, boxes }: Drawing, d: Dof, c: Vec, ink: Ink): Drawn {
  const { structure: s, dofs } = numbered.solution
  const turned = dofs.angle[d.node]
  const axis =
    d.component === 'x' ? vec(Math.cos(turned), -Math.sin(turned)) : vec(-Math.sin(turned), -Math.cos(turned))
  const support = dofs.supportAt.get(d.node)
  const pose = support && poseOf(s, view, support, FULL_HAND, ends)
  const clear = pose && axis.x * pose.ground.x + axis.y * pose.ground.y < -0.7 ? pose.reach + 4 : 24
  const [from, to] = d.free ? [12, 46] : [-clear - 32, -clear]
  // where a member leaves in the arrow's own direction, the arrow stands beside it
  const along = ends[d.node]
    .map(({ member, end }) => times(memberLine(s, view, s.members[member]).dir, end === 0 ? 1 : -1))
    .some((v) => (d.free ? 1 : -1) * (v.x * axis.x + v.y * axis.y) > 0.9)
  const asides = along ? ASIDE.map((k) => times(vec(-axis.y, axis.x), k)) : [vec(0, 0)]
  const ways = asides.map((aside) => {
    const [tail, tip] = [from, to].map((t) => plus(plus(c, axis, t), aside))
    return { tail, tip, mark: d.free ? plus(tip, axis, 13) : plus(tail, axis, -12) }
  })
  // on a short member the marks of both ends would meet: the later one gives way
  const isFree = ({ mark }: { mark: Vec }) =>
    boxes.every((b) => Math.abs(b.x - mark.x) >= (b.w + 20) / 2 || Math.abs(b.y - mark.y) >= (b.h + 20) / 2)
  const { tail, tip, mark } = ways.find(isFree) ?? ways[0]
  return {
    marks: arrow(tail, tip, ink, { small: true, width: 1.4 }),
    mark,
    obstacle: { a: tail, b: tip, half: 3 },
  }
}

/**
 * Numbered degrees of freedom: arrows and arcs ending in a circle (free, tinted) or a square (held, hatched).
 */
export function drawUnknowns(
  numbered: working.NumberedSolution,
  view: View,
): { groups: Group[]; boxes: Box[]; obstacles: Obstacle[] } {
  const { solution, numbering } = numbered
  const { structure: s, dofs } = solution
  const groups: Group[] = []
  const boxes: Box[] = []
  const obstacles: Obstacle[] = []
  const drawing: Drawing = { numbered, view, ends: endsAtNodes(s), boxes }
  dofs.list.forEach((d, i) => {
    if (numbering.numbers[i] === 0) return
    const c = onScreen(view, s.nodes[d.node].x, s.nodes[d.node].y)
    const ink: Ink = d.free ? 'cedar' : 'held'
    const { marks, mark, box, obstacle } = (d.component === 'rotation' ? arcOf : arrowOf)(drawing, d, c, ink)
    if (box) boxes.push(box)
    if (obstacle) obstacles.push(obstacle)
    groups.push({
      key: `u${i}`,
      target: thing.dof(i),
      marks: [...marks, ...numberMark(mark, numbering.numbers[i], d.free)],
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
