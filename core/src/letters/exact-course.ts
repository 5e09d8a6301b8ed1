import type { CourseKey } from '../analysis/course.js'
import {
  evaluateIn,
  integrateStretch,
  intensityFrom,
  jumped,
  type StateIn,
  type StretchPolynomials,
} from '../analysis/stretch-equations.js'
import type { MemberActions } from '../structure/actions.js'
import type { ExactMember } from './exact-structure.js'
import { NOTHING, type Field, type Quotient } from './field.js'

/** A stretch between two neighbouring places of load, its quantities polynomials from its start. */
export interface ExactStretch {
  x0: Quotient
  x1: Quotient
  polynomials: StretchPolynomials<Quotient>
}

/** Internal forces and displacements along a member. */
export interface ExactCourse {
  stretches: ExactStretch[]
  start: StateIn<Quotient>
  end: StateIn<Quotient>
}

/** Places closer than this share of the length are one place. */
const SAME_PLACE = 1e-10

/** The start, the places where a load begins, ends or acts, and the end, in their order for the sample. */
export function placesOf(
  field: Field,
  m: ExactMember,
  acting: readonly MemberActions<Quotient>[],
): Quotient[] {
  const L = field.value(m.length)
  const found: { x: Quotient; at: number }[] = []
  const add = (x: Quotient) => {
    const at = field.value(x)
    if (!found.some((f) => Math.abs(f.at - at) <= SAME_PLACE * L)) found.push({ x, at })
  }
  add(NOTHING)
  add(m.length)
  for (const a of acting) {
    for (const s of a.spans) [s.a, s.b].forEach(add)
    for (const p of [...a.points, ...a.jumps]) add(p.x)
  }
  return found.sort((a, b) => a.at - b.at).map((f) => f.x)
}

/**
 * Integrates the member's equations from the state at its start.
 * @param places its stretches, from `placesOf`
 */
export function integrateExactly(
  field: Field,
  m: ExactMember,
  actions: MemberActions<Quotient> | undefined,
  places: readonly Quotient[],
  start: StateIn<Quotient>,
): ExactCourse {
  const L = field.value(m.length)
  const near = (a: Quotient, b: number) => Math.abs(field.value(a) - b) <= SAME_PLACE * L
  const flexibility = {
    perEA: m.perEA,
    perEI: m.bar ? NOTHING : field.inverse(m.EI),
    perGAs: field.isZero(m.GAs) ? NOTHING : field.inverse(m.GAs),
    strain: actions?.axialStrain ?? NOTHING,
    curvature: m.bar ? NOTHING : (actions?.curvature ?? NOTHING),
  }
  const stretches: ExactStretch[] = []
  let at = start
  places.forEach((x0, i) => {
    const here = field.value(x0)
    const isHere = ({ x }: { x: Quotient }) => near(x, here)
    if (actions) at = jumped<Quotient>(field, at, actions.points.filter(isHere), actions.jumps.filter(isHere))
    if (i === places.length - 1) return
    const x1 = places[i + 1]
    const middle = (here + field.value(x1)) / 2
    const over = (actions?.spans ?? []).filter((s) => field.value(s.a) < middle && field.value(s.b) > middle)
    const polynomials = integrateStretch<Quotient>(field, flexibility, intensityFrom(field, over, x0), at)
    stretches.push({ x0, x1, polynomials })
    at = stateAt(field, polynomials, field.subtract(x1, x0))
  })
  return { stretches, start, end: at }
}

const KEYS: readonly CourseKey[] = ['N', 'V', 'M', 'slope', 'v', 'u']

function stateAt(field: Field, p: StretchPolynomials<Quotient>, t: Quotient): StateIn<Quotient> {
  return Object.fromEntries(
    KEYS.map((key) => [key, evaluateIn(field, p[key], t)]),
  ) as unknown as StateIn<Quotient>
}

const AT_REST: StateIn<Quotient> = {
  N: NOTHING,
  V: NOTHING,
  M: NOTHING,
  slope: NOTHING,
  v: NOTHING,
  u: NOTHING,
}

/** The course of a member that is held at its start and free at its end. */
export const freeEnd = (
  field: Field,
  m: ExactMember,
  actions: MemberActions<Quotient>,
  places: readonly Quotient[],
): ExactCourse => integrateExactly(field, m, actions, places, AT_REST)
