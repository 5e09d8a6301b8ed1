import { SAME_PLACE } from '../analysis/polynomial-course.js'
import type { System } from '../analysis/system.js'
import type { Actions, MemberActions } from '../structure/actions.js'
import type { Structure, StructureMember } from '../structure/types.js'
import type { AxialForces } from './bent-element.js'
import { bentSystem } from './bent-system.js'
import { lowestByIteration } from './lowest.js'
import { polishedRoot, type Count } from './polished-root.js'

/** Upper limit of the search: a structure with a larger critical factor does not buckle in practice. */
const LIMIT = 1e10
/** Relative tolerance: an axial force below this fraction of the largest force is rounding error. */
const ROUNDING = 1e-11
/** Relative tolerance of a critical factor. */
const WIDTH = 1e-13

/** The axial forces that critical factors are asked for, and where to look. */
export interface CriticalInput {
  structure: Structure
  base: System
  /** At the start of each member, tension positive, N. */
  starts: Float64Array
  actions: Actions
}

/**
 * Axial forces that are nothing but rounding against the largest force, made zero.
 * @param forces six end forces of every member, N and N·m
 */
export function axialStarts(s: Structure, forces: Float64Array): Float64Array {
  let largest = 0
  for (let i = 0; i < forces.length; i++) if (i % 3 !== 2) largest = Math.max(largest, Math.abs(forces[i]))
  return Float64Array.from(s.members, (_, i) => {
    const N = -forces[6 * i]
    return Math.abs(N) <= ROUNDING * largest ? 0 : N
  })
}

/** The lowest and highest axial force along a member, N. */
function axialRange(m: StructureMember, actions: MemberActions | undefined, start: number): [number, number] {
  let [least, most] = [start, start]
  if (!actions) return [least, most]
  const along = (x: number) => {
    let N = start
    for (const p of actions.points) if (p.x <= x + SAME_PLACE * m.length) N -= p.fx
    for (const t of actions.spans) {
      if (x <= t.a) continue
      const h = Math.min(x, t.b) - t.a
      N -= h * (t.p[0] + ((t.p[1] - t.p[0]) * h) / (2 * (t.b - t.a)))
    }
    return N
  }
  const places = [
    m.length,
    ...actions.spans.flatMap((t) => [t.a, (t.a + t.b) / 2, t.b]),
    ...actions.points.map((p) => p.x),
  ]
  for (const x of places) {
    const N = along(x)
    least = Math.min(least, N)
    most = Math.max(most, N)
  }
  return [least, most]
}

/**
 * The lowest factors at which a structure buckles under axial forces that grow together, in their order; a
 * factor that belongs to several modes comes as often. Fewer than asked for, or none, where there are no
 * more. Found by counting negative pivots, so that none is skipped, and refined on the determinant. Source:
 * Wittrick & Williams, A general algorithm for computing natural frequencies of elastic structures, 1971.
 */
export function criticalFactors(input: CriticalInput, most = 1): number[] {
  const { structure: s, actions, starts } = input
  const ranges = s.members.map((m, i) => axialRange(m, actions.members.get(i), starts[i]))
  if (ranges.every(([least]) => least >= 0)) return []
  const out: number[] = []
  while (out.length < most) {
    const found = (most === 1 && quickly(input)) || nextFactor(input, ranges, out.length + 1)
    if (!found) break
    for (let i = out.length; i < Math.min(found.through, most); i++) out.push(found.factor)
  }
  return out
}

/** The lowest factor by iteration, in few factorisations; undefined where that does not succeed. */
function quickly(input: CriticalInput): { factor: number; through: number } | undefined {
  const { structure, base, starts, actions } = input
  const factor = lowestByIteration(input, (f) => {
    const found = bentSystem(structure, base, { starts, actions, factor: f, stiffnessAlone: true })
    return 'kind' in found ? undefined : found
  })
  return factor === undefined || factor > LIMIT ? undefined : { factor, through: 1 }
}

/**
 * The factor at which no fewer than `order` critical loads are passed; `through` is how many are passed just
 * above.
 */
