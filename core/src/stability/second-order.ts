import type { ActionSolution, SecondOrder, Solution, Solved, SolveResult } from '../analysis/solve.js'
import { solve as solveFirstOrder } from '../analysis/solve.js'
import { NOT_SETTLED, stateUnder, type State } from '../analysis/state.js'
import type { System } from '../analysis/system.js'
import { combineActions } from '../structure/case-actions.js'
import { listed } from '../structure/listed.js'
import type { Actions } from '../structure/actions.js'
import type { SolveError, Structure } from '../structure/types.js'
import { bentHeldForces, type AxialForces } from './bent-element.js'
import { bentSystem, type BentSystem } from './bent-system.js'
import { axialStarts, criticalFactors } from './critical.js'
import { Mixing } from './mixing.js'

/**
 * Relative tolerance of the iteration: it has converged when no axial force changes by more than this
 * fraction of the largest.
 */
const AT_REST = 1e-11
/** Limit on the rounds of the iteration. */
const MOST_ROUNDS = 80
/** Relative tolerance that is accepted when further rounds no longer improve the axial forces. */
const NEAR_ENOUGH = 1e-9

/**
 * A structure solved for all its cases and combinations, in the order that it asks for.
 * @param before what was solved before, of which what stays the same is used again
 */
export function solve(s: Structure, before?: Solved): SolveResult {
  const first = solveFirstOrder(s, before)
  return first.ok && s.order === 2 ? solveBent(s, first) : first
}

/**
 * Second-order analysis: every case and combination is solved by itself, because superposition does not hold.
 */
function solveBent(s: Structure, first: Extract<SolveResult, { ok: true }>): SolveResult {
  const { solution, system } = first
  const undetermined = solution.open.map((i) => s.members[i].id)
  if (undetermined.length)
    return refuse({
      kind: 'indeterminate',
      message:
        `Equilibrium leaves the axial force of ${listed(undetermined)} undetermined, and second order ` +
        'depends ' +
        'on it. Let the members change their length, or take a support away.',
      members: undetermined,
    })
  const cases: ActionSolution[] = []
  for (const c of solution.cases) {
    const bent = bentAction(s, system, c, c.actions)
    if ('message' in bent) return refuse(bent)
    cases.push(bent)
  }
  const combinations: ActionSolution[] = []
  for (const [i, c] of solution.combinations.entries()) {
    const { factors } = s.combinations[i]
    const parts = solution.cases.map(({ actions }, j) => ({ factor: factors[j], actions }))
    const bent = bentAction(s, system, c, combineActions(s, parts))
    if ('message' in bent) return refuse(bent)
    combinations.push(bent)
  }
  return { ok: true, solution: { ...solution, cases, combinations }, system }
}

const refuse = (error: SolveError): SolveResult => ({ ok: false, error })

/**
 * An action in second order, or why it has no such state.
 * @param system of first order
 * @param first the action in first order
 */
export function bentAction(
  s: Structure,
  system: System,
  first: ActionSolution,
  actions: Actions,
): ActionSolution | SolveError {
  const starts = axialStarts(s, first.forces)
  const [loadFactor = null] = criticalFactors({ structure: s, base: system, starts, actions })
  if (loadFactor !== null && loadFactor <= 1) return buckled(first.title, loadFactor)
  const found = settled(s, system, actions, starts)
  if ('message' in found) return { ...found, message: `${first.title}: ${found.message}` }
  const { state, rounds } = found
  const { id, title, kind } = first
  const bent: SecondOrder = { loadFactor, rounds, first: stateOf(first) }
  return { id, title, kind, actions, ...state, bent }
}

const stateOf = ({ fixedOwn, fixed, load, D, imposed, ends, forces, reactions }: State): State => ({
  fixedOwn,
  fixed,
  load,
  D,
  ...(imposed && { imposed }),
  ends,
  forces,
  reactions,
})

const buckled = (title: string, factor: number): SolveError => ({
  kind: 'buckled',
  message:
    `${title}: the structure buckles under ` +
    `${factor === 1 ? '' : `${Number(factor.toPrecision(4))} times `}these loads. ` +
    'At and beyond its critical load there is no state that it could come to rest in.',
})

