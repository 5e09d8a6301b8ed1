import type { Actions } from '../structure/actions.js'
import { caseActions, combineActions } from '../structure/case-actions.js'
import type { SolveError, Structure } from '../structure/types.js'
import type { Dofs } from './dofs.js'
import type { Ties } from './rigid.js'
import type { State } from './state.js'
import { sameCase, sameFreeStrains, sameStiffness } from './same.js'
import { prepare, type SolvedElement, type System } from './system.js'

export type { SolvedElement }

/** The state under one load case or combination. */
export interface ActionSolution extends State {
  id: string
  title: string
  kind: 'case' | 'combination'
  actions: Actions
  /** The data of a second-order analysis; absent from a first-order result. */
  bent?: SecondOrder
}

/** The data of a second-order analysis, SI. */
export interface SecondOrder {
  /** The lowest factor on all actions at which the structure buckles under its first-order axial forces. */
  loadFactor: number | null
  /** The rounds of the iteration: the largest change of an axial force, and the largest axial force, N. */
  rounds: { change: number; largest: number }[]
  /** The state of first order under the same actions. */
  first: State
}

/**
 * A structure solved for all its load cases and combinations: plain data, so that a worker can hand it over.
 * SI throughout.
 */
export interface Solution {
  structure: Structure
  dofs: Dofs
  elements: SolvedElement[]
  cases: ActionSolution[]
  combinations: ActionSolution[]
  digitsLost: number
  /** With axially rigid members: which degrees of freedom depend on which. */
  rigid?: Ties
  /** Axially rigid members whose force equilibrium leaves undetermined; it is NaN in every case. */
  open: number[]
}

export type SolveResult = { ok: true; solution: Solution; system: System } | { ok: false; error: SolveError }

/** A solution with the system it came from, kept so that the next, similar structure can reuse it. */
export interface Solved {
  solution: Solution
  system: System
}

/**
 * The stiffness method for all load cases; combinations by superposition.
 * @param before what was solved before: where the structure resists in the same way its factorisation is used
 *   again, and of load cases that are the same their states
 * @returns the solution with the system it came from, or the error of a mechanism
 */
export function solve(s: Structure, before?: Solved): SolveResult {
  const resists = before !== undefined && sameStiffness(before.solution.structure, s)
  const prepared = resists ? { ok: true as const, system: before.system } : prepare(s, before?.system)
  if (!prepared.ok) return prepared
  const { system } = prepared
  const known = resists && sameFreeStrains(before.solution.structure, s) ? before.solution : undefined
  const cases: ActionSolution[] = []
  for (let i = 0; i < s.cases.length; i++) {
    const { id, title } = s.cases[i]
    const kept = known && sameCase(known.structure, s, i) ? known.cases[i] : undefined
    if (kept) {
      cases.push(kept.id === id && kept.title === title ? kept : { ...kept, id, title })
      continue
    }
    const actions = caseActions(s, i)
    const state = system.solve(actions, s)
    if ('kind' in state) return { ok: false, error: state }
    cases.push({ id, title, kind: 'case', actions, ...state })
  }
  const { elements, factorisation, rigid } = system
  const solution: Solution = {
    structure: s,
    // the settlements are those of this structure
    dofs: resists ? { ...system.dofs, supportAt: new Map(s.supports.map((p) => [p.node, p])) } : system.dofs,
    elements,
    cases,
    combinations: s.combinations.map((c) => superpose(s, cases, c)),
    digitsLost: factorisation.digitsLost,
    open: rigid?.open ?? [],
    ...(rigid ? { rigid: { ties: rigid.ties, from: rigid.from } } : {}),
  }
  return { ok: true, solution, system }
}

/** A combination of first-order results is the sum of its cases, each times its factor. */
export function superpose(
  s: Structure,
  cases: ActionSolution[],
  c: { id: string; title: string; factors: number[] },
): ActionSolution {
  const parts = cases
    .map((solution, i) => ({ factor: c.factors[i], ...solution }))
    .filter((p) => p.factor !== 0)
  const sum = (pick: (p: ActionSolution) => Float64Array, length: number) => {
    const out = new Float64Array(length)
    for (const p of parts) pick(p).forEach((v, i) => (out[i] += p.factor * v))
    return out
  }
  const maps = (pick: (p: ActionSolution) => Map<number, Float64Array>) => {
    const out = new Map<number, Float64Array>()
    for (const p of parts)
      for (const [i, f] of pick(p)) {
        const to = out.get(i) ?? new Float64Array(6)
        f.forEach((v, j) => (to[j] += p.factor * v))
        out.set(i, to)
      }
    return out
  }
  const size = cases[0]?.D.length ?? 0
  const six = 6 * s.members.length
  return {
    id: c.id,
    title: c.title,
    kind: 'combination',
    actions: combineActions(s, parts),
    fixedOwn: maps((p) => p.fixedOwn),
    fixed: maps((p) => p.fixed),
    load: sum((p) => p.load, size),
    D: sum((p) => p.D, size),
    ...(parts.some((p) => p.imposed) && { imposed: sum((p) => p.imposed!, size) }),
    ends: sum((p) => p.ends, six),
    forces: sum((p) => p.forces, six),
    reactions: sum((p) => p.reactions, size),
  }
}
