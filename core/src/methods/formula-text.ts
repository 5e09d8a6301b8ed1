import { formatNumber } from '../quantity/format.js'
import { shown } from './shown.js'
import { letters, type Formula, type Letter, type LetterName } from './expression.js'

/** A formula is written with its letters, or with the numbers they stand for put in. */
export type Written = 'letters' | 'numbers'

/** How tightly a part holds together: what is looser than its place needs brackets. */
export const bond = (f: Formula, written: Written): number => {
  switch (f.t) {
    case 'sum':
      return 1
    case 'minus':
      return 1.5
    case 'number':
      return f.value < 0 ? 1.5 : 4
    case 'letter':
      return written === 'numbers' && (f.value < 0 || formatNumber(f.value).includes('·')) ? 1.5 : 4
    case 'product':
    case 'quotient':
    case 'integral':
      return 2
    case 'power':
      return 3
    default:
      return 4
  }
}

const SUBSCRIPTS: Record<string, string> = {
  '0': '₀',
  '1': '₁',
  '2': '₂',
  '3': '₃',
  '4': '₄',
  '5': '₅',
  '6': '₆',
  '7': '₇',
  '8': '₈',
  '9': '₉',
  ',': ',',
}
const SUPERSCRIPTS: Record<number, string> = { 2: '²', 3: '³', 4: '⁴' }

/** A symbol in a line of text: k₂₃, D₄, Lₓ as L_x. */
export const symbolText = ({ letter, sub }: LetterName): string =>
  letter +
  (sub === undefined ? '' : /^[\d,]+$/.test(sub) ? [...sub].map((d) => SUBSCRIPTS[d]).join('') : `_${sub}`)

/** Whether a function is that of an angle which a letter stands for; the angle is written in degrees. */
export const isAngle = (f: Extract<Formula, { t: 'function' }>): f is typeof f & { of: Letter } =>
  (f.name === 'cos' || f.name === 'sin') && f.of.t === 'letter'

/** An angle (rad) in degrees, as it is put into a formula. */
export const degrees = ({ value }: Letter): string =>
  `${shown((value * 180) / Math.PI, { figures: COUNTS })}°`

/**
 * True where a formula says nothing in letters: they only repeat the name of its number, as in EA = E·A, or
 * it has none, so that it would stand there twice. The letters are then left out.
 */
export function repeatsName(symbol: LetterName, f: Formula): boolean {
  const bare = (text: string) => text.replace(/[\s·]/g, '')
  if (letters(f).length === 0) return true
  return symbol.formula !== undefined || bare(formulaText(f)) === bare(symbolText(symbol))
}

/** Significant figures of what is a number of the formula itself, a 12 or a factor of load. */
export const COUNTS = 6

/** A formula as a line of text, as in "12·EI/L³" or, with the numbers put in, "12·8 400/6³". */
export function formulaText(
  f: Formula,
  written: Written = 'letters',
  name: (l: Letter) => string = (l) => symbolText(l.symbol),
): string {
  const inner = (g: Formula, needs: number): string => {
    const text = formulaText(g, written, name)
    return bond(g, written) < needs ? `(${text})` : text
  }
  switch (f.t) {
    case 'number':
      return shown(f.value, { figures: COUNTS })
    case 'letter':
      return written === 'letters' ? name(f) : shown(f.value, { figures: 5 })
    case 'place':
      return 'x'
    case 'sum':
      return f.terms
        .map((t, i) =>
          t.t === 'minus'
            ? `${i ? ' − ' : '−'}${inner(t.of, 2)}`
            : `${i ? ' + ' : ''}${inner(t, i ? 2 : 1.2)}`,
        )
        .join('')
    case 'product':
      return f.factors.map((g) => inner(g, 2)).join('·')
    case 'quotient':
      return `${inner(f.over, 2)}/${inner(f.under, 3)}`
    case 'power':
      return `${inner(f.base, 4)}${SUPERSCRIPTS[f.exponent] ?? `^${f.exponent}`}`
    case 'minus':
      return `−${inner(f.of, 2)}`
    case 'root':
      return `√(${formulaText(f.of, written, name)})`
    case 'absolute':
      return `|${formulaText(f.of, written, name)}|`
    case 'function':
      return `${f.name} ${written === 'numbers' && isAngle(f) ? degrees(f.of) : inner(f.of, 4)}`
    case 'integral':
      return (
        `∫[${formulaText(f.from, written, name)} … ${formulaText(f.to, written, name)}] ` +
        `${inner(f.of, 2)} dx`
      )
  }
}
