import * as D from '../../quantity/dimension.js'
import { oneOf, record, reference, type TypeOf } from '../../document/form.js'
import { join } from '../../document/report.js'
import type { StatedLoad } from '../../structure/types.js'
import { intensityDirection } from './directions.js'
import { memberOf, type LoadKind } from './kind.js'
import {
  describeLine,
  eachStretch,
  isIdleLine,
  lineKeys,
  linePoints,
  oppositeLine,
  reversedLine,
  splitLine,
} from './line.js'

const form = record({
  'type!': oneOf('distributed'),
  'member!': reference('member'),
  'direction!': oneOf('X', 'Y', 'x', 'y'),
  per: oneOf('length', 'projection'),
  ...lineKeys(D.forcePerLength),
})
export type DistributedLoad = TypeOf<typeof form>

const isOwn = ({ direction }: DistributedLoad) => direction === 'x' || direction === 'y'

/** A distributed force, uniform or linear between points, per length of the member or per projection. */
export const distributed: LoadKind<DistributedLoad, Extract<StatedLoad, { type: 'distributed' }>> = {
  form,
  names: ['distributed load', 'uniform load', 'line load', 'varying load'],
  describe: (load, units) => `the ${describeLine(load, D.forcePerLength, units)} on ${load.member}`,
  isIdle: isIdleLine,
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path)
    if (member === undefined) return undefined
    const { direction, per = 'length' } = load
    if (per === 'projection' && isOwn(load))
      ctx.report.error(join(path, 'per'), 'A load per projection acts along global X or Y.')
    return {
      type: 'distributed',
      member,
      direction,
      per,
      points: linePoints(ctx, load, D.forcePerLength, ctx.members[member], path),
    }
  },
  act(by, load, members, to) {
    const [px, py] = intensityDirection(by, members[load.member], load.direction, load.per)
    const none = by.of(0)
    eachStretch(by, load.points, (a, b, q0, q1) =>
      to.on(load.member).spans.push({
        a,
        b,
        p: [by.multiply(px, q0), by.multiply(px, q1)],
        q: [by.multiply(py, q0), by.multiply(py, q1)],
        c: [none, none],
      }),
    )
  },
  split: (load, cut) => splitLine(load, cut, D.forcePerLength),
  mirrored: (load, mirror) =>
    load.direction === 'y' || load.direction === (mirror === 'vertical' ? 'X' : 'Y')
      ? oppositeLine(load)
      : load,
  reversed: (load, m, L) => reversedLine(isOwn(load) ? oppositeLine(load) : load, m, L),
}
