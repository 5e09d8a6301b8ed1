/**
 * Strokes and words a figure is made of: plain data in screen px, so that one drawing serves screen, card,
 * paper and tests.
 */

export type Ink =
  | 'ink'
  | 'ink-2'
  | 'ink-3'
  | 'hair'
  | 'hair-2'
  | 'sheet'
  | 'paper'
  | 'cedar'
  | 'cedar-tint'
  | 'cedar-deep'
  | 'load'
  | 'reaction'
  | 'tension'
  | 'compression'
  | 'held'
  | 'held-hatch'
  | 'pencil'

export interface PathMark {
  t: 'path'
  d: string
  stroke?: Ink
  width?: number
  fill?: Ink
  dash?: string
  opacity?: number
  round?: boolean
  /** The same line at rest: a deflected shape swings from there to `d` and beyond when it is animated. */
  rest?: string
  /**
   * How it looks when pointed at: `lining` is the inside of a member, `dot` a tinted mark, `hollow` stays as
   * it is.
   */
  cls?: 'lining' | 'dot' | 'hollow'
}

export interface TextMark {
  t: 'text'
  x: number
  y: number
  text: string
  /** An index below the line, behind the text. */
  sub?: string
  size: number
  fill: Ink
  weight?: 400 | 500 | 600
  italic?: boolean
  serif?: boolean
  anchor?: 'start' | 'middle' | 'end'
  /** Degrees, clockwise on the screen, about (x, y). */
  rotate?: number
  /** Ground-coloured halo round words that may meet a hairline. */
  halo?: boolean
  /** A second, quieter run of words. */
  aside?: string
  cls?: 'on-dot'
}

export type Mark = PathMark | TextMark

/** Marks that belong to one thing of the problem, such as `member:AB`; pointing at them points at it. */
export interface Group {
  key: string
  target?: string
  marks: Mark[]
  /** A diagram: pulled away from its member it grows. */
  diagram?: boolean
  /** Where pointing counts, as a wide invisible stroke. */
  hit?: { d: string; width: number }
}

/** Whether two marks look alike. Every mark of every edit is asked, so it makes nothing. */
export function sameMark(a: Mark, b: Mark): boolean {
  for (const k in a) if (Reflect.get(a, k) !== Reflect.get(b, k)) return false
  for (const k in b) if (!(k in a)) return false
  return true
}

/** What makes two paths look alike. */
export const lookOf = ({ stroke, width, fill, dash, opacity, round, cls }: PathMark): string =>
  [stroke, width, fill, dash, opacity, round, cls].join('|')

/**
 * Strokes that never hide one another, such as a row of arrows, as one path for each look: a browser takes in
 * one long path much faster than many short ones.
 */
export function joinedByLook(marks: readonly PathMark[]): PathMark[] {
  const looks = new Map<string, { mark: PathMark; d: string }>()
  for (const mark of marks) {
    const look = lookOf(mark)
    const known = looks.get(look)
    if (known) known.d += mark.d
    else looks.set(look, { mark, d: mark.d })
  }
  return Array.from(looks.values(), ({ mark, d }) => ({ ...mark, d }))
}

/**
 * Whether two groups look alike: an edit draws everything anew, most of it as it was, and that is left alone.
 */
export const sameGroup = (a: Group, b: Group): boolean =>
  a.target === b.target &&
  a.diagram === b.diagram &&
  a.hit?.d === b.hit?.d &&
  a.hit?.width === b.hit?.width &&
  a.marks.length === b.marks.length &&
  a.marks.every((m, i) => sameMark(m, b.marks[i]))

export interface Vec {
  x: number
  y: number
}

export const vec = (x: number, y: number): Vec => ({ x, y })
export const plus = (a: Vec, b: Vec, k = 1): Vec => ({ x: a.x + k * b.x, y: a.y + k * b.y })
export const times = (a: Vec, k: number): Vec => ({ x: a.x * k, y: a.y * k })
export const dot = (a: Vec, b: Vec): number => a.x * b.x + a.y * b.y
export const across = (a: Vec): Vec => ({ x: a.y, y: -a.x }) // a quarter turn counter-clockwise on the screen
export const size = (a: Vec): number => Math.hypot(a.x, a.y)
export const unit = (a: Vec): Vec => (size(a) === 0 ? vec(1, 0) : times(a, 1 / size(a)))

