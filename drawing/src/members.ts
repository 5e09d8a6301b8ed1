import { thing } from '@viga/core'
import type { Structure, StructureMember } from '@viga/core'
import { across, circle, line, plus, polyline, times, type Group, type Mark, type Vec } from './marks'
import { memberLine, onScreen, type View } from './view'

/** Line widths and sizes of symbols; cards on the Shelf use smaller ones. */
export interface Hand {
  member: number
  outline: number
  hinge: number
  joint: number
  bar: number
}
export const FULL_HAND: Hand = { member: 8.6, outline: 1.4, hinge: 5.2, joint: 3.8, bar: 2.2 }
export const SMALL_HAND: Hand = { member: 4.2, outline: 1, hinge: 3.1, joint: 2.2, bar: 1.4 }

/** Distance of a hinge from its joint, px. */
const HINGE_OFFSET = 2

/** Cache of what is asked of a structure by every layer of its drawing; released together with it. */
function once<T>(find: (s: Structure) => T): (s: Structure) => T {
  const known = new WeakMap<Structure, T>()
  return (s) => {
    let found = known.get(s)
    if (found === undefined) known.set(s, (found = find(s)))
    return found
  }
}

/** Which member ends meet at each node. */
export const endsAtNodes = once((s): { member: number; end: 0 | 1 }[][] => {
  const out: { member: number; end: 0 | 1 }[][] = s.nodes.map(() => [])
  s.members.forEach((m, i) => {
    out[m.start].push({ member: i, end: 0 })
    out[m.end].push({ member: i, end: 1 })
  })
  return out
})

const hinged = (m: StructureMember, end: 0 | 1) => m.bar || m.releases[end === 0 ? 2 : 5] === true

/** Nodes at which every end is hinged and more than one meets: one circle on the joint itself. */
export const pinJoints = once((s): ReadonlySet<number> => {
  const out = new Set<number>()
  endsAtNodes(s).forEach((ends, i) => {
    if (
      ends.length > 0 &&
      ends.every((e) => hinged(s.members[e.member], e.end)) &&
      (ends.length > 1 || s.kind === 'truss' || s.members[ends[0].member].bar)
    )
      out.add(i)
  })
  return out
})

export type MemberStyle = 'timber' | 'axis'

/** What the drawing of one member needs to know of the structure. */
interface Around {
  s: Structure
  view: View
  style: MemberStyle
  hand: Hand
  pins: ReadonlySet<number>
  ends: readonly { member: number; end: 0 | 1 }[][]
}

/** How far the line of a member begins from its joint: at a joint of hinges on it, at a hinge beyond it. */
function offsetAt({ pins, ends, hand }: Around, m: StructureMember, end: 0 | 1): number {
  const node = end === 0 ? m.start : m.end
  if (m.bar) return pins.has(node) ? 0 : hand.hinge + HINGE_OFFSET + 3
  const released = m.releases.slice(3 * end, 3 * end + 3).some((x) => x !== false)
  return released && !pins.has(node) && ends[node].length > 1 ? 2 * hand.hinge : 0
}

/** A member that others are hinged to reaches past the joint by half its thickness, to meet them. */
function reachPast({ s, pins, ends, hand, style }: Around, m: StructureMember, end: 0 | 1, offset: number) {
  const node = end === 0 ? m.start : m.end
  const meets = ends[node].length > 1 && !pins.has(node) && rigidEnds(s, ends[node]).length === 1
  return style === 'timber' && !m.bar && offset === 0 && meets ? hand.member / 2 : 0
}

/** Where a corner piece carries the outline round the joint, the member's own lines stop short of it. */
function shortOf({ s, ends, hand, style }: Around, i: number, end: 0 | 1, px: number): number {
  const m = s.members[i]
  const node = end === 0 ? m.start : m.end
  return style === 'timber' &&
    hasCorner(s, ends[node]) &&
    rigidEnds(s, ends[node]).some((e) => e.member === i && e.end === end)
    ? cornerReach(hand, px) - 0.4
    : 0
}

