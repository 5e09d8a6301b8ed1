import * as D from '../../quantity/dimension.js'
import { id, oneOf, quantity } from '../../document/form.js'
import type { NodalLoad, PointLoad } from '../../document/types.js'
import { join } from '../../document/form.js'
import { optional } from '../../structure/properties.js'
import type { StatedLoad } from '../../structure/types.js'
import { toMember } from './directions.js'
import { memberOf, place, placeOn, type LoadKind, type Places } from './kind.js'

const forces = { fx: D.force, fy: D.force, m: D.moment }

const components = (ctx: Places, load: NodalLoad | PointLoad, path: string) => ({
  fx: optional(ctx, load.fx, D.force, join(path, 'fx'), 0),
  fy: optional(ctx, load.fy, D.force, join(path, 'fy'), 0),
  m: optional(ctx, load.m, D.moment, join(path, 'm'), 0),
})

/** Forces and a moment at a joint. */
export const nodal: LoadKind<NodalLoad, Extract<StatedLoad, { type: 'nodal' }>> = {
  form: { 'node!': id, fx: quantity, fy: quantity, m: quantity },
  quantities: forces,
  state(ctx, load, path) {
    const node = ctx.nodes.get(load.node)
    if (node === undefined) {
      ctx.report.error(join(path, 'node'), `There is no joint ${load.node}.`)
      return undefined
    }
    return { type: 'nodal', node, ...components(ctx, load, path) }
  },
  act(load, _, to) {
    to.nodal[3 * load.node] += load.fx
    to.nodal[3 * load.node + 1] += load.fy
    to.nodal[3 * load.node + 2] += load.m
  },
  split: (load) => [load],
  turnedBy: (_, axis) => [axis === 'vertical' ? 'fx' : 'fy', 'm'],
}

/** Forces and a moment at a place between the ends of a member. */
export const point: LoadKind<PointLoad, Extract<StatedLoad, { type: 'point' }>> = {
  form: {
    'member!': id,
    'at!': quantity,
    fx: quantity,
    fy: quantity,
    m: quantity,
    axes: oneOf('global', 'member'),
  },
  quantities: { at: D.length, ...forces },
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path)
    if (member === undefined) return undefined
    return {
      type: 'point',
      member,
      at: place(ctx, load.at, ctx.members[member], join(path, 'at')),
      ...components(ctx, load, path),
      axes: load.axes ?? 'global',
    }
  },
  act(load, s, to) {
    const [fx, fy] =
      load.axes === 'member' ? [load.fx, load.fy] : toMember(s.members[load.member], load.fx, load.fy)
    to.on(load.member).points.push({ x: load.at, fx, fy, m: load.m })
  },
  split: (load, cut) => [{ ...load, ...placeOn(cut, load.at) }],
  // the mirror image of a member has its y axis on the other side
  turnedBy: (load, axis) => [load.axes === 'member' || axis === 'horizontal' ? 'fy' : 'fx', 'm'],
}
