import * as D from '../../quantity/dimension.js'
import { oneOf, quantity, record, reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { join } from '../../document/report.js'
import { optional } from '../../document/values.js'
import type { StatedLoad } from '../../structure/types.js'
import { fromOtherEnd, memberOf, placeOnHalf, placeOnMember, type LoadKind } from './kind.js'

const form = record({
  'type!': oneOf('misfit'),
  'member!': reference('member'),
  elongation: quantity(D.length),
  at: quantity(D.length, { percent: true }),
  slip: quantity(D.length),
  kink: quantity(D.angle),
})
export type MisfitLoad = TypeOf<typeof form>

const opposite = (load: MisfitLoad, keys: readonly ('slip' | 'kink')[]): MisfitLoad => {
  const out = { ...load }
  for (const key of keys) if (out[key] !== undefined) out[key] = scaled(out[key], -1)
  return out
}

/**
 * Lack of fit: a member made too long by `elongation`, spread evenly along it, or with a jump at a place, in
 * the member's y displacement (`slip`) or in its slope (`kink`).
 */
export const misfit: LoadKind<MisfitLoad, Extract<StatedLoad, { type: 'misfit' }>> = {
  form,
  names: ['lack of fit', 'misfit', 'fabrication error'],
  describe: ({ member }) => `the lack of fit of ${member}`,
  isIdle: ({ elongation = 0, slip = 0, kink = 0 }) => elongation === 0 && slip === 0 && kink === 0,
  state(ctx, load, path) {
    const jump = load.slip !== undefined || load.kink !== undefined
    const member = memberOf(ctx, load.member, path, !jump && load.at === undefined)
    if (member === undefined) return undefined
    if (jump && load.at === undefined)
      ctx.report.error(join(path, 'at'), 'A slip or a kink needs its place: "at" is missing.')
    return {
      type: 'misfit',
      member,
      elongation: optional(ctx, load.elongation, D.length, join(path, 'elongation'), 0),
      at: load.at === undefined ? 0 : placeOnMember(ctx, load.at, ctx.members[member], join(path, 'at')),
      slip: optional(ctx, load.slip, D.length, join(path, 'slip'), 0),
      kink: optional(ctx, load.kink, D.angle, join(path, 'kink'), 0),
    }
  },
  act(by, load, members, to) {
    const a = to.on(load.member)
    a.axialStrain = by.add(a.axialStrain, by.divide(load.elongation, members[load.member].length))
    if (!by.isZero(load.slip) || !by.isZero(load.kink))
      a.jumps.push({ x: load.at, slip: load.slip, kink: load.kink })
  },
  split(load, cut) {
    const { elongation, at, slip, kink, ...rest } = load
    const out: MisfitLoad[] = []
    // made too long evenly, so each half by its share
    if (elongation !== undefined)
      out.push(
        { ...rest, member: cut.first, elongation: scaled(elongation, cut.share) },
        { ...rest, member: cut.second, elongation: scaled(elongation, 1 - cut.share) },
      )
    if (at !== undefined && (slip !== undefined || kink !== undefined))
      out.push({
        ...rest,
        ...placeOnHalf(cut, at),
        ...(slip === undefined ? {} : { slip }),
        ...(kink === undefined ? {} : { kink }),
      })
    return out
  },
  mirrored: (load) => opposite(load, ['slip', 'kink']),
  // both sides of the jump and the y axis change places, so a slip stays and a kink turns
  reversed: (load, m, L) => ({
    ...opposite(load, ['kink']),
    ...(load.at === undefined ? {} : { at: fromOtherEnd(load.at, m, L) }),
  }),
}
