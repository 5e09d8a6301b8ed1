import { formatPlain, working, type ActionSolution, type Problem, type Solution } from '@viga/core'
import { held, prepared, type PreparedFigure } from './figure'
import { formulaBox, formulaPieces, numberBox, symbolBox } from './math'
import {
  begin,
  gap,
  heading,
  need,
  number,
  PAGE,
  paragraph,
  rule,
  table,
  TEXT_WIDTH,
  words,
  type Pages,
} from './pages'
import { blank, CEDAR, INK, QUIET, raised, row, run, space, textBox, type Box, type Doc } from './type'

/** A value with its unit. */
const valued = (doc: Doc, v: number, unit: string, size = 10.5, figures = 5): Box =>
  row(
    numberBox(doc, formatPlain(v, figures), size),
    ...(unit ? [space(3), textBox(doc, unit, 'serif', 0.93 * size)] : []),
  )

/** The mark of an unknown: its number in a circle when free, in a square when held. */
function markBox(doc: Doc, u: { number: number; free: boolean }, size = 7.5): Box {
  const text = run(doc, String(u.number), 'serif-bold', size, u.free ? CEDAR : QUIET)
  const w = Math.max(11, text.w + 5)
  return {
    w,
    up: 8.5,
    down: 3,
    draw: (d, x, y) => {
      if (u.free) d.roundedRect(x, y - 8.2, w, 11, 5.5)
      else d.rect(x, y - 8.2, w, 11)
      d.lineWidth(0.6)
        .strokeColor(u.free ? CEDAR : QUIET)
        .stroke()
      text.draw(d, x + (w - text.w) / 2, y)
    },
  }
}

/**
 * A number with its formula, broken at its equal signs, and within a sum before its terms, where it does not
 * fit.
 */
function line(p: Pages, book: working.Ledger, at: string, within?: string) {
  const { doc } = p
  const { symbol, value, unit, origin } = book.origin(at)
  const name = symbolBox(doc, symbol, within)
  const equals = row(space(4), run(doc, '=', 'math', 10.5), space(4))
  const f = origin.kind === 'formula' && origin.formula.t !== 'number' ? origin.formula : undefined
  const result = row(equals, valued(doc, value, unit, 10.5, working.readingOf(book.context.problem).figures))
  if (!f) {
    paragraph(
      p,
      [row(name, result), ...(origin.kind === 'formula' ? [] : [space(8), ...textWords(doc, origin.words)])],
      { indent: 8, hang: 24 },
    )
    return
  }
  const letters = symbol.formula ? [] : formulaPieces(doc, f, 'letters', within)
  const numbers =
    f.t === 'letter'
      ? []
      : formulaPieces(doc, f, 'numbers', undefined, working.readingOf(book.context.problem).figures)
  const joined = (pieces: Box[]) => pieces.map((b, i) => (i === 0 ? row(equals, b) : b))
  const all = [name, ...joined(letters), ...joined(numbers), result]
  const whole = all.reduce((s, b) => s + b.w, 0)
  if (whole <= TEXT_WIDTH - 8) return paragraph(p, [row(...all)], { indent: 8, leading: 5 })
  if (letters.length === 0)
    return paragraph(p, [name, ...joined(numbers), result], { indent: 8, hang: name.w + 14, leading: 5 })
  // one line for the letters, one for the numbers, the result at its end
  paragraph(p, [row(name, joined(letters)[0]), ...joined(letters).slice(1)], {
    indent: 8,
    hang: name.w + 14,
    leading: 4,
  })
  paragraph(p, [...joined(numbers), result], { indent: 8 + name.w, hang: 14, leading: 6 })
}

const textWords = (doc: Doc, text: string) =>
  text.split(/(?<=\s)/).map((w) => textBox(doc, w, 'serif-italic', 9, QUIET))

/** A matrix in letters, each column as wide as its widest formula. */
function spelledOut(
  p: Pages,
  book: working.Ledger,
  b: working.MatrixBlock,
  formulas: readonly (readonly working.Formula[])[],
  within?: string,
) {
  const { doc } = p
  const size = 8.6
  const cells = formulas.map((r) => r.map((f) => formulaBox(doc, f, 'letters', within, 5, size)))
  const widths = formulas[0].map((_, j) => Math.max(...cells.map((r) => r[j].w)) + 13)
  const heights = cells.map((r) => Math.max(...r.map((c) => c.up + c.down)) + 5)
  const factor = b.factor === undefined ? undefined : book.entry(b.factor)
  const name = row(
    textBox(doc, b.letter, 'serif-italic', 11),
    space(4),
    run(doc, '=', 'math', 10.5),
    space(4),
    ...(factor ? [symbolBox(doc, factor.symbol, within), space(4)] : []),
  )
  const high = heights.reduce((s, h) => s + h, 0)
  need(p, high + 14)
  const [top, left] = [p.y + 4, PAGE.left + 10 + name.w]
  name.draw(doc, PAGE.left + 8, top + high / 2 + 3)
  let y = top
  cells.forEach((r, i) => {
    let x = left
    r.forEach((c, j) => {
      c.draw(doc, x + (widths[j] - c.w) / 2, y + (heights[i] + c.up - c.down) / 2)
      x += widths[j]
    })
    y += heights[i]
  })
  const right = left + widths.reduce((s, w) => s + w, 0)
  for (const [x, turn] of [
    [left, 1],
    [right, -1],
  ])
    doc
      .moveTo(x + 4 * turn, top)
      .lineTo(x, top)
      .lineTo(x, y)
      .lineTo(x + 4 * turn, y)
      .lineWidth(0.8)
      .strokeColor(INK)
      .stroke()
  p.y = y + 8
}

