import type { Course, CourseKey } from '../analysis/course.js'
import { cancelled } from '../analysis/true-zero.js'

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
  return (found[key] ??= findExtremes(course, key))
}

/** Cache of extremes, released together with their course. */
const known = new WeakMap<Course, Partial<Record<ExtremeKey, Range>>>()

/** The same, kept nowhere. */
export function findExtremes(course: Course, key: ExtremeKey): Range {
  const { start, end, length } = course
  if (key !== 'relative') return range(course, key, start[key], end[key], 0, 0)
  return range(course, 'v', 0, 0, start.v, (end.v - start.v) / length)
}

/** Extremes of one quantity less base + slope·x, where `first` and `last` are its values at the two ends. */
function range(
  course: Course,
  key: CourseKey,
  first: number,
  last: number,
  base: number,
  slope: number,
): Range {
  const max = { value: first, x: 0 }
  const min = { value: first, x: 0 }
  for (const s of course.stretches) {
    const turning = s.turningPoints(key, slope)
    for (let k = -1; k <= turning.length; k++) {
      const x = k < 0 ? s.x0 : k < turning.length ? turning[k] : s.x1
      const value = s.value(key, x)
      const parts = Math.abs(value) + Math.abs(base) + Math.abs(slope * x)
      look(max, min, cancelled(value - base - slope * x, parts), x)
    }
  }
  look(max, min, last, course.length)
  return { max, min }
}

/** Takes a value into the extremes. An envelope looks at millions, so nothing is made for one. */
function look(max: Extreme, min: Extreme, value: number, x: number) {
  if (value > max.value) {
    max.value = value
    max.x = x
  }
  if (value < min.value) {
    min.value = value
    min.x = x
  }
}

/** Places nearer to an end than this share of the length are the end. */
const AT_END = 1e-9

/**
 * Places inside the member where a quantity passes through zero, such as V = 0 at a greatest moment, m. A
 * hinge at an end is none of them, though rounding may put its zero just inside.
 */
export function zeros({ stretches, length }: Course, key: 'V' | 'M'): number[] {
  const isInside = (x: number) => x > AT_END * length && x < (1 - AT_END) * length
  return stretches.flatMap((s) => s.roots(key)).filter(isInside)
}
