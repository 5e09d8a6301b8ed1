import {
  evaluatePolynomial,
  extremes,
  formatNumber,
  memberField,
  zeros,
  type ActionSolution,
  type Field,
  type Solution,
} from '@viga/core'
import { circle, line, plus, polyline, textWidth, type Group, type Mark, type Vec } from './marks'
import type { Obstacle, Wish } from './label-placement'
import { memberLine, type View } from './view'

export type DiagramKey = 'N' | 'V' | 'M'

export interface DiagramDrawing {
  groups: Group[]
  wishes: Wish[]
  obstacles: Obstacle[]
}

/** Values below this share of the largest in the problem are nothing but rounding. */
export const ROUNDING = 1e-9

/** The largest magnitude of N, V or M over all members, SI. */
export const largest = (fields: readonly Field[], key: DiagramKey): number =>
  Math.max(
    0,
    ...fields.flatMap((f) =>
      f.segments.flatMap((s) =>
        [s.x0, (s.x0 + s.x1) / 2, s.x1].map((x) => Math.abs(evaluatePolynomial(s[key], x - s.x0))),
      ),
    ),
  )

export const fieldsOf = (solution: Solution, action: ActionSolution): Field[] =>
  solution.structure.members.map((_, i) => memberField(solution, action, i))

export interface DiagramOptions {
  key: DiagramKey
  /** px for the largest value. */
  tall: number
  /**
   * Value in shown units of one SI unit. Moments are written without sign (the side tells), N with T or C.
   */
  shown: number
  /** Many members: say the largest value of each and no more. */
  spare?: boolean
}

/**
 * Internal force diagrams as thin outlines with light strokes square to the member and values at the peaks.
 * Moments stand on the tension side; N and V positive on the member's +y side.
 */
export function drawDiagram(
  solution: Solution,
  view: View,
  fields: readonly Field[],
  options: DiagramOptions,
): DiagramDrawing {
  const { structure: s } = solution
  const { key } = options
  const max = largest(fields, key)
  const out: DiagramDrawing = { groups: [], wishes: [], obstacles: [] }
  if (max === 0) return out
  const side = key === 'M' ? -1 : 1
  const said = new Set<string>()
  s.members.forEach((m, i) => {
    if (m.bar && key !== 'N') return
    const l = memberLine(s, view, m)
    const value = (seg: Field['segments'][number], x: number) => evaluatePolynomial(seg[key], x - seg.x0)
    const at = (x: number, v: number): Vec =>
      plus(plus(l.a, l.dir, x * view.scale), l.up, (side * v * options.tall) / max)
    const edge: Vec[] = []
    const strokes: Mark[] = []
    const peak = Math.max(
      ...fields[i].segments.flatMap((seg) =>
        [seg.x0, (seg.x0 + seg.x1) / 2, seg.x1].map((x) => Math.abs(value(seg, x))),
      ),
    )
    const target = `member:${m.id}`
    if (peak <= ROUNDING * max) {
      out.wishes.push({
        key: `z${i}`,
        target,
        mark: word('0', 'ink-3'),
        candidates: besideMiddle(l, 10),
        optional: true,
      })
      return
    }
    for (const seg of fields[i].segments) {
      const px = (seg.x1 - seg.x0) * view.scale
      const straight = seg[key]
        .slice(2)
        .every((c, k) => Math.abs(c) * (seg.x1 - seg.x0) ** (k + 2) <= 1e-9 * max)
      const n = straight ? 1 : Math.max(6, Math.min(60, Math.ceil(px / 5)))
      for (let k = 0; k <= n; k++) {
        const x = seg.x0 + ((seg.x1 - seg.x0) * k) / n
        edge.push(at(x, value(seg, x)))
      }
      const count = Math.max(1, Math.round(px / 9))
      let d = ''
      for (let k = 1; k < count; k++) {
        const x = seg.x0 + ((seg.x1 - seg.x0) * k) / count
        d += polyline([at(x, 0), at(x, value(seg, x))])
      }
      if (d) strokes.push({ t: 'path', d, stroke: 'ink', width: 0.6, opacity: 0.42 })
    }
    const shape = polyline([l.a, ...edge, l.b])
    out.groups.push({
      key: `d${i}`,
      target,
      marks: [
        { t: 'path', d: `${shape}Z`, fill: 'cedar', opacity: 0.07 },
        ...strokes,
        { t: 'path', d: shape, stroke: 'ink', width: 1.35, round: true },
      ],
    })
    for (let k = 1; k < edge.length; k += 1)
      if (k % 4 === 0 || k === edge.length - 1 || edge.length < 8)
        out.obstacles.push({ a: edge[edge.length < 8 ? k - 1 : Math.max(0, k - 4)], b: edge[k], half: 1 })
    // the area under the outline, in a few broad strokes
    for (let k = 0; k <= 8; k++) {
      const x = (m.length * k) / 8
      const seg =
        fields[i].segments.find((t) => x <= t.x1 * (1 + 1e-12)) ??
        fields[i].segments[fields[i].segments.length - 1]
      const v = value(seg, x)
      if (Math.abs(v) > 0.08 * max)
        out.obstacles.push({
          a: at(x, 0.1 * v),
          b: at(x, 0.92 * v),
          half: k === 0 || k === 8 ? 2 : Math.min(l.px / 20, 14),
        })
    }
    values(solution, i, fields[i], l, at, max, options, out, target, said)
  })
  return out
}

