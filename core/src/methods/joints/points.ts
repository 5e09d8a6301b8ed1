import * as D from '../../quantity/dimension.js'
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
