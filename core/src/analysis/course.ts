import { cancelled } from './true-zero.js'

/**
 * The state at one place of a member: internal forces (N, N, N·m), slope (rad) and displacements in member
 * axes (m).
 */
export interface PlaceState {
  N: number
  V: number
  M: number
  slope: number
  v: number
  u: number
}

export type CourseKey = keyof PlaceState

/** A stretch of a member between two neighbouring places of load, on which every quantity is smooth. */
export interface Stretch {
  /** The ends of the stretch, m from the start of the member. */
  x0: number
  x1: number
  /** One quantity at x0 ≤ x ≤ x1. At an end of the stretch, its value inside the stretch. */
  value(key: CourseKey, x: number): number
  /** All quantities at x0 ≤ x ≤ x1. At an end of the stretch, their values inside the stretch. */
  at(x: number): PlaceState
  /** Places strictly inside the stretch where a quantity passes through `level`, ascending. */
  roots(key: CourseKey, level?: number): number[]
  /** Places strictly inside the stretch where a quantity less `slope`·x has an extreme, ascending. */
  turningPoints(key: CourseKey, slope?: number): number[]
  /** Whether a quantity is linear on the stretch to within `tolerance`, in the unit of the quantity. */
  isStraight(key: CourseKey, tolerance: number): boolean
}

/**
 * Internal forces and displacements along a member as functions of the place. Callers do not know whether
 * they are polynomials or power series.
 */
export interface Course {
  /** Length of the member, m. */
  length: number
  /** The stretches from start to end; there is at least one. */
  stretches: readonly Stretch[]
  /** The states at the two ends, outside any load that acts exactly there. */
  start: PlaceState
  end: PlaceState
  /** Twice the strain energy of the member, initial strains included, J. */
  strainWork(): number
  /** The work of the distributed and point loads on the member, J. */
  loadWork(): number
}

/** The states just left and just right of a place. */
export interface Sides {
  left: PlaceState
  right: PlaceState
}

/** Places nearer than this (relative to the length) are one place where a course is read. */
const SAME_PLACE_READ = 1e-9

/**
 * The states just left and just right of a place x, m from the start; without a jump they are equal.
 * @throws RangeError when x lies beyond the ends of the member
 */
export function sidesAt(course: Course, x: number): Sides {
  const { stretches, length } = course
  const near = (a: number) => Math.abs(a - x) <= SAME_PLACE_READ * length
  if (near(0)) return { left: course.start, right: stretches[0].at(0) }
  if (near(length)) return { left: stretches[stretches.length - 1].at(length), right: course.end }
  const i = stretches.findIndex((s) => x <= s.x1 || near(s.x1))
  if (!(x > 0) || i < 0) throw new RangeError(`The place ${x} is not on a member of length ${length}.`)
  const stretch = stretches[i]
  if (near(stretch.x1)) return { left: stretch.at(stretch.x1), right: stretches[i + 1].at(stretch.x1) }
  const state = stretch.at(x)
  return { left: state, right: state }
}

/**
 * Reads one quantity along a member, just left and just right of each place, as `sidesAt` has them.
 * @param places m from the start, ascending
 * @param read receives the place's index and the two values
 * @throws RangeError when a place lies beyond the ends of the member
 */
export function readAlong(
  course: Course,
  key: CourseKey,
  places: readonly number[],
  read: (i: number, left: number, right: number) => void,
): void {
  const { stretches, length } = course
  const same = SAME_PLACE_READ * length
  const last = stretches.length - 1
  let s = 0
  for (let i = 0; i < places.length; i++) {
    const x = places[i]
    if (!(x >= -same && x <= length + same))
      throw new RangeError(`The place ${x} is not on a member of length ${length}.`)
    if (x <= same) read(i, course.start[key], stretches[0].value(key, 0))
    else if (x >= length - same) read(i, stretches[last].value(key, length), course.end[key])
    else {
      while (s < last && x > stretches[s].x1 + same) s++
      const { x1 } = stretches[s]
      const atEnd = Math.abs(x1 - x) <= same
      const left = stretches[s].value(key, atEnd ? x1 : x)
      read(i, left, atEnd ? stretches[s + 1].value(key, x1) : left)
    }
  }
}

/** The v of the straight chord between the displaced ends at x, m. */
export const chordAt = ({ start, end, length }: Course, x: number): number =>
  start.v + ((end.v - start.v) * x) / length

/** A v at x measured from that chord, m; 0 where it is rounding error. */
export function offChord(course: Course, v: number, x: number): number {
  // where the chord itself passes through zero its parts do not
  const rise = ((course.end.v - course.start.v) * x) / course.length
  return cancelled(v - chordAt(course, x), Math.abs(v) + Math.abs(course.start.v) + Math.abs(rise))
}

/** The places where a load begins, ends or acts, and the two ends of the member, m. */
export const breaksOf = ({ stretches }: Course): number[] => [
  ...stretches.map((s) => s.x0),
  stretches[stretches.length - 1].x1,
]
