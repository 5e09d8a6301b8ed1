import {
  formatNumber,
  thing,
  type BodyForce,
  type Display,
  type Part,
  type Place,
  type Structure,
} from '@viga/core'
import { place, type Box, type Obstacle, type LabelRequest } from './label-placement'
import {
  arrow,
  circle,
  line,
  plus,
  textWidth,
  times,
  turn,
  vec,
  type Group,
  type Ink,
  type Vec,
} from './marks'
import type { Scene } from './scene'
import { jointLetters } from './scene-names'
import { onScreen, type View } from './view'

export interface FreeBodyInput {
  structure: Structure
  part: Part
  forces: readonly BodyForce[]
  /** The forces on the other face of a section, drawn on its far side. */
  other?: readonly BodyForce[]
  view: View
  display: Display
  /** The point that moments are taken about. */
  about?: Place
  /** The rest of the structure is left out. */
  alone?: boolean
}

const INKS: Record<BodyForce['kind'], Ink> = { load: 'load', reaction: 'reaction', cut: 'cedar-deep' }
/** Length of the arrow of a force, radius of the arc of a moment, and the gap to what they act on, px. */
const [LONG, ARC, GAP] = [46, 17, 5]
/** Below this part of the largest force or moment nothing is drawn. */
const ROUNDING = 1e-9

/** A part of the structure by itself, with every force on it drawn as it acts and its amount beside it. */
export function drawFreeBody(input: FreeBodyInput): Scene {
  const { structure: s, part, view, about } = input
  const mine = merged(input.forces)
  const groups: Group[] = [...(input.alone ? [] : ghost(s, view)), ...spreads(input, mine), ...body(input)]
  const labelRequests: LabelRequest[] = jointLetters(s, view).filter((w) => isIn(s, part, w.target))
  const obstacles: Obstacle[] = pieceLines(input).map(({ a, b }) => ({ a, b, half: 2 }))
  const boxes: Box[] = []
  const all = [...mine, ...merged(input.other ?? [])]
  const most = {
    force: Math.max(0, ...all.map((f) => Math.hypot(f.fx, f.fy))),
    moment: Math.max(0, ...all.map((f) => Math.abs(f.m))),
  }
  all.forEach((f, i) => {
    const drawn = drawForce(input, f, i, most, i >= mine.length ? 1 : 0)
    groups.push(...drawn.groups)
    labelRequests.push(...drawn.labelRequests)
    obstacles.push(...drawn.obstacles)
  })
  if (about) {
    const c = onScreen(view, about.x, about.y)
    const marks = [
      circle(c, 4, { stroke: 'cedar', width: 1.4 }),
      line(vec(c.x - 9, c.y), vec(c.x + 9, c.y), 'cedar', 1.2),
      line(vec(c.x, c.y - 9), vec(c.x, c.y + 9), 'cedar', 1.2),
    ]
    groups.push({ key: 'about', marks })
  }
  const labels = place(labelRequests, obstacles, boxes, view)
  return { groups, labels, enlarged: 0, grips: [], map: false, panels: false }
}

/** The rest of the structure, faint, so that the part is seen in its place. */
const ghost = (s: Structure, view: View): Group[] =>
  s.members.map((m) => ({
    key: `ghost${m.id}`,
    target: thing.member(m.id),
    marks: [line(at(s, view, m.start), at(s, view, m.end), 'hair-2', 1, { dash: '3 4' })],
  }))

/** The stretches that distributed loads are spread over, as pale bands under the members. */
const spreads = (input: FreeBodyInput, forces: readonly BodyForce[]): Group[] =>
  forces.flatMap((f, i) => {
    if (!f.spread || input.other) return []
    const [a, b] = f.spread.map((p) => onScreen(input.view, p.x, p.y))
    return [{ key: `spread${i}`, marks: [line(a, b, 'load', 11, { opacity: 0.16 })] }]
  })

const at = (s: Structure, view: View, node: number) => onScreen(view, s.nodes[node].x, s.nodes[node].y)

