import * as D from '../quantity/dimension.js'
import { symbolsNamed } from '../quantity/products.js'
import { makeReader } from '../quantity/reader.js'
import type { Problem, Quantity } from './types.js'

/** How values that are stated in symbols stand on the figure: their numbers, their letters, or both. */
export const LETTER_CHOICES = ['numbers', 'letters', 'both'] as const
export type LetterChoice = (typeof LETTER_CHOICES)[number]

/** The choice that a problem keeps in its view; numbers where it keeps none. */
export const lettersOf = (p: Pick<Problem, 'view'>): LetterChoice =>
  LETTER_CHOICES.find((c) => c === p.view?.letters) ?? 'numbers'

/** The symbols that a stated quantity names; none for a number. */
export function symbolsIn(p: Pick<Problem, 'symbols'>, raw: Quantity | undefined): string[] {
  const symbols = p.symbols ?? {}
  return typeof raw === 'string' ? symbolsNamed(raw, (name) => Object.hasOwn(symbols, name)) : []
}

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/**
 * A stated quantity as a figure prints it, without its sign: `-2*P` is `2P`, `w*L^2/8` is `wL²/8`. Undefined
 * for a quantity that names no symbol, or one of several terms.
 */
export function inLetters(p: Pick<Problem, 'symbols'>, raw: Quantity | undefined): string | undefined {
  if (symbolsIn(p, raw).length === 0) return undefined
  const bare = String(raw)
    .trim()
    .replace(/^-\s*/, '')
    .replace(/^\((.*)\)$/s, (whole, inner: string) => (/[()]/.test(inner) ? whole : inner))
    .replace(/^-\s*/, '')
  if (/[+−-]/.test(bare)) return undefined
  return bare
    .replace(/\s*[*·]\s*/g, '')
    .replace(/\s*\/\s*/g, '/')
    .replace(/\^(\d)(?!\d)/g, (_, digit: string) => RAISED[Number(digit)])
}

/** Ratios of a length to a symbol that a figure writes, smallest numbers first: L, 2L, L/2, 3L/2 … */
const RATIOS = [1, 2, 3, 4, 5, 6, 8].flatMap((below) =>
  Array.from({ length: 12 }, (_, i): [number, number] => [i + 1, below]),
)
const commonDivisor = (a: number, b: number): number => (b === 0 ? a : commonDivisor(b, a % b))

/**
 * A function from a length (m) to a multiple of a symbol: 3 m is `L/2` where L is 6 m. It returns undefined
 * for a length that is no simple multiple of any of the symbols.
 */
export function lengthsInLetters(
  p: Pick<Problem, 'units' | 'symbols'>,
  names: readonly string[],
): (si: number) => string | undefined {
  const { reader } = makeReader(p.units, p.symbols)
  const lengths = names.flatMap((name) => {
    const read = reader.read(name, D.length)
    return read.ok && read.si > 0 ? [{ name, si: read.si }] : []
  })
  return (si) => {
    for (const [above, below] of RATIOS) {
      if (commonDivisor(above, below) > 1) continue
      const found = lengths.find((l) => Math.abs((above * l.si) / below - si) <= 1e-9 * si)
      if (found) return `${above === 1 ? '' : above}${found.name}${below === 1 ? '' : `/${below}`}`
    }
    return undefined
  }
}
