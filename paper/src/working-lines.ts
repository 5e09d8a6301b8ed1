import { working } from '@viga/core'
import { formulaPieces, numberBox, symbolBox } from './math'
import { paragraph, TEXT_WIDTH, type Pages } from './pages'
import { QUIET, raised, row, run, space, textBox, type Box, type Doc } from './type'
import { readingOf, valued } from './working-parts'

/** What stands between two sides. */
const equals = (doc: Doc): Box => row(space(4), run(doc, '=', 'math', 10.5), space(4))

/** Boxes behind an equal sign, where there are any. */
const after = (doc: Doc, pieces: Box[]): Box[] => pieces.map((b, i) => (i === 0 ? row(equals(doc), b) : b))

/**
 * A number with its formula, broken at its equal signs, and within a sum before its terms, where it does not
 * fit.
 */
export function line(p: Pages, book: working.Ledger, at: string, within?: string): void {
  const { doc } = p
  const { symbol, value, unit, origin } = book.origin(at)
  const reading = readingOf(book)
  const name = symbolBox(doc, symbol, within)
  const result = row(equals(doc), valued(doc, value, unit, reading))
  if (origin.kind !== 'formula' || origin.formula.t === 'number') {
    const words = origin.kind === 'formula' ? [] : [space(8), ...textWords(doc, origin.words)]
    return paragraph(p, [row(name, result), ...words], { indent: 8, hang: 24 })
  }
  const f = origin.formula
  const letters = after(doc, working.repeatsName(symbol, f) ? [] : formulaPieces(doc, f, 'letters', within))
  const numbers = after(
    doc,
    f.t === 'letter' ? [] : formulaPieces(doc, f, 'numbers', undefined, reading.figures),
  )
  const all = [name, ...letters, ...numbers, result]
  if (all.reduce((s, b) => s + b.w, 0) <= TEXT_WIDTH - 8)
    return paragraph(p, [row(...all)], { indent: 8, leading: 5 })
  const hang = name.w + 14
  if (letters.length === 0) return paragraph(p, [name, ...numbers, result], { indent: 8, hang, leading: 5 })
  // one line for the letters, one for the numbers, the result at its end
  paragraph(p, [row(name, letters[0]), ...letters.slice(1)], { indent: 8, hang, leading: 4 })
  paragraph(p, [...numbers, result], { indent: 8 + name.w, hang: 14, leading: 6 })
}

const textWords = (doc: Doc, text: string) =>
  text.split(/(?<=\s)/).map((w) => textBox(doc, w, 'serif-italic', 9, QUIET))

/** An equation of matrices in letters. */
export const equation = (p: Pages, { left, right }: working.EquationBlock): void =>
  paragraph(
    p,
    [row(...formulaPieces(p.doc, left, 'letters'), equals(p.doc), ...formulaPieces(p.doc, right, 'letters'))],
    { indent: 24, leading: 7 },
  )

/** A force along a stretch of a member as a polynomial in t. */
export function polynomial(p: Pages, book: working.Ledger, b: working.PolynomialBlock): void {
  const { doc } = p
  const terms = working.polynomialTerms(book, b)
  const sign = (s: string) => run(doc, s, 'math', 10.5)
  const boxes = terms.flatMap(({ value, power }, i) => [
    ...(i > 0 ? [row(space(3), sign(value < 0 ? '−' : '+'), space(3))] : value < 0 ? [sign('−')] : []),
    row(
      numberBox(doc, working.shown(Math.abs(value), readingOf(book))),
      ...(power > 0 ? [space(2), run(doc, 't', 'math-italic', 10.5)] : []),
      ...(power > 1 ? [raised(run(doc, String(power), 'math', 7.4), 4)] : []),
    ),
  ])
  const unit = book.entry(b.coefficients[0])?.unit ?? ''
  paragraph(
    p,
    [
      row(
        run(doc, b.force, 'math-italic', 10.5),
        sign('('),
        run(doc, 't', 'math-italic', 10.5),
        sign(')'),
        space(4),
        sign('='),
        space(4),
      ),
      ...(boxes.length ? boxes : [sign('0')]),
      row(
        space(4),
        textBox(doc, unit, 'serif', 9.8),
        space(14),
        textBox(doc, working.reach(b, book.context.units.length), 'serif-italic', 9, QUIET),
      ),
    ],
    { indent: 8, leading: 5 },
  )
}
