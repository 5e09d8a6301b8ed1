import type { Arithmetic } from '../../quantity/arithmetic.js'
import type { ProblemUnits } from '../../quantity/units.js'
import type { Form } from '../../document/form.js'
import { endAt, shareOf } from '../../document/ends.js'
import { tidy, type Measure } from '../../document/measure.js'
import { join } from '../../document/report.js'
import type { Quantity } from '../../document/types.js'
import { place, type Reading } from '../../document/values.js'
import type { ActionsOfCase } from '../../structure/actions.js'
import type { LoadedMember, StatedLoad, StatedLoads, StructureMember } from '../../structure/types.js'

/** The line of a mirror: `vertical` exchanges left and right, `horizontal` above and below. */
export type Mirror = 'vertical' | 'horizontal'

/**
 * Everything Viga knows about one kind of load. A new kind is one file with one of these and a line in
 * `index.ts`; its numbers are one more member of `StatedLoad`.
 */
export interface LoadKind<L = never, S extends StatedLoad = never> {
  /** The form of its entry in a document: keys, dimensions, references. */
  form: Form<L>
  /** What it is called, most usual name first; all of them are understood where a person types one. */
  names: readonly string[]
  /** The load in words: "the 20 kN at B", "the 6 kN/m on AB"; amounts without their signs. */
  describe(load: L, units: ProblemUnits): string
  /** Whether it states no value, so that nothing acts. */
  isIdle(load: L): boolean
  /** The stated load as numbers in SI; undefined when something in it is wrong (reported at its path). */
  state(ctx: Places, load: L, path: string): S | undefined
  /** What the structure needs for it and lacks: a sentence for each property that is not stated. */
  lacks?(load: S, member: StructureMember): string | undefined
  /** Adds what the load does to the structure to the actions of its case, in one kind of number. */
  act<N>(
    by: Arithmetic<N>,
    load: StatedLoads<N>[S['type']],
    members: readonly LoadedMember<N>[],
    to: ActionsOfCase<N>,
  ): void
  /** The loads on the halves of a member that is split. */
  split(load: L, cut: Cut): L[]
  /** Its mirror image. A mirrored member keeps its start, so its y axis lies on the other side. */
  mirrored(load: L, mirror: Mirror): L
  /** The same load on a member whose start and end have changed places; `L` is its length, problem's unit. */
  reversed(load: L, m: Measure, L: number): L
}

/** What a load needs to find its place: the members and nodes by label. */
export interface Places extends Reading {
  nodes: ReadonlyMap<string, number>
  memberIndex: ReadonlyMap<string, number>
  members: readonly StructureMember[]
}

/**
 * A cut through a member of length L (problem's unit), `share` of it from the start, with the names of the
 * member and of its halves.
 */
export interface Cut {
  m: Measure
  whole: string
  L: number
  cut: number
  share: number
  first: string
  second: string
}

/** Places nearer to an end than this share of the length are the end. */
export const AT_END = 1e-9

/** A place along the whole member as the half it stands on and its place there. */
export function placeOnHalf(
  { m, L, cut, first, second }: Cut,
  raw: Quantity,
): { member: string; at: Quantity } {
  const x = m.along(raw, L)
  if (x > cut * (1 + AT_END)) return { member: second, at: tidy(x - cut) }
  const percent = typeof raw === 'string' && raw.includes('%')
  return { member: first, at: percent || x > cut ? tidy(Math.min(x, cut)) : raw }
}

/** A place measured from the other end of a member of length L (problem's unit); a percentage stays one. */
export function fromOtherEnd(raw: Quantity, m: Measure, L: number): Quantity {
  const share = typeof raw === 'string' ? shareOf(raw) : undefined
  if (share !== undefined && String(raw).includes('%')) return `${tidy(100 * (1 - share))}%`
  const x = L - m.along(raw, L)
  const end = endAt(x, L)
  if (end === 'start') return 0
  // The far end said as a share: its length may be no round number, and rounded it would miss the end.
  return end === 'end' ? '100%' : tidy(x)
}

/** The member a load stands on, if it is there and takes this load. */
export function memberOf(ctx: Places, member: string, path: string, axialOnly = false): number | undefined {
  const index = ctx.memberIndex.get(member)
  const at = join(path, 'member')
  if (index === undefined) {
    ctx.report.error(at, `There is no member ${member}.`)
    return undefined
  }
  if (ctx.members[index].bar && !axialOnly) {
    ctx.report.error(
      at,
      `${member} carries axial force alone, so no load stands between its ends; put the load on its joints.`,
    )
    return undefined
  }
  return index
}

/** A place along a member, a length from its start or a percentage, as m from the start. */
export const placeOnMember = (ctx: Reading, raw: Quantity, member: StructureMember, path: string): number =>
  place(ctx, raw, member.id, member.length, path)
