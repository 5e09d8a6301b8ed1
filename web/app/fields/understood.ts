import {
  ExpressionError,
  coherentUnitName,
  dimension as dimensions,
  formatPlain,
  siPerCoherent,
  symbolsNamed,
  type Dimension,
  type Quantity,
  type QuantityResult,
} from '@viga/core'

/** One number with its unit: 160 mm, 4.1 in^2, 12 kip*ft, 6.5e-6/degF. */
const SAYS_ITSELF = /^\s*[-−]?[\d.]+(e[-+]?\d+)?\s*[/a-zA-Zµ°][a-zA-Z0-9^*/·²³⁴µ°-]*\s*$/

const usesSymbol = (text: string, symbols: Record<string, Quantity> = {}) =>
  symbolsNamed(text, (name) => Object.hasOwn(symbols, name)).length > 0

const IMPERIAL = /(?<![a-zA-Z])(?:in|ft|lbf|kip|psi|ksi|psf|pcf|plf|klf)(?![a-zA-Z])/
/** Lengths, forces, moments and loads per length are answered in the problem's own unit. */
const MEASURED = [dimensions.length, dimensions.force, dimensions.moment, dimensions.forcePerLength]

/**
 * Whether a number with a unit needs no answer: it is in the problem's own unit, or, where it is a property
 * such as a modulus or an area, in another unit of the same system.
 */
function saysOwnUnit(text: string, units: { length: string; force: string }, d: Dimension): boolean {
  const unit = text.replace(/^[-−\s\d.]+(?:e[-+]?\d+)?/i, '').trim()
  const plain = (u: string) =>
    u
      .replace(/\s|\*|·/g, '')
      .replace(/²/g, '^2')
      .replace(/³/g, '^3')
      .replace(/⁴/g, '^4')
  if (plain(unit) === plain(coherentUnitName(units, d))) return true
  const [mass, length] = d
  if (mass === 0 && length === 0) return true
  const same = IMPERIAL.test(unit) === IMPERIAL.test(`${units.length} ${units.force}`)
  return same && !MEASURED.some((o) => dimensions.equal(o, d))
}

/** A place in percent of a length. */
export const PERCENT = /^\s*[-+]?[\d.]+\s*%\s*$/

interface Asked {
  dimension: Dimension
  units: { length: string; force: string }
  symbols: Record<string, Quantity> | undefined
  /** The unit is shown beside a plain number. */
  unit?: boolean
  percent?: boolean
}

/**
 * What a text was understood as, where it does not say so itself: `160 mm` in a problem in metres is answered
 * with `0.16 m`, and `16/2` with `8 m`.
 * @param read reads the text as a quantity; it may throw an `ExpressionError`
 * @returns the answer, empty where the text needs none or cannot be read
 */
export function understoodOf(text: string, read: (text: string) => QuantityResult, asked: Asked): string {
  const { dimension, units, symbols, unit, percent } = asked
  if (text.trim() === '' || (percent && PERCENT.test(text))) return ''
  try {
    const r = read(text)
    if (!r.ok) return ''
    const name = coherentUnitName(units, dimension)
    const plain = /^\s*-?[\d.]+\s*$/.test(text)
    if (plain) return unit ? name : ''
    // "6 kN" says itself; anything else is answered with its value
    if (SAYS_ITSELF.test(text) && !usesSymbol(text, symbols) && saysOwnUnit(text, units, dimension)) return ''
    if (name === 'rad') return `${formatPlain((r.si * 180) / Math.PI, 4)}°`
    const value = formatPlain(r.si / siPerCoherent(units, dimension), 5)
    // one klf is one kip/ft: the number says itself
    if (SAYS_ITSELF.test(text) && text.trim().startsWith(`${value} `)) return ''
    return `${value} ${name}`.trim()
  } catch (error) {
    if (error instanceof ExpressionError) return ''
    throw error
  }
}
