import * as D from '../../quantity/dimension.js'
import { thing } from '../../document/thing.js'
import { reactionAt as solvedReaction } from '../../results/at-node.js'
import { addressOf } from '../address.js'
import { number, sum, type Formula } from '../expression.js'
import type { Task } from '../method.js'
import type { Notes } from '../notes.js'
import type { Coherent } from '../noted-method.js'
import { reactionName } from '../../document/reaction-name.js'
import { weighted } from '../solved-for.js'
import { contributionFormula, noteRigidities } from '../virtual-work/notes.js'
import { courseIn, type ForceState } from '../virtual-work/virtual-work.js'
import type { Redundant } from './redundants.js'
import { total, type ForceMethod } from './work.js'

export const at = {
  redundant: (i: number) => addressOf('X', i + 1),
  released: (i: number) => addressOf('delta', i + 1),
  flexibility: (i: number, j: number) => addressOf('f', i + 1, j + 1),
  prescribed: (i: number) => addressOf('prescribed', i + 1),
  force: (state: string, member: string, key: string) => addressOf(state, member, key),
  reaction: (state: string, node: string, component: string) =>
    addressOf(`${state}-reaction`, node, component),
  solver: (node: string, component: string) => addressOf('solver-reaction', node, component),
}

const forceOf = (r: Redundant) => (r.isMoment ? D.moment : D.force)
const displacementOf = (r: Redundant) => (r.isMoment ? D.angle : D.length)

/** The things a redundant is at. */
const belongs = ({ quantity }: Redundant) => [
  quantity.node === undefined ? thing.member(quantity.member!) : thing.support(quantity.node),
]

/** Notes the displacements of the released structure, the flexibilities and the redundants. */
export function noteCompatibility(notes: Notes, f: ForceMethod, coherent: Coherent): void {
  noteRigidities(notes, f.structure)
  f.redundants.forEach((r, i) => {
    const of = belongs(r)
    const dimension = displacementOf(r)
    notes.put(['delta', i + 1], {
      symbol: { letter: 'δ', sub: `${i + 1}0` },
      si: total(f.displacements[i]),
      dimension,
      of,
      from: (letter) =>
        sum(
          ...f.displacements[i].map((c) =>
            contributionFormula(c, f.structure, dimension, D.none, coherent, letter),
          ),
        ),
    })
    notes.put(['prescribed', i + 1], {
      symbol: { letter: 'δ', sub: String(i + 1) },
      si: f.prescribed[i],
      dimension,
      of,
      from: f.prescribed[i] === 0 ? 'Nothing gives way there.' : 'The settlement that the problem states.',
    })
    notes.put(['X', i + 1], {
      symbol: { letter: 'X', sub: String(i + 1) },
      si: f.values[i],
      dimension: forceOf(r),
      of,
      from: 'The equations of compatibility together give it.',
    })
    f.redundants.forEach((q, j) => {
      const per = D.divide(dimension, forceOf(q))
      notes.put(['f', i + 1, j + 1], {
        symbol: { letter: 'f', sub: `${i + 1}${j + 1}` },
        si: total(f.flexibility[i][j]),
        dimension: per,
        of: [...of, ...belongs(q)],
        from: (letter) =>
          sum(
            ...f.flexibility[i][j].map((c) =>
              contributionFormula(c, f.structure, dimension, forceOf(q), coherent, letter),
            ),
          ),
      })
    })
  })
}

/** The states whose forces are listed: the released one, those of the redundants, and the final one. */
export const stateName = (i: number | 'released' | 'final'): string =>
  typeof i === 'number' ? `unit-${i + 1}` : i

/** Notes the forces of each state at the ends of the members and in the supports. */
export function noteStates(notes: Notes, f: ForceMethod, task: Task, coherent: Coherent): void {
  noteState(notes, f, f.released, 'released', D.none)
  f.units.forEach((u, i) => noteState(notes, f, u, stateName(i), forceOf(f.redundants[i])))
  noteFinal(notes, f, coherent)
  const { solution, action } = task.solved()
  f.reactions.forEach((r) => {
    const all = solvedReaction(solution, action, r.node)
    const { id } = f.structure.nodes[r.node]
    notes.put(['solver-reaction', id, r.component], {
      symbol: reactionName(id, r.component),
      si: r.component === 'rotation' ? all.rotation : all.x * r.x + all.y * r.y,
      dimension: r.component === 'rotation' ? D.moment : D.force,
      from: 'The stiffness method finds this.',
      of: [thing.support(id)],
    })
  })
}

/** Internal forces at the ends of a member, by their keys. */
const KEYS = [
  ['N', 'N', D.force],
  ['M-start', 'M', D.moment],
  ['M-end', 'M', D.moment],
] as const

function endValues(f: ForceMethod, state: ForceState, member: number): Record<string, number> {
  const course = courseIn(f.structure, state, member)
  return { N: course.start.N, 'M-start': course.start.M, 'M-end': course.end.M }
}

function noteState(notes: Notes, f: ForceMethod, state: ForceState, name: string, per: D.Dimension): void {
  const from = 'By equilibrium of the released structure.'
  f.structure.members.forEach((m, i) => {
    const values = endValues(f, state, i)
    for (const [key, letter, dimension] of KEYS)
      notes.put([name, m.id, key], {
        symbol: { letter, of: m.id },
        si: values[key],
        dimension: D.divide(dimension, per),
        from,
        of: [thing.member(m.id)],
      })
  })
  f.reactions.forEach((r, i) => {
    const { id } = f.structure.nodes[r.node]
    notes.put([`${name}-reaction`, id, r.component], {
      symbol: reactionName(id, r.component),
      si: state.reactions[i],
      dimension: D.divide(r.component === 'rotation' ? D.moment : D.force, per),
      from,
      of: [thing.support(id)],
    })
  })
}

/** The part of a force that does not depend on the redundants; none where it is 0. */
const constant = (si: number, dimension: D.Dimension, coherent: Coherent): Formula[] =>
  si === 0 ? [] : [number(coherent(si, dimension))]

/** Notes the final forces: those of the released structure, and so many times those of each redundant. */
function noteFinal(notes: Notes, f: ForceMethod, coherent: Coherent): void {
  const unit = (i: number, value: number, dimension: D.Dimension) =>
    coherent(value, D.divide(dimension, forceOf(f.redundants[i])))
  f.structure.members.forEach((m, k) => {
    const values = endValues(f, f.final, k)
    const base = endValues(f, f.released, k)
    const each = f.units.map((u) => endValues(f, u, k))
    for (const [key, letter, dimension] of KEYS)
      notes.put(['final', m.id, key], {
        symbol: { letter, of: m.id },
        si: values[key],
        dimension,
        of: [thing.member(m.id)],
        from: (l) =>
          sum(
            ...constant(base[key], dimension, coherent),
            ...each.flatMap((e, i) =>
              e[key] === 0 ? [] : [weighted(unit(i, e[key], dimension), l(at.redundant(i)))],
            ),
          ),
      })
  })
  f.reactions.forEach((r, k) => {
    const { id } = f.structure.nodes[r.node]
    const dimension = r.component === 'rotation' ? D.moment : D.force
    notes.put(['final-reaction', id, r.component], {
      symbol: reactionName(id, r.component),
      si: f.final.reactions[k],
      dimension,
      of: [thing.support(id)],
      from: (l) =>
        sum(
          ...constant(f.released.reactions[k], dimension, coherent),
          ...f.units.flatMap((u, i) =>
            u.reactions[k] === 0 ? [] : [weighted(unit(i, u.reactions[k], dimension), l(at.redundant(i)))],
          ),
        ),
    })
  })
}
