import type { Dimension } from '../quantity/dimension.js'
import type { ProblemUnits } from '../quantity/units.js'
import type { Display } from '../document/display.js'
import type { ThingKey } from '../document/thing.js'
import type { Problem } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import type { Formula, Letter, LetterName } from './expression.js'

/** The numbers of a working: what one is, how one is found, and what any method needs to find them. */

/** A number of the working, in coherent units. */
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

/** A case or combination that is worked out. */
export interface Acting {
  id: string
  title: string
  kind: 'case' | 'combination'
  /** The factor of each case that acts, by its id: 1 of a case by itself. */
  factors: ReadonlyMap<string, number>
}

/** The case or combination of an id, from the structure's own lists; undefined where there is none. */
export function actingOf({ cases, combinations }: Structure, id: string): Acting | undefined {
  const one = cases.find((c) => c.id === id)
  if (one) return { id, title: one.title, kind: 'case', factors: new Map([[id, 1]]) }
  const several = combinations.find((c) => c.id === id)
  if (!several) return undefined
  const factors = cases.flatMap((c, i): [string, number][] =>
    several.factors[i] ? [[c.id, several.factors[i]]] : [],
  )
  return { id, title: several.title, kind: 'combination', factors: new Map(factors) }
}

/** What every method needs to look numbers up in: the stated structure, the units, the numbers so far. */
export interface BookContext {
  structure: Structure
  /** The case or combination that is worked out. */
  acting: Acting
  units: ProblemUnits
  /** The units results are read in. */
  display: Display
  /** As stated, for the words that were typed. */
  problem?: Problem
  /** A letter of a formula: the number at an address. */
  letter(...parts: (string | number)[]): Letter
  /** The letter of a number by the text of its address. */
  letterAt(address: string): Letter
  value(...parts: (string | number)[]): number
  entry(...parts: (string | number)[]): Entry | undefined
  origin(...parts: (string | number)[]): Origin
  /** A value that is made when first asked for and kept as long as this context. */
  kept<T>(key: string, make: () => T): T
  /** A value in coherent units of a value in SI. */
  coherent(si: number, d: Dimension): number
  /** What the number with this address belongs to. */
  belongs(...parts: string[]): ThingKey[]
  /** The index of a member or joint by its label, −1 where there is none. */
  member(id: string): number
  node(id: string): number
}

/** Finds a number of a kind by the parts of its address; undefined where there is none such. */
export type FinderIn<C> = (c: C, ...parts: string[]) => Found | undefined

/** Tells what the number with these parts of its address belongs to. */
export type BelongsIn<C> = (c: C, ...parts: string[]) => ThingKey[]

/** A kind of number: how one is found, and what it belongs to in the structure. */
export interface KindIn<C> {
  find: FinderIn<C>
  belongs: BelongsIn<C>
}

/** Kinds of number that belong to things of the same sort, by the names their addresses begin with. */
export const kindsIn = <C>(
  belongs: BelongsIn<C>,
  finders: Record<string, FinderIn<C>>,
): Record<string, KindIn<C>> =>
  Object.fromEntries(Object.entries(finders).map(([name, find]) => [name, { find, belongs }]))

/** An origin by formula. */
export const formula =
  (f: Formula, words?: string): (() => Origin) =>
  () => ({ kind: 'formula', formula: f, ...(words ? { words } : {}) })

/** A whole number from an address, or −1. */
export const index = (part: string | undefined): number =>
  part !== undefined && /^\d{1,6}$/.test(part) ? Number(part) : -1
