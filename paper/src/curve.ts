import { formatPlain, working } from '@viga/core'
import { heading, need, PAGE, TEXT_WIDTH, type Pages } from './pages'
import { CEDAR, HAIR, INK, QUIET, textBox, type Box } from './type'
import { readingOf } from './working-parts'

const [WIDE, TALL] = [TEXT_WIDTH * 0.86, 130]

/** A curve with its roots: a frame, the line of zero, numbers at the corners and at every root. */
export function curve(p: Pages, book: working.Ledger, { title, x, points, roots }: working.ChartBlock) {
  need(p, TALL + 46)
  heading(p, title, 3)
  const { doc } = p
  const end = points[points.length - 1][0]
  const ys = points.map(([, y]) => y)
  const [low, high] = [Math.min(0, ...ys), Math.max(0, ...ys)]
  const [left, top] = [PAGE.left + 34, p.y + 4]
  const at = (v: number, y: number): [number, number] => [
    left + (v / end) * WIDE,
    top + ((high - y) / (high - low || 1)) * TALL,
  ]
  doc.lineWidth(0.6).strokeColor(HAIR).rect(left, top, WIDE, TALL).stroke()
  doc
    .strokeColor(INK)
    .moveTo(...at(0, 0))
    .lineTo(...at(end, 0))
    .stroke()
  doc.lineWidth(1.1).moveTo(...at(...points[0]))
  for (const point of points.slice(1)) doc.lineTo(...at(...point))
  doc.stroke()
  const say = (text: string, size: number, colour: string) => textBox(doc, text, 'serif', size, colour)
  const put = (box: Box, [px, py]: [number, number], share: number) => box.draw(doc, px - share * box.w, py)
  for (const v of [high, low]) put(say(formatPlain(v, 3), 8, QUIET), [left - 5, at(0, v)[1] + 3], 1)
  put(say(`${x} = ${formatPlain(end, 4)}`, 8, QUIET), [left + WIDE, top + TALL + 11], 1)
  put(say('0', 8, QUIET), [left, top + TALL + 11], 0.5)
  for (const root of roots) {
    const [px, py] = at(root.x, 0)
    doc
      .lineWidth(1)
      .circle(px, py, 2.4)
      .fillColor('#ffffff')
      .strokeColor(CEDAR)
      .fillAndStroke('#ffffff', CEDAR)
    const value = working.shown(book.entry(root.at)?.value ?? root.x, readingOf(book))
    const box = say(value, 8.5, CEDAR)
    doc
      .rect(px - box.w / 2 - 2, py - 13, box.w + 4, 9)
      .fillColor('#ffffff')
      .fill()
    put(box, [px, py - 5], 0.5)
  }
  p.y = top + TALL + 20
}
