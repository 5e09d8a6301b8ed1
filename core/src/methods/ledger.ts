import { coherentUnitName, siPerCoherent, type ProblemUnits } from '../quantity/units.js'
import { displayOf } from '../document/display.js'
import type { ThingKey } from '../document/thing.js'
import type { Problem } from '../document/types.js'
import type { Structure } from '../structure/types.js'
import { addressOf, readAddress } from './address.js'
import type { Step, StepContent } from './blocks.js'
import type { Letter } from './expression.js'
import type { Acting, BookContext, Entry, Found, KindIn, Origin } from './numbers.js'
import type { StepOutline } from './outline.js'

/**
 * Every number of a working by its address, with where it came from: stated in the problem, a formula of
 * other numbers (each with its own address), or solved together with others. Values are in the problem's
 * coherent units; the formulas only say how they hang together, and a test evaluates each of them.
 */
export interface Ledger<C extends BookContext = BookContext> {
  method: { key: string; title: string }
  context: C
  /** The steps of the working in their order; one may have nothing to say of this problem. */
  steps: readonly OpenStep[]
  /** The working in short, for two to four pages; undefined where the method has no short form. */
  short?: () => Step[]
  /** A number by its address; undefined where there is none such. */
  entry(address: string): Entry | undefined
  /** A number with its origin. */
  origin(address: string): Entry & { origin: Origin }
  /** What a number belongs to: its member, its joint, its unknowns, its load. */
  belongs(address: string): ThingKey[]
}

/** A step of a method with the code that makes it. */
export interface MethodStep<C extends BookContext = BookContext> extends StepOutline {
  /** What the step says of a problem; undefined where the problem has nothing for it. */
  make: (book: Ledger<C>) => StepContent | undefined
  /** Whether a problem has something for the step, known without making it; it has where this is left out. */
  has?: (book: Ledger<C>) => boolean
}

/** A step of a working: of one method, for one problem. */
export type OpenStep = StepOutline & { make: () => Step | undefined; has: () => boolean }

/** What a ledger is made from. */
export interface LedgerInput<C extends BookContext> {
  method: { key: string; title: string }
  kinds: Readonly<Record<string, KindIn<C>>>
  steps: readonly MethodStep<C>[]
  short?: (book: Ledger<C>) => Step[]
  structure: Structure
  acting: Acting
  units: ProblemUnits
  problem?: Problem
  /** What the method needs besides what every method needs. */
  own: (base: BookContext) => C
  /** A value (SI) with rounding error taken off: 0 where nothing else is left of it. */
  rounded?: (kind: string, found: Found) => number
}

/** The numbers and steps of one method for one problem. */
export function createLedger<C extends BookContext>(input: LedgerInput<C>): Ledger<C> {
  const numbers = numbersOf(input, () => context)
  const context = input.own(baseOf(input, numbers, (kind, parts) => belongs(kind, parts)))
  const belongs = (kind: string, parts: string[]) =>
    kindOf(input.kinds, kind)?.belongs(context, ...parts) ?? []
  const book: Ledger<C> = {
    method: input.method,
    context,
    steps: input.steps.map(({ make, has, ...step }) => ({
      ...step,
      has: () => has?.(book) ?? true,
      make: () => {
        const content = make(book)
        return content && { key: step.key, title: step.title, ...content }
      },
    })),
    ...(input.short && { short: () => input.short!(book) }),
    entry: (address) => numbers.look(address)?.entry,
    origin: (address) => {
      const { found, entry } = numbers.must(address)
      return { ...entry, origin: found.origin() }
    },
    belongs: (address) => {
      const { kind, parts } = readAddress(address)
      return belongs(kind, parts)
    },
  }
  return book
}

/** One step of a working; undefined where the problem has nothing for it, or no step has that key. */
export const stepOf = (book: Pick<Ledger, 'steps'>, key: string): Step | undefined =>
  book.steps.find((s) => s.key === key)?.make()

/** All steps of a working, in order. */
export const stepsOf = (book: Pick<Ledger, 'steps'>): Step[] => book.steps.flatMap((s) => s.make() ?? [])

const kindOf = <K>(kinds: Readonly<Record<string, K>>, name: string): K | undefined =>
  Object.hasOwn(kinds, name) ? kinds[name] : undefined

interface Numbers {
  /** A number by its address; undefined where there is none such. */
  look(address: string): { found: Found; entry: Entry } | undefined
  /** A number that a formula is made of: there is one, or the formula is wrong. */
  must(address: string): { found: Found; entry: Entry }
}

/** The numbers of a case, each made when it is first asked for. */
function numbersOf<C extends BookContext>(
  { kinds, units, rounded = (_, f) => f.si }: LedgerInput<C>,
  context: () => C,
): Numbers {
  const known = new Map<string, { found: Found; entry: Entry } | undefined>()
  const look = (address: string) => {
    if (known.has(address)) return known.get(address)
    const { kind, parts } = readAddress(address)
    const found = kindOf(kinds, kind)?.find(context(), ...parts)
    const it = found && {
      found,
      entry: entryOf(address, found, found.exact ? found.si : rounded(kind, found), units),
    }
    known.set(address, it)
    return it
  }
  const must = (address: string) => {
    const it = look(address)
    if (!it) throw new Error(`There is no number ${address} in this working.`)
    return it
  }
  return { look, must }
}

/** What every method looks its numbers up in. */
function baseOf<C extends BookContext>(
  { structure, acting, units, problem }: LedgerInput<C>,
  { look, must }: Numbers,
  belongs: (kind: string, parts: string[]) => ThingKey[],
): BookContext {
  const members = new Map(structure.members.map((m, i) => [m.id, i]))
  const nodes = new Map(structure.nodes.map((n, i) => [n.id, i]))
  const letterAt = (address: string): Letter => {
    const { entry } = must(address)
    return { t: 'letter', symbol: entry.symbol, value: entry.value, address: entry.address }
  }
  return {
    structure,
    acting,
    units,
    problem,
    display: displayOf(problem ?? { units }),
    coherent: (si, d) => si / siPerCoherent(units, d),
    kept: keeper(),
    letter: (...parts) => letterAt(addressOf(...parts)),
    letterAt,
    value: (...parts) => must(addressOf(...parts)).entry.value,
    entry: (...parts) => look(addressOf(...parts))?.entry,
    origin: (...parts) => must(addressOf(...parts)).found.origin(),
    belongs: (kind, ...parts) => belongs(kind, parts),
    member: (id) => members.get(id) ?? -1,
    node: (id) => nodes.get(id) ?? -1,
  }
}

const entryOf = (address: string, { symbol, dimension }: Found, si: number, units: ProblemUnits): Entry => ({
  address,
  symbol,
  value: si / siPerCoherent(units, dimension),
  unit: coherentUnitName(units, dimension),
  dimension,
})

/** Keeps what was made under a key, for as long as the ledger is used. */
function keeper(): BookContext['kept'] {
  const kept = new Map<string, unknown>()
  return <T>(key: string, make: () => T): T => {
    if (!kept.has(key)) kept.set(key, make())
    return kept.get(key) as T
  }
}
