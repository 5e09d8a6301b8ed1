import * as D from '../../quantity/dimension.js'
import type { MemberActions } from '../../analysis/actions.js'
import { tidy, type Measure } from '../../document/measure.js'
import { join, type Check } from '../../document/form.js'
import type { Load, Quantity } from '../../document/types.js'
import { value, type Reading } from '../../structure/properties.js'
import type { StatedLoad, Structure, StructureMember } from '../../structure/types.js'

/**
 * Everything Viga knows about one kind of load. A new kind is one file with one of these, and a line in
 * `index.ts`;
 * its types stand in `problem/types.ts` (as stated) and `structure/types.ts` (as numbers).
 */
export interface LoadKind<L extends Load = Load, S extends StatedLoad = StatedLoad> {
  /** The form of its entry in a document. */
  form: Record<string, Check>
  /** The dimension of each of its quantities; those of `points` count for its points. */
  quantities: Record<string, D.Dimension>
  /** The stated load as numbers in SI; undefined when something in it is wrong (reported at its path). */
  state(ctx: Places, load: L, path: string): S | undefined
  /** What it does to the structure: adds to the actions of its case. */
  act(load: S, s: Structure, to: Acting): void
  /** What becomes of it when its member is split. */
  split(load: L, cut: Cut): Load[]
  /** The keys that change sign in its mirror image, seen in a vertical or a horizontal line. */
  turnedBy(load: L, axis: 'vertical' | 'horizontal'): string[]
}

/** What a load needs to find its place: the members and nodes by label. */
export interface Places extends Reading {
  nodes: ReadonlyMap<string, number>
  memberIndex: ReadonlyMap<string, number>
  members: readonly StructureMember[]
}

/** The actions of one case, to be added to. */
export interface Acting {
  /** Global fx, fy, m of each node. */
  nodal: Float64Array
  on(member: number): MemberActions
}

/**
 * A cut through a member of length L (problem's unit), `share` of it from the start, and the names of its
 * halves.
 */
export interface Cut {
  m: Measure
  L: number
  cut: number
  share: number
  first: string
  second: string
}

/** Places nearer to an end than this share of the length are the end. */
export const AT_END = 1e-9

/** A place along the whole member as the half it stands on and its place there. */
export function placeOn({ m, L, cut, first, second }: Cut, raw: Quantity): { member: string; at: Quantity } {
  const x = m.along(raw, L)
  if (x > cut * (1 + AT_END)) return { member: second, at: tidy(x - cut) }
  const percent = typeof raw === 'string' && raw.includes('%')
  return { member: first, at: percent || x > cut ? tidy(Math.min(x, cut)) : raw }
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

const PERCENT = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*%\s*$/

/** A place along a member, a length from its start or a percentage, as m from the start. */
export function place(ctx: Reading, raw: Quantity, member: StructureMember, path: string): number {
  const percent = typeof raw === 'string' ? PERCENT.exec(raw) : null
  const x = percent ? (Number(percent[1]) / 100) * member.length : value(ctx, raw, D.length, path)
  // "L" typed from rounded numbers may reach a little beyond the end
  if (x < -AT_END * member.length || x > member.length * (1 + AT_END)) {
    ctx.report.error(path, `This place is not on ${member.id}: it must lie between its start and its end.`)
    return NaN
  }
  return Math.min(Math.max(x, 0), member.length)
}
