import type { StatedLoad, StructureMember } from '../../../structure/types.js'
import { minus, number, over, PLACE, power, sum, times, type Formula } from '../../expression.js'
import { linesOf, type Line } from './acting.js'
import type { Context } from './kind.js'
import { selfWeightOf } from './loads.js'

/**
 * Fixed-end forces of a member whose ends are held, one formula for each kind of load. Source: Kassimali,
 * Matrix Analysis of Structures, inside front cover; by the reciprocal theorem each is the load times the
 * deflection curve of a unit end displacement, which is how loads over a part of the member are written: as
 * an integral over that part.
 */

/** The letters of a member. */
interface Bar {
  c: Context
  m: StructureMember
  L: Formula
  /** Φ, where shear deforms it. */
  phi?: Formula
}

const bar = (c: Context, i: number): Bar => {
  const m = c.solution.structure.members[i]
  return { c, m, L: c.letter('L', m.id), ...(m.GAs > 0 ? { phi: c.letter('phi', m.id) } : {}) }
}

const n = number

/**
 * The deflection at `a` from the start, `b` from the end, when end displacement r (1, 2, 4, 5) is one and the
 * others none.
 */
function deflection({ L, phi }: Bar, r: number, a: Formula, b: Formula): Formula {
  const shared = (main: Formula, shear: (f: Formula) => Formula) =>
    phi ? over(sum(main, shear(phi)), sum(n(1), phi)) : main
  switch (r) {
    case 1:
      return shared(over(times(power(b, 2), sum(times(n(3), a), b)), power(L, 3)), (f) =>
        over(times(f, b), L),
      )
    case 2:
      return shared(over(times(a, power(b, 2)), power(L, 2)), (f) => over(times(f, a, b), times(n(2), L)))
    case 4:
      return shared(over(times(power(a, 2), sum(a, times(n(3), b))), power(L, 3)), (f) =>
        over(times(f, a), L),
      )
    default:
      return minus(
        shared(over(times(power(a, 2), b), power(L, 2)), (f) => over(times(f, a, b), times(n(2), L))),
      )
  }
}

/** The rotation there, for couples. */
function rotation({ L, phi }: Bar, r: number, a: Formula, b: Formula): Formula {
  const shared = (main: Formula, shear?: (f: Formula) => Formula) =>
    phi ? over(shear ? sum(main, shear(phi)) : main, sum(n(1), phi)) : main
  switch (r) {
    case 1:
      return minus(shared(over(times(n(6), a, b), power(L, 3))))
    case 2:
      return shared(over(times(b, sum(b, minus(times(n(2), a)))), power(L, 2)), (f) => over(times(f, b), L))
    case 4:
      return shared(over(times(n(6), a, b), power(L, 3)))
    default:
      return shared(over(times(a, sum(a, minus(times(n(2), b)))), power(L, 2)), (f) => over(times(f, a), L))
  }
}

/**
 * The share of a force along the member that the end r (0 or 3) takes; all of it at the end that holds a
 * rigid one.
 */
function axialShare({ m, L }: Bar, r: number, a: Formula, b: Formula): Formula {
  if (m.axiallyRigid) return n((r === 3) === (m.releases[3] !== true) ? 1 : 0)
  return over(r === 0 ? b : a, L)
}

const isZero = (f: Formula): boolean => f.t === 'number' && f.value === 0

/** Terms of end force r of a load at one place: along, across, and a couple. */
function atPlace(
  t: Bar,
  r: number,
  a: Formula,
  b: Formula,
  along: Formula,
  across: Formula,
  couple: Formula,
): Formula[] {
  if (r % 3 === 0) return isZero(along) ? [] : [minus(times(along, axialShare(t, r, a, b)))]
  return [
    ...(isZero(across) ? [] : [minus(times(across, deflection(t, r, a, b)))]),
    ...(isZero(couple) ? [] : [minus(times(couple, rotation(t, r, a, b)))]),
  ]
}

/**
 * Terms of end force r of a linear intensity: the usual closed form over the whole member, else an integral.
 */
function ofLine(t: Bar, r: number, l: Line): Formula[] {
  if ((l.kind === 'along') !== (r % 3 === 0)) return []
  const closed = l.whole ? wholeMember(t, r, l) : undefined
  if (closed) return isZero(closed) ? [] : [closed]
  const q = l.uniform
    ? l.first
    : sum(
        l.first,
        over(times(sum(l.last, minus(l.first)), sum(PLACE, minus(l.from))), sum(l.to, minus(l.from))),
      )
  const b = sum(t.L, minus(PLACE))
  const shape =
    l.kind === 'along'
      ? axialShare(t, r, PLACE, b)
      : l.kind === 'across'
        ? deflection(t, r, PLACE, b)
        : rotation(t, r, PLACE, b)
  return isZero(shape) ? [] : [minus({ t: 'integral', from: l.from, to: l.to, of: times(q, shape) })]
}

