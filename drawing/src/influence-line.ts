import {
  formatNumber,
  lineAt,
  thing,
  type InfluenceLine,
  type MemberLine,
  type MovingEnvelope,
  type ShownUnit,
  type Signs,
  type Structure,
} from '@viga/core'
import { sideOf } from './diagram-side'
import { place, type LabelRequest, type Obstacle } from './label-placement'
import { jointLetters } from './scene-names'
import { arrow, plus, polyline, vec, type Group, type Mark, type Vec } from './marks'
import { memberGroups, SMALL_HAND } from './members'
import type { Scene } from './scene'
import { supportGroups } from './supports'
import { memberLine, type View } from './view'

/** A load of a moving train where it stands: on a member, m from its start; its size in words. */
export interface StandingLoad {
  member: number
  x: number
  words: string
}

export interface InfluenceInput {
  structure: Structure
  view: View
  line: InfluenceLine
  /** A value in words. */
  write: (si: number) => string
  loads?: readonly StandingLoad[]
  /** The envelope of a moving train, drawn in place of the line. */
  band?: MovingEnvelope
  /** The conventions of diagrams, by which the envelope is drawn. */
  signs?: Signs
  /** The unit of the envelope's values. */
  shown?: ShownUnit
}

/** px of the largest value, and of the arrow of a load. */
const [TALL, ARROW] = [92, 46]
/** Points of a curve on a stretch. */
const POINTS = 24

/** The influence line over the structure: positive values stand above it, where the force points down. */
export function drawInfluence(input: InfluenceInput): Scene {
  const { structure: s, view, line: of, write, loads = [], band } = input
  const values = of.members.flatMap((m) => m.stretches.flatMap(({ value }) => value.map(Math.abs)))
  const peak = Math.max(0, ...of.members.flatMap((m) => samples(m).map(({ v }) => Math.abs(v))))
  const scale = peak > 0 && values.length > 0 ? TALL / peak : 0
  const at = (member: number, x: number, v: number): Vec => {
    const m = s.members[member]
    const l = memberLine(s, view, m)
    return plus(plus(l.a, l.dir, (x / m.length) * l.px), vec(0, -1), v * scale)
  }
  const labelRequests: LabelRequest[] = [...jointLetters(s, view)]
  const obstacles: Obstacle[] = s.members.map((m) => {
    const l = memberLine(s, view, m)
    return { a: l.a, b: l.b, half: 4 }
  })
  const groups: Group[] = of.members.map((m) => {
    const drawn = curve(m, at)
    obstacles.push(...drawn.obstacles)
    return { key: `influence${m.member}`, target: thing.member(s.members[m.member].id), marks: drawn.marks }
  })
  if (!band) labelRequests.push(...peaks(of, s, at, write))
  const drawnBand = band ? bandOf(input, band) : { groups: [], labelRequests: [] }
  labelRequests.push(...drawnBand.labelRequests)
  const train = loads.map(({ member, x, words }, i): Group => {
    const tip = at(member, x, 0)
    labelRequests.push({
      key: `train${i}`,
      mark: { t: 'text', text: words, size: 12.5, weight: 600, fill: 'load', halo: true },
      candidates: [plus(tip, vec(0, -ARROW - 10)), plus(tip, vec(0, -ARROW - 26))],
    })
    return { key: `train${i}`, marks: arrow(plus(tip, vec(0, -ARROW)), tip, 'load', {}) }
  })
  return {
    groups: [
      ...memberGroups(s, view, 'timber', SMALL_HAND),
      ...supportGroups(s, view, SMALL_HAND),
      ...(band ? [] : groups),
      ...drawnBand.groups,
      ...train,
    ],
    labels: place(labelRequests, obstacles, [], view),
    enlarged: 0,
    grips: [],
    map: false,
    panels: false,
  }
}

/** Values along a member, close enough together for a smooth curve; both of a jump. */
const samples = (m: MemberLine): { x: number; v: number }[] =>
  m.stretches.flatMap((t, i) =>
    Array.from({ length: POINTS + 1 }, (_, k) => {
      const x = t.from + ((t.to - t.from) * k) / POINTS
      const side = k === 0 && i > 0 ? 'right' : 'left'
      return { x, v: lineAt({ ...m, stretches: [t] }, x, side) ?? 0 }
    }),
  )

