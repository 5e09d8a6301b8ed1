import type { ActionSolution, Solution } from '../analysis/solve.js'
import { displacementAt, reactionAt } from './equilibrium.js'
import { extremesOf, type ExtremeKey } from './extremes.js'
import { breaksOf, chordAt, readAlong, type Course } from '../analysis/course.js'
import { courseOf } from './courses.js'

/** A value with the case or combination it comes from. */
export interface Governed {
  value: number
  by: string
}

/** The largest and smallest value along a member over many cases, with where it is and which case governs. */
export interface EnvelopeRange {
  max: Governed & { x: number }
  min: Governed & { x: number }
}

/**
 * Envelope of one quantity over a structure, in arrays that pass from a worker to the page as they are. The
 * stations of member i are those from `first[i]` to `first[i + 1]`.
 */
export interface Envelope {
  key: ExtremeKey
  /** Labels of the cases and combinations; `maxBy` and `minBy` count in them. */
  by: readonly string[]
  first: Uint32Array
  /** Places from the start of the member, m. */
  x: Float64Array
  /** The largest and the smallest value at each place, SI. */
  max: Float64Array
  min: Float64Array
  maxBy: Uint16Array
  minBy: Uint16Array
  /** The exact extremes of each member, with the case that governs. */
  ranges: readonly EnvelopeRange[]
}

/**
 * The largest and the smallest value of one quantity along every member over `actions`, with the case that
 * governs. Stations of a member: `count` evenly spaced ones, and every place where any of the cases has a
 * load, an end or an extreme, so that no peak is cut; at a jump the larger side counts. Bars have stations
 * for N alone.
 * @throws RangeError without a case
 */
export function envelopeOf(
  solution: Solution,
  actions: readonly ActionSolution[],
  key: ExtremeKey,
  count = 41,
): Envelope {
  if (actions.length === 0) throw new RangeError('An envelope is made of at least one case.')
  const { members } = solution.structure
  const first = new Uint32Array(members.length + 1)
  const x: number[] = []
  const [max, min, maxBy, minBy]: number[][] = [[], [], [], []]
  members.forEach((m, i) => {
    const from = x.length
    const courses = actions.map((a) => courseOf(solution, a, i))
    const places = m.bar && key !== 'N' ? [] : placesOf(courses, key, m.length, count)
    for (const at of places) x.push(at)
    courses.forEach((course, by) =>
      readAlong(course, key === 'relative' ? 'v' : key, places, (k, left, right) => {
        const chord = key === 'relative' ? chordAt(course, places[k]) : 0
        const larger = (left > right ? left : right) - chord
        const smaller = (left > right ? right : left) - chord
        if (by === 0 || larger > max[from + k]) {
          max[from + k] = larger
          maxBy[from + k] = by
        }
        if (by === 0 || smaller < min[from + k]) {
          min[from + k] = smaller
          minBy[from + k] = by
        }
      }),
    )
    first[i + 1] = x.length
  })
  return {
    key,
    by: actions.map((a) => a.id),
    first,
    x: Float64Array.from(x),
    max: Float64Array.from(max),
    min: Float64Array.from(min),
    maxBy: Uint16Array.from(maxBy),
    minBy: Uint16Array.from(minBy),
    ranges: members.map((_, i) => governing(solution, actions, i, key)),
  }
}

/** The places where an envelope along a member is read, ascending, each once. */
function placesOf(courses: readonly Course[], key: ExtremeKey, length: number, count: number): number[] {
  const places = Array.from({ length: count }, (_, i) => (i * length) / (count - 1))
  for (const course of courses) {
    const e = extremesOf(course, key)
    places.push(...breaksOf(course), e.max.x, e.min.x)
  }
  return places.sort((a, b) => a - b).filter((x, i, all) => i === 0 || x - all[i - 1] > 1e-9 * length)
}

/** Exact extremes along a member over many cases. */
export function governing(
  solution: Solution,
  actions: readonly ActionSolution[],
  member: number,
  key: ExtremeKey,
): EnvelopeRange {
  const ranges = actions.map((a) => ({
    by: a.id,
    ...extremesOf(courseOf(solution, a, member), key),
  }))
  const pick = (side: 'max' | 'min', sign: number) =>
    ranges.reduce((best, r) => (sign * r[side].value > sign * best.value ? { ...r[side], by: r.by } : best), {
      ...ranges[0][side],
      by: ranges[0].by,
    })
  return { max: pick('max', 1), min: pick('min', -1) }
}

export interface ComponentEnvelope {
  max: Governed
  min: Governed
}

/** Largest and smallest of a value that each case has one of; NaN and null are passed over. */
function over(
  actions: readonly ActionSolution[],
  valueOf: (a: ActionSolution) => number | null,
): ComponentEnvelope | null {
  let out: ComponentEnvelope | null = null
  for (const a of actions) {
    const value = valueOf(a)
    if (value === null || Number.isNaN(value)) continue
    const here = { value, by: a.id }
    out = {
      max: !out || value > out.max.value ? here : out.max,
      min: !out || value < out.min.value ? here : out.min,
    }
  }
  return out
}

/** Reaction components of a node over many cases, global axes, N and N·m. */
export const reactionEnvelope = (solution: Solution, actions: readonly ActionSolution[], node: number) => ({
  x: over(actions, (a) => reactionAt(solution, a, node).x),
  y: over(actions, (a) => reactionAt(solution, a, node).y),
  rotation: over(actions, (a) => reactionAt(solution, a, node).rotation),
})

/** Displacements of a node over many cases, global axes, m and rad. */
export const displacementEnvelope = (
  solution: Solution,
  actions: readonly ActionSolution[],
  node: number,
) => ({
  x: over(actions, (a) => displacementAt(solution, a, node).x),
  y: over(actions, (a) => displacementAt(solution, a, node).y),
  rotation: over(actions, (a) => displacementAt(solution, a, node).rotation),
})
