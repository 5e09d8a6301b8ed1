import * as D from '../../../quantity/dimension.js'
import { formatPlain } from '../../../quantity/format.js'
import { coherentUnitName } from '../../../quantity/units.js'
import type { StatedLoad, StructureMember } from '../../../structure/types.js'
import { absolute, minus, number, sum, times, type Formula } from '../../expression.js'
import { formula, index, type Context, type Found, type Finder, type Kind, kinds } from './kind.js'
import { toLoad } from './belongs.js'

type On<T extends StatedLoad['type']> = Extract<StatedLoad, { type: T }>
type OnMember = Exclude<StatedLoad, { type: 'nodal' }>

/** The loads of the shown case, as numbers; none for a combination, whose values are sums over its cases. */
export const loadsOf = (c: Context): readonly StatedLoad[] =>
  c.solution.structure.cases.find((o) => o.id === c.action.id)?.loads ?? []

/** Those on one member, each with its place in the case. */
export const loadsOn = (c: Context, member: number): { n: number; load: OnMember }[] =>
  loadsOf(c).flatMap((load, n) => (load.type !== 'nodal' && load.member === member ? [{ n, load }] : []))

export const selfWeightOf = (c: Context): number =>
  c.solution.structure.cases.find((o) => o.id === c.action.id)?.selfWeight ?? 0

const KEYS: Record<string, [letter: string, dimension: D.Dimension, words: string]> = {
  fx: ['Fx', D.force, 'Force along x'],
  fy: ['Fy', D.force, 'Force along y'],
  m: ['M', D.moment, 'Moment'],
  at: ['a', D.length, 'Distance from the start'],
  uniform: ['ΔT', D.temperature, 'Rise of temperature'],
  gradient: ['ΔTh', D.temperature, 'Difference of temperature over the depth'],
  elongation: ['δ', D.length, 'Made too long by'],
  slip: ['slip', D.length, 'Jump across the member'],
  kink: ['kink', D.angle, 'Bend at a place'],
}

/** What a load is called in a sentence. */
const which = (c: Context, n: number) => `load ${n + 1} of case ${c.action.title}`

const memberOf = (c: Context, load: OnMember): StructureMember => c.solution.structure.members[load.member]

/**
 * A component of a load in member axes: along it (side 0) or across it (side 1), of its global or own
 * components.
 */
function turnedTo(
  c: Context,
  id: string,
  side: 0 | 1,
  X: Formula | undefined,
  Y: Formula | undefined,
): Formula {
  const [cos, sin] = [c.letter('c', id), c.letter('s', id)]
  const terms: Formula[] = []
  if (X) terms.push(side === 0 ? times(X, cos) : minus(times(X, sin)))
  if (Y) terms.push(side === 0 ? times(Y, sin) : times(Y, cos))
  return sum(...terms)
}

/**
 * The intensity of a distributed load in member axes, at one of its points: stated, turned, and per
 * projection made shorter.
 */
function intensity(
  c: Context,
  n: number,
  p: number,
  side: 0 | 1,
): { si: number; formula: Formula } | undefined {
  const load = loadsOf(c)[n]
  if (load?.type !== 'distributed' || !load.points[p]) return undefined
  const m = memberOf(c, load)
  const q = c.letter('load-q', n, p)
  const { direction, per } = load
  if (direction === 'x' || direction === 'y')
    return (direction === 'x') === (side === 0)
      ? { si: load.points[p].q, formula: q }
      : { si: 0, formula: number(0) }
  const share = per === 'length' ? 1 : Math.abs(direction === 'Y' ? m.cos : m.sin)
  const along = direction === 'X' ? (side === 0 ? m.cos : -m.sin) : side === 0 ? m.sin : m.cos
  const whole = per === 'length' ? q : times(q, absolute(c.letter(direction === 'Y' ? 'c' : 's', m.id)))
  return {
    si: load.points[p].q * share * along,
    formula:
      direction === 'X'
        ? turnedTo(c, m.id, side, whole, undefined)
        : turnedTo(c, m.id, side, undefined, whole),
  }
}

