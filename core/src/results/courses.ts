import { offChord, type Course, type PlaceState } from '../analysis/course.js'
import { integrate } from '../analysis/polynomial-course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { bentCourse } from '../stability/bent-course.js'

/**
 * Cache of the courses of a state of loading, by member. The entries are released together with the state.
 */
const known = new WeakMap<ActionSolution, (Course | undefined)[]>()

/** Internal forces and displacements along a member, from its start-end forces and its loads. */
export function courseOf(solution: Solution, action: ActionSolution, member: number): Course {
  let courses = known.get(action)
  if (!courses) known.set(action, (courses = []))
  return (courses[member] ??= integrated(solution, action, member))
}

/**
 * The courses of one member under several states, in their order. They are not kept: those of every member
 * under every combination of a large structure would be the most of what a page holds.
 */
export const coursesUnder = (
  solution: Solution,
  actions: readonly ActionSolution[],
  member: number,
): Course[] => actions.map((a) => known.get(a)?.[member] ?? integrated(solution, a, member))

/** The courses of all members, in their order. */
export const coursesOf = (solution: Solution, action: ActionSolution): Course[] =>
  solution.structure.members.map((_, i) => courseOf(solution, action, i))

function integrated(solution: Solution, action: ActionSolution, member: number): Course {
  const m = solution.structure.members[member]
  const { forces: q, ends: d } = action
  const [i, j] = [6 * member, 6 * member + 6]
  const acting = action.actions.members.get(member)
  if (action.bent) return bentCourse(m, acting, q.subarray(i, j), d.subarray(i, j))
  return integrate(m, acting, {
    N: -q[i],
    V: q[i + 1],
    M: -q[i + 2],
    // a bar stays straight: its slope is that of its chord
    slope: m.bar ? (d[i + 4] - d[i + 1]) / m.length : d[i + 2],
    v: d[i + 1],
    u: d[i],
  })
}

export interface Station extends PlaceState {
  x: number
  /** v from the straight chord between the displaced ends. */
  relative: number
}

const KEYS = ['N', 'V', 'M', 'v', 'u'] as const

/**
 * Stations along a member: `count` evenly spaced ones (x = i·L/n), both ends, and every place of load; where
 * something jumps, two with the same x, just left and just right.
 */
export function stations(course: Course, count: number): Station[] {
  const out: Station[] = []
  const { length, stretches } = course
  const push = (x: number, s: PlaceState) => out.push({ ...s, x, relative: offChord(course, s.v, x) })
  const even = count < 2 ? [] : Array.from({ length: count }, (_, i) => (i * length) / (count - 1))
  const near = (a: number, b: number) => Math.abs(a - b) <= 1e-9 * length
  const pair = (x: number, left: PlaceState, right: PlaceState) => {
    push(x, left)
    if (KEYS.some((k) => left[k] !== right[k] && differs(left[k], right[k]))) push(x, right)
  }
  pair(0, course.start, stretches[0].at(0))
  stretches.forEach((s, i) => {
    for (const x of even) if (x > s.x0 && x < s.x1 && !near(x, s.x0) && !near(x, s.x1)) push(x, s.at(x))
    const next = stretches[i + 1]
    pair(s.x1, s.at(s.x1), next ? next.at(next.x0) : course.end)
  })
  return out
}

// the right of a place is computed from its left, so without a jump the two agree to rounding
const differs = (a: number, b: number) => Math.abs(a - b) > 1e-12 * Math.max(Math.abs(a), Math.abs(b))
