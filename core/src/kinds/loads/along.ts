import * as D from '../../quantity/dimension.js'
import { tidy } from '../../document/measure.js'
import { id, join, list, oneOf, quantity, record } from '../../document/form.js'
import type { CoupleLoad, DistributedLoad, LoadPoint, Quantity } from '../../document/types.js'
import { value, type Reading } from '../../structure/properties.js'
import type { StatedLoad, StructureMember } from '../../structure/types.js'
import { intensityDirection } from './directions.js'
import { AT_END, memberOf, place, type Cut, type LoadKind } from './kind.js'

const lines = { points: list(record({ 'at!': quantity, 'q!': quantity }), 1000), q: quantity }

/** A distributed force: uniform, or linear between points. */
export const distributed: LoadKind<DistributedLoad, Extract<StatedLoad, { type: 'distributed' }>> = {
  form: {
    'member!': id,
    'direction!': oneOf('X', 'Y', 'x', 'y'),
    per: oneOf('length', 'projection'),
    ...lines,
  },
  quantities: { at: D.length, q: D.forcePerLength },
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path)
    if (member === undefined) return undefined
    const { direction, per = 'length' } = load
    if (per === 'projection' && (direction === 'x' || direction === 'y'))
      ctx.report.error(join(path, 'per'), 'A load per projection acts along global X or Y.')
    return {
      type: 'distributed',
      member,
      direction,
      per,
      points: statedPoints(ctx, load, D.forcePerLength, ctx.members[member], path),
    }
  },
  act(load, s, to) {
    const [px, py] = intensityDirection(s.members[load.member], load.direction, load.per)
    eachSpan(load.points, (x0, x1, q0, q1) =>
      to
        .on(load.member)
        .spans.push({ a: x0, b: x1, p: [px * q0, px * q1], q: [py * q0, py * q1], c: [0, 0] }),
    )
  },
  split: (load, cut) => splitLine(load, cut, D.forcePerLength),
  turnedBy: ({ direction }, axis) =>
    direction === 'y' || direction === (axis === 'vertical' ? 'X' : 'Y') ? ['q'] : [],
}

/** A distributed couple, moment per length. */
export const couple: LoadKind<CoupleLoad, Extract<StatedLoad, { type: 'couple' }>> = {
  form: { 'member!': id, ...lines },
  quantities: { at: D.length, q: D.force },
  state(ctx, load, path) {
    const member = memberOf(ctx, load.member, path)
    return member === undefined
      ? undefined
      : { type: 'couple', member, points: statedPoints(ctx, load, D.force, ctx.members[member], path) }
  },
  act(load, _, to) {
    eachSpan(load.points, (x0, x1, q0, q1) =>
      to.on(load.member).spans.push({ a: x0, b: x1, p: [0, 0], q: [0, 0], c: [q0, q1] }),
    )
  },
  split: (load, cut) => splitLine(load, cut, D.force),
  turnedBy: () => ['q'],
}

function statedPoints(
  ctx: Reading,
  load: { points?: LoadPoint[]; q?: Quantity },
  dimension: D.Dimension,
  member: StructureMember,
  path: string,
) {
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
    at: place(ctx, p.at, member, `${path}.points[${i}].at`),
    q: value(ctx, p.q, dimension, `${path}.points[${i}].q`),
  }))
  read.forEach((p, i) => {
    if (i > 0 && p.at < read[i - 1].at)
      ctx.report.error(
        `${path}.points[${i}].at`,
        'The points must go from the start to the end of the member.',
      )
  })
  return read
}

function eachSpan(
  points: readonly { at: number; q: number }[],
  add: (x0: number, x1: number, q0: number, q1: number) => void,
) {
  for (let i = 1; i < points.length; i++)
    if (points[i].at > points[i - 1].at) add(points[i - 1].at, points[i].at, points[i - 1].q, points[i].q)
}

function splitLine<L extends DistributedLoad | CoupleLoad>(load: L, c: Cut, dimension: D.Dimension): L[] {
  if (!load.points)
    return [
      { ...load, member: c.first },
      { ...load, member: c.second },
    ]
  return (['first', 'second'] as const).flatMap((half) => {
    const points = pointsOn(load.points!, c, half, dimension)
    return points ? [{ ...load, member: c[half], points }] : []
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
