import * as D from '../quantity/dimension.js'
import { unitByName } from '../quantity/units.js'

export { unitByName }

/** Whether a name is a unit of length or of force. */
export function isDimension(name: string, kind: 'length' | 'force'): boolean {
  const unit = unitByName(name)
  return unit !== undefined && D.equal(unit.dimension, D[kind])
}
