import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import PDFDocument from 'pdfkit'
import { forgetMostWords, setFace, setText } from './set-text'
import { typefaceBytes } from './sfnt'

export type Doc = PDFKit.PDFDocument

/** The typefaces of the paper: words in one family, mathematics in another that has its signs. */
export type Face = 'serif' | 'serif-italic' | 'serif-bold' | 'math' | 'math-italic' | 'big'

const require = createRequire(import.meta.url)
const packageFolder = (name: string) => dirname(require.resolve(`${name}/package.json`))
const plex = (cut: string) =>
  join(packageFolder('@fontsource/ibm-plex-serif'), `files/ibm-plex-serif-latin-${cut}.woff`)
const katex = (cut: string) => join(packageFolder('katex'), `dist/fonts/KaTeX_${cut}.ttf`)

/**
 * An empty document with the typefaces known to it; pages are kept until the end, so that they can be
 * counted.
 */
export function blank(title: string, size: 'A4' | [number, number] = 'A4'): Doc {
  const doc = new PDFDocument({
    size,
    margin: 0,
    bufferPages: true,
    info: { Title: title, Creator: 'Viga' },
  })
  forgetMostWords()
  doc.registerFont('serif', typefaceBytes(plex('400-normal')))
  doc.registerFont('serif-italic', typefaceBytes(plex('400-italic')))
  doc.registerFont('serif-bold', typefaceBytes(plex('500-normal')))
  doc.registerFont('math', typefaceBytes(katex('Main-Regular')))
  doc.registerFont('math-italic', typefaceBytes(katex('Math-Italic')))
  doc.registerFont('big', typefaceBytes(katex('Size1-Regular')))
  return doc
}

/**
 * Something set on a line: as wide as `w`, reaching `up` above the base line and `down` below it, in points.
 */
export interface Box {
  w: number
  up: number
  down: number
  draw: (doc: Doc, x: number, y: number) => void
}

const widths = new Map<string, number>()

function widthOf(doc: Doc, face: Face, size: number, text: string): number {
  const key = `${face} ${size} ${text}`
  let w = widths.get(key)
  if (w === undefined) {
    if (widths.size > 20_000) widths.clear()
    widths.set(key, (w = setFace(doc, face).fontSize(size).widthOfString(text)))
  }
  return w
}

/** A run of text in one face. */
export function run(doc: Doc, said: string, face: Face, size: number, colour = INK): Box {
  // the face of mathematics knows the dot of a product by its own sign
  const text = face === 'math' ? said.replace(/·/g, '⋅') : said
  return {
    w: widthOf(doc, face, size, text),
    up: 0.72 * size,
    down: 0.22 * size,
    draw: (d, x, y) => setText(d, text, face, size, colour, x, y),
  }
}

export const INK = '#1e2a36'
export const QUIET = '#5b656f'
export const HAIR = '#c9c0b0'
export const CEDAR = '#9a5b2e'

/** Boxes one after the other on one base line. */
export function row(...boxes: Box[]): Box {
  return {
    w: boxes.reduce((s, b) => s + b.w, 0),
    up: Math.max(0, ...boxes.map((b) => b.up)),
    down: Math.max(0, ...boxes.map((b) => b.down)),
    draw: (d, x, y) => {
      let at = x
      for (const b of boxes) {
        b.draw(d, at, y)
        at += b.w
      }
    },
  }
}

export const space = (w: number): Box => ({ w, up: 0, down: 0, draw: () => {} })

/** A box moved up (or, below 0, down) from the base line. */
export const raised = (b: Box, by: number): Box => ({
  w: b.w,
  up: b.up + by,
  down: b.down - by,
  draw: (d, x, y) => b.draw(d, x, y - by),
})

const SUPER = '⁰¹²³⁴⁵⁶⁷⁸⁹'
const SUB = '₀₁₂₃₄₅₆₇₈₉'
const RAISED: Record<string, string> = { '⁻': '−', ᵀ: 'T', ʲ: 'j' }
const LOWERED: Record<string, string> = { ᵢ: 'i', ⱼ: 'j', ᵣ: 'r' }
/** Signs that the face of the words lacks. */
const MATH_SIGNS = /[Α-Ωα-ω√∫≠≤≥⟶]/
/** Small Greek letters stand upright in no face: they are those of formulas. */
const SMALL_GREEK = /[α-ω]/

/** A text without any sign that is set in a way of its own. */
const PLAIN = /^[\x20-\x7e]*$/

/**
 * Words as boxes that a line may be broken between: each a word with the space after it, raised and lowered
 * signs set so.
 */
export function wordBoxes(doc: Doc, text: string, face: Face, size: number, colour = INK): Box[] {
  return text.split(/(?<=\s)/).map((word) => textBox(doc, word, face, size, colour))
}

/** A text on one line, its raised, lowered and mathematical signs each in their own way. */
export function textBox(doc: Doc, text: string, face: Face, size: number, colour = INK): Box {
  if (PLAIN.test(text)) return run(doc, text, face, size, colour)
  const out: Box[] = []
  let plain = ''
  const flush = () => {
    if (plain) out.push(run(doc, plain, face, size, colour))
    plain = ''
  }
  for (const c of text) {
    const up = SUPER.indexOf(c) >= 0 ? String(SUPER.indexOf(c)) : RAISED[c]
    const down = SUB.indexOf(c) >= 0 ? String(SUB.indexOf(c)) : LOWERED[c]
    if (up !== undefined || down !== undefined) {
      flush()
      out.push(
        raised(run(doc, up ?? down, face, 0.68 * size, colour), (up !== undefined ? 0.36 : -0.14) * size),
      )
    } else if (MATH_SIGNS.test(c)) {
      flush()
      out.push(run(doc, c, SMALL_GREEK.test(c) ? 'math-italic' : 'math', size, colour))
    } else plain += c === '\u2009' ? ' ' : c === '′' ? '’' : c
  }
  flush()
  return row(...out)
}
