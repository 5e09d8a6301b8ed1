import { formulaLatex, numberLatex, symbolLatex, wordsLatex } from '../formula-latex.js'
import { number, over, times, type Formula } from '../expression.js'
import { repeatsName } from '../formula-text.js'
import type { Ledger } from '../ledger.js'
import type { EquationBlock, MatrixBlock, PolynomialBlock, Step, TableBlock } from '../blocks.js'
import { stepsOf } from '../ledger.js'
import { readingOf } from '../reading.js'
import { shown } from '../shown.js'
import { visitCell, visitPassage, type BlockVisitor, type CellVisitor } from '../visit.js'
import { LARGEST, parts, polynomialTerms, printedMatrix, reach, speller } from './numbers.js'

const value = (book: Ledger, v: number) => numberLatex(shown(v, readingOf(book.context.problem)))
const unitLatex = (unit: string) => (unit ? `\\;${wordsLatex(unit)}` : '')

/** A fraction whose numerator is wider than a line, as a product that can be broken between its terms. */
const breakable = (f: Formula): Formula =>
  f.t === 'quotient' && formulaLatex(f.over, 'numbers').length > 170
    ? times(over(number(1), f.under), f.over)
    : f

/** A number with its formula as mathematics: letter, formula, numbers put in, result. */
export function lineLatex(book: Ledger, at: string, within?: string): { math: string; words?: string } {
  const { symbol, value: v, unit, origin } = book.origin(at)
  const result = `${value(book, v)}${unitLatex(unit)}`
  const name = symbolLatex(symbol, within)
  if (origin.kind !== 'formula') return { math: `${name}=${result}`, words: origin.words }
  const { formula: f } = origin
  if (f.t === 'number') return { math: `${name}=${result}` }
  const { figures } = readingOf(book.context.problem)
  const letters = repeatsName(symbol, f) ? [] : [formulaLatex(f, 'letters', within)]
  const numbers = f.t === 'letter' ? [] : [formulaLatex(breakable(f), 'numbers', undefined, figures)]
  return { math: [name, ...letters, ...numbers, result].join('=') }
}

/** A matrix as mathematics, in parts where it is wide; the numbers on its margins beside it. */
export function matrixLatex(book: Ledger, b: MatrixBlock, within?: string): string[] {
  const m = printedMatrix(book, b)
  const letter = b.letter
    .replace('°', '^{\\circ}')
    .replace(/_(\w+)/, '_{\\text{$1}}')
    .replace('|', '\\,|\\,')
  const factor = b.factor === undefined ? '' : symbolLatex(book.entry(b.factor)!.symbol, within)
  const power = `${factor}${m.power === 0 ? '' : `${factor ? '\\cdot ' : ''}10^{${m.power}}`}`
  return parts(m.columns.length).map(([from, to]) => {
    const columns = m.columns.slice(from, to)
    const head = `&${columns.map((c) => `\\scriptstyle ${wordsLatex(c)}`).join('&')}`
    const body = m.cells.map(
      (r, i) => `\\scriptstyle ${wordsLatex(m.rows[i])}&${r.slice(from, to).map(numberLatex).join('&')}`,
    )
    return (
      `${letter}=${power}\\begin{array}{r|${'r'.repeat(columns.length)}|}${head}\\\\\\hline ` +
      `${body.join('\\\\')}\\end{array}`
    )
  })
}

/** A matrix in letters as mathematics, its factor before it. */
export const spelledLatex = (
  book: Ledger,
  b: MatrixBlock,
  formulas: Formula[][],
  within?: string,
): string => {
  const factor = b.factor === undefined ? '' : symbolLatex(book.entry(b.factor)!.symbol, within)
  const rows = formulas.map((r) => r.map((f) => formulaLatex(f, 'letters', within)).join('&'))
  return (
    `${b.letter.replace('°', '^{\\circ}')}=${factor}` +
    `\\begin{bmatrix}${rows.join('\\\\[3pt]')}\\end{bmatrix}`
  )
}

/** An equation of matrices as mathematics. */
export const equationLatex = ({ left, right }: EquationBlock): string =>
  `${formulaLatex(left)}=${formulaLatex(right)}`

export function polynomialLatex(book: Ledger, b: PolynomialBlock): string {
  const terms = polynomialTerms(book, b)
  const unit = book.entry(b.coefficients[0])?.unit ?? ''
  const variable = (power: number) => (power === 0 ? '' : `\\,t${power > 1 ? `^{${power}}` : ''}`)
  const sum = terms
    .map(
      ({ value: v, power }, i) =>
        `${v < 0 ? '-' : i > 0 ? '+' : ''}${value(book, Math.abs(v))}${variable(power)}`,
    )
    .join('')
  return `${b.force}(t)=${sum || '0'}${unitLatex(unit)}`
}

/** What is longer than this, as LaTeX, may have to be broken over lines. */
const LONG = 150

/** A formula on a line of its own, or over several where it is long. */
const displayed = (math: string): string =>
  math.length > LONG ? `\\begin{dmath*}${math}\\end{dmath*}` : `\\[${math}\\]`

