import { readThing, thing, type StatedLoad, type Structure } from '@viga/core'
import {
  across,
  arrow,
  dot,
  head,
  line,
  plus,
  polyline,
  size,
  times,
  turn,
  unit,
  vec,
  type Group,
  type Mark,
  type Vec,
} from './marks'
import { memberLine, onScreen, type View } from './view'
import { textWidth, type TextMark } from './marks'
import type { Box, Obstacle, Wish } from './label-placement'

/** A load with its place in the document and the words at its arrows. */
export interface DrawnLoad {
  target: string
  load: StatedLoad
  /** Values as the figure says them: of the whole, or at the two ends of a varying one. */
  words: LoadWords
  /** Where loads of several cases are drawn: the case, and how its lines are broken. */
  of?: { id: string; dash: string | undefined }
}

export interface LoadWords {
  main: string
  /** Value at the end where it differs from the start. */
  end?: string
  /** Nodal and point loads: the force and the couple apart. */
  couple?: string
}

export interface LoadHand {
  gap: number
  tall: number
  apart: number
  point: number
  small: boolean
}
export const LOAD_HAND: LoadHand = { gap: 11, tall: 36, apart: 24, point: 46, small: false }
export const CARD_LOAD_HAND: LoadHand = { gap: 6, tall: 15, apart: 11, point: 20, small: true }

/** A corner of a distributed load that can be pulled: where it is, and what a pixel of pulling means. */
export interface Grip {
  /** The key of this corner: case, load, point. */
  target: string
  at: Vec
  /** Away from the member, and along it. */
  back: Vec
  along: Vec
  siPerPx: number
  /** Value in the direction the load acts (N/m) and place (m) of the point. */
  value: number
  x: number
}

export interface LoadDrawing {
  grips: Grip[]
  groups: Group[]
  wishes: Wish[]
  obstacles: Obstacle[]
  boxes: Box[]
}

/** Draws loads as they act: rows of arrows with an outline, single arrows, arcs; each with its value. */
export function drawLoads(
  s: Structure,
  view: View,
  loads: readonly DrawnLoad[],
  hand: LoadHand = LOAD_HAND,
): LoadDrawing {
  const out: LoadDrawing = { grips: [], groups: [], wishes: [], obstacles: [], boxes: [] }
  const most = Math.max(
    0,
    ...loads.flatMap(({ load: l }) => (l.type === 'distributed' ? l.points.map((p) => Math.abs(p.q)) : [])),
  )
  const silent = repeated(s, loads)
  // rows on the same side of the same member stand one above the other
  const stacked = new Map<string, number>()
  for (const d of loads) {
    const { load } = d
    const [groups, wishes] = [out.groups.length, out.wishes.length]
    if (load.type === 'distributed') row(s, view, d, load, most, hand, stacked, out, silent.has(d.target))
    else if (load.type === 'nodal') {
      const n = s.nodes[load.node]
      concentrated(
        d,
        onScreen(view, n.x, n.y),
        vec(load.fx, -load.fy),
        load.m,
        hand,
        out,
        nodeClearance(s, load.node, hand),
        memberStands(s, view, load.node, vec(load.fx, -load.fy)),
      )
    } else if (load.type === 'point') {
      const m = s.members[load.member]
      const l = memberLine(s, view, m)
      const f = load.axes === 'global' ? vec(load.fx, -load.fy) : plus(times(l.dir, load.fx), l.up, load.fy)
      concentrated(d, plus(l.a, l.dir, load.at * view.scale), f, load.m, hand, out, hand.small ? 4 : 9)
    } else if (load.type === 'couple') couples(s, view, d, load, hand, out)
    else
      tag(
        s,
        view,
        d,
        load.member,
        load.type === 'misfit' && (load.slip !== 0 || load.kink !== 0) ? load.at : undefined,
        hand,
        out,
      )
    if (d.of) marked(d.of, out.groups.slice(groups), out.wishes.slice(wishes))
  }
  return out
}

/** Lines broken and words marked by the case they belong to. */
function marked({ id, dash }: { id: string; dash: string | undefined }, groups: Group[], wishes: Wish[]) {
  for (const g of groups)
    for (const m of g.marks)
      if (m.t === 'path' && m.stroke === 'load' && dash !== undefined && m.dash === undefined) m.dash = dash
  for (const w of wishes) w.mark.aside = id
}

/**
 * Uniform rows that go on unchanged over a straight run of members are said once, in the middle of the run.
 */
