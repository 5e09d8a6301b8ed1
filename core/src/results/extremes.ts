import type { Course, CourseKey } from '../analysis/course.js'

export interface Extreme {
  value: number
  x: number
}

export interface Range {
  max: Extreme
  min: Extreme
}

/** Internal forces, and v measured from the straight chord between the displaced ends. */
export type ExtremeKey = 'N' | 'V' | 'M' | 'relative'

/**
 * Exact largest and smallest N, V, M and deflection from the chord along a member: the ends of every stretch
 * and the stationary points inside it. Of equal values the first along the member is named. Example: simply
 * supported, 2 kN/m over 4 m: M max 4 kN·m at 2 m.
 */
export const extremes = (course: Course): Record<ExtremeKey, Range> => ({
  N: extremesOf(course, 'N'),
  V: extremesOf(course, 'V'),
  M: extremesOf(course, 'M'),
  relative: extremesOf(course, 'relative'),
})

/** The largest and the smallest value of one quantity along a member, as `extremes` has them. */
export function extremesOf(course: Course, key: ExtremeKey): Range {
  let found = known.get(course)
  if (!found) known.set(course, (found = {}))
  return (found[key] ??= find(course, key))
}

/** Cache of extremes, released together with their course. */
const known = new WeakMap<Course, Partial<Record<ExtremeKey, Range>>>()

function find(course: Course, key: ExtremeKey): Range {
  const { start, end, length } = course
  if (key !== 'relative') return range(course, key, [start[key], end[key]])
  return range(course, 'v', [0, 0], { base: start.v, slope: (end.v - start.v) / length })
}

function range(
  course: Course,
  key: CourseKey,
  ends: [number, number],
  chord: { base: number; slope: number } = { base: 0, slope: 0 },
): Range {
  const out: Range = { max: { value: ends[0], x: 0 }, min: { value: ends[0], x: 0 } }
  const look = (value: number, x: number) => {
    if (value > out.max.value) out.max = { value, x }
    if (value < out.min.value) out.min = { value, x }
  }
  for (const s of course.stretches)
    for (const x of [s.x0, ...s.turningPoints(key, chord.slope), s.x1])
      look(s.value(key, x) - chord.base - chord.slope * x, x)
  look(ends[1], course.length)
  return out
}

/** Places inside the member where a quantity passes through zero, such as V = 0 at a greatest moment, m. */
export const zeros = (course: Course, key: 'V' | 'M'): number[] =>
  course.stretches.flatMap((s) => s.roots(key))
