import { sidesAt, type Course } from '../analysis/course.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { StructureMember } from '../structure/types.js'
import { listed } from '../structure/listed.js'
import { courseOf } from './courses.js'
import { extremes } from './extremes.js'

/** A value with the place where it occurs, m from the start of the member. */
export interface At {
  value: number
  x: number
}

/**
 * A normal stress of an outer fibre with what it is made of: σ = N/A + fibre·M, fibre = −y_top/I or
 * y_bottom/I.
 */
export interface FibreStress extends At {
  N: number
  M: number
  fibre: number
}

/**
 * The stresses and the use of one member under one case, SI (Pa, N, m, J); undefined where the section or the
 * material does not state what is needed. A textbook check: no code of practice, no safety factors.
 */
export interface StressCheck {
  /** N/A of the largest axial force by size; tension positive. */
  axial?: At
  /** −M·y_top/I and M·y_bottom/I where the moment is largest by size; tension positive. */
  bendingTop?: At
  bendingBottom?: At
  /** The largest and the smallest normal stress of the outer fibres, axial force and bending together. */
  largest?: FibreStress
  smallest?: FibreStress
  /** V/A_s, or V/A where no shear area is stated: the mean shear stress of the largest shear. */
  shear?: At
  /** N/EA of the largest axial force. */
  strain?: At
  /** Displacement of the end minus that of the start along the member, m. */
  elongation: number
  /** Elastic energy ∫(N²/2EA + M²/2EI + V²/2GA_s)dx, J. */
  energy: number
  /** The largest normal stress by size over the yield stress. */
  use?: At
  /** The largest deflection from the chord by size. */
  deflection: At
}

/** The stress check of a member under a case or combination. */
export function stressCheck(solution: Solution, action: ActionSolution, member: number): StressCheck {
  const m = solution.structure.members[member]
  const course = courseOf(solution, action, member)
  const range = extremes(course)
  const bigger = ({ max, min }: { max: At; min: At }): At =>
    Math.abs(min.value) > Math.abs(max.value) ? min : max
  const N = bigger(range.N)
  const M = bigger(range.M)
  const V = bigger(range.V)
  const over = (a: At, by: number): At | undefined =>
    by > 0 && !Number.isNaN(a.value) ? { value: a.value / by, x: a.x } : undefined
  const bends = !m.bar && m.I > 0
  const top = bends && m.yTop > 0 ? { value: (-M.value * m.yTop) / m.I, x: M.x } : undefined
  const bottom = bends && m.yBottom > 0 ? { value: (M.value * m.yBottom) / m.I, x: M.x } : undefined
  const normal = normalStresses(m, course)
  const worst = normal && bigger({ max: normal.largest, min: normal.smallest })
  const d = action.ends.subarray(6 * member, 6 * member + 6)
  return {
    axial: over(N, m.A),
    bendingTop: top,
    bendingBottom: bottom,
    ...normal,
    shear: m.bar ? undefined : over(V, m.shearArea > 0 ? m.shearArea : m.A),
    strain: over(N, m.EA),
    elongation: d[3] - d[0],
    energy: elasticEnergy(m, course),
    use:
      worst && m.yieldStress > 0 ? { value: Math.abs(worst.value) / m.yieldStress, x: worst.x } : undefined,
    deflection: bigger(range.relative),
  }
}

/** Members that are named in a sentence; more are counted. */
const MOST_NAMED = 4

/** A sentence for each property that members lack for their stresses; none where the table is complete. */
export function missingForStress(members: readonly StructureMember[]): string[] {
  const lacking = (what: string, lacks: (m: StructureMember) => boolean): string[] => {
    const ids = members.filter(lacks).map((m) => m.id)
    if (ids.length === 0) return []
    const all = ids.length === members.length && ids.length > 1
    return [`${what} ${all ? 'the members' : listed(ids, MOST_NAMED)}.`]
  }
  return [
    ...lacking('No axial stress, since no area A is stated for', (m) => !(m.A > 0)),
    ...lacking(
      'No bending stress, since no depth (or distances to the outer fibres) is stated for',
      (m) => !m.bar && m.I > 0 && !(m.yTop > 0 && m.yBottom > 0),
    ),
    ...lacking('No bending stress, since no I is stated for', (m) => !m.bar && !(m.I > 0)),
    ...lacking(
      'No utilisation, since no yield stress is stated for the material of',
      (m) => !(m.yieldStress > 0),
    ),
  ]
}

