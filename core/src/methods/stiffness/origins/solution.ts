import * as D from '../../../quantity/dimension.js'
import { COMPONENTS } from '../../../analysis/dofs.js'
import { minus, number, over, sum, times, type Formula } from '../../expression.js'
import { backSubstituted, eliminated } from './eliminated.js'
import { endNumber, formula, index, type Context, type Found, type Kind, kinds } from './kind.js'
import { toEntryOfElimination, toMember, toUnknowns, toWhatStandsBehind } from './belongs.js'
import { loadsOf, selfWeightOf } from './loads.js'
import { turnLetter } from './stiffness.js'
import { tiedOf } from '../tied.js'
import { following, rigidEndForce } from './tied.js'
import { superposed } from './superposed.js'

const dofOf = (c: Context, at: string | undefined) => {
  const i = index(at) - 1
  const d = c.solution.dofs.list[i]
  return (
    d && {
      i,
      ...d,
      joint: c.solution.structure.nodes[d.node],
      number: String(c.numbering.numbers[i]),
      turns: d.component === 'rotation',
    }
  )
}

const forceDimension = (turns: boolean) => (turns ? D.moment : D.force)

/** The load on a joint along one of its own axes, of its loads along x and y. */
function jointLoad(c: Context, at: { node: number; component: string; joint: { id: string } }): Formula {
  const turn = c.solution.dofs.angle[at.node] !== 0
  const terms: Formula[] = []
  const push = (X: Formula | undefined, Y: Formula | undefined, M: Formula | undefined) => {
    if (at.component === 'rotation') {
      if (M) terms.push(M)
      return
    }
    if (!turn) {
      const own = at.component === 'x' ? X : Y
      if (own) terms.push(own)
      return
    }
    const [cos, sin] = [c.letter('cos-turn', at.joint.id), c.letter('sin-turn', at.joint.id)]
    if (X) terms.push(at.component === 'x' ? times(cos, X) : minus(times(sin, X)))
    if (Y) terms.push(at.component === 'x' ? times(sin, Y) : times(cos, Y))
  }
  loadsOf(c).forEach((load, n) => {
    if (load.type !== 'nodal' || load.node !== at.node) return
    const part = (key: 'fx' | 'fy' | 'm') => (load[key] === 0 ? undefined : c.letter('load', n, key))
    push(part('fx'), part('fy'), part('m'))
  })
  const factor = selfWeightOf(c)
  for (const m of c.solution.structure.members)
    if (factor !== 0 && m.bar && m.weight > 0 && (m.start === at.node || m.end === at.node))
      push(
        undefined,
        minus(over(times(number(factor), c.letter('weight', m.id), c.letter('L', m.id)), number(2))),
        undefined,
      )
  return sum(...terms)
}

/** Loads on a joint in its own axes, SI. */
function nodal(c: Context, node: number): number[] {
  const [fx, fy, m] = c.action.actions.nodal.subarray(3 * node, 3 * node + 3)
  const turn = c.solution.dofs.angle[node]
  return [Math.cos(turn) * fx + Math.sin(turn) * fy, -Math.sin(turn) * fx + Math.cos(turn) * fy, m]
}

/** Members that press on a joint with their fixed-end forces at an unknown. */
const pressing = (c: Context, i: number) =>
  c.solution.elements.flatMap((e, k) => {
    const r = e.dofs.indexOf(i)
    return r >= 0 && c.action.fixed.has(k) ? [{ id: c.solution.structure.members[k].id, r }] : []
  })

/** Unknowns that share an entry of K with one. */
export function neighbours(c: Context, i: number): number[] {
  const out = new Set<number>([i])
  for (const e of c.solution.elements) {
    const r = e.dofs.indexOf(i)
    if (r >= 0) e.dofs.forEach((d, k) => d >= 0 && e.global[6 * r + k] !== 0 && out.add(d))
  }
  return [...out].sort((a, b) => a - b)
}

/** Whether rigid members tie unknowns together. */
const isRigid = (c: Context) => c.solution.rigid !== undefined

/**
 * What the equations are made of, what they yield, and what follows: loads, displacements, end forces,
 * reactions.
 */
