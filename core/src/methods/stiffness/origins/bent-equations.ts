import * as D from '../../../quantity/dimension.js'
import type { MemberActions } from '../../../structure/actions.js'
import { criticalCourseOf, lastRound } from '../../../stability/bent-state.js'
import { multiple, over, sum, times, type Formula } from '../../expression.js'
import { bentMember } from './bent.js'
import { toMember, toNothing, toUnknowns } from './belongs.js'
import { sharers } from './condensed.js'
import { endNumber, endPair, formula, index, kinds, pair, type Finder, type Kind } from './kind.js'
import { stiffnessDimension, turnLetter } from './stiffness.js'
import { stiffnessRows } from '../../../analysis/assemble.js'

/**
 * Numbers of the last round of second order: the fixed-end forces under the axial forces, the members'
 * stiffness in the axes of their joints, the equations, what they yield, and the critical factors. Each bears
 * II.
 */

const forceDimension = (r: number) => (r % 3 === 2 ? D.moment : D.force)

/** Whether a member carries one uniform load across it from end to end, and nothing else. */
const isUniform = (a: MemberActions | undefined, length: number): boolean =>
  a !== undefined &&
  a.spans.length === 1 &&
  a.points.length + a.jumps.length === 0 &&
  a.axialStrain === 0 &&
  a.curvature === 0 &&
  a.spans.every(
    ({ a: from, b: to, p, q, c }) =>
      from === 0 && to === length && q[0] === q[1] && [...p, ...c].every((v) => v === 0),
  )

/** Of a uniform load the end moments of first order times 6/(s₁ + s₂), the end shears as they are. */
const fixedEnd: Finder = (c, id, at) => {
  const [i, r] = [c.member(id), index(at) - 1]
  const own = c.bent?.fixedOwn.get(i)
  if (!own || r < 0 || r > 5) return undefined
  const m = c.solution.structure.members[i]
  const closed = bentMember(c, id) && isUniform(c.bent!.actions.members.get(i), m.length)
  const first = () => c.letter('fixed-own', id, r + 1)
  return {
    symbol: { letter: 'f', sub: String(endNumber(c, m, r)), of: `${id}, II` },
    si: own[r],
    dimension: forceDimension(r),
    origin: closed
      ? formula(
          r % 3 === 2
            ? over(multiple(6, first()), sum(c.letter('bent-near', id), c.letter('bent-far', id)))
            : first(),
          'A uniform load on the member held at both ends: its deflection bears on the axial force.',
        )
      : () => ({
          kind: 'solved',
          words:
            'By the exact deflected shape of the member, held at both ends, under its loads and its ' +
            'axial force.',
        }),
  }
}

/** Places that the axial force does not change: along the member. */
const along = (r: number) => r % 3 === 0

/** A member's stiffness in the axes of its joints: Tᵀ·k·T with the k of the bent shape. */
const global: Finder = (c, id, row, column) => {
  const [i, j] = [index(row) - 1, index(column) - 1]
  const e = c.bent && lastRound(c.solution, c.bent)?.elements[c.member(id)]
  if (!e || i < 0 || j < 0 || i > 5 || j > 5) return undefined
  const m = c.solution.structure.members[c.member(id)]
  const plain = bentMember(c, id) !== undefined && e.released.length === 0
  const k = (a: number, b: number) => c.letter(along(a) ? 'k' : 'bent-k', id, a + 1, b + 1)
  const terms: Formula[] = []
  if (plain)
    for (let a = 0; a < 6; a++)
      for (let b = 0; b < 6; b++)
        if (along(a) === along(b) && e.T[6 * a + i] !== 0 && e.T[6 * b + j] !== 0 && e.k[6 * a + b] !== 0)
          terms.push(times(turnLetter(c, id, a, i), k(a, b), turnLetter(c, id, b, j)))
  return {
    symbol: { letter: 'K', sub: endPair(c, m, i, j), of: `${id}, II` },
    si: e.global[6 * i + j],
    dimension: stiffnessDimension(i % 3 === 2, j % 3 === 2),
    origin: plain
      ? formula(sum(...terms))
      : () => ({
          kind: 'solved',
          words: m.bar
            ? 'A bar stays straight: its axial force turns with its chord, N/L square to it.'
            : 'The stiffness of the member on its bent shape, its released ends condensed, turned to the ' +
              'axes of its joints.',
        }),
  }
}