/**
 * A matrix between brackets, numbers on its margins; in parts, each with its columns labelled, where it is
 * too wide.
 */
function matrix(p: Pages, book: working.Ledger, b: working.MatrixBlock, within?: string) {
  const { doc } = p
  if (b.columns.length > working.LARGEST) {
    heading(p, b.title, 3)
    return words(
      p,
      `${b.rows.length} rows and ${b.columns.length} columns: too large to be printed; the page ` +
        'gives it as a file.',
      { size: 9.5 },
    )
  }
  const m = working.printedMatrix(book, b)
  const size = b.columns.length > 9 ? 7.6 : 8.8
  const mark = (k: working.Mark): Box =>
    'unknown' in k ? markBox(doc, k.unknown, 6.8) : run(doc, k.words, 'serif', 7.2, QUIET)
  const cells = m.cells.map((r) =>
    r.map((v) => (v === '0' ? run(doc, '·', 'math', size, '#9aa0a6') : numberBox(doc, v, size))),
  )
  const widths = b.columns.map((_, j) => Math.max(...cells.map((r) => r[j].w), 14) + 8)
  const factor = b.factor === undefined ? undefined : book.entry(b.factor)
  const [letter, below] = b.letter.split('_')
  const name = row(
    textBox(doc, letter, 'serif-italic', 11),
    ...(below ? [raised(textBox(doc, below, 'serif-italic', 7.5), -2)] : []),
    ...(factor
      ? [space(4), run(doc, '=', 'math', 10.5), space(4), symbolBox(doc, factor.symbol, within)]
      : []),
  )
  const left = Math.max(...b.rows.map((r) => mark(r).w)) + (factor ? name.w + 18 : 30)
  const parts: number[][] = [[]]
  let used = left
  widths.forEach((w, j) => {
    if (used + w > TEXT_WIDTH - 8) {
      parts.push([])
      used = left
    }
    parts[parts.length - 1].push(j)
    used += w
  })
  const high = size * 1.62
  parts.forEach((columns, k) => {
    need(p, 34 + high * Math.min(m.cells.length, 40))
    const title = `${b.title}${parts.length > 1 ? `, columns ${m.columns[columns[0]]} to ${m.columns[columns[columns.length - 1]]}` : ''}`
    heading(p, `${title}${b.unit ? `  (${working.powerWords(m.power, b.unit)})` : ''}`, 3)
    const x0 = PAGE.left + left
    const at = (j: number) => x0 + columns.slice(0, columns.indexOf(j)).reduce((s, i) => s + widths[i], 0)
    const right = x0 + columns.reduce((s, j) => s + widths[j], 0) + 3
    const top = p.y + 14
    if (k === 0 || parts.length > 1)
      name.draw(doc, PAGE.left + 2, factor ? top + (high * cells.length) / 2 + 3 : top - 3)
    columns.forEach((j) => {
      const c = mark(b.columns[j])
      c.draw(doc, at(j) + widths[j] - 3 - c.w, top - 4)
    })
    cells.forEach((r, i) => {
      const y = top + high * (i + 0.72)
      const c = mark(b.rows[i])
      c.draw(doc, x0 - 8 - c.w, y)
      for (const j of columns) r[j].draw(doc, at(j) + widths[j] - 3 - r[j].w, y)
    })
    const bottom = top + high * cells.length + 1
    for (const [x, turn] of [
      [x0 - 2, 1],
      [right, -1],
    ])
      doc
        .moveTo(x + 4 * turn, top)
        .lineTo(x, top)
        .lineTo(x, bottom)
        .lineTo(x + 4 * turn, bottom)
        .lineWidth(0.8)
        .strokeColor(INK)
        .stroke()
    if (b.parting !== undefined) {
      const y = top + high * b.parting
      doc
        .save()
        .dash(2, { space: 2 })
        .moveTo(x0, y)
        .lineTo(right - 3, y)
        .lineWidth(0.5)
        .strokeColor(QUIET)
        .stroke()
        .restore()
      if (columns.includes(b.parting))
        doc
          .save()
          .dash(2, { space: 2 })
          .moveTo(at(b.parting), top)
          .lineTo(at(b.parting), bottom)
          .lineWidth(0.5)
          .strokeColor(QUIET)
          .stroke()
          .restore()
    }
    p.y = bottom + 8
  })
}

