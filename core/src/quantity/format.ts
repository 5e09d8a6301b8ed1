const THIN = '\u2009'
const MINUS = '−'

export interface FormatOptions {
  /** Significant figures; four unless said otherwise. */
  figures?: number
  /**
   * Limit on the decimals, for narrow columns. A number that would show as 0 keeps its significant figures
   * instead.
   */
  decimals?: number
}

/**
 * A number as a book prints it: four significant figures, true minus, thin space in thousands, and powers of
 * a thousand outside 10⁻³ … 10⁶, as engineers count. Only a true zero is written `0`. Examples: 1234.56 → "1
 * 235", −0.0051234 → "−0.005123", 3.2e-7 → "320·10⁻⁹", 0 → "0".
 */
export function formatNumber(value: number, options: FormatOptions = {}): string {
  const figures = options.figures ?? 4
  if (value === 0) return '0'
  if (!Number.isFinite(value)) return Number.isNaN(value) ? '–' : value > 0 ? '∞' : `${MINUS}∞`
  const size = Math.abs(Number(value.toPrecision(figures)))
  const sign = value < 0 ? MINUS : ''
  const exponent = Math.floor(Math.log10(size) + 1e-12)
  if (exponent < -3 || exponent >= Math.max(6, figures)) return sign + powerOfTen(size, exponent, figures)
  let decimals = Math.max(0, figures - 1 - exponent)
  if (options.decimals !== undefined && options.decimals < decimals && size >= 10 ** -options.decimals)
    decimals = options.decimals
  return sign + group(size.toFixed(Math.min(decimals, 12)))
}

/** Like formatNumber, with trailing zeros of the decimals removed: for dimensions and given values. */
export function formatPlain(value: number, figures = 6): string {
  const text = formatNumber(value, { figures })
  return text.includes('·') || !text.includes('.') ? text : text.replace(/\.?0+$/, '')
}

/** Mantissa from 1 to 1000, exponent a multiple of three. */
function powerOfTen(size: number, exponent: number, figures: number): string {
  const three = 3 * Math.floor(exponent / 3)
  const decimals = Math.max(0, figures - 1 - (exponent - three))
  // digits from the decimal form of the number itself: dividing by 10ⁿ would round twice
  const mantissa = Number(
    `${size}e${-three}`.replace(/e([+-]?\d+)e([+-]?\d+)/, (_, a, b) => `e${Number(a) + Number(b)}`),
  ).toFixed(decimals)
  return `${mantissa.includes('.') ? mantissa.replace(/\.?0+$/, '') : mantissa}·10${superscript(three)}`
}

function group(digits: string): string {
  const [whole, fraction] = digits.split('.')
  const grouped = whole.length > 3 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN) : whole
  return fraction ? `${grouped}.${fraction}` : grouped
}

/** 12 → "¹²", −3 → "⁻³". */
export function superscript(n: number): string {
  return String(n).replace(/[-\d]/g, (c) => (c === '-' ? '⁻' : '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(c)]))
}
