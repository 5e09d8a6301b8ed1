import * as D from '../../quantity/dimension.js'
import type { Dimension } from '../../quantity/dimension.js'
import type { ActionSolution, Solution } from '../../analysis/solve.js'

/**
 * Relative tolerance: a value smaller than this fraction of the largest value of the same kind is rounding
 * error and is displayed as 0.
 */
const ROUNDING = 1e-12

/**
 * The kinds of number that are stiffnesses. They are compared with the stiffnesses of the members, not with
 * forces.
 */
const STIFFNESSES = new Set(['own', 'part', 'k', 'hinged', 'global', 'K', 'K-tied', 'row'])

/**
 * Returns a test for rounding error. It compares a force with the largest force of the case, a displacement
 * with the largest displacement, and a stiffness with the largest of its dimension.
 */
export function roundingOf(
  solution: Solution,
  action: ActionSolution,
): (kind: string, si: number, d: Dimension) => number {
  const forces = new Map<Dimension, number>()
  const stiffnesses = new Map<Dimension, number>()
  const grow = (to: Map<Dimension, number>, d: Dimension, v: number) =>
    to.set(d, Math.max(to.get(d) ?? 0, Math.abs(v) || 0))
  let longest = 0
  for (const m of solution.structure.members) longest = Math.max(longest, m.length)
  action.forces.forEach((v, i) => grow(forces, i % 3 === 2 ? D.moment : D.force, v))
  solution.dofs.list.forEach((d, i) => {
    const turns = d.component === 'rotation'
    grow(forces, turns ? D.moment : D.force, action.load[i])
    grow(forces, turns ? D.moment : D.force, action.reactions[i])
    grow(forces, turns ? D.angle : D.length, action.D[i])
  })
  // a structure without moments still has moments that are rounding error
  grow(forces, D.moment, 1e-3 * longest * (forces.get(D.force) ?? 0))
  grow(forces, D.angle, (1e-3 * (forces.get(D.length) ?? 0)) / (longest || 1))
  forces.set(D.none, 1)
  for (const e of solution.elements)
    for (let i = 0; i < 6; i++)
      for (let j = 0; j < 6; j++)
        grow(
          stiffnesses,
          (i % 3 === 2 ? 1 : 0) + (j % 3 === 2 ? 1 : 0) === 2
            ? D.moment
            : i % 3 === 2 || j % 3 === 2
              ? D.force
              : D.forcePerLength,
          e.own[6 * i + j],
        )
  return (kind, si, d) => {
    const most = (STIFFNESSES.has(kind) ? stiffnesses : forces).get(d) ?? 0
    return Math.abs(si) <= ROUNDING * most ? 0 : si
  }
}
