import * as D from '../quantity/dimension.js'
import type { Dimension } from '../quantity/dimension.js'
import { typed } from '../document/typed.js'
import type { Load, LoadPoint, Quantity } from '../document/types.js'
import type { StatedForce } from '../kinds/loads/force.js'
import { entryOf, loadOf, type Way } from './load-entry.js'
import { magnitude, negated } from '../document/sign.js'

/** The sorts a person tells loads apart by. */
export type LoadSort =
  'force' | 'moment' | 'components' | 'uniform' | 'varying' | 'couples' | 'temperature' | 'misfit'

export const SORT_WORDS: Record<LoadSort, string> = {
  force: 'force',
  moment: 'moment',
  components: 'several',
  uniform: 'uniform',
  varying: 'varying',
  couples: 'couples',
  temperature: 'temperature',
  misfit: 'lack of fit',
}

export const JOINT_SORTS: readonly LoadSort[] = ['force', 'moment', 'components']
export const MEMBER_SORTS: readonly LoadSort[] = [
  'force',
  'moment',
  'components',
  'uniform',
  'varying',
  'couples',
  'temperature',
  'misfit',
]
/** A bar takes only what acts along it. */
export const BAR_SORTS: readonly LoadSort[] = ['temperature', 'misfit']

export function sortOf(load: Load): LoadSort {
  const entry = entryOf(load)
  if (entry) return entry.sort
  switch (load.type) {
    case 'nodal':
    case 'point':
      return 'components'
    case 'distributed':
      return 'varying'
    case 'couple':
      return 'couples'
    case 'temperature':
      return 'temperature'
    case 'misfit':
      return 'misfit'
  }
}

/** What the amount of each sort is measured in; an amount goes along only to a sort of the same measure. */
const MEASURE: Record<LoadSort, 'F' | 'FL' | 'F/L' | ''> = {
  force: 'F',
  components: 'F',
  couples: 'F',
  moment: 'FL',
  uniform: 'F/L',
  varying: 'F/L',
  temperature: '',
  misfit: '',
}

const NUMBER = /^\s*(\d+\.?\d*|\.\d+)/

/**
 * The amount of a load fit for another sort: as typed, or its bare number where the unit would be another.
 */
function amountFor(load: Load, sort: LoadSort): Quantity {
  const amount = entryOf(load)?.amount ?? firstAmount(load)
  if (typeof amount === 'number' || MEASURE[sortOf(load)] === MEASURE[sort]) return amount
  const number = NUMBER.exec(amount)
  return number ? Number(number[1]) : 10
}

/**
 * The same load as another sort: the amount and the place go along where the new sort has them. A force stays
 * as it is when it is to have several components: they are added to it.
 */
export function asSort(load: Load, sort: LoadSort): Load {
  const amount = amountFor(load, sort)
  if (sort === 'components' && (load.type === 'nodal' || load.type === 'point')) return load
  if (load.type === 'nodal')
    return loadOf(
      { node: load.node },
      { sort: sort === 'moment' ? 'moment' : 'force', amount, way: sort === 'moment' ? 'ccw' : 'down' },
    )
  const { member } = load
  const at: Quantity = load.type === 'point' ? load.at : '50%'
  switch (sort) {
    case 'force':
    case 'components':
      return loadOf({ member }, { sort: 'force', amount, way: 'down', at })
    case 'moment':
      return loadOf({ member }, { sort, amount, way: 'ccw', at })
    case 'uniform':
      return loadOf({ member }, { sort, amount, way: 'down' })
    case 'varying':
      return {
        type: 'distributed',
        member,
        direction: 'Y',
        points: [
          { at: 0, q: 0 },
          { at: '100%', q: amount === 0 ? -10 : negated(amount) },
        ],
      }
    case 'couples':
      return { type: 'couple', member, q: amount }
    case 'temperature':
      return { type: 'temperature', member, uniform: 20 }
    case 'misfit':
      return { type: 'misfit', member, elongation: '1 mm' }
  }
}

