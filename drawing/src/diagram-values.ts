import {
  extremesOf,
  formatNumber,
  OWN_SIGNS,
  signFactors,
  zeros,
  type Course,
  type Solution,
} from '@viga/core'
import { sideOf, type DiagramKey } from './diagram-side'
import type { DiagramDrawing, DiagramOptions } from './diagrams'
import { circle, plus, textWidth, times, type TextMark, type Vec } from './marks'
import type { memberLine } from './view'

/**
 * Relative tolerance: a value below this fraction of the largest in the problem is rounding error and is
 * written 0.
 */
export const ROUNDING = 1e-9

/** The diagram of one member while its values are written beside it. */
export interface DrawnCourse {
  solution: Solution
  member: number
  course: Course
  line: ReturnType<typeof memberLine>
  /** The point on the screen of a value at a place of the member, px. */
  at: (x: number, v: number) => Vec
  /** The largest magnitude in the problem, SI. */
  max: number
  options: DiagramOptions
  target: string
  /** The values that are already written at joints, so that none is written twice. */
  said: Set<string>
}

/** A diagram at least this tall has room for a value within it, px. */
const WITHIN = 28

/** A value beside a diagram. */
export const valueWord = (
  text: string,
  fill: 'ink' | 'ink-2' | 'ink-3' = 'ink',
): Omit<TextMark, 'x' | 'y'> => ({ t: 'text', text, size: 12.5, weight: 600, fill, halo: true })

/** Words at the ends, at the extremes inside, and once where a value is constant. */
export function drawValues(d: DrawnCourse, out: DiagramDrawing) {
  const m = d.solution.structure.members[d.member]
  const seen: number[] = []
  for (const p of placesOfValues(d)) {
    if (seen.some((x) => Math.abs(x - p.x) < 1e-6 * m.length)) continue
    seen.push(p.x)
    drawValue(d, p, out)
  }
}

/**
 * A place whose value is written: an end of the member, a peak inside, or the middle of a constant diagram.
 */
interface ValuePlace {
  /** What it is on its member: it stays the same thing while an edit moves it. */
  role: string
  x: number
  v: number
  end: boolean
  constant: boolean
}

/**
 * The places whose values are written. Peaks come first, because their labels have the fewest possible
 * positions.
 */
function placesOfValues({ solution, member, course, max, options }: DrawnCourse): ValuePlace[] {
  const { key } = options
  const m = solution.structure.members[member]
  const range = extremesOf(course, key)
  const { stretches } = course
  const start = stretches[0].value(key, 0)
  const end = stretches[stretches.length - 1].value(key, m.length)
  const constant = Math.abs(range.max.value - range.min.value) <= 1e-6 * max
  if (constant) return [{ role: 'all', x: m.length / 2, v: start, end: false, constant }]
  const places: ValuePlace[] = []
  for (const role of ['max', 'min'] as const) {
    const { x, value: v } = range[role]
    if (x > 1e-6 * m.length && x < m.length * (1 - 1e-6)) places.push({ role, x, v, end: false, constant })
  }
  if (key === 'M')
    zeros(course, 'V').forEach((x, i) => {
      const stretch = stretches.find((t) => x >= t.x0 && x <= t.x1)!
      places.push({ role: `peak${i}`, x, v: stretch.value('M', x), end: false, constant })
    })
  places.push(
    { role: 'start', x: 0, v: start, end: true, constant },
    { role: 'end', x: m.length, v: end, end: true, constant },
  )
  return options.spare ? [places.reduce((a, b) => (Math.abs(b.v) > Math.abs(a.v) ? b : a))] : places
}

/** The value as it is written: moments without sign, since the side tells; axial forces with T or C. */
function valueText(key: DiagramKey, value: number): string {
  if (key === 'M') return formatNumber(Math.abs(value))
  return key === 'N' ? `${formatNumber(Math.abs(value))} ${value > 0 ? 'T' : 'C'}` : formatNumber(value)
}

/** Whether no other member goes on beyond an end of a member, so that words there can only be of this one. */
function endsAlone({ structure: { members } }: Solution, member: number, atStart: boolean): boolean {
  const m = members[member]
  const [joint, way] = atStart ? [m.start, -1] : [m.end, 1]
  return members.every((o) => {
    if (o === m || (o.start !== joint && o.end !== joint)) return true
    const away = o.start === joint ? 1 : -1
    return way * away * (m.cos * o.cos + m.sin * o.sin) < 0.3
  })
}

function drawValue(
  { solution, member, line: l, at, max, options, target, said }: DrawnCourse,
  p: ValuePlace,
  out: DiagramDrawing,
) {
  const { key, shown } = options
  const m = solution.structure.members[member]
  const tiny = Math.abs(p.v) <= ROUNDING * max
  if (tiny && !p.end) return
  const top = at(p.x, tiny ? 0 : p.v)
  const sign = key === 'V' ? signFactors(options.signs ?? OWN_SIGNS).V : 1
  const text = tiny ? '0' : valueText(key, p.v * shown * sign)
  // where two members share the same moment at a joint, or the diagram is continuous there, the value is
  // written once
  if (p.end && (key === 'M' || tiny || options.once)) {
    const once = `${p.x === 0 ? m.start : m.end} ${text}`
    if (said.has(once)) return
    said.add(once)
  }
  const w = textWidth(text, 12.5) / 2
  const s = Math.sign(p.v || 1) * sideOf(key, options.signs)
  const outward = (k: number, along = 0) =>
    plus(plus(top, l.up, s * (k + Math.abs(l.up.x) * w)), l.dir, along * (Math.abs(l.dir.x) * w + 9))
  const base = at(p.x, 0)
  const tall = Math.hypot(top.x - base.x, top.y - base.y)
  const inward = p.x < m.length / 2 ? 1 : -1
  // a zero at an end is written only where the joint has no other label
  out.labelRequests.push({
    key: `w${member}.${p.role}`,
    target,
    mark: valueWord(text, tiny ? 'ink-3' : 'ink'),
    candidates: [
      outward(11),
      outward(11, 0.9 * inward),
      outward(11, -0.9 * inward),
      // beyond the end of the member, at the height of the ordinate
      ...(p.end && endsAlone(solution, member, p.x === 0)
        ? [plus(top, l.dir, -inward * (11 + Math.abs(l.dir.x) * w + Math.abs(l.dir.y) * 6))]
        : []),
      outward(20, 0.5 * inward),
      outward(24),
      outward(13, 1.6 * inward),
      // within the diagram, where that is tall enough to keep the value on its own side of the member
      ...(tall > WITHIN ? [outward(-12, inward), outward(-14, -inward)] : []),
      outward(34),
      outward(26, 1.8 * inward),
    ],
    side: { a: l.a, b: l.b, dir: times(l.up, s) },
    optional: tiny,
    clear: 2,
  })
  if (!p.end && !p.constant)
    out.groups.push({
      key: `k${member}.${p.role}`,
      target,
      marks: [circle(top, 2.8, { stroke: 'ink', width: 1.1, fill: 'paper' })],
    })
}
