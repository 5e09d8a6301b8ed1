import type { Placed } from './label-placement'
import type { Group } from './marks'

/** A rectangle of the picture, px. */
export interface Bounds {
  x: number
  y: number
  width: number
  height: number
}

/** Room left round a picture that is cropped, px. */
const MARGIN = 10

/**
 * The smallest rectangle that holds all marks and words. Paths are written with M, L and A in absolute
 * coordinates, circles as two relative arcs, so that their coordinates can be read off.
 */
export function boundsOf(groups: readonly Group[], labels: readonly Placed[]): Bounds | undefined {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity]
  const take = (x: number, y: number, rx = 0, ry = rx) => {
    x0 = Math.min(x0, x - rx)
    x1 = Math.max(x1, x + rx)
    y0 = Math.min(y0, y - ry)
    y1 = Math.max(y1, y + ry)
  }
  for (const { marks } of groups)
    for (const m of marks) {
      if (m.t === 'text') take(m.x, m.y, m.size)
      else pathPoints(m.d).forEach(([x, y]) => take(x, y))
    }
  for (const { box } of labels) take(box.x, box.y, box.w / 2, box.h / 2)
  if (!(x1 >= x0)) return undefined
  return {
    x: x0 - MARGIN,
    y: y0 - MARGIN,
    width: x1 - x0 + 2 * MARGIN,
    height: y1 - y0 + 2 * MARGIN,
  }
}

/** The points that a path goes through, and the far sides of the circles in it. */
function pathPoints(d: string): [number, number][] {
  const out: [number, number][] = []
  let [x, y] = [0, 0]
  for (const [, letter, rest] of d.matchAll(/([A-Za-z])([^A-Za-z]*)/g)) {
    const v = (rest.match(/-?[\d.]+/g) ?? []).map(Number)
    if (letter === 'M' || letter === 'L')
      for (let i = 0; i + 1 < v.length; i += 2) out.push(([x, y] = [v[i], v[i + 1]]))
    else if (letter === 'A') out.push(([x, y] = [v[5], v[6]]))
    else if (letter === 'a') {
      // half a circle: its top or bottom lies a radius off the middle of its ends
      out.push([x + v[5] / 2, y + v[1]], [x + v[5] / 2, y - v[1]])
      out.push(([x, y] = [x + v[5], y + v[6]]))
    }
  }
  return out
}
