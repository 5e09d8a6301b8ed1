import { textWidth, type TextMark, type Vec } from './marks'

/** A rectangle on the screen, by its middle. */
export interface Box {
  x: number
  y: number
  w: number
  h: number
}

/** A label looking for its place: candidates in order of liking, each the middle of the words. */
export interface Wish {
  key: string
  target?: string
  mark: Omit<TextMark, 'x' | 'y'>
  candidates: Iterable<Vec>
  /** The middle and radius of all candidates, where they are made one by one. */
  about?: { c: Vec; r: number }
  /** Left out rather than drawn over something: labels that repeat what stands elsewhere. */
  optional?: boolean
  /** The very point it speaks of. */
  of?: Vec
  /** Margin kept from other things, px. */
  clear?: number
}

export interface Placed {
  key: string
  target?: string
  mark: TextMark
  box: Box
  /** Where it stands from the place liked most. */
  off: Vec
}

export interface Obstacle {
  a: Vec
  b: Vec
  /** Half its thickness, px. */
  half: number
  /** How much worse it is to lie on than a load arrow; 1 unless said otherwise. */
  weight?: number
}

export function boxOf(mark: Omit<TextMark, 'x' | 'y'>, at: Vec): Box {
  const w = textWidth(mark.text, mark.size) + (mark.aside ? 7 + textWidth(mark.aside, 11.5) : 0)
  const h = mark.size * 0.86
  const turn = ((mark.rotate ?? 0) * Math.PI) / 180
  const [c, s] = [Math.abs(Math.cos(turn)), Math.abs(Math.sin(turn))]
  // a slanted label is covered by the box of its axis, thinned, so that it may lie along a member
  return { x: at.x, y: at.y, w: w * c + h * s, h: w * s + h * c }
}

const overlap = (a: Box, b: Box, clear: number) => {
  const w = (a.w + b.w) / 2 + clear - Math.abs(a.x - b.x)
  const h = (a.h + b.h) / 2 + clear - Math.abs(a.y - b.y)
  return w > 0 && h > 0 ? w * h : 0
}

