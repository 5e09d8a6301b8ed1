import { springs } from '../analysis/assemble.js'
import type { SystemParts } from '../analysis/state.js'
import type { SolvedElement } from '../analysis/system.js'
import type { BentSystem } from './bent-system.js'
import { bentElements } from './bent-element.js'
import type { CriticalInput } from './critical.js'
import { dot } from './vectors.js'

/**
 * The lowest critical factor by successive linear problems: near a factor λ, K is K(λ) less the change of the
 * factor times B, and the smallest change that makes it singular, with its mode, is found by inverse
 * iteration. It takes few factorisations where counting takes many. Source: Ruhe, Algorithms for the
 * nonlinear eigenvalue problem, 1973.
 */

/** The first, rough step goes on until its factor changes by less than this share. */
const ROUGH = 1.5e-3
const MOST_ROUGH_STEPS = 60
const MOST_STEPS = 10
/** Inverse iterations with one factorisation. */
const INNER = 2
/**
 * After a change below this share of the factor the next would be below its square: there is none to be made.
 */
const CLOSE = 1e-8

/** The six end displacements of a member, taken from x. */
const felt = new Float64Array(6)

function feel({ dofs: at }: SolvedElement, x: Float64Array) {
  for (let j = 0; j < 6; j++) felt[j] = at[j] < 0 ? 0 : x[at[j]]
}

/** (K₁ − K₂)·x over the free degrees of freedom, element by element. */
function lossOf(
  before: readonly SolvedElement[],
  after: readonly SolvedElement[],
  x: Float64Array,
  free: number,
): Float64Array {
  const out = new Float64Array(x.length)
  for (let e = 0; e < after.length; e++) {
    const { global, dofs: at } = after[e]
    const was = before[e].global
    feel(after[e], x)
    for (let i = 0; i < 6; i++) {
      const d = at[i]
      if (d < 0 || d >= free) continue
      let sum = 0
      for (let j = 0; j < 6; j++) sum += (was[6 * i + j] - global[6 * i + j]) * felt[j]
      out[d] += sum
    }
  }
  return out
}

/** xᵀ·K·x of the members. */
function resistanceOf(elements: readonly SolvedElement[], x: Float64Array): number {
  let sum = 0
  for (const e of elements) {
    feel(e, x)
    for (let i = 0; i < 6; i++) {
      if (felt[i] === 0) continue
      for (let j = 0; j < 6; j++) sum += felt[i] * e.global[6 * i + j] * felt[j]
    }
  }
  return sum
}

/** The displacements under forces on the free degrees of freedom; rigid members keep their length. */
function displacements({ factorisation, rigid, dofs }: SystemParts, b: Float64Array): Float64Array {
  const out = new Float64Array(b.length)
  const free = rigid
    ? rigid.reduced(b, (r) => factorisation.solve(r))
    : factorisation.solve(b.subarray(0, dofs.free))
  out.set(free.subarray(0, dofs.free))
  return out
}

function normalised(x: Float64Array): Float64Array {
  const size = Math.sqrt(dot(x, x))
  if (size > 0) for (let i = 0; i < x.length; i++) x[i] /= size
  return x
}

/** An irregular start vector, which is unlikely to be orthogonal to any mode. */
const begun = (n: number, free: number) =>
  Float64Array.from({ length: n }, (_, i) => (i < free ? 0.5 + ((i * 0.6180339887498949) % 1) : 0))

/**
 * Relative tolerance: closer to the critical factor than this, rounding may change the count of negative
 * pivots by one.
 */
const COUNTS = 1e-9

/**
 * Whether the counts on the way prove that no critical factor lies below: one alone is passed a little above
 * it, or none close below it.
 */
function isLowest(found: number, counted: readonly { factor: number; passed: number }[]): boolean {
  const clear = counted.filter(({ factor }) => Math.abs(factor - found) > COUNTS * found)
  return (
    clear.every(({ factor, passed }) => factor > found || passed === 0) &&
    clear.some(
      ({ factor, passed }) =>
        (factor > found && passed === 1) || (factor < found && passed === 0 && found - factor < 1e-5 * found),
    )
  )
}

/**
 * The lowest critical factor, proven by the counts of negative pivots on the way; undefined where the
 * iteration does not settle on it, as with modes that move no joint.
 * @param systemAt the structure under axial forces times a factor
 */
export function lowestByIteration(
  input: CriticalInput,
  systemAt: (factor: number) => BentSystem | undefined,
): number | undefined {
  const { structure, base, starts, actions } = input
  const { dofs } = base
  if (dofs.free === 0) return undefined
  const held = springs(dofs)
  const first = bentElements(structure, base.elements, { starts, actions, factor: 1, stiffnessAlone: true })
  if ('kind' in first) return undefined
  let x = normalised(begun(dofs.list.length, dofs.free))
  const { free } = dofs
  const resistance = (elements: readonly SolvedElement[]) => {
    let sum = resistanceOf(elements, x)
    for (const { dof, k } of held) if (dof < free) sum += k * x[dof] * x[dof]
    return sum
  }
  let factor = NaN
  let lost = lossOf(base.elements, first.elements, x, free)
  for (let step = 0; step < MOST_ROUGH_STEPS; step++) {
    x = normalised(displacements(base, lost))
    lost = lossOf(base.elements, first.elements, x, free)
    const next = resistance(base.elements) / dot(x, lost)
    const settled = Math.abs(next - factor) <= ROUGH * Math.abs(next)
    factor = next
    if (settled) break
  }
  let before = { factor: 0, elements: base.elements }
  const counted: { factor: number; passed: number }[] = []
  for (let step = 0; step < MOST_STEPS; step++) {
    if (!(factor > 0) || !Number.isFinite(factor)) return undefined
    const system = systemAt(factor)
    if (!system) return undefined
    counted.push({ factor, passed: system.passed })
    const span = factor - before.factor
    if (span === 0) return isLowest(factor, counted) ? factor : undefined
    lost = lossOf(before.elements, system.elements, x, free)
    for (let k = 0; k < INNER; k++) {
      x = normalised(displacements(system, lost))
      lost = lossOf(before.elements, system.elements, x, free)
    }
    const change = (span * resistance(system.elements)) / dot(x, lost)
    before = { factor, elements: system.elements }
    factor += change
    if (Math.abs(change) <= CLOSE * factor) return isLowest(factor, counted) ? factor : undefined
  }
  return undefined
}
