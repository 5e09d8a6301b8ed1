import type { Solution, Solved } from '../../analysis/solve.js'
import type { Answer, Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'

/** The problem solved as a slip would have it. */
export interface SlipSolution {
  solution: Solution
  /** The values it has for an answer; all values at a jump, SI. */
  read(a: Answer): readonly number[] | undefined
}

/** One slip that a hand solution may have made, with what it would have found. */
export interface Candidate {
  kind: string
  /** What the slip is about, in the keys of the contract. */
  subject: Readonly<Record<string, unknown>>
  /** How common the slip is among students, as a share of all slips (rough, by experience of marking). */
  commonness: number
  /** What happened, in words a student understands. */
  sentence: string
  /** The step of the working where the roads part, by its key. */
  step: string
  /** Solves the problem as the slip would have it; undefined where that cannot be solved. */
  solve(): SlipSolution | undefined
}

/** What slips are made from: the problem, its structure and its own solution. */
export interface SlipContext {
  problem: Problem
  structure: Structure
  base: Solved
  /** Another structure, solved; what stays the same of the base is used again. */
  solved(structure: Structure): SlipSolution | undefined
}

/** A family of slips: every candidate of its kinds that the problem gives room for. */
export type Slips = (ctx: SlipContext) => Candidate[]
