import { integrate, stateIn, type Field, type State } from '../analysis/field.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'

/** Internal forces and displacements along a member, from its start-end forces and its loads. */
export function memberField(solution: Solution, action: ActionSolution, member: number): Field {
  const m = solution.structure.members[member]
  const q = action.forces.subarray(6 * member, 6 * member + 6)
  const d = action.ends.subarray(6 * member, 6 * member + 6)
  const start: State = {
    N: -q[0],
    V: q[1],
    M: -q[2],
    // a bar stays straight: its slope is that of its chord
    slope: m.bar ? (d[4] - d[1]) / m.length : d[2],
    v: d[1],
    u: d[0],
  }
  return integrate(m, action.actions.members.get(member), start)
}

export interface Station extends State {
  x: number
  /** v from the straight chord between the displaced ends. */
  relative: number
}

const KEYS = ['N', 'V', 'M', 'v', 'u'] as const

/** v(x) less the chord from the field's start to its end. */
export const relativeTo = (field: Field, length: number) => (x: number, v: number) =>
  v - (field.start.v + ((field.end.v - field.start.v) * x) / length)

/**
 * Stations along a field: `count` evenly spaced ones (x = i·L/n), both ends, and every place of load; where
 * something
 * jumps, two with the same x, just left and just right.
 */
export function stations(field: Field, length: number, count: number): Station[] {
  const out: Station[] = []
  const chord = relativeTo(field, length)
  const push = (x: number, s: State) => out.push({ ...s, x, relative: chord(x, s.v) })
  const even = count < 2 ? [] : Array.from({ length: count }, (_, i) => (i * length) / (count - 1))
  const near = (a: number, b: number) => Math.abs(a - b) <= 1e-9 * length
  const { segments } = field
  const pair = (x: number, left: State, right: State) => {
    push(x, left)
    if (KEYS.some((k) => left[k] !== right[k] && differs(left[k], right[k]))) push(x, right)
  }
  if (segments.length === 0) return out
  pair(0, field.start, stateIn(segments[0], 0))
  segments.forEach((seg, i) => {
    for (const x of even)
      if (x > seg.x0 && x < seg.x1 && !near(x, seg.x0) && !near(x, seg.x1)) push(x, stateIn(seg, x))
    const next = segments[i + 1]
    pair(seg.x1, stateIn(seg, seg.x1), next ? stateIn(next, next.x0) : field.end)
  })
  return out
}

// the right of a place is computed from its left, so without a jump the two agree to rounding
const differs = (a: number, b: number) => Math.abs(a - b) > 1e-12 * Math.max(Math.abs(a), Math.abs(b))

export interface Sides {
  left: State
  right: State
}

/** The state just left and just right of a place. */
export function stateAt(field: Field, length: number, x: number): Sides {
  const near = (a: number) => Math.abs(a - x) <= 1e-9 * length
  const { segments } = field
  if (near(0)) return { left: field.start, right: stateIn(segments[0], 0) }
  if (near(length)) return { left: stateIn(segments[segments.length - 1], length), right: field.end }
  const i = segments.findIndex((s) => x <= s.x1 || near(s.x1))
  const seg = segments[i]
  if (near(seg.x1)) return { left: stateIn(seg, seg.x1), right: stateIn(segments[i + 1], seg.x1) }
  const s = stateIn(seg, x)
  return { left: s, right: s }
}
