import { apply } from '../../analysis/assemble.js'
import type { LoadVectors } from '../../analysis/load-vectors.js'
import type { System } from '../../analysis/system.js'
import { superpose, type ActionSolution, type Solution } from '../../analysis/solve.js'
import { stateUnder } from '../../analysis/state.js'
import type { Actions } from '../../structure/actions.js'
import { caseActions } from '../../structure/case-actions.js'
import type { Structure } from '../../structure/types.js'
import type { Alter, Found, SlipContext, SlipSolution } from './slip.js'
import { valuesByEnds } from './values.js'

/** Solutions with slips within a method: load vectors altered between their making and the solution. */

/**
 * The whole solution with the load vectors of every case altered; what acts along members is kept or left
 * out. `structure` is that of the system where it is another one than that of the problem.
 */
export function alteredSolution(
  ctx: SlipContext,
  system: System,
  alter: Alter,
  along: (actions: Actions) => Actions = (a) => a,
  structure: Structure = ctx.structure,
): Solution | undefined {
  const { structure: s, base } = ctx
  const cases: ActionSolution[] = []
  for (let i = 0; i < s.cases.length; i++) {
    const actions = caseActions(s, i)
    const state = stateUnder({ ...system, structure }, actions, (v) => alter(v, system, i))
    if ('kind' in state) return undefined
    const { id, title } = s.cases[i]
    cases.push({ id, title, kind: 'case', ...state, actions: along(actions) })
  }
  const { elements, dofs } = system
  const combinations = s.combinations.map((c) => superpose(s, cases, c))
  return { ...base.solution, elements, dofs, cases, combinations }
}

export const readByEnds = (ctx: SlipContext, solution: Solution | undefined): SlipSolution | undefined =>
  solution && { solution, read: (a) => valuesByEnds(ctx.problem, solution, a) }

/** A slip of the load vectors: how it is solved alone, and what it changes beside another one. */
export const withAlter = (ctx: SlipContext, alter: Alter): Pick<Found, 'solve' | 'method'> => ({
  solve: () => readByEnds(ctx, alteredSolution(ctx, ctx.base.system, alter)),
  method: () => ({ alter }),
})

/** Joint loads anew for other fixed-end forces: what they put on the joints is taken off with `sign`. */
export function loadsFor(
  { load, fixed }: LoadVectors,
  system: System,
  put: Map<number, Float64Array>,
  sign: 1 | -1,
) {
  const out = load.slice()
  const turned = new Float64Array(6)
  const add = (f: ReadonlyMap<number, Float64Array>, by: number) => {
    for (const [i, v] of f) {
      const e = system.elements[i]
      apply(e.T, v, true, turned)
      for (let j = 0; j < 6; j++) if (e.dofs[j] >= 0) out[e.dofs[j]] += by * turned[j]
    }
  }
  add(fixed, 1)
  add(put, -sign)
  return out
}

/** True where any case has fixed-end forces. */
export const isLoadedAlong = ({ base }: SlipContext) => base.solution.cases.some((c) => c.fixed.size > 0)

/** In second order a method is gone through round after round: no single slip of it can be told. */
export const isOneRound = ({ structure }: SlipContext): boolean => structure.order !== 2
