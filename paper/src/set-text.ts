import type { Doc, Face } from './type'

/** What the typesetting of a document is made of, below its own `text`. */
interface Inner {
  _font: {
    id: string
    ref: () => unknown
    /** Glyphs as hexadecimal numbers, and where each goes, in thousandths of the size. */
    encode: (text: string) => [glyphs: string[], positions: GlyphPosition[]]
    layoutCache?: Record<string, unknown>
    /** The typeface as it was read from its file, and those of its glyphs that go into the document. */
    font: { createSubset: () => unknown }
    subset: unknown
  }
  page: { fonts: Record<string, unknown> }
  addContent: (operators: Uint8Array) => void
}

interface GlyphPosition {
  xAdvance: number
  advanceWidth: number
  xOffset: number
  yOffset: number
}

/** What a face has in common in every document: its tables and glyphs as they were read, words laid out. */
interface Known {
  font: Inner['_font']['font']
  words: Record<string, unknown>
}
const faces = new Map<Face, Known>()
/** Words by their text, any text: an object without a prototype, since `__proto__` may be a label. */
const noWords = () => Object.create(null) as Record<string, unknown>
/** With more words than this, they are forgotten before the next document: most are numbers of one alone. */
const MOST_WORDS = 5_000

/** A document begins. */
export function forgetMostWords(): void {
  const all = [...faces.values()]
  const words = all.reduce((n, known) => n + Object.keys(known.words).length, 0)
  if (words > MOST_WORDS) for (const known of all) known.words = noWords()
}

/** Sets the face, with what is known of it from earlier documents. */
export function setFace(doc: Doc, face: Face): Doc {
  doc.font(face)
  const { _font: font } = doc as unknown as Inner
  let known = faces.get(face)
  if (!known) faces.set(face, (known = { font: font.font, words: noWords() }))
  if (font.font !== known.font) {
    font.font = known.font
    font.subset = known.font.createSubset()
  }
  font.layoutCache = known.words
  return doc
}

/** A thousandth of a point is finer than any printer. */
const number = (n: number) => Math.round(n * 1e3) / 1e3

const colours = new Map<string, string>()
/** A colour as `#1e2a36` in the words of PDF. */
function colourOf(hex: string): string {
  let out = colours.get(hex)
  if (!out) {
    const n = parseInt(hex.slice(1), 16)
    out = [n >> 16, (n >> 8) & 255, n & 255].map((part) => number(part / 255)).join(' ')
    colours.set(hex, out)
  }
  return out
}

/** The glyphs of a text as the operators that show them, where they stand on one line; null where not. */
function onOneLine(font: Inner['_font'], text: string): string | null {
  const [glyphs, positions] = font.encode(text)
  let line = '['
  let hex = ''
  for (let i = 0; i < glyphs.length; i++) {
    const { xAdvance, advanceWidth, xOffset, yOffset } = positions[i]
    if (xOffset !== 0 || yOffset !== 0) return null
    hex += glyphs[i]
    if (xAdvance === advanceWidth) continue
    line += `<${hex}> ${number(advanceWidth - xAdvance)} `
    hex = ''
  }
  return hex ? `${line}<${hex}>] TJ` : `${line}] TJ`
}

/** What was shown in a document before, by face and text: the same words and numbers come again and again. */
const shown = new WeakMap<Doc, Map<string, string | null>>()

/**
 * Sets a run of text with its base line at y, points from the top of the page. A working is tens of thousands
 * of such runs, and the document's own `text` also wraps, aligns and underlines.
 * Source: ISO 32000-1, 9.4, text objects.
 */
export function setText(
  doc: Doc,
  text: string,
  face: Face,
  size: number,
  colour: string,
  x: number,
  y: number,
) {
  if (text === '') return
  setFace(doc, face)
  const { _font: font, page, addContent } = doc as unknown as Inner
  page.fonts[font.id] ??= font.ref()
  let known = shown.get(doc)
  if (!known) shown.set(doc, (known = new Map<string, string | null>()))
  const key = `${face} ${text}`
  let line = known.get(key)
  if (line === undefined) known.set(key, (line = onOneLine(font, text)))
  // signs above or beside others are rare on this paper
  if (line === null)
    return void doc
      .fontSize(size)
      .fillColor(colour)
      .text(text, x, y, { lineBreak: false, baseline: 'alphabetic' })
  // the page runs downwards: letters are turned over to stand upright on it
  const operators =
    `q ${colourOf(colour)} rg BT /${font.id} ${number(size)} Tf ` +
    `1 0 0 -1 ${number(x)} ${number(y)} Tm ${line} ET Q\n`
  addContent.call(doc, Buffer.from(operators, 'latin1'))
}
