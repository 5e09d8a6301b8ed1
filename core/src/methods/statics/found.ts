import * as D from '../../quantity/dimension.js'
import type { Structure } from '../../structure/types.js'
import type { FoundValue } from '../method.js'
import type { Coherent } from '../noted-method.js'
import type { Reaction } from './equilibrium.js'

/** Components of reactions in global axes, where all that they are made of is known. */
export function reactionValues(
  s: Structure,
  reactions: readonly Reaction[],
  values: readonly number[],
  coherent: Coherent,
): FoundValue[] {
  const out: FoundValue[] = []
  for (const p of s.supports) {
    const here = reactions.flatMap((r, i) => (r.node === p.node ? [{ r, value: values[i] }] : []))
    const node = s.nodes[p.node].id
    for (const component of ['x', 'y', 'rotation'] as const) {
      const isMoment = component === 'rotation'
      const parts = here.filter(({ r }) =>
        isMoment ? r.component === 'rotation' : r.component !== 'rotation' && Math.abs(r[component]) > 1e-12,
      )
      const value = parts.reduce((sum, { r, value: v }) => sum + v * (isMoment ? 1 : r[component]), 0)
      if (parts.length === 0 || Number.isNaN(value)) continue
      out.push({
        quantity: 'reaction',
        node,
        component,
        value: coherent(value, isMoment ? D.moment : D.force),
      })
    }
  }
  return out
}