/** The angle of words along a direction, degrees: read from below or from the right, never upside down. */
export function uprightAngle(dir: Vec): number {
  let angle = (Math.atan2(dir.y, dir.x) * 180) / Math.PI
  if (angle > 90.01 || angle <= -89.99) angle += angle > 0 ? -180 : 180
  return Math.abs(angle - 90) < 0.5 ? -90 : angle
}

const n = (v: number) => String(Math.round(v * 100) / 100)
export const at = (p: Vec): string => `${n(p.x)} ${n(p.y)}`

export const line = (a: Vec, b: Vec, stroke: Ink, width: number, more: Partial<PathMark> = {}): PathMark => ({
  t: 'path',
  d: `M${at(a)}L${at(b)}`,
  stroke,
  width,
  ...more,
})

export const polyline = (points: readonly Vec[], closed = false): string =>
  points.map((p, i) => `${i ? 'L' : 'M'}${at(p)}`).join('') + (closed ? 'Z' : '')

export const circle = (c: Vec, r: number, more: Partial<PathMark>): PathMark => ({
  t: 'path',
  d: `M${n(c.x - r)} ${n(c.y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`,
  ...more,
})

/** A slender barbed arrow head with its tip at `tip`, pointing along `dir`. */
export function head(tip: Vec, dir: Vec, long: number, wide: number, ink: Ink): PathMark {
  const side = across(dir)
  const back = plus(tip, dir, -long)
  return {
    t: 'path',
    d: polyline(
      [tip, plus(back, side, wide / 2), plus(tip, dir, -0.78 * long), plus(back, side, -wide / 2)],
      true,
    ),
    fill: ink,
  }
}

/** An arrow from tail to tip; rows of loads take the small head. */
export function arrow(
  tail: Vec,
  tip: Vec,
  ink: Ink,
  options: { width?: number; small?: boolean } = {},
): PathMark[] {
  const dir = unit(plus(tip, tail, -1))
  const [long, wide] = options.small ? [8, 5.4] : [11, 7]
  return [
    line(tail, plus(tip, dir, -0.75 * long), ink, options.width ?? (options.small ? 1.05 : 1.6)),
    head(tip, dir, long, wide, ink),
  ]
}

/** A curved arrow for a moment: three quarters of a circle, counter-clockwise on the page when `positive`. */
export function turn(
  c: Vec,
  r: number,
  positive: boolean,
  ink: Ink,
  options: { from?: number; sweep?: number; width?: number; small?: boolean } = {},
): PathMark[] {
  const sweep = ((options.sweep ?? 230) * Math.PI) / 180
  const from = ((options.from ?? -35) * Math.PI) / 180
  const point = (a: number) => vec(c.x + r * Math.cos(a), c.y - r * Math.sin(a))
  const sign = positive ? 1 : -1
  const [a0, a1] = positive ? [from, from + sweep] : [from + sweep, from]
  const [long, wide] = options.small ? [7, 5] : [10, 6.4]
  const tip = point(a1)
  // the head follows the chord of its own length, so that it sits on the curve
  const before = point(a1 - (sign * 0.8 * long) / r)
  const dir = unit(plus(tip, before, -1))
  return [
    {
      t: 'path',
      d: `M${at(point(a0))}A${n(r)} ${n(r)} 0 ${sweep > Math.PI ? 1 : 0} ${positive ? 0 : 1} ${at(before)}`,
      stroke: ink,
      width: options.width ?? 1.5,
    },
    head(tip, dir, long, wide, ink),
  ]
}

const widthOf = (c: string) =>
  /[\s.,·'’|iljI]/.test(c) ? 0.32 : /[mwMW%@]/.test(c) ? 0.86 : /[A-Z0-9]/.test(c) ? 0.62 : 0.54

/** The widths of the characters of Latin scripts, which are asked for thousands of times in a drawing. */
const WIDTHS = Float64Array.from({ length: 0x180 }, (_, code) => widthOf(String.fromCharCode(code)))

/** The size of an index as a share of its letter's, and how far below the line it stands, in the same. */
export const INDEX = { size: 0.74, below: 0.3 }

/** The width of a text and its index, px. */
export const markWidth = ({ text, sub, size }: Pick<TextMark, 'text' | 'sub' | 'size'>): number =>
  textWidth(text, size) + (sub === undefined ? 0 : textWidth(sub, INDEX.size * size))

/** A width estimate of words in the interface type, px; good to a few percent. */
export function textWidth(text: string, fontSize: number): number {
  let w = 0
  for (const c of text) w += WIDTHS[c.codePointAt(0)!] ?? widthOf(c)
  return w * fontSize
}
