import { thing } from '@viga/core'
import type { Course, Signs, Solution, Stretch, StructureMember } from '@viga/core'
import { sideOf, type DiagramKey } from './diagram-side'
import { drawValues, ROUNDING, valueWord } from './diagram-values'
import type { Obstacle, LabelRequest } from './label-placement'
import { plus, polyline, type Group, type Ink, type Mark, type Vec } from './marks'
import { memberLine, type View } from './view'

export type { DiagramKey }

export interface DiagramDrawing {
  groups: Group[]
  labelRequests: LabelRequest[]
  obstacles: Obstacle[]
}

/** The largest magnitude of N, V or M over some courses at the ends and middles of their stretches, SI. */
export const largest = (courses: readonly Course[], key: DiagramKey): number =>
  courses.reduce((most, { stretches }) => stretches.reduce((m, s) => Math.max(m, peakOf(s, key)), most), 0)

const peakOf = (s: Stretch, key: DiagramKey): number =>
  Math.max(...[s.x0, (s.x0 + s.x1) / 2, s.x1].map((x) => Math.abs(s.value(key, x))))

export interface DiagramOptions {
  key: DiagramKey
  /** px for the largest value. */
  tall: number
  /**
   * Value in shown units of one SI unit. Moments are written without sign (the side tells), N with T or C.
   */
  shown: number
  /** There are many members, so only the largest value of each is written. */
  spare?: boolean
  /** The members lie on one line, so a value that two of them share at their joint is written once. */
  once?: boolean
  /** The sign conventions of the drawing; the core's own where they are left out. */
  signs?: Signs
  /** The magnitude that is drawn `tall`, SI; the largest of the courses where it is left out. */
  max?: number
  /** The ink of a second result, drawn over the first in a dashed line. */
  second?: Ink
  /** Nothing is written on the drawing: it is a map. */
  wordless?: boolean
}

/** A point of the diagram of a member: x along it in m, the value in SI, on the screen. */
type PointOf = (x: number, v: number) => Vec

/** The outline of a diagram over the stretches of a member, and light strokes square to the member. */
function outline(
  stretches: readonly Stretch[],
  key: DiagramKey,
  max: number,
  scale: number,
  at: PointOf,
): { edge: Vec[]; strokes: Mark[] } {
  const edge: Vec[] = []
  const strokes: Mark[] = []
  for (const seg of stretches) {
    const px = (seg.x1 - seg.x0) * scale
    const n = seg.isStraight(key, 1e-9 * max) ? 1 : Math.max(6, Math.min(60, Math.ceil(px / 5)))
    for (let k = 0; k <= n; k++) {
      const x = seg.x0 + ((seg.x1 - seg.x0) * k) / n
      edge.push(at(x, seg.value(key, x)))
    }
    const count = Math.max(1, Math.round(px / 9))
    let d = ''
    for (let k = 1; k < count; k++) {
      const x = seg.x0 + ((seg.x1 - seg.x0) * k) / count
      d += polyline([at(x, 0), at(x, seg.value(key, x))])
    }
    if (d) strokes.push({ t: 'path', d, stroke: 'ink', width: 0.6, opacity: 0.42 })
  }
  return { edge, strokes }
}

/** The obstacles for labels: the outline of the diagram, and a few broad strokes over its area. */
function inTheWay(
  stretches: readonly Stretch[],
  key: DiagramKey,
  max: number,
  line: ReturnType<typeof memberLine>,
  edge: readonly Vec[],
  at: PointOf,
): Obstacle[] {
  const out: Obstacle[] = []
  for (let k = 1; k < edge.length; k += 1)
    if (k % 4 === 0 || k === edge.length - 1 || edge.length < 8)
      out.push({ a: edge[edge.length < 8 ? k - 1 : Math.max(0, k - 4)], b: edge[k], half: 1 })
  const length = stretches[stretches.length - 1].x1
  for (let k = 0; k <= 8; k++) {
    const x = (length * k) / 8
    const seg = stretches.find((t) => x <= t.x1 * (1 + 1e-12)) ?? stretches[stretches.length - 1]
    const v = seg.value(key, x)
    if (Math.abs(v) > 0.08 * max)
      out.push({
        a: at(x, 0.1 * v),
        b: at(x, 0.92 * v),
        half: k === 0 || k === 8 ? 2 : Math.min(line.px / 20, 14),
      })
  }
  return out
}

/**
 * Internal force diagrams as thin outlines with light strokes square to the member and values at the peaks.
 * Moments stand on the tension side; N and V positive on the member's +y side.
 */
export function drawDiagram(
  solution: Solution,
  view: View,
  courses: readonly Course[],
  options: DiagramOptions,
): DiagramDrawing {
  const { structure: s } = solution
  const { key } = options
  const max = options.max ?? largest(courses, key)
  const out: DiagramDrawing = { groups: [], labelRequests: [], obstacles: [] }
  if (max === 0) return out
  const side = sideOf(key, options.signs)
  const said = new Set<string>()
  levelFirst(s.members).forEach((i) => {
    const m = s.members[i]
    if (m.bar && key !== 'N') return
    const l = memberLine(s, view, m)
    const { stretches } = courses[i]
    const at: PointOf = (x, v) =>
      plus(plus(l.a, l.dir, x * view.scale), l.up, (side * v * options.tall) / max)
    const target = thing.member(m.id)
    if (largest([courses[i]], key) <= ROUNDING * max) {
      if (options.wordless) return
      const mark = valueWord('0', 'ink-3')
      out.labelRequests.push({ key: `z${i}`, target, mark, candidates: besideMiddle(l, 10), optional: true })
      return
    }
    const { edge, strokes } = outline(stretches, key, max, view.scale, at)
    const shape = polyline([l.a, ...edge, l.b])
    if (!options.wordless) out.obstacles.push(...inTheWay(stretches, key, max, l, edge, at))
    if (options.second) {
      const line: Mark = {
        t: 'path',
        d: shape,
        stroke: options.second,
        width: 1.35,
        dash: '5 3',
        round: true,
      }
      out.groups.push({ key: `second${i}`, target, marks: [line] })
      return
    }
    out.groups.push({
      key: `d${i}`,
      target,
      diagram: true,
      marks: [
        { t: 'path', d: `${shape}Z`, fill: 'cedar', opacity: 0.07 },
        ...strokes,
        { t: 'path', d: shape, stroke: 'ink', width: 1.35, round: true },
      ],
    })
    if (options.wordless) return
    drawValues({ solution, member: i, course: courses[i], line: l, at, max, options, target, said }, out)
  })
  return out
}

/**
 * The members by index, beams before columns: a moment that a beam and a column share at their joint is
 * written once, beside the beam.
 */
function levelFirst(members: readonly StructureMember[]): number[] {
  const all = members.map((_, i) => i)
  const isLevel = (i: number) => Math.abs(members[i].cos) > 0.7
  return [...all.filter(isLevel), ...all.filter((i) => !isLevel(i))]
}

const besideMiddle = (l: ReturnType<typeof memberLine>, gap: number) =>
  [0.5, 0.4, 0.6].flatMap((f) => [1, -1].map((k) => plus(plus(l.a, l.dir, f * l.px), l.up, k * gap)))
