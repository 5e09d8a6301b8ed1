import { working } from '@viga/core'
import { INK, raised, row, run, space, textBox, type Box, type Doc } from './type'

const SIZE = 10.5

/** A fraction: one over the other, centred on the line of the signs. */
function fraction(a: Box, b: Box, size: number): Box {
  const w = Math.max(a.w, b.w) + 4
  const axis = 0.25 * size
  return {
    w: w + 3,
    up: axis + 2 + a.down + a.up,
    down: 2.5 + b.up + b.down - axis,
    draw: (d, x, y) => {
      a.draw(d, x + 1.5 + (w - a.w) / 2, y - axis - 2 - a.down)
      b.draw(d, x + 1.5 + (w - b.w) / 2, y - axis + 2.5 + b.up)
      d.moveTo(x + 1.5, y - axis)
        .lineTo(x + 1.5 + w, y - axis)
        .lineWidth(0.6)
        .strokeColor(INK)
        .stroke()
    },
  }
}

/** Brackets as tall as what they hold. */
export function bracketed(b: Box, kind: '(' | '|' | '√' = '('): Box {
  const [up, down] = [b.up + 1.5, b.down + 1.5]
  const side = kind === '(' ? 4 : 3
  const curve = (d: Doc, x: number, y: number, k: number) =>
    d
      .moveTo(x, y - up)
      .bezierCurveTo(x - k * 2.6, y - up / 2, x - k * 2.6, y + down / 2, x, y + down)
      .lineWidth(0.7)
      .strokeColor(INK)
      .stroke()
  return {
    w: b.w + 2 * side + (kind === '√' ? 5 : 0),
    up,
    down,
    draw: (d, x, y) => {
      const inner = x + side + (kind === '√' ? 4 : 0)
      b.draw(d, inner, y)
      if (kind === '(') {
        curve(d, x + side - 1, y, 1)
        curve(d, inner + b.w + 1, y, -1)
      } else if (kind === '|')
        for (const at of [x + 1.5, inner + b.w + 1.5])
          d.moveTo(at, y - up)
            .lineTo(at, y + down)
            .lineWidth(0.7)
            .strokeColor(INK)
            .stroke()
      else
        d.moveTo(x, y - 2.5)
          .lineTo(x + 1.6, y - 3.5)
          .lineTo(x + 3.6, y + down)
          .lineTo(x + 6, y - up)
          .lineTo(inner + b.w + 2, y - up)
          .lineWidth(0.7)
          .strokeColor(INK)
          .stroke()
    },
  }
}