function repeated(s: Structure, loads: readonly DrawnLoad[]): Set<string> {
  const runs = new Map<string, { target: string; along: number }[]>()
  for (const d of loads) {
    if (d.load.type !== 'distributed' || d.words.end !== undefined) continue
    const m = s.members[d.load.member]
    const from = s.nodes[m.start]
    const round = (v: number) => Math.round(v * 1e6) / 1e6
    const line = `${round(m.cos)} ${round(m.sin)} ${round(from.x * m.sin - from.y * m.cos)}`
    const key = `${line} ${d.load.direction} ${d.load.per} ${d.load.points[0].q}`
    const run = runs.get(key) ?? []
    run.push({ target: d.target, along: from.x * m.cos + from.y * m.sin })
    runs.set(key, run)
  }
  const silent = new Set<string>()
  for (const run of runs.values()) {
    run.sort((a, b) => a.along - b.along)
    run.forEach((r, i) => i !== (run.length - 1) >> 1 && silent.add(r.target))
  }
  return silent
}

const nodeClearance = (s: Structure, node: number, hand: LoadHand) =>
  s.members.some((m) => !m.bar && (m.start === node || m.end === node))
    ? hand.small
      ? 4
      : 9
    : hand.small
      ? 3
      : 6

/**
 * Whether a member stands where the arrow would come from, while the far side is free: then the arrow hangs
 * from the joint.
 */
function memberStands(s: Structure, view: View, node: number, f: Vec): boolean {
  const dir = unit(f)
  const away = s.members.flatMap((m) =>
    m.start === node
      ? [memberLine(s, view, m).dir]
      : m.end === node
        ? [times(memberLine(s, view, m).dir, -1)]
        : [],
  )
  const supported = s.supports.some((p) => p.node === node)
  return !supported && away.some((v) => dot(v, dir) < -0.9) && !away.some((v) => dot(v, dir) > 0.8)
}

function label(text: string, more: Partial<TextMark> = {}): Omit<TextMark, 'x' | 'y'> {
  return { t: 'text', text, size: 12.5, weight: 500, fill: 'load', halo: true, ...more }
}

