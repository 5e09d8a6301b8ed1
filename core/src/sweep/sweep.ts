import type { Dimension } from '../quantity/dimension.js'
import { superpose, type ActionSolution, type Solution, type Solved } from '../analysis/solve.js'
import { solve as solveFirstOrder } from '../analysis/solve.js'
import { computedFor } from '../checking/quantities.js'
import type { Problem } from '../document/types.js'
import { answerDimension, withKeys } from '../kinds/answers/index.js'
import { bentAction } from '../stability/second-order.js'
import { lowestFactor } from '../stability/load-factor.js'
import { resolve } from '../structure/resolve.js'
import type { Structure } from '../structure/types.js'
import { firstOrderSolution } from '../stability/first-order.js'
import type { Read } from './reads.js'
import { dimensionOf, factorsAt, isFactor, withValue, type Varied } from './vary.js'

/** What a sweep is asked for. */
export interface SweepInput {
  problem: Problem
  varied: Varied
  /** The values that it takes, SI; bare numbers of a factor, a share, or a number without a unit. */
  values: readonly number[]
  reads: readonly Read[]
  /** The case or combination that is read; the first case where left out. */
  action?: string
  orders: readonly (1 | 2)[]
}

/** One step: the value, what is read in each order, SI, and why where there is nothing. */
export interface SweepStep {
  value: number
  /** By order, then by read; null where there is no such value. */
  values: Partial<Record<1 | 2, (number | null)[]>>
  /** Why second order has no state, or the statement none at all. */
  reason?: string
}

export interface SweepResult {
  dimension: Dimension | undefined
  reads: { text: string; dimension: Dimension }[]
  action: string
  steps: SweepStep[]
}

/** The state at one value of a sweep, in both orders as far as there is one. */
export interface SweepState {
  solution: Solution
  first?: ActionSolution
  second?: ActionSolution
  reason?: string
}

/** Limit on the number of steps. */
export const MOST_STEPS = 2000

/**
 * Varies a quantity step by step and reads the chosen results at each step.
 * @param onStep hears of each step; returning false gives the sweep up
 */
export function sweep(
  input: SweepInput,
  onStep?: (done: number) => boolean,
): SweepResult | { message: string } {
  const states = stepper(input)
  if ('message' in states) return states
  const steps: SweepStep[] = []
  for (const [i, value] of input.values.slice(0, MOST_STEPS).entries()) {
    steps.push(readStep(input, states.at(value), value))
    if (onStep && !onStep(i + 1)) break
  }
  return {
    dimension: dimensionOf(input.problem, input.varied),
    reads: input.reads.map(({ text, place }) => ({ text, dimension: answerDimension(place) })),
    action: states.action,
    steps,
  }
}

/** The states of a sweep by value: what stays the same from step to step is made once. */
export function stepper(
  input: Pick<SweepInput, 'problem' | 'varied' | 'action' | 'orders'>,
): { action: string; at: (value: number) => SweepState | { reason: string } } | { message: string } {
  const { problem, varied } = input
  const base = solvedOf(problem)
  if ('reason' in base && !isVaried(varied)) return { message: base.reason }
  const s = 'reason' in base ? undefined : base.solution.structure
  const action = input.action ?? problem.loadCases?.[0]?.id
  if (action === undefined) return { message: 'The problem has no load case to read.' }
  const known = [...(problem.loadCases ?? []), ...(problem.combinations ?? [])].some((c) => c.id === action)
  if (!known) return { message: `There is no case or combination ${action}.` }
  if (isFactor(varied) && s && !('reason' in base)) {
    const critical = varied.kind === 'critical' ? criticalOf(base, action) : 1
    if (critical === null)
      return {
        message: 'The structure never buckles under these loads, so there is no part of a critical load.',
      }
    return {
      action,
      at: (v) => stateOf(base, action, factorsAt(s, action, varied, v, critical), input.orders),
    }
  }
  const dimension = dimensionOf(problem, varied)
  return {
    action,
    at: (v) => {
      const there = solvedOf(withValue(problem, varied, dimension, v))
      if ('reason' in there) return there
      const { structure } = there.solution
      return stateOf(there, action, factorsAt(structure, action, varied, v, 1), input.orders)
    },
  }
}

const isVaried = (v: Varied) => v.kind === 'symbol' || v.kind === 'path'

/** A problem in first order, whatever its own. */
function solvedOf(problem: Problem): Solved | { reason: string } {
  const resolved = resolve({ ...problem, answers: [] })
  if (!resolved.ok) return { reason: resolved.errors[0].message }
  if (resolved.obstacles.length) return { reason: resolved.obstacles[0].message }
  const structure: Structure = { ...resolved.structure, order: 1 }
  const found = solveFirstOrder(structure)
  return found.ok ? found : { reason: found.error.message }
}

function criticalOf({ solution }: Solved, action: string): number | null {
  const a = [...solution.cases, ...solution.combinations].find((o) => o.id === action)
  return a ? lowestFactor(solution, a) : null
}

function stateOf(
  { solution, system }: Solved,
  id: string,
  factors: number[],
  orders: readonly (1 | 2)[],
): SweepState {
  const s = solution.structure
  const title = [...s.cases, ...s.combinations].find((c) => c.id === id)?.title ?? id
  const first = superpose(s, solution.cases, { id, title, factors })
  if (!orders.includes(2)) return { solution, first }
  const bent = { ...s, order: 2 as const }
  const second = bentAction(bent, system, first, first.actions)
  return 'message' in second ? { solution, first, reason: second.message } : { solution, first, second }
}

/** The solution that has one state alone, to be read and drawn. */
export function solutionOf({ solution }: SweepState, action: ActionSolution): Solution {
  const plain = firstOrderSolution(solution)
  const structure = { ...plain.structure, order: action.bent ? (2 as const) : (1 as const) }
  return { ...plain, structure, cases: [], combinations: [action] }
}

function readStep(
  { problem, reads, orders }: SweepInput,
  state: SweepState | { reason: string },
  value: number,
): SweepStep {
  const out: SweepStep = { value, values: {} }
  if (!('solution' in state)) return { ...out, reason: state.reason }
  for (const order of orders) {
    const action = order === 1 ? state.first : state.second
    out.values[order] = reads.map(({ place }) => {
      if (!action) return null
      const found = computedFor(
        problem,
        solutionOf(state, action),
        action,
        withKeys(place, { case: undefined }),
      )
      return found.ok ? found.value : null
    })
  }
  return state.reason ? { ...out, reason: state.reason } : out
}
