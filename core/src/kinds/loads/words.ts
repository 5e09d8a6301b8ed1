import * as D from '../../quantity/dimension.js'
import type { Dimension } from '../../quantity/dimension.js'
import { coherentUnitName, type ProblemUnits } from '../../quantity/units.js'
import { endAt, shareOf } from '../../document/ends.js'
import { magnitude } from '../../document/sign.js'
import type { Quantity } from '../../document/types.js'

/** An amount as typed, without its sign and with the problem's unit where it states none: "60 kN". */
export function amountInWords(q: Quantity, d: Dimension, units: ProblemUnits): string {
  const { amount } = magnitude(q)
  const plain = typeof amount === 'number' || /^[\d.\s]+$/.test(amount)
  return plain ? `${amount} ${coherentUnitName(units, d)}` : amount
}

/** A place on a member: "at the middle of BC", "at 2 m on BC". */
export function placeInWords(at: Quantity, member: string, units: ProblemUnits): string {
  const share = shareOf(at)
  if (share === 0.5) return `at the middle of ${member}`
  const end = share === undefined ? undefined : endAt(share, 1)
  if (end) return `at the ${end} of ${member}`
  const text = typeof at === 'string' && at.trim().endsWith('%') ? at : amountInWords(at, D.length, units)
  return `at ${text} on ${member}`
}