const whole: Finder = (c, row, column) => {
  const [i, j] = [index(row) - 1, index(column) - 1]
  const { list } = c.solution.dofs
  const system = c.bent && lastRound(c.solution, c.bent)
  if (!system || !list[i] || !list[j]) return undefined
  const rows = c.kept('bent rows', () => stiffnessRows(c.solution.dofs, system.elements))
  return {
    symbol: { letter: 'K', sub: pair(c.numbering.numbers[i], c.numbering.numbers[j]), of: 'II' },
    si: rows[i].get(j) ?? 0,
    dimension: stiffnessDimension(list[i].component === 'rotation', list[j].component === 'rotation'),
    origin: () => {
      const { members, spring } = sharers(c.solution, i, j)
      const { structure } = c.solution
      const terms: Formula[] = members.map((m) =>
        c.letter('bent-global', structure.members[m.index].id, m.r + 1, m.c + 1),
      )
      if (spring) terms.push(c.letter('spring', structure.nodes[spring.node].id, spring.component))
      return terms.length
        ? formula(sum(...terms))()
        : { kind: 'stated', words: 'No member and no spring joins these two unknowns.' }
    },
  }
}

/** A number of each unknown: of the right-hand side, or of the displacements. */
const ofUnknown =
  (letter: 'P' | 'D', words: string): Finder =>
  (c, at) => {
    const i = index(at) - 1
    const dof = c.solution.dofs.list[i]
    if (!c.bent || !dof) return undefined
    const turns = dof.component === 'rotation'
    return {
      symbol: { letter, sub: String(c.numbering.numbers[i]), of: 'II' },
      si: letter === 'P' ? c.bent.load[i] : c.bent.D[i],
      dimension: letter === 'P' ? (turns ? D.moment : D.force) : turns ? D.angle : D.length,
      origin: () => ({ kind: 'solved', words }),
    }
  }

const endForce: Finder = (c, id, at) => {
  const [i, r] = [c.member(id), index(at) - 1]
  if (!c.bent || i < 0 || r < 0 || r > 5) return undefined
  const m = c.solution.structure.members[i]
  return {
    symbol: { letter: 'q', sub: String(endNumber(c, m, r)), of: `${id}, II` },
    si: c.bent.forces[6 * i + r],
    dimension: forceDimension(r),
    origin: () => ({
      kind: 'solved',
      words: 'k·d + f with the stiffness and the fixed-end forces of the last round.',
    }),
  }
}

const critical: Finder = (c, at) => {
  const si = c.bent && criticalCourseOf(c.solution, c.bent)?.factors[index(at) - 1]
  return si === undefined
    ? undefined
    : {
        symbol: { letter: 'λ', sub: at },
        si,
        dimension: D.none,
        exact: true,
        origin: () => ({
          kind: 'solved',
          words:
            'A root of det K(λ), where all axial forces are λ times those of first order: found by ' +
            'counting negative pivots, refined on the determinant.',
        }),
      }
}

export const BENT_EQUATIONS: Record<string, Kind> = {
  ...kinds(toMember, { 'bent-fixed': fixedEnd, 'bent-global': global, 'bent-q': endForce }),
  ...kinds(toUnknowns, {
    'bent-K': whole,
    'bent-P': ofUnknown(
      'P',
      'The load on the joint, less the fixed-end forces of the last round of the members that meet there.',
    ),
    'bent-u': ofUnknown('D', 'Found with all the others from K·D = P of the last round.'),
  }),
  ...kinds(toNothing, { critical }),
}
