import * as D from '../../../quantity/dimension.js'
import { makeReader } from '../../../quantity/reader.js'
import type { Solution } from '../../../analysis/solve.js'
import type { Problem } from '../../../document/types.js'
import type { StructureMember } from '../../../structure/types.js'
import { number, times, type Formula, type LetterName } from '../../expression.js'
import { formula, type Context, type Kind, type Origin } from './kind.js'

/**
 * Relative stiffnesses: a section may be stated as a multiple of a symbol, EI, 2EI or 1.5 I₀. Then the
 * working keeps the
 * letter, and what all members have in common can be taken out of K.
 */

/**
 * A rigidity as a multiple of a symbol of the problem: of EI itself (or EA), or of I (or A), which E
 * multiplies.
 */
export interface Multiple {
  ratio: number
  symbol: string
  /** The symbol stands for the section's value alone. */
  ofSection: boolean
}

/** Two values of one quantity, typed two ways. */
const same = (a: number, b: number) => Math.abs(a - b) <= 1e-11 * Math.abs(b)

/** The ratio as a person would say it: a fraction with a denominator up to 12; undefined for any other. */
function plainRatio(v: number): number | undefined {
  for (let under = 1; under <= 12; under++)
    if (same(Math.round(v * under) / under, v) && Math.round(v * under) !== 0)
      return Math.round(v * under) / under
  return undefined
}

