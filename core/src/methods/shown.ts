import { formatNumber, formatPlain } from '../quantity/format.js'
import { USUAL_READING, type Reading } from './reading.js'

/**
 * Relative tolerance: a number is rounding error when it is this many times smaller than the largest number
 * it is compared with.
 */
const ROUNDING = 1e-11

/** A number closer than this to an integer is shown as that integer. */
const WHOLE = 1e-12

/**
 * The same ratio for matrices, whose entries have several dimensions and therefore may differ more in size.
 */
const ROUNDING_OF_ENTRIES = 1e-12

/** Whether a number is rounding error compared with others, the largest of which is `most`. */
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
