import type { Box, Placed } from './label-placement'
import { formatPlain, type Structure } from '@viga/core'
import { line, textWidth, vec, type Group, type Mark } from './marks'
import { onScreen, type View } from './view'

/** Spans smaller than this on the screen have no room for a value. */
const NARROW = 16

/**
 * Chains of dimensions outside everything: one below for x, one at the left for y; equal bays are counted
 * together.
 */
export function dimensionGroups(
  s: Structure,
  view: View,
  perUnit: number,
  unit: string,
  reach: { bottom: number; left: number },
): Group[] {
  if (s.nodes.length < 2) return []
  const used = new Set(s.members.flatMap((m) => [m.start, m.end]))
  const nodes = s.nodes.filter((_, i) => used.has(i))
  if (nodes.length < 2) return []
  const xs = places(nodes.map((n) => n.x))
  const ys = places(nodes.map((n) => n.y))
  return [
    ...chain(xs, (x) => onScreen(view, x, 0).x, reach.bottom, false, perUnit, unit),
    ...chain(ys, (y) => onScreen(view, 0, y).y, reach.left, true, perUnit, unit),
  ]
}

function places(values: number[]): number[] {
  const sorted = [...values].sort((a, b) => a - b)
  const span = sorted[sorted.length - 1] - sorted[0]
  return sorted.filter((v, i) => i === 0 || v - sorted[i - 1] > 1e-6 * span)
}

function chain(
  values: number[],
  to: (v: number) => number,
  where: number,
  upright: boolean,
  perUnit: number,
  unit: string,
): Group[] {
  if (values.length < 2) return []
  const marks: Mark[] = []
  const p = (along: number, away: number) => (upright ? vec(where + away, along) : vec(along, where + away))
  const [first, last] = [to(values[0]), to(values[values.length - 1])]
  const out = Math.sign(last - first) * 7
  marks.push(line(p(first - out, 0), p(last + out, 0), 'hair-2', 0.9))
  const spans = values.slice(1).map((v, i) => v - values[i])
  const equal = spans.length > 3 && spans.every((d) => Math.abs(d - spans[0]) < 1e-6 * spans[0])
  for (const v of values) {
    const t = to(v)
    marks.push(line(p(t, upright ? 9 : -9), p(t, upright ? -6 : 6), 'hair-2', 0.9))
    marks.push(
      line(
        vec((upright ? where : t) - 4, (upright ? t : where) + 4),
        vec((upright ? where : t) + 4, (upright ? t : where) - 4),
        'ink-2',
        1.2,
      ),
    )
  }
  const words = (from: number, till: number, text: string) => {
    const room = Math.abs(till - from)
    if (room < NARROW || textWidth(text, 12) > room + 26) return
    const mid = (from + till) / 2
    marks.push({
      t: 'text',
      ...(upright ? { x: where - 9, y: mid, rotate: -90 } : { x: mid, y: where - 9 }),
      text,
      size: textWidth(text, 12) > room - 4 ? 10.5 : 12,
      fill: 'ink-2',
      anchor: 'middle',
      halo: true,
    })
  }
  if (equal) words(first, last, `${spans.length} bays of ${formatPlain(spans[0] * perUnit, 4)} ${unit}`)
  else
    spans.forEach((d, i) => words(to(values[i]), to(values[i + 1]), `${formatPlain(d * perUnit, 4)} ${unit}`))
  return [{ key: upright ? 'dim-y' : 'dim-x', marks }]
}

/** Dimension chains stand outside supports and labels, but inside the frame. */
export function dimensionReach(
  s: Structure,
  view: View,
  boxes: readonly Box[],
  labels: readonly Placed[],
): { bottom: number; left: number } {
  const points = s.nodes.map((n) => onScreen(view, n.x, n.y))
  const all = [...boxes, ...labels.map((l) => l.box)]
  const low = Math.max(...points.map((p) => p.y), ...all.map((b) => b.y + b.h / 2))
  const left = Math.min(...points.map((p) => p.x), ...all.map((b) => b.x - b.w / 2))
  const reach = { bottom: low + 30, left: left - 22 }
  // in a picture that is not zoomed in, never out of sight
  const lowest = Math.max(...points.map((p) => p.y))
  const leftmost = Math.min(...points.map((p) => p.x))
  return {
    bottom:
      lowest < view.height ? Math.min(reach.bottom, Math.max(view.height - 12, lowest + 20)) : reach.bottom,
    left: leftmost > 0 ? Math.max(reach.left, Math.min(16, leftmost - 20)) : reach.left,
  }
}