function firstAmount(load: Load): Quantity {
  const q =
    load.type === 'distributed' || load.type === 'couple'
      ? (load.q ?? load.points?.find((p) => p.q !== 0)?.q)
      : load.type === 'nodal' || load.type === 'point'
        ? (load.force ?? load.fy ?? load.fx ?? load.m)
        : undefined
  return q === undefined ? 10 : magnitude(q).amount
}

/** The same load on another joint or member; a sort that does not fit there becomes one that does. */
export function moved(load: Load, to: { node: string } | { member: string }): Load {
  if ('node' in to) {
    if (load.type === 'nodal') return { ...load, node: to.node }
    if (load.type === 'point') {
      // in member axes the components would point elsewhere at a joint
      if (load.axes !== 'member') return { type: 'nodal', node: to.node, ...forceOf(load) }
    }
    return loadOf({ node: to.node }, { sort: 'force', amount: amountFor(load, 'force'), way: 'down' })
  }
  if (load.type !== 'nodal') return { ...load, member: to.member }
  return { type: 'point', member: to.member, at: '50%', ...forceOf(load) }
}

/** The force and the moment of a load, as they are stated. */
function forceOf(load: StatedForce): StatedForce {
  const out: StatedForce = {}
  for (const key of ['fx', 'fy', 'm', 'force', 'angle'] as const)
    if (load[key] !== undefined) out[key] = load[key]
  return out
}

/** A varying load as a person reads it: which way it acts, its values positive that way. */
export interface Line {
  way: Way
  points: LoadPoint[]
}

const WAY_OF = { X: ['right', 'left'], Y: ['up', 'down'], x: ['+x', '-x'], y: ['+y', '-y'] } as const
export const LINE_WAYS: readonly Way[] = ['down', 'up', 'right', 'left', '-y', '+y', '+x', '-x']

/** All values minus or nought: it acts against the axis, and the values are shown without the minus. */
export function lineOf(load: Extract<Load, { type: 'distributed' | 'couple' }>): Line {
  const points = load.points ?? [
    { at: 0, q: load.q ?? 0 },
    { at: '100%', q: load.q ?? 0 },
  ]
  const signs = points.filter((p) => p.q !== 0).map((p) => magnitude(p.q).negative)
  const against = signs.length > 0 && signs.every(Boolean)
  const axis = load.type === 'couple' ? (['ccw', 'cw'] as const) : WAY_OF[load.direction]
  return {
    way: axis[against ? 1 : 0],
    points: against ? points.map((p) => ({ ...p, q: p.q === 0 ? 0 : magnitude(p.q).amount })) : points,
  }
}

/** A line put back into its load. */
export function withLine<L extends Extract<Load, { type: 'distributed' | 'couple' }>>(
  load: L,
  { way, points }: Line,
): L {
  const against = ['down', 'left', '-x', '-y', 'cw'].includes(way)
  const out = { ...load, points: points.map((p) => ({ ...p, q: against && p.q !== 0 ? negated(p.q) : p.q })) }
  delete out.q
  if (out.type === 'distributed') {
    out.direction =
      (Object.keys(WAY_OF) as (keyof typeof WAY_OF)[]).find((k) =>
        (WAY_OF[k] as readonly Way[]).includes(way),
      ) ?? 'Y'
    if (out.direction === 'x' || out.direction === 'y') delete out.per
  }
  return out
}

/** One more point: beyond the last, or half way where the last stands at the end. */
export function withPoint({ way, points }: Line): Line {
  const last = points[points.length - 1]
  if (String(last.at).trim() !== '100%') return { way, points: [...points, { at: '100%', q: last.q }] }
  const before = points[points.length - 2]
  const share =
    typeof before.at === 'string' && /^\s*[\d.]+\s*%$/.test(before.at)
      ? parseFloat(before.at)
      : before.at === 0
        ? 0
        : 50
  return {
    way,
    points: [...points.slice(0, -1), { at: `${Number(((share + 100) / 2).toFixed(4))}%`, q: before.q }, last],
  }
}

