import { coherentUnitName, siPerCoherent, type ProblemUnits } from '../quantity/units.js'
import type { ActionSolution, Solution } from '../analysis/solve.js'
import { firstOrderOf, firstOrderSolution } from '../stability/first-order.js'
import { numbered } from './stiffness/numbering.js'
import { displayOf } from '../document/display.js'
import type { Problem } from '../document/types.js'
import { addressOf, readAddress } from './address.js'
import type { ThingKey } from '../document/thing.js'
import { BENT } from './stiffness/origins/bent.js'
import { BENT_EQUATIONS } from './stiffness/origins/bent-equations.js'
import { CHECKS } from './stiffness/origins/checks.js'
import { DIAGRAM } from './stiffness/origins/diagrams.js'
import { FACTORED } from './stiffness/origins/factored.js'
import { FACTORED_OUT } from './stiffness/origins/factored-out.js'
import { RIGIDITIES } from './stiffness/origins/rigidities.js'
import { FIXED_ENDS } from './stiffness/origins/fixed-ends.js'
import { roundingOf } from './stiffness/scale.js'
import { relettered, type Letter } from './expression.js'
import { GEOMETRY } from './stiffness/origins/geometry.js'
import { STATED } from './stiffness/origins/stated.js'
import type { Context, Entry, Found, Kind, Origin } from './stiffness/origins/kind.js'
import { HINGED } from './stiffness/origins/hinged.js'
import { TIED } from './stiffness/origins/tied.js'
import { STIFFNESS } from './stiffness/origins/stiffness.js'
import { SOLUTION } from './stiffness/origins/solution.js'

/**
 * Every number of the working by its address, with where it came from: stated in the problem, a formula of
 * other numbers (each with its own address), or solved together with others. Values are the solver's own, in
 * the problem's coherent units; the formulas only say how they hang together, and a test evaluates each of
 * them.
 */
export interface Ledger {
  context: Context
  /** A number by its address; undefined where there is none such. */
  entry(address: string): Entry | undefined
  /** The same with its origin. */
  origin(address: string): Entry & { origin: Origin }
  /** What a number belongs to: its member, its joint, its unknowns, its load. */
  belongs(address: string): ThingKey[]
}

export const KINDS: Readonly<Record<string, Kind>> = {
  ...STATED,
  ...GEOMETRY,
  ...STIFFNESS,
  ...HINGED,
  ...FIXED_ENDS,
  ...SOLUTION,
  ...FACTORED,
  ...TIED,
  ...RIGIDITIES,
  ...FACTORED_OUT,
  ...DIAGRAM,
  ...CHECKS,
  ...BENT,
  ...BENT_EQUATIONS,
}

const kindOf = (name: string): Kind | undefined => (Object.hasOwn(KINDS, name) ? KINDS[name] : undefined)

export function ledger(
  solved: Solution,
  units: ProblemUnits,
  acting: ActionSolution,
  problem?: Problem,
): Ledger {
  // the stiffness method is of first order; what second order makes of it is a step of its own
  const solution = firstOrderSolution(solved)
  const action = firstOrderOf(acting)
  const numbers = numbersOf(solution, units, action, () => context)
  const context = contextOf(solution, units, action, numbers, problem, acting.bent ? acting : undefined)
  return {
    context,
    entry: (address) => numbers.look(address)?.entry,
    origin: (address) => {
      const { found, entry } = numbers.must(address)
      return { ...entry, origin: found.origin() }
    },
    belongs: (address) => {
      const { kind, parts } = readAddress(address)
      return context.belongs(kind, ...parts)
    },
  }
}

interface Numbers {
  /** A number by its address; undefined where there is none such. */
  look(address: string): { found: Found; entry: Entry } | undefined
  /** The same of one that a formula is made of: there is one, or the formula is wrong. */
  must(address: string): { found: Found; entry: Entry }
}

/** The numbers of a case, each made when it is first asked for. */
function numbersOf(
  solution: Solution,
  units: ProblemUnits,
  action: ActionSolution,
  context: () => Context,
): Numbers {
  const known = new Map<string, { found: Found; entry: Entry } | undefined>()
  const rounded = roundingOf(solution, action)
  const look = (address: string) => {
    if (known.has(address)) return known.get(address)
    const { kind, parts } = readAddress(address)
    const found = kindOf(kind)?.find(context(), ...parts)
    const si = (f: Found) => (f.exact ? f.si : rounded(f.acts ? 'P' : kind, f.si, f.dimension))
    const it = found && { found, entry: entryOf(address, found, si(found), units) }
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

/** What the origins look things up in. */
function contextOf(
  solution: Solution,
  units: ProblemUnits,
  action: ActionSolution,
  { look, must }: Numbers,
  problem?: Problem,
  bent?: ActionSolution,
): Context {
  const members = new Map(solution.structure.members.map((m, i) => [m.id, i]))
  const nodes = new Map(solution.structure.nodes.map((n, i) => [n.id, i]))
  const letterAt = (address: string): Letter => {
    const { entry } = must(address)
    return { t: 'letter', symbol: entry.symbol, value: entry.value, address: entry.address }
  }
  const context: Context = {
    ...numbered(solution, problem),
    action,
    ...(bent && { bent }),
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
    inCase: inCases(solution, units, problem),
    belongs: (kind, ...parts) => kindOf(kind)?.belongs(context, ...parts) ?? [],
    member: (id) => members.get(id) ?? -1,
    node: (id) => nodes.get(id) ?? -1,
  }
  return context
}

const entryOf = (address: string, { symbol, dimension }: Found, si: number, units: ProblemUnits): Entry => ({
  address,
  symbol,
  value: si / siPerCoherent(units, dimension),
  unit: coherentUnitName(units, dimension),
  dimension,
})

/** Keeps what was made under a key, for as long as the ledger is used. */
function keeper(): Context['kept'] {
  const kept = new Map<string, unknown>()
  return <T>(key: string, make: () => T): T => {
    if (!kept.has(key)) kept.set(key, make())
    return kept.get(key) as T
  }
}

/** Finds a number of another case, in a ledger of that case that is made when it is first asked for. */
function inCases(solution: Solution, units: ProblemUnits, problem?: Problem): Context['inCase'] {
  const cases = new Map<string, Ledger>()
  const inCase = (id: string): Ledger | undefined => {
    const one = solution.cases.find((o) => o.id === id)
    if (one && !cases.has(id)) cases.set(id, ledger(solution, units, one, problem))
    return cases.get(id)
  }
  return (id, parts) => {
    const one = inCase(id)
    const address = addressOf(...parts)
    const entry = one?.entry(address)
    if (!one || !entry) return undefined
    const found = {
      symbol: { ...entry.symbol, of: entry.symbol.of ? `${entry.symbol.of}, ${id}` : id },
      si: entry.value * siPerCoherent(units, entry.dimension),
      dimension: entry.dimension,
    }
    return { ...found, origin: () => within(one.origin(address).origin, id) }
  }
}

/** The origin of a number in a case, its letters addressed from outside the case. */
const within = (o: Origin, id: string): Origin =>
  o.kind === 'formula'
    ? {
        ...o,
        formula: relettered(o.formula, (l) => ({ ...l, address: `${addressOf('case', id)}/${l.address}` })),
      }
    : o
