import { formatNumber, formatPlain } from '../quantity/format.js'
import { USUAL_READING, type Reading } from './stiffness/reading.js'

/** Beside numbers of this many times its size, a number is left by rounding alone. */
const ROUNDING = 1e-11

/** This near to a whole number, a number is one. */
const WHOLE = 1e-12

/** A matrix has entries of several dimensions, which may truly be as far apart as this. */
const ROUNDING_OF_ENTRIES = 1e-12

/** Whether a number differs from 0 by rounding alone, beside others the largest of which is `most`. */
export const isRounding = (value: number, most: number): boolean => Math.abs(value) <= ROUNDING * most

/** The same for an entry of a matrix, the largest entry of which is `most`. */
export const isZeroEntry = (value: number, most: number): boolean =>
  Math.abs(value) <= ROUNDING_OF_ENTRIES * most

/**
 * The one gate through which every number of a working passes before a page, a print or a text shows it.
 * @param most the largest of the numbers it is made of or stands among, beside which rounding is 0
 */
export const shown = (value: number, { figures }: Pick<Reading, 'figures'>, most = 0): string =>
  isRounding(value, most) ? '0' : formatPlain(value, figures)

/**
 * The same for an entry of a matrix over a power of ten: columns stay narrow by their decimals, which follow
 * the figures asked for.
 */
export function shownEntry(
  value: number,
  power: number,
  { figures }: Pick<Reading, 'figures'>,
  most = 0,
): string {
  if (isZeroEntry(value, most)) return '0'
  if (power === 0 && Math.abs(value) < 1000 && Math.abs(value - Math.round(value)) <= WHOLE * Math.abs(value))
    return formatPlain(Math.round(value))
  return figures === USUAL_READING.figures
    ? formatNumber(value / 10 ** power, { decimals: 3 })
    : formatPlain(value / 10 ** power, figures)
}