export const withoutPoint = ({ way, points }: Line, i: number): Line => ({
  way,
  points: points.filter((_, k) => k !== i),
})

const RANGE = /\s*(?:\.\.\.?|…|\bto\b)\s*/

/**
 * A line of values as people say it: `0 to 6 kN/m`, `2..6..2 kN/m`. A value without a unit takes that of the
 * last.
 * @returns the values in order, or undefined when the text is a single value
 */
export function readLine(text: string): Quantity[] | undefined {
  const parts = text.split(RANGE).map((t) => t.trim())
  if (parts.length < 2 || parts.some((t) => t === '')) return undefined
  const unit = /^[-+\d.\s]*(?:e[-+]?\d+)?\s*([\p{L}µ°].*)$/u.exec(parts[parts.length - 1])?.[1]
  return parts.map((t) =>
    typed(unit !== undefined && t !== '0' && /^[-+]?[\d.]+$/.test(t) ? `${t} ${unit}` : t),
  )
}

/** Two places as people say them: `1 to 3`, `0..50%`. */
export function readPlaces(text: string): [Quantity, Quantity] | undefined {
  const places = readLine(text)
  if (places?.length !== 2) return undefined
  const percent = typeof places[1] === 'string' && places[1].endsWith('%')
  return [
    percent && typeof places[0] === 'number' && places[0] !== 0 ? `${places[0]}%` : places[0],
    places[1],
  ]
}

/** Values spread evenly between two places. */
export function spread(values: readonly Quantity[], from: Quantity, to: Quantity): LoadPoint[] | undefined {
  if (values.length === 2) return values.map((q, i) => ({ at: i === 0 ? from : to, q }))
  const share = (v: Quantity) =>
    v === 0 ? 0 : typeof v === 'string' && v.trim().endsWith('%') ? parseFloat(v) : undefined
  const [a, b] = [share(from), share(to)]
  const number = typeof from === 'number' && typeof to === 'number'
  if (!number && (a === undefined || b === undefined)) return undefined
  return values.map((q, i) => {
    const t = i / (values.length - 1)
    if (i === 0) return { at: from, q }
    if (i === values.length - 1) return { at: to, q }
    return {
      at: number
        ? Number((from + t * (to - from)).toPrecision(12))
        : `${Number((a! + t * (b! - a!)).toFixed(6))}%`,
      q,
    }
  })
}

/** The quantities of heat and misfit, with their words. */
export const STRAIN_FIELDS: Record<
  'temperature' | 'misfit',
  readonly { key: string; label: string; dimension: Dimension; percent?: boolean }[]
> = {
  temperature: [
    { key: 'uniform', label: 'temperature rise', dimension: D.temperature },
    { key: 'gradient', label: 'rise of the +y face over the −y face', dimension: D.temperature },
  ],
  misfit: [
    { key: 'elongation', label: 'too long by', dimension: D.length },
    { key: 'slip', label: 'slip', dimension: D.length },
    { key: 'kink', label: 'kink', dimension: D.angle },
    { key: 'at', label: 'at', dimension: D.length, percent: true },
  ],
}

/** Sets or clears one quantity of heat or misfit; a slip or a kink brings its place along. */
export function withStrain(
  load: Extract<Load, { type: 'temperature' | 'misfit' }>,
  key: string,
  value: Quantity | undefined,
): Load {
  const out = { ...load } as unknown as Record<string, unknown>
  if (value === undefined) delete out[key]
  else out[key] = value
  if (load.type === 'misfit') {
    const jump = out.slip !== undefined || out.kink !== undefined
    if (jump && out.at === undefined) out.at = '50%'
    if (!jump) delete out.at
  }
  return out as unknown as Load
}