const SPECIAL: Record<string, string> = {
  '&': '\\&',
  '%': '\\%',
  $: '\\$',
  '#': '\\#',
  _: '\\_',
  '{': '\\{',
  '}': '\\}',
  '~': '\\textasciitilde{}',
  '^': '\\textasciicircum{}',
  '\\': '\\textbackslash{}',
  '°': '$^{\\circ}$',
  '−': '$-$',
  '·': '$\\cdot$',
  Σ: '$\\Sigma$',
  Φ: '$\\Phi$',
  θ: '$\\theta$',
  α: '$\\alpha$',
  ᵢ: '$_i$',
  ⱼ: '$_j$',
  ᵣ: '$_r$',
  ᵀ: '$^{T}$',
  '′': "$'$",
  '₁': '$_1$',
  '₂': '$_2$',
  '₃': '$_3$',
  '⁻': '$^-$',
  '³': '$^3$',
  '²': '$^2$',
  '⁶': '$^6$',
  '⁹': '$^9$',
  '\u2009': '\\,',
}

/** Words of the working, or a person's own, as LaTeX text. */
export const textLatex = (words: string): string => [...words].map((c) => SPECIAL[c] ?? c).join('')

/** The kinds of cell as LaTeX. In braces: a bracket after the end of a row would be taken for its depth. */
const cells = (book: Ledger): CellVisitor<string> => ({
  words: textLatex,
  unknown: (u) => (u.free ? `(${u.number})` : `{[${u.number}]}`),
  number: (at, bare) => {
    const e = book.entry(at)
    return e ? `$${value(book, e.value)}${bare ? '' : unitLatex(e.unit)}$` : ''
  },
})

const paragraph = (title: string | undefined): string => (title ? `\\paragraph{${textLatex(title)}}` : '')

/** A matrix under its title: in letters where it has them, then in numbers. */
function matrixParagraph(
  book: Ledger,
  spell: ReturnType<typeof speller>,
  b: MatrixBlock,
  within?: string,
): string {
  if (b.columns.length > LARGEST)
    return (
      `${textLatex(b.title)}: ${b.rows.length} rows and ${b.columns.length} columns, too large ` +
      `to be printed.\n`
    )
  const spelled = spell(b, within)
  const letters = !spelled
    ? ''
    : 'like' in spelled
      ? `, in letters as for ${textLatex(spelled.like)}`
      : `\n\\[${spelledLatex(book, b, spelled.formulas, within)}\\]\n`
  const unit = b.unit ? `${b.factor ? ', ' : ' in '}${textLatex(b.unit)}` : ''
  const narrow = (math: string) =>
    b.columns.length > 8 ? `{\\footnotesize\\setlength{\\arraycolsep}{2.4pt}\\[${math}\\]}` : `\\[${math}\\]`
  const numbers = b.letters === 'alone' ? [] : matrixLatex(book, b, within).map(narrow)
  return `${paragraph(b.title)}${unit}${letters}\n${numbers.join('\n')}\n`
}

function tableLatex(book: Ledger, b: TableBlock): string {
  const head = b.head.some(Boolean) ? `${b.head.map(textLatex).join(' & ')} \\\\\\hline\n` : ''
  const rows = b.rows.map((r) => r.map((c) => visitCell(c, cells(book))).join(' & ')).join(' \\\\\n')
  return (
    (b.title ? `${paragraph(b.title)}\n` : '') +
    `\\begin{center}\\begin{tabular}{${'l'.repeat(b.head.length)}}\n` +
    `${head}${rows}\n\\end{tabular}\\end{center}\n`
  )
}

/** The blocks of a working as LaTeX. */
const blocksLatex = (book: Ledger, spell: ReturnType<typeof speller>): BlockVisitor<string> => ({
  words: (b) => `${textLatex(b.words)}\n`,
  lines: (b, within) => {
    const lines = b.addresses.map((a) => lineLatex(book, a, within))
    const written = lines.map((l) => `${displayed(l.math)}${l.words ? `\n% ${l.words}` : ''}`)
    return `${b.title ? `${paragraph(b.title)}\n` : ''}${written.join('\n')}\n`
  },
  matrix: (b, within) => matrixParagraph(book, spell, b, within),
  equation: (b) => `\\[${equationLatex(b)}\\]\n`,
  // the formulas below a drawing say what it shows
  drawing: () => '',
  body: () => '',
  polygon: () => '',
  // the table below the curve has its roots
  chart: () => '',
  polynomial: (b) =>
    `\\[${polynomialLatex(book, b)}\\qquad ` +
    `\\text{${textLatex(reach(b, book.context.units.length))}}\\]\n`,
  table: (b) => tableLatex(book, b),
})

/** The whole working as a LaTeX document; formulas break over lines by breqn. */
export function workingLatex(book: Ledger): string {
  const { problem, acting } = book.context
  const visitor = blocksLatex(book, speller(book))
  const passages = (s: Step) =>
    s.passages
      .map(
        (p) =>
          (p.title ? `\\subsection*{${textLatex(p.title)}}\n` : '') +
          visitPassage(book, p, visitor).filter(Boolean).join('\n'),
      )
      .join('\n')
  return `\\documentclass[11pt,a4paper,fleqn]{article}
\\usepackage[T1]{fontenc}
\\usepackage[margin=22mm]{geometry}
\\usepackage{amsmath,amssymb,breqn}
\\setlength{\\mathindent}{1em}
\\setcounter{MaxMatrixCols}{${LARGEST}}
\\title{${textLatex(problem?.title ?? 'Working')}}
\\author{}
\\date{${textLatex(acting.title)}}
\\begin{document}
\\maketitle
${problem?.statement ? `${textLatex(problem.statement)}\n` : ''}
${stepsOf(book)
  .map((s) => `\\section{${s.title}}\n${textLatex(s.why)}\n\n${passages(s)}`)
  .join('\n')}
\\end{document}
`
}
