import { readAddress } from '../../address.js'
import * as D from '../../../quantity/dimension.js'
import { siPerCoherent } from '../../../quantity/units.js'
import { minus, number, over, power, relettered, sum, times, type Formula } from '../../expression.js'
import { formulaText } from '../../formula-text.js'
import { formula, index, type Context, type Origin, type Finder, type Kind, kinds } from './kind.js'
import { toMember, toWhatStandsBehind } from './belongs.js'
import { hingedEntry } from './hinged.js'
import { commonOf, rigidity, slenderness } from './rigidities.js'
import { BENDING } from './stiffness.js'

/**
 * Stiffness matrices with a factor taken out of the bracket: a member's own EI/L³ (EA/L of a bar), or the EI
 * that all members share. Every entry keeps its address behind the factor's: per-own/AB/k/AB/2/3,
 * per-common/K/1/2.
 */

/** Numbers that a factor divides; the others of a formula stay as they are. */
const DIVIDED = new Set(['own', 'part', 'k', 'hinged', 'global', 'K', 'spring', 'end-spring'])
/** Those that have a formula of their own behind the factor. */
const STIFF = new Set(['own', 'part', 'k', 'hinged', 'global', 'K'])

const member = (c: Context, id: string) => c.solution.structure.members[c.member(id)]

/** An entry of a member's own stiffness over EI/L³ or EA/L: 12, 6L, 4L², as every book prints them. */
function perOwn(c: Context, id: string, i: number, j: number): Formula {
  const m = member(c, id)
  const L = c.letter('L', id)
  const [a, b] = i <= j ? [i, j] : [j, i]
  if (a % 3 === 0 || b % 3 === 0) {
    if (a % 3 !== 0 || b % 3 !== 0 || m.axiallyRigid) return number(0)
    const [A, I] = slenderness(c, id)
    const axial = m.bar ? number(1) : over(times(A, power(L, 2), ...softened(c, id)), I)
    return a === b ? axial : minus(axial)
  }
  if (m.bar) return number(0)
  const [term, sign] = BENDING[`${a}${b}`]
  const phi = m.GAs > 0 ? c.letter('phi', id) : undefined
  const value = {
    vv: number(12),
    vm: times(number(6), L),
    near: times(phi ? sum(number(4), phi) : number(4), power(L, 2)),
    far: times(phi ? sum(number(2), minus(phi)) : number(2), power(L, 2)),
  }[term]
  return sign < 0 ? minus(value) : value
}

/** The same over what all members share: 12/L³, with the member's share of it before. */
function perCommon(c: Context, id: string, i: number, j: number): Formula {
  const m = member(c, id)
  const it = commonOf(c)!
  const ratio = it.ratios[c.member(id)]
  const L = c.letter('L', id)
  const of = perOwn(c, id, i, j)
  if (of.t === 'number' && of.value === 0) return of
  const axial = i % 3 === 0
  if (axial && !it.bars) return signed(i === j, over(c.letter('EA', id), times(c.letter('common'), L)))
  if (axial) return signed(i === j, over(number(ratio), L))
  const [term, sign] = BENDING[i <= j ? `${i}${j}` : `${j}${i}`]
  const phi = m.GAs > 0 ? c.letter('phi', id) : undefined
  const main = {
    vv: number(12 * ratio),
    vm: number(6 * ratio),
    near: phi ? times(number(ratio), sum(number(4), phi)) : number(4 * ratio),
    far: phi ? times(number(ratio), sum(number(2), minus(phi))) : number(2 * ratio),
  }[term]
  const p = { vv: 3, vm: 2, near: 1, far: 1 }[term]
  return signed(sign > 0, over(main, times(...softened(c, id), p > 1 ? power(L, p) : L)))
}

const signed = (positive: boolean, f: Formula) => (positive ? f : minus(f))

/** 1 + Φ, where shear deforms a member. */
const softened = (c: Context, id: string): Formula[] =>
  member(c, id).GAs > 0 ? [sum(number(1), c.letter('phi', id))] : []