/** Loads that stand at one place as one force: their arrows would cover each other. */
function merged(forces: readonly BodyForce[]): BodyForce[] {
  const out: BodyForce[] = []
  for (const f of forces) {
    const at = out.findIndex(
      (o) => o.kind === 'load' && f.kind === 'load' && Math.hypot(o.x - f.x, o.y - f.y) < 1e-9,
    )
    if (at < 0) out.push(f)
    else out[at] = { ...out[at], fx: out[at].fx + f.fx, fy: out[at].fy + f.fy, m: out[at].m + f.m }
  }
  return out
}

/** How far the two parts of a section are moved apart along the member, each, px. */
const APART = 34

/** Where one of the two parts of a section is drawn, from where it is. */
function shiftOf({ structure: s, part, other }: FreeBodyInput, face: 0 | 1): Vec {
  if (!other || part.pieces.length === 0) return vec(0, 0)
  const m = s.members[part.pieces[0].member]
  return times(vec(m.cos, -m.sin), face === 1 ? APART : -APART)
}

/** The pieces of members as lines on the screen, those of a section moved apart. */
const pieceLines = (input: FreeBodyInput) =>
  input.part.pieces.map(({ member, x0, x1 }, i) => {
    const m = input.structure.members[member]
    const from = input.structure.nodes[m.start]
    const shift = shiftOf(input, i === 1 ? 1 : 0)
    const p = (x: number) => plus(onScreen(input.view, from.x + m.cos * x, from.y + m.sin * x), shift)
    return { member: m, a: p(x0), b: p(x1) }
  })

/** The circle that an arc of a moment lies on, as lines that words keep clear of. */
const roundabout = (c: Vec): Obstacle[] =>
  Array.from({ length: 8 }, (_, k) => {
    const at = (i: number) =>
      vec(c.x + ARC * Math.cos((i * Math.PI) / 4), c.y + ARC * Math.sin((i * Math.PI) / 4))
    return { a: at(k), b: at(k + 1), half: 1 }
  })

/** The pieces and the joints of the part, in full ink. */
function body(input: FreeBodyInput): Group[] {
  const { structure: s, part, view } = input
  const pieces = pieceLines(input).map(({ member: m, a, b }, i): Group => ({
    key: `piece${i}`,
    target: thing.member(m.id),
    marks: [line(a, b, 'ink', m.bar ? 2.4 : 3.2)],
  }))
  const joints = [...part.joints].map((n): Group => ({
    key: `joint${n}`,
    target: thing.node(s.nodes[n].id),
    marks: [circle(at(s, view, n), 3.6, { fill: 'ink' })],
  }))
  return [...pieces, ...joints]
}

function isIn(s: Structure, part: Part, target: string | undefined): boolean {
  const ends = new Set(part.joints)
  for (const { member, x0, x1 } of part.pieces) {
    const m = s.members[member]
    if (x0 === 0) ends.add(m.start)
    if (x1 >= m.length) ends.add(m.end)
  }
  return [...ends].some((n) => thing.node(s.nodes[n].id) === target)
}

