import { textWidth, type TextMark, type Vec } from './marks'
import { barrier, boxOf, cut, discs, overlap, type Barrier, type Box, type Obstacle } from './label-boxes'

export { boxOf, type Box, type Obstacle } from './label-boxes'

/** A label to be placed: candidate positions in order of preference, each the centre of the words. */
export interface LabelRequest {
  key: string
  target?: string
  mark: Omit<TextMark, 'x' | 'y'>
  candidates: Iterable<Vec>
  /** The middle and radius of all candidates, where they are made one by one. */
  about?: { c: Vec; r: number }
  /** Shorter words, taken where the usual ones have no free place. */
  shorter?: string
  /** Left out rather than drawn over something: labels that repeat what stands elsewhere. */
  optional?: boolean
  /** The very point it speaks of. */
  of?: Vec
  /**
   * The places farther out that may be taken: those beside the line from `a` to `b`, on the side to which
   * `dir` points. All where left out.
   */
  side?: { a: Vec; b: Vec; dir: Vec }
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

/**
 * Cost of overlapping another label, relative to overlapping a load arrow. Two overlapping labels are both
 * illegible.
 */
const WORDS = 40
/** A label whose best place costs more than this looks farther out. */
const CROWDED = 30
/** The rings on which it looks, and how far out its words may reach, px. */
const OUTWARD = [10, 16, 22, 28, 36, 46, 58]
const FARTHEST = 64

/** Labels keep this far from the edge of the picture, px. */
const EDGE = 10

/** The cost of a position. Counting stops once the cost exceeds `enough`. */
type CostOf = (at: Vec, enough: number) => number

/** How far a label reaches beyond the frame, less the edge it keeps, px. */
const beyondFrame = (b: Box, frame: { width: number; height: number }): number =>
  Math.max(
    0,
    EDGE + b.w / 2 - b.x,
    b.x + b.w / 2 - frame.width + EDGE,
    EDGE + b.h / 2 - b.y,
    b.y + b.h / 2 - frame.height + EDGE,
  )

/** The costs of the places of a label request among barriers, boxes and the words that stand already. */
function costOf(
  labelRequest: LabelRequest,
  shape: readonly Box[],
  barriers: readonly Barrier[],
  boxes: readonly Box[],
  words: readonly Box[],
  frame: { width: number; height: number } | undefined,
): CostOf {
  const clear = labelRequest.clear ?? 3
  // only obstacles within reach of the candidates can collide
  const near = reachOf(labelRequest)
  const inWay = barriers.filter((o) => o.x0 < near.x1 && o.x1 > near.x0 && o.y0 < near.y1 && o.y1 > near.y0)
  const within = (b: Box) =>
    b.x - b.w / 2 < near.x1 && b.x + b.w / 2 > near.x0 && b.y - b.h / 2 < near.y1 && b.y + b.h / 2 > near.y0
  const takenHere = boxes.filter(within)
  const wordsHere = words.filter(within)
  // the part of the label that is being looked at: hundreds of places are, so none makes anything
  const b: Box = { x: 0, y: 0, w: 0, h: 0 }
  return (at, enough) => {
    let cost = 0
    for (const part of shape) {
      b.x = at.x + part.x
      b.y = at.y + part.y
      b.w = part.w
      b.h = part.h
      if (frame) cost += 120 * beyondFrame(b, frame)
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
}

/** Whether a place farther out is on the side that a label belongs to. */
function isOnSide({ side }: LabelRequest, at: Vec): boolean {
  if (!side) return true
  const { a, b, dir } = side
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const along = ((at.x - a.x) * dx + (at.y - a.y) * dy) / (dx * dx + dy * dy)
  return (at.x - a.x) * dir.x + (at.y - a.y) * dir.y > 0 && along >= 0 && along <= 1
}

/** The best place of a label request: a candidate, or one farther out where all of them are crowded. */
function bestPlace(
  labelRequest: LabelRequest,
  cost: CostOf,
): { cost: number; at: Vec; liking: number } | undefined {
  let best: { cost: number; at: Vec } | undefined
  const look = (at: Vec, liking: number) => {
    if (best && best.cost <= liking) return
    const found = cost(at, best ? best.cost - liking : Infinity) + liking
    if (!best || found < best.cost) best = { cost: found, at }
  }
  let liking = 0
  for (const at of labelRequest.candidates) {
    // later candidates are less preferred and cannot be better
    if (best && best.cost <= liking) break
    look(at, liking)
    liking += 0.4
  }
  // no candidate is free, so positions farther out are tried
  if (best && best.cost > CROWDED && !labelRequest.optional)
    for (const at of firstOf(labelRequest.candidates, 3))
      for (const r of OUTWARD)
        for (let k = 0; k < 16; k++) {
          const turn = (k * Math.PI) / 8
          const there = { x: at.x + r * Math.cos(turn), y: at.y + 0.8 * r * Math.sin(turn) }
          if (isOnSide(labelRequest, there)) look(there, 6 + r / 3)
        }
  return best && { ...best, liking }
}

/**
 * Places labels one after another, the first requests first: each takes the candidate that collides least
 * with members, load rows, supports and the labels before it; liking decides among free ones. Deterministic.
 */
export function place(
  labelRequests: readonly LabelRequest[],
  obstacles: readonly Obstacle[],
  boxes: readonly Box[] = [],
  frame?: { width: number; height: number },
): Placed[] {
  const words: Box[] = []
  const out: Placed[] = []
  const barriers = obstacles.map(barrier)
  for (const asked of labelRequests) {
    const found = (request: LabelRequest) => {
      const shape = discs(request.mark)
      return {
        labelRequest: request,
        shape,
        best: bestPlace(request, costOf(request, shape, barriers, boxes, words, frame)),
      }
    }
    let first = found(asked)
    if (asked.shorter !== undefined && first.best && first.best.cost > Math.max(1, first.best.liking)) {
      const second = found({ ...asked, mark: { ...asked.mark, text: asked.shorter } })
      if (second.best && second.best.cost < first.best.cost) first = second
    }
    const { labelRequest, shape, best } = first
    if (!best || (labelRequest.optional && best.cost > Math.max(1, best.liking))) continue
    const [liked] = firstOf(labelRequest.candidates, 1)
    const { x, y } = best.at
    words.push(...shape.map((part) => ({ ...part, x: x + part.x, y: y + part.y })))
    out.push(placed(labelRequest, best.at, liked))
  }
  return out
}

const placed = (labelRequest: LabelRequest, at: Vec, liked: Vec): Placed => ({
  key: labelRequest.key,
  target: labelRequest.target,
  mark: { ...labelRequest.mark, anchor: 'middle', x: at.x, y: at.y },
  box: boxOf(labelRequest.mark, at),
  off: { x: at.x - liked.x, y: at.y - liked.y },
})

/**
 * Labels as they stood, each as far from the place it likes most as before: what they belong to is being
 * dragged, and they go along with it without looking for another place. One that was left out stays out; a
 * new one takes its first place.
 */
export function placeAsBefore(labelRequests: readonly LabelRequest[], before: readonly Placed[]): Placed[] {
  const offs = new Map(before.map((l) => [l.key, l.off]))
  return labelRequests.flatMap((labelRequest) => {
    const off = offs.get(labelRequest.key)
    const [liked] = firstOf(labelRequest.candidates, 1)
    if (!liked || (!off && labelRequest.optional)) return []
    return [placed(labelRequest, { x: liked.x + (off?.x ?? 0), y: liked.y + (off?.y ?? 0) }, liked)]
  })
}

/** The rectangle that the candidates of a request, and the places round them, can cover. */
function reachOf(labelRequest: LabelRequest) {
  const w =
    textWidth(labelRequest.mark.text, labelRequest.mark.size) / 2 +
    (labelRequest.mark.aside ? 60 : 0) +
    FARTHEST
  const out = { x0: Infinity, x1: -Infinity, y0: Infinity, y1: -Infinity }
  if (labelRequest.about) {
    const r = labelRequest.about.r + w
    return {
      x0: labelRequest.about.c.x - r,
      x1: labelRequest.about.c.x + r,
      y0: labelRequest.about.c.y - r,
      y1: labelRequest.about.c.y + r,
    }
  }
  for (const c of labelRequest.candidates) {
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