function word(text: string, fill: 'ink' | 'ink-2' | 'ink-3' = 'ink') {
  return { t: 'text' as const, text, size: 12.5, weight: 600 as const, fill, halo: true }
}

const besideMiddle = (l: ReturnType<typeof memberLine>, gap: number) =>
  [0.5, 0.4, 0.6].flatMap((f) => [1, -1].map((k) => plus(plus(l.a, l.dir, f * l.px), l.up, k * gap)))

/** Words at the ends, at the extremes inside, and once where a value is constant. */
function values(
  solution: Solution,
  i: number,
  field: Field,
  l: ReturnType<typeof memberLine>,
  at: (x: number, v: number) => Vec,
  max: number,
  options: DiagramOptions,
  out: DiagramDrawing,
  target: string,
  said: Set<string>,
) {
  const { key, shown } = options
  const m = solution.structure.members[i]
  const range = extremes(field, m.length)[key]
  const places: { x: number; v: number; end: boolean }[] = []
  const first = field.segments[0]
  const last = field.segments[field.segments.length - 1]
  const start = evaluatePolynomial(first[key], 0)
  const end = evaluatePolynomial(last[key], last.x1 - last.x0)
  const constant = Math.abs(range.max.value - range.min.value) <= 1e-6 * max
  if (constant) places.push({ x: m.length / 2, v: start, end: false })
  else {
    for (const e of [range.max, range.min])
      if (e.x > 1e-6 * m.length && e.x < m.length * (1 - 1e-6))
        places.push({ x: e.x, v: e.value, end: false })
    if (key === 'M')
      for (const x of zeros(field, 'V')) {
        const seg = field.segments.find((t) => x >= t.x0 && x <= t.x1)!
        places.push({ x, v: evaluatePolynomial(seg.M, x - seg.x0), end: false })
      }
    // peaks first: they have the fewest places to stand
    places.push({ x: 0, v: start, end: true }, { x: m.length, v: end, end: true })
  }
  if (options.spare) {
    const peak = places.reduce((a, b) => (Math.abs(b.v) > Math.abs(a.v) ? b : a))
    places.splice(0, places.length, peak)
  }
  const seen: number[] = []
  for (const p of places) {
    if (seen.some((x) => Math.abs(x - p.x) < 1e-6 * m.length)) continue
    seen.push(p.x)
    const tiny = Math.abs(p.v) <= ROUNDING * max
    if (tiny && !p.end) continue
    const top = at(p.x, tiny ? 0 : p.v)
    const text = tiny
      ? '0'
      : key === 'M'
        ? formatNumber(Math.abs(p.v) * shown)
        : key === 'N'
          ? `${formatNumber(Math.abs(p.v) * shown)} ${p.v > 0 ? 'T' : 'C'}`
          : formatNumber(p.v * shown)
    // where two members pass the same moment round a joint, or nothing ends there, it is said once
    if (p.end && (key === 'M' || tiny)) {
      const once = `${p.x === 0 ? m.start : m.end} ${text}`
      if (said.has(once)) continue
      said.add(once)
    }
    const w = textWidth(text, 12.5) / 2
    const s = Math.sign(p.v || 1) * (key === 'M' ? -1 : 1)
    const outward = (k: number, along = 0) =>
      plus(plus(top, l.up, s * (k + Math.abs(l.up.x) * w)), l.dir, along * (Math.abs(l.dir.x) * w + 9))
    const inward = p.x < m.length / 2 ? 1 : -1
    // a zero at an end is said once a joint is free of other words
    out.wishes.push({
      key: `w${i}.${p.x}`,
      target,
      mark: word(text, tiny ? 'ink-3' : 'ink'),
      candidates: [
        outward(11),
        outward(11, 0.9 * inward),
        outward(11, -0.9 * inward),
        outward(20, 0.5 * inward),
        outward(24),
        outward(-12, inward),
        outward(-14, -inward),
        outward(34),
      ],
      optional: tiny,
      clear: 2,
    })
    if (!p.end && !constant)
      out.groups.push({
        key: `k${i}.${p.x}`,
        target,
        marks: [circle(top, 2.8, { stroke: 'ink', width: 1.1, fill: 'paper' })],
      })
  }
}

