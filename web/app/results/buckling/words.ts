import { formatNumber } from '@viga/core'

/** From this factor on second order adds little: the customary limit. */
const LITTLE = 10

/** What the critical factors leave out, beside them. */
export const SMALL_ROTATIONS =
  'Rotations are taken as small: a flat arch or a shallow pair of bars may snap through at a far smaller ' +
  'load, which is not covered here.'

/** What a critical factor says of a structure, in a sentence or two. */
export function growthWords(factor: number): string {
  const f = formatNumber(factor)
  if (factor <= 1)
    return (
      `The structure buckles at ${f} times these loads: it cannot carry them, and first-order ` +
      'numbers mean nothing.'
    )
  const grows = formatNumber(1 / (1 - 1 / factor))
  if (factor < 2)
    return (
      `The structure buckles at ${f} times these loads: it is near its limit, and sway grows to ` +
      `about ${grows} times what first order says.`
    )
  if (factor < LITTLE)
    return (
      `The structure buckles at ${f} times these loads: second-order effects matter, sway grows to ` +
      `about ${grows} times what first order says.`
    )
  return `The structure buckles at ${f} times these loads: second-order effects are small.`
}

/** The same for the caption of the Figure; nothing where second order adds little. */
export const warningOf = (factor: number | null): string | undefined =>
  factor === null || factor >= LITTLE
    ? undefined
    : factor <= 1
      ? `Buckles at ${formatNumber(factor)} times these loads.`
      : `Second-order effects matter: it buckles at ${formatNumber(factor)} times these loads.`
