/**
 * How numbers are written in cells that come from elsewhere: with a point or a comma as the decimal sign, and
 * with the other one between thousands. One style holds for a whole block of cells.
 */
export type NumberStyle = 'point' | 'comma'

/** A number with signs between its digits, and whatever stands behind it: `1.234,5 kN`, `12,000`, `-0,25`. */
const SIGNED_NUMBER = /^([-+−]?)(\d[\d.,]*\d|\d)(?![\d.,])(.*)$/u

const THOUSANDS = {
  point: /^[1-9]\d{0,2}(?:,\d{3})+(?:\.\d+)?$/,
  comma: /^[1-9]\d{0,2}(?:\.\d{3})+(?:,\d+)?$/,
}
const PLAIN = { point: /^\d+(?:\.\d+)?$/, comma: /^\d+(?:,\d+)?$/ }

const fits = (digits: string, style: NumberStyle) =>
  PLAIN[style].test(digits) || THOUSANDS[style].test(digits)

/** What a cell says of the style it is written in; undefined where it fits both, or neither. */
function styleOf(cell: string): NumberStyle | undefined {
  const digits = SIGNED_NUMBER.exec(cell.trim())?.[2]
  if (digits === undefined) return undefined
  const [point, comma] = [fits(digits, 'point'), fits(digits, 'comma')]
  return point === comma ? undefined : point ? 'point' : 'comma'
}

/**
 * The style of a block of cells: that of the cells which say one, where they agree. A block whose commas all
 * could part thousands, such as `12,000`, is in the style with a point.
 */
export function numberStyle(cells: readonly string[]): NumberStyle {
  const said = new Set(cells.map(styleOf).filter((s) => s !== undefined))
  return said.size === 1 && said.has('comma') ? 'comma' : 'point'
}

/** A cell with its number as expressions have it: a point as decimal sign, thousands not parted. */
export function withPoint(cell: string, style: NumberStyle): string {
  const found = SIGNED_NUMBER.exec(cell.trim())
  if (!found || !fits(found[2], style)) return cell
  const [, sign, digits, rest] = found
  const written = style === 'comma' ? digits.replace(/\./g, '').replace(',', '.') : digits.replace(/,/g, '')
  return sign + written + rest
}

/** What was decided of the commas of a block, as a sentence; undefined where there was nothing to decide. */
export function styleWords(cells: readonly string[], style: NumberStyle): string | undefined {
  const changed = cells.some((c) => withPoint(c, style) !== c)
  if (!changed) return undefined
  return style === 'comma'
    ? 'Commas were read as decimal signs.'
    : 'Commas were read as signs between thousands.'
}

/** The unit that the head of a column names: `x (mm)`, `x, mm`, `x [mm]`, `x / mm`. */
export const unitOfHead = (head: string): string | undefined =>
  (/^[^([]*[([]\s*([^()[\]]+?)\s*[)\]]\s*$/.exec(head) ??
    /^[\p{L}\s_]+?\s*[,/]\s*([\p{L}°µ].*)$/u.exec(head))?.[1]

/** A plain number of a column with the unit of its head; any other text says its unit itself. */
export const withHeadUnit = (cell: string, unit: string | undefined): string =>
  unit !== undefined && /^[-+−]?[\d.\s\u2009\u202f\u00a0]+$/.test(cell) ? `${cell} ${unit}` : cell