/** The line of a member between its hinges, and the light lining of a bending one. */
function bodyOf(around: Around, i: number): { body: Group; lining?: Group } {
  const { s, view, style, hand, ends } = around
  const m = s.members[i]
  const { a, b, dir, px } = memberLine(s, view, m)
  const target = thing.member(m.id)
  const [near, far] = ([0, 1] as const).map((end) => offsetAt(around, m, end))
  const from = plus(a, dir, near - reachPast(around, m, 0, near))
  const to = plus(b, dir, reachPast(around, m, 1, far) - far)
  const body = (mark: Mark): Group => ({
    key: `m${i}`,
    target,
    hit: { d: polyline([a, b]), width: 16 },
    marks: [mark],
  })
  if (m.bar) return { body: body(line(from, to, 'ink', s.kind === 'truss' ? hand.bar : 0.75 * hand.bar)) }
  if (style === 'axis') return { body: body(line(from, to, 'ink', hand.member > 5 ? 2.8 : 1.8)) }
  const [shortNear, shortFar] = ([0, 1] as const).map((end) => shortOf(around, i, end, px))
  // closed where nothing rigid joins it: at a hinge, at a free end, and where the others are hinged to it
  const close = (node: number, off: number) =>
    off > 0 || rigidEnds(s, ends[node]).length < 2 ? hand.outline : 0
  const lining = line(
    plus(from, dir, close(m.start, near) + shortNear),
    plus(to, dir, -close(m.end, far) - shortFar),
    'sheet',
    hand.member - 2 * hand.outline,
    { cls: 'lining' },
  )
  return {
    body: body(line(plus(from, dir, shortNear), plus(to, dir, -shortFar), 'ink', hand.member)),
    lining: { key: `l${i}`, target, marks: [lining] },
  }
}

/** Hinges and other releases drawn at the ends of a member. */
function ringsOf({ s, view, pins, ends, hand }: Around, i: number): Group[] {
  const m = s.members[i]
  const { a, b, dir } = memberLine(s, view, m)
  return ([0, 1] as const).flatMap((end): Group[] => {
    const node = end === 0 ? m.start : m.end
    if (pins.has(node)) return []
    const away = end === 0 ? dir : times(dir, -1)
    const off = ends[node].length === 1 ? 0 : m.bar ? hand.hinge + HINGE_OFFSET : 2 * hand.hinge
    const marks = endMarks(m, end, plus(end === 0 ? a : b, away, off), away, hand)
    return marks.length
      ? [{ key: `h${i}.${end}`, target: thing.end(m.id, end === 0 ? 'start' : 'end'), marks }]
      : []
  })
}

/** The circle on a joint at which every member is hinged. */
const jointOf = ({ s, view, hand }: Around, node: number): Group => ({
  key: `p${node}`,
  target: thing.node(s.nodes[node].id),
  marks: [
    circle(
      onScreen(view, s.nodes[node].x, s.nodes[node].y),
      s.kind === 'truss' ? hand.joint : hand.hinge * 0.85,
      { stroke: 'ink', width: hand.hinge > 4 ? 1.4 : 1, fill: 'paper' },
    ),
  ],
})

/**
 * Members: bending ones as two ink lines with one outline round a rigid corner (or as their axis, under a
 * diagram), bars and truss members as one line; hinges as small open circles set off the joint on the
 * released member.
 */
export function memberGroups(s: Structure, view: View, style: MemberStyle, hand: Hand = FULL_HAND): Group[] {
  const around: Around = { s, view, style, hand, pins: pinJoints(s), ends: endsAtNodes(s) }
  const drawn = s.members.map((_, i) => bodyOf(around, i))
  const corners: { ink: Mark[]; lining: Mark[] } = { ink: [], lining: [] }
  if (style === 'timber')
    for (let node = 0; node < s.nodes.length; node++) corner(s, view, node, around.ends[node], hand, corners)
  return [
    ...drawn.map((d) => d.body),
    { key: 'corners', marks: corners.ink },
    ...drawn.flatMap((d) => d.lining ?? []),
    { key: 'corner linings', marks: corners.lining },
    ...s.members.flatMap((_, i) => ringsOf(around, i)),
    ...[...around.pins].map((node) => jointOf(around, node)),
  ]
}

