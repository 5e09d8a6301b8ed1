import { INDEX, type Group, type Ink, type Mark, type PathMark, type TextMark } from './marks'
import type { Placed } from './label-placement'

/** Colours and typefaces as the page has them at the moment. */
export interface Palette {
  ink: (name: Ink) => string
  serif: string
  sans: string
}

/** The part of a canvas's 2D context that painting needs; `Path` is what the context fills and strokes. */
export interface Canvas<Path> {
  save(): void
  restore(): void
  fill(path: Path): void
  stroke(path: Path): void
  fillText(text: string, x: number, y: number): void
  strokeText(text: string, x: number, y: number): void
  translate(x: number, y: number): void
  rotate(angle: number): void
  setLineDash(lengths: number[]): void
  measureText(text: string): { width: number }
  strokeStyle: unknown
  fillStyle: unknown
  lineWidth: number
  lineJoin: string
  font: string
  textAlign: string
  textBaseline: string
  globalAlpha: number
}

/**
 * Paints a scene on a canvas, in px of the scene, from the same marks as the page's SVG. It is used while
 * something is dragged, since a canvas is repainted within a frame however much stands on it.
 * @param path makes what the canvas fills and strokes from the text of an SVG path
 */
export function paintScene<Path>(
  c: Canvas<Path>,
  scene: { groups: readonly Group[]; labels: readonly Placed[] },
  lit: ReadonlySet<string>,
  colours: Palette,
  path: (d: string) => Path,
) {
  const paint = (m: Mark, on: boolean) =>
    m.t === 'text'
      ? words(c, on && m.cls !== 'on-dot' ? { ...m, fill: 'cedar-deep' } : m, colours)
      : stroke(c, on ? pointedAt(m) : m, colours, path)
  for (const g of scene.groups) {
    const on = g.target !== undefined && lit.has(g.target)
    for (const m of g.marks) paint(m, on)
  }
  for (const l of scene.labels) paint(l.mark, l.target !== undefined && lit.has(l.target))
}

/** The stroke and fill of a mark that is pointed at; they equal those of the style sheet. */
function pointedAt(m: PathMark): PathMark {
  if (m.cls === 'hollow') return m
  if (m.cls === 'lining') return { ...m, stroke: 'cedar-tint' }
  if (m.cls === 'dot') return { ...m, fill: 'cedar', stroke: 'cedar' }
  if (m.stroke === undefined) return m.opacity === undefined ? { ...m, fill: 'cedar' } : m
  return { ...m, stroke: 'cedar' }
}

function stroke<Path>(c: Canvas<Path>, m: PathMark, colours: Palette, path: (d: string) => Path) {
  const shape = path(m.d)
  c.globalAlpha = m.opacity ?? 1
  if (m.fill !== undefined) {
    c.fillStyle = colours.ink(m.fill)
    c.fill(shape)
  }
  if (m.stroke !== undefined) {
    c.strokeStyle = colours.ink(m.stroke)
    c.lineWidth = m.width ?? 1
    c.lineJoin = m.round ? 'round' : 'miter'
    c.setLineDash(m.dash ? m.dash.split(/[\s,]+/).map(Number) : [])
    c.stroke(shape)
  }
  c.globalAlpha = 1
}

/** The share of a text that lies left of its anchor. */
const SHARE = { start: 0, middle: 0.5, end: 1 } as const
const ALIGN = { start: 'left', middle: 'center', end: 'right' } as const

/** The run of words that follows the text: its index, or what stands beside it. */
const tailOf = ({ sub, aside, size, weight = 400, fill }: TextMark) =>
  sub
    ? { text: sub, size: INDEX.size * size, weight, fill, dx: 0, dy: INDEX.below * size }
    : aside
      ? { text: aside, size: 11.5, weight: 400, fill: 'ink-3' as const, dx: 7, dy: 0 }
      : undefined

function words(c: Canvas<unknown>, m: TextMark, colours: Palette) {
  const turned = m.rotate !== undefined && m.rotate !== 0
  if (turned) {
    c.save()
    c.translate(m.x, m.y)
    c.rotate((m.rotate! * Math.PI) / 180)
  }
  const [x, y] = turned ? [0, 0] : [m.x, m.y]
  const font = (size: number, weight: number) =>
    `${m.italic ? 'italic ' : ''}${weight} ${size}px ${m.serif ? colours.serif : colours.sans}`
  c.font = font(m.size, m.weight ?? 400)
  c.textBaseline = 'middle'
  const tail = tailOf(m)
  c.textAlign = tail ? 'left' : ALIGN[m.anchor ?? 'start']
  let left = x
  if (tail) {
    const main = c.measureText(m.text).width
    c.font = font(tail.size, tail.weight)
    left = x - (main + tail.dx + c.measureText(tail.text).width) * SHARE[m.anchor ?? 'start']
    run(c, tail.text, left + main + tail.dx, y + tail.dy, tail.fill, m.halo === true, colours)
    c.font = font(m.size, m.weight ?? 400)
  }
  run(c, m.text, left, y, m.fill, m.halo === true, colours)
  if (turned) c.restore()
}

function run(
  c: Canvas<unknown>,
  text: string,
  x: number,
  y: number,
  fill: Ink,
  halo: boolean,
  colours: Palette,
) {
  if (halo) {
    c.strokeStyle = colours.ink('paper')
    c.lineWidth = 4
    c.lineJoin = 'round'
    c.setLineDash([])
    c.strokeText(text, x, y)
  }
  c.fillStyle = colours.ink(fill)
  c.fillText(text, x, y)
}
