import * as D from '../../quantity/dimension.js'
import { siPerCoherent, type ProblemUnits } from '../../quantity/units.js'
import { thing, type ThingKey } from '../../document/thing.js'
import type { ActionSolution } from '../../analysis/solve.js'
import { addressOf } from '../address.js'
import type { Block } from '../blocks.js'
import { number, type LetterName } from '../expression.js'
import type { Ledger } from '../ledger.js'
import type { Notes } from '../notes.js'
import { reactionName } from '../../document/reaction-name.js'
import { leftSide, solvedFor, type EquationTerms } from '../solved-for.js'
import type { Found } from './bodies.js'
import type { Passing } from './order.js'
import { equationWords } from './points.js'
import type { Truss } from './truss.js'

/** The address of a force: of a bar, or of a reaction. */
export function forceAt(t: Truss, unknown: number): string {
  const u = t.unknowns[unknown]
  const { nodes, members } = t.structure
  return u.bar === undefined
    ? addressOf('reaction', nodes[u.on[0].node].id, u.component!)
    : addressOf('bar', members[u.bar].id)
}

export const solverAt = (id: string): string => addressOf('solver-bar', id)

function nameOf(t: Truss, unknown: number): LetterName {
  const u = t.unknowns[unknown]
  const { nodes, members } = t.structure
  return u.bar === undefined
    ? reactionName(nodes[u.on[0].node].id, u.component!)
    : { letter: 'N', sub: members[u.bar].id }
}

function belongs(t: Truss, unknown: number): ThingKey[] {
  const u = t.unknowns[unknown]
  const { nodes, members } = t.structure
  return [u.bar === undefined ? thing.support(nodes[u.on[0].node].id) : thing.member(members[u.bar].id)]
}

/**
 * The equation a force was found from, in coherent units: of forces, or of moments about a point, whose
 * factors are lengths.
 */
export function equationOf(t: Truss, f: Found, units: ProblemUnits): EquationTerms {
  const isMoment = 'about' in f.by
  const coherent = (si: number, d: D.Dimension) => si / siPerCoherent(units, d)
  const factor = (v: number) => (isMoment ? coherent(v, D.length) : v)
  return {
    terms: [...f.parts, { unknown: f.unknown, factor: f.own }].map((p) => ({
      at: forceAt(t, p.unknown),
      factor: factor(p.factor),
    })),
    loads: coherent(f.loads, isMoment ? D.moment : D.force),
  }
}

/** Notes every force by the equation it was found from. */
export function noteForces(notes: Notes, t: Truss, order: readonly Passing[], units: ProblemUnits): void {
  const put = (unknown: number, si: number, from: Parameters<Notes['put']>[1]['from']) => {
    const u = t.unknowns[unknown]
    const name =
      u.bar === undefined
        ? ['reaction', t.structure.nodes[u.on[0].node].id, u.component!]
        : ['bar', t.structure.members[u.bar].id]
    notes.put(name, { symbol: nameOf(t, unknown), si, dimension: D.force, from, of: belongs(t, unknown) })
  }
  for (const p of order) {
    if (p.kind === 'together')
      for (const f of p.found)
        put(f.unknown, f.value, 'The equations of the remaining joints together give it.')
    else
      for (const f of p.kind === 'cut' ? [p.found] : p.found)
        put(f.unknown, f.value, (l) => solvedFor(equationOf(t, f, units), forceAt(t, f.unknown), l))
  }
}

/** Notes the bar forces that the stiffness method finds, for the comparison alone. */
export function noteSolver(notes: Notes, t: Truss, action: ActionSolution): void {
  t.structure.members.forEach((m, i) =>
    notes.put(['solver-bar', m.id], {
      symbol: { letter: 'N', sub: m.id },
      si: (action.forces[6 * i + 3] - action.forces[6 * i]) / 2,
      dimension: D.force,
      from: 'The stiffness method finds this.',
      of: [thing.member(m.id)],
    }),
  )
}

/** Forces as they are found one after the other: the equation of each, and the equation solved. */
export const foundBlocks = (t: Truss, book: Ledger, found: readonly Found[]): Block[] =>
  found.flatMap((f): Block[] => [
    { kind: 'words', words: equationWords(t, f) },
    {
      kind: 'equation',
      left: leftSide(equationOf(t, f, book.context.units), book.context.letterAt),
      right: number(0),
    },
    { kind: 'lines', addresses: [forceAt(t, f.unknown)] },
  ])