/** A number as it is written in a formula. */
export const numberBox = (doc: Doc, text: string, size = SIZE, colour = INK): Box => {
  const power = /^(.*)·10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)$/.exec(text)
  const plain = (t: string) => run(doc, t.replace(/\u2009/g, '\u00a0'), 'math', size, colour)
  if (!power) return plain(text)
  const exponent = [...power[2]].map((c) => (c === '⁻' ? '−' : String('⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(c)))).join('')
  return row(plain(`${power[1]}·10`), raised(run(doc, exponent, 'math', 0.7 * size, colour), 0.38 * size))
}

const GREEK = /[Α-Ωα-ω]/

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** What stands raised behind a letter: its degree or primes, the step it is of, the member it belongs to. */
function above({ letter, of }: working.LetterName, within?: string): string {
  const step = /⁽([⁰¹²³⁴⁵⁶⁷⁸⁹]+)⁾/.exec(letter)?.[1]
  return [
    letter.includes('°') ? '°' : '',
    letter.includes('ʲ') ? 'j' : '',
    '’'.repeat((letter.match(/′/g) ?? []).length),
    step ? `(${[...step].map((c) => RAISED.indexOf(c)).join('')})` : '',
    of !== undefined && of !== within ? of : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** A hat or a bar over letters of a width w. */
function accent(d: Doc, letter: string, x: number, y: number, w: number, size: number): void {
  const ink = () => d.lineWidth(0.6).strokeColor(INK).stroke()
  if (letter.includes('\u0302')) {
    d.moveTo(x + w / 2 - 1.4, y - 0.76 * size)
      .lineTo(x + w / 2 + 0.6, y - 0.92 * size)
      .lineTo(x + w / 2 + 2.6, y - 0.76 * size)
    ink()
  }
  if (letter.includes('\u0304')) {
    d.moveTo(x + 1, y - 0.78 * size).lineTo(x + w, y - 0.78 * size)
    ink()
  }
}

/** A letter with its index below and, where it is not plain whose it is, its member above. */
export function symbolBox(doc: Doc, name: working.LetterName, within?: string, size = SIZE): Box {
  const { letter, sub, formula } = name
  if (formula) return formulaBox(doc, formula, 'letters', within, 5, size)
  const small = 0.68 * size
  const base = letter.replace(/[′°ʲ\u0304\u0302]/g, '').replace(/⁽.*⁾/, '')
  const upright = /^(cos|sin) /.test(base) || base.length > 3
  const letters = row(
    ...[...base].map((c) =>
      run(doc, c, /[Α-Ω]/.test(c) || (upright && !GREEK.test(c)) ? 'math' : 'math-italic', size),
    ),
  )
  const raisedText = above(name, within)
  const up = raisedText ? raised(textBox(doc, raisedText, 'serif', small * 0.92), 0.42 * size) : undefined
  const index = (text: string) =>
    /^[\d,]+$/.test(text) ? run(doc, text, 'math', small) : textBox(doc, text, 'serif-italic', small)
  const down = sub === undefined ? undefined : raised(index(sub), -0.2 * size)
  const w = Math.max(up?.w ?? 0, down?.w ?? 0)
  return {
    w: letters.w + w + (w ? 0.6 : 0),
    up: Math.max(letters.up, up?.up ?? 0),
    down: Math.max(letters.down, down?.down ?? 0),
    draw: (d, x, y) => {
      letters.draw(d, x, y)
      up?.draw(d, x + letters.w + 0.4, y)
      down?.draw(d, x + letters.w + 0.2, y)
      accent(d, letter, x, y, letters.w, size)
    },
  }
}

/**
 * A formula wider than this is broken: between the terms of its sums, at the bar of a fraction, between
 * factors.
 */
const WIDEST = 420

/**
 * A formula as pieces that a line may be broken between: the terms of its sum, and what is wider than a line
 * in parts.
 */
export function formulaPieces(
  doc: Doc,
  f: working.Formula,
  written: working.Written,
  within?: string,
  figures = 5,
  size = SIZE,
): Box[] {
  const box = (g: working.Formula): Box => formulaBox(doc, g, written, within, figures, size)
  const pieces = (g: working.Formula): Box[] => formulaPieces(doc, g, written, within, figures, size)
  const sign = (s: string) => run(doc, s, 'math', size)
  /** The pieces of a part that needs brackets where it is bound more loosely than its place. */
  const tight = (g: working.Formula, needs: number): Box[] => {
    const loose = working.bond(g, written) < needs
    const whole = loose ? bracketed(box(g)) : box(g)
    if (whole.w <= WIDEST) return [whole]
    const inner = pieces(g)
    return loose
      ? [
          row(sign('('), inner[0]),
          ...inner.slice(1, -1),
          ...(inner.length > 1 ? [row(inner[inner.length - 1], sign(')'))] : [sign(')')]),
        ]
      : inner
  }
  const before = (b: Box, all: Box[]) => [row(b, all[0]), ...all.slice(1)]
  if (f.t === 'sum')
    return f.terms.flatMap((t, i) => {
      const negative = t.t === 'minus'
      const term = negative ? tight(t.of, 2) : tight(t, i ? 2 : 1.2)
      if (i === 0) return negative ? before(sign('−'), term) : term
      return before(row(space(3), sign(negative ? '−' : '+'), space(3)), term)
    })
  const whole = box(f)
  if (whole.w <= WIDEST) return [whole]
  if (f.t === 'minus') return before(sign('−'), tight(f.of, 2))
  if (f.t === 'quotient')
    return [...tight(f.over, 2), ...before(row(space(2), sign('/'), space(2)), tight(f.under, 3))]
  if (f.t === 'product')
    return f.factors.flatMap((g, i) =>
      i ? before(row(space(1.5), sign('·'), space(1.5)), tight(g, 2)) : tight(g, 2),
    )
  return [whole]
}

const raisedTo = (doc: Doc, base: Box, exponent: number, size: number): Box =>
  row(
    base,
    raised(run(doc, String(exponent), 'math', 0.7 * size), Math.max(0.38 * size, base.up - 0.45 * size)),
  )

/** The limits of an integral, one above the other behind its sign. */
const limitsBox = (size: number, from: Box, to: Box): Box => ({
  w: Math.max(from.w, to.w) + 1,
  up: 1.05 * size + to.up,
  down: 0.55 * size + from.down,
  draw: (d, x, y) => (to.draw(d, x + 2, y - 1.05 * size), from.draw(d, x - 2, y + 0.55 * size + 1)),
})

/** The angle of a cosine or sine in degrees, where numbers are put in; undefined of any other function. */
const angleBox = (
  doc: Doc,
  f: Extract<working.Formula, { t: 'function' }>,
  written: working.Written,
  size: number,
): Box | undefined =>
  written === 'numbers' && working.isAngle(f) ? run(doc, working.degrees(f.of), 'math', size) : undefined

export function formulaBox(
  doc: Doc,
  f: working.Formula,
  written: working.Written,
  within?: string,
  figures = 5,
  size = SIZE,
): Box {
  const box = (g: working.Formula): Box => formulaBox(doc, g, written, within, figures, size)
  const tight = (g: working.Formula, needs: number): Box =>
    working.bond(g, written) < needs ? bracketed(box(g)) : box(g)
  const sign = (s: string) => run(doc, s, 'math', size)
  switch (f.t) {
    case 'number':
      return numberBox(doc, working.shown(f.value, { figures: working.COUNTS }), size)
    case 'letter':
      return written === 'letters'
        ? symbolBox(doc, f.symbol, within, size)
        : numberBox(doc, working.shown(f.value, { figures }), size)
    case 'place':
      return run(doc, 'x', 'math-italic', size)
    case 'sum':
      return row(...formulaPieces(doc, f, written, within, figures, size))
    case 'product':
      return row(
        ...f.factors.flatMap((g, i) => [
          ...(i ? [written === 'letters' ? space(1.8) : row(space(1.5), sign('·'), space(1.5))] : []),
          tight(g, 2),
        ]),
      )
    case 'quotient':
      return fraction(box(f.over), box(f.under), size)
    case 'power':
      return raisedTo(doc, tight(f.base, 4), f.exponent, size)
    case 'minus':
      return row(sign('−'), tight(f.of, 2))
    case 'root':
      return bracketed(box(f.of), '√')
    case 'absolute':
      return bracketed(box(f.of), '|')
    case 'function':
      return row(sign(f.name), space(2), angleBox(doc, f, written, size) ?? tight(f.of, 4))
    case 'integral':
      return row(
        run(doc, '∫', 'big', 1.5 * size),
        limitsBox(
          size,
          ...([f.from, f.to].map((g) => formulaBox(doc, g, written, within, figures, 0.68 * size)) as [
            Box,
            Box,
          ]),
        ),
        space(2),
        tight(f.of, 2),
        space(2),
        run(doc, 'd', 'math', size),
        run(doc, 'x', 'math-italic', size),
      )
  }
}