/** One force: its arrow, the arc of its moment, and their amounts. */
function drawForce(
  input: FreeBodyInput,
  f: BodyForce,
  i: number,
  most: { force: number; moment: number },
  /** 1 for the far face of a section, whose arrows stand on the other side of it. */
  face: 0 | 1,
) {
  const { structure: s, part, view, display } = input
  const out = { groups: [] as Group[], labelRequests: [] as LabelRequest[], obstacles: [] as Obstacle[] }
  const ink = INKS[f.kind]
  const target = 'node' in f.of ? thing.node(f.of.node) : thing.member(f.of.member)
  const c = plus(onScreen(view, f.x, f.y), shiftOf(input, face))
  const size = Math.hypot(f.fx, f.fy)
  const say = (key: string, text: string, around: Vec[]) =>
    out.labelRequests.push({
      key: `${key}${i}.${face}`,
      target,
      mark: { t: 'text', text, size: 12.5, weight: 600, fill: ink, halo: true },
      candidates: around,
      clear: 2,
    })
  // components of cuts are read along the member and across it; of others along the global axes
  for (const [key, v] of components(s, f)) {
    const value = Math.hypot(v.x, v.y)
    if (value <= ROUNDING * most.force || size <= ROUNDING * most.force) continue
    const dir = vec(v.x / value, -v.y / value)
    const pulls =
      f.kind !== 'cut' || key === 'across' || isOutward(s, part, f, v, input.other ? face : undefined)
    const [tail, tip] =
      f.kind === 'cut' && pulls
        ? [plus(c, dir, GAP), plus(c, dir, GAP + LONG)]
        : [plus(c, dir, -GAP - LONG), plus(c, dir, -GAP)]
    out.groups.push({ key: `f${key}${i}.${face}`, target, marks: arrow(tail, tip, ink) })
    out.obstacles.push({ a: tail, b: tip, half: 4 })
    const text = formatNumber(value * display.force.perSI)
    const w = textWidth(text, 12.5) / 2
    const mid = plus(times(tail, 0.5), tip, 0.5)
    const far = Math.hypot(tail.x - c.x, tail.y - c.y) > Math.hypot(tip.x - c.x, tip.y - c.y) ? tail : tip
    const out_ = (from: Vec) => plus(far, plus(far, from, -1), (10 + w * Math.abs(dir.x)) / (LONG + GAP))
    say(key, text, [
      out_(c),
      plus(mid, vec(-dir.y, dir.x), 10 + w * Math.abs(dir.y)),
      plus(mid, vec(dir.y, -dir.x), 10 + w * Math.abs(dir.y)),
    ])
  }
  if (Math.abs(f.m) > ROUNDING * most.moment) {
    const from = f.kind === 'cut' ? 120 : -35
    out.groups.push({ key: `m${i}.${face}`, target, marks: turn(c, ARC, f.m > 0, ink, { from, sweep: 200 }) })
    out.obstacles.push(...roundabout(c))
    sayMoment(c, formatNumber(Math.abs(f.m * display.moment.perSI)), say)
  }
  return out
}

/** The amount of a moment above, below or beside its arc. */
function sayMoment(c: Vec, text: string, say: (key: string, text: string, around: Vec[]) => void) {
  const w = textWidth(text, 12.5) / 2
  say('moment', text, [
    vec(c.x, c.y - ARC - 10),
    vec(c.x, c.y + ARC + 10),
    vec(c.x + ARC + w + 6, c.y - 8),
    vec(c.x - ARC - w - 6, c.y - 8),
  ])
}

const memberOf = (s: Structure, id: string) => s.members.find((m) => m.id === id)

/** The components that are drawn: N and V of a cut, the whole of a load, x and y of a reaction. */
function components(s: Structure, f: BodyForce): [string, Vec][] {
  const m = f.kind === 'cut' && 'member' in f.of ? memberOf(s, f.of.member) : undefined
  if (m) {
    const along = f.fx * m.cos + f.fy * m.sin
    const across = f.fy * m.cos - f.fx * m.sin
    return [
      ['along', vec(along * m.cos, along * m.sin)],
      ['across', vec(-across * m.sin, across * m.cos)],
    ]
  }
  if (f.kind === 'load') return [['force', vec(f.fx, f.fy)]]
  return [
    ['x', vec(f.fx, 0)],
    ['y', vec(0, f.fy)],
  ]
}

/** Whether a cut's force points out of the part: an arrow of tension is drawn beyond the cut. */
function isOutward(s: Structure, part: Part, f: BodyForce, v: Vec, face?: 0 | 1): boolean {
  const m = 'member' in f.of ? memberOf(s, f.of.member) : undefined
  if (!m) return true
  const node = [m.start, m.end].find((n) => part.joints.has(n))
  if (node !== undefined && part.pieces.every((p) => s.members[p.member] !== m)) {
    // at a joint by itself: away from the joint along the member
    const way = node === m.start ? 1 : -1
    return way * (v.x * m.cos + v.y * m.sin) > 0
  }
  const from = s.nodes[m.start]
  const x = (f.x - from.x) * m.cos + (f.y - from.y) * m.sin
  // the two parts of a section meet at the same place: each force belongs to the piece of its own face
  const own = face === undefined ? part.pieces : [part.pieces[face]]
  const piece = own.find((p) => s.members[p.member] === m && Math.abs(p.x1 - x) <= 1e-6 * m.length)
  return (piece ? 1 : -1) * (v.x * m.cos + v.y * m.sin) > 0
}
