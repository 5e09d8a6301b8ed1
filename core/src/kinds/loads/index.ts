import type * as D from '../../quantity/dimension.js'
import { scaled } from '../../document/measure.js'
import { anything, by, record } from '../../document/form.js'
import type { Load, Quantity } from '../../document/types.js'
import type { StatedLoad, Structure } from '../../structure/types.js'
import { couple, distributed } from './along.js'
import { nodal, point } from './at-places.js'
import { misfit, temperature } from './free-strains.js'
import type { Acting, Cut, LoadKind, Places } from './kind.js'

/** The kinds of load, by the `type` of their entry. The one list a new kind is added to. */
const KINDS = { nodal, point, distributed, couple, temperature, misfit }

// each kind is typed by its own entry; looked up by `type` they are one shape
const kindOf = (type: Load['type']): LoadKind => KINDS[type]

/** The form of a load in a document. */
export const loadForm = by(
  'type',
  Object.fromEntries(
    Object.entries(KINDS).map(([type, { form }]) => [type, record({ type: anything, ...form })]),
  ),
)

/**
 * One load of the document as numbers in SI; undefined when something in it is wrong (reported at its path).
 */
export const statedLoad = (ctx: Places, load: Load, path: string): StatedLoad | undefined =>
  kindOf(load.type).state(ctx, load, path)

/** Adds what a load does to the actions of its case. */
export const actOn = (load: StatedLoad, s: Structure, to: Acting): void => kindOf(load.type).act(load, s, to)

/** What becomes of a load when its member is split. */
export const splitLoad = (load: Load, cut: Cut): Load[] => kindOf(load.type).split(load, cut)

/** A load as its mirror image in a vertical or a horizontal line. */
export function mirroredLoad(load: Load, axis: 'vertical' | 'horizontal'): Load {
  const out = { ...load } as unknown as Record<string, Quantity> & {
    points?: { at: Quantity; q: Quantity }[]
  }
  for (const key of kindOf(load.type).turnedBy(load, axis)) {
    if (out[key] !== undefined) out[key] = scaled(out[key], -1)
    if (key === 'q' && out.points) out.points = out.points.map((p) => ({ ...p, q: scaled(p.q, -1) }))
  }
  return out as unknown as Load
}

/** The dimension of each quantity of a load. */
export const loadQuantities = (type: Load['type']): Record<string, D.Dimension> => kindOf(type).quantities
