import * as D from '../../../quantity/dimension.js'
import { minus, number, over, sum, times, type Formula } from '../../expression.js'
import { prescribed, rightSide, tiedOf, tiedStiffness } from '../tied.js'
import { formula, index, pair, type Context, type Found, type Origin, type Kind, kinds } from './kind.js'
import { toUnknowns } from './belongs.js'
import { structureRows } from './condensed.js'
import { stiffnessDimension, turnLetter } from './stiffness.js'
import { superposed } from './superposed.js'

const dofOf = (c: Context, at: string | undefined) => {
  const i = index(at) - 1
  const d = c.solution.dofs.list[i]
  return d && { i, turns: d.component === 'rotation', number: c.numbering.numbers[i] }
}

/** A factor by which an unknown follows another: left out where it is 1, a sign where it is −1. */
function factor(c: Context, follower: number, leader: number, value: number): Formula {
  if (follower === leader || Math.abs(value - 1) < 1e-12) return number(1)
  return Math.abs(value + 1) < 1e-12 ? number(-1) : c.letter('tie', follower + 1, leader + 1)
}

/** What a displacement that follows from others is: so many times them, and what is imposed on it. */
export function following(c: Context, dof: number): Formula | undefined {
  const tie = c.solution.rigid?.ties.get(dof)
  if (!tie) return undefined
  const alone = c.letter('tie-alone', dof + 1)
  return sum(
    ...[...tie.terms].map(([i, t]) => times(factor(c, dof, i, t), c.letter('D', i + 1))),
    ...(alone.value === 0 ? [] : [alone]),
  )
}

/** What is known beforehand of a displacement: a settlement, or what rigid members impose. */
const before = (c: Context, dof: number) =>
  dof >= c.solution.dofs.free ? c.letter('D', dof + 1) : c.letter('tie-alone', dof + 1)

/** The right-hand side of a free equation, with what is prescribed on it, gathered from what moves along. */
function right(c: Context, i: number): Formula {
  const known = prescribed(c.solution, c.action)
  const K = structureRows(c.solution)
  const rest = (a: number) =>
    sum(
      c.letter('P', a + 1),
      ...[...known.keys()]
        .filter((j) => (K[a].get(j) ?? 0) !== 0)
        .map((j) => minus(times(c.letter('K', a + 1, j + 1), before(c, j)))),
    )
  const along = tiedOf(c.solution)?.along.get(i) ?? [[i, 1] as const]
  return sum(
    ...along
      .map(([a, t]) => times(factor(c, a, i, t), rest(a)))
      .filter((f) => !(f.t === 'letter' && f.value === 0 && along.length > 1)),
  )
}

/**
 * The axial force at an end (r = 0 or 3) of an axially rigid member: by the equilibrium of a joint, or of the
 * member where its other end has been found. Undefined for one that is tied to nothing.
 */
export function rigidEndForce(c: Context, i: number, id: string, r: number): Origin | undefined {
  if (c.solution.open.includes(i))
    return {
      kind: 'solved',
      words:
        'Equilibrium leaves this force open: the supports and loads of a chain of rigid members do ' +
        'not settle it.',
    }
  const found = c.solution.rigid?.from.find((f) => f.member === i)
  if (!found) return undefined
  const e = c.solution.elements[i]
  const j = e.dofs.indexOf(found.dof)
  if ((j < 3 ? 0 : 3) !== r) {
    const held = [r, 3 - r].map((k) => c.letter('fixed', id, k + 1)).filter((l) => l.value !== 0)
    return formula(
      sum(...held, minus(c.letter('q', id, 4 - r))),
      `From the equilibrium of ${id} along itself.`,
    )()
  }
  const { dofs } = c.solution
  const others = c.solution.elements.flatMap((o, k): Formula[] => {
    const at = o.dofs.indexOf(found.dof)
    if (at < 0) return []
    const m = c.solution.structure.members[k].id
    return [0, 1, 2, 3, 4, 5].flatMap((a): Formula[] =>
      (k === i && a === r) || o.T[6 * a + at] === 0 || c.action.forces[6 * k + a] === 0
        ? []
        : [minus(times(turnLetter(c, m, a, at), c.letter('q', m, a + 1)))],
    )
  })
  const { node, component } = dofs.list[found.dof]
  const load = c.letter('joint-load', found.dof + 1)
  const spring =
    typeof dofs.supportAt.get(node)?.hold[component] === 'number' ? [c.letter('R', found.dof + 1)] : []
  const turn = turnLetter(c, id, r, j)
  const all = sum(...(load.value === 0 ? [] : [load]), ...spring, ...others)
  const words =
    `From the equilibrium of joint ${c.solution.structure.nodes[node].id} along ` +
    `${component}${found.alone ? '' : ', found together with the forces of other rigid members'}.`
  return formula(
    turn.t === 'number' && turn.value === 1
      ? all
      : turn.t === 'minus'
        ? minus(over(all, turn.of))
        : over(all, turn),
    words,
  )()
}

