/**
 * What happens at one place of a member: internal forces (N, N, N·m), slope (rad) and displacements in member
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

/** A part of a member along which nothing begins, ends or stands: everything on it runs smoothly. */
export interface Stretch {
  /** Its ends, m from the start of the member. */
  x0: number
  x1: number
  /** One quantity at x0 ≤ x ≤ x1; at the ends the value on this stretch's side. */
  value(key: CourseKey, x: number): number
  /** All quantities at x0 ≤ x ≤ x1; at the ends their values on this stretch's side. */
  at(x: number): PlaceState
  /** Places strictly inside the stretch where a quantity passes through `level`, ascending. */
  roots(key: CourseKey, level?: number): number[]
  /** Places strictly inside the stretch where a quantity less `slope`·x has an extreme, ascending. */
  turningPoints(key: CourseKey, slope?: number): number[]
  /** Whether a quantity is a straight line here, as far as `tolerance` (in its own unit) lets it be told. */
  isStraight(key: CourseKey, tolerance: number): boolean
}

/**
 * Internal forces and displacements along a member, by place. How they are computed is nobody else's matter.
 */
export interface Course {
  /** Length of the member, m. */
  length: number
  /** The stretches from start to end; there is at least one. */
  stretches: readonly Stretch[]
  /** The states at the very ends, outside of what acts there. */
  start: PlaceState
  end: PlaceState
  /** ½ of these is the strain energy of the member, initial strains included, J. */
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

/** The v of the straight chord between the displaced ends at x, m. */
export const chordAt = ({ start, end, length }: Course, x: number): number =>
  start.v + ((end.v - start.v) * x) / length

/** The places where something begins, ends or stands, the two ends of the member included, m. */
export const breaksOf = ({ stretches }: Course): number[] => [
  ...stretches.map((s) => s.x0),
  stretches[stretches.length - 1].x1,
]