function row(
  s: Structure,
  view: View,
  d: DrawnLoad,
  load: Extract<StatedLoad, { type: 'distributed' }>,
  most: number,
  hand: LoadHand,
  stacked: Map<string, number>,
  out: LoadDrawing,
  silent: boolean,
) {
  const m = s.members[load.member]
  const l = memberLine(s, view, m)
  const positive = { X: vec(1, 0), Y: vec(0, -1), x: l.dir, y: l.up }[load.direction]
  const first = load.points.find((p) => p.q !== 0)
  if (!first || most === 0) return
  const along = Math.abs(dot(positive, l.dir)) > 0.98 // acts along the member
  const level = load.per === 'projection'
  const sign = Math.sign(first.q)
  const act = times(positive, sign)
  const key = `${load.member}:${Math.round(act.x * 10)}:${Math.round(act.y * 10)}`
  const lift = stacked.get(key) ?? 0
  const tallest = (Math.max(...load.points.map((p) => Math.abs(p.q))) / most) * hand.tall
  const tall = (q: number) =>
    q === 0 ? 0 : Math.sign(q * sign) * Math.max(hand.small ? 6 : 14, (Math.abs(q) / most) * hand.tall)
  stacked.set(key, lift + Math.max(hand.small ? 6 : 14, tallest) + (hand.small ? 3 : 8))
  const marks: Mark[] = []
  const at = (x: number) => plus(l.a, l.dir, x * view.scale)
  const offset = hand.gap + lift

  if (along) return alongMember(l, at, load, d, hand, lift, act, out)
  // per projection a level band stands clear of the highest (most upstream) point of the loaded stretch
  const back = times(act, -1)
  const ends = [at(load.points[0].at), at(load.points[load.points.length - 1].at)]
  const crest = Math.max(...ends.map((p) => dot(p, back)))
  const tip = (x: number): Vec =>
    level
      ? plus(at(x), back, crest - dot(at(x), back) + offset + (hand.small ? 4 : 14))
      : plus(at(x), back, offset)
  const tails: Vec[] = []
  const tips: Vec[] = []
  for (let i = 1; i < load.points.length; i++) {
    const [p, q] = [load.points[i - 1], load.points[i]]
    tails.push(plus(tip(p.at), back, tall(p.q)), plus(tip(q.at), back, tall(q.q)))
    tips.push(tip(p.at), tip(q.at))
    const from = tip(p.at)
    const span = size(plus(tip(q.at), from, -1))
    const count = Math.max(1, Math.round(span / hand.apart))
    for (let k = i === 1 ? 0 : p.q === load.points[i - 2].q ? 1 : 0; k <= count; k++) {
      const x = p.at + ((q.at - p.at) * k) / count
      const value = p.q + ((q.q - p.q) * k) / count
      const t = tall(value)
      const to = tip(x)
      const tail = plus(to, back, t)
      if (Math.abs(t) > (hand.small ? 5 : 9))
        marks.push(
          ...arrow(tail, to, 'load', { small: true, width: hand.small ? 0.8 : 1.05 }).map((a, j) =>
            hand.small && j === 1 ? head(to, times(back, -Math.sign(t)), 5, 3.6, 'load') : a,
          ),
        )
    }
  }
  marks.unshift({ t: 'path', d: polyline(tails), stroke: 'load', width: hand.small ? 0.9 : 1.25 })
  for (const i of [0, tails.length - 1])
    if (
      size(plus(tails[i], tips[i], -1)) > 0.5 &&
      Math.abs(load.points[i === 0 ? 0 : load.points.length - 1].q) / most < 0.2
    )
      marks.push(line(tails[i], tips[i], 'load', 0.8))
  if (level && !hand.small)
    for (const i of [0, tips.length - 1]) {
      const foot = plus(ends[i === 0 ? 0 : 1], back, 10)
      if (dot(plus(tips[i], foot, -1), back) > 12)
        marks.push(line(plus(tips[i], act, 4), foot, 'load', 0.8, { dash: '1.5 3.5', opacity: 0.75 }))
    }
  const place = readThing(d.target)
  load.points.forEach((p, i) => {
    if (place?.kind !== 'load') return
    out.grips.push({
      target: thing.grip(place.caseId, place.index, i),
      at: tails[i === 0 ? 0 : 2 * i - 1],
      back,
      along: l.dir,
      siPerPx: most / hand.tall,
      value: p.q * sign,
      x: p.at,
    })
  })
  const hull = polyline([...tails, ...[...tips].reverse()], true)
  out.groups.push({ key: d.target, target: d.target, marks, hit: { d: hull, width: 10 } })
  for (let i = 1; i < tails.length; i += 2) {
    out.obstacles.push(
      { a: tails[i - 1], b: tails[i], half: 2 },
      { a: tips[i - 1], b: tips[i], half: 3 },
      { a: plus(tails[i - 1], tips[i - 1]), b: plus(tails[i], tips[i]), half: 2 },
    )
    const [p, q] = [out.obstacles[out.obstacles.length - 1].a, out.obstacles[out.obstacles.length - 1].b]
    out.obstacles[out.obstacles.length - 1] = {
      a: times(p, 0.5),
      b: times(q, 0.5),
      half: Math.max(2, tallest / 2 - 3),
    }
  }
  if (hand.small || silent) return
  const w = textWidth(d.words.main, 12.5)
  const outward = (p: Vec, more = 0) => plus(p, back, 11 + Math.abs(back.x) * (w / 2) + more)
  const mid = plus(times(tails[0], 0.5), tails[tails.length - 1], 0.5)
  if (d.words.end === undefined) {
    const fractions = [0.5, 0.35, 0.65, 0.2, 0.8]
    const on = (f: number) => plus(tails[0], plus(tails[tails.length - 1], tails[0], -1), f)
    out.wishes.push({
      key: `v${d.target}`,
      target: d.target,
      mark: label(
        d.words.main,
        level ? { aside: load.direction === 'Y' ? 'on the horizontal' : 'on the vertical' } : {},
      ),
      candidates: [
        ...fractions.map((f) => outward(on(f))),
        ...fractions.map((f) => outward(on(f), 12)),
        outward(mid, 24),
      ],
      clear: 2,
    })
  } else {
    const wordsAt = [d.words.main, d.words.end]
    ;[0, tails.length - 1].forEach((i, e) => {
      if (wordsAt[e] === '' || alreadySaid(out.wishes, tails[i], wordsAt[e])) return
      const inwards = times(unit(plus(tails[tails.length - 1], tails[0], -1)), e === 0 ? 1 : -1)
      const near = [0, 14, 28].map((t) => outward(plus(tails[i], inwards, t)))
      const beside = plus(plus(tails[i], inwards, -(textWidth(wordsAt[e], 12.5) / 2 + 8)), act, 8)
      out.wishes.push({
        key: `v${e}${d.target}`,
        target: d.target,
        mark: label(wordsAt[e]),
        candidates: [...near, beside, ...near.map((p) => plus(p, back, 12))],
        clear: 2,
        of: tails[i],
      })
    })
  }
}

/** Two loads that meet with one value say it once. */
const alreadySaid = (wishes: readonly Wish[], at: Vec, words: string) =>
  wishes.some((w) => w.of && w.mark.text === words && size(plus(w.of, at, -1)) < 2)

