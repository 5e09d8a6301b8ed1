import type { ShapeType } from '../../document/types.js'

/** Properties of a cross-section about its horizontal centroidal axis, SI: m², m⁴, m. */
export interface SectionProperties {
  A: number
  I: number
  /** Overall depth; the temperature gradient is spread over it. */
  depth: number
  /** Distance from the centroid to the top (+y) and bottom (−y) fibre. */
  yTop: number
  yBottom: number
}

/**
 * A rectangle of a composed section: width, height and the height of its own centroid above the bottom;
 * `sign` −1 takes away.
 */
interface Part {
  b: number
  h: number
  y: number
  sign?: 1 | -1
}

type Sides = Record<string, number>

/** One shape: its sides in m → its properties, or a sentence on why the sides do not make that shape. */
const formulas: Record<ShapeType, (s: Sides) => SectionProperties | string> = {
  rectangle: ({ b, h }) => doubly(b * h, (b * h ** 3) / 12, h),
  circle: ({ d }) => doubly((Math.PI * d ** 2) / 4, (Math.PI * d ** 4) / 64, d),
  tube: ({ d, t }) => {
    if (2 * t > d) return 'The wall is thicker than half the diameter.'
    const i = d - 2 * t
    return doubly((Math.PI * (d ** 2 - i ** 2)) / 4, (Math.PI * (d ** 4 - i ** 4)) / 64, d)
  },
  box: ({ b, h, t, rOuter = 0, rInner = 0 }) => {
    if (2 * t > Math.min(b, h)) return 'The wall is thicker than half the side.'
    return composed(
      h,
      [
        { b, h, y: h / 2 },
        { b: b - 2 * t, h: h - 2 * t, y: h / 2, sign: -1 },
      ],
      [
        { r: rOuter, n: -2, corner: 0, up: 1 },
        { r: rOuter, n: -2, corner: h, up: -1 },
        { r: rInner, n: 2, corner: t, up: 1 },
        { r: rInner, n: 2, corner: h - t, up: -1 },
      ],
    )
  },
  I: ({ b, h, tf, tw, r = 0, bBottom = b, tfBottom = tf }) => {
    const web = h - tf - tfBottom
    if (web < 0) return 'The two flanges are thicker than the section is high.'
    if (tw > Math.min(b, bBottom)) return 'The web is thicker than a flange is wide.'
    if (2 * r > web) return 'The root radius is larger than half the web.'
    return composed(
      h,
      [
        { b: bBottom, h: tfBottom, y: tfBottom / 2 },
        { b: tw, h: web, y: tfBottom + web / 2 },
        { b, h: tf, y: h - tf / 2 },
      ],
      bothRoots(r, 2, tfBottom, h - tf),
    )
  },
  T: ({ b, h, tf, tw }) => {
    if (tf > h) return 'The flange is thicker than the section is high.'
    if (tw > b) return 'The web is thicker than the flange is wide.'
    return composed(h, [
      { b: tw, h: h - tf, y: (h - tf) / 2 },
      { b, h: tf, y: h - tf / 2 },
    ])
  },
  channel: ({ b, h, tf, tw, r = 0 }) => {
    if (2 * tf > h) return 'The two flanges are thicker than the section is high.'
    if (tw > b) return 'The web is thicker than a flange is wide.'
    return composed(
      h,
      [
        { b, h, y: h / 2 },
        { b: b - tw, h: h - 2 * tf, y: h / 2, sign: -1 },
      ],
      bothRoots(r, 1, tf, h - tf),
    )
  },
  angle: ({ b, h, t, r = 0, rToe = 0 }) => {
    if (t > Math.min(b, h)) return 'The leg is thicker than it is long.'
    const fillets: Fillets[] = [
      { r, n: 1, corner: t, up: 1 },
      { r: rToe, n: -1, corner: t, up: -1 },
      { r: rToe, n: -1, corner: h, up: -1 },
    ]
    return composed(
      h,
      [
        { b, h: t, y: t / 2 },
        { b: t, h: h - t, y: t + (h - t) / 2 },
      ],
      fillets,
    )
  },
}

/** Properties of a shape from its sides (m), or a sentence on why there is no such section. */
export const shapeProperties = (type: ShapeType, sides: Sides): SectionProperties | string =>
  formulas[type](sides)

const doubly = (A: number, I: number, depth: number): SectionProperties => ({
  A,
  I,
  depth,
  yTop: depth / 2,
  yBottom: depth / 2,
})

/**
 * Fillets: `n` of radius r in a corner at height `corner`, growing up (+1) or down (−1); a negative n rounds
 * a corner off.
 */
interface Fillets {
  r: number
  n: number
  corner: number
  up: 1 | -1
}

/** `n` fillets at the foot of the web and at its head. */
const bothRoots = (r: number, n: number, foot: number, head: number): Fillets[] => [
  { r, n, corner: foot, up: 1 },
  { r, n, corner: head, up: -1 },
]

/**
 * Parallel-axis theorem over rectangles and root fillets. A fillet is a square of side r less a quarter
 * circle about its far corner: A = (1 − π/4) r², centroid r·(10 − 3π)/(12 − 3π) from the root.
 */
function composed(h: number, parts: Part[], fillets: Fillets[] = []): SectionProperties {
  const pieces = [
    ...parts.map((p) => ({ A: (p.sign ?? 1) * p.b * p.h, I: ((p.sign ?? 1) * p.b * p.h ** 3) / 12, y: p.y })),
    ...fillets.map(({ r, n, corner, up }) => {
      const A = (1 - Math.PI / 4) * r * r
      const fromRoot = ((10 - 3 * Math.PI) / (12 - 3 * Math.PI)) * r
      // about the root: square r⁴/3 less quarter circle about the same line (its centre stands r away)
      const c = (4 * r) / (3 * Math.PI)
      const quarter = (Math.PI * r ** 4) / 16 - ((Math.PI * r * r) / 4) * c * c
      const aboutRoot = r ** 4 / 3 - (quarter + ((Math.PI * r * r) / 4) * (r - c) ** 2)
      return { A: n * A, I: n * (aboutRoot - A * fromRoot ** 2), y: corner + up * fromRoot }
    }),
  ]
  const A = pieces.reduce((sum, p) => sum + p.A, 0)
  const y = pieces.reduce((sum, p) => sum + p.A * p.y, 0) / A
  const I = pieces.reduce((sum, p) => sum + p.I + p.A * (p.y - y) ** 2, 0)
  return { A, I, depth: h, yTop: h - y, yBottom: y }
}