/** Extremes of N/A − M·y_top/I and N/A + M·y_bottom/I along the member. */
function normalStresses(
  m: StructureMember,
  course: Course,
): { largest: FibreStress; smallest: FibreStress } | undefined {
  if (!(m.A > 0)) return undefined
  const fibres =
    m.bar || !(m.I > 0) || !(m.yTop > 0) || !(m.yBottom > 0) ? [0] : [-m.yTop / m.I, m.yBottom / m.I]
  // a member that bends and does not say where its outer fibres are has no known normal stress
  if (fibres.length === 1 && !m.bar && bends(course)) return undefined
  const found = fibres.flatMap((k) => {
    const f = (s: { N: number; M: number }) => s.N / m.A + k * s.M
    return ([1, -1] as const).map((side): FibreStress => {
      const at = extremeAlong(course, f, side)
      const sides = sidesAt(course, at.x)
      // at a jump, the side that has this stress
      const state =
        Math.abs(f(sides.left) - at.value) < Math.abs(f(sides.right) - at.value) ? sides.left : sides.right
      return { ...at, N: state.N, M: state.M, fibre: k }
    })
  })
  if (found.some((a) => Number.isNaN(a.value))) return undefined
  return {
    largest: found.reduce((a, b) => (b.value > a.value ? b : a)),
    smallest: found.reduce((a, b) => (b.value < a.value ? b : a)),
  }
}

const bends = (course: Course) => {
  const { max, min } = extremes(course).M
  return max.value !== 0 || min.value !== 0
}

/** Parts of a stretch in each of which a smooth stress has one turning point at the most. */
const PARTS = 12
/** Steps of the golden section: 0.618^40 of a part is below any digit shown. */
const STEPS = 40
const GOLDEN = (Math.sqrt(5) - 1) / 2

/** The largest (`side` 1) or smallest (−1) of a function of N and M along a member, by golden section. */
function extremeAlong(course: Course, f: (s: { N: number; M: number }) => number, side: 1 | -1): At {
  let best: At = { value: f(course.stretches[0].at(0)), x: 0 }
  const look = (value: number, x: number) => {
    if (side * value > side * best.value) best = { value, x }
  }
  for (const s of course.stretches) {
    const value = (x: number) => f(s.at(Math.min(Math.max(x, s.x0), s.x1)))
    const h = (s.x1 - s.x0) / PARTS
    const values = Array.from({ length: PARTS + 1 }, (_, i) => value(s.x0 + i * h))
    values.forEach((v, i) => look(v, s.x0 + i * h))
    for (let i = 0; i <= PARTS; i++) {
      const peak = side * values[i] >= side * (values[i - 1] ?? -side * Infinity)
      if (!peak || side * values[i] < side * (values[i + 1] ?? -side * Infinity)) continue
      let [a, b] = [Math.max(s.x0, s.x0 + (i - 1) * h), Math.min(s.x1, s.x0 + (i + 1) * h)]
      for (let k = 0; k < STEPS; k++) {
        const [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)]
        if (side * value(c) > side * value(d)) b = d
        else a = c
      }
      look(value((a + b) / 2), (a + b) / 2)
    }
  }
  return best
}

/** Gauss points and weights on −1 … 1: exact for the squares of polynomials up to the fourth power. */
const GAUSS: readonly (readonly [number, number])[] = [
  [0, 0.5688888888888889],
  [0.5384693101056831, 0.47862867049936647],
  [-0.5384693101056831, 0.47862867049936647],
  [0.906179845938664, 0.23692688505618908],
  [-0.906179845938664, 0.23692688505618908],
]

function elasticEnergy(m: StructureMember, course: Course): number {
  let energy = 0
  for (const s of course.stretches) {
    const half = (s.x1 - s.x0) / 2
    for (const [t, weight] of GAUSS) {
      const { N, V, M } = s.at(s.x0 + half * (1 + t))
      const density =
        (m.axiallyRigid ? 0 : N ** 2 / m.EA) + (m.bar ? 0 : M ** 2 / m.EI) + (m.GAs > 0 ? V ** 2 / m.GAs : 0)
      energy += (weight * half * density) / 2
    }
  }
  return energy
}

/** Euler's critical load π²EI/(K·L)², N, of a member with an effective length of K times its own. */
export const eulerLoad = (m: Pick<StructureMember, 'EI' | 'length'>, K: number): number =>
  (Math.PI ** 2 * m.EI) / (K * m.length) ** 2