/** The curve of a member, closed to its axis, with light strokes as a diagram has them. */
function curve(
  m: MemberLine,
  at: (member: number, x: number, v: number) => Vec,
): { marks: Mark[]; obstacles: Obstacle[] } {
  const all = samples(m)
  if (all.length === 0) return { marks: [], obstacles: [] }
  const edge = all.map(({ x, v }) => at(m.member, x, v))
  const [first, last] = [all[0], all[all.length - 1]]
  const outline = [at(m.member, first.x, 0), ...edge, at(m.member, last.x, 0)]
  const strokes = all
    .filter((_, k) => k % 2 === 1)
    .map(({ x, v }) => polyline([at(m.member, x, 0), at(m.member, x, v)]))
  return {
    marks: [
      { t: 'path', d: polyline(outline, true), fill: 'cedar', opacity: 0.1 },
      { t: 'path', d: strokes.join(''), stroke: 'ink', width: 0.6, opacity: 0.42 },
      { t: 'path', d: polyline(outline), stroke: 'cedar', width: 1.6 },
    ],
    obstacles: edge.slice(1).map((b, i) => ({ a: edge[i], b, half: 2 })),
  }
}

/** The largest and the least value, each written at its place. */
function peaks(
  of: InfluenceLine,
  s: Structure,
  at: (member: number, x: number, v: number) => Vec,
  write: (si: number) => string,
): LabelRequest[] {
  const all = of.members.flatMap((m) => samples(m).map((p) => ({ ...p, member: m.member })))
  const size = Math.max(0, ...all.map((p) => Math.abs(p.v)))
  return [1, -1].flatMap((sign): LabelRequest[] => {
    const best = all.reduce((a, b) => (sign * b.v > sign * a.v ? b : a), { x: 0, v: 0, member: -1 })
    if (best.member < 0 || Math.abs(best.v) <= 1e-9 * size) return []
    const tip = at(best.member, best.x, best.v)
    return [
      {
        key: `peak${sign}`,
        target: thing.member(s.members[best.member].id),
        mark: { t: 'text', text: write(best.v), size: 12.5, weight: 600, fill: 'ink', halo: true },
        candidates: [-13 * sign, -26 * sign, 13 * sign].map((dy) => plus(tip, vec(0, dy))),
      },
    ]
  })
}

/** The range between the greatest and the least value of each place, on the side diagrams have them. */
function bandOf(
  { structure: s, view, signs, shown }: InfluenceInput,
  { quantity, points, greatest, least }: MovingEnvelope,
): { groups: Group[]; labelRequests: LabelRequest[] } {
  const side = sideOf(quantity === 'moment' ? 'M' : 'V', signs)
  const peak = Math.max(...points.flatMap((p) => [Math.abs(p.max.value), Math.abs(p.min.value)]))
  const scale = peak > 0 ? TALL / peak : 0
  const at = (member: number, x: number, v: number): Vec => {
    const l = memberLine(s, view, s.members[member])
    return plus(plus(l.a, l.dir, x * view.scale), l.up, side * v * scale)
  }
  const groups = [...new Set(points.map((p) => p.member))].map((member): Group => {
    const here = points.filter((p) => p.member === member)
    const upper = here.map((p) => at(member, p.x, p.max.value))
    const lower = here.map((p) => at(member, p.x, p.min.value))
    return {
      key: `band${member}`,
      target: thing.member(s.members[member].id),
      marks: [
        { t: 'path', d: polyline([...upper, ...[...lower].reverse()], true), fill: 'cedar', opacity: 0.1 },
        { t: 'path', d: polyline(upper), stroke: 'cedar', width: 1.6 },
        { t: 'path', d: polyline(lower), stroke: 'cedar', width: 1.4, dash: '5 3' },
      ],
    }
  })
  const labelRequests = [greatest, least].flatMap((w, i): LabelRequest[] => {
    if (Math.abs(w.value) <= 1e-9 * peak) return []
    const tip = at(w.member, w.x, w.value)
    const text = formatNumber(w.value * (shown?.perSI ?? 1), { figures: 4 })
    const away = tip.y > at(w.member, w.x, 0).y ? 1 : -1
    return [
      {
        key: `worst${i}`,
        mark: { t: 'text', text, size: 12.5, weight: 600, fill: 'ink', halo: true },
        candidates: [13 * away, 26 * away, -13 * away].map((dy) => plus(tip, vec(0, dy))),
      },
    ]
  })
  return { groups, labelRequests }
}