export const SOLUTION: Record<string, Kind> = {
  ...kinds(toWhatStandsBehind(1), {
    /** A number in one of the cases of a combination. */
    case: (c, id, ...parts) => c.inCase(id, parts),
  }),
  ...kinds(toUnknowns, {
    'joint-load': superposed('joint-load', (c, at) => {
      const d = dofOf(c, at)
      return (
        d && {
          symbol: { letter: 'Pʲ', sub: d.number },
          si: nodal(c, d.node)[COMPONENTS.indexOf(d.component)],
          dimension: forceDimension(d.turns),
          origin: () => loaded(c, d),
        }
      )
    }),
    /** The right-hand side: the load on the joint less the fixed-end forces of its members. */
    P: superposed('P', (c, at) => {
      const d = dofOf(c, at)
      if (!d) return undefined
      return {
        symbol: { letter: 'P', sub: d.number },
        si: c.action.load[d.i],
        dimension: forceDimension(d.turns),
        origin: () => {
          const members = pressing(c, d.i).map(({ id, r }) => minus(c.letter('fixed-global', id, r + 1)))
          const joint = c.letter('joint-load', at)
          return formula(
            sum(...(joint.value !== 0 || members.length === 0 ? [joint] : []), ...members),
            'The load on the joint, less the fixed-end forces of the members that meet there.',
          )()
        },
      }
    }),
  }),
  ...kinds(toEntryOfElimination, {
    row: eliminated,
  }),
  ...kinds(toUnknowns, {
    D: superposed('D', (c, at) => {
      const d = dofOf(c, at)
      if (!d) return undefined
      return {
        symbol: { letter: 'D', sub: d.number },
        si: c.action.D[d.i],
        dimension: d.turns ? D.angle : D.length,
        origin: () => displacement(c, at, d),
      }
    }),
  }),
  ...kinds(toMember, {
    /** End displacements of a member in its own axes: T·D. */
    d: superposed('d', (c, id, at) => {
      const [i, r] = [c.member(id), index(at) - 1]
      if (i < 0 || r < 0 || r > 5) return undefined
      const e = c.solution.elements[i]
      const si = e.dofs.reduce((v, d, k) => v + (d < 0 ? 0 : e.T[6 * r + k] * c.action.D[d]), 0)
      return {
        symbol: { letter: 'd', sub: String(endNumber(c, c.solution.structure.members[i], r)), of: id },
        si,
        dimension: r % 3 === 2 ? D.angle : D.length,
        origin: () => {
          const terms = e.dofs.flatMap((d, k): Formula[] =>
            d < 0 || e.T[6 * r + k] === 0 ? [] : [times(turnLetter(c, id, r, k), c.letter('D', d + 1))],
          )
          return terms.length
            ? formula(sum(...terms))()
            : {
                kind: 'stated',
                words:
                  'Every member end at this joint is hinged: its rotation is no unknown and is not needed.',
              }
        },
      }
    }),
    /** End forces of a member in its own axes: k·d + f. */
    q: superposed('q', (c, id, at) => {
      const [i, r] = [c.member(id), index(at) - 1]
      if (i < 0 || r < 0 || r > 5) return undefined
      return {
        symbol: { letter: 'q', sub: String(endNumber(c, c.solution.structure.members[i], r)), of: id },
        si: c.action.forces[6 * i + r],
        dimension: forceDimension(r % 3 === 2),
        origin: () => endForce(c, i, id, r),
      }
    }),
  }),
  ...kinds(toUnknowns, {
    /** A reaction at a held unknown or a support spring. */
    R: superposed('R', (c, at) => {
      const d = dofOf(c, at)
      const hold = d && c.solution.dofs.supportAt.get(d.node)?.hold[d.component]
      if (!d || hold === undefined || hold === false) return undefined
      const spring = typeof hold === 'number'
      return {
        symbol: { letter: 'R', sub: d.number },
        si: c.action.reactions[d.i],
        dimension: forceDimension(d.turns),
        origin: () => {
          if (spring)
            return formula(
              minus(
                times(c.letter('spring', d.joint.id, COMPONENTS.indexOf(d.component)), c.letter('D', at)),
              ),
            )()
          if (isRigid(c))
            return formula(
              sum(...atJoint(c, d.i), minus(c.letter('joint-load', at))),
              'From the equilibrium of the joint: rigid members pull on it by forces that no product ' +
                'of K and D holds.',
            )()
          const row = neighbours(c, d.i).filter((j) => c.action.D[j] !== 0)
          return formula(
            sum(
              ...row.map((j) => times(c.letter('K', at, j + 1), c.letter('D', j + 1))),
              minus(c.letter('P', at)),
            ),
          )()
        },
      }
    }),
  }),
}

