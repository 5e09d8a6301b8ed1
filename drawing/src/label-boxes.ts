import { markWidth, textWidth, type TextMark, type Vec } from './marks'

/** A rectangle on the screen, by its middle. */
export interface Box {
  x: number
  y: number
  w: number
  h: number
}

/** A line that labels keep clear of. */
export interface Obstacle {
  a: Vec
  b: Vec
  /** Half its thickness, px. */
  half: number
  /** How much worse it is to lie on than a load arrow; 1 unless said otherwise. */
  weight?: number
}

/** The rectangle that a label covers. */
export function boxOf(mark: Omit<TextMark, 'x' | 'y'>, at: Vec): Box {
  const w = markWidth(mark) + (mark.aside ? 7 + textWidth(mark.aside, 11.5) : 0)
  const h = mark.size * 0.86
  const turn = ((mark.rotate ?? 0) * Math.PI) / 180
  const [c, s] = [Math.abs(Math.cos(turn)), Math.abs(Math.sin(turn))]
  // a slanted label is covered by the box of its axis, thinned, so that it may lie along a member
  return { x: at.x, y: at.y, w: w * c + h * s, h: w * s + h * c }
}

/** How much two rectangles cover each other, with so much room kept between them, px². */
export const overlap = (a: Box, b: Box, clear: number) => {
  const w = (a.w + b.w) / 2 + clear - Math.abs(a.x - b.x)
  const h = (a.h + b.h) / 2 + clear - Math.abs(a.y - b.y)
  return w > 0 && h > 0 ? w * h : 0
}

/** An obstacle with what every look at it needs. */
export interface Barrier {
  x: number
  y: number
  dx: number
  dy: number
  length: number
  half: number
  weight: number
  x0: number
  x1: number
  y0: number
  y1: number
}

export const barrier = ({ a, b, half, weight = 1 }: Obstacle): Barrier => ({
  x: a.x,
  y: a.y,
  dx: b.x - a.x,
  dy: b.y - a.y,
  length: Math.hypot(b.x - a.x, b.y - a.y),
  half,
  weight,
  x0: Math.min(a.x, b.x) - half,
  x1: Math.max(a.x, b.x) + half,
  y0: Math.min(a.y, b.y) - half,
  y1: Math.max(a.y, b.y) + half,
})

/**
 * How deep a segment cuts into a box: 0 when it passes outside. Looked at for every candidate, so it
 * allocates nothing.
 */
export function cut(box: Box, o: Barrier, clear: number): number {
  const [w, h] = [box.w / 2 + clear, box.h / 2 + clear]
  if (o.x0 >= box.x + w || o.x1 <= box.x - w || o.y0 >= box.y + h || o.y1 <= box.y - h) return 0
  const pad = o.half + clear
  let t0 = 0
  let t1 = 1
  const lowX = box.x - box.w / 2 - pad - o.x
  const highX = box.x + box.w / 2 + pad - o.x
  if (Math.abs(o.dx) < 1e-9) {
    if (lowX >= 0 || highX <= 0) return 0
  } else {
    const [ta, tb] = [lowX / o.dx, highX / o.dx]
    t0 = Math.max(t0, Math.min(ta, tb))
    t1 = Math.min(t1, Math.max(ta, tb))
    if (t1 <= t0) return 0
  }
  const lowY = box.y - box.h / 2 - pad - o.y
  const highY = box.y + box.h / 2 + pad - o.y
  if (Math.abs(o.dy) < 1e-9) {
    if (lowY >= 0 || highY <= 0) return 0
  } else {
    const [ta, tb] = [lowY / o.dy, highY / o.dy]
    t0 = Math.max(t0, Math.min(ta, tb))
    t1 = Math.min(t1, Math.max(ta, tb))
    if (t1 <= t0) return 0
  }
  return (t1 - t0) * o.length * (box.h + 2 * pad) * o.weight
}

/**
 * The rectangles that a label covers, as they lie about its middle: the one of a level label, or squares
 * along a slanted one, exact enough to lie beside a slanted member.
 */
export function discs(mark: Omit<TextMark, 'x' | 'y'>): Box[] {
  const turn = ((mark.rotate ?? 0) * Math.PI) / 180
  if (Math.abs(Math.sin(turn)) < 0.05) return [boxOf(mark, { x: 0, y: 0 })]
  const w = textWidth(mark.text, mark.size)
  const n = Math.max(2, Math.ceil(w / mark.size))
  // squares that reach as far to the side of the slanted words as the words do, and no farther
  const r = (mark.size * 0.9) / (Math.abs(Math.cos(turn)) + Math.abs(Math.sin(turn)))
  return Array.from({ length: n }, (_, i) => {
    const t = (-0.5 + (i + 0.5) / n) * w
    return { x: t * Math.cos(turn), y: t * Math.sin(turn), w: r, h: r }
  })
}
