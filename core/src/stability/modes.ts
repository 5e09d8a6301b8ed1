import type { ActionSolution, Solution } from '../analysis/solve.js'
import { stateUnder } from '../analysis/state.js'
import { noActions, type Actions, type MemberActions } from '../structure/actions.js'
import { bentHeldForces } from './bent-element.js'
import { bentSystem } from './bent-system.js'
import type { CriticalInput } from './critical.js'

/**
 * The shape in which a structure buckles: what a small disturbance of every joint and member makes of it just
 * below the critical load, where that shape outgrows all else. Shapes that move no joint come out in the same
 * way.
 */

/** So close below the critical load the mode is ten million times as large as what disturbs it. */
const BELOW = 1e-7

/** Uneven amounts between −1 and 1 that no symmetry cancels; another `turn` gives others. */
const uneven = (i: number, turn: number) =>
  2 * (((i + 1) * 0.6180339887498949 + turn * 0.3247179572447461) % 1) - 1

function disturbance({ structure: s }: CriticalInput, turn: number, size: number): Actions {
  const nodal = new Float64Array(3 * s.nodes.length)
  s.nodes.forEach((_, n) => {
    nodal[3 * n] = size * uneven(2 * n, turn)
    nodal[3 * n + 1] = size * uneven(2 * n + 1, turn)
  })
  const members = new Map<number, MemberActions>()
  s.members.forEach((m, i) => {
    if (m.bar) return
    const [a, b] = [uneven(3 * i, turn), uneven(3 * i + 1, turn)].map((v) => (size * v) / m.length)
    members.set(i, { ...noActions(), spans: [{ a: 0, b: m.length, p: [0, 0], q: [a, b], c: [0, 0] }] })
  })
  return { nodal, members, settlement: new Float64Array(s.supports.length) }
}

/** The disturbance with what acts along the members beside it, which shapes their axial forces. */
function withAxial(small: Actions, { actions }: CriticalInput, factor: number): Actions {
  const members = new Map(small.members)
  for (const [i, a] of actions.members) {
    const own = members.get(i) ?? noActions()
    const spans = a.spans.map((t) => ({
      ...t,
      p: [factor * t.p[0], factor * t.p[1]] as [number, number],
      q: [0, 0] as [number, number],
      c: [0, 0] as [number, number],
    }))
    const points = a.points.map((p) => ({ x: p.x, fx: factor * p.fx, fy: 0, m: 0 }))
    members.set(i, { ...own, spans: [...own.spans, ...spans], points: [...own.points, ...points] })
  }
  return { ...small, members }
}

/**
 * The mode that belongs to a critical factor, its largest displacement 1 m, as a state to be drawn; undefined
 * where none can be found.
 * @param turn which of several modes of the same factor
 */
export function modeOf(input: CriticalInput, factor: number, turn = 0): ActionSolution | undefined {
  const { structure: s, base, starts } = input
  const at = factor * (1 - BELOW)
  const stateOf = (size: number) => {
    const small = disturbance(input, turn, size)
    const axial = { starts, actions: withAxial(small, input, 1), factor: at }
    const system = bentSystem(s, base, axial)
    if ('kind' in system) return undefined
    const state = stateUnder(system, small, undefined, bentHeldForces(system.chains))
    return 'kind' in state ? undefined : state
  }
  const trial = stateOf(1)
  if (!trial) return undefined
  const first = actionOf(input, trial, at, disturbance(input, turn, 1))
  const size = largest(first, s.members.length)
  if (!(size > 0)) return undefined
  const scaled = stateOf(1 / size)
  return scaled && actionOf(input, scaled, at, disturbance(input, turn, 1 / size))
}

function actionOf(
  input: CriticalInput,
  state: Omit<ActionSolution, 'id' | 'title' | 'kind' | 'actions'>,
  factor: number,
  small: Actions,
): ActionSolution {
  const forces = state.forces.slice()
  // its axial forces are those of the critical load
  input.starts.forEach((N, i) => (forces[6 * i] = -factor * N))
  return {
    ...state,
    id: 'mode',
    title: 'mode',
    kind: 'case',
    forces,
    actions: withAxial(small, input, factor),
    bent: { loadFactor: factor, rounds: [], first: { ...state, forces } },
  }
}

/** The largest displacement of a joint, or across a member between them, m. */
function largest(action: ActionSolution, members: number): number {
  let most = 0
  for (let i = 0; i < action.ends.length; i++)
    if (i % 3 !== 2) most = Math.max(most, Math.abs(action.ends[i]))
  // within members: their end rotations tell how far they bow, where no joint moves
  for (let i = 0; i < members; i++)
    for (const r of [2, 5]) most = Math.max(most, Math.abs(action.ends[6 * i + r]))
  return most
}

/** A solution that has one mode alone, to be drawn. */
export const modeSolution = (solution: Solution, mode: ActionSolution): Solution => ({
  ...solution,
  structure: { ...solution.structure, order: 2 },
  cases: [mode],
  combinations: [],
})
