import { OWN_SIGNS, signFactors, type Signs } from '@viga/core'

export type DiagramKey = 'N' | 'V' | 'M'

/**
 * The side of the member on which positive values of the core stand: 1 for its +y side. Moments stand on the
 * side in tension or on the other; axial and shear forces on the +y side where they are positive by
 * convention.
 */
export const sideOf = (key: DiagramKey, signs: Signs = OWN_SIGNS): 1 | -1 =>
  key === 'M' ? (signs.momentSide === 'tension' ? -1 : 1) : signFactors(signs)[key]
