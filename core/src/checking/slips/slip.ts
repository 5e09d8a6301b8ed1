import type { Solution, Solved } from '../../analysis/solve.js'
import type { LoadVectors } from '../../analysis/load-vectors.js'
import type { System } from '../../analysis/system.js'
import type { Answer, Problem } from '../../document/types.js'
import type { Structure } from '../../structure/types.js'
import type { DistributionSlip } from './distribution.js'

/** The problem solved as a slip would have it. */
export interface SlipSolution {
  solution: Solution
  /** The values it has for an answer; all values at a jump, SI. */
  read(a: Answer): readonly number[] | undefined
}

/** What a hand solution makes of the fixed-end forces and joint loads of a case. */
export type Alter = (vectors: LoadVectors, system: System, caseIndex: number) => LoadVectors

/** A slip within the method, which leaves the structure and its loads as they are. */
export interface MethodChange {
  alter?: Alter
  distribution?: DistributionSlip
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
  /** The step of the working with the first line that differs, by its key. */
  step: string
  /** Solves the problem as the slip would have it; undefined where that cannot be solved. */
  solve(): SlipSolution | undefined
  /** The structure as the slip has it, where it changes the structure or its loads. */
  change?(): Structure | undefined
  /** The change within the method, where the slip is one of the method and can go with another one. */
  method?(): MethodChange | undefined
  /**
   * What the slip acts on, where its effect on forces and displacements adds to that of a slip that acts on
   * something else: `load 0 2 on 4` (case, load, member), `settlement 1 y on joint`, `fixed on 4`. A slip of
   * the fixed-end forces of a member does not add to one of a load on that member.
   */
  addsAt?: string
  /** The factor on the load, of a slip that takes it as so many times itself: 0 where it is left out. */
  times?: number
}

/** What slips are made from: the problem, its structure and its own solution. */
export interface SlipContext {
  problem: Problem
  structure: Structure
  base: Solved
  /** Another structure, solved; what stays the same of the base is used again. */
  solved(structure: Structure): SlipSolution | undefined
  /** The context of the same problem with another structure, in which a second slip can be made. */
  within(structure: Structure): SlipContext | undefined
}

/** A family of slips: every candidate of its kinds that the problem gives room for. */
export type Slips = (ctx: SlipContext) => Candidate[]

/** A slip that changes the structure or its loads. */
export const structural = (
  ctx: SlipContext,
  words: Omit<Candidate, 'solve' | 'change'>,
  change: () => Structure | undefined,
): Candidate => ({
  ...words,
  change,
  solve: () => {
    const structure = change()
    return structure && ctx.solved(structure)
  },
})
