import { readThing, thing, type StatedLoad, type Structure } from '@viga/core'
import { drawAlong } from './load-along'
import { loadLabel } from './load-label'
import type { DrawnLoad, LoadDrawing, LoadHand } from './loads'
import type { LabelRequest } from './label-placement'
import {
  arrow,
  dot,
  head,
  joinedByLook,
  line,
  plus,
  polyline,
  size,
  textWidth,
  times,
  unit,
  vec,
  type Mark,
  type PathMark,
  type Vec,
} from './marks'
import { memberLine, type Line, type View } from './view'

type Distributed = Extract<StatedLoad, { type: 'distributed' }>

/** A distributed load while its row of arrows is drawn; points in px. */
interface Row {
  d: DrawnLoad
  load: Distributed
  hand: LoadHand
  line: Line
  /** The largest intensity of all loads, N/m: it is drawn `hand.tall` px high. */
  most: number
  /** The way the load acts, and the opposite. */
  act: Vec
  back: Vec
  sign: number
  /** Drawn on a level band, as it is measured per projection. */
  level: boolean
  /** Height of an intensity, px; negative where it acts the other way. */
  tall: (q: number) => number
  /** The point of an arrow over a place of the member. */
  tip: (x: number) => Vec
  /** The loaded stretch of the member, from its first to its last point. */
  ends: [Vec, Vec]
  /** Corners of the outline, two for each stretch between points. */
  tails: Vec[]
  tips: Vec[]
}

/**
 * Draws a distributed load as a row of arrows with an outline; rows on one side stand one above the other.
 */
export function drawRow(
  s: Structure,
  view: View,
  d: DrawnLoad,
  load: Distributed,
  most: number,
  hand: LoadHand,
  stacked: Map<string, number>,
  out: LoadDrawing,
  silent: boolean,
) {
  const l = memberLine(s, view, s.members[load.member])
  const positive = { X: vec(1, 0), Y: vec(0, -1), x: l.dir, y: l.up }[load.direction]
  const first = load.points.find((p) => p.q !== 0)
  if (!first || most === 0) return
  const sign = Math.sign(first.q)
  const act = times(positive, sign)
  const key = `${load.member}:${Math.round(act.x * 10)}:${Math.round(act.y * 10)}`
  const lift = stacked.get(key) ?? 0
  const tallest = (Math.max(...load.points.map((p) => Math.abs(p.q))) / most) * hand.tall
  stacked.set(key, lift + Math.max(hand.small ? 6 : 14, tallest) + (hand.small ? 3 : 8))
  const at = (x: number) => plus(l.a, l.dir, x * view.scale)
  const acrossLimit = 0.98
  if (Math.abs(dot(positive, l.dir)) > acrossLimit) return drawAlong(l, at, load, d, hand, lift, act, out)
  const row = rowOf({ d, load, hand, line: l, most, act, sign }, at, hand.gap + lift)
  const marks = [...rowOutline(row), ...rowArrows(row), ...rowEdges(row)]
  out.grips.push(...gripsOf(row))
  const hull = polyline([...row.tails, ...[...row.tips].reverse()], true)
  out.groups.push({ key: d.target, target: d.target, marks, hit: { d: hull, width: 10 } })
  addObstacles(row, tallest, out)
  if (hand.small || silent) return
  if (d.words.end === undefined) out.labelRequests.push(oneValue(row, d.words.main))
  else addEndValues(row, [d.words.main, d.words.end], out)
}

function rowOf(
  parts: Pick<Row, 'd' | 'load' | 'hand' | 'line' | 'most' | 'act' | 'sign'>,
  at: (x: number) => Vec,
  offset: number,
): Row {
  const { load, hand, most, act, sign } = parts
  const back = times(act, -1)
  const level = load.per === 'projection'
  const ends: [Vec, Vec] = [at(load.points[0].at), at(load.points[load.points.length - 1].at)]
  // per projection a level band stands clear of the highest (most upstream) point of the loaded stretch
  const crest = Math.max(...ends.map((p) => dot(p, back)))
  const tip = (x: number): Vec =>
    level
      ? plus(at(x), back, crest - dot(at(x), back) + offset + (hand.small ? 4 : 14))
      : plus(at(x), back, offset)
  const tall = (q: number) =>
    q === 0 ? 0 : Math.sign(q * sign) * Math.max(hand.small ? 6 : 14, (Math.abs(q) / most) * hand.tall)
  const tails: Vec[] = []
  const tips: Vec[] = []
  for (let i = 1; i < load.points.length; i++)
    for (const p of [load.points[i - 1], load.points[i]]) {
      tails.push(plus(tip(p.at), back, tall(p.q)))
      tips.push(tip(p.at))
    }
  return { ...parts, back, level, ends, tip, tall, tails, tips }
}

const rowOutline = ({ tails, hand }: Row): Mark[] => [
  { t: 'path', d: polyline(tails), stroke: 'load', width: hand.small ? 0.9 : 1.25 },
]