const NAMES = /\p{L}[\p{L}\p{Nd}_']*/gu

/**
 * What a section's I (or A of a bar) is stated as a multiple of; undefined where it is a number, or no plain
 * multiple.
 */
function multipleOf(p: Problem, m: StructureMember): Multiple | undefined {
  const stated = p.members.find((o) => o.id === m.id)
  const section = p.sections?.find((o) => o.id === stated?.section)
  const key = m.bar ? 'A' : 'I'
  const typed = section?.[key]
  if (typeof typed !== 'string') return undefined
  const [value, ownDimension] = m.bar ? [m.A, D.area] : [m.I, D.secondMoment]
  const rigidity = m.bar ? D.force : D.multiply(D.stress, D.secondMoment)
  const symbols = p.symbols ?? {}
  const { reader } = makeReader(p.units, symbols)
  for (const name of new Set(typed.match(NAMES) ?? [])) {
    if (!Object.hasOwn(symbols, name)) continue
    // with the symbol twice as large the section must be twice as stiff: a multiple of it, nothing besides
    const doubled = makeReader(p.units, { ...symbols, [name]: `2*(${String(symbols[name])})` }).reader.read(
      typed,
      ownDimension,
    )
    if (!doubled.ok || !same(doubled.si, 2 * value)) continue
    const whole = reader.read(name, rigidity)
    const part = reader.read(name, ownDimension)
    const ratio = plainRatio(whole.ok ? (m.E * value) / whole.si : part.ok ? value / part.si : NaN)
    if (ratio !== undefined) return { ratio, symbol: name, ofSection: !whole.ok }
  }
  return undefined
}

const found = new WeakMap<Solution, (Multiple | undefined)[]>()

/** The multiples of all members, found once for a solution. */
export function multiplesOf(c: Context): (Multiple | undefined)[] {
  let all = found.get(c.solution)
  if (!all)
    found.set(
      c.solution,
      (all = c.solution.structure.members.map((m) => (c.problem ? multipleOf(c.problem, m) : undefined))),
    )
  return all
}

/** EI of a member (EA of a bar) in letters: the multiple of a symbol it is stated as, or its own letter. */
export function rigidity(c: Context, id: string): Formula {
  const multiple = multiplesOf(c)[c.member(id)]
  const m = c.solution.structure.members[c.member(id)]
  if (!multiple) return c.letter(m.bar ? 'EA' : 'EI', id)
  const symbol = c.letter('symbol', multiple.symbol)
  return times(number(multiple.ratio), ...(multiple.ofSection ? [c.letter('E', id)] : []), symbol)
}

/** Where EI (EA of a bar) itself comes from, where a symbol says it; undefined where it is E times I. */
export function statedRigidity(c: Context, id: string): (() => Origin) | undefined {
  const multiple = multiplesOf(c)[c.member(id)]
  if (!multiple) return undefined
  return multiple.ratio === 1 && !multiple.ofSection
    ? () => c.origin('symbol', multiple.symbol)
    : formula(rigidity(c, id))
}

/**
 * What the rigidities of all members are multiples of: a symbol of the problem, or that of the first where
 * all are alike.
 */
export interface Common {
  /** Of bars alone EA, else EI, which bars among others are measured in too. */
  bars: boolean
  /** By member; NaN for one that has no plain ratio. */
  ratios: number[]
  first: string
}

const commons = new WeakMap<Solution, Common | null>()

/** What can be taken out of every member's stiffness; undefined where they have nothing in common. */
export function commonOf(c: Context): Common | undefined {
  const known = commons.get(c.solution)
  if (known !== undefined) return known ?? undefined
  const { members } = c.solution.structure
  const bars = members.every((m) => m.bar)
  const bending = members.filter((m) => bars || !m.bar)
  const multiples = multiplesOf(c)
  const first = bending[0]
  const lead = first && multiples[members.indexOf(first)]
  const value = (m: StructureMember) => m.E * (bars ? m.A : m.I)
  const unit = first && value(first) / (lead?.ratio ?? 1)
  const ratios = members.map((m) => (bending.includes(m) ? (plainRatio(value(m) / unit) ?? NaN) : NaN))
  const shared =
    first !== undefined &&
    Number.isFinite(unit) &&
    bending.every((m) => Number.isFinite(ratios[members.indexOf(m)]))
  // a symbol of the section alone is shared only by members of one material
  const one = shared && (!lead?.ofSection || bending.every((m) => same(m.E, first.E)))
  const common = one ? { bars, ratios, first: first.id } : null
  commons.set(c.solution, common)
  return common ?? undefined
}

/** A symbol's name as a letter with its index: I0 and I_0 are I₀. */
function indexed(name: string): LetterName {
  const it = /^(.+?)_?(\d+)$/.exec(name)
  return it ? { letter: it[1], sub: it[2] } : { letter: name }
}

/** Symbols of the problem, and what all members have in common. */
export const RIGIDITIES: Record<string, Kind> = {
  symbol: (c, name) => {
    const multiple = multiplesOf(c).find((o) => o?.symbol === name)
    const i = multiplesOf(c).findIndex((o) => o?.symbol === name)
    if (!multiple) return undefined
    const m = c.solution.structure.members[i]
    const section = m.bar ? m.A : m.I
    return {
      symbol: indexed(name),
      si: ((multiple.ofSection ? 1 : m.E) * section) / multiple.ratio,
      dimension: multiple.ofSection
        ? m.bar
          ? D.area
          : D.secondMoment
        : m.bar
          ? D.force
          : D.multiply(D.stress, D.secondMoment),
      exact: true,
      origin: () => ({
        kind: 'stated',
        words: `The symbol ${name} of the problem, stated as ${String(c.problem?.symbols?.[name])}.`,
      }),
    }
  },
  /** What is taken out of K: EI, or EA where all members are bars. */
  common: (c) => {
    const it = commonOf(c)
    if (!it) return undefined
    const i = c.member(it.first)
    const m = c.solution.structure.members[i]
    const lead = multiplesOf(c)[i]
    const letter = it.bars ? 'EA' : 'EI'
    return {
      symbol: lead
        ? {
            ...indexed(lead.symbol),
            ...(lead.ofSection ? { letter: `E${indexed(lead.symbol).letter}` } : {}),
          }
        : { letter },
      si: (m.E * (it.bars ? m.A : m.I)) / (lead?.ratio ?? 1),
      dimension: it.bars ? D.force : D.multiply(D.stress, D.secondMoment),
      origin: () =>
        !lead
          ? formula(
              c.letter(letter, it.first),
              `That of ${it.first}; the others have the same, or a multiple of it.`,
            )()
          : lead.ofSection
            ? formula(times(c.letter('E', it.first), c.letter('symbol', lead.symbol)))()
            : c.origin('symbol', lead.symbol),
    }
  },
}
