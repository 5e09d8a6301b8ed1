import type { Arithmetic } from '../../quantity/arithmetic.js'
import * as D from '../../quantity/dimension.js'
import { list, quantity, record, type TypeOf } from '../../document/form.js'
import { scaled, tidy, type Measure } from '../../document/measure.js'
import { join } from '../../document/report.js'
import type { Quantity } from '../../document/types.js'
import { value, type Reading } from '../../document/values.js'
import type { StructureMember } from '../../structure/types.js'
import type { ProblemUnits } from '../../quantity/units.js'
import { amountInWords } from './words.js'
import { AT_END, fromOtherEnd, placeOnMember, type Cut } from './kind.js'

/** A line of intensities along a member, for loads that are distributed over it. */

const pointForm = (dimension: D.Dimension) =>
  record({ 'at!': quantity(D.length, { percent: true }), 'q!': quantity(dimension) })
export type LoadPoint = TypeOf<ReturnType<typeof pointForm>>

/** One intensity `q` over the whole member, or `points` with straight lines between them. */
export const lineKeys = (dimension: D.Dimension) => ({
  points: list(pointForm(dimension), 1000),
  q: quantity(dimension),
})

export interface StatedLine {
  points?: LoadPoint[]
  q?: Quantity
}

/** The points of a line in SI (m from the start, intensity); a uniform one has a point at either end. */
export function linePoints(
  ctx: Reading,
  load: StatedLine,
  dimension: D.Dimension,
  member: StructureMember,
  path: string,
): { at: number; q: number }[] {
  if ((load.points === undefined) === (load.q === undefined)) {
    ctx.report.error(
      load.points ? join(path, 'points') : join(path, 'q'),
      load.points ? 'Either "q" or "points", not both.' : 'Either "q" or "points" is needed.',
    )
    return []
  }
  if (load.points === undefined) {
    const q = value(ctx, load.q, dimension, join(path, 'q'))
    return [
      { at: 0, q },
      { at: member.length, q },
    ]
  }
  if (load.points.length < 2) ctx.report.error(join(path, 'points'), 'At least two points are needed.')
  const read = load.points.map((p, i) => ({
    at: placeOnMember(ctx, p.at, member, `${path}.points[${i}].at`),
    q: value(ctx, p.q, dimension, `${path}.points[${i}].q`),
  }))
  read.forEach((p, i) => {
    if (i === 0 || p.at >= read[i - 1].at) return
    // Two texts for one place ("40%" and a length) differ by rounding; they are the same place.
    if (p.at > read[i - 1].at - AT_END * member.length) p.at = read[i - 1].at
    else
      ctx.report.error(
        `${path}.points[${i}].at`,
        'The points must go from the start to the end of the member.',
      )
  })
  return read
}

/** Calls `add` for every stretch between two neighbouring points that stand apart. */
export function eachStretch<N>(
  by: Arithmetic<N>,
  points: readonly { at: N; q: N }[],
  add: (x0: N, x1: N, q0: N, q1: N) => void,
) {
  for (let i = 1; i < points.length; i++)
    if (by.isLess(points[i - 1].at, points[i].at))
      add(points[i - 1].at, points[i].at, points[i - 1].q, points[i].q)
}

/** The line with the opposite sign. */
export const oppositeLine = <L extends StatedLine>(load: L): L => ({
  ...load,
  ...(load.q === undefined ? {} : { q: scaled(load.q, -1) }),
  ...(load.points ? { points: load.points.map((p) => ({ ...p, q: scaled(p.q, -1) })) } : {}),
})

/** The line read from the other end of its member, of length L (problem's unit). */
export const reversedLine = <T extends StatedLine>(load: T, m: Measure, L: number): T =>
  load.points
    ? { ...load, points: load.points.map((p) => ({ ...p, at: fromOtherEnd(p.at, m, L) })).reverse() }
    : load

/** Whether every value of the line is stated as 0. */
export const isIdleLine = ({ q, points }: StatedLine): boolean =>
  points ? points.every((p) => p.q === 0) : q === 0

/** "6 kN/m" or "0 to 6 kN/m": a line as people say it. */
export const describeLine = ({ q, points }: StatedLine, d: D.Dimension, units: ProblemUnits): string =>
  points
    ? points
        .map((p) => amountInWords(p.q, d, units))
        // a uniform stretch is one value
        .filter((text, i, all) => i === 0 || text !== all[i - 1])
        .join(' to ')
    : amountInWords(q ?? 0, d, units)

/** The line on the two halves of a member that is split. */
export function splitLine<L extends StatedLine & { member: string }>(
  load: L,
  cut: Cut,
  dimension: D.Dimension,
): L[] {
  if (!load.points)
    return [
      { ...load, member: cut.first },
      { ...load, member: cut.second },
    ]
  return (['first', 'second'] as const).flatMap((half) => {
    const points = pointsOn(load.points!, cut, half, dimension)
    return points ? [{ ...load, member: cut[half], points }] : []
  })
}

/** The part of a line of points that stands on one half; undefined when none does. */
function pointsOn(
  points: readonly LoadPoint[],
  { m, L, cut }: Cut,
  half: 'first' | 'second',
  dimension: D.Dimension,
): LoadPoint[] | undefined {
  const near = AT_END * L
  const line = points.map((q) => ({ ...q, x: m.along(q.at, L), value: m.value(q.q, dimension) }))
  const out: { at: number; q: Quantity }[] = []
  const inside = (x: number) => (half === 'first' ? x <= cut + near : x >= cut - near)
  line.forEach((q, i) => {
    const before = line[i - 1]
    if (
      before &&
      inside(before.x) !== inside(q.x) &&
      Math.abs(before.x - cut) > near &&
      Math.abs(q.x - cut) > near
    ) {
      const there = before.value + ((q.value - before.value) * (cut - before.x)) / (q.x - before.x)
      out.push({ at: cut, q: before.q === q.q ? q.q : tidy(there) })
    }
    if (inside(q.x)) out.push({ at: q.x, q: q.q })
  })
  const offset = half === 'first' ? 0 : cut
  const placed = out.map((q) => ({ at: tidy(Math.max(0, q.at - offset)), q: q.q }))
  return placed.length > 1 && placed[placed.length - 1].at > placed[0].at ? placed : undefined
}
