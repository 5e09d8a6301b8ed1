import { HAIR, INK, QUIET, row, space, textBox, wordBoxes, type Box, type Doc, type Face } from './type'

/** A4 in points, with margins for a binder. */
export const PAGE = { width: 595.28, height: 841.89, left: 62, right: 54, top: 66, bottom: 62 }
export const TEXT_WIDTH = PAGE.width - PAGE.left - PAGE.right

/** The place where the next thing goes; it turns the page by itself. */
export interface Pages {
  doc: Doc
  y: number
  /** Headings that wait for what they head, so that both stand on one page. */
  waiting: Heading[]
}

interface Heading {
  text: string
  level: 1 | 2 | 3
}

export const begin = (doc: Doc): Pages => ({ doc, y: PAGE.top, waiting: [] })

/**
 * Makes room for something of this height: on this page, or at the head of the next. Headings that wait
 * for it are set first, on the same page.
 */
export function need(p: Pages, height: number) {
  const headings = p.waiting
  p.waiting = []
  const above = headings.reduce((sum, h) => sum + heightOfHeading(h), 0)
  // what follows a heading is more than one line of it
  turn(p, above + (headings.length ? Math.max(height, LEAST) : height))
  for (const h of headings) setHeading(p, h)
}

/** What stands below a heading at the foot of a page, at least. */
const LEAST = 40

/** The room that is left on this page below the headings that wait, points. */
export const roomLeft = (p: Pages): number =>
  PAGE.height - PAGE.bottom - p.y - p.waiting.reduce((sum, h) => sum + heightOfHeading(h), 0)

function turn(p: Pages, height: number) {
  if (p.y + height <= PAGE.height - PAGE.bottom) return
  p.doc.addPage({ size: 'A4', margin: 0 })
  p.y = PAGE.top
}

export const gap = (p: Pages, by: number) => void (p.y += by)

/**
 * Boxes set as lines of a width, broken between them; `together` keeps the whole on one page where it fits on
 * one.
 */
export function paragraph(
  p: Pages,
  boxes: readonly Box[],
  {
    indent = 0,
    hang = 0,
    leading = 3.2,
    width = TEXT_WIDTH,
  }: { indent?: number; hang?: number; leading?: number; width?: number } = {},
) {
  const lines: Box[][] = [[]]
  let used = indent
  for (const b of boxes) {
    if (used + b.w > width + 0.5 && lines[lines.length - 1].length > 0) {
      lines.push([])
      used = indent + hang
    }
    lines[lines.length - 1].push(b)
    used += b.w
  }
  lines.forEach((line, i) => {
    const set = row(...line)
    need(p, set.up + set.down + leading)
    p.y += set.up
    set.draw(p.doc, PAGE.left + indent + (i ? hang : 0), p.y)
    p.y += set.down + leading
  })
}

/** Words as a paragraph. */
export function words(
  p: Pages,
  text: string,
  {
    face = 'serif',
    size = 10,
    colour = INK,
    after = 5,
  }: { face?: Face; size?: number; colour?: string; after?: number } = {},
) {
  paragraph(p, wordBoxes(p.doc, text, face, size, colour))
  p.y += after
}

/** Size, room before and after, and face of the headings of each level. */
const HEADINGS = [
  { size: 15, before: 16, after: 6, face: 'serif-bold' },
  { size: 11.5, before: 10, after: 4, face: 'serif-bold' },
  { size: 9.2, before: 7, after: 3, face: 'serif' },
] as const

/** A heading: it is set together with what comes next, never alone at the foot of a page. */
export function heading(p: Pages, text: string, level: 1 | 2 | 3) {
  p.waiting.push({ text, level })
}

function heightOfHeading({ level }: Heading): number {
  const { size, before, after } = HEADINGS[level - 1]
  return before + 1.4 * size + after
}

function setHeading(p: Pages, { text, level }: Heading) {
  const { size, before, after, face } = HEADINGS[level - 1]
  if (p.y > PAGE.top) p.y += before
  words(p, text, { face, size, colour: level === 3 ? QUIET : INK, after })
}

/** A rule across the text. */
export function rule(p: Pages) {
  p.doc
    .moveTo(PAGE.left, p.y)
    .lineTo(PAGE.width - PAGE.right, p.y)
    .lineWidth(0.5)
    .strokeColor(HAIR)
    .stroke()
  p.y += 6
}

/** The name of the problem above and the number of each page below, once all pages are there. */
export function number(doc: Doc, title: string) {
  const { start, count } = doc.bufferedPageRange()
  for (let i = start; i < start + count; i++) {
    doc.switchToPage(i)
    if (i > start) {
      textBox(doc, title, 'serif-italic', 8.5, QUIET).draw(doc, PAGE.left, 42)
      doc
        .moveTo(PAGE.left, 48)
        .lineTo(PAGE.width - PAGE.right, 48)
        .lineWidth(0.4)
        .strokeColor(HAIR)
        .stroke()
    }
    const foot = textBox(doc, `${i + 1 - start} of ${count}`, 'serif', 8.5, QUIET)
    foot.draw(doc, PAGE.width - PAGE.right - foot.w, PAGE.height - 36)
    textBox(doc, 'Viga', 'serif', 8.5, QUIET).draw(doc, PAGE.left, PAGE.height - 36)
  }
}

/**
 * Rows of cells in columns as wide as their widest cell. The head stands again at the top of each page that
 * the table goes on to, and never alone at the foot of one.
 */
export function table(p: Pages, rows: readonly (readonly Box[])[], head = false) {
  const columns = Math.max(...rows.map((r) => r.length))
  const width = Array.from({ length: columns }, (_, j) => Math.max(...rows.map((r) => r[j]?.w ?? 0)) + 18)
  const heightOf = (r: readonly Box[]) => Math.max(...r.map((b) => b.up + b.down), 8) + 6
  rows.forEach((r, i) => {
    const withNext = head && i === 0 && rows.length > 1 ? heightOf(rows[1]) : 0
    const turned = turns(p, heightOf(r) + withNext)
    if (turned && head && i > 0) tableRow(p, rows[0], width, heightOf(rows[0]), true)
    tableRow(p, r, width, heightOf(r), head && i === 0)
  })
  p.y += 8
}

/** Makes room for something of this height, and tells whether a new page was begun for it. */
function turns(p: Pages, height: number): boolean {
  const before = p.y
  need(p, height)
  return p.y < before
}

/** One row of a table, with a rule below it. */
function tableRow(p: Pages, r: readonly Box[], width: readonly number[], height: number, isHead: boolean) {
  const sum = (widths: readonly number[]) => widths.reduce((s, w) => s + w, 0)
  const base = p.y + 3 + Math.max(...r.map((b) => b.up))
  r.forEach((b, j) => b.draw(p.doc, PAGE.left + sum(width.slice(0, j)), base))
  p.y += height
  p.doc
    .moveTo(PAGE.left, p.y)
    .lineTo(PAGE.left + Math.min(TEXT_WIDTH, sum(width)), p.y)
    .lineWidth(isHead ? 0.7 : 0.35)
    .strokeColor(HAIR)
    .stroke()
}

export { row, space }

/** Ends a document; resolves to its bytes. */
export const finished = (doc: Doc): Promise<Buffer> =>
  new Promise((done, failed) => {
    const chunks: Buffer[] = []
    doc.on('data', (c: Buffer) => chunks.push(c))
    doc.on('end', () => done(Buffer.concat(chunks)))
    doc.on('error', failed)
    doc.end()
  })
