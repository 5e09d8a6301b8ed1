import type { Picture } from '@viga/drawing/svg'
import { mark } from './figure'
import { blank, textBox, QUIET } from './type'
import { finished } from './pages'

/** Points per px of a picture: 96 px are an inch. */
const PT_PER_PX = 0.75
/** Room below the picture for its caption, points, and the size of its letters. */
const [CAPTION, LETTERS] = [26, 9]

/** A picture as a PDF of one page of its own size. */
export function picturePdf(title: string, picture: Picture): Promise<Buffer> {
  const { groups, labels, bounds, clipped, caption } = picture
  const width = bounds.width * PT_PER_PX
  const height = bounds.height * PT_PER_PX + (caption ? CAPTION : 0)
  const doc = blank(title, [width, height])
  doc.save().scale(PT_PER_PX).translate(-bounds.x, -bounds.y)
  if (clipped) doc.rect(bounds.x, bounds.y, bounds.width, bounds.height).clip()
  for (const g of groups) for (const m of g.marks) mark(doc, m)
  for (const l of labels) mark(doc, l.mark)
  doc.restore()
  if (caption) {
    const box = textBox(doc, caption, 'serif-italic', LETTERS, QUIET)
    const scale = Math.min(1, (width - 16) / box.w)
    doc
      .save()
      .translate(8, height - 12)
      .scale(scale)
    box.draw(doc, 0, 0)
    doc.restore()
  }
  return finished(doc)
}
