import { caseSlips } from './case-slips.js'
import { distributionSlips } from './distribution-slips.js'
import { loadSlips } from './load-slips.js'
import { memberSlips } from './member-slips.js'
import { methodSlips } from './method-slips.js'
import type { Candidate, SlipContext, Slips } from './slip.js'
import { supportSlips } from './support-slips.js'

export type { Candidate, SlipContext, SlipSolution } from './slip.js'

/** The families of slips; a new family is one file and one entry here. */
export const SLIPS: readonly Slips[] = [
  loadSlips,
  caseSlips,
  supportSlips,
  memberSlips,
  methodSlips,
  distributionSlips,
]

/** Every slip that a problem gives room for. */
export const candidatesOf = (ctx: SlipContext): Candidate[] => SLIPS.flatMap((slips) => slips(ctx))
