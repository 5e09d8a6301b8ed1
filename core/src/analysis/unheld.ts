import type { Actions } from '../structure/actions.js'
import type { SolveError, Structure } from '../structure/types.js'
import type { Dofs } from './dofs.js'

/**
 * The error of a load that nothing takes up: a moment at a joint whose rotation nothing holds, or any load at
 * a joint that no member reaches and no support holds.
 */
export function unheldLoad(s: Structure, dofs: Dofs, { nodal }: Actions): SolveError | undefined {
  for (let node = 0; node < s.nodes.length; node++) {
    const { id } = s.nodes[node]
    const acts = (c: number) => dofs.of[3 * node + c] < 0 && nodal[3 * node + c] !== 0
    if (acts(0) || acts(1))
      return {
        kind: 'mechanism',
        message: `A load acts at ${id}, but no member reaches ${id}: it can move.`,
        nodes: [id],
      }
    if (!acts(2)) continue
    return {
      kind: 'mechanism',
      message:
        s.kind === 'truss'
          ? `A moment acts at ${id}, but the members of a truss cannot take it: ${id} would spin.`
          : `A moment acts at ${id}, but every member end there is hinged: ${id} would spin.`,
      nodes: [id],
    }
  }
  return undefined
}