type Settled = { state: State; rounds: SecondOrder['rounds']; starts: Float64Array }

/**
 * Load factors through which a state is followed when the iteration does not converge under the full loads at
 * once.
 */
const STAGES = [0.5, 0.75, 0.9, 0.97, 1]

/**
 * The state in equilibrium on the bent shape. Where it is not found from the axial forces of first order, it
 * is followed as the loads grow.
 */
function settled(s: Structure, base: System, actions: Actions, first: Float64Array): Settled | SolveError {
  const whole = iterate(s, base, actions, first)
  if (!('message' in whole) || s.members.length > MOST_FOLLOWED) return whole
  let starts: Float64Array | undefined
  let last: Settled | SolveError = whole
  for (const part of STAGES) {
    const begin = starts ?? first.map((N) => part * N)
    last = iterate(s, base, combineActions(s, [{ factor: part, actions }]), begin)
    if ('message' in last) return last
    const reached = last.starts
    const next = STAGES[STAGES.indexOf(part) + 1]
    starts = next === undefined ? reached : reached.map((N) => (N * next) / part)
  }
  return last
}

/**
 * Limit on the size of structures that are followed through load factors, since each stage takes many rounds.
 */
const MOST_FOLLOWED = 500
/** Plain rounds before guesses are drawn from several. */
const PLAIN_ROUNDS = 3

/**
 * The same from a guess of the axial forces: solved under those of the round before, until they stay the
 * same.
 * @param first axial forces to begin with, N
 */
function iterate(s: Structure, base: System, actions: Actions, first: Float64Array): Settled | SolveError {
  const rounds: SecondOrder['rounds'] = []
  const mixing = new Mixing()
  let starts = first
  let best = Infinity
  let factored: BentSystem | undefined
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const axial = { starts, actions, factor: 1 }
    let system = bentSystem(s, base, axial, factored)
    let state = 'kind' in system ? system : stateOn(system, actions)
    if (state === NOT_SETTLED) {
      system = bentSystem(s, base, axial)
      state = 'kind' in system ? system : stateOn(system, actions)
    }
    if ('kind' in system || (system.singular && !system.borrowed)) return BUCKLES
    if ('kind' in state) return state
    factored ??= system
    if (!system.borrowed) factored = system
    const next = axialStarts(s, state.forces)
    const { change, largest } = changeOf(starts, next)
    rounds.push({ change, largest })
    if (!Number.isFinite(change)) return DIVERGES
    const still = change <= AT_REST * largest
    if (still || (change >= best / 2 && change <= NEAR_ENOUGH * largest))
      return hasBuckled(system, s, base, axial) ? BUCKLES : { state, rounds, starts: next }
    best = Math.min(best, change)
    const mixed = mixing.next(starts, next)
    starts = round < PLAIN_ROUNDS ? next : mixed
  }
  return DIVERGES
}

const stateOn = (system: BentSystem, actions: Actions): State | SolveError =>
  stateUnder(system, actions, undefined, bentHeldForces(system.chains))

function changeOf(before: Float64Array, after: Float64Array): { change: number; largest: number } {
  let [change, largest] = [0, 0]
  after.forEach((N, i) => {
    change = Math.max(change, Math.abs(N - before[i]))
    largest = Math.max(largest, Math.abs(N))
  })
  return { change, largest }
}

/**
 * Whether critical loads lie below the axial forces that the iteration came to rest at. That it settled with
 * the factorisation of its first round, of the same count, says so of small changes; larger ones are counted.
 */
function hasBuckled(system: BentSystem, s: Structure, base: System, axial: AxialForces): boolean {
  const own = system.borrowed && system.passed > 0 ? bentSystem(s, base, axial) : system
  return 'kind' in own || own.passed > 0
}

const BUCKLES: SolveError = {
  kind: 'buckled',
  message:
    'The structure buckles on its way: bent by these loads it has no state that it could come to rest in.',
}
const DIVERGES: SolveError = {
  kind: 'diverged',
  message:
    'The axial forces do not come to rest from one round to the next, so there is no second-order result.',
}

export type { Solution }