/** End forces of the members at a joint, turned to its axes. */
const atJoint = (c: Context, i: number): Formula[] =>
  c.solution.elements.flatMap((e, k) => {
    const r = e.dofs.indexOf(i)
    if (r < 0) return []
    const { id } = c.solution.structure.members[k]
    return [0, 1, 2, 3, 4, 5].flatMap((a): Formula[] =>
      e.T[6 * a + r] !== 0 && c.action.forces[6 * k + a] !== 0
        ? [times(turnLetter(c, id, a, r), c.letter('q', id, a + 1))]
        : [],
    )
  })

function loaded(c: Context, d: NonNullable<ReturnType<typeof dofOf>>): ReturnType<Found['origin']> {
  const f = jointLoad(c, d)
  return f.t === 'number'
    ? { kind: 'stated', words: `Nothing acts on joint ${d.joint.id} itself in this direction.` }
    : formula(f)()
}

function displacement(
  c: Context,
  at: string,
  d: NonNullable<ReturnType<typeof dofOf>>,
): ReturnType<Found['origin']> {
  if (!d.free)
    return c.action.D[d.i] === 0
      ? { kind: 'stated', words: `The support at ${d.joint.id} holds it.` }
      : formula(c.letter('settlement', d.joint.id, COMPONENTS.indexOf(d.component)))()
  const follows = following(c, d.i)
  if (follows) return formula(follows)()
  const by = backSubstituted(c, d.i)
  if (by)
    return formula(by, 'From the last equation upward: each has one unknown more than the one below it.')()
  // too many to be written out: the unknown's own equation, with the others as found
  if (isRigid(c)) return ownTiedEquation(c, d.i)
  const row = neighbours(c, d.i).filter((j) => j !== d.i && c.action.D[j] !== 0)
  return formula(
    over(
      sum(c.letter('P', at), ...row.map((j) => minus(times(c.letter('K', at, j + 1), c.letter('D', j + 1))))),
      c.letter('K', at, at),
    ),
    'Found together with the others; here its own equation, with the others put in.',
  )()
}

/** The gathered equation of an unknown, with the others as found. */
function ownTiedEquation(c: Context, i: number): ReturnType<Found['origin']> {
  const others = [...tiedOf(c.solution)!.independent].filter(
    (j) => j !== i && c.action.D[j] !== 0 && c.value('K-tied', i + 1, j + 1) !== 0,
  )
  return formula(
    over(
      sum(
        c.letter('P-free', i + 1),
        ...others.map((j) => minus(times(c.letter('K-tied', i + 1, j + 1), c.letter('D', j + 1)))),
      ),
      c.letter('K-tied', i + 1, i + 1),
    ),
    'Found together with the others; here its own equation, with the others put in.',
  )()
}

function endForce(c: Context, i: number, id: string, r: number): ReturnType<Found['origin']> {
  const e = c.solution.elements[i]
  const m = c.solution.structure.members[i]
  const balanced = m.axiallyRigid && r % 3 === 0 ? rigidEndForce(c, i, id, r) : undefined
  if (balanced) return balanced
  if (m.releases[r] === true)
    return { kind: 'stated', words: `${['N', 'V', 'M'][r % 3]} is released at this end of ${id}.` }
  if (m.bar && r % 3 !== 0) return { kind: 'stated', words: `${id} carries axial force alone.` }
  const terms = [0, 1, 2, 3, 4, 5].flatMap((k): Formula[] => {
    if (e.k[6 * r + k] === 0) return []
    const d = c.letter('d', id, k + 1)
    return d.value === 0 ? [] : [times(c.letter('k', id, r + 1, k + 1), d)]
  })
  const f = c.action.fixed.get(i)
  return formula(sum(...terms, ...(f && f[r] !== 0 ? [c.letter('fixed', id, r + 1)] : [])))()
}
