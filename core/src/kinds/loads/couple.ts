import * as D from '../../quantity/dimension.js'
import { oneOf, record, reference, type TypeOf } from '../../document/form.js'
import type { StatedLoad } from '../../structure/types.js'
import { memberOf, type LoadKind } from './kind.js'
import {
  eachStretch,
  isIdleLine,
  lineKeys,
  linePoints,
  oppositeLine,
  reversedLine,
  splitLine,
} from './line.js'

const form = record({ 'type!': oneOf('couple'), 'member!': reference('member'), ...lineKeys(D.force) })
export type CoupleLoad = TypeOf<typeof form>

/** A distributed couple, moment per length, counter-clockwise positive. */
export const couple: LoadKind<CoupleLoad, Extract<StatedLoad, { type: 'couple' }>> = {
  form,
  names: ['distributed couple', 'distributed moment'],
  describe: (load) => `the distributed couple on ${load.member}`,
  isIdle: isIdleLine,
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path)
    return member === undefined
      ? undefined
      : { type: 'couple', member, points: linePoints(ctx, load, D.force, ctx.members[member], path) }
  },
  act(by, load, _, to) {
    const none = by.of(0)
    eachStretch(by, load.points, (a, b, q0, q1) =>
      to.on(load.member).spans.push({ a, b, p: [none, none], q: [none, none], c: [q0, q1] }),
    )
  },
  split: (load, cut) => splitLine(load, cut, D.force),
  mirrored: (load) => oppositeLine(load),
  reversed: (load, m, L) => reversedLine(load, m, L),
}
