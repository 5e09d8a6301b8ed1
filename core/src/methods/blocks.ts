import type { Formula } from './expression.js'
import type { Ledger } from './ledger.js'
import type { Unknown } from './stiffness/matrices.js'

/**
 * The steps of a working, in order; every one is data that a page, a print and a text export render alike.
 */
export const STEP_KEYS = [
  'idealisation',
  'unknowns',
  'stiffness',
  'supports',
  'loads',
  'assembly',
  'partition',
  'solution',
  'end-forces',
  'reactions',
  'checks',
  'diagrams',
  'second-order',
] as const
export type StepKey = (typeof STEP_KEYS)[number]

/** One step: what is done, why, and its parts. */
export interface Step {
  key: StepKey
  title: string
  why: string
  passages: Passage[]
}

/** A part of a step, of one member where it has one. */
export interface Passage {
  title?: string
  /** The equations solved row by row: a page may let them be walked through. */
  byHand?: boolean
  /** The member it speaks of, by index. */
  member?: number
  blocks: Block[]
}

export type Block =
  | { kind: 'words'; words: string }
  /** Numbers, each with its formula, the same with numbers put in, and the result. */
  | { kind: 'lines'; title?: string; addresses: string[] }
  | MatrixBlock
  | TableBlock
  | PolynomialBlock
  | DrawingBlock
  | ChartBlock
  /** What is said in letters alone, of whole matrices. */
  | EquationBlock

/** A matrix: its letter, what marks its rows and columns, and the address of each entry. */
export interface MatrixBlock {
  kind: 'matrix'
  letter: string
  title: string
  rows: Mark[]
  columns: Mark[]
  at: (i: number, j: number) => string
  /** Free and held rows and columns part before this one. */
  parting?: number
  /** The address of what is taken out of it, before the bracket. */
  factor?: string
  /**
   * Also to be shown with its letters instead of numbers; where they have a form of their own, its addresses.
   */
  letters?: boolean
  lettersAt?: (i: number, j: number) => string
  unit: string
}

/** What stands on the margin of a matrix: an unknown, a plain number, or the right-hand side. */
export type Mark = { unknown: Unknown } | { words: string }

export interface TableBlock {
  kind: 'table'
  title?: string
  head: string[]
  rows: Cell[][]
}

/** A cell: words, a number by its address, or the mark of an unknown. */
export type Cell = string | { at: string } | { unknown: Unknown }

/** An equation in letters that stand for matrices, not for numbers. */
export interface EquationBlock {
  kind: 'equation'
  left: Formula
  right: Formula
}

/**
 * A member between walls that hold its ends, with its loads and the forces the walls put on it: addresses by
 * end, 1 to 6.
 */
export interface DrawingBlock {
  kind: 'drawing'
  member: number
  forces: { end: number; at: string }[]
}

/**
 * A curve with its roots, each marked with its number by its address. The values of the curve have no unit.
 */
export interface ChartBlock {
  kind: 'chart'
  title: string
  /** What grows along the x axis. */
  x: string
  points: [x: number, y: number][]
  roots: { x: number; at: string }[]
}

/** A force along a stretch of a member as a polynomial in t, the distance from the stretch's start. */
export interface PolynomialBlock {
  kind: 'polynomial'
  force: 'N' | 'V' | 'M'
  member: string
  /** Addresses of the coefficients, of t⁰ upward; those that are 0 are left out by who shows them. */
  coefficients: string[]
  /** Its reach along the member, in the problem's unit. */
  from: number
  to: number
}

export type StepMaker = (book: Ledger) => Step | undefined
