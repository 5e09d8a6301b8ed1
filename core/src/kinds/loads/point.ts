import * as D from '../../quantity/dimension.js'
import { oneOf, quantity, record, reference, type TypeOf } from '../../document/form.js'
import { join } from '../../document/report.js'
import type { StatedLoad } from '../../structure/types.js'
import { toMember } from './directions.js'
import { describeForce, forceKeys, forceValues, isIdleForce, mirroredForce, reversedForce } from './force.js'
import { placeInWords } from './words.js'
import { fromOtherEnd, memberOf, placeOnHalf, placeOnMember, type LoadKind } from './kind.js'

const form = record({
  'type!': oneOf('point'),
  'member!': reference('member'),
  'at!': quantity(D.length, { percent: true }),
  ...forceKeys,
  axes: oneOf('global', 'member'),
})
export type PointLoad = TypeOf<typeof form>

/** A force and a moment at a place between the ends of a member, in global or in member axes. */
export const point: LoadKind<PointLoad, Extract<StatedLoad, { type: 'point' }>> = {
  form,
  names: ['point load', 'concentrated load'],
  describe: (load, units) => `the ${describeForce(load, units)} ${placeInWords(load.at, load.member, units)}`,
  isIdle: isIdleForce,
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path)
    if (member === undefined) return undefined
    return {
      type: 'point',
      member,
      at: placeOnMember(ctx, load.at, ctx.members[member], join(path, 'at')),
      ...forceValues(ctx, load, path),
      axes: load.axes ?? 'global',
    }
  },
  act(by, load, members, to) {
    const [fx, fy] =
      load.axes === 'member' ? [load.fx, load.fy] : toMember(by, members[load.member], load.fx, load.fy)
    to.on(load.member).points.push({ x: load.at, fx, fy, m: load.m })
  },
  split: (load, cut) => [{ ...load, ...placeOnHalf(cut, load.at) }],
  mirrored: (load, mirror) => mirroredForce(load, mirror, load.axes === 'member'),
  reversed: (load, m, L) => ({
    ...(load.axes === 'member' ? reversedForce(load) : load),
    at: fromOtherEnd(load.at, m, L),
  }),
}
