import { choice, type TypeOf } from '../../document/form.js'
import type { Arithmetic } from '../../quantity/arithmetic.js'
import type { ProblemUnits } from '../../quantity/units.js'
import type { Measure } from '../../document/measure.js'
import type { ActionsOfCase } from '../../structure/actions.js'
import type { LoadedMember, StatedLoad, StructureMember } from '../../structure/types.js'
import { couple } from './couple.js'
import { distributed } from './distributed.js'
import type { Cut, LoadKind, Mirror, Places } from './kind.js'
import { misfit } from './misfit.js'
import { nodal } from './nodal.js'
import { point } from './point.js'
import { temperature } from './temperature.js'

export type { CoupleLoad } from './couple.js'
export type { DistributedLoad } from './distributed.js'
export type { LoadPoint } from './line.js'
export type { MisfitLoad } from './misfit.js'
export type { NodalLoad } from './nodal.js'
export type { PointLoad } from './point.js'
export type { TemperatureLoad } from './temperature.js'

/** The kinds of load, by the `type` of their entry. The one list a new kind is added to. */
export const LOAD_KINDS = { nodal, point, distributed, couple, temperature, misfit }

/** A load as the document states it. */
export type Load = {
  [K in keyof typeof LOAD_KINDS]: TypeOf<(typeof LOAD_KINDS)[K]['form']>
}[keyof typeof LOAD_KINDS]

// each kind is typed by its own entry; looked up by `type`, all have one shape
const kindOf = (type: Load['type']) => LOAD_KINDS[type] as unknown as LoadKind<Load, StatedLoad>

/** The form of a load in a document. */
export const loadForm = choice('type', {
  nodal: nodal.form,
  point: point.form,
  distributed: distributed.form,
  couple: couple.form,
  temperature: temperature.form,
  misfit: misfit.form,
})

/** One load of the document as numbers in SI; undefined when something in it is wrong (reported). */
export const statedLoad = (ctx: Places, load: Load, path: string): StatedLoad | undefined =>
  kindOf(load.type).state(ctx, load, path)

/**
 * What a load needs of its member and the statement lacks, as a sentence; undefined when it lacks nothing.
 */
export const loadLacks = (load: StatedLoad, member: StructureMember): string | undefined =>
  kindOf(load.type).lacks?.(load, member)

/** Adds what a load does to the actions of its case. */
export const actOn = <N>(
  by: Arithmetic<N>,
  load: StatedLoad<N>,
  members: readonly LoadedMember<N>[],
  to: ActionsOfCase<N>,
): void => kindOf(load.type).act(by, load, members, to)

/** The loads on the halves of a member that is split. */
export const splitLoad = (load: Load, cut: Cut): Load[] => kindOf(load.type).split(load, cut)

/** A load as its mirror image. */
export const mirroredLoad = (load: Load, mirror: Mirror): Load => kindOf(load.type).mirrored(load, mirror)

/** A load on a member of length L (problem's unit) whose start and end have changed places. */
export const reversedLoad = (load: Load, m: Measure, L: number): Load =>
  kindOf(load.type).reversed(load, m, L)

/** Whether a load states no value, so that nothing acts. */
export const isIdleLoad = (load: Load): boolean => kindOf(load.type).isIdle(load)

/** A load in one line of words. */
export const describeLoad = (load: Load, units: ProblemUnits): string =>
  kindOf(load.type).describe(load, units)
