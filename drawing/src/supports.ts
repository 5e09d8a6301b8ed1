import { thing } from '@viga/core'
import type { Structure, StructureSupport } from '@viga/core'
import {
  across,
  circle,
  dot,
  line,
  plus,
  polyline,
  times,
  unit,
  vec,
  type Group,
  type Mark,
  type Vec,
} from './marks'
import { endsAtNodes, pinJoints, FULL_HAND, type Hand } from './members'
import { memberLine, onScreen, type View } from './view'

/** What a support looks like: which symbol, and towards which side its ground lies (screen). */
export interface SupportPose {
  symbol: 'fixed' | 'pin' | 'roller' | 'guide' | 'springs'
  ground: Vec
  /** Where the symbol's apex stands: the joint, or under the face of a beam. */
  apex: Vec
  /** How far the symbol reaches from the joint, px. */
  reach: number
}

/** The side of the ground: away from the members, among the directions the support allows. */
export function poseOf(
  s: Structure,
  view: View,
  p: StructureSupport,
  hand: Hand = FULL_HAND,
  ends = endsAtNodes(s),
  timber = true,
): SupportPose {
  const n = s.nodes[p.node]
  const c = onScreen(view, n.x, n.y)
  // own x and y on the screen
  const ownX = vec(Math.cos(p.angle), -Math.sin(p.angle))
  const ownY = vec(-Math.sin(p.angle), -Math.cos(p.angle))
  const away = ends[p.node].map(({ member, end }) =>
    times(memberLine(s, view, s.members[member]).dir, end === 0 ? 1 : -1),
  )
  const crowd = (d: Vec) => Math.max(-1, ...away.map((v) => dot(v, d)))
  const { x, y, rotation } = p.hold
  const turning = s.kind === 'truss' || rotation !== true
  // the first side is the customary one; another is taken only where a member stands in its way
  const pick = (sides: Vec[]) =>
    crowd(sides[0]) < 0.75 ? sides[0] : sides.reduce((best, d) => (crowd(d) < crowd(best) ? d : best))
  const down = times(ownY, -1)
  let symbol: SupportPose['symbol']
  let ground: Vec
  if (x === true && y === true) {
    symbol = turning ? 'pin' : 'fixed'
    const sides = [down, times(ownX, -1), ownX, ownY]
    ground = turning ? pick(sides) : sides.reduce((best, d) => (crowd(d) < crowd(best) - 0.05 ? d : best))
  } else if (y === true) {
    symbol = turning ? 'roller' : 'guide'
    ground = pick([down, ownY])
  } else if (x === true) {
    symbol = turning ? 'roller' : 'guide'
    ground = pick([times(ownX, -1), ownX])
  } else {
    symbol = 'springs'
    ground = down
  }
  const beam =
    ends[p.node].some(({ member }) => !s.members[member].bar) &&
    crowd(ground) < 0.5 &&
    away.every((v) => Math.abs(dot(v, ground)) < 0.6)
  // under the face of a beam that goes on over it, so that the support's circle is not read as a hinge
  const half = timber ? hand.member / 2 : 1.4
  const onPin = pinJoints(s).has(p.node)
  const off =
    (symbol === 'pin' || symbol === 'roller') && beam && !onPin
      ? half + (hand.hinge > 4 ? 4.2 : 2.6)
      : symbol === 'guide' && beam
        ? half
        : 0
  const k = hand.hinge / FULL_HAND.hinge
  return {
    symbol,
    ground,
    apex: plus(c, ground, off),
    reach: off + k * ({ fixed: 10, pin: 28, roller: 35, guide: 22, springs: 34 }[symbol] ?? 28),
  }
}

/** Where a symbol is drawn: from its apex along the ground and down into it, and how large. */
interface Symbol {
  pose: ReturnType<typeof poseOf>
  side: Vec
  k: number
  local: (along: number, down: number) => Vec
}

/** A triangle on the ground, or on two wheels. */
function pinOrRoller({ pose, side, k, local }: Symbol): Mark[] {
  const rolls = pose.symbol === 'roller'
  const width = Math.max(k, 0.75)
  const wheel = (at: number) =>
    circle(local(at, 22.6), 3.4 * k, { stroke: 'ink', width: 1.1 * width, fill: 'paper' })
  return [
    {
      t: 'path',
      d: polyline([local(0, 0), local(-12.5, 19), local(12.5, 19)], true),
      stroke: 'ink',
      width: 1.3 * width,
      fill: 'paper',
      round: true,
    },
    ...(rolls ? [wheel(-7), wheel(7)] : []),
    ...groundAt(local(0, rolls ? 26.2 : 19), pose.ground, side, 40 * k, 8 * k, k),
    circle(pose.apex, 4.4 * k, { stroke: 'ink', width: 1.3 * width, fill: 'paper' }),
  ]
}

