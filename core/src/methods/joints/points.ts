import * as D from '../../quantity/dimension.js'
import type { Found } from './bodies.js'
import type { Truss, Vec } from './truss.js'

/** The joint at a point; undefined where there is none. */
const jointAt = (t: Truss, { x, y }: Vec): string | undefined =>
  t.structure.nodes.find((n) => Math.hypot(n.x - x, n.y - y) < 1e-9 * Math.max(1, Math.abs(x), Math.abs(y)))
    ?.id

/** A point in a sentence: the joint there, or `the point`. */
export const pointName = (t: Truss, at: Vec): string => jointAt(t, at) ?? 'the point'

/** A point as a document names it: the joint there, or its place in coherent units. */
export const pointOf = (t: Truss, at: Vec, coherent: (si: number, d: D.Dimension) => number): string | Vec =>
  jointAt(t, at) ?? { x: coherent(at.x, D.length), y: coherent(at.y, D.length) }

/** The point that a force's moments are taken about; undefined where it is found from a sum of forces. */
export const aboutOf = ({ by }: Found): Vec | undefined => ('about' in by ? by.about : undefined)

/** An equation as its heading says it: what is summed, or what moments are taken about. */
export function equationWords(t: Truss, { by }: Found): string {
  if ('about' in by) return `Moments about ${pointName(t, by.about)}, counter-clockwise:`
  if (by.along.x === 1) return 'Forces to the right:'
  return by.along.y === 1 ? 'Forces upward:' : 'Forces across the other unknown force:'
}
