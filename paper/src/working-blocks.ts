import { working } from '@viga/core'
import { curve } from './curve'
import { body, held } from './figure'
import { gap, heading, table, words, type Pages } from './pages'
import { QUIET, space, textBox, type Box } from './type'
import { equation, line, polynomial } from './working-lines'
import { matrix, spelledOut } from './working-matrix'
import { markBox, readingOf, valued } from './working-parts'

/** The blocks of a working set on the pages, one below the other. */
export const blocksOnPaper = (p: Pages, book: working.Ledger): working.BlockVisitor<void> => {
  const spell = working.speller(book)
  return {
    words: (b) => words(p, b.words),
    lines: (b, within) => {
      if (b.title) heading(p, b.title, 3)
      for (const a of b.addresses) line(p, book, a, within)
      gap(p, 3)
    },
    matrix: (b, within) => {
      const spelled = spell(b, within)
      if (spelled && 'formulas' in spelled) {
        heading(p, `${b.title}, in letters`, 3)
        spelledOut(p, book, b, spelled.formulas, within)
      }
      const like = spelled && 'like' in spelled ? `, in letters as for ${spelled.like}` : ''
      if (b.letters === 'alone') return like ? words(p, `${b.title}${like}.`) : undefined
      matrix(p, book, { ...b, title: b.title + like }, within)
    },
    equation: (b) => equation(p, b),
    drawing: (b) => held(p, book, b),
    body: (b) => body(p, book, b),
    // a polygon is drawn on the screen when it is asked for
    polygon: () => {},
    chart: (b) => curve(p, book, b),
    polynomial: (b) => polynomial(p, book, b),
    table: (b) => {
      if (b.title) heading(p, b.title, 3)
      const head = b.head.some(Boolean)
      const rows = b.rows.map((r) => r.map((c) => working.visitCell(c, cells(p, book))))
      table(
        p,
        [...(head ? [b.head.map((h) => textBox(p.doc, h, 'serif-italic', 9, QUIET))] : []), ...rows],
        head,
      )
    },
  }
}

const cells = ({ doc }: Pages, book: working.Ledger): working.CellVisitor<Box> => ({
  words: (c) => textBox(doc, c, 'serif', 9.5),
  unknown: (u) => markBox(doc, u),
  number: (at, bare) => {
    const e = book.entry(at)
    return e ? valued(doc, e.value, bare ? '' : e.unit, readingOf(book), 9.8) : space(0)
  },
})
