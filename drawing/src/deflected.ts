import { thing } from '@viga/core'
import type { Course, Solution } from '@viga/core'
import { plus, polyline, type Group, type Vec } from './marks'
import { memberLine, type View } from './view'

/** The deflected shape, every displacement times `factor` px per m. */
export function drawDeflected(
  solution: Solution,
  view: View,
  courses: readonly Course[],
  factor: number,
): Group[] {
  const { structure: s } = solution
  return s.members.map((m, i): Group => {
    const l = memberLine(s, view, m)
    const points: Vec[] = []
    const rest: Vec[] = []
    const put = (x: number, u: number, v: number) => {
      rest.push(plus(l.a, l.dir, x * view.scale))
      points.push(plus(plus(rest[rest.length - 1], l.dir, u * factor), l.up, v * factor))
    }
    for (const seg of courses[i].stretches) {
      const n = m.bar ? 1 : Math.max(4, Math.min(48, Math.ceil(((seg.x1 - seg.x0) * view.scale) / 7)))
      for (let k = 0; k <= n; k++) {
        const x = seg.x0 + ((seg.x1 - seg.x0) * k) / n
        put(x, seg.value('u', x), seg.value('v', x))
      }
    }
    return {
      key: `f${i}`,
      target: thing.member(m.id),
      marks: [
        { t: 'path', d: polyline(points), rest: polyline(rest), stroke: 'cedar', width: 1.9, round: true },
      ],
      hit: { d: polyline(points), width: 12 },
    }
  })
}

/** Largest displacement of any joint or member point, m. */
export function largestDisplacement(courses: readonly Course[]): number {
  let most = 0
  for (const { stretches } of courses)
    for (const s of stretches)
      for (const t of [0, 0.25, 0.5, 0.75, 1]) {
        const x = t === 1 ? s.x1 : s.x0 + t * (s.x1 - s.x0)
        most = Math.max(most, Math.hypot(s.value('u', x), s.value('v', x)))
      }
  return most
}