function nextFactor(
  input: CriticalInput,
  ranges: readonly [number, number][],
  order: number,
): { factor: number; through: number } | undefined {
  const bracket = bracketOf(input, ranges, order)
  if (!bracket) return undefined
  const finest = bracket[1].factor
  const at = (factor: number) => countAt(input, factor, finest)
  const { factor, through } = refined(at, at(bracket[0].factor), at(bracket[1].factor), order)
  if (through !== order) return { factor, through }
  const around = (f: number) => countAt(input, f, 1.01 * factor)
  return { factor: polishedRoot(around, factor), through }
}

/**
 * How many critical loads lie below a factor, and the natural logarithm of the size of the determinant there,
 * the inner places of the members included.
 * @param finest the largest factor of those that are compared: the members are cut into pieces for it
 */
export const determinantAt = (input: CriticalInput, factor: number, finest: number) =>
  countAt(input, factor, finest)

function countAt({ structure, base, starts, actions }: CriticalInput, factor: number, finest: number): Count {
  const axial: AxialForces = { starts, actions, factor, finest, stiffnessAlone: true }
  const found = bentSystem(structure, base, axial)
  // a released end is exactly at its own critical load here, so a slightly larger factor is used
  if ('kind' in found) return { factor, passed: Infinity, logDeterminant: 0 }
  return { factor, passed: found.passed + Number(found.singular), logDeterminant: found.logDeterminant }
}

/** Two factors, the upper at most twice the lower, between which the critical load of an order lies. */
function bracketOf(
  input: CriticalInput,
  ranges: readonly [number, number][],
  order: number,
): [Count, Count] | undefined {
  const at = (factor: number) => countAt(input, factor, factor)
  const sure = localLimit(input.structure, ranges) * order * order * 1.001
  let low: Count = { factor: 0, passed: 0, logDeterminant: 0 }
  let high = at(1)
  while (high.passed < order) {
    low = high
    if (low.factor >= LIMIT) return undefined
    high = at(Math.min(LIMIT, low.factor < sure ? Math.min(4 * low.factor, sure) : 4 * low.factor))
  }
  while (high.factor > 2 * low.factor) {
    const middle = at(low.factor > 0 ? Math.sqrt(low.factor * high.factor) : high.factor / 4)
    if (middle.passed >= order) high = middle
    else low = middle
    if (high.factor < 1 / LIMIT) break
  }
  return [low, high]
}

/** The factor at which some member is sure to have buckled between its ends, even if both are clamped. */
function localLimit(s: Structure, ranges: readonly [number, number][]): number {
  let least = Infinity
  s.members.forEach((m, i) => {
    const [, most] = ranges[i]
    if (m.bar || most >= 0) return
    least = Math.min(least, (4 * Math.PI * Math.PI * m.EI) / (m.length * m.length * -most))
  })
  return least
}

/** Narrows a bracket: by the determinant where one factor alone lies in it, else by halving and counting. */
function refined(at: (factor: number) => Count, low: Count, high: Count, order: number) {
  let [a, b] = [low, high]
  let [weightA, weightB] = [0, 0]
  for (let step = 0; step < 200 && b.factor - a.factor > WIDTH * b.factor; step++) {
    const alone = b.passed - a.passed === 1
    const guess = alone && step % 4 !== 3 ? falsePosition(a, b, weightA, weightB) : (a.factor + b.factor) / 2
    // an end that is the root but for its last digits is stepped off, so that the bracket closes on it
    const least = WIDTH * b.factor
    const c = at(Math.min(b.factor - least / 2, Math.max(a.factor + least / 2, guess)))
    if (c.passed >= order) {
      b = c
      weightA += 1
      weightB = 0
    } else {
      a = c
      weightB += 1
      weightA = 0
    }
  }
  return { factor: (a.factor + b.factor) / 2, through: Number.isFinite(b.passed) ? b.passed : order }
}

/**
 * Where the determinant, whose sign changes between a and b, is zero by a straight line (Illinois' weights).
 */
function falsePosition(a: Count, b: Count, weightA: number, weightB: number): number {
  const half = (n: number) => (n > 1 ? 0.5 ** (n - 1) : 1)
  const ratio = Math.exp(Math.min(600, b.logDeterminant - a.logDeterminant)) * (half(weightB) / half(weightA))
  return a.factor + (b.factor - a.factor) / (1 + ratio)
}