/** An obstacle with what every look at it needs. */
interface Barrier {
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

const barrier = ({ a, b, half, weight = 1 }: Obstacle): Barrier => ({
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
function cut(box: Box, o: Barrier, clear: number): number {
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
 * The four corners of a slanted label shrunk to three discs along it: exact enough to lie beside a slanted
 * member.
 */
function discs(mark: Omit<TextMark, 'x' | 'y'>, at: Vec): Box[] {
  const turn = ((mark.rotate ?? 0) * Math.PI) / 180
  if (Math.abs(Math.sin(turn)) < 0.05) return [boxOf(mark, at)]
  const w = textWidth(mark.text, mark.size)
  const n = Math.max(2, Math.ceil(w / mark.size))
  const r = mark.size * 0.9
  return Array.from({ length: n }, (_, i) => {
    const t = (-0.5 + (i + 0.5) / n) * w
    return { x: at.x + t * Math.cos(turn), y: at.y + t * Math.sin(turn), w: r, h: r }
  })
}

/** How much worse than on a load arrow a label lies on another: two of them cannot be read at all. */
const WORDS = 40
/** A label whose best place costs more than this looks farther out. */
const CROWDED = 30
/** The rings on which it looks, and how far out its words may reach, px. */
const OUTWARD = [10, 16, 22, 28, 36, 46, 58]
const FARTHEST = 64

/** Labels keep this far from the edge of the picture, px. */
const EDGE = 10

/**
 * Places labels one after another, the first wishes first: each takes the candidate that collides least with
 * members,
 * load rows, supports and the labels before it; liking decides among free ones. Deterministic.
 */
export function place(
  wishes: readonly Wish[],
  obstacles: readonly Obstacle[],
  boxes: readonly Box[] = [],
  frame?: { width: number; height: number },
): Placed[] {
  const words: Box[] = []
  const out: Placed[] = []
  const barriers = obstacles.map(barrier)
  for (const wish of wishes) {
    let best: { cost: number; at: Vec } | undefined
    const clear = wish.clear ?? 3
    // only what lies within reach of its candidates can be in its way
    const near = reachOf(wish)
    const inWay = barriers.filter((o) => o.x0 < near.x1 && o.x1 > near.x0 && o.y0 < near.y1 && o.y1 > near.y0)
    const within = (b: Box) =>
      b.x - b.w / 2 < near.x1 && b.x + b.w / 2 > near.x0 && b.y - b.h / 2 < near.y1 && b.y + b.h / 2 > near.y0
    const takenHere = boxes.filter(within)
    const wordsHere = words.filter(within)
    /** What a place costs; more than `enough` is not counted out. */
    const costAt = (at: Vec, enough: number) => {
      let cost = 0
      for (const b of discs(wish.mark, at)) {
        if (frame)
          cost +=
            120 *
            Math.max(
              0,
              EDGE + b.w / 2 - b.x,
              b.x + b.w / 2 - frame.width + EDGE,
              EDGE + b.h / 2 - b.y,
              b.y + b.h / 2 - frame.height + EDGE,
            )
        for (const t of wordsHere) cost += WORDS * overlap(b, t, clear)
        for (const t of takenHere) cost += overlap(b, t, clear)
        if (cost > enough) return cost
        for (const o of inWay) {
          cost += cut(b, o, clear)
          if (cost > enough) return cost
        }
      }
      return cost
    }
    const look = (at: Vec, liking: number) => {
      if (best && best.cost <= liking) return
      const cost = costAt(at, best ? best.cost - liking : Infinity) + liking
      if (!best || cost < best.cost) best = { cost, at }
    }
    let liking = 0
    for (const at of wish.candidates) {
      // what is liked less can no longer be better
      if (best && best.cost <= liking) break
      look(at, liking)
      liking += 0.4
    }
    // nothing free: farther out, round the places that were wished for
    if (best && best.cost > CROWDED && !wish.optional)
      for (const at of firstOf(wish.candidates, 3))
        for (const r of OUTWARD)
          for (let k = 0; k < 16; k++)
            look(
              { x: at.x + r * Math.cos((k * Math.PI) / 8), y: at.y + 0.8 * r * Math.sin((k * Math.PI) / 8) },
              6 + r / 3,
            )
    if (!best) continue
    const [liked] = firstOf(wish.candidates, 1)
    if (wish.optional && best.cost > Math.max(1, liking)) continue
    words.push(...discs(wish.mark, best.at))
    out.push(placed(wish, best.at, liked))
  }
  return out
}

const placed = (wish: Wish, at: Vec, liked: Vec): Placed => ({
  key: wish.key,
  target: wish.target,
  mark: { ...wish.mark, anchor: 'middle', x: at.x, y: at.y },
  box: boxOf(wish.mark, at),
  off: { x: at.x - liked.x, y: at.y - liked.y },
})

/**
 * Labels as they stood, each as far from the place it likes most as before: what they belong to is being
 * dragged, and they
 * go along with it without looking for another place. One that was left out stays out; a new one takes its
 * first place.
 */
export function placeAsBefore(wishes: readonly Wish[], before: readonly Placed[]): Placed[] {
  const offs = new Map(before.map((l) => [l.key, l.off]))
  return wishes.flatMap((wish) => {
    const off = offs.get(wish.key)
    const [liked] = firstOf(wish.candidates, 1)
    if (!liked || (!off && wish.optional)) return []
    return [placed(wish, { x: liked.x + (off?.x ?? 0), y: liked.y + (off?.y ?? 0) }, liked)]
  })
}

/** The rectangle that a wish's candidates, and the places round them, can cover. */
function reachOf(wish: Wish) {
  const w = textWidth(wish.mark.text, wish.mark.size) / 2 + (wish.mark.aside ? 60 : 0) + FARTHEST
  const out = { x0: Infinity, x1: -Infinity, y0: Infinity, y1: -Infinity }
  if (wish.about) {
    const r = wish.about.r + w
    return { x0: wish.about.c.x - r, x1: wish.about.c.x + r, y0: wish.about.c.y - r, y1: wish.about.c.y + r }
  }
  for (const c of wish.candidates) {
    out.x0 = Math.min(out.x0, c.x - w)
    out.x1 = Math.max(out.x1, c.x + w)
    out.y0 = Math.min(out.y0, c.y - w)
    out.y1 = Math.max(out.y1, c.y + w)
  }
  return out
}

/** Candidates that are made anew each time they are gone through, and only as far as they are needed. */
export const again = (make: () => Iterator<Vec>): Iterable<Vec> => ({ [Symbol.iterator]: make })

function firstOf(candidates: Iterable<Vec>, n: number): Vec[] {
  const out: Vec[] = []
  for (const c of candidates) {
    if (out.push(c) === n) break
  }
  return out
}

/** Candidates on rings about a point, beginning with the direction liked most and going round from it. */
export function* ring(
  c: Vec,
  prefer: Vec,
  radii: readonly number[],
  w: number,
  h: number,
  steps = 16,
): Generator<Vec> {
  const start = Math.atan2(prefer.y, prefer.x)
  for (const r of radii)
    for (let i = 0; i < steps; i++) {
      const a = start + ((i % 2 ? 1 : -1) * Math.ceil(i / 2) * 2 * Math.PI) / steps
      const d = { x: Math.cos(a), y: Math.sin(a) }
      // the box, not its middle, keeps the distance
      yield { x: c.x + d.x * (r + (w / 2) * Math.abs(d.x)), y: c.y + d.y * (r + (h / 2) * Math.abs(d.y)) }
    }
}
