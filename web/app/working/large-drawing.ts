import type { Unknown } from '@viga/core'
import { LEFT, stride, TOP, visible, WRITTEN, type Viewport } from './large'

/** What is painted: the entries by row, the words of one, and what is marked. */
export interface Content {
  rows: readonly Unknown[]
  columns: readonly Unknown[]
  /** Entries that are not 0 of a row: column and value. */
  entries: (row: number) => readonly { column: number; value: number }[]
  words: (value: number) => string
  lit?: ReadonlySet<number>
  cursor?: { row: number; column: number } | null
}

/** Colours and faces of the page. */
export interface Look {
  colour: (name: string) => string
  cond: string
  sans: string
}

type Ctx = Pick<
  CanvasRenderingContext2D,
  | 'fillRect'
  | 'clearRect'
  | 'fillText'
  | 'strokeRect'
  | 'beginPath'
  | 'arc'
  | 'fill'
  | 'stroke'
  | 'moveTo'
  | 'lineTo'
  | 'rect'
  | 'clip'
  | 'save'
  | 'restore'
> & {
  fillStyle: unknown
  strokeStyle: unknown
  lineWidth: number
  font: string
  textAlign: string
  textBaseline: string
  globalAlpha: number
}

/**
 * Paints what the window shows: held rows and columns tinted, entries as points or as numbers, margins that
 * stay.
 */
export function paintLarge(c: Ctx, viewport: Viewport, content: Content, { colour, cond, sans }: Look) {
  const { rows, columns, cursor, lit } = content
  const [r0, r1] = visible(rows.length, viewport.h, viewport.y, viewport.height)
  const [c0, c1] = visible(columns.length, viewport.w, viewport.x, viewport.width)
  const X = (j: number) => LEFT + j * viewport.w - viewport.x
  const Y = (i: number) => TOP + i * viewport.h - viewport.y
  const right = Math.min(LEFT + viewport.width, X(columns.length))
  const bottom = Math.min(TOP + viewport.height, Y(rows.length))
  c.clearRect(0, 0, LEFT + viewport.width + 8, TOP + viewport.height + 8)
  c.save()
  c.beginPath()
  c.rect(LEFT, TOP, viewport.width, viewport.height)
  c.clip()
  const band = (name: string, alpha: number, i: number | undefined, j: number | undefined) => {
    c.globalAlpha = alpha
    c.fillStyle = colour(name)
    if (i !== undefined) c.fillRect(LEFT, Y(i), right - LEFT, Math.max(viewport.h, 1))
    if (j !== undefined) c.fillRect(X(j), TOP, Math.max(viewport.w, 1), bottom - TOP)
    c.globalAlpha = 1
  }
  for (let i = r0; i <= r1; i++) if (!rows[i].free) band('held-hatch', 0.3, i, undefined)
  for (let j = c0; j <= c1; j++) if (!columns[j].free) band('held-hatch', 0.3, undefined, j)
  if (cursor) band('cedar-tint', 0.75, cursor.row, cursor.column)
  c.font = `11.5px ${cond}`
  c.textAlign = 'right'
  c.textBaseline = 'middle'
  for (let i = r0; i <= r1; i++)
    for (const { column: j, value } of content.entries(i)) {
      if (j < c0 || j > c1) continue
      const on = (lit?.has(rows[i].index) && lit.has(columns[j].index)) ?? false
      const words = viewport.h >= WRITTEN ? content.words(value) : ''
      entry(c, viewport, colour, [X(j), Y(i)], words, on)
    }
  if (cursor && viewport.h > 5) {
    c.strokeStyle = colour('cedar')
    c.lineWidth = 1.6
    c.strokeRect(X(cursor.column) + 0.8, Y(cursor.row) + 0.8, viewport.w - 1.6, viewport.h - 1.6)
  }
  c.restore()
  brackets(c, right, bottom, viewport, colour('ink'))
  margins(
    c,
    viewport,
    content,
    [
      [r0, r1],
      [c0, c1],
    ],
    { colour, cond, sans },
  )
}

/** One entry: a point, or its number where cells are large enough; those of a lit member are tinted. */
function entry(
  c: Ctx,
  { w, h }: Viewport,
  colour: Look['colour'],
  [x, y]: [number, number],
  words: string,
  on: boolean,
) {
  if (on) {
    c.fillStyle = colour('cedar-tint')
    c.fillRect(x, y, w, h)
  }
  if (h >= WRITTEN) {
    c.fillStyle = colour('ink')
    c.fillText(words, x + w - 5, y + h / 2 + 0.5)
  } else {
    c.fillStyle = colour(on ? 'cedar' : 'ink-2')
    c.fillRect(x, y, Math.max(w > 4 ? w - 1 : w, 1), Math.max(h > 4 ? h - 1 : h, 1))
  }
}

