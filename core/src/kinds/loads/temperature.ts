import * as D from '../../quantity/dimension.js'
import { oneOf, quantity, record, reference, type TypeOf } from '../../document/form.js'
import { scaled } from '../../document/measure.js'
import { join } from '../../document/report.js'
import { optional } from '../../document/values.js'
import type { StatedLoad } from '../../structure/types.js'
import { memberOf, type LoadKind } from './kind.js'

const form = record({
  'type!': oneOf('temperature'),
  'member!': reference('member'),
  uniform: quantity(D.temperature),
  gradient: quantity(D.temperature),
})
export type TemperatureLoad = TypeOf<typeof form>

const opposite = (load: TemperatureLoad): TemperatureLoad =>
  load.gradient === undefined ? load : { ...load, gradient: scaled(load.gradient, -1) }

/**
 * A rise of temperature of the centroid (`uniform`) and the rise of the +y face minus that of the −y face
 * (`gradient`), linear over the depth.
 */
export const temperature: LoadKind<TemperatureLoad, Extract<StatedLoad, { type: 'temperature' }>> = {
  form,
  names: ['temperature change', 'temperature', 'heat'],
  describe: ({ member }) => `the temperature change of ${member}`,
  isIdle: ({ uniform = 0, gradient = 0 }) => uniform === 0 && gradient === 0,
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
  lacks(load, m) {
    if ((load.uniform !== 0 || load.gradient !== 0) && Number.isNaN(m.alpha))
      return `${m.id} changes its temperature, but its material has no coefficient of expansion (alpha).`
    if (load.gradient !== 0 && Number.isNaN(m.depth))
      return `The temperature varies over the depth of ${m.id}, but its section has no depth.`
    return undefined
  },
  act(by, load, members, to) {
    const { alpha, depth } = members[load.member]
    const a = to.on(load.member)
    if (!by.isZero(load.uniform)) a.axialStrain = by.add(a.axialStrain, by.multiply(alpha, load.uniform))
    // the +y face grows longer: the member bends away from it, v″ < 0
    if (!by.isZero(load.gradient))
      a.curvature = by.subtract(a.curvature, by.divide(by.multiply(alpha, load.gradient), depth))
  },
  split: (load, cut) => [
    { ...load, member: cut.first },
    { ...load, member: cut.second },
  ],
  mirrored: opposite,
  reversed: opposite,
}
