import { CASE_SLIPS } from './case-slips.js'
import { CLOSED_FORM_SLIPS } from './closed-form-slips.js'
import { DISTRIBUTION_SLIPS } from './distribution-slips.js'
import { LOAD_SLIPS } from './load-slips.js'
import { MEMBER_SLIPS } from './member-slips.js'
import { METHOD_SLIPS } from './method-slips.js'
import type { Candidate, SlipContext, SlipKind } from './slip.js'
import { SUPPORT_SLIPS } from './support-slips.js'

export type { Candidate, Picture, Pictured, SlipContext, SlipKind, SlipSolution, Version } from './slip.js'

/**
 * The kinds of slips, each whole in its file: what it changes, how common it is, its sentence, both versions
 * of it and the lines of the methods that it leads to. The search, the pages of the Check and docs/check.md
 * read this list.
 */
export const SLIP_KINDS: readonly SlipKind[] = [
  ...LOAD_SLIPS,
  ...CASE_SLIPS,
  ...SUPPORT_SLIPS,
  ...MEMBER_SLIPS,
  ...METHOD_SLIPS,
  ...CLOSED_FORM_SLIPS,
  ...DISTRIBUTION_SLIPS,
]

/** Every slip that a problem gives room for. */
export const candidatesOf = (ctx: SlipContext): Candidate[] =>
  SLIP_KINDS.flatMap((kind) =>
    kind.find(ctx).map((found) => ({ commonness: kind.commonness, ...found, kind })),
  )

/** The kind of a key; undefined for what is no single slip, such as a pair. */
export const slipKind = (key: string): SlipKind | undefined => SLIP_KINDS.find((kind) => kind.key === key)
