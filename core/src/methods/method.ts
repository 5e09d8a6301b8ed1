import type { ActionSolution, Solution } from '../analysis/solve.js'
import type { Asked, Problem } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import type { Ledger } from './ledger.js'
import type { Outline } from './outline.js'

/** A method of solution: its outline, which problems it fits, how one is worked out. A folder each. */
export interface Method extends Outline {
  /** Its values are an approximation; exact where this is left out. */
  approximate?: boolean
  fits(problem: Problem, structure: Structure, options?: Options): Fit
  /** The working of one problem that the method fits. */
  open(task: Task): Ledger
  /** What the method finds in the end, in coherent units and the signs of hand values. */
  values(book: Ledger): FoundValue[]
  /** What the method finds on the way, by the names of the trade. */
  named(book: Ledger): NamedValue[]
}

/** A change of the statement after which a method fits. */
export type Repair = 'neglect-axial' | 'first-order' | 'given-results' | 'proposed-redundants'

/** Whether a method fits a problem; where it does not, a sentence says why, and what would make it fit. */
export type Fit = { fits: true } | { fits: false; why: string; repair?: Repair }

/** Questions to a method beside the problem. */
export interface Options {
  /** The displacement that the unit-load method finds. */
  of?: Asked
  /** The internal forces are taken as given: from the results. */
  given?: 'results'
  /** The redundants of the force method. */
  redundants?: readonly Asked[]
  /** Moment distribution ends its table where what is carried over is below this, in coherent units. */
  digit?: number
}

/** A problem to be worked out. */
export interface Task {
  options?: Options
  problem: Problem
  structure: Structure
  /** The case or combination. */
  action: string
  /**
   * The solver's solution. The stiffness method writes it out; any other method compares its values with it
   * in the end and takes nothing else from it.
   */
  solved(): { solution: Solution; action: ActionSolution }
}

/** A value that a method finds: the keys of a hand value without its label. */
export type FoundValue = Asked & { value: number }

/** A value found on the way: its name, the keys that say where it belongs, and its number. */
export type NamedValue = { name: string; value?: number } & Record<string, unknown>
