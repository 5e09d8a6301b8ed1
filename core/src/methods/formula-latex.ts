import type { Formula, Letter, LetterName } from './expression.js'
import { shown } from './shown.js'
import { bond, COUNTS, degrees, isAngle, type Written } from './formula-text.js'

const GREEK: Record<string, string> = {
  Δ: '\\Delta ',
  Σ: '\\Sigma ',
  Φ: '\\Phi ',
  θ: '\\theta ',
  α: '\\alpha ',
  δ: '\\delta ',
  γ: '\\gamma ',
}
const SUPER = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** A formatted number as LaTeX: true minus, thin spaces and powers of ten. */
export const numberLatex = (formatted: string): string =>
  formatted
    .replace(/−/g, '-')
    .replace(/\u2009/g, '\\,')
    .replace(
      /·10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)/g,
      (_, e: string) =>
        `\\cdot 10^{${[...e].map((c) => (c === '⁻' ? '-' : String(SUPER.indexOf(c)))).join('')}}`,
    )

/** Words inside mathematics: a person's label is never a command. */
export const wordsLatex = (label: string): string =>
  `\\text{${label.replace(/[\\{}$&#^_~%]/g, (c) => ('_&%#$'.includes(c) ? `\\${c}` : ''))}}`

/**
 * A symbol with its index, and what it belongs to above it, k_{23}^{AB}, unless that is what is spoken of
 * (`within`).
 */
export function symbolLatex({ letter, sub, of, formula }: LetterName, within?: string): string {
  if (formula) return formulaLatex(formula, 'letters', within)
  const primes = (letter.match(/′/g) ?? []).length
  const raised = /⁽([⁰¹²³⁴⁵⁶⁷⁸⁹]+)⁾/.exec(letter)
  const bare = letter.replace(/[′°ʲ\u0304\u0302]/g, '').replace(/⁽.*⁾/, '')
  const base =
    bare === 'cos θ' || bare === 'sin θ'
      ? `\\${bare.slice(0, 3)}\\theta `
      : bare.length > 2 && /^[a-z]{3,}/.test(bare)
        ? wordsLatex(bare)
        : [...bare].map((c) => GREEK[c] ?? c).join('')
  const up = [
    letter.includes('°') ? '\\circ' : '',
    letter.includes('ʲ') ? '\\mathrm{j}' : '',
    raised ? `(${[...raised[1]].map((c) => SUPER.indexOf(c)).join('')})` : '',
    '\\prime '.repeat(primes),
    of !== undefined && of !== within ? wordsLatex(of) : '',
  ]
    .filter(Boolean)
    .join('\\,')
  const core = letter.includes('\u0304')
    ? `\\bar{${base}}`
    : letter.includes('\u0302')
      ? `\\hat{${base}}`
      : base
  const below = sub === undefined ? '' : `_{${/^[\d,]+$/.test(sub) ? sub : wordsLatex(sub)}}`
  return `${core}${below}${up ? `^{${up}}` : ''}`
}

/** A short product in a sum is not broken over two lines: a sum breaks before its terms. */
const kept = (term: string) => (term.length < 70 && term.includes('\\cdot ') ? `{${term}}` : term)

const degreesLatex = (angle: Letter) => degrees(angle).replace('°', '^{\\circ}')

/** A formula as LaTeX, with its letters or with the numbers put in. */
export function formulaLatex(f: Formula, written: Written = 'letters', within?: string, figures = 5): string {
  const whole = (g: Formula): string => formulaLatex(g, written, within, figures)
  const inner = (g: Formula, needs: number): string => {
    const text = whole(g)
    return bond(g, written) < needs ? `\\left(${text}\\right)` : text
  }
  switch (f.t) {
    case 'number':
      return numberLatex(shown(f.value, { figures: COUNTS }))
    case 'letter':
      return written === 'letters' ? symbolLatex(f.symbol, within) : numberLatex(shown(f.value, { figures }))
    case 'place':
      return 'x'
    case 'sum':
      return f.terms
        .map((t, i) =>
          t.t === 'minus' ? `-${kept(inner(t.of, 2))}` : `${i ? '+' : ''}${kept(inner(t, i ? 2 : 1.2))}`,
        )
        .join('')
    case 'product':
      return f.factors.map((g) => inner(g, 2)).join(written === 'letters' ? '\\,' : '\\cdot ')
    case 'quotient':
      return `\\frac{${whole(f.over)}}{${whole(f.under)}}`
    case 'power':
      return `{${inner(f.base, 4)}}^{${f.exponent}}`
    case 'minus':
      return `-${inner(f.of, 2)}`
    case 'root':
      return `\\sqrt{${whole(f.of)}}`
    case 'absolute':
      return `\\left|${whole(f.of)}\\right|`
    case 'function':
      return `\\${f.name} ${written === 'numbers' && isAngle(f) ? degreesLatex(f.of) : inner(f.of, 4)}`
    case 'integral':
      return `\\int_{${whole(f.from)}}^{${whole(f.to)}}${inner(f.of, 2)}\\,dx`
  }
}
