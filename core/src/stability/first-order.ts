import type { ActionSolution, Solution } from '../analysis/solve.js'

/** The first-order state of an action that was solved in second order; any other as it is. */
export const firstOrderOf = (action: ActionSolution): ActionSolution => {
  if (!action.bent) return action
  const known = plain.get(action)
  if (known) return known
  const { id, title, kind, actions, bent } = action
  const made = { id, title, kind, actions, ...bent.first }
  plain.set(action, made)
  return made
}

const plain = new WeakMap<ActionSolution, ActionSolution>()

/**
 * A solution with its first-order states: what the stiffness method finds before the structure is seen as
 * bent.
 */
export const firstOrderSolution = (solution: Solution): Solution =>
  solution.structure.order === 1
    ? solution
    : {
        ...solution,
        structure: { ...solution.structure, order: 1 },
        cases: solution.cases.map(firstOrderOf),
        combinations: solution.combinations.map(firstOrderOf),
      }
