import * as D from '../../quantity/dimension.js'
import { scaled } from '../../document/measure.js'
import { id, join, quantity } from '../../document/form.js'
import type { Load, MisfitLoad, TemperatureLoad } from '../../document/types.js'
import { optional } from '../../structure/properties.js'
import type { StatedLoad } from '../../structure/types.js'
import { memberOf, place, placeOn, type LoadKind } from './kind.js'

/** A rise of temperature, even and uneven over the depth. */
export const temperature: LoadKind<TemperatureLoad, Extract<StatedLoad, { type: 'temperature' }>> = {
  form: { 'member!': id, uniform: quantity, gradient: quantity },
  quantities: { uniform: D.temperature, gradient: D.temperature },
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path, load.gradient === undefined)
    if (member === undefined) return undefined
    return {
      type: 'temperature',
      member,
      uniform: optional(ctx, load.uniform, D.temperature, join(path, 'uniform'), 0),
      gradient: optional(ctx, load.gradient, D.temperature, join(path, 'gradient'), 0),
    }
  },
  act(load, s, to) {
    const m = s.members[load.member]
    if (load.uniform !== 0) to.on(load.member).axialStrain += m.alpha * load.uniform
    // the +y face grows longer: the member bends away from it, v″ < 0
    if (load.gradient !== 0) to.on(load.member).curvature -= (m.alpha * load.gradient) / m.depth
  },
  split: (load, cut) => [
    { ...load, member: cut.first },
    { ...load, member: cut.second },
  ],
  turnedBy: () => ['gradient'],
}

/** A member made too long, or with a jump or a bend at a place. */
export const misfit: LoadKind<MisfitLoad, Extract<StatedLoad, { type: 'misfit' }>> = {
  form: { 'member!': id, elongation: quantity, at: quantity, slip: quantity, kink: quantity },
  quantities: { elongation: D.length, at: D.length, slip: D.length, kink: D.angle },
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
      at: load.at === undefined ? 0 : place(ctx, load.at, ctx.members[member], join(path, 'at')),
      slip: optional(ctx, load.slip, D.length, join(path, 'slip'), 0),
      kink: optional(ctx, load.kink, D.angle, join(path, 'kink'), 0),
    }
  },
  act(load, s, to) {
    const a = to.on(load.member)
    a.axialStrain += load.elongation / s.members[load.member].length
    if (load.slip !== 0 || load.kink !== 0) a.jumps.push({ x: load.at, slip: load.slip, kink: load.kink })
  },
  split(load, cut) {
    const { elongation, at, slip, kink, ...rest } = load
    const out: Load[] = []
    // made too long evenly, so each half by its share
    if (elongation !== undefined)
      out.push(
        { ...rest, member: cut.first, elongation: scaled(elongation, cut.share) },
        { ...rest, member: cut.second, elongation: scaled(elongation, 1 - cut.share) },
      )
    if (at !== undefined && (slip !== undefined || kink !== undefined))
      out.push({
        ...rest,
        ...placeOn(cut, at),
        ...(slip === undefined ? {} : { slip }),
        ...(kink === undefined ? {} : { kink }),
      })
    return out
  },
  turnedBy: () => ['slip', 'kink'],
}