/** Square brackets at the edges of the window, with serifs where the matrix ends. */
function brackets(c: Ctx, right: number, bottom: number, viewport: Viewport, ink: string) {
  c.strokeStyle = ink
  c.lineWidth = 1.2
  c.beginPath()
  for (const [x, turn] of [
    [LEFT - 2, 1],
    [right + 2, -1],
  ]) {
    if (viewport.y === 0) c.moveTo(x + 6 * turn, TOP - 1)
    if (viewport.y === 0) c.lineTo(x, TOP - 1)
    else c.moveTo(x, TOP)
    c.lineTo(x, bottom + 1)
    if (bottom < TOP + viewport.height || viewport.height >= bottom - TOP) c.lineTo(x + 6 * turn, bottom + 1)
  }
  c.stroke()
}

/**
 * Draws the number of an unknown in a margin. With `full` it stands in a circle if the unknown is free, in a
 * square if it is restrained.
 */
function mark(
  c: Ctx,
  { colour, sans }: Look,
  u: Unknown,
  [x, y]: [number, number],
  full: boolean,
  on: boolean,
) {
  c.font = `${on ? '600' : '500'} ${u.number > 999 ? 9 : 10}px ${sans}`
  if (full) {
    c.beginPath()
    if (u.free) c.arc(x, y, u.number > 99 ? 10 : 8.5, 0, 7)
    else c.rect(x - (u.number > 99 ? 10 : 8), y - 8, u.number > 99 ? 20 : 16, 16)
    c.fillStyle = colour(on ? 'cedar-tint' : u.free ? 'cedar-tint' : 'sheet')
    c.fill()
    c.strokeStyle = colour(u.free ? 'cedar' : 'held')
    c.lineWidth = on ? 1.8 : 1
    c.stroke()
  }
  c.fillStyle = colour(u.free ? 'cedar-deep' : 'ink-2')
  c.fillText(String(u.number), x, y + 0.5)
}

interface Margin {
  all: readonly Unknown[]
  /** The first and the last that the window shows. */
  shown: [number, number]
  /** px of a cell along the margin. */
  cell: number
  place: (i: number) => [number, number]
  chosen: number | undefined
  /** px that two numbers stand apart at least. */
  apart: number
}

/**
 * Draws the numbers of the unknowns along one margin. Where cells are too small for every number, only every
 * n-th is drawn, and always the chosen one.
 */
function along(
  c: Ctx,
  viewport: Viewport,
  look: Look,
  { all, shown: [from, to], cell, place, chosen, apart }: Margin,
) {
  const every = stride(cell, apart)
  const full = every === 1
  for (let i = from; i <= to; i++) {
    const [x, y] = place(i)
    if (x < LEFT - 30 || y < TOP - 20 || x > LEFT + viewport.width || y > TOP + viewport.height) continue
    const near = chosen !== undefined && Math.abs(i - chosen) * cell < apart
    if (i === chosen) mark(c, look, all[i], [x, y], full, true)
    else if ((full || all[i].number % every === 0) && !near) mark(c, look, all[i], [x, y], full, false)
  }
}

/** The numbers of the unknowns on both margins, which stay in view as the matrix is scrolled. */
function margins(
  c: Ctx,
  viewport: Viewport,
  { rows, columns, cursor }: Content,
  [r, k]: [rows: [number, number], columns: [number, number]],
  look: Look,
) {
  c.textAlign = 'center'
  c.textBaseline = 'middle'
  c.save()
  c.beginPath()
  c.rect(0, TOP, LEFT - 3, viewport.height)
  c.clip()
  along(c, viewport, look, {
    all: rows,
    shown: r,
    cell: viewport.h,
    place: (i) => [LEFT - 20, TOP + (i + 0.5) * viewport.h - viewport.y],
    chosen: cursor?.row,
    apart: 16,
  })
  c.restore()
  c.save()
  c.beginPath()
  c.rect(LEFT, 0, viewport.width, TOP - 2)
  c.clip()
  along(c, viewport, look, {
    all: columns,
    shown: k,
    cell: viewport.w,
    place: (j) => [LEFT + (j + 0.5) * viewport.w - viewport.x, TOP - 14],
    chosen: cursor?.column,
    apart: viewport.w >= 40 ? 20 : 26,
  })
  c.restore()
}
