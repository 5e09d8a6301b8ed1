import type { BodyBlock, PolygonBlock } from './bodies.js'
import type { Formula } from './expression.js'
import type { Component } from '../structure/types.js'

/** The content of a step: why it is done, and its parts. A page, a print and a text render it alike. */
export interface StepContent {
  why: string
  passages: Passage[]
}

/** One step of a working. */
export interface Step extends StepContent {
  key: string
  title: string
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
  | BodyBlock
  | PolygonBlock
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
   * Also to be shown with its letters, or with these alone; where they have a form of their own, its
   * addresses.
   */
  letters?: boolean | 'alone'
  lettersAt?: (i: number, j: number) => string
  unit: string
}

/** A row or column: its degree of freedom, its number in the book's sense (1, 2, …), whether it is free. */
export interface Unknown {
  index: number
  number: number
  node: string
  component: Component
  free: boolean
}

/** What stands on the margin of a matrix: an unknown, a plain number, or the right-hand side. */
export type Mark = { unknown: Unknown } | { words: string }

export interface TableBlock {
  kind: 'table'
  title?: string
  head: string[]
  rows: Cell[][]
}

/** A cell: words, a number by its address (bare without its unit), or the mark of an unknown. */
export type Cell = string | { at: string; bare?: boolean } | { unknown: Unknown }

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
