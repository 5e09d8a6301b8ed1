import type { Dof } from '../../analysis/dofs.js'
import type { Solution } from '../../analysis/solve.js'
import type { Problem } from '../../document/types.js'
import { isBeam } from './beam.js'

/**
 * How the unknowns are numbered to match the book: the solver's own way, held ones first, joint by joint, or
 * one by one.
 */
export type Numbering = 'free-first' | 'held-first' | 'by-joint' | string[]

/**
 * Ways of numbering to choose from; a list of unknowns ("B rotation") in the order of their numbers is the
 * fourth.
 */
export const NUMBERINGS = ['free-first', 'held-first', 'by-joint'] as const

/** The name of an unknown in a person's own list. */
export const unknownName = (node: string, component: string): string => `${node} ${component}`

/** The numbering a problem asks for; the solver's own where it asks for none that can be read. */
export function numberingOf(problem: Pick<Problem, 'view'>): Numbering {
  const wish = problem.view?.numbering
  if (wish === 'held-first' || wish === 'by-joint') return wish
  return Array.isArray(wish) && wish.every((w) => typeof w === 'string') ? wish : 'free-first'
}

/**
 * The number under which each degree of freedom is shown, from 1, in the solver's order. What a person's own
 * list does not name comes after it, in the solver's order. One that `counts` leaves out has no number: 0.
 */
export function numbersOf(
  wish: Numbering,
  list: readonly Dof[],
  nodes: readonly { id: string }[],
  counts: (d: Dof) => boolean = () => true,
): number[] {
  const solvers = list.map((_, i) => i)
  const order =
    wish === 'free-first'
      ? solvers
      : wish === 'held-first'
        ? [...solvers.filter((i) => !list[i].free), ...solvers.filter((i) => list[i].free)]
        : wish === 'by-joint'
          ? [...solvers].sort((a, b) => list[a].node - list[b].node || a - b)
          : own(wish, list, nodes)
  const numbers = new Array<number>(list.length).fill(0)
  order.filter((dof) => counts(list[dof])).forEach((dof, i) => (numbers[dof] = i + 1))
  return numbers
}

function own(wish: readonly string[], list: readonly Dof[], nodes: readonly { id: string }[]): number[] {
  const byName = new Map(list.map((d, i) => [unknownName(nodes[d.node].id, d.component), i]))
  const named = new Set(wish.flatMap((w) => byName.get(w) ?? []))
  return [...named, ...list.map((_, i) => i).filter((i) => !named.has(i))]
}

/** The person's list after one unknown has taken a number: the others move up or down by one. */
export function renumbered(names: readonly string[], name: string, number: number): string[] {
  const others = names.filter((n) => n !== name)
  others.splice(Math.max(0, Math.min(others.length, number - 1)), 0, name)
  return others
}

/** How the unknowns of a solution are shown: a choice of the reader, and no part of the solution. */
export interface UnknownNumbering {
  /** The number each degree of freedom is shown under, in the solver's order; 0 where it is left out. */
  numbers: number[]
  /** Nothing happens along a beam, and the reader leaves its axial unknowns out. */
  bendingOnly: boolean
}

/** A solution with the numbers its unknowns are shown under. */
export interface NumberedSolution {
  solution: Solution
  numbering: UnknownNumbering
}

/** Numbers the unknowns of a solution as its problem asks for; in the solver's order without a problem. */
export function numbered(solution: Solution, problem: Pick<Problem, 'view'> = {}): NumberedSolution {
  const bendingOnly = problem.view?.bendingOnly === true && isBeam(solution)
  const numbers = numbersOf(
    numberingOf(problem),
    solution.dofs.list,
    solution.structure.nodes,
    bendingOnly ? (d) => d.component !== 'x' : undefined,
  )
  return { solution, numbering: { numbers, bendingOnly } }
}
