import { INDEX, type Ink, type Mark, type TextMark } from './marks'
import type { Bounds } from './bounds'
import type { Placed } from './label-placement'
import type { Group } from './marks'

/** A picture to be written as a file. */
export interface Picture {
  groups: readonly Group[]
  labels: readonly Placed[]
  /** The part of it that is kept, px. */
  bounds: Bounds
  /** What lies beyond the bounds is cut off: the Figure as somebody has zoomed into it. */
  clipped?: boolean
  /** A line of words under it. */
  caption?: string
}

export interface SvgOptions {
  inks: Readonly<Record<Ink, string>>
  /** Style rules that bring the typefaces along, so that the file looks the same everywhere. */
  fonts?: string
}

const escaped = (s: string) =>
  s.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')

const attributes = (all: Record<string, string | number | undefined>): string =>
  Object.entries(all)
    .filter(([, v]) => v !== undefined)
    .map(([k, v]) => ` ${k}="${typeof v === 'string' ? escaped(v) : v}"`)
    .join('')

const round = (v: number) => Math.round(v * 100) / 100

const rounded = (all: Record<string, number>): Record<string, number> =>
  Object.fromEntries(Object.entries(all).map(([k, v]) => [k, round(v)]))

/** Lines of a caption hold so many characters of its typeface a px of width. */
const CHARACTERS_PER_PX = 0.165
const CAPTION_LEADING = 18

/** A picture as the text of an SVG file, cropped to its bounds, on white. */
export function pictureSvg(
  { groups, labels, bounds, clipped, caption }: Picture,
  options: SvgOptions,
): string {
  const { x, y, width } = bounds
  const lines = caption ? wrapped(caption, Math.max(20, width * CHARACTERS_PER_PX)) : []
  const height = bounds.height + (lines.length ? 10 + CAPTION_LEADING * lines.length : 0)
  const drawn = [
    ...groups.flatMap((g) => g.marks.map((m) => markSvg(m, options.inks))),
    ...labels.map((l) => markSvg(l.mark, options.inks)),
  ]
  const frame = attributes({ x: round(x), y: round(y), width: round(width), height: round(bounds.height) })
  const body = [
    ...(clipped
      ? [`<clipPath id="frame"><rect${frame}/></clipPath>`, '<g clip-path="url(#frame)">', ...drawn, '</g>']
      : drawn),
    ...lines.map((line, i) =>
      captionLine(line, x + 10, y + bounds.height + 14 + i * CAPTION_LEADING, options),
    ),
  ]
  const paper = { x, y, width, height }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${round(width)}" height="${round(height)}"` +
      ` viewBox="${[x, y, width, height].map(round).join(' ')}">`,
    `<style>${options.fonts ?? ''}text{font-variant-numeric:tabular-nums lining-nums}</style>`,
    `<rect${attributes({ ...rounded(paper), fill: options.inks.paper })}/>`,
    ...body,
    '</svg>',
    '',
  ].join('\n')
}

/** The marks of groups as SVG, to stand inside an element of a page that has the inks. */
export const groupsSvg = (groups: readonly Group[], inks: SvgOptions['inks']): string =>
  groups.flatMap((g) => g.marks.map((m) => markSvg(m, inks))).join('')

function markSvg(m: Mark, inks: SvgOptions['inks']): string {
  if (m.t === 'text') return textSvg(m, inks)
  return `<path${attributes({
    d: m.d,
    fill: m.fill ? inks[m.fill] : 'none',
    stroke: m.stroke ? inks[m.stroke] : undefined,
    'stroke-width': m.width,
    'stroke-dasharray': m.dash,
    opacity: m.opacity,
    'stroke-linejoin': m.round ? 'round' : undefined,
  })}/>`
}

const SERIF = "'IBM Plex Serif', Georgia, serif"
const SANS = "'IBM Plex Sans', sans-serif"

function textSvg(m: TextMark, inks: SvgOptions['inks']): string {
  const aside = m.aside
    ? `<tspan dx="7" font-size="11.5" font-weight="400" fill="${inks['ink-3']}">${escaped(m.aside)}</tspan>`
    : ''
  const below = attributes({ dy: round(INDEX.below * m.size), 'font-size': round(INDEX.size * m.size) })
  const index = m.sub ? `<tspan${below}>${escaped(m.sub)}</tspan>` : ''
  return `<text${attributes({
    x: round(m.x),
    y: round(m.y),
    fill: inks[m.fill],
    'font-family': m.serif ? SERIF : SANS,
    'font-size': m.size,
    'font-weight': m.weight,
    'font-style': m.italic ? 'italic' : undefined,
    'text-anchor': m.anchor,
    'dominant-baseline': 'central',
    transform: m.rotate ? `rotate(${round(m.rotate)} ${round(m.x)} ${round(m.y)})` : undefined,
    ...(m.halo
      ? { 'paint-order': 'stroke', stroke: inks.paper, 'stroke-width': 4, 'stroke-linejoin': 'round' }
      : {}),
  })}>${escaped(m.text)}${index}${aside}</text>`
}

function captionLine(text: string, x: number, y: number, { inks }: SvgOptions): string {
  const type = { 'font-family': SERIF, 'font-size': 13, 'font-style': 'italic' }
  return `<text${attributes({ ...rounded({ x, y }), fill: inks['ink-2'], ...type })}>${escaped(text)}</text>`
}

/** Words in lines of at most so many characters. */
function wrapped(text: string, most: number): string[] {
  const lines: string[] = []
  for (const word of text.split(' ')) {
    const last = lines[lines.length - 1]
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  return lines
}
