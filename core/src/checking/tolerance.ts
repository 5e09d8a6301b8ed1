import type { Dimension } from '../quantity/dimension.js'
import type { QuantityReader } from '../quantity/reader.js'
import type { Answer } from '../document/types.js'

/** A hand answer agrees when it is this near (relative), unless it says otherwise. */
export const DEFAULT_TOLERANCE = 0.01

/** The tolerance of half a unit of the last digit given. */
const BY_DIGITS = 'digits'

const PERCENT = /^\s*(\d+\.?\d*|\.\d+)\s*%\s*$/
/** One number with its unit: sign, whole part, decimals, exponent, unit. */
const ONE_NUMBER = /^\s*[-+−]?(\d*)(?:\.(\d*))?(?:[eE]([-+]?\d+))?(\s*[^\d.,+*/()-].*)?$/

/**
 * By how much a hand value may differ from the computed one, SI; or what is wrong with the tolerance.
 * @param computed the computed value, SI
 */
export function allowedDifference(
  a: Pick<Answer, 'value' | 'tolerance'>,
  dimension: Dimension,
  reader: QuantityReader,
  computed: number,
): number | { message: string } {
  const { tolerance } = a
  if (tolerance === undefined) return DEFAULT_TOLERANCE * Math.abs(computed)
  if (tolerance === BY_DIGITS)
    return halfOfLastDigit(a.value, dimension, reader) ?? DEFAULT_TOLERANCE * Math.abs(computed)
  const percent = typeof tolerance === 'string' ? PERCENT.exec(tolerance) : null
  if (percent) return (Number(percent[1]) / 100) * Math.abs(computed)
  const absolute = reader.read(tolerance, dimension)
  if (!absolute.ok) return { message: absolute.message }
  return absolute.si < 0 ? { message: 'A tolerance cannot be negative.' } : absolute.si
}

/**
 * Half a unit of the last digit of a value that is one number, SI: 0.05 kN for "18.2 kN". Undefined for a
 * value that is computed from several numbers or symbols, whose digits tell nothing.
 */
export function halfOfLastDigit(
  value: number | string,
  dimension: Dimension,
  reader: QuantityReader,
): number | undefined {
  const it = ONE_NUMBER.exec(String(value))
  if (!it || (it[1] === '' && !it[2])) return undefined
  const [, , decimals = '', exponent = '0', unit = ''] = it
  const half = `0.5e${Number(exponent) - decimals.length}`
  const read = reader.read(unit.trim() === '' ? Number(half) : `${half}${unit}`, dimension)
  return read.ok ? Math.abs(read.si) : undefined
}

/** The significant digits of a value that is one number: 4 for "40.80 kN*m", trailing zeros included. */
export function digitsOf(value: number | string): number | undefined {
  const it = ONE_NUMBER.exec(String(value))
  if (!it || (it[1] === '' && !it[2])) return undefined
  const digits = `${it[1]}${it[2] ?? ''}`.replace(/^0+/, '')
  return digits.length
}

/** A difference below this fraction of the value is rounding. */
const ROUNDING = 1e-9

/** |given − value| as a fraction of |value|, 0 where rounding makes the difference; null where value is 0. */
function apartOf(given: number, value: number): number | null {
  if (value === 0) return null
  const apart = Math.abs(given - value) / Math.abs(value)
  return apart < ROUNDING ? 0 : apart
}

/**
 * Whether a hand value agrees with a computed one, both SI, and how far they are apart; or why that cannot be
 * told.
 * @param stated the value and the tolerance as they are stated
 */
export function judgeNumber(
  stated: Pick<Answer, 'value' | 'tolerance'>,
  given: number,
  computed: number,
  dimension: Dimension,
  reader: QuantityReader,
): { agrees: boolean; apart: number | null; allowed: number } | { reason: string } {
  const allowed = allowedDifference(stated, dimension, reader, computed)
  if (typeof allowed === 'object') return { reason: `The tolerance is not understood: ${allowed.message}` }
  const agrees = Math.abs(given - computed) <= allowed * (1 + 1e-9) + Number.MIN_VALUE
  return { agrees, apart: apartOf(given, computed), allowed }
}
