import type { Dimension } from '../quantity/dimension.js'
import type { Letter } from './reading.js'

/** The powers of length and force in a dimension. */
export type Powers = readonly [length: number, force: number]

export const powersOf = (d: Dimension): Powers => [d[1] - d[0], d[0]]

/**
 * Letters that are taken as 1 while the structure is solved: a length, and a rigidity or stiffness. Where all
 * quantities of a problem have the dimensions of their letters, these come back by dimension alone, and the
 * solution is free of them.
 */
export interface Scales {
  length?: Letter
  force?: Letter
}

/** Whether every power of a dimension is found in the letters of a term, for length and for force. */
export interface Sameness {
  length: boolean
  force: boolean
}

/**
 * The letters to be taken as 1.
 * @param letters those of the structure, loads apart
 */
export function scalesOf(letters: readonly Letter[], same: Sameness): Scales {
  const isLength = ({ dimension }: Letter) => isSame(powersOf(dimension), [1, 0])
  const isForce = ({ dimension }: Letter) => powersOf(dimension)[1] === 1
  return {
    ...(same.length && {
      length: letters.find((l) => isLength(l) && l.name === 'L') ?? letters.find(isLength),
    }),
    ...(same.force && { force: letters.find(isForce) }),
  }
}

const isSame = (a: Powers, b: Powers) => a[0] === b[0] && a[1] === b[1]

/** The powers of the two scales that have the given powers of length and force. */
export function scalePowers({ length, force }: Scales, [l, f]: Powers): [length: number, force: number] {
  const byForce = force ? f : 0
  const rest = force ? l - byForce * powersOf(force.dimension)[0] : l
  return [length ? rest : 0, byForce]
}

/** What a number of given powers is multiplied with when the scales are put back, for the sample. */
export function scaleFactor(scales: Scales, powers: Powers): number {
  const [l, f] = scalePowers(scales, powers)
  return (scales.length?.sample ?? 1) ** l * (scales.force?.sample ?? 1) ** f
}
