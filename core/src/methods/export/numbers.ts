import { formatPlain, superscript } from '../../quantity/format.js'
import { number, type Formula } from '../expression.js'
import { formulaText, symbolText } from '../formula-text.js'
import type { Ledger } from '../ledger.js'
import { readingOf, type Reading } from '../reading.js'
import { isRounding, shownEntry } from '../shown.js'
import type { MatrixBlock, PolynomialBlock } from '../blocks.js'

/** A matrix wider than this is printed in parts, with labelled columns. */
export const WIDE = 12
/** One larger than this is not printed: it is given as a file. */
export const LARGEST = 48

/** A common power of ten taken out of a block of numbers, so that columns stay narrow: 0, 3, 6 or −3 … */
export function commonPower(values: readonly (readonly number[])[]): number {
  let most = 0
  for (const row of values) for (const v of row) most = Math.max(most, Math.abs(v))
  if (most === 0) return 0
  const e = Math.floor(Math.log10(most))
  return e >= 5 ? 3 * Math.floor((e - 2) / 3) : e < -2 ? 3 * Math.floor(e / 3) : 0
}

/** "10³ × kN, m, rad", or the units alone. */
export const powerWords = (power: number, units: string): string =>
  power === 0 ? units : `10${superscript(power)}${units ? ` × ${units}` : ''}`

/**
 * A matrix as numbers to be printed: its values over a common power of ten, what is 0 but for rounding as 0.
 */
export interface PrintedMatrix {
  power: number
  cells: string[][]
  rows: string[]
  columns: string[]
}

/**
 * The power of ten taken out of a matrix: none of a transformation, none where a factor is taken out already,
 * nor where forces beside stiffnesses would lose their figures.
 */
export function powerOf(
  b: MatrixBlock,
  values: readonly (readonly number[])[],
  { power }: Pick<Reading, 'power'>,
): number {
  const augmented = b.columns.length > b.rows.length && 'words' in b.columns[b.columns.length - 1]
  return !power || b.letter === 'T' || b.factor !== undefined || augmented ? 0 : commonPower(values)
}

export function printedMatrix(book: Ledger, b: MatrixBlock): PrintedMatrix {
  const values = b.rows.map((_, i) => b.columns.map((_, j) => book.entry(b.at(i, j))?.value ?? 0))
  const reading = readingOf(book.context.problem)
  const power = powerOf(b, values, reading)
  const most = Math.max(0, ...values.flatMap((r) => r.map(Math.abs)))
  const label = (m: MatrixBlock['rows'][number]) => ('unknown' in m ? String(m.unknown.number) : m.words)
  return {
    power,
    cells: values.map((r) => r.map((v) => shownEntry(v, power, reading, most))),
    rows: b.rows.map(label),
    columns: b.columns.map(label),
  }
}

/**
 * A matrix in letters: its formulas, or the member whose matrix reads the same and was written out before.
 */
export type Spelled = { formulas: Formula[][] } | { like: string }

/**
 * Tells what is written in letters of each matrix of a working, in the order they are printed; undefined of
 * one that has none.
 */
export function speller(book: Ledger): (b: MatrixBlock, within?: string) => Spelled | undefined {
  const before = new Map<string, string>()
  return (b, within = '') => {
    if (!b.letters) return undefined
    const of = (address: string): Formula => {
      const { origin, value } = book.origin(address)
      return origin.kind === 'formula' ? origin.formula : number(value)
    }
    const formulas = b.rows.map((_, i) => b.columns.map((__, j) => of((b.lettersAt ?? b.at)(i, j))))
    const form = [
      b.letter,
      b.factor && symbolText(book.entry(b.factor)!.symbol),
      ...formulas.map((r) => r.map((f) => formulaText(f)).join('&')),
    ].join(';')
    const like = before.get(form)
    if (like !== undefined) return { like }
    before.set(form, within)
    return { formulas }
  }
}

/** Ranges of columns that are printed side by side. */
export function parts(columns: number): [number, number][] {
  const n = Math.ceil(columns / WIDE)
  const each = Math.ceil(columns / n)
  return Array.from({ length: n }, (_, k) => [k * each, Math.min(columns, (k + 1) * each)])
}

/** The terms of a polynomial that are more than rounding: power and coefficient. */
export function polynomialTerms(book: Ledger, b: PolynomialBlock): { power: number; value: number }[] {
  const h = b.to - b.from
  const values = b.coefficients.map((a) => book.entry(a)?.value ?? 0)
  const most = Math.max(...values.map((v, p) => Math.abs(v) * h ** p))
  return values
    .map((value, power) => ({ power, value }))
    .filter(({ value, power }) => !isRounding(value * h ** power, most))
}

/** The reach of a stretch: "t = x − 2 m, up to x = 5 m". */
export const reach = (b: PolynomialBlock, unit: string): string =>
  `${b.from === 0 ? 't = x' : `t = x − ${formatPlain(b.from, 5)} ${unit}`}, up to x = ` +
  `${formatPlain(b.to, 5)} ${unit}`
