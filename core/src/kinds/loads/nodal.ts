import { oneOf, record, reference, type TypeOf } from '../../document/form.js'
import { join } from '../../document/report.js'
import type { StatedLoad } from '../../structure/types.js'
import { describeForce, forceKeys, forceValues, isIdleForce, mirroredForce } from './force.js'
import type { LoadKind } from './kind.js'

const form = record({ 'type!': oneOf('nodal'), 'node!': reference('node'), ...forceKeys })
export type NodalLoad = TypeOf<typeof form>

/** A force and a moment at a joint, in global axes. */
export const nodal: LoadKind<NodalLoad, Extract<StatedLoad, { type: 'nodal' }>> = {
  form,
  names: ['joint load', 'nodal load'],
  describe: (load, units) => `the ${describeForce(load, units)} at ${load.node}`,
  isIdle: isIdleForce,
  state(ctx, load, path) {
    const node = ctx.nodes.get(load.node)
    if (node === undefined) {
      ctx.report.error(join(path, 'node'), `There is no joint ${load.node}.`)
      return undefined
    }
    return { type: 'nodal', node, ...forceValues(ctx, load, path) }
  },
  act(by, load, _, to) {
    ;[load.fx, load.fy, load.m].forEach((amount, i) => {
      const at = 3 * load.node + i
      to.nodal[at] = by.add(to.nodal[at], amount)
    })
  },
  split: (load) => [load],
  mirrored: (load, mirror) => mirroredForce(load, mirror),
  reversed: (load) => load,
}
