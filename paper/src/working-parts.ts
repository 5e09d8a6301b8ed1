import { working } from '@viga/core'
import { numberBox } from './math'
import { CEDAR, INK, QUIET, row, run, space, textBox, type Box, type Doc } from './type'

/** How the numbers of a working are read, as the problem remembers it. */
export const readingOf = (book: working.Ledger): working.Reading => working.readingOf(book.context.problem)

/** A value with its unit. */
export const valued = (doc: Doc, v: number, unit: string, reading: working.Reading, size = 10.5): Box =>
  row(
    numberBox(doc, working.shown(v, reading), size),
    ...(unit ? [space(3), textBox(doc, unit, 'serif', 0.93 * size)] : []),
  )

/** The mark of an unknown: its number in a circle when free, in a square when held. */
export function markBox(doc: Doc, u: { number: number; free: boolean }, size = 7.5): Box {
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

/** The brackets around what stands between left and right, top and bottom. */
export function brackets(doc: Doc, left: number, right: number, top: number, bottom: number): void {
  for (const [x, turn] of [
    [left, 1],
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
}

/** A dashed line that parts free from held unknowns. */
export function parted(doc: Doc, from: [number, number], to: [number, number]): void {
  doc
    .save()
    .dash(2, { space: 2 })
    .moveTo(...from)
    .lineTo(...to)
    .lineWidth(0.5)
    .strokeColor(QUIET)
    .stroke()
    .restore()
}