/**
 * Unknowns tied together by axially rigid members, and the equations gathered on those that others follow.
 */
export const TIED: Record<string, Kind> = {
  ...kinds(toUnknowns, {
    /** How many times one displacement is another. */
    tie: (c, at, to) => {
      const [d, i] = [dofOf(c, at), dofOf(c, to)]
      const t = d && i && c.solution.rigid?.ties.get(d.i)?.terms.get(i.i)
      return t === undefined
        ? undefined
        : {
            symbol: { letter: 't', sub: pair(d.number, i.number) },
            si: t,
            dimension: D.none,
            exact: true,
            origin: () => ({
              kind: 'stated',
              words:
                'The rigid members keep their lengths: by so much the one moves when the other moves ' +
                'by one and nothing else does.',
            }),
          }
    },
    /** What elongations and settlements add to a displacement that follows from others. */
    'tie-alone': superposed('tie-alone', (c, at) => {
      const d = dofOf(c, at)
      const tie = d && c.solution.rigid?.ties.get(d.i)
      return (
        tie && {
          symbol: { letter: 'D°', sub: String(d.number) },
          si: c.action.imposed?.[d.i] ?? 0,
          dimension: D.length,
          exact: true,
          origin: () => ({
            kind: 'stated',
            words:
              'What the rigid members impose on it, made too long or carried along by a settlement, ' +
              'when no unknown moves.',
          }),
        }
      )
    }),
    /** An entry of the equations gathered on the unknowns that others follow. */
    'K-tied': (c, row, column): Found | undefined => {
      const tied = tiedOf(c.solution)
      const [r, k] = [dofOf(c, row), dofOf(c, column)]
      if (!tied || !r || !k || !tied.independent.has(r.i) || !tied.independent.has(k.i)) return undefined
      return {
        symbol: { letter: 'K\u0304', sub: pair(r.number, k.number) },
        si: tiedStiffness(c.solution, r.i, k.i),
        dimension: stiffnessDimension(r.turns, k.turns),
        origin: () => {
          const K = structureRows(c.solution)
          const terms = tied.along
            .get(r.i)!
            .flatMap(([a, ta]) =>
              tied.along
                .get(k.i)!
                .flatMap(([b, tb]): Formula[] =>
                  (K[a].get(b) ?? 0) === 0
                    ? []
                    : [times(factor(c, a, r.i, ta), c.letter('K', a + 1, b + 1), factor(c, b, k.i, tb))],
                ),
            )
          return terms.length
            ? formula(sum(...terms))()
            : { kind: 'stated', words: 'Nothing that moves with the one resists the other.' }
        },
      }
    },
    /**
     * The right-hand side of a free equation: prescribed displacements on it, and gathered where unknowns are
     * tied.
     */
    'P-free': (c, at) => {
      const d = dofOf(c, at)
      if (
        !d ||
        d.i >= c.solution.dofs.free ||
        (c.solution.rigid && !tiedOf(c.solution)!.independent.has(d.i))
      )
        return undefined
      return {
        symbol: { letter: 'P\u0304', sub: String(d.number) },
        si: rightSide(c.solution, c.action, d.i),
        dimension: d.turns ? D.moment : D.force,
        origin: () => formula(right(c, d.i))(),
      }
    },
  }),
}
