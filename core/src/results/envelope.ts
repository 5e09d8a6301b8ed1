import type { ActionSolution, Solution } from '../analysis/solve.js'
import { displacementAt, reactionAt } from './at-node.js'
import { findExtremes, type ExtremeKey, type Range } from './extremes.js'
import { offChord, readAlong, type Course } from '../analysis/course.js'
import { coursesUnder } from './courses.js'

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
  const ids = actions.map((a) => a.id)
  const ranges = members.map((m, i) => {
    const from = x.length
    const courses = coursesUnder(solution, actions, i)
    const found = courses.map((c) => findExtremes(c, key))
    const places = m.bar && key !== 'N' ? [] : placesOf(courses, found, m.length, count)
    for (const at of places) x.push(at)
    courses.forEach((course, by) =>
      readAlong(course, key === 'relative' ? 'v' : key, places, (k, left, right) => {
        const above = left > right ? left : right
        const below = left > right ? right : left
        const larger = key === 'relative' ? offChord(course, above, places[k]) : above
        const smaller = key === 'relative' ? offChord(course, below, places[k]) : below
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
    return governingOf(found, ids)
  })
  return {
    key,
    by: ids,
    first,
    x: Float64Array.from(x),
    max: Float64Array.from(max),
    min: Float64Array.from(min),
    maxBy: Uint16Array.from(maxBy),
    minBy: Uint16Array.from(minBy),
    ranges,
  }
}

/** The places where an envelope along a member is read, ascending, each once. */
function placesOf(
  courses: readonly Course[],
  found: readonly Range[],
  length: number,
  count: number,
): number[] {
  const places: number[] = []
  for (let i = 0; i < count; i++) places.push((i * length) / (count - 1))
  // most cases have their places in common: what is there already is not sorted once more
  const more: number[] = []
  const add = (x: number) => {
    if (x !== 0 && x !== length && !more.includes(x)) more.push(x)
  }
  courses.forEach(({ stretches }, i) => {
    for (const s of stretches) add(s.x1)
    add(found[i].max.x)
    add(found[i].min.x)
  })
  if (more.length > 0) places.push(...more)
  places.sort((a, b) => a - b)
  return places.filter((x, i) => i === 0 || x - places[i - 1] > 1e-9 * length)
}

/** Exact extremes along a member over many cases. */
export function governing(
  solution: Solution,
  actions: readonly ActionSolution[],
  member: number,
  key: ExtremeKey,
): EnvelopeRange {
  const found = coursesUnder(solution, actions, member).map((c) => findExtremes(c, key))
  return governingOf(
    found,
    actions.map((a) => a.id),
  )
}

/** The largest and the smallest of the extremes of many cases; of equal ones the first case is named. */
export function governingOf(found: readonly Range[], ids: readonly string[]): EnvelopeRange {
  let [top, bottom] = [0, 0]
  for (let i = 1; i < found.length; i++) {
    if (found[i].max.value > found[top].max.value) top = i
    if (found[i].min.value < found[bottom].min.value) bottom = i
  }
  return {
    max: { ...found[top].max, by: ids[top] },
    min: { ...found[bottom].min, by: ids[bottom] },
  }
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
