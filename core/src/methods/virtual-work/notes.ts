import * as D from '../../quantity/dimension.js'
import type { Polynomial } from '../../analysis/polynomial.js'
import { thing } from '../../document/thing.js'
import type { Structure } from '../../structure/types.js'
import { addressOf } from '../address.js'
import { number, over, PLACE, power, sum, times, type Formula, type Letter } from '../expression.js'
import type { Notes } from '../notes.js'
import type { Coherent } from '../noted-method.js'
import type { Reaction } from '../statics/equilibrium.js'
import type { Contribution } from './virtual-work.js'

/** A rigidity of a member by its address. */
export const rigidityAt = (id: string, key: 'EA' | 'EI' | 'GAs'): string => addressOf(key, id)

const RIGIDITY = {
  EA: { symbol: 'EA', dimension: D.force, words: 'E times A.' },
  EI: { symbol: 'EI', dimension: D.bendingStiffness, words: 'E times I.' },
  GAs: { symbol: 'GA', dimension: D.force, words: 'G times the shear area.' },
} as const

/** Notes the rigidities of the members. */
export function noteRigidities(notes: Notes, s: Structure): void {
  for (const m of s.members)
    for (const key of ['EA', 'EI', 'GAs'] as const) {
      if (!(m[key] > 0)) continue
      const { symbol, dimension, words } = RIGIDITY[key]
      notes.put([key, m.id], {
        symbol: { letter: symbol, of: m.id },
        si: m[key],
        dimension,
        from: words,
        of: [thing.member(m.id)],
      })
    }
}

/** Terms that add less than this part of the largest one anywhere on a stretch are rounding. */
const ROUNDING = 1e-13

/**
 * A polynomial of the place with numbers in coherent units.
 * @param dimension that of its first coefficient
 * @param length of the stretch over which it is meant, m
 */
function polynomial(p: Polynomial, dimension: D.Dimension, length: number, coherent: Coherent): Formula {
  let of = dimension
  const reach = p.map((c, k) => Math.abs(c) * length ** k)
  const largest = Math.max(...reach)
  const terms: Formula[] = []
  p.forEach((c, k) => {
    if (k > 0) of = D.divide(of, D.length)
    const value = coherent(c, of)
    if (reach[k] > ROUNDING * largest)
      terms.push(k === 0 ? number(value) : times(number(value), k === 1 ? PLACE : power(PLACE, k)))
  })
  return sum(...terms)
}

const FORCE = { axial: D.force, shear: D.force, bending: D.moment } as const

/**
 * The formula of a contribution, in the units of the problem.
 * @param unitOf the dimension of the displacement that the unit state measures
 * @param realPer the dimension of what the real state is of: a force or a moment of one, or none of loads
 */
export function contributionFormula(
  c: Contribution,
  s: Structure,
  unitOf: D.Dimension,
  realPer: D.Dimension,
  coherent: Coherent,
  letter: (at: string) => Letter,
): Formula {
  if (c.by.t === 'product') {
    const { unit, real, over: under } = c.by
    return number(coherent((unit * real) / under, D.divide(unitOf, realPer)))
  }
  const { real, unit, length, rigidity } = c.by
  const force = FORCE[c.kind as keyof typeof FORCE]
  // a unit force has the dimension of a number: its internal forces are N and M for each force
  const perUnit = D.divide(D.multiply(force, unitOf), D.multiply(D.force, D.length))
  const [own, other] = [
    polynomial(real, D.divide(force, realPer), length, coherent),
    polynomial(unit, perUnit, length, coherent),
  ]
  const product = times(own, other)
  // of two constants the integral is their product and the length: n·N·L/EA
  if (own.t === 'number' && other.t === 'number')
    return over(
      times(own, other, number(coherent(length, D.length))),
      letter(rigidityAt(s.members[c.member!].id, rigidity)),
    )
  return over(
    { t: 'integral', from: number(0), to: number(coherent(length, D.length)), of: product },
    letter(rigidityAt(s.members[c.member!].id, rigidity)),
  )
}

/** The address of a contribution: a name, and its number among those of that name. */
export const contributionAt = (name: string, i: number): string => addressOf(name, i + 1)

const WORDS: Readonly<Record<Contribution['kind'], string>> = {
  axial: 'The axial force of the unit state times the lengthening of each piece.',
  bending: 'The moment of the unit state times the bending of each piece.',
  shear: 'The shear of the unit state times the shearing of each piece.',
  strain: 'The axial force of the unit state times what the member is longer by without any force.',
  curvature: 'The mean moment of the unit state times the angle that uneven temperature bends the member by.',
  gap: 'The force of the unit state at the misfit times its gap.',
  'end-spring': 'The force of the unit state in the spring of the end times what the spring gives way by.',
  spring: 'The reaction of the unit state times what the spring gives way by.',
  settlement: 'The reaction of the unit state times the settlement, which does the work on the other side.',
}

/** Notes the parts of a sum, under one name; `unitOf` is the dimension of the displacement. */
export function noteContributions(
  notes: Notes,
  name: string,
  parts: readonly Contribution[],
  s: Structure,
  reactions: readonly Reaction[],
  unitOf: D.Dimension,
  coherent: Coherent,
): string[] {
  return parts.map((c, i) => {
    const node = c.reaction === undefined ? undefined : s.nodes[reactions[c.reaction].node].id
    return notes.put([name, i + 1], {
      symbol: { letter: 'δ', sub: String(i + 1) },
      si: c.value,
      dimension: unitOf,
      of: [c.member === undefined ? thing.node(node!) : thing.member(s.members[c.member].id)],
      from: (letter) => contributionFormula(c, s, unitOf, D.none, coherent, letter),
      words: WORDS[c.kind],
    })
  })
}
