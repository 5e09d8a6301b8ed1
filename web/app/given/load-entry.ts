import type { DistributedLoad, Load, NodalLoad, PointLoad, Quantity } from '@viga/core'

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

/** Puts a minus before what was typed, with brackets where a sum would change its meaning. */
export function negated(q: Quantity): Quantity {
  if (typeof q === 'number') return q === 0 ? 0 : -q
  return topLevelSum(q) || q.trim().startsWith('-') ? `-(${q})` : `-${q}`
}

/** Undoes `negated`: the magnitude as typed, and whether a minus stood before it. */
export function magnitude(q: Quantity): { amount: Quantity; negative: boolean } {
  if (typeof q === 'number') return { amount: Math.abs(q), negative: q < 0 }
  const t = q.trim()
  if (!/^[-−]/.test(t)) return { amount: q, negative: false }
  const rest = t.slice(1).trim()
  if (rest.startsWith('(') && closing(rest) === rest.length - 1)
    return { amount: rest.slice(1, -1), negative: true }
  return topLevelSum(rest)
    ? { amount: q, negative: false }
    : { amount: /^[\d.]+$/.test(rest) ? Number(rest) : rest, negative: true }
}

function topLevelSum(t: string): boolean {
  let depth = 0
  for (let i = 0; i < t.length; i++) {
    if (t[i] === '(') depth++
    else if (t[i] === ')') depth--
    else if (depth === 0 && i > 0 && /[+\-−–]/.test(t[i]) && !/[eE*/^(]\s*$/.test(t.slice(0, i))) return true
  }
  return false
}

function closing(t: string): number {
  let depth = 0
  for (let i = 0; i < t.length; i++) {
    if (t[i] === '(') depth++
    else if (t[i] === ')' && --depth === 0) return i
  }
  return -1
}

const COS = /^\((.*)\)\*cos\((.*)\)$/s
const SIN = /^\((.*)\)\*sin\((.*)\)$/s

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
  const present = (['fx', 'fy', 'm'] as const).filter((k) => load[k] !== undefined && load[k] !== 0)
  if (present.length === 2 && present[0] === 'fx' && present[1] === 'fy' && !own) {
    const [c, s] = [COS.exec(String(load.fx)), SIN.exec(String(load.fy))]
    if (c && s && c[1] === s[1] && c[2] === s[2])
      return { sort: 'force', amount: numeric(c[1]), way: 'angle', angle: numeric(c[2]), ...at }
    return undefined
  }
  if (present.length > 1) return undefined
  const key = present[0] ?? (load.m !== undefined ? 'm' : load.fx !== undefined ? 'fx' : 'fy')
  const { amount, negative } = magnitude(load[key] ?? 0)
  if (key === 'm') return { sort: 'moment', amount, way: negative ? 'cw' : 'ccw', ...at }
  const way: Way =
    key === 'fx'
      ? own
        ? negative
          ? '-x'
          : '+x'
        : negative
          ? 'left'
          : 'right'
      : own
        ? negative
          ? '-y'
          : '+y'
        : negative
          ? 'down'
          : 'up'
  return { sort: 'force', amount, way, ...at }
}

const numeric = (t: string): Quantity => (/^-?[\d.]+$/.test(t) ? Number(t) : t)

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
  const parts: Pick<NodalLoad, 'fx' | 'fy' | 'm'> =
    e.sort === 'moment'
      ? { m: signed }
      : e.way === 'angle'
        ? { fx: `(${e.amount})*cos(${e.angle ?? 0})`, fy: `(${e.amount})*sin(${e.angle ?? 0})` }
        : VERTICAL.includes(e.way)
          ? { fy: signed }
          : { fx: signed }
  if ('node' in place) return { type: 'nodal', node: place.node, ...parts }
  const load: PointLoad = { type: 'point', member: place.member, at: e.at ?? '50%', ...parts }
  if (/^[+-][xy]$/.test(e.way)) load.axes = 'member'
  return load
}
