import * as D from '../../../quantity/dimension.js'
import { minus, multiple, number, over, power, sum, times, type Formula } from '../../expression.js'
import { rigidity, sectionRigidity, statedRigidity } from './rigidities.js'
import { endPair, formula, index, pair, type Context, type Origin, type Kind, kinds } from './kind.js'
import { toMember, toUnknowns } from './belongs.js'
import { condensation, condensedEntry, sharers, structureRows } from './condensed.js'

const member = (c: Context, id: string) => c.solution.structure.members[c.member(id)]
const turns = (i: number) => i % 3 === 2

/** The dimension of a stiffness entry, by whether its row and its column turn. */
export const stiffnessDimension = (rowTurns: boolean, columnTurns: boolean) =>
  rowTurns && columnTurns ? D.moment : rowTurns || columnTurns ? D.force : D.forcePerLength

/** Row and column from 1 of a 6 × 6 matrix as indices, or undefined. */
function place(row: string | undefined, column: string | undefined): [number, number] | undefined {
  const [i, j] = [index(row) - 1, index(column) - 1]
  return i < 0 || j < 0 || i > 5 || j > 5 ? undefined : [i, j]
}

/** The origin of an entry of a member's own stiffness; one that is 0 for every such member says why. */
function ownOrigin(c: Context, id: string, i: number, j: number): Origin {
  const f = ownStiffness(c, id, i, j)
  if (f.t !== 'number') return formula(f)()
  const axial = i % 3 === 0 && j % 3 === 0
  return {
    kind: 'stated',
    words: axial
      ? `${id} keeps its length: what it takes along itself is a force of its own, not a stiffness.`
      : member(c, id).bar
        ? `${id} resists only along itself.`
        : 'To be drawn along its axis costs a straight member nothing across it, and the reverse.',
  }
}

/**
 * The signs of a member's stiffness entries over its unknowns, and which of its four terms each is made of.
 */
export const BENDING: Record<string, [term: 'vv' | 'vm' | 'near' | 'far', sign: 1 | -1]> = {
  '11': ['vv', 1],
  '12': ['vm', 1],
  '14': ['vv', -1],
  '15': ['vm', 1],
  '22': ['near', 1],
  '24': ['vm', -1],
  '25': ['far', 1],
  '44': ['vv', 1],
  '45': ['vm', -1],
  '55': ['near', 1],
}

/** An entry of a member's stiffness before its ends are released, in letters. */
function ownStiffness(c: Context, id: string, i: number, j: number): Formula {
  const m = member(c, id)
  const [a, b] = i <= j ? [i, j] : [j, i]
  const L = c.letter('L', id)
  if (a % 3 === 0 || b % 3 === 0) {
    if (a % 3 !== 0 || b % 3 !== 0 || m.axiallyRigid) return number(0)
    const axial = over(m.bar ? rigidity(c, id) : c.letter('EA', id), L)
    return a === b ? axial : minus(axial)
  }
  if (m.bar) return number(0)
  const [term, sign] = BENDING[`${a}${b}`]
  const EI = rigidity(c, id)
  const stiff = m.GAs > 0
  const phi = stiff ? c.letter('phi', id) : undefined
  const soft = phi ? sum(number(1), phi) : number(1)
  const under = (p: number) => (phi ? times(soft, p > 1 ? power(L, p) : L) : p > 1 ? power(L, p) : L)
  const value = {
    vv: () => over(multiple(12, EI), under(3)),
    vm: () => over(multiple(6, EI), under(2)),
    near: () => over(phi ? times(sum(number(4), phi), EI) : multiple(4, EI), under(1)),
    far: () => over(phi ? times(sum(number(2), minus(phi)), EI) : multiple(2, EI), under(1)),
  }[term]()
  return sign < 0 ? minus(value) : value
}

