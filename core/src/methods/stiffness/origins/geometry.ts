import * as D from '../../../quantity/dimension.js'
import { number, over, power, root, sum, times, minus, type Formula } from '../../expression.js'
import { endPair, formula, index, type Context, type Finder, type Kind, kinds } from './kind.js'
import { toJoint, toMember } from './belongs.js'

const member = (c: Context, id: string) => c.solution.structure.members[c.member(id)]

const difference =
  (side: 'x' | 'y'): Finder =>
  (c, id) => {
    const m = member(c, id)
    if (!m) return undefined
    const { nodes } = c.solution.structure
    return {
      symbol: { letter: `Δ${side}`, of: id },
      si: nodes[m.end][side] - nodes[m.start][side],
      dimension: D.length,
      origin: () => formula(sum(c.letter(side, nodes[m.end].id), minus(c.letter(side, nodes[m.start].id))))(),
    }
  }

const direction =
  (letter: 'c' | 's', side: 'dx' | 'dy', key: 'cos' | 'sin'): Finder =>
  (c, id) => {
    const m = member(c, id)
    return (
      m && {
        symbol: { letter, of: id },
        si: m[key],
        dimension: D.none,
        origin: () =>
          formula(
            over(c.letter(side, id), c.letter('L', id)),
            letter === 'c'
              ? 'The cosine of the angle from global x to the member.'
              : 'The sine of the angle from global x to the member.',
          )(),
      }
    )
  }

const turned =
  (letter: string, name: 'cos' | 'sin'): Finder =>
  (c, id) => {
    const n = c.node(id)
    if (n < 0 || c.solution.dofs.angle[n] === 0) return undefined
    return {
      symbol: { letter, of: id },
      si: Math[name](c.solution.dofs.angle[n]),
      dimension: D.none,
      origin: () => formula({ t: 'function', name, of: c.letter('turn', id) })(),
    }
  }

/** Lengths, direction cosines, and the transformation from a member's joints to its own axes. */
export const GEOMETRY: Record<string, Kind> = {
  ...kinds(toMember, {
    dx: difference('x'),
    dy: difference('y'),
    L: (c, id) => {
      const m = member(c, id)
      return (
        m && {
          symbol: { letter: 'L', of: id },
          si: m.length,
          dimension: D.length,
          origin: () => formula(root(sum(power(c.letter('dx', id), 2), power(c.letter('dy', id), 2))))(),
        }
      )
    },
    c: direction('c', 'dx', 'cos'),
    s: direction('s', 'dy', 'sin'),
  }),
  ...kinds(toJoint, {
    'cos-turn': turned('cos θ', 'cos'),
    'sin-turn': turned('sin θ', 'sin'),
  }),
  ...kinds(toMember, {
    /** T, row and column from 1: displacements of the joints in their own axes to member axes. */
    T: (c, id, row, column) => {
      const i = c.member(id)
      const [r, k] = [index(row) - 1, index(column) - 1]
      if (i < 0 || r < 0 || k < 0 || r > 5 || k > 5) return undefined
      return {
        symbol: { letter: 'T', sub: endPair(c, member(c, id), r, k), of: id },
        si: c.solution.elements[i].T[6 * r + k],
        dimension: D.none,
        origin: () => formula(transformation(c, id, r, k))(),
      }
    },
  }),
}

/** An entry of T in letters: c, s, −s, 1 or 0; at a turned support measured from its own axes. */
export function transformation(c: Context, id: string, r: number, k: number): Formula {
  if (Math.floor(r / 3) !== Math.floor(k / 3)) return number(0)
  const [i, j] = [r % 3, k % 3]
  if (i === 2 || j === 2) return number(i === j ? 1 : 0)
  const m = member(c, id)
  const joint = c.solution.structure.nodes[r < 3 ? m.start : m.end]
  const [cos, sin] = [c.letter('c', id), c.letter('s', id)]
  const turn = c.solution.dofs.angle[r < 3 ? m.start : m.end] !== 0
  const own = turn
    ? {
        c: sum(times(cos, c.letter('cos-turn', joint.id)), times(sin, c.letter('sin-turn', joint.id))),
        s: sum(times(sin, c.letter('cos-turn', joint.id)), minus(times(cos, c.letter('sin-turn', joint.id)))),
      }
    : { c: cos, s: sin }
  if (i === j) return own.c
  return i === 0 ? own.s : own.s.t === 'sum' ? sum(...own.s.terms.map(minus)) : minus(own.s)
}
