import { altered, distributed, type DistributionSlip } from './slips/distribution.js'
import { candidatesOf, type Candidate, type SlipContext, type SlipSolution } from './slips/index.js'
import { alteredSolution, readByEnds } from './slips/altered.js'
import type { Alter, MethodChange } from './slips/slip.js'

/** Two slips at once, solved in earnest. */

/** The slips that can be made in a structure which another slip has changed. */
export interface Second {
  byKey: ReadonlyMap<string, Candidate>
  /** The slips that leave a load out, by what they act on. */
  leftOut: ReadonlyMap<string, Candidate>
}

/** The slips that can be made once `first` has changed the structure. */
export function secondIn(ctx: SlipContext, first: Candidate): Second | undefined {
  const structure = first.change?.()
  const inner = structure && ctx.within(structure)
  if (!inner) return undefined
  const byKey = new Map<string, Candidate>()
  const leftOut = new Map<string, Candidate>()
  for (const c of candidatesOf(inner)) {
    byKey.set(keyOf(c), c)
    if (c.times === 0 && c.addsAt !== undefined) leftOut.set(c.addsAt, c)
  }
  return { byKey, leftOut }
}

/** The key of a slip; of two readings of one slip each has its own by its commonness. */
const keyOf = (c: Candidate) => `${c.kind.key} ${JSON.stringify(c.subject)} ${c.commonness}`

/** The problem solved with two slips at once; undefined where they cannot go together. */
export function solvePair(
  ctx: SlipContext,
  a: Candidate,
  b: Candidate,
  second: (c: Candidate) => Second | undefined = (c) => secondIn(ctx, c),
): SlipSolution | undefined {
  const [first, other] = a.change ? [a, b] : [b, a]
  if (first.change) return second(first)?.byKey.get(keyOf(other))?.solve()
  const [m, n] = [a.method?.(), b.method?.()]
  return m && n ? solveMethods(ctx, m, n) : undefined
}

/** Two slips of the method in one solution. */
function solveMethods(ctx: SlipContext, a: MethodChange, b: MethodChange): SlipSolution | undefined {
  const both: Alter = (v, system, i) => {
    const once = a.alter ? a.alter(v, system, i) : v
    return b.alter ? b.alter(once, system, i) : once
  }
  const slip = merged(a.distribution, b.distribution)
  const system = slip ? distributedWith(ctx, slip) : ctx.base.system
  if (!system) return undefined
  const solution = alteredSolution(ctx, system, both, (acts) => acts, slip ? system.structure : ctx.structure)
  return readByEnds(ctx, solution)
}

function distributedWith(ctx: SlipContext, slip: DistributionSlip) {
  const system = distributed(ctx.structure)
  return system && altered(system, slip)
}

function merged(a?: DistributionSlip, b?: DistributionSlip): DistributionSlip | undefined {
  if (!a || !b) return a ?? b
  return {
    ...a,
    ...b,
    taken: (member, end) => (a.taken?.(member, end) ?? 1) * (b.taken?.(member, end) ?? 1),
  }
}
