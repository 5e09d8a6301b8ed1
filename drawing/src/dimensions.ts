import type { Box, Placed } from './label-placement'
import { formatPlain, type StatedLoad, type Structure } from '@viga/core'
import type { FigureLetters } from './letters'
import { line, textWidth, vec, type Group, type Mark } from './marks'
import { onScreen, type View } from './view'

/** Spans smaller than this on the screen have no room for a value. */
const NARROW = 16

/** A chain this far beyond another one, px. */
const APART = 26

/** What is dimensioned, and in which words. */
export interface Dimensioned {
  structure: Structure
  view: View
  /** Loads whose places along members are dimensioned. */
  loads: readonly StatedLoad[]
  length: { perSI: number; unit: string }
  letters?: FigureLetters
}

/** Where the innermost chains stand, px: below for x and at the left for y. */
interface Reach {
  bottom: number
  left: number
}

/**
 * Chains of dimensions outside everything: below for x, at the left for y; equal bays are counted together.
 * Where loads stand between joints, a chain with their places stands before the one of the joints.
 */
export function dimensionGroups(d: Dimensioned, reach: Reach): Group[] {
  const { structure: s, view } = d
  const used = new Set(s.members.flatMap((m) => [m.start, m.end]))
  const nodes = s.nodes.filter((_, i) => used.has(i))
  if (nodes.length < 2) return []
  const at = loadPlaces(s, d.loads)
  const groups: Group[] = []
  for (const way of ['x', 'y'] as const) {
    const joints = places(nodes.map((n) => n[way]))
    const withLoads = places([...joints, ...at[way]])
    const upright = way === 'y'
    const to = (v: number) => (upright ? onScreen(view, 0, v).y : onScreen(view, v, 0).x)
    let where = upright ? reach.left : reach.bottom
    if (withLoads.length > joints.length) {
      groups.push(...chain(d, withLoads, { to, where, upright, key: `dim-${way}-loads` }))
      where += upright ? -APART : APART
    }
    groups.push(...chain(d, joints, { to, where, upright, key: `dim-${way}` }))
  }
  return groups
}

/** How many chains stand in each direction, beyond the first. */
export function chainsBeyond(s: Structure, loads: readonly StatedLoad[]): Record<'x' | 'y', number> {
  const at = loadPlaces(s, loads)
  return { x: at.x.length ? 1 : 0, y: at.y.length ? 1 : 0 }
}

/** Upright members are dimensioned at the left, all others below: the cosine that parts them. */
const UPRIGHT = 0.05

/** Coordinates (m) of the places between the ends of members at which loads stand, begin or end. */
function loadPlaces(s: Structure, loads: readonly StatedLoad[]): Record<'x' | 'y', number[]> {
  const out = { x: [] as number[], y: [] as number[] }
  for (const load of loads) {
    const places = load.type === 'point' ? [load.at] : 'points' in load ? load.points.map((p) => p.at) : []
    if (!('member' in load)) continue
    const m = s.members[load.member]
    const a = s.nodes[m.start]
    for (const x of places)
      if (x > 1e-6 * m.length && x < (1 - 1e-6) * m.length)
        if (Math.abs(m.cos) < UPRIGHT) out.y.push(a.y + x * m.sin)
        else out.x.push(a.x + x * m.cos)
  }
  return out
}

function places(values: number[]): number[] {
  const sorted = [...values].sort((a, b) => a - b)
  const span = sorted[sorted.length - 1] - sorted[0]
  return sorted.filter((v, i) => i === 0 || v - sorted[i - 1] > 1e-6 * span)
}

interface Chain {
  /** Coordinate of a value on the screen along the chain, px. */
  to: (v: number) => number
  /** Where the chain stands across its direction, px. */
  where: number
  upright: boolean
  key: string
}

function chain({ length, letters: words }: Dimensioned, values: number[], of: Chain): Group[] {
  if (values.length < 2) return []
  const { to, where, upright, key } = of
  const marks: Mark[] = []
  const p = (along: number, away: number) => (upright ? vec(where + away, along) : vec(along, where + away))
  const [first, last] = [to(values[0]), to(values[values.length - 1])]
  const out = Math.sign(last - first) * 7
  marks.push(line(p(first - out, 0), p(last + out, 0), 'hair-2', 0.9))
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
  const spans = values.slice(1).map((v, i) => v - values[i])
  const equal = spans.length > 3 && spans.every((d) => Math.abs(d - spans[0]) < 1e-6 * spans[0])
  const said = (si: number) => {
    const value = `${formatPlain(si * length.perSI, 4)} ${length.unit}`
    return words ? words[upright ? 'up' : 'across'](si, value) : value
  }
  if (equal) marks.push(...spanWords(first, last, `${spans.length} bays of ${said(spans[0])}`, of))
  else spans.forEach((d, i) => marks.push(...spanWords(to(values[i]), to(values[i + 1]), said(d), of)))
  return [{ key, marks }]
}

/** The words of a span over its middle, smaller where it is narrow; none where they have no room. */
function spanWords(from: number, till: number, text: string, { where, upright }: Chain): Mark[] {
  const room = Math.abs(till - from)
  if (room < NARROW || textWidth(text, 12) > room + 26) return []
  const mid = (from + till) / 2
  return [
    {
      t: 'text',
      ...(upright ? { x: where - 9, y: mid, rotate: -90 } : { x: mid, y: where - 9 }),
      text,
      size: textWidth(text, 12) > room - 4 ? 10.5 : 12,
      fill: 'ink-2',
      anchor: 'middle',
      halo: true,
    },
  ]
}

/**
 * Dimension chains stand outside supports and labels, but inside the frame.
 * @param beyond how many chains stand outside the first one in each direction
 */
export function dimensionReach(
  s: Structure,
  view: View,
  boxes: readonly Box[],
  labels: readonly Placed[],
  beyond: Record<'x' | 'y', number> = { x: 0, y: 0 },
): Reach {
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
      lowest < view.height
        ? Math.min(reach.bottom, Math.max(view.height - 12 - APART * beyond.x, lowest + 20))
        : reach.bottom,
    left: leftmost > 0 ? Math.max(reach.left, Math.min(16 + APART * beyond.y, leftmost - 20)) : reach.left,
  }
}
