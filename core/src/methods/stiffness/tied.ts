import type { ActionSolution, Solution } from '../../analysis/solve.js'
import { structureRows } from './origins/condensed.js'

/**
 * Axially rigid members tie unknowns together: some follow from the others, which alone are solved for. K and
 * P are gathered on them, K̄ᵢⱼ = Σ tₐᵢ·Kₐᵦ·tᵦⱼ over all that follow i and j. Source: Weaver & Gere, Matrix
 * Analysis of Framed Structures, ch. 6.
 */
export interface Tied {
  /** Free degrees of freedom that follow from no other. */
  independent: ReadonlySet<number>
  /**
   * The degrees of freedom that depend on an independent one, each with its factor; the independent one
   * itself comes first.
   */
  along: ReadonlyMap<number, readonly (readonly [dof: number, factor: number])[]>
}

const known = new WeakMap<Solution, Tied | null>()

/** How unknowns are tied together; undefined without rigid members. */
export function tiedOf(solution: Solution): Tied | undefined {
  let it = known.get(solution)
  if (it === undefined) known.set(solution, (it = solution.rigid ? gather(solution) : null))
  return it ?? undefined
}

function gather({ rigid, dofs }: Solution): Tied {
  const along = new Map<number, [number, number][]>()
  for (let d = 0; d < dofs.free; d++) if (!rigid!.ties.has(d)) along.set(d, [[d, 1]])
  for (const [d, { terms }] of rigid!.ties) for (const [i, factor] of terms) along.get(i)?.push([d, factor])
  return { independent: new Set(along.keys()), along }
}

/**
 * What displacements are before anything is solved, SI: settlements of held ones, and what rigid members
 * impose on those that follow.
 */
export function prescribed(solution: Solution, action: ActionSolution): Map<number, number> {
  const out = new Map<number, number>()
  for (let d = solution.dofs.free; d < solution.dofs.list.length; d++)
    if (action.D[d] !== 0) out.set(d, action.D[d])
  for (const d of solution.rigid?.ties.keys() ?? []) {
    const v = action.imposed?.[d] ?? 0
    if (v !== 0) out.set(d, v)
  }
  return out
}

/** An entry of K̄, SI. */
export function tiedStiffness(solution: Solution, i: number, j: number): number {
  const { along } = tiedOf(solution)!
  const K = structureRows(solution)
  let v = 0
  for (const [a, ta] of along.get(i) ?? [])
    for (const [b, tb] of along.get(j) ?? []) v += ta * (K[a].get(b) ?? 0) * tb
  return v
}

/** The right-hand side of an equation with what is prescribed on it, gathered where unknowns are tied, SI. */
export function rightSide(solution: Solution, action: ActionSolution, i: number): number {
  const K = structureRows(solution)
  const before = prescribed(solution, action)
  const rest = (a: number) => [...K[a]].reduce((v, [j, k]) => v - k * (before.get(j) ?? 0), action.load[a])
  return (tiedOf(solution)?.along.get(i) ?? [[i, 1] as const]).reduce((v, [a, t]) => v + t * rest(a), 0)
}
