import type { Solution, Solved } from '../../analysis/solve.js'
import type { LoadVectors } from '../../analysis/load-vectors.js'
import type { System } from '../../analysis/system.js'
import type { Display } from '../../document/display.js'
import type { Answer, Problem } from '../../document/types.js'
import type { StatedLoad, Structure } from '../../structure/types.js'
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

/** The subject of a slip, in the keys of the contract. */
export type Subject = Readonly<Record<string, unknown>>

/** One slip that a hand solution may have made, with what it would have found. */
export interface Candidate extends Found {
  kind: SlipKind
  commonness: number
}

/** A slip of a kind that a problem gives room for. */
export interface Found {
  subject: Subject
  /** What happened, in words a student understands. */
  sentence: string
  /** Its own share of all slips, where that is not as its kind. */
  commonness?: number
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

/** A kind of slip: what is done wrong, how common it is, where it shows in a working, both versions of it. */
export interface SlipKind {
  /** Its key in the contract. */
  key: string
  /** The deed of the hand solution, in words that follow "the hand solution". */
  did: string
  /** The keys of its subject. */
  about: readonly string[]
  /** Its share of all slips that students make (rough, by experience of marking). */
  commonness: number
  /** The first step that differs in the working of each method that has one, by their keys. */
  line: Readonly<{ stiffness: string } & Record<string, string>>
  /** Every slip of this kind that a problem gives room for. */
  find: (ctx: SlipContext) => Found[]
  /** Both versions of what a slip is about; undefined where nothing can be shown of it. */
  picture?: (slip: Pictured) => Picture | undefined
  /** Two slips of this kind that cannot be made at once; otherwise those of one subject alone. */
  clashes?: (a: Subject, b: Subject) => boolean
}

/** A slip that was found, with the structure as it is stated and as the hand solution has it. */
export interface Pictured {
  problem: Problem
  subject: Subject
  right: Structure
  wrong: Structure
  display: Display
  /** The case or combination that is looked at; null for none. */
  actionId: string | null
}

/** A formula with its numbers, in TeX and in plain words. */
export interface PictureFormula {
  tex: string
  plain: string
}

/** One version of what a slip is about: the loads of some cases on the structure, a formula, or words. */
export interface Version {
  title: string
  drawn?: { structure: Structure; cases: readonly string[] }
  formula?: PictureFormula
  words?: string
  /** A load whose size is said below the drawing, since its arrows are as long whatever it is. */
  load?: StatedLoad
}

/** Both versions: as the numbers of a hand solution have it, and as it is stated. */
export type Picture = readonly [taken: Version, stated: Version]

/** A slip that changes the structure or its loads. */
export const structural = (
  ctx: SlipContext,
  words: Omit<Found, 'solve' | 'change'>,
  change: () => Structure | undefined,
): Found => ({
  ...words,
  change,
  solve: () => {
    const structure = change()
    return structure && ctx.solved(structure)
  },
})
