import * as D from '../../../quantity/dimension.js'
import type { StatedLoad, StructureMember } from '../../../structure/types.js'
import { minus, number, over, PLACE, power, sum, times, type Formula } from '../../expression.js'
import { linesOf, type Line } from './acting.js'
import { endNumber, formula, index, type Context, type Kind, kinds } from './kind.js'
import { toMember } from './belongs.js'
import { LOADS, loadsOn, selfWeightOf } from './loads.js'
import { superposed } from './superposed.js'
import { condensation, turnLetter } from './stiffness.js'

/**
 * Fixed-end forces of a member whose ends are held, one formula for each kind of load. Source: Kassimali,
 * Matrix Analysis of
 * Structures, inside front cover; by the reciprocal theorem each is the load times the deflection curve of a
 * unit end
 * displacement, which is how loads over a part of the member are written: as an integral over that part.
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
/** A product with a letter that is 0. */
const vanishes = (f: Formula): boolean =>
  f.t === 'minus'
    ? vanishes(f.of)
    : f.t === 'product'
      ? f.factors.some((g) => value(g) === 0)
      : value(f) === 0

/** Own weight of a member that bends, as a uniform load along and across it. */
function ownWeight(c: Context, i: number, r: number): Formula[] {
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

/** Own fixed-end forces after some of the released ends are condensed: fᵢ′ = fᵢ − kᵢᵣ·fᵣ/(kᵣᵣ + s). */
function afterRelease(c: Context, id: string, step: number, r: number): Formula {
  const i = c.member(id)
  const { released } = c.solution.elements[i]
  if (step === 0) return c.letter('fixed-own', id, r + 1)
  return step === released.length ? c.letter('fixed', id, r + 1) : c.letter('fixed-part', id, step, r + 1)
}

function condensedForce(c: Context, id: string, step: number, r: number): Formula {
  const i = c.member(id)
  const { released } = c.solution.elements[i]
  const out = released[step - 1]
  const spring = typeof c.solution.structure.members[i].releases[out] === 'number'
  const k = (a: number, b: number) =>
    step - 1 === 0 ? c.letter('own', id, a + 1, b + 1) : c.letter('part', id, step - 1, a + 1, b + 1)
  const pivot = spring ? sum(k(out, out), c.letter('end-spring', id, out)) : k(out, out)
  return sum(
    afterRelease(c, id, step - 1, r),
    minus(over(times(k(r, out), afterRelease(c, id, step - 1, out)), pivot)),
  )
}

/** Fixed-end forces after each condensation, own ones first. */
function condensedForces(c: Context, i: number): number[][] {
  const { released } = c.solution.elements[i]
  const { releases } = c.solution.structure.members[i]
  const k = condensation(c.solution, i)
  const steps = [Array.from(c.action.fixedOwn.get(i) ?? new Float64Array(6))]
  released.forEach((r, step) => {
    const f = steps[step]
    const spring = releases[r]
    const pivot = k[step][7 * r] + (typeof spring === 'number' ? spring : 0)
    steps.push(f.map((v, a) => v - (k[step][6 * a + r] * f[r]) / pivot))
  })
  return steps
}

const forceDimension = (r: number) => (r % 3 === 2 ? D.moment : D.force)

/** End force number from 1 of a member, as an index with its member. */
function end(c: Context, id: string, at: string): { i: number; r: number } | undefined {
  const [i, r] = [c.member(id), index(at) - 1]
  return i < 0 || r < 0 || r > 5 ? undefined : { i, r }
}

/**
 * Fixed-end forces: of the member itself, with its released ends condensed, and turned to its joints' axes.
 */
export const FIXED_ENDS: Record<string, Kind> = {
  ...LOADS,
  ...kinds(toMember, {
    'fixed-own': superposed('fixed-own', (c, id, at) => {
      const it = end(c, id, at)
      if (!it) return undefined
      const { i, r } = it
      return {
        symbol: {
          letter: 'f°',
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si: c.action.fixedOwn.get(i)?.[r] ?? 0,
        dimension: forceDimension(r),
        origin: () =>
          formula(
            sum(
              ...loadsOn(c, i).flatMap(({ n: at, load }) => termsOfLoad(c, i, at, load, r)),
              ...ownWeight(c, i, r),
            ),
          )(),
      }
    }),
    'fixed-part': superposed('fixed-part', (c, id, step, at) => {
      const it = end(c, id, at)
      if (!it || index(step) < 1 || index(step) >= c.solution.elements[it.i].released.length) return undefined
      return {
        symbol: {
          letter: `f${'′'.repeat(index(step))}`,
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si: condensedForces(c, it.i)[index(step)][it.r],
        dimension: forceDimension(it.r),
        origin: () => formula(condensedForce(c, id, index(step), it.r))(),
      }
    }),
    fixed: superposed('fixed', (c, id, at) => {
      const it = end(c, id, at)
      if (!it) return undefined
      const { i, r } = it
      const e = c.solution.elements[i]
      const found = {
        symbol: {
          letter: 'f',
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si: c.action.fixed.get(i)?.[r] ?? 0,
        dimension: forceDimension(r),
      }
      if (e.sprung && r % 3 === 0)
        return {
          ...found,
          origin: () => ({
            kind: 'solved',
            words: `${id} keeps its length: the springs at its ends share what acts along it.`,
          }),
        }
      if (c.solution.structure.members[i].releases[r] === true && e.released.includes(r))
        return {
          ...found,
          origin: () => ({
            kind: 'stated',
            words: `${['N', 'V', 'M'][r % 3]} is released at this end of ${id}.`,
          }),
        }
      if (e.released.length)
        return { ...found, origin: () => formula(condensedForce(c, id, e.released.length, r))() }
      return {
        ...found,
        origin: () =>
          formula(
            sum(
              ...loadsOn(c, i).flatMap(({ n: at, load }) => termsOfLoad(c, i, at, load, r)),
              ...ownWeight(c, i, r),
            ),
          )(),
      }
    }),
    /** Turned to the axes of the joints: Tᵀ·f. */
    'fixed-global': superposed('fixed-global', (c, id, at) => {
      const it = end(c, id, at)
      if (!it) return undefined
      const { i, r } = it
      const { T } = c.solution.elements[i]
      const f = c.action.fixed.get(i)
      let si = 0
      for (let a = 0; a < 6; a++) si += T[6 * a + r] * (f?.[a] ?? 0)
      return {
        symbol: {
          letter: 'F',
          sub: String(endNumber(c, c.solution.structure.members[it.i], it.r)),
          of: id,
        },
        si,
        dimension: forceDimension(r),
        origin: () => {
          const terms: Formula[] = []
          for (let a = 0; a < 6; a++)
            if (T[6 * a + r] !== 0 && f && f[a] !== 0)
              terms.push(times(turnLetter(c, id, a, r), c.letter('fixed', id, a + 1)))
          return formula(sum(...terms))()
        },
      }
    }),
  }),
}