/** A number of the working with a factor taken out of it; `by` are the parts of the factor's address. */
function behind(
  c: Context,
  by: string[],
  wrap: string[],
  own: (c: Context, id: string, i: number, j: number) => Formula,
  parts: string[],
): ReturnType<Finder> {
  const factor = c.entry(...by)
  const inner = STIFF.has(parts[0]) ? c.entry(...parts) : undefined
  if (!factor || !inner || factor.value === 0) return undefined
  const si =
    (inner.value * siPerCoherent(c.units, inner.dimension)) /
    (factor.value * siPerCoherent(c.units, factor.dimension))
  const origin = (): Origin => {
    const from = c.origin(...parts)
    if (from.kind !== 'formula') return from
    const [kind, id, row, column] = parts
    if (kind === 'hinged')
      return formula(
        hingedEntry(
          c,
          id,
          index(row) - 1,
          index(column) - 1,
          wrap[0] === 'per-own' ? 'own' : { ratio: commonOf(c)!.ratios[c.member(id)] },
        ),
      )()
    // a member's own entries stand in letters; all others are made of them as they are without the factor
    if (kind === 'own' || (kind === 'k' && c.solution.elements[c.member(id)].released.length === 0))
      return formula(own(c, id, index(row) - 1, index(column) - 1))()
    return { ...from, formula: divided(c, from.formula, wrap, by) }
  }
  return {
    symbol: { ...inner.symbol, letter: `${inner.symbol.letter}\u0302` },
    si,
    dimension: D.divide(inner.dimension, factor.dimension),
    origin,
  }
}

/** A formula that grows with the stiffnesses in it, each of them with the factor taken out. */
function divided(c: Context, f: Formula, wrap: string[], by: string[]): Formula {
  const springs = new Set<string>()
  const changed = relettered(f, (l) => {
    const { kind, parts } = readAddress(l.address)
    if (!DIVIDED.has(kind)) return l
    if (STIFF.has(kind)) return c.letter(...wrap, kind, ...parts)
    springs.add(l.address)
    return l
  })
  return springs.size === 0 ? changed : overFactor(changed, springs, c.letter(...by))
}

/** Springs are stated, not made of EI: they stand over the factor. */
function overFactor(f: Formula, springs: ReadonlySet<string>, factor: Formula): Formula {
  switch (f.t) {
    case 'letter':
      return springs.has(f.address) ? over(f, factor) : f
    case 'sum':
      return { ...f, terms: f.terms.map((t) => overFactor(t, springs, factor)) }
    case 'quotient':
      return { ...f, under: overFactor(f.under, springs, factor), over: overFactor(f.over, springs, factor) }
    case 'minus':
      return { ...f, of: overFactor(f.of, springs, factor) }
    default:
      return f
  }
}

/** Factors, and the numbers behind them. */
export const FACTORED_OUT: Record<string, Kind> = {
  ...kinds(toMember, {
    /**
     * What is taken out of a member's stiffness: EI/L³, EA/L of a bar, EI/((1 + Φ)·L³) where shear deforms
     * it.
     */
    factor: (c, id) => {
      const m = member(c, id)
      if (!m || (m.bar && m.axiallyRigid)) return undefined
      const si = m.bar
        ? m.EA / m.length
        : m.EI / (1 + (m.GAs > 0 ? (12 * m.EI) / (m.GAs * m.length ** 2) : 0)) / m.length ** 3
      const f = over(
        rigidity(c, id),
        times(...softened(c, id), m.bar ? c.letter('L', id) : power(c.letter('L', id), 3)),
      )
      return {
        symbol: { letter: formulaText(f), of: id, formula: f },
        si,
        dimension: D.forcePerLength,
        origin: formula(f),
      }
    },
  }),
  ...kinds(toWhatStandsBehind(1), {
    'per-own': (c, id, ...parts) => behind(c, ['factor', id], ['per-own', id], perOwn, parts),
  }),
  ...kinds(toWhatStandsBehind(0), {
    'per-common': (c, ...parts) => behind(c, ['common'], ['per-common'], perCommon, parts),
    /** A displacement times the EI that all members share, as it is found by hand: 37.5/EI. */
    'times-common': (c, ...parts) => {
      const [factor, d] = [c.entry('common'), parts[0] === 'D' ? c.entry(...parts) : undefined]
      if (!factor || !d) return undefined
      const dimension = D.multiply(factor.dimension, d.dimension)
      return {
        symbol: { letter: `${factor.symbol.letter}·${d.symbol.letter}`, sub: d.symbol.sub },
        si:
          factor.value *
          d.value *
          siPerCoherent(c.units, factor.dimension) *
          siPerCoherent(c.units, d.dimension),
        dimension,
        origin: () => formula(times(c.letter('common'), c.letter(...parts)))(),
      }
    },
  }),
}