/** Arrows in line with the member, beside it. */
function alongMember(
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
  const marks: Mark[] = []
  for (let k = 0; k < count; k++) {
    const p = plus(a, plus(b, a, -1), (k + 0.5) / count)
    const half = Math.min(hand.apart * 0.55, span / count / 2.4)
    marks.push(...arrow(plus(p, act, -half), plus(p, act, half), 'load', { small: true }))
  }
  out.groups.push({ key: d.target, target: d.target, marks, hit: { d: polyline([a, b]), width: 14 } })
  out.obstacles.push({ a, b, half: 4 })
  if (hand.small) return
  const mid = plus(times(a, 0.5), b, 0.5)
  const w = textWidth(d.words.main, 12.5) / 2
  out.wishes.push({
    key: `v${d.target}`,
    target: d.target,
    mark: label(d.words.end ? `${d.words.main} to ${d.words.end}` : d.words.main),
    candidates: [1, 1.6, 2.2].map((k) => plus(mid, l.up, k * 13 + Math.abs(l.up.x) * w)),
  })
}

function concentrated(
  d: DrawnLoad,
  c: Vec,
  f: Vec,
  m: number,
  hand: LoadHand,
  out: LoadDrawing,
  gap: number,
  hangs = false,
) {
  const marks: Mark[] = []
  if (f.x !== 0 || f.y !== 0) {
    const dir = unit(f)
    const tip = hangs ? plus(c, dir, gap + hand.point) : plus(c, dir, -gap)
    const tail = plus(tip, dir, -hand.point)
    marks.push(
      ...(hand.small
        ? [line(tail, plus(tip, dir, -5), 'load', 1.3), head(tip, dir, 8, 5, 'load')]
        : arrow(tail, tip, 'load')),
    )
    out.obstacles.push({ a: tail, b: tip, half: 4 })
    if (!hand.small) {
      const w = textWidth(d.words.main, 12.5) / 2
      const side = across(dir)
      const reach = Math.abs(side.x) * w + 7
      out.wishes.push({
        key: `v${d.target}`,
        target: d.target,
        mark: label(d.words.main),
        candidates: [
          hangs
            ? plus(tip, dir, 10 + Math.abs(dir.x) * (w + 2))
            : plus(tail, dir, -(9 + Math.abs(dir.x) * (w + 2))),
          ...[0.15, 0.5, 0.85].flatMap((t) => [
            plus(plus(tail, dir, t * hand.point), side, reach),
            plus(plus(tail, dir, t * hand.point), side, -reach),
          ]),
          plus(plus(tail, dir, -10), side, reach),
        ],
        clear: 2,
      })
    }
  }
  if (m !== 0) {
    const r = hand.small ? 8 : 17
    marks.push(
      ...turn(c, r, m > 0, 'load', { from: -50, sweep: 220, width: hand.small ? 1 : 1.5, small: hand.small }),
    )
    out.boxes.push({ x: c.x, y: c.y - 2, w: 2 * r, h: 2 * r })
    if (!hand.small) {
      const words = d.words.couple ?? d.words.main
      const w = textWidth(words, 12.5) / 2
      out.wishes.push({
        key: `c${d.target}`,
        target: d.target,
        mark: label(words),
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
  }
  if (marks.length)
    out.groups.push({
      key: d.target,
      target: d.target,
      marks,
      hit: {
        d: polyline([c, plus(c, unit(f), f.x || f.y ? (hangs ? 1 : -1) * (hand.point + gap) : 0)]),
        width: f.x || f.y ? 16 : 40,
      },
    })
}

function couples(
  s: Structure,
  view: View,
  d: DrawnLoad,
  load: Extract<StatedLoad, { type: 'couple' }>,
  hand: LoadHand,
  out: LoadDrawing,
) {
  const l = memberLine(s, view, s.members[load.member])
  const marks: Mark[] = []
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
  out.groups.push({ key: d.target, target: d.target, marks, hit: { d: polyline([a, b]), width: 20 } })
  out.obstacles.push({ a, b, half: 9 })
  if (!hand.small)
    out.wishes.push({
      key: `v${d.target}`,
      target: d.target,
      mark: label(d.words.end ? `${d.words.main} to ${d.words.end}` : d.words.main),
      candidates: [0.5, 0.3, 0.7].flatMap((f) => [
        plus(plus(a, plus(b, a, -1), f), l.up, 20),
        plus(plus(a, plus(b, a, -1), f), l.up, 32),
      ]),
    })
}

/** Temperature and misfit have no arrow: words on a short hairline at the member. */
function tag(
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
  out.wishes.push({
    key: `v${d.target}`,
    target: d.target,
    mark: label(d.words.main),
    candidates: [beside(19), beside(19, 40), beside(19, -40), beside(30), beside(-19), beside(44)],
  })
}