const inMemberAxes =
  (letter: string, side: 0 | 1): Finder =>
  (c, at, point) => {
    const it = intensity(c, index(at), index(point), side)
    return (
      it && {
        symbol: { letter, sub: String(index(point) + 1) },
        si: it.si,
        dimension: D.forcePerLength,
        origin: formula(
          it.formula,
          side === 0 ? 'The part of the load along the member.' : 'The part of the load across the member.',
        ),
      }
    )
  }

const forceInMemberAxes =
  (letter: string, side: 0 | 1): Finder =>
  (c, at) => {
    const n = index(at)
    const load = loadsOf(c)[n]
    if (load?.type !== 'point') return undefined
    const m = memberOf(c, load)
    const own = load.axes === 'member'
    const si = own
      ? side === 0
        ? load.fx
        : load.fy
      : side === 0
        ? m.cos * load.fx + m.sin * load.fy
        : -m.sin * load.fx + m.cos * load.fy
    const part = (key: 'fx' | 'fy') => (load[key] === 0 ? undefined : c.letter('load', n, key))
    return {
      symbol: { letter, of: m.id },
      si,
      dimension: D.force,
      origin: () =>
        formula(
          own
            ? c.letter('load', n, side === 0 ? 'fx' : 'fy')
            : turnedTo(c, m.id, side, part('fx'), part('fy')),
        )(),
    }
  }

/** Of a component of a force stated by size and angle: how it follows from them. */
function polarWords(c: Context, n: number, key: string): string {
  const load = loadsOf(c)[n]
  if ((key !== 'fx' && key !== 'fy') || (load.type !== 'nodal' && load.type !== 'point') || !load.polar)
    return ''
  const size = formatPlain(c.coherent(load.polar.force, D.force))
  const degrees = formatPlain((load.polar.angle * 180) / Math.PI)
  return (
    `, ${size} ${coherentUnitName(c.units, D.force)} at ${degrees}°, times ` +
    `${key === 'fx' ? 'cos' : 'sin'} ${degrees}°`
  )
}

/** Stated values of loads, and what they are in the axes of their member. */
export const LOADS: Record<string, Kind> = {
  ...kinds(toLoad, {
    load: (c, at, key) => {
      const n = index(at)
      const load = loadsOf(c)[n] as unknown as Record<string, number> | undefined
      if (!load || !Object.hasOwn(KEYS, key) || typeof load[key] !== 'number') return undefined
      const [letter, dimension, words] = KEYS[key]
      return {
        symbol: { letter },
        si: load[key],
        dimension,
        exact: true,
        origin: () => ({ kind: 'stated', words: `${words}: ${which(c, n)}${polarWords(c, n, key)}.` }),
      }
    },
    'load-q': (c, at, point) => linePoint(c, at, point, 'q'),
    'load-at': (c, at, point) => linePoint(c, at, point, 'at'),
    'load-along': inMemberAxes('p', 0),
    'load-across': inMemberAxes('q', 1),
    'force-along': forceInMemberAxes('Fx', 0),
    'force-across': forceInMemberAxes('Fy', 1),
  }),
}

function linePoint(c: Context, at: string, point: string, key: 'q' | 'at'): Found | undefined {
  const n = index(at)
  const load = loadsOf(c)[n]
  if (load?.type !== 'distributed' && load?.type !== 'couple') return undefined
  const p: On<'distributed' | 'couple'>['points'][number] | undefined = load.points[index(point)]
  if (!p) return undefined
  const couple = load.type === 'couple'
  return {
    symbol: { letter: key === 'at' ? 'x' : couple ? 'm' : 'w', sub: String(index(point) + 1) },
    si: p[key],
    exact: true,
    dimension: key === 'at' ? D.length : couple ? D.force : D.forcePerLength,
    origin: () => ({
      kind: 'stated',
      words: `${key === 'at' ? 'Place' : 'Intensity'} of point ${index(point) + 1}: ${which(c, n)}.`,
    }),
  }
}
