import type { ActionSolution } from '../../../analysis/solve.js'
import {
  kindsIn,
  type BelongsIn,
  type BookContext,
  type FinderIn,
  type Found,
  type KindIn,
} from '../../numbers.js'
import { shownRows } from '../matrices.js'
import type { NumberedSolution } from '../numbering.js'

export { formula, index, type Entry, type Found, type Origin } from '../../numbers.js'

/** The context in which the numbers of the stiffness method are looked up: the solver's solution with it. */
export interface Context extends BookContext, NumberedSolution {
  action: ActionSolution
  /** The same action in second order, where the problem asks for it. */
  bent?: ActionSolution
  /** The same kind of number in one of the cases of a combination. */
  inCase(id: string, parts: string[]): Found | undefined
}

export type Finder = FinderIn<Context>
export type Belongs = BelongsIn<Context>
export type Kind = KindIn<Context>
export const kinds = kindsIn<Context>

/** Two indices below a letter: 23, or 12,3 where one alone would be mistaken. */
export const pair = (i: number, j: number): string => (i > 9 || j > 9 ? `${i},${j}` : `${i}${j}`)

/**
 * The number of an end displacement or force as a book counts it: 1 to 6, or 1 to 4 where only four are
 * shown.
 */
export const endNumber = ({ numbering }: NumberedSolution, m: { bar: boolean }, r: number): number =>
  shownRows(numbering, m.bar).indexOf(r) + 1

/** Two end numbers below a letter. */
export const endPair = (c: NumberedSolution, m: { bar: boolean }, i: number, j: number): string =>
  `${endNumber(c, m, i)}${endNumber(c, m, j)}`