/** Closed forms for a load over the whole member: uniform, or growing evenly from w₁ to w₂. */
function wholeMember(t: Bar, r: number, { kind, first: w1, last: w2, uniform }: Line): Formula | undefined {
  const { L, phi } = t
  if (kind === 'couple') return uniform && !phi ? (r === 1 ? w1 : r === 4 ? minus(w1) : n(0)) : undefined
  if (kind === 'along') {
    if (t.m.axiallyRigid) return undefined
    return uniform
      ? minus(over(times(w1, L), n(2)))
      : minus(over(times(r === 0 ? sum(times(n(2), w1), w2) : sum(w1, times(n(2), w2)), L), n(6)))
  }
  if (uniform)
    return r % 3 === 1
      ? minus(over(times(w1, L), n(2)))
      : r === 2
        ? minus(over(times(w1, power(L, 2)), n(12)))
        : over(times(w1, power(L, 2)), n(12))
  if (phi) return undefined
  const mix = (a: number, b: number) => sum(times(n(a), w1), times(n(b), w2))
  if (r === 1) return minus(over(times(mix(7, 3), L), n(20)))
  if (r === 4) return minus(over(times(mix(3, 7), L), n(20)))
  const moment = over(times(r === 2 ? mix(3, 2) : mix(2, 3), power(L, 2)), n(60))
  return r === 2 ? minus(moment) : moment
}

/** The terms of end force r (0 to 5) that one load on the member brings. */
export function termsOfLoad(
  c: Context,
  i: number,
  at: number,
  load: Exclude<StatedLoad, { type: 'nodal' }>,
  r: number,
): Formula[] {
  const t = bar(c, i)
  const { m, L } = t
  if (load.type === 'point') {
    const place = c.letter('load', at, 'at')
    return atPlace(
      t,
      r,
      place,
      sum(L, minus(place)),
      c.letter('force-along', at),
      c.letter('force-across', at),
      load.m === 0 ? n(0) : c.letter('load', at, 'm'),
    ).filter((f) => !vanishes(f))
  }
  if (load.type === 'distributed' || load.type === 'couple')
    return m.bar
      ? []
      : linesOf(c.letter, m, at, load).flatMap((l) =>
          value(l.first) === 0 && value(l.last) === 0 ? [] : ofLine(t, r, l),
        )
  const sign = r < 3 ? 1 : -1
  const strained = (strain: Formula): Formula[] =>
    r % 3 !== 0 || m.axiallyRigid
      ? []
      : [sign > 0 ? times(c.letter('EA', m.id), strain) : minus(times(c.letter('EA', m.id), strain))]
  if (load.type === 'temperature') {
    const even =
      load.uniform === 0 ? [] : strained(times(c.letter('alpha', m.id), c.letter('load', at, 'uniform')))
    if (load.gradient === 0 || r % 3 !== 2) return even
    const bend = over(
      times(c.letter('EI', m.id), c.letter('alpha', m.id), c.letter('load', at, 'gradient')),
      c.letter('depth', m.id),
    )
    return [r === 2 ? minus(bend) : bend]
  }
  const long = load.elongation === 0 ? [] : strained(over(c.letter('load', at, 'elongation'), L))
  if ((load.slip === 0 && load.kink === 0) || r % 3 === 0) return long
  const entry = (j: number) => c.letter('own', m.id, r + 1, j + 1)
  const kink = load.kink === 0 ? undefined : c.letter('load', at, 'kink')
  const shift = sum(
    ...(load.slip === 0 ? [] : [c.letter('load', at, 'slip')]),
    ...(kink ? [times(kink, sum(L, minus(c.letter('load', at, 'at'))))] : []),
  )
  return [minus(times(entry(4), shift)), ...(kink ? [minus(times(entry(5), kink))] : [])]
}

const value = (f: Formula): number => (f.t === 'number' || f.t === 'letter' ? f.value : NaN)
/** A product, or 0 when one of its letters is 0. */
const vanishes = (f: Formula): boolean =>
  f.t === 'minus'
    ? vanishes(f.of)
    : f.t === 'product'
      ? f.factors.some((g) => value(g) === 0)
      : value(f) === 0

/** Own weight of a member that bends, as a uniform load along and across it. */
export function ownWeight(c: Context, i: number, r: number): Formula[] {
  const factor = selfWeightOf(c)
  const t = bar(c, i)
  const { m } = t
  if (factor === 0 || m.bar || !(m.weight > 0)) return []
  const line = (kind: Line['kind'], share: Formula): Line => {
    const w = minus(times(n(factor), c.letter('weight', m.id), share))
    return { kind, first: w, last: w, from: n(0), to: t.L, uniform: true, whole: true }
  }
  return [line('along', c.letter('s', m.id)), line('across', c.letter('c', m.id))].flatMap((l) =>
    ofLine(t, r, l),
  )
}