/** Stiffnesses: of a member in its own axes, turned to its joints' axes, and of the structure. */
export const STIFFNESS: Record<string, Kind> = {
  ...kinds(toMember, {
    EA: (c, id) => {
      const m = member(c, id)
      return (
        m && {
          symbol: { letter: 'EA', of: id },
          si: m.EA,
          dimension: D.force,
          exact: m.stated.EA,
          origin:
            (m.bar ? statedRigidity(c, id) : undefined) ??
            (m.stated.EA
              ? sectionRigidity(c, id, 'EA')
              : lazily(() => times(c.letter('E', id), c.letter('A', id)))),
        }
      )
    },
    EI: (c, id) => {
      const m = member(c, id)
      return (
        m && {
          symbol: { letter: 'EI', of: id },
          si: m.EI,
          dimension: D.bendingStiffness,
          exact: m.stated.EI,
          origin:
            (m.bar ? undefined : statedRigidity(c, id)) ??
            (m.stated.EI
              ? sectionRigidity(c, id, 'EI')
              : lazily(() => times(c.letter('E', id), c.letter('I', id)))),
        }
      )
    },
    /** Φ, the share of shear in the bending of a member. */
    phi: (c, id) => {
      const m = member(c, id)
      if (!m || !(m.GAs > 0)) return undefined
      return {
        symbol: { letter: 'Φ', of: id },
        si: (12 * m.EI) / (m.GAs * m.length ** 2),
        dimension: D.none,
        origin: lazily(() =>
          over(
            times(number(12), c.letter('EI', id)),
            times(c.letter('shear', id), power(c.letter('L', id), 2)),
          ),
        ),
      }
    },
    /** The stiffness of a member before its ends are released. */
    own: (c, id, row, column) => {
      const at = place(row, column)
      const e = c.solution.elements[c.member(id)]
      if (!at || !e) return undefined
      const [i, j] = at
      return {
        symbol: { letter: 'k°', sub: endPair(c, member(c, id), i, j), of: id },
        si: e.own[6 * i + j],
        dimension: stiffnessDimension(turns(i), turns(j)),
        origin: () => ownOrigin(c, id, i, j),
      }
    },
    /** The stiffness of a member after some of its ends are condensed. */
    part: (c, id, step, row, column) => {
      const at = place(row, column)
      const e = c.solution.elements[c.member(id)]
      const n = index(step)
      if (!at || !e || n < 1 || n >= e.released.length) return undefined
      const [i, j] = at
      return {
        symbol: { letter: `k${'′'.repeat(n)}`, sub: endPair(c, member(c, id), i, j), of: id },
        si: condensation(c.solution, c.member(id))[n][6 * i + j],
        dimension: stiffnessDimension(turns(i), turns(j)),
        origin: lazily(() => condensedEntry(c, id, n, i, j)),
      }
    },
    /** The stiffness of a member in its own axes, as its joints feel it. */
    k: (c, id, row, column) => {
      const at = place(row, column)
      const e = c.solution.elements[c.member(id)]
      if (!at || !e) return undefined
      const [i, j] = at
      const found = {
        symbol: { letter: 'k', sub: endPair(c, member(c, id), i, j), of: id },
        si: e.k[6 * i + j],
        dimension: stiffnessDimension(turns(i), turns(j)),
      }
      if (e.sprung && i % 3 === 0 && j % 3 === 0)
        return {
          ...found,
          origin: () => ({
            kind: 'solved',
            words: `${id} keeps its length; along it only the springs at its ends give, one after the other.`,
          }),
        }
      const m = member(c, id)
      if (m.releases[i] === true || m.releases[j] === true) {
        const free = m.releases[i] === true ? i : j
        return {
          ...found,
          origin: () => ({
            kind: 'stated',
            words:
              `${['N', 'V', 'M'][free % 3]} is released at the ${free < 3 ? 'start' : 'end'} of ${id}: ` +
              'nothing passes there.',
          }),
        }
      }
      return {
        ...found,
        origin: () =>
          e.released.length
            ? formula(condensedEntry(c, id, e.released.length, i, j))()
            : ownOrigin(c, id, i, j),
      }
    },
    /** The stiffness of a member in the axes of its joints: Tᵀ·k·T. */
    global: (c, id, row, column) => {
      const at = place(row, column)
      const e = c.solution.elements[c.member(id)]
      if (!at || !e) return undefined
      const [i, j] = at
      return {
        symbol: { letter: 'K', sub: endPair(c, member(c, id), i, j), of: id },
        si: e.global[6 * i + j],
        dimension: stiffnessDimension(turns(i), turns(j)),
        origin: lazily(() => {
          const terms: Formula[] = []
          for (let a = 0; a < 6; a++)
            for (let b = 0; b < 6; b++)
              if (e.T[6 * a + i] !== 0 && e.k[6 * a + b] !== 0 && e.T[6 * b + j] !== 0)
                terms.push(
                  times(turnLetter(c, id, a, i), c.letter('k', id, a + 1, b + 1), turnLetter(c, id, b, j)),
                )
          return sum(...terms)
        }),
      }
    },
  }),
  ...kinds(toUnknowns, {
    /** An entry of the structure's K, by the numbers of its row and column. */
    K: (c, row, column) => {
      const [i, j] = [index(row) - 1, index(column) - 1]
      const { list } = c.solution.dofs
      if (!list[i] || !list[j]) return undefined
      return {
        symbol: { letter: 'K', sub: pair(c.numbering.numbers[i], c.numbering.numbers[j]) },
        si: structureRows(c.solution)[i].get(j) ?? 0,
        dimension: stiffnessDimension(list[i].component === 'rotation', list[j].component === 'rotation'),
        origin: () => {
          const { members, spring } = sharers(c.solution, i, j)
          const { structure } = c.solution
          const terms: Formula[] = members.map((m) =>
            c.letter('global', structure.members[m.index].id, m.r + 1, m.c + 1),
          )
          if (spring) terms.push(c.letter('spring', structure.nodes[spring.node].id, spring.component))
          return terms.length
            ? formula(sum(...terms))()
            : { kind: 'stated', words: 'No member and no spring joins these two unknowns.' }
        },
      }
    },
  }),
}

/**
 * An entry of T as a factor: c, s and −s by their letters, 1 left out; at a turned support the entry itself.
 */
export function turnLetter(c: Context, id: string, r: number, k: number): Formula {
  const m = member(c, id)
  const node = r < 3 ? m.start : m.end
  if (r % 3 === 2) return number(k === r ? 1 : 0)
  if (c.solution.dofs.angle[node] !== 0) return c.letter('T', id, r + 1, k + 1)
  if (r % 3 === k % 3) return c.letter('c', id)
  return r % 3 === 0 ? c.letter('s', id) : minus(c.letter('s', id))
}

/** A formula made when it is asked for. */
const lazily = (make: () => Formula) => () => formula(make())()