/** The deflected shape, every displacement times `factor` px per m. */
export function drawDeflected(
  solution: Solution,
  view: View,
  fields: readonly Field[],
  factor: number,
): Group[] {
  const { structure: s } = solution
  return s.members.map((m, i): Group => {
    const l = memberLine(s, view, m)
    const points: Vec[] = []
    const put = (x: number, u: number, v: number) =>
      points.push(plus(plus(plus(l.a, l.dir, x * view.scale), l.dir, u * factor), l.up, v * factor))
    for (const seg of fields[i].segments) {
      const n = m.bar ? 1 : Math.max(4, Math.min(48, Math.ceil(((seg.x1 - seg.x0) * view.scale) / 7)))
      for (let k = 0; k <= n; k++) {
        const t = ((seg.x1 - seg.x0) * k) / n
        put(seg.x0 + t, evaluatePolynomial(seg.u, t), evaluatePolynomial(seg.v, t))
      }
    }
    return {
      key: `f${i}`,
      target: `member:${m.id}`,
      marks: [{ t: 'path', d: polyline(points), stroke: 'cedar', width: 1.9, round: true }],
      hit: { d: polyline(points), width: 12 },
    }
  })
}

/** Largest displacement of any joint or member point, m. */
export function largestDisplacement(fields: readonly Field[]): number {
  let most = 0
  for (const f of fields)
    for (const seg of f.segments)
      for (const t of [0, 0.25, 0.5, 0.75, 1])
        most = Math.max(
          most,
          Math.hypot(
            evaluatePolynomial(seg.u, t * (seg.x1 - seg.x0)),
            evaluatePolynomial(seg.v, t * (seg.x1 - seg.x0)),
          ),
        )
  return most
}

/**
 * Axial forces of a truss: a solid line pulls, a hollow one pushes, a dotted one rests; widths grow with the
 * force.
 */
export function drawAxialForces(
  solution: Solution,
  view: View,
  action: ActionSolution,
  shown: number,
): DiagramDrawing {
  const { structure: s } = solution
  const out: DiagramDrawing = { groups: [], wishes: [], obstacles: [] }
  const forces = s.members.map((_, i) => (action.forces[6 * i + 3] - action.forces[6 * i]) / 2)
  const max = Math.max(0, ...forces.map(Math.abs))
  s.members.forEach((m, i) => {
    const l = memberLine(s, view, m)
    const N = Math.abs(forces[i]) <= ROUNDING * max ? 0 : forces[i]
    const share = max === 0 ? 0 : Math.abs(N) / max
    const target = `member:${m.id}`
    const marks: Mark[] =
      N === 0
        ? [line(l.a, l.b, 'ink-3', 1.3, { dash: '1.4 3' })]
        : N > 0
          ? [line(l.a, l.b, 'tension', 1.3 + 3.5 * share)]
          : [
              line(l.a, l.b, 'compression', 4.2 + 4.2 * share),
              line(l.a, l.b, 'paper', 4.2 + 4.2 * share - 2.6, { cls: 'hollow' }),
            ]
    out.groups.push({ key: `n${i}`, target, marks, hit: { d: polyline([l.a, l.b]), width: 16 } })
    const text = N === 0 ? '0' : `${formatNumber(Math.abs(N) * shown, { figures: 3 })} ${N > 0 ? 'T' : 'C'}`
    let angle = (Math.atan2(l.dir.y, l.dir.x) * 180) / Math.PI
    if (angle > 90.01 || angle <= -89.99) angle += angle > 0 ? -180 : 180
    if (Math.abs(angle - 90) < 0.5) angle = -90
    const candidates = [0.5, 0.36, 0.64].flatMap((f) =>
      [1, -1].map((k) =>
        plus(
          plus(l.a, l.dir, f * l.px),
          { x: -Math.sin((angle * Math.PI) / 180) * -1, y: -Math.cos((angle * Math.PI) / 180) },
          k * 11,
        ),
      ),
    )
    out.wishes.push({
      key: `nw${i}`,
      target,
      mark: {
        t: 'text',
        text,
        size: 12,
        weight: 500,
        fill: N > 0 ? 'tension' : N < 0 ? 'compression' : 'ink-3',
        rotate: angle,
        halo: true,
      },
      candidates,
      clear: 1,
    })
  })
  return out
}
