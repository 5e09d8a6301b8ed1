import { solve } from '../../analysis/solve.js'
import { displacementAt, reactionAt } from '../../results/at-node.js'
import type { Solution, ActionSolution } from '../../analysis/solve.js'
import { combineActions } from '../../structure/case-actions.js'
import type { Actions } from '../../structure/actions.js'
import type { Asked, Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import { actionsOf } from '../acting-loads.js'
import type { Task } from '../method.js'
import { actingOf } from '../numbers.js'
import { equilibriumOf, reactionsOf, type Reaction } from '../statics/equilibrium.js'
import type { ForceState } from '../virtual-work/virtual-work.js'

/** The displacement that is sought: of a joint, along an axis or as a turn. */
export interface Sought {
  node: number
  component: 'x' | 'y' | 'rotation'
}

/**
 * The displacement that is asked for; else the first among the hand values; else that of the first joint that
 * can move. Undefined where there is no such joint.
 */
export function soughtOf({ answers }: Problem, s: Structure, of?: Asked): Sought | undefined {
  const asked = of ?? answers?.find((a) => a.quantity === 'displacement')
  if (asked) {
    const node = s.nodes.findIndex((n) => n.id === asked.node)
    return node < 0 || asked.quantity !== 'displacement'
      ? undefined
      : { node, component: asked.component ?? 'y' }
  }
  for (const component of ['y', 'x'] as const) {
    const node = s.nodes.findIndex(
      (_, i) => !s.supports.some((p) => p.node === i && p.hold[component] === true),
    )
    if (node >= 0) return { node, component }
  }
  return undefined
}

/** The actions of a unit force or a unit moment at a joint: 1 N or 1 N·m. */
export function unitActions(s: Structure, { node, component }: Sought): Actions {
  const actions = combineActions(s, [])
  actions.nodal[3 * node + { x: 0, y: 1, rotation: 2 }[component]] = 1
  return actions
}

/** The real state and the unit state: by equilibrium, or as the results have them. */
export function statesOf(
  task: Task,
  sought: Sought,
): { real: ForceState; unit: ForceState; reactions: Reaction[] } {
  const { structure: s, options } = task
  const actions = actionsOf(s, actingOf(s, task.action)!)
  const unitOnly = unitActions(s, sought)
  const reactions = reactionsOf(s)
  if (options?.given !== 'results') {
    const by = (a: Actions): ForceState => {
      const { ends, values } = equilibriumOf(s, a)
      return { ends, reactions: values, actions: a }
    }
    return { real: by(actions), unit: by(unitOnly), reactions }
  }
  const { solution, action } = task.solved()
  const unit = solve(withUnitCase(s, sought))
  if (!unit.ok) throw new Error('A structure that was solved is solved under another load.')
  return {
    real: solvedState(solution, action, reactions, actions),
    unit: solvedState(unit.solution, unit.solution.cases[0], reactions, unitOnly),
    reactions,
  }
}

/** The structure with the unit load as its only case. */
function withUnitCase(s: Structure, { node, component }: Sought): Structure {
  const load = { fx: 0, fy: 0, m: 0, [{ x: 'fx', y: 'fy', rotation: 'm' }[component]]: 1 }
  return {
    ...s,
    combinations: [],
    supports: s.supports.map((p) => ({ ...p, settlement: { x: 0, y: 0, rotation: 0 }, settlementCase: 0 })),
    cases: [
      {
        id: 'unit',
        title: '',
        category: 'other',
        selfWeight: 0,
        loads: [{ type: 'nodal', node, ...load }],
      },
    ],
  }
}

function solvedState(
  solution: Solution,
  action: ActionSolution,
  reactions: readonly Reaction[],
  actions: Actions,
): ForceState {
  return {
    ends: Float64Array.from(action.forces),
    reactions: reactions.map((r) => {
      const all = reactionAt(solution, action, r.node)
      return r.component === 'rotation' ? all.rotation : all.x * r.x + all.y * r.y
    }),
    actions,
  }
}

/** The displacement as the stiffness method finds it. */
export const solverValue = ({ solved }: Task, { node, component }: Sought): number => {
  const { solution, action } = solved()
  return displacementAt(solution, action, node)[component] ?? NaN
}
