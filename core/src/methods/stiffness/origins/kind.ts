import type { Dimension } from '../../../quantity/dimension.js'
import type { ProblemUnits } from '../../../quantity/units.js'
import type { ActionSolution } from '../../../analysis/solve.js'
import type { Display } from '../../../document/display.js'
import type { Problem } from '../../../document/types.js'
import type { Formula, Letter, LetterName } from '../../expression.js'
import type { ThingKey } from '../../../document/thing.js'
import { shownRows } from '../matrices.js'
import type { NumberedSolution } from '../numbering.js'

export interface Entry {
  address: string
  symbol: LetterName
  value: number
  unit: string
  dimension: Dimension
}

/** Where a number came from. */
export type Origin =
  /** As the problem states it, or what a sentence says of it. */
  | { kind: 'stated'; words: string }
  | { kind: 'formula'; formula: Formula; words?: string }
  /** The value was found together with others and has no formula of its own. */
  | { kind: 'solved'; words: string }

/** A number that was found: its symbol and value at once, its origin when asked. */
export interface Found {
  symbol: LetterName
  /** In SI. */
  si: number
  dimension: Dimension
  /** The value was given by the person, so it is shown as it is and never rounded to zero. */
  exact?: boolean
  /** A force among stiffnesses. It counts as rounding error when it is so compared with the forces. */
  acts?: boolean
  origin: () => Origin
}

/** Finds a number of a kind by the parts of its address; undefined where there is none such. */
export type Finder = (c: Context, ...parts: string[]) => Found | undefined

/** Tells what the number with these parts of its address belongs to. */
export type Belongs = (c: Context, ...parts: string[]) => ThingKey[]

/** A kind of number: how one is found, and what it belongs to in the structure. */
export interface Kind {
  find: Finder
  belongs: Belongs
}

/** Kinds of number that belong to things of the same sort, by the names their addresses begin with. */
export const kinds = (belongs: Belongs, finders: Record<string, Finder>): Record<string, Kind> =>
  Object.fromEntries(Object.entries(finders).map(([name, find]) => [name, { find, belongs }]))

/** The context in which origins are looked up. */
export interface Context extends NumberedSolution {
  action: ActionSolution
  /** The same action in second order, where the problem asks for it. */
  bent?: ActionSolution
  units: ProblemUnits
  /** The units results are read in. */
  display: Display
  /** As stated, for the words that were typed. */
  problem?: Problem
  /** A letter of a formula: the number at an address. */
  letter(...parts: (string | number)[]): Letter
  /** The same by the text of its address. */
  letterAt(address: string): Letter
  value(...parts: (string | number)[]): number
  entry(...parts: (string | number)[]): Entry | undefined
  origin(...parts: (string | number)[]): Origin
  /** A value that is made when first asked for and kept as long as this context. */
  kept<T>(key: string, make: () => T): T
  /** A value in coherent units of a value in SI. */
  coherent(si: number, d: Dimension): number
  /** The same kind of number in one of the cases of a combination. */
  inCase(id: string, parts: string[]): Found | undefined
  /** What the number with this address belongs to. */
  belongs(...parts: string[]): ThingKey[]
  member(id: string): number
  node(id: string): number
}

export const formula =
  (f: Formula, words?: string): (() => Origin) =>
  () => ({ kind: 'formula', formula: f, ...(words ? { words } : {}) })

/** A whole number from an address, or −1. */
export const index = (part: string | undefined): number =>
  part !== undefined && /^\d{1,6}$/.test(part) ? Number(part) : -1

/** Two indices below a letter: 23, or 12,3 where one alone would be mistaken. */
export const pair = (i: number, j: number): string => (i > 9 || j > 9 ? `${i},${j}` : `${i}${j}`)

/**
 * The number of an end displacement or force as a book counts it: 1 to 6, or 1 to 4 where only four are
 * shown.
 */
export const endNumber = ({ numbering }: NumberedSolution, m: { bar: boolean }, r: number): number =>
  shownRows(numbering, m.bar).indexOf(r) + 1

/** Two of them below a letter. */
export const endPair = (c: NumberedSolution, m: { bar: boolean }, i: number, j: number): string =>
  `${endNumber(c, m, i)}${endNumber(c, m, j)}`