function polynomial(p: Pages, book: working.Ledger, b: working.PolynomialBlock) {
  const { doc } = p
  const terms = working.polynomialTerms(book, b)
  const sign = (s: string) => run(doc, s, 'math', 10.5)
  const boxes = terms.flatMap(({ value, power }, i) => [
    ...(i > 0 ? [row(space(3), sign(value < 0 ? '−' : '+'), space(3))] : value < 0 ? [sign('−')] : []),
    row(
      numberBox(doc, formatPlain(Math.abs(value), 5)),
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

function cell(doc: Doc, book: working.Ledger, c: working.Cell): Box {
  if (typeof c === 'string') return textBox(doc, c, 'serif', 9.5)
  if ('unknown' in c) return markBox(doc, c.unknown)
  const e = book.entry(c.at)
  return e ? valued(doc, e.value, e.unit, 9.8, working.readingOf(book.context.problem).figures) : space(0)
}

function block(
  p: Pages,
  book: working.Ledger,
  spell: ReturnType<typeof working.speller>,
  b: working.Block,
  within?: string,
) {
  switch (b.kind) {
    case 'words':
      return words(p, b.words)
    case 'lines':
      if (b.title) heading(p, b.title, 3)
      for (const a of b.addresses) line(p, book, a, within)
      return gap(p, 3)
    case 'matrix': {
      const spelled = spell(b, within)
      if (spelled && 'formulas' in spelled) {
        heading(p, `${b.title}, in letters`, 3)
        spelledOut(p, book, b, spelled.formulas, within)
      }
      return matrix(
        p,
        book,
        spelled && 'like' in spelled ? { ...b, title: `${b.title}, in letters as for ${spelled.like}` } : b,
        within,
      )
    }
    case 'equation':
      return paragraph(
        p,
        [
          row(
            ...formulaPieces(p.doc, b.left, 'letters'),
            space(4),
            run(p.doc, '=', 'math', 10.5),
            space(4),
            ...formulaPieces(p.doc, b.right, 'letters'),
          ),
        ],
        { indent: 24, leading: 7 },
      )
    case 'drawing':
      return held(p, book, b)
    case 'polynomial':
      return polynomial(p, book, b)
    case 'table':
      if (b.title) heading(p, b.title, 3)
      return table(
        p,
        [
          ...(b.head.some(Boolean) ? [b.head.map((h) => textBox(p.doc, h, 'serif-italic', 9, QUIET))] : []),
          ...b.rows.map((r) => r.map((c) => cell(p.doc, book, c))),
        ],
        b.head.some(Boolean),
      )
  }
}

/** The figure that stands at the head of a step, where it has one. */
function figureOf(
  step: working.StepKey,
  problem: Problem,
  solution: Solution,
  action: ActionSolution,
): PreparedFigure | undefined {
  const make = (layers: Parameters<typeof prepared>[3]) => prepared(problem, solution, action, layers)
  if (step === 'unknowns') return make({ unknowns: true })
  if (step === 'solution') return make({ deflected: true })
  if (step === 'reactions') return make({ reactions: true })
  return step === 'diagrams' && solution.open.length === 0
    ? make({ diagram: problem.kind === 'truss' ? 'N' : 'M' })
    : undefined
}

/** The whole working as a PDF: figure, steps, page numbers. */
export function workingPdf(problem: Problem, book: working.Ledger): Promise<Buffer> {
  const doc = blank(problem.title)
  const p = begin(doc)
  const { solution, action } = book.context
  words(p, problem.title, { face: 'serif-bold', size: 20, after: 4 })
  words(
    p,
    `Worked by the stiffness method. ${action.kind === 'case' ? 'Case' : 'Combination'}: ${action.title}.`,
    { face: 'serif-italic', size: 10, colour: QUIET, after: 8 },
  )
  rule(p)
  if (problem.statement) words(p, problem.statement, { after: 8 })
  prepared(problem, solution, action, { loads: true, dimensions: true }, false).draw(p)
  const spell = working.speller(book)
  working.stepsOf(book).forEach((s, i) => {
    const figure = figureOf(s.key, problem, solution, action)
    // a figure comes with its heading
    if (figure) need(p, figure.tall + 100)
    heading(p, `${i + 1}  ${s.title}`, 1)
    words(p, s.why, { face: 'serif-italic', colour: QUIET })
    figure?.draw(p)
    for (const passage of s.passages) {
      if (passage.title) heading(p, passage.title, 2)
      for (const b of passage.blocks)
        block(
          p,
          book,
          spell,
          b,
          passage.member === undefined ? undefined : solution.structure.members[passage.member].id,
        )
    }
  })
  number(doc, problem.title)
  return new Promise((done, failed) => {
    const chunks: Buffer[] = []
    doc.on('data', (c: Buffer) => chunks.push(c))
    doc.on('end', () => done(Buffer.concat(chunks)))
    doc.on('error', failed)
    doc.end()
  })
}
