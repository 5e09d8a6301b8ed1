import { describe, expect, it } from 'vitest'
import { setText } from '@viga/paper/set-text'
import { blank, type Doc, type Face } from '@viga/paper/type'

/** What was written on the page of a document, as operators of PDF. */
function written(write: (doc: Doc) => void): string {
  const doc = blank('t')
  const said: string[] = []
  const keep = doc.addContent.bind(doc)
  doc.addContent = (data: string | Uint8Array) => {
    said.push(typeof data === 'string' ? data : Buffer.from(data).toString('latin1').trim())
    return keep(data)
  }
  write(doc)
  return said.join(' ')
}

/** The height of the page, points. */
const TALL = 841.89

/**
 * Every glyph with the place where it stands, from the top of the page down, from text operators whose widths
 * are those of the face. Letters stand upright on a page that runs downwards: turned over each, or with the
 * page turned over for them.
 */
function glyphs(operators: string, widths: (glyph: string) => number, size: number) {
  const out: [glyph: string, x: number, y: number][] = []
  let [x, y] = [NaN, NaN]
  for (const [, up, tx, ty, array] of operators.matchAll(/1 0 0 (-?1) (\S+) (\S+) Tm|\[(.*?)\] TJ/g)) {
    if (tx !== undefined) {
      expect(operators.includes(`1 0 0 -1 0 ${TALL} cm`)).toBe(up === '1')
      ;[x, y] = [Number(tx), up === '1' ? TALL - Number(ty) : Number(ty)]
    } else
      for (const [, hex, back] of array.matchAll(/<([0-9a-f]+)>|(-?[\d.]+)/g))
        if (back !== undefined) x -= (Number(back) * size) / 1000
        else
          for (const glyph of hex.match(/.{4}/g)!) {
            out.push([glyph, x, y])
            x += (widths(glyph) * size) / 1000
          }
  }
  return out
}

describe('text on paper', () => {
  const faces: Face[] = ['serif', 'serif-italic', 'serif-bold', 'math', 'math-italic']
  it.each(faces)('stands glyph by glyph where the document’s own text puts it: %s', (face) => {
    for (const text of ['AVATAR, Type To.', '12 345.67 −0.5', 'fiffi', 'x']) {
      const size = 9.2
      let widths: (glyph: string) => number = () => NaN
      const mine = written((doc) => {
        setText(doc, text, face, size, '#1e2a36', 62, 100.5)
        const { _font } = doc as unknown as { _font: { widths: number[] } }
        widths = (glyph) => _font.widths[parseInt(glyph, 16)]
      })
      const own = written((doc) =>
        doc
          .font(face)
          .fontSize(size)
          .fillColor('#1e2a36')
          .text(text, 62, 100.5, { lineBreak: false, baseline: 'alphabetic' }),
      )
      const [a, b] = [glyphs(mine, widths, size), glyphs(own, widths, size)]
      expect(a.length).toBeGreaterThan(0)
      expect(a.map(([glyph]) => glyph)).toEqual(b.map(([glyph]) => glyph))
      a.forEach(([, x, y], i) => {
        expect(x).toBeCloseTo(b[i][1], 3)
        expect(y).toBeCloseTo(b[i][2], 3)
      })
    }
  })

  it('leaves the colour of what follows as it was, and nothing for no text', () => {
    const said = written((doc) => setText(doc, 'N', 'serif', 10, '#9a5b2e', 0, 0))
    expect(said).toMatch(/^q .*0\.604 0\.357 0\.18 rg .* Q$/)
    expect(written((doc) => setText(doc, '', 'serif', 10, '#9a5b2e', 0, 0))).toBe('')
  })

  it('is the same in a second document, which finds its words laid out already', () => {
    const write = (doc: Doc) => setText(doc, 'AVATAR 12.5', 'serif', 10, '#1e2a36', 5, 5)
    expect(written(write)).toBe(written(write))
  })
})
