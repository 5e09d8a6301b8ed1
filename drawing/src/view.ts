import type { Structure, StructureMember } from '@viga/core'
import { vec, type Vec } from './marks'

/** How the plane of the structure (m, Y up) lies on the screen (px, y down). */
export interface View {
  /** px per m. */
  scale: number
  ox: number
  oy: number
  width: number
  height: number
}

export const onScreen = (view: View, x: number, y: number): Vec =>
  vec(view.ox + x * view.scale, view.oy - y * view.scale)
export const inPlane = (view: View, p: Vec): Vec =>
  vec((p.x - view.ox) / view.scale, (view.oy - p.y) / view.scale)

export interface Insets {
  left: number
  right: number
  top: number
  bottom: number
}

/** Room for load rows, letters and dimension chains round the structure. */
export const FIGURE_INSETS: Insets = { left: 138, right: 100, top: 104, bottom: 112 }

/**
 * The same on a smaller sheet, where they leave the structure its share, and still hold a diagram, a row of
 * loads and an arrow of a reaction with its value.
 */
export function insetsFor(width: number, height: number): Insets {
  const [across, up] = [Math.min(1, width / 704), Math.min(1, height / 560)]
  const { left, right, top, bottom } = FIGURE_INSETS
  return {
    left: Math.max(70, left * across),
    right: Math.max(70, right * across),
    top: Math.max(62, top * up),
    bottom: Math.max(68, bottom * up),
  }
}

/**
 * The structure as large as it goes between the insets, in the middle; a point or nothing at a scale of
 * `unitPx` px per m.
 */
export function fit(
  nodes: readonly { x: number; y: number }[],
  width: number,
  height: number,
  insets: Insets,
  unitPx = 70,
): View {
  const w = Math.max(40, width - insets.left - insets.right)
  const h = Math.max(40, height - insets.top - insets.bottom)
  if (nodes.length === 0)
    return { scale: unitPx, ox: insets.left + 0.12 * w, oy: insets.top + 0.82 * h, width, height }
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const n of nodes) {
    x0 = Math.min(x0, n.x)
    x1 = Math.max(x1, n.x)
    y0 = Math.min(y0, n.y)
    y1 = Math.max(y1, n.y)
  }
  const scale =
    x1 - x0 > 0 || y1 - y0 > 0
      ? Math.min(x1 > x0 ? w / (x1 - x0) : Infinity, y1 > y0 ? h / (y1 - y0) : Infinity)
      : unitPx
  return {
    scale,
    ox: insets.left + w / 2 - (scale * (x0 + x1)) / 2,
    oy: insets.top + h / 2 + (scale * (y0 + y1)) / 2,
    width,
    height,
  }
}

/** The same view nearer or farther, with the point under the pointer kept in place. */
export function zoomAt(view: View, p: Vec, factor: number): View {
  return {
    ...view,
    scale: view.scale * factor,
    ox: p.x + (view.ox - p.x) * factor,
    oy: p.y + (view.oy - p.y) * factor,
  }
}

/** A member on the screen: its ends, its direction and its +y normal. */
export interface Line {
  a: Vec
  b: Vec
  dir: Vec
  up: Vec
  px: number
}

export function memberLine(s: Structure, view: View, m: StructureMember): Line {
  const from = s.nodes[m.start]
  const to = s.nodes[m.end]
  return {
    a: onScreen(view, from.x, from.y),
    b: onScreen(view, to.x, to.y),
    dir: vec(m.cos, -m.sin),
    up: vec(-m.sin, -m.cos),
    px: m.length * view.scale,
  }
}

/** Structures with more members than this write only the labels that have room. */
export const MANY = 16

/** Members shorter than this on the screen leave no room for words. */
const TIGHT_PX = 26
/** Structures with fewer members write every label that can be placed. */
const FEW = 60

/**
 * Whether most members are so short on the screen that nothing can be said beside them: the Figure is then a
 * map, and zooming in brings the words.
 */
export function isMap(s: Structure, view: View): boolean {
  if (s.members.length <= FEW) return false
  const px = s.members.map((m) => m.length * view.scale).sort((a, b) => a - b)
  return px[px.length >> 1] < TIGHT_PX
}

/**
 * How much room there is between neighbours: 1 for a textbook figure, towards 0.3 where members are short on
 * the screen.
 */
export function roominess(s: Structure, view: View): number {
  if (s.members.length <= MANY) return 1
  const px = s.members.map((m) => m.length * view.scale).sort((a, b) => a - b)
  return Math.max(0.3, Math.min(1, px[Math.floor(px.length / 4)] / 130))
}
