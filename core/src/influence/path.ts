import type { Structure } from '../structure/types.js'
import type { InfluenceLine, LineStretch } from './line.js'
import { cubicArea, cubicAt, levelPlaces, signChanges, type Cubic } from './cubic.js'

/** A stretch of a line along a path: from where to where on it, m, and its value there. */
export interface PathStretch {
  member: number
  /** Distance from the start of the path, m; `from` < `to`. */
  from: number
  to: number
  /** By the share of the stretch in the sense of the path, SI for each N. */
  value: Cubic
  /** The path runs along the member from its end to its start. */
  reversed: boolean
}

/** One of the members of a path, with the sense in which the path runs along it. */
export interface PathMember {
  member: number
  reversed: boolean
  /** Distance of its beginning from the start of the path, m. */
  from: number
}

/**
 * The members in the order in which something drives along them, each in the sense that follows from the one
 * before: the far joint of one is the near joint of the next. Undefined where they make no path.
 */
export function pathOf(s: Structure, members: readonly number[]): PathMember[] | undefined {
  const ends = members.map((i) => [s.members[i].start, s.members[i].end])
  let at: number | undefined
  let from = 0
  const out: PathMember[] = []
  for (const [k, member] of members.entries()) {
    const [a, b] = ends[k]
    const next = ends[k + 1]
    // the first member runs towards the second; each other one away from the one before
    const reversed: boolean =
      at === undefined ? next !== undefined && next.includes(a) && !next.includes(b) : a !== at
    if (at !== undefined && (reversed ? b : a) !== at) return undefined
    if (out.some((o) => o.member === member)) return undefined
    out.push({ member, reversed, from })
    at = reversed ? a : b
    from += s.members[member].length
  }
  return out
}

/** The sense of a cubic turned round: its value at 1 − s. */
const turned = ([a, b, c, d]: Cubic): Cubic => [a + b + c + d, -b - 2 * c - 3 * d, c + 3 * d, -d]

/** A line along a path, stretch after stretch; undefined where it is undetermined somewhere on it. */
export function alongPath(
  s: Structure,
  line: InfluenceLine,
  path: readonly PathMember[],
): PathStretch[] | undefined {
  const out: PathStretch[] = []
  for (const { member, reversed, from } of path) {
    const { length } = s.members[member]
    const { stretches } = line.members.find((m) => m.member === member) ?? { stretches: [] }
    if (stretches.length === 0) return undefined
    const placed = (t: LineStretch): PathStretch =>
      reversed
        ? { member, reversed, from: from + length - t.to, to: from + length - t.from, value: turned(t.value) }
        : { member, reversed, from: from + t.from, to: from + t.to, value: t.value }
    const here = stretches.map(placed)
    out.push(...(reversed ? here.reverse() : here))
  }
  return out
}

/** Places that differ by less than this part of a path are one place. */
const SAME_PLACE = 1e-12

/** The value at a distance along a path, just left or just right of it; 0 beside the path. */
export function valueAlong(path: readonly PathStretch[], x: number, side: 'left' | 'right' = 'left'): number {
  const near = SAME_PLACE * (path.at(-1)?.to ?? 0)
  const here = path.filter((t) => x >= t.from - near && x <= t.to + near)
  const t = side === 'left' ? here[0] : here.at(-1)
  if (!t) return 0
  return cubicAt(t.value, Math.min(1, Math.max(0, (x - t.from) / (t.to - t.from))))
}

/** A part of a path over which a line has one sign, and its area, SI for each N/m. */
export interface Patch {
  from: number
  to: number
  area: number
}

/** The patches of a line of one sign each, in their order; neighbours of one sign are one patch. */
export function patches(path: readonly PathStretch[]): Patch[] {
  const out: Patch[] = []
  for (const t of path) {
    const size = t.to - t.from
    const cuts = [0, ...signChanges(t.value), 1]
    cuts.slice(1).forEach((hi, i) => {
      const area = cubicArea(t.value, cuts[i], hi) * size
      if (area === 0) return
      const [from, to] = [t.from + cuts[i] * size, t.from + hi * size]
      const last = out[out.length - 1]
      if (last && Math.sign(last.area) === Math.sign(area) && from - last.to <= 1e-9 * to) {
        last.to = to
        last.area += area
      } else out.push({ from, to, area })
    })
  }
  return out
}

/** The area of a line between two places of its path, SI for each N/m. */
export function areaBetween(path: readonly PathStretch[], from: number, to: number): number {
  return path.reduce((sum, t) => {
    const [lo, hi] = [Math.max(from, t.from), Math.min(to, t.to)]
    if (hi <= lo) return sum
    const size = t.to - t.from
    return sum + size * cubicArea(t.value, (lo - t.from) / size, (hi - t.from) / size)
  }, 0)
}

/** Values, and differences of values, smaller than this part of the largest are rounding. */
export const ROUNDING = 1e-12

/** The least and the greatest value of a line, and where on its path. */
export function lineExtremes(path: readonly PathStretch[]): { max: Peak; min: Peak } {
  const places = path.flatMap((t): Peak[] =>
    [0, ...levelPlaces(t.value), 1].map((s) => ({
      x: t.from + s * (t.to - t.from),
      value: cubicAt(t.value, s),
    })),
  )
  const small = ROUNDING * Math.max(0, ...places.map((p) => Math.abs(p.value)))
  const best = (sign: number) =>
    places.reduce((a, b) => (sign * b.value > sign * a.value + small ? b : a), { x: 0, value: 0 })
  return { max: best(1), min: best(-1) }
}

export interface Peak {
  x: number
  value: number
}
