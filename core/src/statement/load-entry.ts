import type { DistributedLoad, Load, NodalLoad, PointLoad, Quantity } from '../document/types.js'
import { magnitude, negated } from '../document/sign.js'

/** Where a load acts towards, as a person chooses it; magnitudes stay positive. */
export type Way = 'down' | 'up' | 'right' | 'left' | 'ccw' | 'cw' | 'angle' | '+y' | '-y' | '+x' | '-x'

export const WAYS: Record<Way, { sign: string; label: string }> = {
  down: { sign: '↓', label: 'down' },
  up: { sign: '↑', label: 'up' },
  right: { sign: '→', label: 'right' },
  left: { sign: '←', label: 'left' },
  angle: { sign: '∠', label: 'at an angle' },
  ccw: { sign: '↺', label: 'counter-clockwise' },
  cw: { sign: '↻', label: 'clockwise' },
  '-y': { sign: '⊥', label: 'square to it, −y' },
  '+y': { sign: '⊤', label: 'square to it, +y' },
  '+x': { sign: '⇢', label: 'along it, +x' },
  '-x': { sign: '⇠', label: 'along it, −x' },
}

export type Sort = 'force' | 'moment' | 'uniform'

/** A load as one row: a sort, an amount, a way, and where it stands. */
export interface Entry {
  sort: Sort
  amount: Quantity
  way: Way
  /** Direction of a force at an angle, counter-clockwise from the right. */
  angle?: Quantity
  at?: Quantity
  per?: 'length' | 'projection'
}

/** Ways that fit a sort. */
export const waysFor = (sort: Sort, onMember: boolean): Way[] =>
  sort === 'moment'
    ? ['ccw', 'cw']
    : sort === 'uniform'
      ? ['down', 'up', 'right', 'left', '-y', '+y', '+x', '-x']
      : onMember
        ? ['down', 'up', 'right', 'left', 'angle', '-y', '+y', '+x', '-x']
        : ['down', 'up', 'right', 'left', 'angle']

const NEGATIVE: Way[] = ['down', 'left', 'cw', '-y', '-x']
const VERTICAL: Way[] = ['down', 'up', '+y', '-y']

/** The two ways along an axis, with it and against it. */
const ALONG_AXIS: Record<string, readonly [Way, Way]> = {
  'global fx': ['right', 'left'],
  'global fy': ['up', 'down'],
  'own fx': ['+x', '-x'],
  'own fy': ['+y', '-y'],
}

/**
 * The row a load is shown as; undefined when it takes more than a row (several components, many points, heat
 * …).
 */
export function entryOf(load: Load): Entry | undefined {
  if (load.type === 'distributed') {
    if (load.q === undefined) return undefined
    const { amount, negative } = magnitude(load.q)
    const way: Way = {
      X: negative ? 'left' : 'right',
      Y: negative ? 'down' : 'up',
      x: negative ? '-x' : '+x',
      y: negative ? '-y' : '+y',
    }[load.direction] as Way
    return { sort: 'uniform', amount, way, per: load.per ?? 'length' }
  }
  if (load.type !== 'nodal' && load.type !== 'point') return undefined
  const at = load.type === 'point' ? { at: load.at } : {}
  const own = load.type === 'point' && load.axes === 'member'
  if (load.force !== undefined)
    return load.m === undefined || load.m === 0
      ? { sort: 'force', amount: load.force, way: 'angle', angle: load.angle ?? 0, ...at }
      : undefined
  const present = (['fx', 'fy', 'm'] as const).filter((k) => load[k] !== undefined && load[k] !== 0)
  if (present.length > 1) return undefined
  const key = present[0] ?? (load.m !== undefined ? 'm' : load.fx !== undefined ? 'fx' : 'fy')
  const { amount, negative } = magnitude(load[key] ?? 0)
  if (key === 'm') return { sort: 'moment', amount, way: negative ? 'cw' : 'ccw', ...at }
  const ways = ALONG_AXIS[`${own ? 'own' : 'global'} ${key}`]
  return { sort: 'force', amount, way: ways[negative ? 1 : 0], ...at }
}

/** The load a row states, on a joint or on a member. */
export function loadOf(place: { node: string } | { member: string }, e: Entry): Load {
  const signed = NEGATIVE.includes(e.way) ? negated(e.amount) : e.amount
  if (e.sort === 'uniform' && 'member' in place) {
    const direction =
      e.way === 'down' || e.way === 'up'
        ? 'Y'
        : e.way === 'left' || e.way === 'right'
          ? 'X'
          : e.way.endsWith('y')
            ? 'y'
            : 'x'
    const load: DistributedLoad = { type: 'distributed', member: place.member, direction, q: signed }
    if (e.per === 'projection' && (direction === 'X' || direction === 'Y')) load.per = 'projection'
    return load
  }
  const parts: Pick<NodalLoad, 'fx' | 'fy' | 'm' | 'force' | 'angle'> =
    e.sort === 'moment'
      ? { m: signed }
      : e.way === 'angle'
        ? { force: e.amount, angle: e.angle ?? 0 }
        : VERTICAL.includes(e.way)
          ? { fy: signed }
          : { fx: signed }
  if ('node' in place) return { type: 'nodal', node: place.node, ...parts }
  const load: PointLoad = { type: 'point', member: place.member, at: e.at ?? '50%', ...parts }
  if (/^[+-][xy]$/.test(e.way)) load.axes = 'member'
  return load
}
