import type { SectionShape } from './cross-section'

type Point = [number, number]

/** Sides of a shape with those it may leave out, and its half heights, m. */
interface Sides {
  b: number
  t: number
  tf: number
  tw: number
  bBottom: number
  tfBottom: number
  top: number
  low: number
}

const box = (x0: number, y0: number, x1: number, y1: number): Point[] => [
  [x0, y0],
  [x1, y0],
  [x1, y1],
  [x0, y1],
]

/** Corners of the shapes with straight sides, counter-clockwise from the bottom left. */
const CORNERS: Record<'I' | 'T' | 'channel' | 'angle', (s: Sides) => Point[]> = {
  I: ({ b, tf, tw, bBottom, tfBottom, top, low }) => [
    [-bBottom / 2, low],
    [bBottom / 2, low],
    [bBottom / 2, low + tfBottom],
    [tw / 2, low + tfBottom],
    [tw / 2, top - tf],
    [b / 2, top - tf],
    [b / 2, top],
    [-b / 2, top],
    [-b / 2, top - tf],
    [-tw / 2, top - tf],
    [-tw / 2, low + tfBottom],
    [-bBottom / 2, low + tfBottom],
  ],
  T: ({ b, tf, tw, top, low }) => [
    [-tw / 2, low],
    [tw / 2, low],
    [tw / 2, top - tf],
    [b / 2, top - tf],
    [b / 2, top],
    [-b / 2, top],
    [-b / 2, top - tf],
    [-tw / 2, top - tf],
  ],
  channel: ({ b, tf, tw, top, low }) => [
    [-b / 2, low],
    [b / 2, low],
    [b / 2, low + tf],
    [-b / 2 + tw, low + tf],
    [-b / 2 + tw, top - tf],
    [b / 2, top - tf],
    [b / 2, top],
    [-b / 2, top],
  ],
  angle: ({ b, t, top, low }) => [
    [-b / 2, low],
    [b / 2, low],
    [b / 2, low + t],
    [-b / 2 + t, low + t],
    [-b / 2 + t, top],
    [-b / 2, top],
  ],
}

/** The outline of a shape as an SVG path, its centre of height at (0, 0), metres times `scale`. */
export function outline({ type, sides, properties }: SectionShape, scale: number): string {
  const k = (v: number) => Number((v * scale).toFixed(2))
  const ring = (points: Point[]) => `M${points.map(([x, y]) => `${k(x)} ${k(-y)}`).join('L')}Z`
  const round = (r: number) => `M${k(-r)} 0A${k(r)} ${k(r)} 0 1 0 ${k(r)} 0A${k(r)} ${k(r)} 0 1 0 ${k(-r)} 0Z`
  const { b = 0, h = properties.depth, tf = 0, tw = 0, t = 0, d = 0, bBottom = b, tfBottom = tf } = sides
  const [top, low] = [h / 2, -h / 2]
  switch (type) {
    case 'rectangle':
      return ring(box(-b / 2, low, b / 2, top))
    case 'circle':
      return round(d / 2)
    case 'tube':
      return round(d / 2) + round(d / 2 - t)
    case 'box':
      return ring(box(-b / 2, low, b / 2, top)) + ring(box(-b / 2 + t, low + t, b / 2 - t, top - t))
    default:
      return ring(CORNERS[type]({ b, t, tf, tw, bBottom, tfBottom, top, low }))
  }
}
