import * as D from '../../../quantity/dimension.js'
import { stabilityFunctions } from '../../../stability/uniform.js'
import type { StructureMember } from '../../../structure/types.js'
import {
  absolute,
  minus,
  multiple,
  number,
  over,
  power,
  root,
  sum,
  times,
  type Formula,
} from '../../expression.js'
import { toMember, toNothing } from './belongs.js'
import { formula, index, kinds, type Context, type Finder, type Found, type Kind } from './kind.js'
import { rigidity } from './rigidities.js'

/**
 * Numbers of second order: the stability functions of a member under its axial force, its stiffness by them,
 * the geometric stiffness as the first term of their series, and the rounds in which the axial forces come to
 * rest.
 */

/** Nearer to no axial force than this φ the closed forms cancel, and a series is summed. */
const BY_SERIES = 0.3

interface BentMember {
  m: StructureMember
  i: number
  N: number
  phi: number
}

/** A member that bends under an axial force, in the state that second order found. */
export function bentMember(c: Context, id: string): BentMember | undefined {
  const i = c.member(id)
  const m = c.solution.structure.members[i]
  if (!c.bent || !m || m.bar || m.GAs > 0) return undefined
  const N = -c.bent.forces[6 * i]
  return N === 0 ? undefined : { m, i, N, phi: m.length * Math.sqrt(Math.abs(N) / m.EI) }
}

const found = (letter: string, sub: string | undefined, of: string, si: number, dimension: D.Dimension) => ({
  symbol: { letter, ...(sub ? { sub } : {}), of },
  si,
  dimension,
})

const call = (name: 'cos' | 'sin' | 'cosh' | 'sinh', of: Formula): Formula => ({ t: 'function', name, of })

/** The closed form over D, or a series where that would lose digits. */
function closed(b: BentMember, f: () => Formula, first: string): Found['origin'] {
  return b.phi < BY_SERIES
    ? () => ({
        kind: 'solved',
        words:
          `The axial force is small: the series that begins with ${first}, z = N·L²/EI, is summed; ` +
          'the closed form would lose digits.',
      })
    : formula(f())
}

type Function = 'near' | 'far' | 'corner' | 'across'
const FUNCTIONS: Record<
  Function,
  { sub: string; first: string; of: (c: Context, id: string, pulls: boolean) => Formula }
> = {
  near: {
    sub: '1',
    first: '4 + 2z/15',
    of: (c, id, pulls) => {
      const [p, s, k] = parts(c, id, pulls)
      const [a, b] = [s, times(p, k)]
      return times(p, pulls ? sum(b, minus(a)) : sum(a, minus(b)))
    },
  },
  far: {
    sub: '2',
    first: '2 − z/30',
    of: (c, id, pulls) => {
      const [p, s] = parts(c, id, pulls)
      return times(p, pulls ? sum(s, minus(p)) : sum(p, minus(s)))
    },
  },
  corner: {
    sub: '3',
    first: '6 + z/10',
    of: (c, id, pulls) => {
      const [p, , k] = parts(c, id, pulls)
      return times(power(p, 2), pulls ? sum(k, minus(number(1))) : sum(number(1), minus(k)))
    },
  },
  across: {
    sub: '4',
    first: '12 + 6z/5',
    of: (c, id, pulls) => {
      const [p, s] = parts(c, id, pulls)
      return times(power(p, 3), s)
    },
  },
}

/** φ, its sine and its cosine; hyperbolic in tension. */
function parts(c: Context, id: string, pulls: boolean): [p: Formula, s: Formula, k: Formula] {
  const p = c.letter('bent-phi', id)
  return [p, call(pulls ? 'sinh' : 'sin', p), call(pulls ? 'cosh' : 'cos', p)]
}

const signed = (b: BentMember) => (b.N > 0 ? 1 : -1) * b.phi * b.phi

const stability =
  (name: Function): Finder =>
  (c, id) => {
    const b = bentMember(c, id)
    if (!b) return undefined
    const { sub, first, of } = FUNCTIONS[name]
    return {
      ...found('s', sub, id, stabilityFunctions(signed(b))[name], D.none),
      origin: closed(b, () => over(of(c, id, b.N > 0), c.letter('bent-D', id)), first),
    }
  }

/** Rows and columns of v and slope at the start and at the end, as the member numbers its six. */
const PLACES = [1, 2, 4, 5]

/** Which function stands at an entry, over which power of L, and with which sign. */
function entryAt(r: number, k: number): { name: Function; power: number; sign: 1 | -1 } | undefined {
  const [i, j] = [PLACES.indexOf(r), PLACES.indexOf(k)]
  if (i < 0 || j < 0) return undefined
  const turns = (n: number) => n % 2 === 1
  if (turns(i) && turns(j)) return { name: i === j ? 'near' : 'far', power: 1, sign: 1 }
  if (turns(i) || turns(j)) return { name: 'corner', power: 2, sign: (turns(i) ? j : i) === 0 ? 1 : -1 }
  return { name: 'across', power: 3, sign: i === j ? 1 : -1 }
}