/** A plate on two wheels: it slides and does not turn. */
const guide = ({ pose, side, k, local }: Symbol): Mark[] => [
  line(local(-15, 0), local(15, 0), 'ink', 2 * Math.max(k, 0.7)),
  ...[-8, 8].map((a) => circle(local(a, 4.6), 3.4 * k, { stroke: 'ink', width: 1.1, fill: 'paper' })),
  ...groundAt(local(0, 8.4), pose.ground, side, 38 * k, 8 * k, k),
]

/** A square about a joint that is kept from turning and stands on springs. */
const keptFromTurning = (c: Vec, k: number): Mark => {
  const corner = (x: number, y: number) => vec(c.x + x * k, c.y + y * k)
  return {
    t: 'path',
    d: polyline([corner(-7, -7), corner(7, -7), corner(7, 7), corner(-7, 7)], true),
    stroke: 'ink',
    width: 1.2,
  }
}

/** Supports, hatched on the side of the ground; springs as zigzags, one for each direction they act in. */
export function supportGroups(s: Structure, view: View, hand: Hand = FULL_HAND, timber = true): Group[] {
  const ends = endsAtNodes(s)
  const k = hand.hinge / FULL_HAND.hinge
  return s.supports.map((p): Group => {
    const pose = poseOf(s, view, p, hand, ends, timber)
    const n = s.nodes[p.node]
    const c = onScreen(view, n.x, n.y)
    const side = across(pose.ground)
    const local = (along: number, down: number) =>
      plus(plus(pose.apex, side, along * k), pose.ground, down * k)
    const symbol: Symbol = { pose, side, k, local }
    const marks: Mark[] = []
    if (pose.symbol === 'fixed') marks.push(...groundAt(pose.apex, pose.ground, side, 30 * k, 9 * k, k))
    if (pose.symbol === 'pin' || pose.symbol === 'roller') marks.push(...pinOrRoller(symbol))
    if (pose.symbol === 'guide') marks.push(...guide(symbol))
    marks.push(...springMarks(p, c, k))
    if (p.hold.rotation === true && pose.symbol === 'springs') marks.push(keptFromTurning(c, k))
    return {
      key: `s${n.id}`,
      target: thing.support(n.id),
      marks,
      hit: { d: polyline([c, plus(c, pose.ground, pose.reach)]), width: 30 * k },
    }
  })
}

/** A ground line with 45° hatching behind it, 6 px apart. */
function groundAt(c: Vec, ground: Vec, side: Vec, long: number, deep: number, k: number): Mark[] {
  const marks: Mark[] = [
    line(plus(c, side, -long / 2), plus(c, side, long / 2), 'ink', 1.5 * Math.max(k, 0.75)),
  ]
  let d = ''
  const step = 6 * Math.max(k, 0.62)
  for (let t = -long / 2 + 0.9 * step; t <= long / 2 + 0.01; t += step) {
    const from = plus(plus(c, side, -t), ground, 0.6)
    d += polyline([from, plus(plus(from, ground, deep - 0.6), side, 0.75 * deep)])
  }
  marks.push({ t: 'path', d, stroke: 'ink', width: 0.9 * Math.max(k, 0.75) })
  return marks
}

function springMarks(p: StructureSupport, c: Vec, k: number): Mark[] {
  const marks: Mark[] = []
  const ownX = vec(Math.cos(p.angle), -Math.sin(p.angle))
  const down = vec(Math.sin(p.angle), Math.cos(p.angle))
  const zigzag = (dir: Vec) => {
    const side = across(dir)
    const point = (t: number, a: number) => plus(plus(c, dir, t * k), side, a * k)
    marks.push({
      t: 'path',
      d: polyline([
        point(4, 0),
        point(9, 0),
        point(11, 5),
        point(15, -5),
        point(19, 5),
        point(23, -5),
        point(25, 0),
        point(29, 0),
      ]),
      stroke: 'ink',
      width: 1.2,
      round: true,
    })
    marks.push(...groundAt(point(29, 0), dir, side, 24 * k, 7 * k, k))
  }
  if (typeof p.hold.y === 'number') zigzag(unit(down))
  if (typeof p.hold.x === 'number') zigzag(times(ownX, -1))
  if (typeof p.hold.rotation === 'number')
    marks.push({ t: 'path', d: spiral(c, 12 * k), stroke: 'ink', width: Math.max(0.7, 1.2 * k) })
  return marks
}

function spiral(c: Vec, r: number): string {
  const points: Vec[] = []
  for (let i = 0; i <= 40; i++) {
    const a = (i / 40) * Math.PI * 4.5
    const q = r * (0.25 + (0.75 * i) / 40)
    points.push(vec(c.x + q * Math.cos(a), c.y - q * Math.sin(a)))
  }
  return polyline(points)
}
