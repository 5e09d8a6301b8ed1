import { siPerCoherent, type ProblemUnits } from '../../quantity/units.js'
import type { ActionSolution, Solution } from '../../analysis/solve.js'
import type { Problem } from '../../document/types.js'
import { firstOrderOf, firstOrderSolution } from '../../stability/first-order.js'
import { addressOf } from '../address.js'
import { relettered } from '../expression.js'
import { createLedger, type Ledger } from '../ledger.js'
import { actingOf } from '../numbers.js'
import { OUTLINE } from './outline.js'
import { numbered } from './numbering.js'
import { BENT } from './origins/bent.js'
import { BENT_EQUATIONS } from './origins/bent-equations.js'
import { CHECKS } from './origins/checks.js'
import { DIAGRAM } from './origins/diagrams.js'
import { FACTORED } from './origins/factored.js'
import { FACTORED_OUT } from './origins/factored-out.js'
import { FIXED_ENDS } from './origins/fixed-ends.js'
import { GEOMETRY } from './origins/geometry.js'
import { HINGED } from './origins/hinged.js'
import type { Context, Kind, Origin } from './origins/kind.js'
import { PEAKS } from './origins/peaks.js'
import { RIGIDITIES } from './origins/rigidities.js'
import { SOLUTION } from './origins/solution.js'
import { STATED } from './origins/stated.js'
import { STIFFNESS } from './origins/stiffness.js'
import { TIED } from './origins/tied.js'
import { roundingOf } from './scale.js'
import { shortForm } from './short.js'
import { STEPS } from './steps/index.js'

/** The working of the stiffness method: its numbers are the solver's own. */
export type StiffnessBook = Ledger<Context>

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
  ...PEAKS,
  ...CHECKS,
  ...BENT,
  ...BENT_EQUATIONS,
}

/** The working of a case or combination by the stiffness method. */
export function ledger(
  solved: Solution,
  units: ProblemUnits,
  acting: ActionSolution,
  problem?: Problem,
): StiffnessBook {
  // the stiffness method is of first order; what second order makes of it is a step of its own
  const solution = firstOrderSolution(solved)
  const action = firstOrderOf(acting)
  const rounded = roundingOf(solution, action)
  return createLedger<Context>({
    method: OUTLINE,
    kinds: KINDS,
    steps: STEPS,
    short: shortForm,
    structure: solution.structure,
    acting: actingOf(solution.structure, action.id)!,
    units,
    problem,
    own: (base) => ({
      ...base,
      ...numbered(solution, problem),
      action,
      ...(acting.bent && { bent: acting }),
      inCase: inCases(solution, units, problem),
    }),
    rounded: (kind, f) => rounded(f.acts ? 'P' : kind, f.si, f.dimension),
  })
}

/** Finds a number of another case, in a ledger of that case that is made when it is first asked for. */
function inCases(solution: Solution, units: ProblemUnits, problem?: Problem): Context['inCase'] {
  const cases = new Map<string, StiffnessBook>()
  const inCase = (id: string): StiffnessBook | undefined => {
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
