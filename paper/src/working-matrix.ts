import { working } from '@viga/core'
import { formulaBox, numberBox, symbolBox } from './math'
import { heading, need, PAGE, TEXT_WIDTH, words, type Pages } from './pages'
import { QUIET, raised, row, run, space, textBox, type Box, type Doc } from './type'
import { brackets, markBox, parted } from './working-parts'

/** A matrix in letters, each column as wide as its widest formula. */
export function spelledOut(
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
  brackets(doc, left, right, top, y)
  p.y = y + 8
}

/** The letter of a matrix, and the factor taken out of it behind an equal sign. */
function nameBox(doc: Doc, book: working.Ledger, b: working.MatrixBlock, within?: string): Box {
  const [letter, below] = b.letter.split('_')
  const factor = b.factor === undefined ? undefined : book.entry(b.factor)
  return row(
    textBox(doc, letter, 'serif-italic', 11),
    ...(below ? [raised(textBox(doc, below, 'serif-italic', 7.5), -2)] : []),
    ...(factor
      ? [space(4), run(doc, '=', 'math', 10.5), space(4), symbolBox(doc, factor.symbol, within)]
      : []),
  )
}

/** A matrix as boxes: its entries, the marks on its margins, and how wide each column is. */
interface SetMatrix {
  block: working.MatrixBlock
  printed: working.PrintedMatrix
  cells: Box[][]
  rows: Box[]
  columns: Box[]
  widths: number[]
  name: Box
  /** Room at the left, for the letter and the marks of the rows. */
  left: number
  /** How tall a row is. */
  high: number
}

function setMatrix(doc: Doc, book: working.Ledger, b: working.MatrixBlock, within?: string): SetMatrix {
  const printed = working.printedMatrix(book, b)
  const size = b.columns.length > 9 ? 7.6 : 8.8
  const mark = (k: working.Mark): Box =>
    'unknown' in k ? markBox(doc, k.unknown, 6.8) : run(doc, k.words, 'serif', 7.2, QUIET)
  const cells = printed.cells.map((r) =>
    r.map((v) => (v === '0' ? run(doc, '·', 'math', size, '#9aa0a6') : numberBox(doc, v, size))),
  )
  const name = nameBox(doc, book, b, within)
  const rows = b.rows.map(mark)
  return {
    block: b,
    printed,
    cells,
    rows,
    columns: b.columns.map(mark),
    widths: b.columns.map((_, j) => Math.max(...cells.map((r) => r[j].w), 14) + 8),
    name,
    left: Math.max(...rows.map((r) => r.w)) + (b.factor === undefined ? 30 : name.w + 18),
    high: size * 1.62,
  }
}

/** Columns side by side as far as the line goes, the rest in further parts. */
function partsOf({ widths, left }: SetMatrix): number[][] {
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
  return parts
}

/** Some columns of a matrix between brackets. */
function drawPart(p: Pages, m: SetMatrix, columns: readonly number[]): void {
  const { doc } = p
  const { block, cells, widths, high } = m
  const x0 = PAGE.left + m.left
  const at = (j: number) => x0 + columns.slice(0, columns.indexOf(j)).reduce((s, i) => s + widths[i], 0)
  const right = x0 + columns.reduce((s, j) => s + widths[j], 0) + 3
  const top = p.y + 14
  const inMiddle = block.factor !== undefined
  m.name.draw(doc, PAGE.left + 2, inMiddle ? top + (high * cells.length) / 2 + 3 : top - 3)
  for (const j of columns) m.columns[j].draw(doc, at(j) + widths[j] - 3 - m.columns[j].w, top - 4)
  cells.forEach((r, i) => {
    const y = top + high * (i + 0.72)
    m.rows[i].draw(doc, x0 - 8 - m.rows[i].w, y)
    for (const j of columns) r[j].draw(doc, at(j) + widths[j] - 3 - r[j].w, y)
  })
  const bottom = top + high * cells.length + 1
  brackets(doc, x0 - 2, right, top, bottom)
  const { parting } = block
  if (parting !== undefined) {
    const y = top + high * parting
    parted(doc, [x0, y], [right - 3, y])
    if (columns.includes(parting)) parted(doc, [at(parting), top], [at(parting), bottom])
  }
  p.y = bottom + 8
}

/**
 * A matrix between brackets, numbers on its margins; in parts, each with its columns labelled, where it is
 * too wide.
 */
export function matrix(p: Pages, book: working.Ledger, b: working.MatrixBlock, within?: string): void {
  if (b.columns.length > working.LARGEST) {
    heading(p, b.title, 3)
    return words(
      p,
      `${b.rows.length} rows and ${b.columns.length} columns: too large to be printed; the page ` +
        'gives it as a file.',
      { size: 9.5 },
    )
  }
  const m = setMatrix(p.doc, book, b, within)
  const parts = partsOf(m)
  for (const columns of parts) {
    const [first, last] = [columns[0], columns[columns.length - 1]].map((j) => m.printed.columns[j])
    const title = `${b.title}${parts.length > 1 ? `, columns ${first} to ${last}` : ''}`
    heading(p, `${title}${b.unit ? `  (${working.powerWords(m.printed.power, b.unit)})` : ''}`, 3)
    need(p, 24 + m.high * Math.min(m.cells.length, 40))
    drawPart(p, m, columns)
  }
}
