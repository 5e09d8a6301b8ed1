import * as D from '../quantity/dimension.js'
import { join } from '../problem/shape.js'
import type { Load, LoadPoint, Quantity } from '../problem/types.js'
import { optional, value, type Reading } from './properties.js'
import type { StatedLoad, StructureMember } from './types.js'

/** What a load needs to find its place: the members and nodes by label. */
export interface Places extends Reading {
  nodes: ReadonlyMap<string, number>
  memberIndex: ReadonlyMap<string, number>
  members: readonly StructureMember[]
}

/** One load of the document as numbers in SI; undefined when something in it is wrong (reported at its path). */
export function statedLoad(ctx: Places, load: Load, path: string): StatedLoad | undefined {
  if (load.type === 'nodal') return nodal(ctx, load, path)
  const index = ctx.memberIndex.get(load.member)
  const at = join(path, 'member')
  if (index === undefined) {
    ctx.report.error(at, `There is no member ${load.member}.`)
    return undefined
  }
  const member = ctx.members[index]
  const axialOnly = (load.type === 'temperature' && load.gradient === undefined) || (load.type === 'misfit' && load.slip === undefined && load.kink === undefined && load.at === undefined)
  if (member.bar && !axialOnly) {
    ctx.report.error(at, `${load.member} carries axial force alone, so no load stands between its ends; put the load on its joints.`)
    return undefined
  }
  switch (load.type) {
    case 'point':
      return {
        type: 'point',
        member: index,
        at: place(ctx, load.at, member, join(path, 'at')),
        fx: optional(ctx, load.fx, D.force, join(path, 'fx'), 0),
        fy: optional(ctx, load.fy, D.force, join(path, 'fy'), 0),
        m: optional(ctx, load.m, D.moment, join(path, 'm'), 0),
        axes: load.axes ?? 'global',
      }
    case 'distributed':
      if (load.per === 'projection' && (load.direction === 'x' || load.direction === 'y'))
        ctx.report.error(join(path, 'per'), 'A load per projection acts along global X or Y.')
      return { type: 'distributed', member: index, direction: load.direction, per: load.per ?? 'length', points: points(ctx, load, D.forcePerLength, member, path) }
    case 'couple':
      return { type: 'couple', member: index, points: points(ctx, load, D.force, member, path) }
    case 'temperature':
      return {
        type: 'temperature',
        member: index,
        uniform: optional(ctx, load.uniform, D.temperature, join(path, 'uniform'), 0),
        gradient: optional(ctx, load.gradient, D.temperature, join(path, 'gradient'), 0),
      }
    case 'misfit': {
      const jump = load.slip !== undefined || load.kink !== undefined
      if (jump && load.at === undefined) ctx.report.error(join(path, 'at'), 'A slip or a kink needs its place: "at" is missing.')
      return {
        type: 'misfit',
        member: index,
        elongation: optional(ctx, load.elongation, D.length, join(path, 'elongation'), 0),
        at: load.at === undefined ? 0 : place(ctx, load.at, member, join(path, 'at')),
        slip: optional(ctx, load.slip, D.length, join(path, 'slip'), 0),
        kink: optional(ctx, load.kink, D.angle, join(path, 'kink'), 0),
      }
    }
  }
}

function nodal(ctx: Places, load: Extract<Load, { type: 'nodal' }>, path: string): StatedLoad | undefined {
  const node = ctx.nodes.get(load.node)
  if (node === undefined) {
    ctx.report.error(join(path, 'node'), `There is no joint ${load.node}.`)
    return undefined
  }
  return {
    type: 'nodal',
    node,
    fx: optional(ctx, load.fx, D.force, join(path, 'fx'), 0),
    fy: optional(ctx, load.fy, D.force, join(path, 'fy'), 0),
    m: optional(ctx, load.m, D.moment, join(path, 'm'), 0),
  }
}

const PERCENT = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?)\s*%\s*$/

/** Places this far (relative to the length) beyond an end are taken as the end: "L" typed from rounded numbers. */
const END_TOLERANCE = 1e-9

/** A place along a member, a length from its start or a percentage, as m from the start. */
export function place(ctx: Reading, raw: Quantity, member: StructureMember, path: string): number {
  const percent = typeof raw === 'string' ? PERCENT.exec(raw) : null
  const x = percent ? (Number(percent[1]) / 100) * member.length : value(ctx, raw, D.length, path)
  if (x < -END_TOLERANCE * member.length || x > member.length * (1 + END_TOLERANCE)) {
    ctx.report.error(path, `This place is not on ${member.id}: it must lie between its start and its end.`)
    return NaN
  }
  return Math.min(Math.max(x, 0), member.length)
}

function points(ctx: Reading, load: { points?: LoadPoint[]; q?: Quantity }, dimension: D.Dimension, member: StructureMember, path: string) {
  if ((load.points === undefined) === (load.q === undefined)) {
    ctx.report.error(load.points ? join(path, 'points') : join(path, 'q'), load.points ? 'Either "q" or "points", not both.' : 'Either "q" or "points" is needed.')
    return []
  }
  if (load.points === undefined) {
    const q = value(ctx, load.q, dimension, join(path, 'q'))
    return [{ at: 0, q }, { at: member.length, q }]
  }
  if (load.points.length < 2) ctx.report.error(join(path, 'points'), 'At least two points are needed.')
  const read = load.points.map((p, i) => ({
    at: place(ctx, p.at, member, `${path}.points[${i}].at`),
    q: value(ctx, p.q, dimension, `${path}.points[${i}].q`),
  }))
  read.forEach((p, i) => {
    if (i > 0 && p.at < read[i - 1].at) ctx.report.error(`${path}.points[${i}].at`, 'The points must go from the start to the end of the member.')
  })
  return read
}
