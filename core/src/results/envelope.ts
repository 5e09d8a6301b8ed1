import type { ActionSolution, Solution } from '../analysis/solve.js'
import { displacementAt, reactionAt } from './equilibrium.js'
import { extremesOf, type ExtremeKey } from './extremes.js'
import { breaksOf, chordAt, valuesAt } from '../analysis/course.js'
import { courseOf } from './courses.js'

/** A value with the case or combination it comes from. */
export interface Governed {
  value: number
  by: string
}

export interface EnvelopeStation {
  x: number
  max: Governed
  min: Governed
}

/** The largest and smallest value along a member over many cases, with where it is and which case governs. */
export interface EnvelopeRange {
  max: Governed & { x: number }
  min: Governed & { x: number }
}

/**
 * Envelope of one quantity along a member: at every station the largest and the smallest value over `actions`
 * and the case that governs it. Stations: `count` evenly spaced ones, and every place where any of the cases
 * has a load, an end or an extreme, so that no peak is cut; at a jump the larger side counts.
 */
export function memberEnvelope(
  solution: Solution,
  actions: readonly ActionSolution[],
  member: number,
  key: ExtremeKey,
  count = 41,
): EnvelopeStation[] {
  const { length } = solution.structure.members[member]
  const courses = actions.map((a) => courseOf(solution, a, member))
  const places = new Set<number>(Array.from({ length: count }, (_, i) => (i * length) / (count - 1)))
  for (const course of courses) {
    for (const x of breaksOf(course)) places.add(x)
    const e = extremesOf(course, key)
    places.add(e.max.x).add(e.min.x)
  }
  const xs = [...places]
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1] > 1e-9 * length)
  return xs.map((x) => {
    const out: EnvelopeStation = { x, max: { value: -Infinity, by: '' }, min: { value: Infinity, by: '' } }
    courses.forEach((course, i) => {
      const chord = key === 'relative' ? chordAt(course, x) : 0
      const [left, right] = valuesAt(course, key === 'relative' ? 'v' : key, x)
      const largest = Math.max(left, right) - chord
      const smallest = Math.min(left, right) - chord
      if (largest > out.max.value) out.max = { value: largest, by: actions[i].id }
      if (smallest < out.min.value) out.min = { value: smallest, by: actions[i].id }
    })
    return out
  })
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
