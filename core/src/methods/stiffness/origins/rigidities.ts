import * as D from '../../../quantity/dimension.js'
import { symbolsNamed } from '../../../quantity/products.js'
import { makeReader } from '../../../quantity/reader.js'
import type { Problem } from '../../../document/types.js'
import type { StructureMember } from '../../../structure/types.js'
import { number, times, type Formula, type LetterName } from '../../expression.js'
import { thing } from '../../../document/thing.js'
import { formula, type Belongs, type Context, type Origin, type Kind, kinds } from './kind.js'
import { toNothing } from './belongs.js'

/**
 * Relative stiffnesses: a section may be stated as a multiple of a symbol, EI, 2EI or 1.5 I₀. Then the
 * working keeps the letter, and what all members have in common can be taken out of K.
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

/**
 * What a section's rigidity EI (or EA of a bar), or its I (or A), is stated as a multiple of; undefined where
 * it is a number, or no plain multiple.
 */
function multipleOf(p: Problem, m: StructureMember): Multiple | undefined {
  const stated = p.members.find((o) => o.id === m.id)
  const section = p.sections?.find((o) => o.id === stated?.section)
  const whole = m.bar ? m.stated.EA : m.stated.EI
  const typed = section?.[whole ? (m.bar ? 'EA' : 'EI') : m.bar ? 'A' : 'I']
  if (typeof typed !== 'string') return undefined
  const rigidityValue = m.bar ? m.EA : m.EI
  const [value, ownDimension] = whole
    ? [rigidityValue, m.bar ? D.force : D.bendingStiffness]
    : m.bar
      ? [m.A, D.area]
      : [m.I, D.secondMoment]
  const rigidity = m.bar ? D.force : D.bendingStiffness
  const symbols = p.symbols ?? {}
  const { reader } = makeReader(p.units, symbols)
  for (const name of symbolsNamed(typed, (n) => Object.hasOwn(symbols, n))) {
    // with the symbol twice as large the section must be twice as stiff: a multiple of it, nothing besides
    const doubled = makeReader(p.units, { ...symbols, [name]: `2*(${String(symbols[name])})` }).reader.read(
      typed,
      ownDimension,
    )
    if (!doubled.ok || !same(doubled.si, 2 * value)) continue
    const all = reader.read(name, rigidity)
    const part = reader.read(name, ownDimension)
    const ratio = plainRatio(all.ok ? rigidityValue / all.si : part.ok ? value / part.si : NaN)
    if (ratio !== undefined) return { ratio, symbol: name, ofSection: !all.ok }
  }
  return undefined
}

/** What the rigidity of each member is a multiple of. */
export const multiplesOf = (c: Context): (Multiple | undefined)[] =>
  c.kept('multiples', () =>
    c.solution.structure.members.map((m) => (c.problem ? multipleOf(c.problem, m) : undefined)),
  )

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

/** The origin of a rigidity that a section states as such, as it was typed. */
export const sectionRigidity = (c: Context, id: string, key: 'EA' | 'EI') => (): Origin => {
  const name = c.problem?.members.find((o) => o.id === id)?.section
  const typed = c.problem?.sections?.find((o) => o.id === name)?.[key]
  const said = typeof typed === 'string' && typed.trim() !== '' ? `, stated as ${typed.trim()}` : ''
  return {
    kind: 'stated',
    words:
      `${key === 'EI' ? 'Bending' : 'Axial'} rigidity ${key} of the section ${name ?? ''} of ` +
      `${id}${said}.`,
  }
}

/**
 * What EA over EI is written with: A and I, since E cancels, or the rigidities themselves where the section
 * states one of them as such.
 */
export function slenderness(c: Context, id: string): [axial: Formula, bending: Formula] {
  const { stated } = c.solution.structure.members[c.member(id)]
  return stated.EA || stated.EI
    ? [c.letter('EA', id), c.letter('EI', id)]
    : [c.letter('A', id), c.letter('I', id)]
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

/** What can be taken out of every member's stiffness; undefined where they have nothing in common. */
export const commonOf = (c: Context): Common | undefined => c.kept('common', () => findCommon(c))

function findCommon(c: Context): Common | undefined {
  const { members } = c.solution.structure
  const bars = members.every((m) => m.bar)
  const bending = members.filter((m) => bars || !m.bar)
  const multiples = multiplesOf(c)
  const first = bending[0]
  const lead = first && multiples[members.indexOf(first)]
  const value = (m: StructureMember) => (bars ? m.EA : m.EI)
  const unit = first && value(first) / (lead?.ratio ?? 1)
  const ratios = members.map((m) => (bending.includes(m) ? (plainRatio(value(m) / unit) ?? NaN) : NaN))
  const shared =
    first !== undefined &&
    Number.isFinite(unit) &&
    bending.every((m) => Number.isFinite(ratios[members.indexOf(m)]))
  // a symbol of the section alone is shared only by members of one material
  const one = shared && (!lead?.ofSection || bending.every((m) => same(m.E, first.E)))
  return one ? { bars, ratios, first: first.id } : undefined
}

/** A symbol's name as a letter with its index: I0 and I_0 are I₀. */
function indexed(name: string): LetterName {
  const it = /^(.+?)_?(\d+)$/.exec(name)
  return it ? { letter: it[1], sub: it[2] } : { letter: name }
}

/** A letter for a rigidity: of every member whose rigidity is stated as a multiple of it. */
const toMembersWithSymbol: Belongs = (c, name) =>
  multiplesOf(c).flatMap((m, i) =>
    m?.symbol === name ? [thing.member(c.solution.structure.members[i].id)] : [],
  )

/** Symbols of the problem, and what all members have in common. */
export const RIGIDITIES: Record<string, Kind> = {
  ...kinds(toMembersWithSymbol, {
    symbol: (c, name) => {
      const multiple = multiplesOf(c).find((o) => o?.symbol === name)
      const i = multiplesOf(c).findIndex((o) => o?.symbol === name)
      if (!multiple) return undefined
      const m = c.solution.structure.members[i]
      const value = multiple.ofSection ? (m.bar ? m.A : m.I) : m.bar ? m.EA : m.EI
      return {
        symbol: indexed(name),
        si: value / multiple.ratio,
        dimension: multiple.ofSection
          ? m.bar
            ? D.area
            : D.secondMoment
          : m.bar
            ? D.force
            : D.bendingStiffness,
        exact: true,
        origin: () => ({
          kind: 'stated',
          words: `The symbol ${name} of the problem, stated as ${String(c.problem?.symbols?.[name])}.`,
        }),
      }
    },
  }),
  ...kinds(toNothing, {
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
        si: (it.bars ? m.EA : m.EI) / (lead?.ratio ?? 1),
        dimension: it.bars ? D.force : D.bendingStiffness,
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
  }),
}