const dimensionAt = (power: number) => (power === 1 ? D.moment : power === 2 ? D.force : D.forcePerLength)

const bentEntry: Finder = (c, id, row, column) => {
  const b = bentMember(c, id)
  const at = entryAt(index(row) - 1, index(column) - 1)
  if (!b || !at) return undefined
  const value = stabilityFunctions(signed(b))[at.name]
  const f = over(
    times(c.letter(`bent-${at.name}`, id), rigidity(c, id)),
    at.power === 1 ? c.letter('L', id) : power(c.letter('L', id), at.power),
  )
  return {
    ...found(
      'k',
      `${index(row)}${index(column)}`,
      id,
      (at.sign * value * b.m.EI) / b.m.length ** at.power,
      dimensionAt(at.power),
    ),
    origin: formula(at.sign < 0 ? minus(f) : f),
  }
}

/** The first term of the series: N times these, over L where nothing turns, times L where both turn. */
const GEOMETRIC: Record<Function, [over: number, under: number]> = {
  across: [6, 5],
  corner: [1, 10],
  near: [2, 15],
  far: [-1, 30],
}

const geometricEntry: Finder = (c, id, row, column) => {
  const b = bentMember(c, id)
  const at = entryAt(index(row) - 1, index(column) - 1)
  if (!b || !at) return undefined
  const [top, under] = GEOMETRIC[at.name]
  const N = c.letter('bent-N', id)
  const L = c.letter('L', id)
  const plain =
    at.power === 3
      ? over(multiple(top, N), multiple(under, L))
      : at.power === 2
        ? over(N, number(under))
        : over(top === 1 ? times(N, L) : multiple(Math.abs(top), times(N, L)), number(under))
  const sign = at.sign * Math.sign(top)
  return {
    ...found(
      'g',
      `${index(row)}${index(column)}`,
      id,
      ((at.sign * top) / under) * b.N * b.m.length ** (2 - at.power),
      dimensionAt(at.power),
    ),
    origin: formula(sign < 0 ? minus(plain) : plain),
  }
}

const round =
  (what: 'change' | 'largest'): Finder =>
  (c, at) => {
    const it = c.bent?.bent?.rounds[index(at) - 1]
    return (
      it && {
        symbol: { letter: what === 'change' ? 'ΔN' : 'N', sub: at },
        si: it[what],
        dimension: D.force,
        exact: true,
        origin: () => ({
          kind: 'solved',
          words:
            what === 'change'
              ? 'The largest change of an axial force in this round.'
              : 'The largest axial force after this round.',
        }),
      }
    )
  }

export const BENT: Record<string, Kind> = {
  ...kinds(toMember, {
    'bent-N': (c, id) => {
      const b = bentMember(c, id)
      return (
        b && {
          ...found('N', undefined, id, b.N, D.force),
          origin: () => ({
            kind: 'solved',
            words: 'The axial force at the start of the member after the last round, tension positive.',
          }),
        }
      )
    },
    'bent-phi': (c, id) => {
      const b = bentMember(c, id)
      return (
        b && {
          ...found('φ', undefined, id, b.phi, D.none),
          origin: formula(
            times(c.letter('L', id), root(over(absolute(c.letter('bent-N', id)), rigidity(c, id)))),
          ),
        }
      )
    },
    'bent-D': (c, id) => {
      const b = bentMember(c, id)
      if (!b) return undefined
      const p = b.phi
      const si = b.N > 0 ? 2 - 2 * Math.cosh(p) + p * Math.sinh(p) : 2 - 2 * Math.cos(p) - p * Math.sin(p)
      return {
        ...found('D', undefined, id, si, D.none),
        exact: true,
        origin: closed(
          b,
          () => {
            const [f, s, k] = parts(c, id, b.N > 0)
            return sum(number(2), minus(multiple(2, k)), b.N > 0 ? times(f, s) : minus(times(f, s)))
          },
          'z²/12',
        ),
      }
    },
    'bent-near': stability('near'),
    'bent-far': stability('far'),
    'bent-corner': stability('corner'),
    'bent-across': stability('across'),
    'bent-k': bentEntry,
    geometric: geometricEntry,
  }),
  ...kinds(toNothing, {
    'round-change': round('change'),
    'round-largest': round('largest'),
    'load-factor': (c) => {
      const si = c.bent?.bent?.loadFactor
      return si === undefined || si === null
        ? undefined
        : {
            symbol: { letter: 'α' },
            si,
            dimension: D.none,
            exact: true,
            origin: () => ({
              kind: 'solved',
              words:
                'The lowest factor on all loads at which det K = 0 under the axial forces of first ' +
                'order, found by counting negative pivots.',
            }),
          }
    },
  }),
}
