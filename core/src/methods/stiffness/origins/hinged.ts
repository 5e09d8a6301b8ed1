import { minus, multiple, number, over, power, times, type Formula } from '../../expression.js'
import type { StructureMember } from '../../../structure/types.js'
import { endPair, formula, index, type Context, type Kind, kinds } from './kind.js'
import { toMember } from './belongs.js'
import { rigidity, slenderness } from './rigidities.js'
import { stiffnessDimension } from './stiffness.js'

/**
 * The stiffness of a member with a hinge at one end as books print it, 3EI/L³: what the condensation comes to
 * where nothing but moments is released. Source: Kassimali, Matrix Analysis of Structures, §7.1.
 */

/** An entry as sign · 3EI/Lᵖ; p = 0 says it is axial, undefined that it is 0. */
interface Term {
  sign: 1 | -1
  p: 0 | 1 | 2 | 3
}

/** Whether all that is released of a member is moments, at one end or both, and shear does not deform it. */
export const isHinged = (m: StructureMember): boolean =>
  !m.bar &&
  m.GAs === 0 &&
  (m.releases[2] === true || m.releases[5] === true) &&
  m.releases.every((r, i) => r === false || (r === true && i % 3 === 2))

function termOf(m: StructureMember, i: number, j: number): Term | undefined {
  const [a, b] = i <= j ? [i, j] : [j, i]
  if (a % 3 === 0 || b % 3 === 0)
    return a % 3 === 0 && b % 3 === 0 && !m.axiallyRigid ? { sign: a === b ? 1 : -1, p: 0 } : undefined
  const held = m.releases[2] === true ? (m.releases[5] === true ? undefined : 5) : 2
  if (held === undefined) return undefined
  // the moment at the held end is with the shear at the start, against that at the end
  const turn = (k: number) => k === held
  if ([a, b].some((k) => k % 3 === 2 && !turn(k))) return undefined
  const sign = (k: number) => (k === 4 ? -1 : 1)
  const turns = [a, b].filter(turn).length
  return { sign: (sign(a) * sign(b)) as 1 | -1, p: (3 - turns) as 1 | 2 | 3 }
}

const raised = (L: Formula, p: number) => (p === 1 ? L : power(L, p))

/**
 * The entry in letters: 3EI/L³ whole, 3L² over EI/L³, or 3/L over the EI of all, of which the member has so
 * many times.
 */
export function hingedEntry(
  c: Context,
  id: string,
  i: number,
  j: number,
  behind?: 'own' | { ratio: number },
): Formula {
  const m = c.solution.structure.members[c.member(id)]
  const t = termOf(m, i, j)
  if (!t) return number(0)
  const L = c.letter('L', id)
  const axial = {
    whole: () => over(c.letter('EA', id), L),
    own: () => {
      const [A, I] = slenderness(c, id)
      return over(times(A, power(L, 2)), I)
    },
    common: () => over(c.letter('EA', id), times(c.letter('common'), L)),
  }
  const bent = {
    whole: () => over(multiple(3, rigidity(c, id)), raised(L, t.p)),
    own: () => (t.p === 3 ? number(3) : times(number(3), raised(L, 3 - t.p))),
    common: () => over(number(3 * (typeof behind === 'object' ? behind.ratio : 1)), raised(L, t.p)),
  }
  const f = (t.p === 0 ? axial : bent)[behind === undefined ? 'whole' : behind === 'own' ? 'own' : 'common']()
  return t.sign > 0 ? f : minus(f)
}

/** The entries of k of a hinged member with their closed forms. */
export const HINGED: Record<string, Kind> = {
  ...kinds(toMember, {
    hinged: (c, id, row, column) => {
      const [i, j] = [index(row) - 1, index(column) - 1]
      const e = c.solution.elements[c.member(id)]
      const m = c.solution.structure.members[c.member(id)]
      if (!e || i < 0 || j < 0 || i > 5 || j > 5 || !isHinged(m)) return undefined
      return {
        symbol: { letter: 'k', sub: endPair(c, m, i, j), of: id },
        si: e.k[6 * i + j],
        dimension: stiffnessDimension(i % 3 === 2, j % 3 === 2),
        origin: () => formula(hingedEntry(c, id, i, j))(),
      }
    },
  }),
}
