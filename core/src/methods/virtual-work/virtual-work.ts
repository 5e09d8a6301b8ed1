import { integral, multiplyPolynomials, type Polynomial } from '../../analysis/polynomial.js'
import { integrate, type PolynomialCourse } from '../../analysis/polynomial-course.js'
import type { Actions, MemberActions } from '../../structure/actions.js'
import type { Structure } from '../../structure/types.js'
import type { Reaction } from '../statics/equilibrium.js'

/** A state of forces in equilibrium: on the ends of members, in the supports, and the loads it is under. */
export interface ForceState {
  /** Forces on the ends of each member in its own axes, six each, N and N·m. */
  ends: Float64Array
  /** Reactions in the order of the structure's. */
  reactions: readonly number[]
  actions: Actions
}

/** A part of the work that the forces of a unit state do on the strains of the real one. */
export interface Contribution {
  kind:
    'axial' | 'bending' | 'shear' | 'strain' | 'curvature' | 'gap' | 'end-spring' | 'spring' | 'settlement'
  /** The member it is of, or the reaction it is at. */
  member?: number
  reaction?: number
  /** In SI: m for a unit force, rad for a unit moment. */
  value: number
  /** The product or the integral that it is. */
  by: Work
}

/** A product integrated along a stretch and divided by a rigidity, or a plain product of numbers in SI. */
export type Work =
  | { t: 'integral'; real: Polynomial; unit: Polynomial; length: number; rigidity: 'EA' | 'EI' | 'GAs' }
  | { t: 'product'; unit: number; real: number; over: number }

/** Internal forces of a state along a member. */
export function courseIn(s: Structure, state: ForceState, member: number): PolynomialCourse {
  const [n, v, m] = state.ends.subarray(6 * member, 6 * member + 3)
  const start = { N: 0 - n, V: v, M: 0 - m, slope: 0, v: 0, u: 0 }
  return integrate(s.members[member], state.actions.members.get(member), start)
}

/** A polynomial of x as one of t = x − x0. */
const shifted = ([a = 0, b = 0]: Polynomial, x0: number): number[] => [a + b * x0, b]

/**
 * The displacement that a unit force measures, by the principle of virtual work, part by part: its forces
 * times the strains of the real state, integrated over the members, with springs and settlements.
 * @param unit the state of the unit force, without loads along members
 * @param real the state whose displacement is sought
 */
export function contributionsOf(
  s: Structure,
  reactions: readonly Reaction[],
  unit: ForceState,
  real: ForceState,
): Contribution[] {
  return [
    ...s.members.flatMap((_, member) => ofMember(s, unit, real, member)),
    ...reactions.flatMap((r, i) => ofSupport(s, r, i, unit.reactions[i], real)),
  ].filter((c) => c.value !== 0)
}

function ofMember(s: Structure, unit: ForceState, real: ForceState, member: number): Contribution[] {
  const m = s.members[member]
  const own = courseIn(s, unit, member).stretches[0].coefficients
  const course = courseIn(s, real, member)
  const put = (kind: Contribution['kind'], by: Work): Contribution => ({
    kind,
    member,
    by,
    value:
      by.t === 'product'
        ? (by.unit * by.real) / by.over
        : integral(multiplyPolynomials(by.real, by.unit), by.length) / m[by.rigidity],
  })
  const along = course.stretches.flatMap(({ x0, x1, coefficients: c }) => {
    const part = (kind: Contribution['kind'], f: 'N' | 'V' | 'M', rigidity: 'EA' | 'EI' | 'GAs') =>
      put(kind, { t: 'integral', real: c[f], unit: shifted(own[f], x0), length: x1 - x0, rigidity })
    return [
      ...(m.axiallyRigid ? [] : [part('axial', 'N', 'EA')]),
      ...(m.bar ? [] : [part('bending', 'M', 'EI')]),
      ...(m.GAs > 0 && !m.bar ? [part('shear', 'V', 'GAs')] : []),
    ]
  })
  const at = (f: 'N' | 'V' | 'M', x: number) => (own[f][0] ?? 0) + (own[f][1] ?? 0) * x
  const strains = ofStrains(real.actions.members.get(member), m, at, put)
  const springs = m.releases.flatMap((k, i) =>
    typeof k === 'number' && !m.bar
      ? [
          put('end-spring', {
            t: 'product',
            unit: unit.ends[6 * member + i],
            real: real.ends[6 * member + i],
            over: k,
          }),
        ]
      : [],
  )
  return [...along, ...strains, ...springs]
}

/** Temperature and misfit: strains that are there without forces. */
function ofStrains(
  on: MemberActions | undefined,
  m: Structure['members'][number],
  at: (f: 'N' | 'V' | 'M', x: number) => number,
  put: (kind: Contribution['kind'], by: Work) => Contribution,
): Contribution[] {
  if (!on) return []
  const product = (kind: Contribution['kind'], unit: number, real: number) =>
    put(kind, { t: 'product', unit, real, over: 1 })
  return [
    product('strain', at('N', m.length / 2), on.axialStrain * m.length),
    ...(m.bar
      ? []
      : [
          // M runs straight: its mean times the whole angle
          product('curvature', at('M', m.length / 2), on.curvature * m.length),
          ...on.jumps.flatMap(({ x, slip, kink }) => [
            product('gap', at('M', x), kink),
            product('gap', at('V', x), -slip),
          ]),
        ]),
  ]
}

function ofSupport(
  s: Structure,
  r: Reaction,
  reaction: number,
  unit: number,
  real: ForceState,
): Contribution[] {
  const p = s.supports[r.support]
  const hold = p.hold[r.component]
  const put = (kind: Contribution['kind'], other: number, over: number): Contribution => ({
    kind,
    reaction,
    value: (unit * other) / over,
    by: { t: 'product', unit, real: other, over },
  })
  if (typeof hold === 'number') return [put('spring', real.reactions[reaction], hold)]
  return [put('settlement', -real.actions.settlement[r.support] * p.settlement[r.component], 1)]
}