const rigidEnds = (s: Structure, ends: { member: number; end: 0 | 1 }[]) =>
  ends.filter((e) => {
    const m = s.members[e.member]
    return !m.bar && m.releases.slice(3 * e.end, 3 * e.end + 3).every((r) => r === false)
  })

/**
 * Whether an outline goes round the joint: not where two members go straight on, whose lines meet by
 * themselves.
 */
function hasCorner(s: Structure, ends: { member: number; end: 0 | 1 }[]): boolean {
  const rigid = rigidEnds(s, ends)
  if (rigid.length !== 2) return rigid.length > 2
  const [a, b] = rigid.map((e) => s.members[e.member])
  return Math.abs(a.cos * b.sin - a.sin * b.cos) > 1e-9
}

/** How far a corner piece reaches along a member, px. */
const cornerReach = (hand: Hand, px: number) => Math.min(1.2 * hand.member, px / 2)

/**
 * The outline of a rigid corner: short stubs and their mitres, one stroke as ink and one as lining, so that
 * no edge is drawn twice.
 */
function corner(
  s: Structure,
  view: View,
  node: number,
  ends: { member: number; end: 0 | 1 }[],
  hand: Hand,
  out: { ink: Mark[]; lining: Mark[] },
) {
  const rigid = rigidEnds(s, ends)
  if (!hasCorner(s, ends)) return
  const c = onScreen(view, s.nodes[node].x, s.nodes[node].y)
  const stub = (e: (typeof rigid)[number]): Vec => {
    const { dir, px } = memberLine(s, view, s.members[e.member])
    return plus(c, dir, (e.end === 0 ? 1 : -1) * cornerReach(hand, px))
  }
  let d = ''
  for (let i = 0; i < rigid.length; i++)
    for (let j = i + 1; j < rigid.length; j++) d += polyline([stub(rigid[i]), c, stub(rigid[j])])
  out.ink.push({ t: 'path', d, stroke: 'ink', width: hand.member })
  out.lining.push({ t: 'path', d, stroke: 'sheet', width: hand.member - 2 * hand.outline })
}

/**
 * What stands at a released end: a circle for a hinge, a coil for a spring, a sleeve or a slide for N and V.
 */
function endMarks(m: StructureMember, end: 0 | 1, c: Vec, away: Vec, hand: Hand): Mark[] {
  const [N, V, M] = m.releases.slice(3 * end, 3 * end + 3)
  const side = across(away)
  const r = hand.hinge
  const w = hand.hinge > 4 ? 1.5 : 1
  const out: Mark[] = []
  if (m.bar || M === true)
    out.push(circle(c, m.bar ? hand.joint : r, { stroke: 'ink', width: m.bar ? 1.2 : w, fill: 'paper' }))
  else if (typeof M === 'number')
    out.push(circle(c, r, { stroke: 'ink', width: w, fill: 'paper' }), coil(c, r * 0.62))
  if (N !== false) {
    const reach = r + 3
    for (const k of [-1, 1])
      out.push(
        line(
          plus(plus(c, away, -reach), side, k * (r + 1.6)),
          plus(plus(c, away, reach), side, k * (r + 1.6)),
          'ink',
          1.2,
          typeof N === 'number' ? { dash: '2 1.6' } : {},
        ),
      )
  }
  if (V !== false)
    for (const k of [-1, 1])
      out.push(
        line(
          plus(plus(c, away, k * 2.2 + (N !== false ? 6 : 0)), side, -(r + 4)),
          plus(plus(c, away, k * 2.2 + (N !== false ? 6 : 0)), side, r + 4),
          'ink',
          1.4,
          typeof V === 'number' ? { dash: '2 1.6' } : {},
        ),
      )
  return out
}

function coil(c: Vec, r: number): Mark {
  const points: Vec[] = []
  for (let i = 0; i <= 24; i++) {
    const a = (i / 24) * Math.PI * 3.2
    points.push({ x: c.x + ((r * i) / 24) * Math.cos(a), y: c.y - ((r * i) / 24) * Math.sin(a) })
  }
  return { t: 'path', d: polyline(points), stroke: 'ink', width: 0.9 }
}