/** Arrows evenly spread over each stretch between points; one that would be a mere head is left out. */
function rowArrows({ load, hand, tip, tall, back }: Row): PathMark[] {
  const marks: PathMark[] = []
  for (let i = 1; i < load.points.length; i++) {
    const [p, q] = [load.points[i - 1], load.points[i]]
    const count = Math.max(1, Math.round(size(plus(tip(q.at), tip(p.at), -1)) / hand.apart))
    const goesOn = i > 1 && p.q === load.points[i - 2].q
    for (let k = goesOn ? 1 : 0; k <= count; k++) {
      const t = tall(p.q + ((q.q - p.q) * k) / count)
      if (Math.abs(t) <= (hand.small ? 5 : 9)) continue
      const to = tip(p.at + ((q.at - p.at) * k) / count)
      const strokes = arrow(plus(to, back, t), to, 'load', { small: true, width: hand.small ? 0.8 : 1.05 })
      marks.push(
        ...strokes.map((a, j) =>
          hand.small && j === 1 ? head(to, times(back, -Math.sign(t)), 5, 3.6, 'load') : a,
        ),
      )
    }
  }
  return joinedByLook(marks)
}

/** The outline's sides where no arrow stands, and hairlines from a level band down to the member. */
function rowEdges({ load, hand, most, level, tails, tips, ends, act, back }: Row): Mark[] {
  const marks: Mark[] = []
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
  return marks
}

function gripsOf({ d, load, hand, line: l, most, sign, back, tails }: Row): LoadDrawing['grips'] {
  const place = readThing(d.target)
  if (place?.kind !== 'load') return []
  return load.points.map((p, i) => ({
    target: thing.grip(place.caseId, place.index, i),
    at: tails[i === 0 ? 0 : 2 * i - 1],
    back,
    along: l.dir,
    siPerPx: most / hand.tall,
    value: p.q * sign,
    x: p.at,
  }))
}

function addObstacles({ tails, tips }: Row, tallest: number, out: LoadDrawing) {
  const half = Math.max(2, tallest / 2 - 3)
  for (let i = 1; i < tails.length; i += 2)
    out.obstacles.push(
      { a: tails[i - 1], b: tails[i], half: 2 },
      { a: tips[i - 1], b: tips[i], half: 3 },
      // the middle of the row
      {
        a: times(plus(tails[i - 1], tips[i - 1]), 0.5),
        b: times(plus(tails[i], tips[i]), 0.5),
        half,
      },
    )
}

/** A place away from the row, beyond a point of its outline, for words of this width (px). */
const outward =
  ({ back }: Row, width: number) =>
  (p: Vec, more = 0) =>
    plus(p, back, 11 + Math.abs(back.x) * (width / 2) + more)

/** The value of a uniform load, over the middle of its row or near it. */
function oneValue(row: Row, words: string): LabelRequest {
  const { d, load, level, tails } = row
  const out = outward(row, textWidth(words, 12.5))
  const last = tails[tails.length - 1]
  const fractions = [0.5, 0.35, 0.65, 0.2, 0.8]
  const on = (f: number) => plus(tails[0], plus(last, tails[0], -1), f)
  return {
    key: `v${d.target}`,
    target: d.target,
    mark: loadLabel(
      words,
      level ? { aside: load.direction === 'Y' ? 'on the horizontal' : 'on the vertical' } : {},
    ),
    candidates: [
      ...fractions.map((f) => out(on(f))),
      ...fractions.map((f) => out(on(f), 12)),
      out(plus(times(tails[0], 0.5), last, 0.5), 24),
    ],
    clear: 2,
  }
}

/** The values at the two ends of a load that varies; where two loads meet with one value it is said once. */
function addEndValues(row: Row, words: [string, string], { labelRequests }: LoadDrawing) {
  const { d, tails, act, back } = row
  const out = outward(row, textWidth(words[0], 12.5))
  ;[0, tails.length - 1].forEach((i, e) => {
    if (words[e] === '' || alreadySaid(labelRequests, tails[i], words[e])) return
    const inwards = times(unit(plus(tails[tails.length - 1], tails[0], -1)), e === 0 ? 1 : -1)
    const near = [0, 14, 28].map((t) => out(plus(tails[i], inwards, t)))
    const beside = plus(plus(tails[i], inwards, -(textWidth(words[e], 12.5) / 2 + 8)), act, 8)
    labelRequests.push({
      key: `v${e}${d.target}`,
      target: d.target,
      mark: loadLabel(words[e]),
      candidates: [...near, beside, ...near.map((p) => plus(p, back, 12))],
      clear: 2,
      of: tails[i],
    })
  })
}

const alreadySaid = (labelRequests: readonly LabelRequest[], at: Vec, words: string) =>
  labelRequests.some((w) => w.of && w.mark.text === words && size(plus(w.of, at, -1)) < 2)
