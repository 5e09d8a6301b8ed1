import * as D from '../../quantity/dimension.js'
import { join } from '../../document/report.js'
import type { Material } from '../../document/types.js'
import { optional, positive, type Reading } from '../../document/values.js'

/** A material's numbers in SI; NaN marks what is not given. */
export interface MaterialValues {
  E: number
  /** NaN when neither G nor nu is given. */
  G: number
  alpha: number
  unitWeight: number
  yield: number
}

/** Reads a material; G follows from Poisson's ratio where it is not given, G = E / (2(1 + ν)). */
export function materialValues(ctx: Reading, material: Material, path: string): MaterialValues {
  const E = positive(ctx, material.E, D.stress, join(path, 'E'), 'E')
  const nu = optional(ctx, material.nu, D.none, join(path, 'nu'), NaN)
  if (nu <= -1 || nu > 0.5) ctx.report.error(join(path, 'nu'), "Poisson's ratio lies between −1 and 0.5.")
  const G =
    material.G === undefined ? E / (2 * (1 + nu)) : positive(ctx, material.G, D.stress, join(path, 'G'), 'G')
  return {
    E,
    G,
    alpha: optional(ctx, material.alpha, D.perTemperature, join(path, 'alpha'), NaN),
    unitWeight: optional(ctx, material.unitWeight, D.unitWeight, join(path, 'unitWeight'), NaN),
    yield: optional(ctx, material.yield, D.stress, join(path, 'yield'), NaN),
  }
}
